#include "app/bars/bars_waves.h"

#include "app/widgets/clip_wave.h"

#include <algorithm>
#include <cmath>

namespace app {

namespace {

std::vector<sound::Extent> workedOut(const Session& session, const project::LaidClip& clip, double perBeat,
                                     int first, int last) {
    const project::Project& project = session.now();
    const ClipWave wave(session.player(), clip);
    // At one tempo frames run evenly over beats.
    const bool even = project.tempo.isSteady();
    const double perColumn = 60.0 / project.tempo.points().front().bpm.value * project.rate / perBeat;
    const auto frameAt = [&](int column) {
        if (even) return metre::Frames(std::llround(column * perColumn));
        const Beats at = clip.time().start + Beats(column / perBeat);
        return metre::toFrames(project.tempo.secondsAt(at), project.rate) - clip.time().startFrame;
    };
    std::vector<sound::Extent> list;
    list.reserve(static_cast<std::size_t>(std::max(0, last - first)));
    metre::Frames from = frameAt(first);
    for (int column = first; column < last; ++column) {
        const metre::Frames to = std::max(frameAt(column + 1), from + metre::Frames(1));
        list.push_back(wave.over(from, to).extent);
        from = to;
    }
    return list;
}

} // namespace

WaveColumns WaveCache::columns(const Session& session, const project::LaidClip& clip, double perBeat, int from,
                               int to) {
    if (clip.time().parts.empty() || from >= to) return {};
    const auto width = static_cast<int>(std::ceil((clip.time().end - clip.time().start).value * perBeat)) + 2;
    if (width > widest) {
        once_ = workedOut(session, clip, perBeat, from, to);
        return once_;
    }
    Known& known = known_[clip.id().value];
    const std::int64_t changes = session.player().renderChanges();
    const bool holds =
        known.timing == clip.timing && known.perBeat == perBeat && (known.whole || known.changes == changes);
    if (!holds) {
        held_ -= known.columns.size();
        known.timing = clip.timing;
        known.perBeat = perBeat;
        known.whole = session.player().isRendered(clip.id());
        known.changes = changes;
        known.columns = workedOut(session, clip, perBeat, 0, width);
        held_ += known.columns.size();
        if (held_ > most) { // rarely: what is in view is worked out again
            Known kept = std::move(known);
            known_.clear();
            held_ = kept.columns.size();
            known_[clip.id().value] = std::move(kept);
        }
    }
    const std::vector<sound::Extent>& all = known_[clip.id().value].columns;
    const auto first = std::min(static_cast<std::size_t>(std::max(0, from)), all.size());
    const auto last = std::min(static_cast<std::size_t>(to), all.size());
    if (last - first < static_cast<std::size_t>(to - from)) {
        once_.assign(all.begin() + static_cast<std::ptrdiff_t>(first),
                     all.begin() + static_cast<std::ptrdiff_t>(last));
        once_.resize(static_cast<std::size_t>(to - from));
        return once_;
    }
    return WaveColumns(all).subspan(first, last - first);
}

} // namespace app
