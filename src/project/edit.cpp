#include "project/edit.h"

#include "metre/tempo.h"

#include <algorithm>
#include <cmath>
#include <fmt/format.h>

namespace project {

namespace {

constexpr int tints = 8;
constexpr double mostBeats = 100000;

bool contains(const std::vector<ClipId>& ids, ClipId id) {
    return std::find(ids.begin(), ids.end(), id) != ids.end();
}

template <class Change>
void eachTrack(Project& p, const Change& change) {
    for (TrackPtr& track : p.tracks) {
        auto copy = std::make_shared<Track>(*track);
        if (change(*copy)) track = std::move(copy);
    }
}

bool usesWhole(const Clip& clip, const Source& s) {
    const Seconds end = s.beats ? s.beats->secondsAt(s.endBeat()) : s.length();
    return std::abs(clip.from.value) < 1e-6 && std::abs((clip.to - end).value) < 1e-6;
}

Seconds wholeEnd(const Source& s) {
    return s.beats ? s.beats->secondsAt(s.endBeat()) : s.length();
}

// Puts a changed source in the place of the one with its id, and lets the clips that use the whole of it follow.
Project withSource(const Project& p, const Source& changed) {
    Project out = p;
    const SourcePtr old = sourceOf(p, changed.id);
    for (SourcePtr& s : out.sources)
        if (s->id == changed.id) s = std::make_shared<const Source>(changed);
    eachTrack(out, [&](Track& track) {
        bool any = false;
        for (Clip& c : track.clips)
            if (c.source == changed.id && usesWhole(c, *old)) {
                c.to = wholeEnd(changed);
                any = true;
            }
        return any;
    });
    return out;
}

tl::unexpected<metre::Problem> noSource() {
    return metre::problem("That source is no longer in the project.");
}

hear::Reading* readingBy(Source& s, hear::Witness by) {
    const auto it = std::find_if(s.readings.begin(), s.readings.end(), [&](const auto& r) { return r.by == by; });
    return it == s.readings.end() ? nullptr : &*it;
}

Seconds downbeatOf(const Source& s) {
    return s.beats ? s.beats->secondsAt(Beats(0)) : Seconds(0);
}

} // namespace

Result<Project> setTempo(const Project& p, Bpm bpm) {
    std::vector<metre::TempoPoint> points = p.tempo.points();
    const double factor = bpm.value / points.front().bpm.value;
    for (metre::TempoPoint& point : points)
        point.bpm = Bpm(point.bpm.value * factor);
    points.front().bpm = bpm;
    auto map = metre::TempoMap::make(std::move(points));
    if (!map) return tl::unexpected(map.error());
    return setTempoMap(p, std::move(*map));
}

Project setTempoMap(const Project& p, metre::TempoMap map) {
    Project out = p;
    out.tempo = std::move(map);
    return out;
}

Project setMetre(const Project& p, metre::Metre m) {
    Project out = p;
    out.metre = metre::MetreMap(m);
    return out;
}

Added addSources(const Project& p, std::vector<Source> sources) {
    Added added{p, {}};
    for (Source& s : sources) {
        s.id = SourceId{added.project.nextId++};
        added.ids.push_back(s.id);
        added.project.sources.push_back(std::make_shared<const Source>(std::move(s)));
    }
    return added;
}

AddedTrack addTrack(const Project& p, const std::string& name) {
    AddedTrack added{p, {}};
    Track track;
    track.id = TrackId{added.project.nextId++};
    track.name = name;
    // The next tint after the last track's, so that neighbours differ whatever was removed between.
    track.tint = p.tracks.empty() ? 0 : (p.tracks.back()->tint + 1) % tints;
    added.id = track.id;
    added.project.tracks.push_back(std::make_shared<const Track>(std::move(track)));
    return added;
}

Project removeTrack(const Project& p, TrackId id) {
    Project out = p;
    std::erase_if(out.tracks, [&](const TrackPtr& t) { return t->id == id; });
    return out;
}

Result<Project> changeTrack(const Project& p, TrackId id, const std::function<void(Track&)>& change) {
    if (!trackOf(p, id)) return metre::problem("That track is no longer in the project.");
    Project out = p;
    eachTrack(out, [&](Track& track) {
        if (track.id != id) return false;
        change(track);
        return true;
    });
    return out;
}

Result<Placed> place(const Project& p, SourceId source, std::optional<TrackId> track, Beats at) {
    const SourcePtr s = sourceOf(p, source);
    if (!s) return noSource();
    if (!std::isfinite(at.value) || std::abs(at.value) > mostBeats)
        return metre::problem("A clip cannot lie that far from the beginning.");
    Placed placed{p, {}};
    if (!track || !trackOf(p, *track)) {
        AddedTrack added = addTrack(p, s->name);
        placed.project = std::move(added.project);
        track = added.id;
    }
    Clip clip;
    clip.id = ClipId{placed.project.nextId++};
    clip.source = source;
    clip.at = at;
    clip.to = wholeEnd(*s);
    clip.rule = s->beats ? TimeRule::Stretch : TimeRule::Place;
    // A whole number of beats means a loop: it goes round without a seam.
    clip.stretch.loop = s->wholeBeats().has_value();
    placed.id = clip.id;
    eachTrack(placed.project, [&](Track& t) {
        if (t.id != *track) return false;
        t.clips.push_back(clip);
        return true;
    });
    return placed;
}

Result<Project> moveClips(const Project& p, const std::vector<ClipId>& ids, Beats by, int tracks) {
    std::vector<std::vector<Clip>> moved(p.tracks.size());
    const Beats earliest = p.metre.startOfBar(-3);
    for (std::size_t i = 0; i < p.tracks.size(); ++i)
        for (Clip clip : p.tracks[i]->clips) {
            if (!contains(ids, clip.id)) continue;
            const auto to = static_cast<std::int64_t>(i) + tracks;
            if (to < 0 || to >= static_cast<std::int64_t>(p.tracks.size()))
                return metre::problem("There is no track there.");
            clip.at += by;
            if (startOf(p, clip) < earliest || std::abs(clip.at.value) > mostBeats)
                return metre::problem("A clip cannot lie that far from the beginning.");
            moved[static_cast<std::size_t>(to)].push_back(clip);
        }
    Project out = removeClips(p, ids);
    std::size_t i = 0;
    eachTrack(out, [&](Track& track) {
        const auto& arriving = moved[i++];
        track.clips.insert(track.clips.end(), arriving.begin(), arriving.end());
        return !arriving.empty();
    });
    return out;
}

Project removeClips(const Project& p, const std::vector<ClipId>& ids) {
    Project out = p;
    eachTrack(out, [&](Track& track) {
        return std::erase_if(track.clips, [&](const Clip& c) { return contains(ids, c.id); }) > 0;
    });
    return out;
}

Project changeClips(const Project& p, const std::vector<ClipId>& ids, const std::function<void(Clip&)>& change) {
    Project out = p;
    eachTrack(out, [&](Track& track) {
        bool any = false;
        for (Clip& c : track.clips)
            if (contains(ids, c.id)) {
                change(c);
                any = true;
            }
        return any;
    });
    return out;
}

Result<Project> setSourceTempo(const Project& p, SourceId id, Bpm bpm, hear::Witness by) {
    const SourcePtr old = sourceOf(p, id);
    if (!old) return noSource();
    if (!metre::isTempo(bpm))
        return metre::problem(
            fmt::format("{} cannot have a tempo of {:g} BPM; tempos lie between {:.0f} and {:.0f}.", old->name,
                        bpm.value, metre::slowestTempo.value, metre::fastestTempo.value));
    Source changed = *old;
    changed.beats = metre::BeatMap(bpm, downbeatOf(*old));
    changed.chosen = by;
    if (by == hear::Witness::Typed) {
        if (readingBy(changed, by) == nullptr) changed.readings.push_back({by, {}, {}, {}, 1.0, {}});
        hear::Reading& typed = *readingBy(changed, by);
        typed.bpm = bpm;
        typed.sureness = 1;
        typed.evidence = "you said so";
    }
    Project out = withSource(p, changed);
    // What was placed because no beat was known is stretched from now on.
    if (!old->beats)
        eachTrack(out, [&](Track& track) {
            bool any = false;
            for (Clip& c : track.clips)
                if (c.source == id) {
                    c.rule = TimeRule::Stretch;
                    any = true;
                }
            return any;
        });
    return out;
}

Result<Project> chooseReading(const Project& p, SourceId id, hear::Witness by) {
    const SourcePtr s = sourceOf(p, id);
    if (!s) return noSource();
    for (const hear::Reading& r : s->readings)
        if (r.by == by && r.bpm) return setSourceTempo(p, id, *r.bpm, by);
    return metre::problem(fmt::format("{} has no tempo from that reading.", s->name));
}

Result<Project> setSourceBeats(const Project& p, SourceId id, int beats) {
    const SourcePtr s = sourceOf(p, id);
    if (!s) return noSource();
    const double seconds = (s->length() - downbeatOf(*s)).value;
    if (beats < 1 || seconds <= 0) return metre::problem(fmt::format("{} needs at least one beat.", s->name));
    return setSourceTempo(p, id, Bpm(beats * 60.0 / seconds), hear::Witness::Typed);
}

Result<Project> setFirstDownbeat(const Project& p, SourceId id, Seconds at) {
    const SourcePtr s = sourceOf(p, id);
    if (!s) return noSource();
    if (!s->beats)
        return metre::problem(fmt::format("{} has no tempo yet; its first downbeat needs one.", s->name));
    if (!std::isfinite(at.value) || at < Seconds(0) || at >= s->length())
        return metre::problem(
            fmt::format("The first downbeat of {} must lie within its {:.3f} s.", s->name, s->length().value));
    Source changed = *s;
    changed.beats = metre::BeatMap(s->beats->meanTempo(), at);
    return withSource(p, changed);
}

Result<Project> forgetBeat(const Project& p, SourceId id) {
    const SourcePtr s = sourceOf(p, id);
    if (!s) return noSource();
    Source changed = *s;
    changed.beats.reset();
    changed.chosen.reset();
    return withSource(p, changed);
}

Result<Project> fitToBars(const Project& p, const std::vector<ClipId>& ids, int bars) {
    if (bars < 1 || bars > 1024) return metre::problem("Between 1 and 1024 bars can be filled.");
    Project out = p;
    for (const ClipId id : ids) {
        const Clip* clip = clipOf(out, id);
        if (clip == nullptr) continue;
        const Beats start = metre::snapped(clip->at, metre::Snap::Bar, out.metre);
        const double beats = bars * out.metre.metreAt(start).bar().value;
        if (beats != std::round(beats))
            return metre::problem("In this metre that is no whole number of quarter notes.");
        const SourceId source = clip->source;
        auto fitted = setSourceBeats(out, source, static_cast<int>(beats));
        if (!fitted) return fitted;
        out = changeClips(*fitted, {id}, [&](Clip& c) {
            c.at = start;
            c.rule = TimeRule::Stretch;
            c.stretch.loop = true;
        });
    }
    return out;
}

Result<Project> setLoop(const Project& p, LoopRange loop) {
    const bool sane = std::isfinite(loop.from.value) && std::isfinite(loop.to.value) && loop.from >= Beats(0) &&
                      loop.to > loop.from + Beats(0.05) && loop.to.value < mostBeats;
    if (!sane) return metre::problem("A loop range must run forwards, from bar 1 on.");
    Project out = p;
    out.loop = loop;
    return out;
}

} // namespace project
