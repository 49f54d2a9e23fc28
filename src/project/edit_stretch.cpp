// Saying how far clips are stretched: by an edge, by percentage, by bars, by the tempo that they count as.
#include "metre/snap.h"
#include "metre/tempo.h"
#include "project/each_with_time.h"
#include "project/edit_arrange.h"
#include "project/edit_sources.h"
#include "project/sets.h"

#include <algorithm>
#include <cmath>

namespace project {

namespace {

// A clip counts as another tempo from now on, and follows; as its recording's own it counts as itself.
Result<void> countAs(Clip& c, const Source& recording, Bpm tempo) {
    if (!metre::isTempo(tempo))
        return base::problem(fmt::format("{} cannot count as {:g} BPM; tempos lie between {:.0f} and {:.0f}.",
                                         recording.name, tempo.value, metre::slowestTempo.value,
                                         metre::fastestTempo.value));
    const bool own = std::abs(tempo.value / recording.beats->meanTempo().value - 1) < 1e-9;
    c.countsAs = own ? std::nullopt : std::optional(tempo);
    if (c.rule && !entryOf(*c.rule).needsBeats) c.rule.reset();
    c.heldTempo.reset();
    return {};
}

} // namespace

Result<Project> stretchEdge(const Project& p, const std::vector<ClipId>& ids, ClipId pressed, Side side, Beats to) {
    const std::vector<ClipId> all = withTheirSetsHere(p, contains(ids, pressed) ? ids : std::vector{pressed});
    if (auto may = mayChange(p, all); !may) return tl::unexpected(may.error());
    const TrackPtr track = trackOfClip(p, pressed);
    const Clip clip = *clipOf(p, pressed);
    if (leads(p, clip)) return base::problem("The clip leads: stop leading, and it can be stretched.");
    const SourcePtr s = sourceOf(p, clip.source);
    if (!s) return base::problem("The clip's source is no longer in the project.");
    const Beats start = startOf(p, *track, clip);
    const Beats end = endOf(p, *track, clip);
    const Beats beats = side == Side::Right ? to - start : end - to;
    if (!(beats > Beats(0))) return base::problem("A clip ends after it begins.");
    Project out = p;
    if (!s->beats) {
        // As if it had the project's tempo: from now on it has one, and it is that which is said.
        auto told = setSourceTempo(out, s->id, p.tempo.tempoAt(start), hear::Witness::Typed);
        if (!told) return told;
        const Clip* now = clipOf(*told, pressed);
        const SourcePtr known = sourceOf(*told, s->id);
        const ClipTime time(told->tempo, *now, known.get(), true);
        auto scaled = scaleBeats(*told, s->id, beats.value / (time.beatOf(now->to) - time.beatOf(now->from)).value);
        if (!scaled) return scaled;
        out = std::move(*scaled);
    }
    const SourcePtr known = countedBy(sourceOf(out, s->id), *clipOf(out, pressed));
    const ClipTime now(out.tempo, *clipOf(out, pressed), known.get(), true);
    const double ratio =
        beats.value / (now.beatOf(clipOf(out, pressed)->to) - now.beatOf(clipOf(out, pressed)->from)).value;
    return eachWithTime(out, all, [&](Clip& c, const ClipTime& time, const Source& counted) -> Result<void> {
        if (!counted.beats || leads(out, c)) return {};
        // The edge that was not dragged stays.
        const Clip& before = *clipOf(p, c.id);
        const TrackPtr on = trackOfClip(p, c.id);
        const Beats keeps = side == Side::Right ? startOf(p, *on, before) : endOf(p, *on, before);
        const SourcePtr recording = sourceOf(out, c.source);
        if (auto done = countAs(c, *recording, Bpm(counted.beats->meanTempo().value * ratio)); !done) return done;
        const ClipTime following(out.tempo, c, recording.get(), true);
        c.at += keeps - (c.at + following.beatOf(side == Side::Right ? c.from : c.to));
        if (!time.turn() && counted.wholeBeats()) c.stretch.loop = true;
        return {};
    });
}

Result<Project> setCountsAs(const Project& p, const std::vector<ClipId>& ids, std::optional<Bpm> tempo) {
    return eachWithTime(p, withTheirSetsHere(p, ids), [&](Clip& c, const ClipTime&, const Source&) -> Result<void> {
        const SourcePtr recording = sourceOf(p, c.source);
        if (!recording->beats)
            return base::problem(fmt::format("{} has no tempo yet; say what it is first.", recording->name));
        if (leads(p, c)) return base::problem("The clip leads: stop leading, and it can count as another tempo.");
        const Beats keeps = startOf(p, c);
        if (auto done = countAs(c, *recording, tempo.value_or(recording->beats->meanTempo())); !done) return done;
        const ClipTime following(p.tempo, c, recording.get(), true);
        c.at += keeps - (c.at + following.beatOf(c.from));
        return {};
    });
}

Result<Project> setStretch(const Project& p, const std::vector<ClipId>& ids, double percent) {
    if (auto fits = within(percent, 25, 400, "A stretch", "%"); !fits) return tl::unexpected(fits.error());
    if (auto may = mayChange(p, ids); !may) return tl::unexpected(may.error());
    Project out = p;
    for (const ClipId id : ids) {
        const Clip* clip = clipOf(out, id);
        if (!sourceOf(out, clip->source)) return base::problem("The clip's source is no longer in the project.");
        const Beats start = startOf(out, *clip);
        const Beats end = out.tempo.beatAt(out.tempo.secondsAt(start) + (clip->to - clip->from) * (percent / 100));
        // A percentage is rounded when it is written: what comes to a whole number of beats is meant so.
        const double beats = (end - start).value;
        const bool whole = std::abs(beats - std::round(beats)) < 0.005 && beats > 0.5;
        auto next = stretchEdge(out, {id}, id, Side::Right, whole ? start + Beats(std::round(beats)) : end);
        if (!next) return next;
        out = std::move(*next);
    }
    return out;
}

Result<Project> fitToBars(const Project& p, const std::vector<ClipId>& ids, int bars) {
    if (bars < 1 || bars > 1024) return base::problem("Between 1 and 1024 bars can be filled.");
    const std::vector<ClipId> all = withTheirSetsHere(p, ids);
    if (auto may = mayChange(p, all); !may) return tl::unexpected(may.error());
    Project out = p;
    for (const ClipId id : all) {
        const SourcePtr s = sourceOf(out, clipOf(out, id)->source);
        const Beats begins = startOf(out, *clipOf(out, id));
        const Beats onBar = metre::snapped(begins, metre::Snap::Bar, out.metre);
        const double beats = bars * out.metre.metreAt(std::max(Beats(0), onBar)).bar().value;
        // What has no beats yet has that many from now on.
        if (s && !s->beats) {
            auto told = setSourceBeats(out, s->id, beats);
            if (!told) return told;
            out = std::move(*told);
        }
        auto next =
            eachWithTime(out, {id}, [&](Clip& c, const ClipTime& was, const Source& counted) -> Result<void> {
                if (!counted.beats) return base::problem(fmt::format("{} has no beats.", counted.name));
                if (leads(out, c)) return base::problem("The clip leads: stop leading, and it can be fitted.");
                const ClipTime time(out.tempo, c, &counted, true);
                const double ratio = beats / beatsFilled(c, counted, time).value;
                const SourcePtr recording = sourceOf(out, c.source);
                const bool whole = beatsFilled(c, counted, time) == counted.endBeat();
                if (auto done = countAs(c, *recording, Bpm(counted.beats->meanTempo().value * ratio)); !done)
                    return done;
                const ClipTime following(out.tempo, c, recording.get(), true);
                // A pick-up hangs before the bar line.
                const Beats line = whole ? metre::snapped(c.at, metre::Snap::Bar, out.metre) : onBar;
                c.at = whole ? line : line - following.beatOf(c.from);
                if (c.rule != TimeRule::Slices) c.rule = TimeRule::Stretch;
                if (whole || was.turn()) c.stretch.loop = true;
                return {};
            });
        if (!next) return next;
        out = std::move(*next);
    }
    return out;
}

} // namespace project
