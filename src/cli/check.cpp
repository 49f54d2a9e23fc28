#include "cli/check.h"

#include "base/number.h"
#include "base/utf8.h"
#include "cli/in_order.h"
#include "cli/json_line.h"
#include "metre/tempo.h"
#include "prove/cents.h"
#include "prove/check.h"

#include <fmt/format.h>

namespace cli {

namespace {

using metre::Seconds;

// What was asked for, once it has been found to make sense.
struct CheckAsked {
    metre::Bpm bpm;
    metre::Metre metre;
    std::optional<Seconds> first;
    Seconds tolerance = prove::usualTolerance;
};

base::Result<CheckAsked> checkUnderstood(const CheckCommand& command) {
    const auto bpm = metre::parseTempo(command.bpm);
    if (!bpm) return tl::unexpected(bpm.error());
    const auto metre = metre::parseMetre(command.metre);
    if (!metre) return tl::unexpected(metre.error());
    CheckAsked asked{*bpm, *metre, {}};
    if (command.first) {
        const auto first = base::typedNumber(*command.first);
        if (!first || *first < -3600 || *first > 86400)
            return base::problem(fmt::format("“{}” is not a number of seconds for --first.", *command.first));
        asked.first = Seconds(*first);
    }
    if (command.tolerance) {
        const auto ms = base::typedNumber(*command.tolerance);
        const double least = prove::leastTolerance.value * 1000;
        const double most = prove::mostTolerance.value * 1000;
        if (!ms || *ms < least || *ms > most)
            return base::problem(fmt::format("--tolerance lies between {:g} and {:g} ms.", least, most));
        asked.tolerance = Seconds(*ms / 1000);
    }
    return asked;
}

Json inMilliseconds(Seconds s, bool known) {
    return known ? Json(rounded(s.value * 1000, 1e3) + 0.0) : Json(nullptr);
}

Json orNull(const std::optional<double>& value, double perUnit) {
    return value ? Json(rounded(*value, perUnit) + 0.0) : Json(nullptr);
}

Json checkedLine(const std::filesystem::path& file, const CheckAsked& asked, const prove::Measured& measured,
                 const prove::Checked& checked) {
    const prove::Counts counts = prove::counted(checked.deviations, asked.tolerance);
    const bool any = !checked.deviations.empty();
    Json j = Json::object();
    nameInto(j, file);
    j["bpm"] = rounded(asked.bpm.value, 1e6);
    j["metre"] = metre::metreLabel(asked.metre);
    j["onsets"] = checked.onsets;
    j["matched"] = checked.deviations.size();
    j["first_s"] =
        checked.onsets > 0 || asked.first ? Json(rounded(checked.first.value, 1e6) + 0.0) : Json(nullptr);
    j["median_ms"] = inMilliseconds(checked.sums.median, any);
    j["p95_ms"] = inMilliseconds(checked.sums.p95, any);
    j["worst_ms"] = inMilliseconds(checked.sums.worst, any);
    j["worst_at_s"] =
        any ? Json(rounded(checked.deviations[checked.sums.worstIndex].at.value, 1e6)) : Json(nullptr);
    j["drift_ms"] = inMilliseconds(checked.sums.drift, checked.deviations.size() >= 4);
    j["early"] = counts.early;
    j["late"] = counts.late;
    j["in_time"] = counts.inTime;
    j["length_error_frames"] = checked.lengthError.value;
    j["lufs"] = orNull(measured.levels->lufs, 1e2);
    const auto part = [&](const std::string& name, const std::vector<prove::Deviation>& list,
                          const prove::Deviations& sums) {
        j[name + "_median_ms"] = inMilliseconds(sums.median, !list.empty());
        j[name + "_p95_ms"] = inMilliseconds(sums.p95, !list.empty());
        j[name + "_worst_ms"] = inMilliseconds(sums.worst, !list.empty());
    };
    part("placed", checked.placed, checked.placedSums);
    part("played", checked.played, checked.playedSums);
    j["verdict"] = prove::landingWord(checked.landing(asked.tolerance));
    return j;
}

constexpr const char* checkForm = "{:<8}  {:>6}  {:>8}  {:>8}  {:>9}  {:>8}  {:>7}  {}";

std::string checkTableLine(const std::filesystem::path& file, const Json& j) {
    const auto number = [&](const char* key) {
        return j[key].is_null() ? std::string("–") : fmt::format("{:.1f}", j[key].get<double>());
    };
    return fmt::format(checkForm, j["verdict"].get<std::string>(),
                       fmt::format("{}/{}", j["in_time"].get<std::size_t>(), j["matched"].get<std::size_t>()),
                       number("median_ms"), number("p95_ms"), number("worst_ms"), number("drift_ms"),
                       j["length_error_frames"].get<std::int64_t>(), base::shownPath(file));
}

Outcome checkOne(const std::filesystem::path& file, const CheckCommand& command, const CheckAsked& asked,
                 const std::optional<prove::Measured>& original, const std::stop_token& stop) {
    Outcome outcome;
    prove::Wanted wanted;
    wanted.levels = sound::Meter::Of::Loudness;
    if (!original) wanted.moments.emplace();
    const auto measured = prove::measureFile(file, wanted, outcome.messages, {{}, stop});
    if (!measured)
        return {
            command.table ? std::string() : errorLine(file, measured.error().text), {measured.error().text}, true};
    const prove::Checked checked =
        prove::check(*measured, asked.bpm, asked.metre, asked.first, original ? &*original : nullptr);
    Json j = checkedLine(file, asked, *measured, checked);
    if (original) {
        // As many moments of both, evenly over each.
        std::optional<double> cents;
        if (original->pitches.size() == measured->pitches.size()) {
            cents = prove::centsBetween(original->pitches, measured->pitches);
        } else {
            prove::Wanted again = wanted;
            again.moments.emplace();
            for (const prove::Pitches& p : original->pitches)
                again.moments->emplace_back(static_cast<std::int64_t>(
                    double(p.at.value) * double(measured->frames.value) / double(original->frames.value)));
            std::vector<std::string> told; // already
            const auto matching = prove::measureFile(file, again, told, {{}, stop});
            if (matching) cents = prove::centsBetween(original->pitches, matching->pitches);
        }
        j["cents"] = orNull(cents, 1e2);
        j["loudness_change_lu"] = measured->levels->lufs && original->levels->lufs
                                      ? Json(rounded(*measured->levels->lufs - *original->levels->lufs, 1e2) + 0.0)
                                      : Json(nullptr);
    }
    outcome.line = command.table ? checkTableLine(file, j) : dumped(j);
    return outcome;
}

} // namespace

int check(const CheckCommand& command, const std::stop_token& stop, Output& output) {
    const auto asked = checkUnderstood(command);
    if (!asked) {
        output.say(asked.error().text);
        return 2;
    }
    std::optional<prove::Measured> original;
    if (!command.against.empty()) {
        std::vector<std::string> warnings;
        prove::Wanted wanted;
        wanted.levels = sound::Meter::Of::Loudness;
        auto measured = prove::measureFile(command.against, wanted, warnings, {{}, stop});
        for (const std::string& w : warnings)
            output.say(w);
        if (!measured) {
            output.say(measured.error().text);
            return 1;
        }
        original = std::move(*measured);
    }
    bool failed = false;
    const auto listed = expanded(command.given, output, failed);
    if (!listed) return 2;
    const std::vector<std::filesystem::path>& files = *listed;
    if (command.table)
        output.line(
            fmt::format(checkForm, "verdict", "hits", "median", "p95", "worst ms", "drift", "frames", "file"));
    const bool allDone = inOrder(files, command.given.jobs, command.given.quiet, stop, output,
                                 [&](const std::filesystem::path& file, std::size_t, const std::stop_token& lost) {
                                     return checkOne(file, command, *asked, original, lost);
                                 });
    return failed || !allDone ? 1 : 0;
}

} // namespace cli
