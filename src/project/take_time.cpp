#include "project/take_time.h"

#include "metre/tempo.h"
#include "project/changed.h"
#include "project/settle.h"
#include "project/timing.h"
#include "project/with_source.h"

#include <algorithm>
#include <cmath>
#include <fmt/format.h>
#include <set>

namespace project {

namespace {

// The moments of a recording at which the project's time bends, or begins and ends: as pins, in the project's
// beats. `begins`: when the recording's first sample sounds, a whole number of frames after beat 0.
std::vector<metre::Pin> timeUnder(const Project& p, Seconds begins, Seconds length) {
    const Beats first = p.tempo.beatAt(begins);
    const Beats last = p.tempo.beatAt(begins + length);
    std::vector<metre::Pin> pins{{Seconds(0), first}};
    for (const Beats bend : p.tempo.bends(last, Seconds(0.5 / p.rate)))
        if (bend > first && bend < last) pins.push_back({p.tempo.secondsAt(bend) - begins, bend});
    pins.push_back({length, last});
    return pins;
}

// How a clip lies under the project's time.
struct Under {
    std::vector<metre::Pin> pins; // of its recording; beat 0 is `zero`
    Beats start;                  // where the clip begins
    Beats zero;                   // the first bar line of the project from there
};

Result<void> mayTake(const Project& p, const Clip& clip, const Source& s, const ClipTime& time) {
    if (leads(p, clip)) return base::problem(fmt::format("{} leads: the project has its time already.", s.name));
    if (std::any_of(s.notes.begin(), s.notes.end(), [](const PinNote& n) { return n.locked; }))
        return base::problem(fmt::format("Pins of {} are locked; unlock them to take other beats.", s.name));
    if (time.turn() && clip.to > time.turn()->to + Seconds(1e-6))
        return base::problem(
            fmt::format("{} loops here; only what was played once was played to the project.", s.name));
    return {};
}

Under underTime(const Project& p, const Clip& clip, const Source& s, const ClipTime& time) {
    // As it was recorded, from the frame at which the clip begins.
    const Frames frame = metre::toFrames(time.heardAt(clip.from), p.rate) - metre::toFrames(clip.from, p.rate);
    const Seconds begins = metre::toSeconds(frame, p.rate);
    Under under{timeUnder(p, begins, s.length()), p.tempo.beatAt(begins + clip.from), Beats(0)};
    const int bar = p.metre.barAt(under.start - Beats(1e-6));
    const Beats line = p.metre.startOfBar(bar);
    under.zero = line >= under.start - Beats(1e-6) ? line : p.metre.startOfBar(bar + 1);
    for (metre::Pin& pin : under.pins)
        pin.beat -= under.zero;
    return under;
}

// The source with the project's beats as its own, and the metre that counts where the clip begins.
Result<Source> withProjectsBeats(const Project& p, const Source& s, const Under& under) {
    hear::Reading reading;
    reading.by = hear::Witness::Typed;
    reading.sureness = 1;
    reading.evidence =
        fmt::format("taken from the project's time, bar {}", p.metre.barAt(under.start + Beats(1e-6)));
    reading.steady = under.pins.size() <= 2;
    reading.pins = under.pins;
    const auto map = metre::BeatMap::make(under.pins);
    if (!map) return tl::unexpected(map.error());
    reading.bpm = map->meanTempo();
    if (!metre::isTempo(*reading.bpm))
        return base::problem(fmt::format("{} is too short to take a tempo.", s.name));
    Source changed = s;
    changed.notes.clear();
    changed.loopBeats.reset();
    changed.straight = {};
    const metre::Metre metre = p.metre.metreAt(std::max(under.start, Beats(0)));
    changed.beatsInBar = metre.beats;
    changed.beatUnit = metre.unit;
    useReading(changed, reading);
    putReading(changed, std::move(reading));
    return changed;
}

// The clip, and others of its recording in the same place, count from the new beat 0.
void countFrom(Project& p, const Clip& clip, Beats zero) {
    eachTrack(p, [&](Track& t) {
        bool any = false;
        for (Clip& c : t.clips) {
            if (c.source != clip.source || (c.id != clip.id && c.at != clip.at)) continue;
            c.at = zero;
            if (c.id == clip.id) {
                c.from = clip.from;
                c.to = clip.to;
            }
            c.heldTempo.reset();
            c.countsAs.reset();
            c.rule.reset();
            c.stretch.loop = false;
            c.turn.reset();
            any = true;
        }
        return any;
    });
}

} // namespace

Result<Project> takeProjectTime(const Project& p, const std::vector<ClipId>& ids) {
    if (ids.empty()) return base::problem("Select the clips that were played to this project.");
    if (auto may = mayChange(p, ids); !may) return tl::unexpected(may.error());
    Project out = p;
    std::set<SourceId> taken;
    for (const ClipId id : ids) {
        const Clip clip = *clipOf(out, id);
        const SourcePtr s = sourceOf(out, clip.source);
        if (!s) return base::problem("The clip's source is no longer in the project.");
        if (!taken.insert(s->id).second) continue;
        const ClipTime time(out.tempo, clip, s.get(), rulingOf(out, *trackOfClip(out, id), clip, s.get()).follows);
        if (auto may = mayTake(out, clip, *s, time); !may) return tl::unexpected(may.error());
        const Under under = underTime(out, clip, *s, time);
        const auto changed = withProjectsBeats(out, *s, under);
        if (!changed) return tl::unexpected(changed.error());
        auto with = withBeatsOf(out, *changed);
        if (!with) return with;
        out = std::move(*with);
        countFrom(out, clip, under.zero);
    }
    return out;
}

} // namespace project
