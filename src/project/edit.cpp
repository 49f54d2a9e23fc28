#include "project/edit.h"

#include "project/fit.h"
#include "project/settle.h"

#include "metre/tempo.h"

#include <algorithm>
#include <cmath>
#include <fmt/format.h>
#include <tuple>

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

tl::unexpected<base::Problem> noSource() {
    return base::problem("That source is no longer in the project.");
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
    if (!trackOf(p, id)) return base::problem("That track is no longer in the project.");
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
        return base::problem("A clip cannot lie that far from the beginning.");
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
    clip.stretch.method = methodFor(s->kind);
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
                return base::problem("There is no track there.");
            clip.at += by;
            if (startOf(p, clip) < earliest || std::abs(clip.at.value) > mostBeats)
                return base::problem("A clip cannot lie that far from the beginning.");
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

namespace {

// withSource, and what was placed because no beat was known is stretched from now on.
Project withBeatsOf(const Project& p, const Source& changed) {
    const bool knewNone = !sourceOf(p, changed.id)->beats;
    Project out = withSource(p, changed);
    if (knewNone && changed.beats)
        eachTrack(out, [&](Track& track) {
            bool any = false;
            for (Clip& c : track.clips)
                if (c.source == changed.id) {
                    c.rule = TimeRule::Stretch;
                    any = true;
                }
            return any;
        });
    return out;
}

// Half or double the beats, wherever they lie: free playing stays free.
void scaleBeats(Source& s, double factor) {
    std::vector<metre::Pin> pins = s.beats->pins();
    for (metre::Pin& pin : pins)
        pin.beat = Beats(pin.beat.value * factor);
    if (auto map = metre::BeatMap::make(std::move(pins))) s.beats = std::move(*map);
    if (!s.loopBeats) return;
    const Beats scaled(s.loopBeats->value * factor);
    const bool whole = scaled.value == std::round(scaled.value) && scaled.value >= 1;
    s.loopBeats = whole ? std::optional(scaled) : std::nullopt;
}

Result<void> tempoFits(const Source& s, Bpm bpm) {
    if (metre::isTempo(bpm)) return {};
    return base::problem(fmt::format("{} cannot have a tempo of {:g} BPM; tempos lie between {:.0f} and {:.0f}.",
                                     s.name, bpm.value, metre::slowestTempo.value, metre::fastestTempo.value));
}

hear::Reading said(hear::Witness by, Bpm bpm) {
    hear::Reading r;
    r.by = by;
    r.bpm = bpm;
    r.sureness = 1;
    r.evidence = by == hear::Witness::Tapped ? "tapped to the recording" : "you said so";
    return r;
}

} // namespace

Result<Project> setSourceTempo(const Project& p, SourceId id, Bpm bpm, hear::Witness by) {
    const SourcePtr old = sourceOf(p, id);
    if (!old) return noSource();
    if (auto fits = tempoFits(*old, bpm); !fits) return tl::unexpected(fits.error());
    Source changed = *old;
    putReading(changed, said(by, bpm));
    const double factor = old->beats ? bpm.value / old->beats->meanTempo().value : 0;
    if (std::abs(factor - 0.5) < 1e-9 || std::abs(factor - 2) < 1e-9) {
        scaleBeats(changed, factor);
        changed.chosen = by;
    } else {
        useReading(changed, said(by, bpm));
    }
    return withBeatsOf(p, changed);
}

Result<Project> setSourceReading(const Project& p, SourceId id, hear::Reading reading) {
    const SourcePtr old = sourceOf(p, id);
    if (!old) return noSource();
    if (!reading.bpm) return base::problem(fmt::format("{} has no tempo from that reading.", old->name));
    if (auto fits = tempoFits(*old, *reading.bpm); !fits) return tl::unexpected(fits.error());
    Source changed = *old;
    useReading(changed, reading);
    putReading(changed, std::move(reading));
    return withBeatsOf(p, changed);
}

Result<Project> chooseReading(const Project& p, SourceId id, hear::Witness by) {
    const SourcePtr s = sourceOf(p, id);
    if (!s) return noSource();
    const hear::Reading* reading = readingBy(*s, by);
    if (reading == nullptr || !reading->bpm)
        return base::problem(fmt::format("{} has no tempo from that reading.", s->name));
    Source changed = *s;
    useReading(changed, *reading);
    return withBeatsOf(p, changed);
}

Result<Project> setSourceBeats(const Project& p, SourceId id, int beats) {
    const SourcePtr s = sourceOf(p, id);
    if (!s) return noSource();
    Seconds from = downbeatOf(*s);
    Seconds to = s->beats && s->loopBeats ? s->beats->secondsAt(*s->loopBeats) : s->length();
    if (s->marks) std::tie(from, to) = *s->marks;
    const double seconds = (to - from).value;
    if (beats < 1 || seconds <= 0) return base::problem(fmt::format("{} needs at least one beat.", s->name));
    const Bpm bpm = hear::tempoOf(beats, seconds);
    if (auto fits = tempoFits(*s, bpm); !fits) return tl::unexpected(fits.error());
    hear::Reading reading = said(hear::Witness::Typed, bpm);
    reading.beats = Beats(beats);
    reading.evidence = fmt::format("{} beats in {:.3f} s", beats, seconds);
    reading.pins = {{from, Beats(0)}, {to, Beats(beats)}};
    return setSourceReading(p, id, std::move(reading));
}

Result<Project> setMarks(const Project& p, SourceId id, Seconds from, Seconds to) {
    const SourcePtr s = sourceOf(p, id);
    if (!s) return noSource();
    if (!std::isfinite(from.value) || !std::isfinite(to.value) || from < Seconds(0) || to > s->length() ||
        (to - from).value < 0.02)
        return base::problem(fmt::format("The marks of {} must lie within its {:.3f} s, one after the other.",
                                         s->name, s->length().value));
    Source changed = *s;
    changed.marks = {from, to};
    return withSource(p, changed);
}

Result<Project> setHeard(const Project& p, SourceId id, const Source& heard, bool choose) {
    const SourcePtr s = sourceOf(p, id);
    if (!s) return noSource();
    Source changed = *s;
    for (const hear::Witness by : {hear::Witness::Heard, hear::Witness::Length})
        if (const hear::Reading* r = readingBy(heard, by)) putReading(changed, *r);
    changed.window = heard.window;
    changed.kind = heard.kind;
    changed.beatsInBar = heard.beatsInBar;
    if (choose) settle(changed);
    return withBeatsOf(p, changed);
}

Result<Project> setSourceKey(const Project& p, SourceId id, std::optional<hear::Key> key) {
    const SourcePtr s = sourceOf(p, id);
    if (!s) return noSource();
    Source changed = *s;
    changed.key = key;
    return withSource(p, changed);
}

Result<Project> setFirstDownbeat(const Project& p, SourceId id, Seconds at) {
    const SourcePtr s = sourceOf(p, id);
    if (!s) return noSource();
    if (!s->beats) return base::problem(fmt::format("{} has no tempo yet; its first downbeat needs one.", s->name));
    if (!std::isfinite(at.value) || at < Seconds(0) || at >= s->length())
        return base::problem(
            fmt::format("The first downbeat of {} must lie within its {:.3f} s.", s->name, s->length().value));
    Source changed = *s;
    // Steady beats move as they are; of free playing, the nearest beat becomes the first.
    std::vector<metre::Pin> pins = s->beats->pins();
    const Beats beatThere(std::round(s->beats->beatAt(at).value));
    const Seconds by = at - downbeatOf(*s);
    for (metre::Pin& pin : pins)
        if (pins.size() > 2)
            pin.beat -= beatThere;
        else
            pin.at += by;
    auto map = metre::BeatMap::make(std::move(pins));
    if (!map) return tl::unexpected(map.error());
    changed.beats = std::move(*map);
    if (changed.loopBeats && changed.beats->secondsAt(*changed.loopBeats) > s->length() + Seconds(0.05))
        changed.loopBeats.reset();
    return withSource(p, changed);
}

Result<Project> forgetBeat(const Project& p, SourceId id) {
    const SourcePtr s = sourceOf(p, id);
    if (!s) return noSource();
    Source changed = *s;
    changed.beats.reset();
    changed.loopBeats.reset();
    changed.chosen.reset();
    return withSource(p, changed);
}

Result<Project> fitToBars(const Project& p, const std::vector<ClipId>& ids, int bars) {
    if (bars < 1 || bars > 1024) return base::problem("Between 1 and 1024 bars can be filled.");
    Project out = p;
    for (const ClipId id : ids) {
        const Clip* clip = clipOf(out, id);
        if (clip == nullptr) continue;
        const Beats start = metre::snapped(clip->at, metre::Snap::Bar, out.metre);
        const double beats = bars * out.metre.metreAt(start).bar().value;
        if (beats != std::round(beats))
            return base::problem("In this metre that is no whole number of quarter notes.");
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
    if (!sane) return base::problem("A loop range must run forwards, from bar 1 on.");
    Project out = p;
    out.loop = loop;
    return out;
}

} // namespace project
