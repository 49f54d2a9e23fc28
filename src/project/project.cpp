#include "project/project.h"

#include <algorithm>
#include <cmath>

namespace project {

namespace {

constexpr double nearlyWhole = 0.02; // of a beat

template <class Ptr, class IdType>
Ptr found(const std::vector<Ptr>& list, IdType id) {
    const auto it = std::find_if(list.begin(), list.end(), [&](const Ptr& p) { return p->id == id; });
    return it == list.end() ? nullptr : *it;
}

} // namespace

Beats Source::endBeat() const {
    if (loopBeats) return *loopBeats;
    const Beats end = beats->beatAt(length());
    const double whole = std::round(end.value);
    // A longer file may be off by more frames and still be meant whole: cutting is not that exact.
    const double slack = std::max(nearlyWhole, std::abs(whole) * 0.0005);
    return whole >= 1 && std::abs(end.value - whole) <= slack ? Beats(whole) : end;
}

std::optional<int> Source::wholeBeats() const {
    if (!beats) return std::nullopt;
    const double end = endBeat().value;
    if (end < 1 || end != std::round(end)) return std::nullopt;
    return static_cast<int>(end);
}

SourcePtr sourceOf(const Project& p, SourceId id) {
    return found(p.sources, id);
}
TrackPtr trackOf(const Project& p, TrackId id) {
    return found(p.tracks, id);
}

TrackPtr trackOfClip(const Project& p, ClipId id) {
    for (const TrackPtr& t : p.tracks)
        for (const Clip& c : t->clips)
            if (c.id == id) return t;
    return nullptr;
}

const Clip* clipOf(const Project& p, ClipId id) {
    for (const TrackPtr& t : p.tracks)
        for (const Clip& c : t->clips)
            if (c.id == id) return &c;
    return nullptr;
}

std::vector<ClipId> allClips(const Project& p) {
    std::vector<ClipId> ids;
    for (const TrackPtr& t : p.tracks)
        for (const Clip& c : t->clips)
            ids.push_back(c.id);
    return ids;
}

bool isStretched(const Project& p, const Clip& clip) {
    const SourcePtr source = sourceOf(p, clip.source);
    return clip.rule == TimeRule::Stretch && source && source->beats;
}

Beats startOf(const Project& p, const Clip& clip) {
    if (isStretched(p, clip)) return clip.at + sourceOf(p, clip.source)->beats->beatAt(clip.from);
    const SourcePtr source = sourceOf(p, clip.source);
    // Unstretched, the first downbeat is still what lies on `at`, and what comes before it hangs before.
    const Seconds downbeat = source && source->beats ? source->beats->secondsAt(Beats(0)) : Seconds(0);
    return p.tempo.beatAt(p.tempo.secondsAt(clip.at) + clip.from - downbeat);
}

Beats endOf(const Project& p, const Clip& clip) {
    if (isStretched(p, clip)) return clip.at + sourceOf(p, clip.source)->beats->beatAt(clip.to);
    return p.tempo.beatAt(p.tempo.secondsAt(startOf(p, clip)) + (clip.to - clip.from));
}

Beats endOfMusic(const Project& p) {
    Beats end(0);
    for (const TrackPtr& t : p.tracks)
        for (const Clip& c : t->clips)
            end = std::max(end, endOf(p, c));
    return end;
}

} // namespace project
