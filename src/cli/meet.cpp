#include "cli/meet.h"

#include "base/utf8.h"
#include "cli/in_order.h"
#include "cli/json_line.h"
#include "cli/tempo_range.h"
#include "metre/tempo.h"
#include "project/import.h"
#include "project/settle.h"
#include "prove/meeting.h"

#include <cmath>
#include <fmt/format.h>
#include <map>
#include <mutex>

namespace cli {

namespace {

struct Meeting {
    std::filesystem::path file;
    std::optional<prove::Strained> strained; // none: it has no tempo that could be relied on
    std::string problem;                     // why it could not be read; empty where it could
};

Json lineOf(const Meeting& m, metre::Bpm at) {
    Json j = Json::object();
    nameInto(j, m.file);
    if (!m.problem.empty()) {
        j["error"] = base::toUtf8(m.problem);
        return j;
    }
    j["bpm"] = m.strained ? Json(rounded(m.strained->bpm.value, 1e6)) : Json(nullptr);
    j["used_bpm"] = nullptr;
    j["strain_percent"] = nullptr;
    j["verdict"] = nullptr;
    if (!m.strained) return j;
    const metre::Bpm used = prove::usedAt(*m.strained, at);
    const prove::Strain strain = prove::strainOf(used, at, m.strained->method);
    j["used_bpm"] = rounded(used.value, 1e6);
    j["strain_percent"] = rounded(strain.percent, 1e2) + 0.0;
    j["verdict"] = prove::verdictWord(strain.verdict);
    return j;
}

using Meetings = std::map<std::filesystem::path, Meeting>;

// Listens to all of them. Whether all could be read.
bool hearAll(const std::vector<std::filesystem::path>& files, const Given& given, const std::stop_token& stop,
             Output& output, Meetings& heard) {
    std::mutex mutex; // guards what was heard
    return inOrder(files, given.jobs, given.quiet, stop, output,
                   [&](const std::filesystem::path& file, std::size_t, const std::stop_token& lost) -> Outcome {
                       const auto read = project::listenToFile(file, {}, {{}, lost});
                       if (!read) {
                           const std::lock_guard lock(mutex);
                           if (!read.error().cancelled) heard[file] = {file, {}, read.error().text};
                           return {{}, {read.error().text}, true};
                       }
                       const project::Source& source = read->source;
                       Meeting m{file, {}, {}};
                       if (source.beats && !hear::isMaybe(source.readings, source.chosen))
                           m.strained = {source.beats->meanTempo(), project::methodFor(source.kind)};
                       const std::lock_guard lock(mutex);
                       heard[file] = std::move(m);
                       return {{}, read->warnings};
                   });
}

void tellTable(metre::Bpm bpm, double together, const Json& list, Output& output) {
    output.line(fmt::format("All meet at {} BPM, strained {:.1f} % together", metre::tempoFigure(bpm), together));
    const auto figure = [](const Json& j, const char* form) {
        return j.is_null() ? std::string("–") : fmt::format(fmt::runtime(form), j.get<double>());
    };
    for (const Json& j : list) {
        if (j.contains("error")) continue; // said on standard error
        output.line(fmt::format("{:>8}  {:>8}  {:>8}  {:<9}  {}", figure(j["bpm"], "{:.2f}"),
                                figure(j["used_bpm"], "{:.2f}"), figure(j["strain_percent"], "{:+.1f} %"),
                                j["verdict"].is_null() ? "–" : j["verdict"].get<std::string>(),
                                base::escaped(j["file"].get<std::string>())));
    }
}

} // namespace

int meet(const MeetCommand& command, const std::stop_token& stop, Output& output) {
    prove::TempoSpan span;
    if (command.between) {
        const auto range = tempoRange(*command.between);
        if (!range) {
            output.say(range.error().text);
            return 2;
        }
        span = {range->low, range->high};
    }
    bool failed = false;
    const auto listed = expanded(command.given, output, failed);
    if (!listed) return 2;
    const std::vector<std::filesystem::path>& files = *listed;
    Meetings heard;
    const bool allRead = hearAll(files, command.given, stop, output, heard);
    if (stop.stop_requested()) return 1;
    std::vector<prove::Strained> all;
    for (const auto& file : files)
        if (const auto m = heard.find(file); m != heard.end() && m->second.strained)
            all.push_back(*m->second.strained);
    const auto bpm = prove::meetingTempo(all, span);
    if (!bpm) {
        output.say("None of these files has a tempo by which they could meet.");
        return 1;
    }
    Json list = Json::array();
    for (const auto& file : files)
        if (const auto m = heard.find(file); m != heard.end()) list.push_back(lineOf(m->second, *bpm));
    const double together = prove::strainTogether(all, *bpm);
    if (!command.table) {
        const Json j{
            {"bpm", rounded(bpm->value, 1e4)}, {"strain_percent", rounded(together, 1e2)}, {"files", list}};
        return output.line(dumped(j)) && allRead && !failed ? 0 : 1;
    }
    tellTable(*bpm, together, list, output);
    return allRead && !failed && !output.hasFailed() ? 0 : 1;
}

} // namespace cli
