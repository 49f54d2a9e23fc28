#include "app/widgets/clip_wave.h"

#include <algorithm>
#include <cmath>

namespace app {

sound::Extent extentOver(const sound::Audio& audio, const sound::Peaks& peaks, metre::Frames from,
                         metre::Frames to) {
    return (to - from).value > 256 ? peaks.over(from, to) : sound::exactExtent(audio, peaks, from, to);
}

namespace {

// The source under frames of a clip, by the part that holds the first of them.
sound::Extent sourceExtent(const std::vector<project::Part>& parts, metre::Frames from, metre::Frames to) {
    auto part = std::upper_bound(parts.begin(), parts.end(), from,
                                 [](metre::Frames f, const project::Part& p) { return f < p.at; });
    if (part != parts.begin()) --part;
    const project::RenderJob& job = *part->job;
    const auto sourceFrame = [&](metre::Frames f) {
        return metre::Frames(std::llround(job.map.sourceAt(double((f - part->at + part->from).value))));
    };
    return extentOver(job.sound->audio, job.sound->peaks, sourceFrame(from), sourceFrame(to));
}

} // namespace

ClipWave::Column ClipWave::over(metre::Frames from, metre::Frames to) const {
    // The piece that holds the beginning; another may follow within.
    auto piece = std::upper_bound(pieces_.begin(), pieces_.end(), from,
                                  [](metre::Frames f, const auto& r) { return f < r.from; });
    if (piece != pieces_.begin()) --piece;
    std::optional<sound::Extent> heard;
    for (; piece != pieces_.end() && piece->from < to; ++piece) {
        if (piece->to <= from) continue;
        const sound::Extent e = extentOver(*piece->audio, *piece->peaks, from - piece->at, to - piece->at);
        heard = heard ? sound::Extent{std::min(heard->low, e.low), std::max(heard->high, e.high)} : e;
    }
    return heard ? Column{*heard, true} : Column{sourceExtent(parts_, from, to), false};
}

} // namespace app
