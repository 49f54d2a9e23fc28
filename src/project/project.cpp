#include "project/project.h"

#include <algorithm>
#include <cmath>

namespace project {

namespace {

constexpr double nearlyWhole = 0.02; // of a beat

template <class List, class IdType>
auto found(const List& list, IdType id) -> typename List::value_type {
    const auto it = std::find_if(list.begin(), list.end(), [&](const auto& p) { return p->id == id; });
    return it == list.end() ? nullptr : *it;
}

} // namespace

std::vector<Frames> sliceStarts(const Sound& sound, double sensitivity) {
    const double weakest = std::pow(1 - std::clamp(sensitivity, 0.0, 1.0), 3);
    std::vector<Frames> list;
    for (const hear::Onset& o : sound.onsets)
        if (o.strength >= weakest) list.push_back(o.at);
    return list;
}

metre::BeatMap Source::fitted() const {
    Beats grain(0);
    if (straight.to == Straightness::To::Bar) grain = metre().bar();
    if (straight.to == Straightness::To::Phrase) grain = metre().bar() * double(barsInPhrase);
    return metre::followed(*beats, grain, straight.percent / 100);
}

Beats Source::endBeat() const {
    if (loopBeats) return *loopBeats;
    const Beats end = beats->beatAt(length());
    const double whole = std::round(end.value);
    // A longer file may be off by more frames and still be meant whole: cutting is not that exact.
    const double slack = std::max(nearlyWhole, std::abs(whole) * 0.0005);
    return whole >= 1 && std::abs(end.value - whole) <= slack ? Beats(whole) : end;
}

Seconds Source::wholeEnd() const {
    return beats ? beats->secondsAt(endBeat()) : length();
}

std::optional<int> Source::wholeBeats() const {
    if (!beats) return std::nullopt;
    const double end = endBeat().value;
    if (end < 1 || end != std::round(end)) return std::nullopt;
    return static_cast<int>(end);
}

int View::heightOf(TrackId track) const {
    const auto told =
        std::find_if(heights.begin(), heights.end(), [&](const TrackHeight& h) { return h.track == track; });
    return told == heights.end() ? TrackHeight().height : told->height;
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

} // namespace project
