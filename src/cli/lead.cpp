#include "cli/lead.h"

#include "base/safe_file.h"
#include "base/utf8.h"
#include "cli/json_line.h"
#include "deliver/midi_map.h"
#include "project/import.h"
#include "project/lead.h"

#include <cmath>
#include <fmt/format.h>

namespace cli {

namespace {

// The points, each with its beat (0: the first downbeat) and its moment in the recording.
Json pointsOf(const project::LeadTempo& lead) {
    Json points = Json::array();
    for (std::size_t i = 0; i < lead.beats.size(); ++i)
        points.push_back({{"beat", rounded(lead.beats[i].beat.value, 1e6) + 0.0},
                          {"bpm", rounded(lead.bpm[i].value, 1e4)},
                          {"seconds", rounded(lead.beats[i].at.value, 1e6)}});
    return points;
}

} // namespace

int lead(const LeadCommand& command, const std::stop_token& stop, Output& output) {
    if (command.out.empty() && !command.json) {
        output.say("Say where the map goes with -o MAP.mid, or print it with --json.");
        return 2;
    }
    if (!(command.smooth >= 0) || command.smooth > project::smoothest.value * 1000) {
        output.say(fmt::format("--smooth lies between 0 and {:.0f} ms.", project::smoothest.value * 1000));
        return 2;
    }
    std::error_code error;
    if (!command.out.empty() && !command.overwrite && std::filesystem::exists(command.out, error)) {
        output.say(fmt::format("{} is there already; --overwrite replaces it.", base::shownPath(command.out)));
        return 1;
    }
    if (!command.out.empty() && base::isSameFile(command.file, command.out)) {
        output.say(fmt::format("{} is the recording itself.", base::shownPath(command.out)));
        return 1;
    }
    auto heard = project::listenToFile(command.file, {}, {{}, stop});
    if (stop.stop_requested()) return 1;
    if (!heard) {
        output.say(heard.error().text);
        return 1;
    }
    const project::Source& source = heard->source;
    const auto every = command.every == "bar" ? project::Lead::Every::Bar : project::Lead::Every::Beat;
    const auto tempo = project::leadTempo(source, every, project::Seconds(command.smooth / 1000));
    const auto map = tempo ? project::tempoOf(*tempo, project::Beats(0)) : tl::unexpected(tempo.error());
    if (!map) {
        output.say(fmt::format("{}: {}", base::shownPath(command.file), map.error().text));
        return 1;
    }
    if (!command.out.empty()) {
        const project::Beats end(std::floor(source.beats->beatAt(source.length()).value));
        const std::string midi = deliver::midiMap(*map, metre::MetreMap(source.metre()), end);
        const auto existing = command.overwrite ? base::Existing::Replace : base::Existing::Refuse;
        if (auto written = base::writeText(command.out, midi, existing); !written) {
            output.say(written.error().text);
            return 1;
        }
    }
    const Json line = command.json ? pointsOf(*tempo)
                                   : Json{{"bpm", rounded(source.beats->meanTempo().value, 1e4)},
                                          {"points", tempo->bpm.size()},
                                          {"worst_ms", rounded(tempo->worst.value * 1000, 1e3)}};
    return output.line(dumped(line)) ? 0 : 1;
}

} // namespace cli
