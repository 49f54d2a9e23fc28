#include "cli/feel.h"

#include "base/number.h"
#include "base/utf8.h"
#include "cli/in_order.h"
#include "cli/json_line.h"
#include "metre/tempo.h"
#include "project/import.h"
#include "project/tighten.h"

#include <cmath>
#include <fmt/format.h>
#include <new>

namespace cli {

namespace {

using metre::Bpm;
using metre::Seconds;

// Where its beats are said to be.
struct SaidBeats {
    std::optional<Bpm> bpm;
    std::optional<Seconds> first;
};

base::Result<SaidBeats> feelUnderstood(const FeelCommand& command) {
    SaidBeats said;
    if (command.bpm) {
        const auto bpm = metre::parseTempo(*command.bpm);
        if (!bpm) return tl::unexpected(bpm.error());
        said.bpm = *bpm;
    }
    if (command.first) {
        const auto first = base::typedNumber(*command.first);
        if (!first || *first < -3600 || *first > 86400)
            return base::problem(fmt::format("“{}” is not a number of seconds for --first.", *command.first));
        if (!said.bpm) return base::problem("--first needs --bpm: together they say where beats are.");
        said.first = Seconds(*first);
    }
    return said;
}

// The recording, with its beats as they are said or as they count.
base::Result<project::ImportedSource> sourceOf(const std::filesystem::path& file, const SaidBeats& said,
                                               const std::stop_token& stop) {
    project::Witnesses heeded;
    heeded.ear = !said.first; // then nobody is asked
    auto imported = project::importFile(file, 0, heeded, {{}, stop});
    if (!imported || !said.bpm) return imported;
    project::Source& s = imported->source;
    const bool knows = s.beats && std::abs(s.beats->meanTempo().value / said.bpm->value - 1) < 0.01;
    // The beats that are heard at this tempo; else it begins with its first sound.
    const Seconds begins = knows ? s.beats->secondsAt(metre::Beats(0))
                           : s.sound->onsets.empty()
                               ? Seconds(0)
                               : metre::toSeconds(s.sound->onsets.front().at, s.sound->audio.rate);
    s.beats = metre::BeatMap(*said.bpm, said.first.value_or(begins));
    return imported;
}

Json objectOf(const std::filesystem::path& file, const project::Source& source, const hear::Feel& feel) {
    Json j = Json::object();
    nameInto(j, file);
    j["bpm"] = rounded(source.beats->meanTempo().value, 1e6);
    j["grid"] = hear::entryOf(feel.grid).word;
    j["swing_percent"] = feel.swing ? Json(rounded(*feel.swing, 1e2)) : Json(nullptr);
    j["loose_ms"] = rounded(feel.loose.value * 1000, 1e2) + 0.0;
    Json places = Json::array();
    for (const hear::FeelPlace& place : feel.places)
        places.push_back({{"place", place.place},
                          {"offset_ms", rounded(place.offset.value * 1000, 1e2) + 0.0},
                          {"hits", place.hits}});
    j["places"] = std::move(places);
    j["hits"] = feel.hits;
    return j;
}

// The bar's places across, so many milliseconds a line; beats are counted under it.
std::string drawn(const std::filesystem::path& file, const project::Source& source, const hear::Feel& feel) {
    const int steps = feel.stepsInBar();
    const int parts = hear::entryOf(feel.grid).parts;
    double most = 0.004;
    for (const hear::FeelPlace& place : feel.places)
        most = std::max(most, std::abs(place.offset.value));
    constexpr int rows = 4; // either way
    std::string out = fmt::format("{}: {} BPM, {}", base::shownPath(file),
                                  metre::tempoLabel(source.beats->meanTempo()), hear::entryOf(feel.grid).label);
    if (feel.swing) out += fmt::format(", swing {:.1f} %", *feel.swing);
    out += fmt::format(", loose ± {:.1f} ms, {} hits", feel.loose.value * 1000, feel.hits);
    for (int row = rows; row >= -rows; --row) {
        out += fmt::format("\n{:>7}  ", row == rows || row == 0 || row == -rows
                                            ? fmt::format("{:+.1f} ms", row * most * 1000 / rows)
                                            : std::string());
        for (int step = 0; step < steps; ++step) {
            const auto offset = feel.offsetAt(step);
            const bool here = offset && std::lround(offset->value / most * rows) == row;
            out += here ? "o" : row == 0 ? "-" : step % parts == 0 ? "." : " ";
            out += row == 0 ? "-" : " ";
        }
    }
    out += "\n         ";
    for (int step = 0; step < steps; ++step)
        out += step % parts == 0 ? fmt::format("{:<2}", step / parts + 1) : "  ";
    while (out.back() == ' ')
        out.pop_back();
    return out;
}

Outcome feelOne(const std::filesystem::path& file, const FeelCommand& command, const SaidBeats& said,
                const std::stop_token& stop) {
    const auto failed = [&](const base::Problem& problem) {
        if (problem.cancelled) return Outcome{{}, {}, true};
        return Outcome{command.table ? std::string() : errorLine(file, problem.text), {problem.text}, true};
    };
    try {
        const auto imported = sourceOf(file, said, stop);
        if (!imported) return failed(imported.error());
        const auto feel = project::feelOf(imported->source);
        if (!feel) return failed(feel.error());
        return {command.table ? drawn(file, imported->source, *feel)
                              : dumped(objectOf(file, imported->source, *feel)),
                imported->warnings};
    } catch (const std::bad_alloc&) {
        return failed(
            {fmt::format("{} could not be read: there is not enough memory for it.", base::shownPath(file))});
    }
}

} // namespace

base::Result<project::NamedFeel> feelOfFile(const std::filesystem::path& file, const std::stop_token& stop) {
    if (file.extension() == ".json") return project::readFeel(file);
    const auto imported = project::importFile(file, 0, {}, {{}, stop});
    if (!imported) return tl::unexpected(imported.error());
    auto feel = project::feelOf(imported->source);
    if (!feel) return tl::unexpected(feel.error());
    return project::NamedFeel{imported->source.name, std::move(*feel)};
}

int feel(const FeelCommand& command, const std::stop_token& stop, Output& output) {
    const auto said = feelUnderstood(command);
    if (!said) {
        output.say(said.error().text);
        return 2;
    }
    bool failed = false;
    const auto files = expanded(command.given, output, failed);
    if (!files) return 2;
    const bool allDone = inOrder(*files, command.given.jobs, command.given.quiet, stop, output,
                                 [&](const std::filesystem::path& file, std::size_t, const std::stop_token& lost) {
                                     return feelOne(file, command, *said, lost);
                                 });
    return failed || !allDone ? 1 : 0;
}

} // namespace cli
