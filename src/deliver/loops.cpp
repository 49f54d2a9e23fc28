#include "deliver/loops.h"

#include "base/utf8.h"
#include "hear/name.h"
#include "metre/tempo.h"
#include "project/clip_rendering.h"
#include "sound/decibel.h"

#include <algorithm>
#include <cmath>
#include <fmt/format.h>
#include <optional>
#include <set>

namespace deliver {

namespace fs = std::filesystem;
using metre::Bpm;

std::optional<hear::Key> keyOf(const project::LaidClip& clip) {
    const stretch::Settings& s = clip.clip->stretch;
    const double semitones = s.semitones + clip.time().keyShift.value_or(0);
    if (!clip.source->key || semitones != std::round(semitones)) return std::nullopt;
    const project::RenderJobPtr job = clip.time().job();
    if (s.method == stretch::Method::Tape && clip.time().stretched && !(job && job->map.isIdentity()))
        return std::nullopt;
    hear::Key key = *clip.source->key;
    key.root = ((key.root + static_cast<int>(semitones)) % 12 + 12) % 12;
    return key;
}

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

Result<std::string> filled(const project::LaidClip& clip, int number, const std::string& pattern) {
    const double beats = (clip.time().end - clip.time().start).value;
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
            value = clip.time().stretched ? withoutTempo(clip.source->name) : clip.source->name;
        else if (word == "bpm")
            value = clip.time().stretched ? metre::tempoLabel(clip.time().tempo) : std::string();
        else if (word == "key")
            value = keyOf(clip) ? hear::keyTag(*keyOf(clip)) : std::string();
        else if (word == "track")
            value = clip.track->name;
        else if (word == "beats")
            value =
                clip.time().stretched && beats == std::round(beats) ? fmt::format("{:.0f}", beats) : std::string();
        else if (word == "number")
            value = fmt::format("{:02}", number);
        else
            return base::problem("The name pattern may hold {name}, {bpm}, {key}, {track}, {beats} and {number}.");
        if (!value.empty()) out += separators + value;
        separators.clear();
        i = close;
        // The unit goes with its number.
        if (word == "bpm" && value.empty() && pattern.compare(close + 1, 3, "bpm") == 0) i += 3;
    }
    return safeName(out);
}

// The same part of the same source with the same settings, at one and the same tempo: where it lies may make it a
// frame longer or shorter, and no more.
bool soundTheSame(const project::LaidClip& a, const project::LaidClip& b) {
    project::Clip there = *a.clip;
    there.id = b.clip->id;
    there.at = b.clip->at;
    if (!(there == *b.clip) || a.source != b.source) return false;
    return !a.time().stretched || (a.time().steadyTempo && a.time().steadyTempo == b.time().steadyTempo);
}

} // namespace

Result<std::vector<PlannedLoop>> planLoops(const project::Laid& laid, const std::vector<project::ClipId>& clips,
                                           const LoopOptions& options) {
    if (options.pattern.empty()) return base::problem("The name pattern is empty.");
    std::vector<PlannedLoop> plan;
    std::set<std::string> taken;
    for (const project::ClipId id : clips) {
        const project::LaidClip* clip = laid.find(id);
        if (clip == nullptr || !clip->source) continue;
        const bool planned = std::any_of(plan.begin(), plan.end(), [&](const PlannedLoop& other) {
            return soundTheSame(*laid.find(other.clip), *clip);
        });
        if (planned) continue;
        const auto name = filled(*clip, static_cast<int>(plan.size()) + 1, options.pattern);
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

Delivered deliverLoops(const project::LaidPtr& laid, const std::vector<PlannedLoop>& plan,
                       const LoopOptions& options, const base::Progress& progress) {
    Delivered out;
    std::error_code error;
    fs::create_directories(options.folder, error);
    if (error) {
        out.problems.push_back(fmt::format("{} could not be made: {}.", base::shownPath(options.folder),
                                           base::writeReason(options.folder, error.value())));
        return out;
    }
    for (std::size_t i = 0; i < plan.size(); ++i) {
        const project::LaidClip* clip = laid->find(plan[i].clip);
        if (clip == nullptr) {
            out.problems.push_back(fmt::format("{} was not written: its clip is no longer in the project.",
                                               base::shownPath(plan[i].file)));
            continue;
        }
        if (clip->time().parts.empty()) {
            out.problems.push_back(clip->time().problem);
            continue;
        }
        const auto rendering = project::ClipRendering::plan(clip->time());
        if (!rendering) {
            out.problems.push_back(
                fmt::format("{} could not be rendered: {}", base::shownPath(plan[i].file), rendering.error().text));
            continue;
        }
        sound::Tags tags;
        if (clip->time().stretched) tags.bpm = clip->time().steadyTempo;
        if (const auto key = keyOf(*clip)) tags.key = hear::keyTag(*key);
        const auto gain = static_cast<float>(sound::factorFromDb(clip->chain.clipDb));
        const double n = static_cast<double>(plan.size());
        const auto written = sound::write(plan[i].file, rendering->blocks(gain, progress.stop), options.depth, tags,
                                          options.existing, progress.part(double(i) / n, double(i + 1) / n));
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
