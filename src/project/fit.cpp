#include "project/fit.h"

#include "project/edit.h"

#include <algorithm>
#include <cmath>
#include <fmt/format.h>
#include <iterator>

namespace project {

namespace {

constexpr double rampStep = 0.25; // beats; along a ramp the straight line is off by less than a frame

// The project beats, within (from, to), at which the line between source and output bends.
std::vector<Beats> bends(const Project& p, const Source& source, Beats at, Beats from, Beats to) {
    std::vector<Beats> list;
    for (const metre::Pin& pin : source.beats->pins()) list.push_back(at + pin.beat);
    const auto& points = p.tempo.points();
    for (std::size_t i = 0; i < points.size(); ++i) {
        list.push_back(points[i].at);
        const bool ramp = points[i].shape == metre::TempoPoint::Shape::Ramp && i + 1 < points.size();
        if (!ramp) continue;
        const Beats rampEnd = std::min(points[i + 1].at, to);
        const double skip = std::max(0.0, std::floor((from - points[i].at).value / rampStep));
        for (Beats b = points[i].at + Beats(skip * rampStep); b < rampEnd; b += Beats(rampStep)) list.push_back(b);
    }
    std::erase_if(list, [&](Beats b) { return b <= from || b >= to; });
    std::sort(list.begin(), list.end());
    list.erase(std::unique(list.begin(), list.end()), list.end());
    return list;
}

bool onLine(const metre::TimePoint& a, const metre::TimePoint& m, const metre::TimePoint& b) {
    const double x = double((m.source - a.source).value) / double((b.source - a.source).value);
    return std::abs(double(a.output.value) + x * double((b.output - a.output).value) - double(m.output.value)) <= 1.0;
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
    std::vector<metre::TimePoint> between;
    for (const Beats b : bends(p, source, clip.at, from, to)) between.push_back(pointAt(b));
    for (std::size_t i = 0; i < between.size(); ++i) {
        const metre::TimePoint& next = i + 1 < between.size() ? between[i + 1] : last;
        const metre::TimePoint& m = between[i];
        const metre::TimePoint& before = points.back();
        const bool inOrder = m.source > before.source && m.output > before.output && m.source < last.source &&
                             m.output < last.output;
        // A steady source at a steady tempo stays one straight line, not many that differ by rounding.
        if (inOrder && !(next.source > m.source && onLine(before, m, next))) points.push_back(m);
    }
    points.push_back(last);
    return metre::TimeMap::make(std::move(points));
}

std::string keyOf(const Source& source, const metre::TimeMap& map, const stretch::Settings& settings, int rate) {
    std::string key = fmt::format("{}@{} {} {:.6f} {}", source.content, rate, stretch::methodWord(settings.method),
                                  settings.semitones, settings.loop ? "loop" : "line");
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
    if (!source) return metre::problem("The clip's source is no longer in the project.");
    if (!source->sound)
        return metre::problem(fmt::format("{} is missing: {} was not found.", source->name,
                                          sound::shownPath(source->file)));
    auto map = timeMapOf(p, *source, clip);
    if (!map) return metre::problem(fmt::format("{} cannot be fitted. {}", source->name, map.error().text));
    RenderJob job{source->sound, std::move(*map), clip.stretch, {}};
    if (!isStretched(p, clip)) job.settings.loop = false;
    job.key = keyOf(*source, job.map, job.settings, p.rate);
    return job;
}

Result<sound::Audio> renderClip(const RenderJob& job, const sound::Progress& progress) {
    return stretch::render({job.sound->audio, job.sound->attacks}, job.map, job.settings, progress);
}

double strainPercent(const Project& p, const Clip& clip) {
    if (!isStretched(p, clip)) return 0;
    const SourcePtr source = sourceOf(p, clip.source);
    return 100.0 * (source->beats->meanTempo().value / p.tempo.tempoAt(startOf(p, clip)).value - 1.0);
}

} // namespace project
