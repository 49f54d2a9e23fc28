#include "deliver/loops.h"

#include "base/utf8.h"
#include "hear/name.h"
#include "metre/tempo.h"
#include "project/fit.h"
#include "sound/decibel.h"

#include <algorithm>
#include <cmath>
#include <fmt/format.h>
#include <optional>
#include <set>

namespace deliver {

namespace fs = std::filesystem;
using metre::Bpm;

namespace {

bool isSeparator(char c) {
    return c == '_' || c == '-' || c == ' ' || c == '.';
}

// The name without the tempo that stands in it: two tempos in one name would tell nothing.
std::string withoutTempo(const std::string& name) {
    const hear::NameTells tells = hear::tellsOfName(name);
    const auto at = tells.bpm ? name.find(tells.bpmText) : std::string::npos;
    if (at == std::string::npos) return name;
    std::string head = name.substr(0, at);
    std::string tail = name.substr(at + tells.bpmText.size());
    while (!head.empty() && (isSeparator(head.back()) || head.back() == '('))
        head.pop_back();
    while (!tail.empty() && tail.front() == ')')
        tail.erase(0, 1);
    if (head.empty())
        while (!tail.empty() && isSeparator(tail.front()))
            tail.erase(0, 1);
    const std::string joined = head + tail;
    return joined.empty() ? "loop" : joined;
}

std::string safeName(std::string name) {
    name = base::toUtf8(name);
    for (char& c : name)
        if (c == '/' || c == '\\' || c == ':' || c == '*' || c == '?' || c == '"' || c == '<' || c == '>' ||
            c == '|' || static_cast<unsigned char>(c) < 0x20)
            c = '_';
    while (!name.empty() && (name.front() == '.' || name.front() == ' '))
        name.erase(0, 1);
    while (!name.empty() && isSeparator(name.back()))
        name.pop_back();
    constexpr std::size_t longest = 200; // bytes; file systems allow 255 with the ending
    if (name.size() > longest) {
        name.resize(longest);
        while (!name.empty() && !base::isUtf8(name))
            name.pop_back();
    }
    return name.empty() ? "loop" : name;
}

// The project's tempo over a clip, where it is one.
std::optional<Bpm> tempoOver(const project::Project& p, const project::Clip& clip) {
    const Bpm first = p.tempo.tempoAt(project::startOf(p, clip));
    const metre::Beats end = project::endOf(p, clip);
    for (const metre::TempoPoint& point : p.tempo.points())
        if (point.at > project::startOf(p, clip) && point.at < end && point.bpm != first) return std::nullopt;
    // A ramp that runs through the clip shows at its end.
    const Bpm last = p.tempo.tempoAt(end - metre::Beats(1e-6));
    return std::abs(last.value - first.value) < 1e-6 ? std::optional(first) : std::nullopt;
}

Result<std::string> filled(const project::Project& p, const project::Clip& clip, int number,
                           const std::string& pattern) {
    const project::SourcePtr source = project::sourceOf(p, clip.source);
    const project::TrackPtr track = project::trackOfClip(p, clip.id);
    const double beats = (project::endOf(p, clip) - project::startOf(p, clip)).value;
    std::string out;
    std::string separators;
    for (std::size_t i = 0; i < pattern.size(); ++i) {
        if (pattern[i] != '{') {
            if (isSeparator(pattern[i]))
                separators += pattern[i];
            else {
                out += separators + pattern[i];
                separators.clear();
            }
            continue;
        }
        const auto close = pattern.find('}', i);
        const std::string word = close == std::string::npos ? std::string() : pattern.substr(i + 1, close - i - 1);
        std::string value;
        if (word == "name")
            value = withoutTempo(source->name);
        else if (word == "bpm")
            value = metre::tempoLabel(p.tempo.tempoAt(project::startOf(p, clip)));
        else if (word == "key")
            value = source->key ? hear::keyTag(*source->key) : std::string();
        else if (word == "track")
            value = track->name;
        else if (word == "beats")
            value = beats == std::round(beats) ? fmt::format("{:.0f}", beats) : std::string();
        else if (word == "number")
            value = fmt::format("{:02}", number);
        else
            return base::problem("The name pattern may hold {name}, {bpm}, {key}, {track}, {beats} and {number}.");
        if (!value.empty()) out += separators + value;
        separators.clear();
        i = close;
    }
    return safeName(out);
}

bool soundTheSame(const project::Project& p, const project::Clip& a, const project::Clip& b) {
    project::Clip there = a;
    there.id = b.id;
    there.at = b.at;
    if (!(there == b)) return false;
    if (!project::isStretched(p, a)) return true;
    const auto tempoA = tempoOver(p, a);
    return tempoA && tempoA == tempoOver(p, b);
}

} // namespace

Result<std::vector<PlannedLoop>> planLoops(const project::Project& p, const std::vector<project::ClipId>& clips,
                                           const LoopOptions& options) {
    if (options.pattern.empty()) return base::problem("The name pattern is empty.");
    std::vector<PlannedLoop> plan;
    std::set<std::string> taken;
    for (const project::ClipId id : clips) {
        const project::Clip* clip = project::clipOf(p, id);
        if (clip == nullptr) continue;
        const bool planned = std::any_of(plan.begin(), plan.end(), [&](const PlannedLoop& other) {
            return soundTheSame(p, *project::clipOf(p, other.clip), *clip);
        });
        if (planned) continue;
        const auto name = filled(p, *clip, static_cast<int>(plan.size()) + 1, options.pattern);
        if (!name) return tl::unexpected(name.error());
        std::string unique = *name;
        for (int n = 2; !taken.insert(unique).second; ++n)
            unique = fmt::format("{} {}", *name, n);
        PlannedLoop loop{id, options.folder / (unique + ".wav"), false};
        std::error_code ignored;
        loop.exists = fs::exists(loop.file, ignored);
        plan.push_back(std::move(loop));
    }
    return plan;
}

Delivered deliverLoops(const project::Project& p, const std::vector<PlannedLoop>& plan, const LoopOptions& options,
                       const base::Progress& progress) {
    Delivered out;
    std::error_code error;
    fs::create_directories(options.folder, error);
    if (error) {
        out.problems.push_back(fmt::format("{} could not be made: {}.", base::shownPath(options.folder),
                                           base::writeReason(options.folder, error.value())));
        return out;
    }
    for (std::size_t i = 0; i < plan.size(); ++i) {
        const project::Clip* clip = project::clipOf(p, plan[i].clip);
        const auto job = project::renderJobOf(p, *clip);
        if (!job) {
            out.problems.push_back(job.error().text);
            continue;
        }
        const auto rendering = project::planClip(*job);
        if (!rendering) {
            out.problems.push_back(
                fmt::format("{} could not be rendered: {}", base::shownPath(plan[i].file), rendering.error().text));
            continue;
        }
        const project::SourcePtr source = project::sourceOf(p, clip->source);
        sound::Tags tags;
        if (project::isStretched(p, *clip)) tags.bpm = tempoOver(p, *clip);
        if (source->key && clip->stretch.semitones == 0) tags.key = hear::keyTag(*source->key);
        const auto gain = static_cast<float>(sound::factorFromDb(clip->gainDb));
        const double n = static_cast<double>(plan.size());
        const auto written =
            sound::write(plan[i].file, project::renderedBlocks(*rendering, job->sound->audio, gain, progress.stop),
                         options.depth, tags, options.existing, progress.part(double(i) / n, double(i + 1) / n));
        if (written) {
            out.written.push_back(plan[i].file);
            out.clipped += written->clipped;
            continue;
        }
        if (written.error().cancelled) return out;
        out.problems.push_back(written.error().text);
    }
    return out;
}

} // namespace deliver
