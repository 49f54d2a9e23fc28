#include "project/fit.h"

#include "base/utf8.h"
#include "project/edit.h"

#include <algorithm>
#include <cmath>
#include <fmt/format.h>
#include <iterator>
#include <thread>

namespace project {

namespace {

constexpr double rampStep = 0.25; // beats; along a ramp the straight line is off by less than a frame

// The project beats, within (from, to), at which the line between source and output bends.
std::vector<Beats> bends(const Project& p, const Source& source, Beats at, Beats from, Beats to) {
    std::vector<Beats> list;
    // Before the first pin and after the last the line runs straight on.
    const auto& pins = source.beats->pins();
    for (std::size_t i = 1; i + 1 < pins.size(); ++i)
        list.push_back(at + pins[i].beat);
    const auto& points = p.tempo.points();
    for (std::size_t i = 0; i < points.size(); ++i) {
        if (i > 0) list.push_back(points[i].at);
        const bool ramp = points[i].shape == metre::TempoPoint::Shape::Ramp && i + 1 < points.size();
        if (!ramp) continue;
        const Beats rampEnd = std::min(points[i + 1].at, to);
        const double skip = std::max(0.0, std::floor((from - points[i].at).value / rampStep));
        for (Beats b = points[i].at + Beats(skip * rampStep); b < rampEnd; b += Beats(rampStep))
            list.push_back(b);
    }
    std::erase_if(list, [&](Beats b) { return b <= from || b >= to; });
    std::sort(list.begin(), list.end());
    list.erase(std::unique(list.begin(), list.end()), list.end());
    return list;
}

Result<metre::TimeMap> timeMapOf(const Project& p, const Source& source, const Clip& clip) {
    const auto sourceFrame = [&](Seconds s) { return metre::toFrames(s, p.rate); };
    if (!isStretched(p, clip)) {
        const Frames length = sourceFrame(clip.to) - sourceFrame(clip.from);
        return metre::TimeMap::make({{sourceFrame(clip.from), Frames(0)}, {sourceFrame(clip.to), length}});
    }
    const Beats from = startOf(p, clip);
    const Beats to = endOf(p, clip);
    const Frames start = startFrameOf(p, clip);
    const auto pointAt = [&](Beats b) {
        const Seconds inSource = source.beats->secondsAt(b - clip.at);
        return metre::TimePoint{sourceFrame(inSource), metre::toFrames(p.tempo.secondsAt(b), p.rate) - start};
    };
    std::vector<metre::TimePoint> points{{sourceFrame(clip.from), Frames(0)}};
    const metre::TimePoint last{sourceFrame(clip.to), metre::toFrames(p.tempo.secondsAt(to), p.rate) - start};
    for (const Beats b : bends(p, source, clip.at, from, to)) {
        const metre::TimePoint m = pointAt(b);
        // Two bends within a frame of each other are one.
        const bool apart = m.source > points.back().source && m.output > points.back().output &&
                           m.source < last.source && m.output < last.output;
        if (apart) points.push_back(m);
    }
    points.push_back(last);
    return metre::TimeMap::make(std::move(points));
}

std::string keyOf(const Source& source, const metre::TimeMap& map, const stretch::Settings& settings, int rate) {
    std::string key = fmt::format("{}@{} {} {:.6f} {}", source.content, rate, stretch::methodWord(settings.method),
                                  settings.semitones, settings.loop ? "loop" : "line");
    if (settings.formants) key += " formants";
    for (const metre::TimePoint& point : map.points())
        fmt::format_to(std::back_inserter(key), " {}:{}", point.source.value, point.output.value);
    return key;
}

} // namespace

Frames startFrameOf(const Project& p, const Clip& clip) {
    return metre::toFrames(p.tempo.secondsAt(startOf(p, clip)), p.rate);
}

Result<RenderJob> renderJobOf(const Project& p, const Clip& clip) {
    const SourcePtr source = sourceOf(p, clip.source);
    if (!source) return base::problem("The clip's source is no longer in the project.");
    if (!source->sound)
        return base::problem(
            fmt::format("{} is missing: {} was not found.", source->name, base::shownPath(source->file)));
    auto map = timeMapOf(p, *source, clip);
    if (!map) return base::problem(fmt::format("{} cannot be fitted. {}", source->name, map.error().text));
    RenderJob job{source->sound, std::move(*map), clip.stretch, {}};
    if (!isStretched(p, clip)) job.settings.loop = false;
    job.key = keyOf(*source, job.map, job.settings, p.rate);
    return job;
}

Result<stretch::Rendering> planClip(const RenderJob& job) {
    // Reading has made every sample a number.
    return stretch::Rendering::plan({job.sound->audio, job.sound->attacks, true}, job.map, job.settings);
}

sound::Blocks renderedBlocks(const stretch::Rendering& rendering, const sound::Audio& material, float gain,
                             const std::stop_token& stop) {
    const auto next = [&rendering, gain, stop, cuts = rendering.cuts(),
                       rate = material.rate](Frames from) -> Result<sound::AudioPtr> {
        const Frames minute(std::int64_t(60) * rate);
        const auto cut = std::lower_bound(cuts.begin(), cuts.end(), from + minute);
        const Frames to = cut == cuts.end() ? rendering.length() : *cut;
        const int threads = std::max(1, static_cast<int>(std::thread::hardware_concurrency()));
        auto made = rendering.piece(from, to, {{}, stop}, threads);
        if (!made) return tl::unexpected(made.error());
        if (gain != 1)
            for (auto& samples : made->channels)
                for (float& s : samples)
                    s *= gain;
        return std::make_shared<const sound::Audio>(std::move(*made));
    };
    return {material.rate, material.channelCount(), rendering.length(), next};
}

RenderJob rawJobOf(const RenderJob& fitted) {
    const Frames from = fitted.map.points().front().source;
    const Frames length = std::min(fitted.map.outputLength(), fitted.map.points().back().source - from);
    RenderJob raw{fitted.sound, *metre::TimeMap::make({{from, Frames(0)}, {from + length, length}}), {}, {}};
    raw.key = fmt::format("{} as recorded", fitted.key);
    return raw;
}

stretch::Method methodFor(hear::Kind kind) {
    switch (kind) {
    case hear::Kind::Held:
    case hear::Kind::NoBeat:
        return stretch::Method::Held;
    case hear::Kind::Mix:
        return stretch::Method::Blend;
    case hear::Kind::Voice:
    case hear::Kind::Bass:
        return stretch::Method::Sung;
    case hear::Kind::Keys:
        return stretch::Method::Held;
    case hear::Kind::Struck:
    case hear::Kind::OneHit:
        break;
    }
    return stretch::Method::Struck;
}

double strainPercent(const Project& p, const Clip& clip) {
    if (!isStretched(p, clip)) return 0;
    const SourcePtr source = sourceOf(p, clip.source);
    return 100.0 * (source->beats->meanTempo().value / p.tempo.tempoAt(startOf(p, clip)).value - 1.0);
}

metre::Bpm strainBpm(const Project& p, const Clip& clip) {
    if (!isStretched(p, clip)) return metre::Bpm(0);
    const SourcePtr source = sourceOf(p, clip.source);
    return metre::Bpm(p.tempo.tempoAt(startOf(p, clip)).value - source->beats->meanTempo().value);
}

} // namespace project
