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

} // namespace

Result<Project> takeProjectTime(const Project& p, const std::vector<ClipId>& ids) {
    if (ids.empty()) return base::problem("Select the clips that were played to this project.");
    if (auto may = mayChange(p, ids); !may) return tl::unexpected(may.error());
    Project out = p;
    std::set<SourceId> taken;
    for (const ClipId id : ids) {
        const Clip clip = *clipOf(out, id);
        const TrackPtr track = trackOfClip(out, id);
        const SourcePtr s = sourceOf(out, clip.source);
        if (!s) return base::problem("The clip's source is no longer in the project.");
        if (!taken.insert(s->id).second) continue;
        if (leads(out, clip))
            return base::problem(fmt::format("{} leads: the project has its time already.", s->name));
        if (std::any_of(s->notes.begin(), s->notes.end(), [](const PinNote& n) { return n.locked; }))
            return base::problem(fmt::format("Pins of {} are locked; unlock them to take other beats.", s->name));
        const ClipTime time(out.tempo, clip, s.get(), rulingOf(out, *track, clip, s.get()).follows);
        if (time.turn() && clip.to > time.turn()->to + Seconds(1e-6))
            return base::problem(
                fmt::format("{} loops here; only what was played once was played to the project.", s->name));
        // As it was recorded, from the frame at which the clip begins.
        const Frames frame =
            metre::toFrames(time.heardAt(clip.from), out.rate) - metre::toFrames(clip.from, out.rate);
        const Seconds begins = metre::toSeconds(frame, out.rate);
        std::vector<metre::Pin> pins = timeUnder(out, begins, s->length());
        // Beat 0 is the first bar line of the project from where the clip begins.
        const Beats start = out.tempo.beatAt(begins + clip.from);
        const int bar = out.metre.barAt(start - Beats(1e-6));
        const Beats line = out.metre.startOfBar(bar);
        const Beats zero = line >= start - Beats(1e-6) ? line : out.metre.startOfBar(bar + 1);
        for (metre::Pin& pin : pins)
            pin.beat -= zero;
        hear::Reading reading;
        reading.by = hear::Witness::Typed;
        reading.sureness = 1;
        reading.evidence =
            fmt::format("taken from the project's time, bar {}", out.metre.barAt(start + Beats(1e-6)));
        reading.steady = pins.size() <= 2;
        reading.pins = pins;
        const auto map = metre::BeatMap::make(std::move(pins));
        if (!map) return tl::unexpected(map.error());
        reading.bpm = map->meanTempo();
        if (!metre::isTempo(*reading.bpm))
            return base::problem(fmt::format("{} is too short to take a tempo.", s->name));
        Source changed = *s;
        changed.notes.clear();
        changed.loopBeats.reset();
        changed.straight = {};
        const metre::Metre metre = out.metre.metreAt(std::max(start, Beats(0)));
        changed.beatsInBar = metre.beats;
        changed.beatUnit = metre.unit;
        useReading(changed, reading);
        putReading(changed, std::move(reading));
        auto with = withBeatsOf(out, changed);
        if (!with) return with;
        out = std::move(*with);
        eachTrack(out, [&](Track& t) {
            bool any = false;
            for (Clip& c : t.clips) {
                if (c.source != s->id || (c.id != id && c.at != clip.at)) continue;
                c.at = zero;
                if (c.id == id) {
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
    return out;
}

} // namespace project
