#include "project/edit_sources.h"

#include "metre/tempo.h"
#include "project/changed.h"
#include "project/counted.h"
#include "project/pins.h"
#include "project/sets.h"
#include "project/settle.h"
#include "project/timing.h"
#include "project/with_source.h"

#include <algorithm>
#include <cmath>

namespace project {

namespace {

Seconds downbeatOf(const Source& s) {
    return s.beats ? s.beats->secondsAt(Beats(0)) : Seconds(0);
}

} // namespace

Added addSources(const Project& p, std::vector<Source> sources) {
    Added added{p, {}};
    std::vector<SourcePtr>& all = added.project.sources.altered();
    for (Source& s : sources) {
        s.id = SourceId{added.project.nextId++};
        added.ids.push_back(s.id);
        all.push_back(std::make_shared<const Source>(std::move(s)));
    }
    return added;
}

namespace {

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
    if (!old) return tl::unexpected(mayChange(p, id).error());
    if (auto fits = tempoFits(*old, bpm); !fits) return tl::unexpected(fits.error());
    Source changed = *old;
    putReading(changed, said(by, bpm));
    const double factor = old->beats ? bpm.value / old->beats->meanTempo().value : 0;
    if (std::abs(factor - 0.5) < 1e-9 || std::abs(factor - 2) < 1e-9) {
        changed = withBeatsScaled(changed, factor);
        changed.chosen = by;
    } else {
        useReading(changed, said(by, bpm));
    }
    return withBeatsOf(p, changed);
}

Result<Project> setSourceReading(const Project& p, SourceId id, hear::Reading reading) {
    const SourcePtr old = sourceOf(p, id);
    if (!old) return tl::unexpected(mayChange(p, id).error());
    if (!reading.bpm) return base::problem(fmt::format("{} has no tempo from that reading.", old->name));
    if (auto fits = tempoFits(*old, *reading.bpm); !fits) return tl::unexpected(fits.error());
    Source changed = *old;
    useReading(changed, reading);
    putReading(changed, std::move(reading));
    return withBeatsOf(p, changed);
}

Result<Project> noteReading(const Project& p, SourceId id, hear::Reading reading) {
    const SourcePtr s = sourceOf(p, id);
    if (!s) return tl::unexpected(mayChange(p, id).error());
    if (!reading.bpm) return base::problem(fmt::format("{} has no tempo from that reading.", s->name));
    if (auto fits = tempoFits(*s, *reading.bpm); !fits) return tl::unexpected(fits.error());
    Source changed = *s;
    putReading(changed, std::move(reading));
    return withSource(p, changed);
}

Result<Project> chooseReading(const Project& p, SourceId id, hear::Witness by) {
    const SourcePtr s = sourceOf(p, id);
    if (!s) return tl::unexpected(mayChange(p, id).error());
    const hear::Reading* reading = readingBy(*s, by);
    if (reading == nullptr || !reading->bpm)
        return base::problem(fmt::format("{} has no tempo from that reading.", s->name));
    Source changed = *s;
    useReading(changed, *reading);
    return withBeatsOf(p, changed);
}

Result<Project> setSourceBeats(const Project& p, SourceId id, double beats) {
    const SourcePtr s = sourceOf(p, id);
    if (!s) return tl::unexpected(mayChange(p, id).error());
    Seconds from = downbeatOf(*s);
    Seconds to = s->beats && s->loopBeats ? s->beats->secondsAt(*s->loopBeats) : s->length();
    if (s->marks) {
        from = s->marks->from;
        to = s->marks->to;
    }
    const double seconds = (to - from).value;
    if (!(beats >= 1) || seconds <= 0) return base::problem(fmt::format("{} needs at least one beat.", s->name));
    const Bpm bpm = Bpm(60 * beats / seconds);
    if (auto fits = tempoFits(*s, bpm); !fits) return tl::unexpected(fits.error());
    hear::Reading reading = said(hear::Witness::Typed, bpm);
    reading.beats = Beats(beats);
    reading.evidence = fmt::format("{:g} beats in {:.3f} s", beats, seconds);
    reading.pins = {{from, Beats(0)}, {to, Beats(beats)}};
    return setSourceReading(p, id, std::move(reading));
}

Result<Project> setMarks(const Project& p, SourceId id, Seconds from, Seconds to) {
    const SourcePtr s = sourceOf(p, id);
    if (!s) return tl::unexpected(mayChange(p, id).error());
    if (!std::isfinite(from.value) || !std::isfinite(to.value) || from < Seconds(0) || to > s->length() ||
        (to - from).value < 0.02)
        return base::problem(fmt::format("The marks of {} must lie within its {:.3f} s, one after the other.",
                                         s->name, s->length().value));
    Source changed = *s;
    changed.marks = Marks{from, to};
    return withSource(p, changed);
}

Result<Project> setHeard(const Project& p, SourceId id, const Source& heard, bool choose) {
    const SourcePtr s = sourceOf(p, id);
    if (!s) return tl::unexpected(mayChange(p, id).error());
    Source changed = *s;
    for (const hear::Witness by : {hear::Witness::Heard, hear::Witness::Length})
        if (const hear::Reading* r = readingBy(heard, by)) putReading(changed, *r);
    changed.window = heard.window;
    if (!changed.set) changed.kind = heard.kind; // each stem keeps what it is
    changed.beatsInBar = heard.beatsInBar;
    changed.beatUnit = heard.beatUnit;
    if (choose) settle(changed);
    return withBeatsOf(p, changed);
}

Result<Project> setSourceKey(const Project& p, SourceId id, std::optional<hear::Key> key) {
    const SourcePtr s = sourceOf(p, id);
    if (!s) return tl::unexpected(mayChange(p, id).error());
    Source changed = *s;
    changed.key = key;
    return withSource(p, changed);
}

Result<Project> setFirstDownbeat(const Project& p, SourceId id, Seconds at) {
    const SourcePtr s = sourceOf(p, id);
    if (!s) return tl::unexpected(mayChange(p, id).error());
    if (!s->beats) return base::problem(fmt::format("{} has no tempo yet; its first downbeat needs one.", s->name));
    if (!std::isfinite(at.value) || at < Seconds(0) || at >= s->length())
        return base::problem(
            fmt::format("The first downbeat of {} must lie within its {:.3f} s.", s->name, s->length().value));
    Source changed = *s;
    // Steady beats move as they are; of free playing, and where other pins were set by hand, the nearest beat
    // becomes the first.
    std::vector<metre::Pin> pins = s->beats->pins();
    const bool isFree = pins.size() > 2 || std::any_of(s->notes.begin(), s->notes.end(),
                                                       [](const PinNote& n) { return n.beat != Beats(0); });
    if (!isFree && std::any_of(s->notes.begin(), s->notes.end(), [](const PinNote& n) { return n.locked; }))
        return base::problem(
            fmt::format("The first downbeat of {} is locked; unlock its pin to move it.", s->name));
    const Beats beatThere(std::round(s->beats->beatAt(at).value));
    const Seconds by = at - downbeatOf(*s);
    for (metre::Pin& pin : pins)
        if (isFree)
            pin.beat -= beatThere;
        else
            pin.at += by;
    for (PinNote& note : changed.notes)
        if (isFree) note.beat -= beatThere;
    auto map = metre::BeatMap::make(std::move(pins));
    if (!map) return tl::unexpected(map.error());
    changed.beats = std::move(*map);
    // Listening again leaves it where it was put.
    if (!isFree && changed.notes.empty() && hasPinAt(*changed.beats, Beats(0)))
        changed.notes.push_back({Beats(0), true, false, {}});
    if (changed.loopBeats && changed.beats->secondsAt(*changed.loopBeats) > s->length() + Seconds(0.05))
        changed.loopBeats.reset();
    return withSource(p, changed);
}

Result<Project> scaleBeats(const Project& p, SourceId id, double factor) {
    const SourcePtr s = sourceOf(p, id);
    if (!s) return tl::unexpected(mayChange(p, id).error());
    if (!s->beats) return base::problem(fmt::format("{} has no tempo yet.", s->name));
    const Bpm bpm(s->beats->meanTempo().value * factor);
    if (auto fits = tempoFits(*s, bpm); !fits) return tl::unexpected(fits.error());
    Source changed = withBeatsScaled(*s, factor);
    hear::Reading reading = said(hear::Witness::Typed, bpm);
    reading.pins = changed.beats->pins();
    if (const auto beats = changed.wholeBeats()) reading.beats = Beats(*beats);
    putReading(changed, std::move(reading));
    changed.chosen = hear::Witness::Typed;
    return withBeatsOf(p, changed);
}

Result<Project> setSourceFollowing(const Project& p, const std::vector<SourceId>& ids, bool on) {
    Project out = p;
    std::vector<SourcePtr>& sources = out.sources.altered();
    for (const SourceId id : withTheirSets(p, ids)) {
        const SourcePtr s = sourceOf(p, id);
        if (!s) return tl::unexpected(mayChange(p, id).error());
        if (s->following == on) continue;
        eachTrack(out, [&](Track& track) {
            bool any = false;
            for (Clip& c : track.clips)
                if (c.source == id && p.following) any = holdOrFollow(p, track, c, on) || any;
            return any;
        });
        Source changed = *s;
        changed.following = on;
        for (SourcePtr& each : sources)
            if (each->id == id) each = std::make_shared<const Source>(changed);
    }
    return out;
}

Result<Project> forgetSettled(const Project& p, const std::vector<SourceId>& ids) {
    Project out = p;
    const auto isSaid = [](const hear::Reading& r) {
        return r.by == hear::Witness::Typed || r.by == hear::Witness::Tapped;
    };
    for (const SourceId id : withTheirSets(p, ids)) {
        const SourcePtr s = sourceOf(out, id);
        if (!s) return tl::unexpected(mayChange(p, id).error());
        if (std::none_of(s->readings.begin(), s->readings.end(), isSaid)) continue;
        Source changed = *s;
        std::erase_if(changed.readings, isSaid);
        settle(changed);
        auto next = withBeatsOf(out, changed);
        if (!next) return next;
        out = std::move(*next);
    }
    return out;
}

Result<Project> forgetBeat(const Project& p, SourceId id) {
    const SourcePtr s = sourceOf(p, id);
    if (!s) return tl::unexpected(mayChange(p, id).error());
    Source changed = *s;
    changed.beats.reset();
    changed.notes.clear();
    changed.loopBeats.reset();
    changed.chosen.reset();
    return withSource(p, changed);
}

} // namespace project
