#include "cli/read.h"

#include "base/utf8.h"
#include "cli/in_order.h"
#include "cli/json_line.h"
#include "cli/tempo_range.h"
#include "hear/key.h"
#include "metre/tempo.h"
#include "project/import.h"
#include "project/settle.h"

#include <algorithm>
#include <cmath>
#include <fmt/format.h>
#include <new>
#include <optional>

namespace cli {

namespace {

using metre::Bpm;

// By how much a tempo is multiplied to lie in the window: halves and doubles, and thirds where three are counted;
// none where nothing fits.
std::optional<double> factorInto(const hear::Window& window, Bpm bpm, bool threes) {
    for (const double factor : {1.0, 2.0, 0.5, 4.0, 0.25})
        if (window.holds(Bpm(bpm.value * factor))) return factor;
    if (threes)
        for (const double factor : {1.5, 2.0 / 3, 3.0, 1.0 / 3})
            if (window.holds(Bpm(bpm.value * factor))) return factor;
    return std::nullopt;
}

bool countsThrees(const project::Source& s) {
    const hear::Reading* heard = project::readingBy(s, hear::Witness::Heard);
    return s.beatsInBar % 3 == 0 || (heard != nullptr && heard->metre == metre::Metre{6, 8});
}

// The source as it is read: with its tempo brought into the window, or with a word that it cannot be.
struct Read {
    project::Source source;
    std::vector<std::string> warnings;
};
Read broughtInto(const std::filesystem::path& file, project::ImportedSource imported, const hear::Window& window) {
    Read out{std::move(imported.source), std::move(imported.warnings)};
    project::Source& s = out.source;
    if (!s.beats) return out;
    const auto factor = factorInto(window, s.beats->meanTempo(), countsThrees(s));
    if (!factor) {
        out.warnings.push_back(fmt::format("{}: neither {} nor a half or double of it lies between {} and {}.",
                                           base::shownPath(file), metre::tempoLabel(s.beats->meanTempo()),
                                           metre::tempoLabel(window.low), metre::tempoLabel(window.high)));
        return out;
    }
    if (*factor == 1) return out;
    std::vector<metre::Pin> pins = s.beats->pins();
    for (metre::Pin& pin : pins)
        pin.beat = metre::Beats(pin.beat.value * *factor);
    if (auto map = metre::BeatMap::make(std::move(pins))) s.beats = std::move(*map);
    if (s.loopBeats) {
        s.loopBeats = metre::Beats(s.loopBeats->value * *factor);
        if (std::abs(s.loopBeats->value - std::round(s.loopBeats->value)) > 1e-9)
            s.loopBeats.reset();
        else
            s.loopBeats = metre::Beats(std::round(s.loopBeats->value));
    }
    return out;
}

bool isSteady(const project::Source& s) {
    for (const hear::Reading& r : s.readings)
        if (s.chosen == r.by) return r.steady;
    return true;
}

// The beats of the loop, or of the whole recording: of free playing from the first pin to the last.
std::vector<double> beatTimes(const project::Source& s) {
    const auto& pins = s.beats->pins();
    const bool isFree = !isSteady(s);
    const double first = isFree ? pins.front().beat.value : 0;
    const double end = isFree ? pins.back().beat.value + 0.5 : s.endBeat().value - 1e-9;
    std::vector<double> times;
    for (double b = std::ceil(first); b < end; ++b)
        times.push_back(rounded(s.beats->secondsAt(metre::Beats(b)).value, 1e6));
    return times;
}

Json candidatesOf(const project::Source& s, const hear::Window& window) {
    struct Line {
        double weight;
        Bpm bpm;
        const char* by;
    };
    std::vector<Line> lines;
    for (const hear::Reading& r : s.readings) {
        if (!r.bpm) continue;
        if (r.others.empty()) lines.push_back({r.sureness, *r.bpm, hear::witnessWord(r.by)});
        for (const hear::Candidate& c : r.others)
            if (r.by == hear::Witness::Heard || lines.size() < 24)
                lines.push_back({c.weight, c.bpm, hear::witnessWord(r.by)});
    }
    std::stable_sort(lines.begin(), lines.end(), [](const Line& a, const Line& b) { return a.weight > b.weight; });
    const bool threes = countsThrees(s);
    Json out = Json::array();
    for (const Line& l : lines)
        out.push_back({{"bpm", rounded(l.bpm.value * factorInto(window, l.bpm, threes).value_or(1), 1e6)},
                       {"weight", rounded(l.weight, 1e6)},
                       {"source", l.by}});
    return out;
}

Json pinsOf(const project::Source& s) {
    if (!s.beats || isSteady(s)) return nullptr;
    Json list = Json::array();
    for (const metre::Pin& pin : s.beats->pins())
        list.push_back({rounded(pin.at.value, 1e6), rounded(pin.beat.value, 1e6)});
    return list;
}

Json describe(const std::filesystem::path& file, const Read& read, const hear::Window& window) {
    const project::Source& s = read.source;
    const hear::Ranking ranking = hear::ranked(s.readings);
    Json j = Json::object();
    nameInto(j, file);
    Json beats = nullptr;
    Json bars = nullptr;
    if (s.beats && isSteady(s))
        if (const auto n = s.wholeBeats()) {
            beats = *n;
            const double count = *n / s.metre().bar().value;
            bars = count == std::floor(count) ? Json(static_cast<int>(count)) : Json(count);
        }
    const std::vector<double> times = s.beats ? beatTimes(s) : std::vector<double>{};
    if (s.beats && !isSteady(s)) beats = times.size();
    j["bpm"] = s.beats ? Json(rounded(s.beats->meanTempo().value, 1e6)) : Json(nullptr);
    j["beats"] = beats;
    j["bars"] = bars;
    j["maybe"] = s.beats ? Json(hear::isMaybe(s.readings, s.chosen)) : Json(nullptr);
    j["confidence"] = s.beats ? Json(rounded(ranking.sureness, 1e4)) : Json(nullptr);
    j["source"] = s.chosen ? Json(hear::witnessWord(*s.chosen)) : Json(nullptr);
    j["candidates"] = candidatesOf(s, window);
    j["first_beat_s"] = s.beats ? Json(rounded(s.beats->secondsAt(metre::Beats(0)).value, 1e6)) : Json(nullptr);
    j["beats_s"] = s.beats ? Json(times) : Json(nullptr);
    j["pins"] = pinsOf(s);
    j["key"] = s.key ? Json(hear::keyName(*s.key)) : Json(nullptr);
    j["steady"] = s.beats ? Json(isSteady(s)) : Json(nullptr);
    j["kind"] = hear::kindWord(s.kind);
    const hear::Reading* heard = project::readingBy(s, hear::Witness::Heard);
    j["metre"] =
        s.beats && heard != nullptr && heard->metre ? Json(metre::metreLabel(*heard->metre)) : Json(nullptr);
    j["beats_in_bar"] = s.beats ? Json(s.beatsInBar) : Json(nullptr);
    j["disagreement"] = ranking.disagree.empty() ? Json(nullptr) : Json(ranking.disagree);
    Json readings = Json::object();
    for (const hear::Reading& r : s.readings)
        readings[hear::witnessWord(r.by)] = {{"bpm", r.bpm ? Json(rounded(r.bpm->value, 1e6)) : Json(nullptr)},
                                             {"beats", r.beats ? Json(r.beats->value) : Json(nullptr)},
                                             {"key", r.key ? Json(hear::keyName(*r.key)) : Json(nullptr)},
                                             {"sureness", rounded(r.sureness, 1e4)},
                                             {"evidence", base::toUtf8(r.evidence)}};
    j["readings"] = readings;
    j["seconds"] = rounded(s.length().value, 1e6);
    j["rate"] = s.facts.rate;
    j["channels"] = s.facts.channels;
    j["warnings"] = Json::array();
    for (const std::string& w : read.warnings)
        j["warnings"].push_back(base::toUtf8(w));
    return j;
}

// The same for people: a line of columns.
constexpr const char* tableForm = "{:>8}  {:>5}  {:>5}  {:<8}  {:<8}  {:<7}  {}  {}";

std::string tableHead() {
    return fmt::format(tableForm, "tempo", "beats", "sure", "by", "kind", "key", "     ", "file");
}

std::string tableLine(const std::filesystem::path& file, const Read& read) {
    const project::Source& s = read.source;
    const hear::Ranking ranking = hear::ranked(s.readings);
    const auto whole = s.beats && isSteady(s) ? s.wholeBeats() : std::nullopt;
    std::string line = fmt::format(
        tableForm, s.beats ? metre::tempoFigure(s.beats->meanTempo()) : "–", whole ? std::to_string(*whole) : "–",
        s.beats ? fmt::format("{:.2f}", ranking.sureness) : "–", s.chosen ? hear::witnessWord(*s.chosen) : "–",
        hear::kindLabel(s.kind), s.key ? hear::keyLabel(*s.key) : "–",
        !s.beats                              ? "     "
        : hear::isMaybe(s.readings, s.chosen) ? "maybe"
        : !isSteady(s)                        ? "free "
                                              : "     ",
        base::shownPath(file));
    if (!ranking.disagree.empty()) line += "  (" + ranking.disagree + ")";
    return line;
}

Outcome failure(const std::filesystem::path& file, const ReadOptions& options, const std::string& reason) {
    return {options.table ? std::string() : errorLine(file, reason), {reason}, true};
}

Outcome readOne(const std::filesystem::path& file, const ReadOptions& options, const hear::Window& window,
                const std::stop_token& stop) {
    try {
        const project::Witnesses heeded{!options.ignoreName, !options.ignoreTags, true, window};
        auto imported = project::listenToFile(file, heeded, {{}, stop});
        if (!imported) return failure(file, options, imported.error().text);
        const Read read = broughtInto(file, std::move(*imported), window);
        if (options.table) return {tableLine(file, read), read.warnings};
        return {dumped(describe(file, read, window)), read.warnings};
    } catch (const std::bad_alloc&) {
        return failure(
            file, options,
            fmt::format("{} could not be read: there is not enough memory for it.", base::shownPath(file)));
    } catch (const std::exception& e) {
        return failure(file, options, fmt::format("{} could not be read: {}.", base::shownPath(file), e.what()));
    }
}

} // namespace

int read(const ReadOptions& options, const std::stop_token& stop, Output& output) {
    const auto window =
        options.range.empty() ? base::Result<hear::Window>(hear::Window{}) : tempoRange(options.range);
    if (!window) {
        output.say(window.error().text);
        return 2;
    }
    bool failed = false;
    const auto listed = expanded(options.given, output, failed);
    if (!listed) return 2;
    const std::vector<std::filesystem::path>& files = *listed;
    if (options.table) output.line(tableHead());
    const bool allDone = inOrder(files, options.given.jobs, options.given.quiet, stop, output,
                                 [&](const std::filesystem::path& file, std::size_t, const std::stop_token& lost) {
                                     return readOne(file, options, *window, lost);
                                 });
    return failed || !allDone ? 1 : 0;
}

} // namespace cli
