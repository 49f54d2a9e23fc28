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
    held_ -= known.columns.size();
    if (!holds) {
        known.timing = clip.timing;
        known.perBeat = perBeat;
        known.whole = session.player().isRendered(clip.id());
        known.changes = changes;
        known.columns.clear();
    }
    // What has come into view is added to what was; zooming works out no more than is seen.
    if (known.columns.empty()) {
        known.first = from;
        known.columns = workedOut(session, clip, perBeat, from, to);
    }
    if (from < known.first) {
        const auto before = workedOut(session, clip, perBeat, from, known.first);
        known.columns.insert(known.columns.begin(), before.begin(), before.end());
        known.first = from;
    }
    if (const int end = known.first + static_cast<int>(known.columns.size()); to > end) {
        const auto after = workedOut(session, clip, perBeat, end, to);
        known.columns.insert(known.columns.end(), after.begin(), after.end());
    }
    held_ += known.columns.size();
    if (held_ > most) { // rarely: what is in view is worked out again
        auto kept = known_.extract(clip.id().value);
        known_.clear();
        held_ = kept.mapped().columns.size();
        known_.insert(std::move(kept));
    }
    // Where it lies it stays, also when the others go.
    return WaveColumns(known.columns)
        .subspan(static_cast<std::size_t>(from - known.first), static_cast<std::size_t>(to - from));
}

} // namespace app
