#include "project/counted.h"

#include "project/changed.h"
#include "project/edit_sources.h"
#include "project/sets.h"
#include "project/timing.h"

#include <cmath>
#include <set>

namespace project {

Source withBeatsScaled(const Source& source, double factor) {
    Source s = source;
    const Beats end(s.endBeat().value * factor);
    const Seconds ends = s.wholeEnd();
    std::vector<metre::Pin> pins = s.beats->pins();
    for (metre::Pin& pin : pins)
        pin.beat = Beats(pin.beat.value * factor);
    if (auto map = metre::BeatMap::make(std::move(pins))) s.beats = std::move(*map);
    for (PinNote& note : s.notes)
        note.beat = Beats(note.beat.value * factor);
    // The beats within are more or fewer.
    const Beats whole(std::round(end.value));
    const bool isWhole = whole.value >= 1 && std::abs((end - whole).value) < 1e-6 &&
                         std::abs((s.beats->secondsAt(whole) - ends).value) < 1e-3;
    s.loopBeats = isWhole ? std::optional(whole) : std::nullopt;
    return s;
}

Source countedAs(const Source& source, Bpm tempo) {
    Source s = withBeatsScaled(source, tempo.value / source.beats->meanTempo().value);
    // Where it ends does not depend on how it is counted.
    const Beats end = s.beats->beatAt(source.wholeEnd());
    if (!s.loopBeats && std::abs((s.endBeat() - end).value) > 1e-9) s.loopBeats = end;
    return s;
}

bool countsOtherwise(const Placement& clip, const Source& source) {
    constexpr double hair = 1e-12; // a source that is counted so already
    return clip.countsAs && std::abs(clip.countsAs->value / source.beats->meanTempo().value - 1) >= hair;
}

SourcePtr countedBy(const SourcePtr& source, const Placement& clip) {
    if (!source || !source->beats || !countsOtherwise(clip, *source)) return source;
    return std::make_shared<const Source>(countedAs(*source, *clip.countsAs));
}

std::optional<double> barsFilled(const Project& p, const Clip& clip, const SourcePtr& countedSource) {
    if (!countedSource || !countedSource->beats) return std::nullopt;
    const ClipTime time(p.tempo, clip, countedSource.get(), true);
    return beatsFilled(clip, *countedSource, time).value /
           p.metre.metreAt(std::max(Beats(0), time.projectBeatOf(clip.from))).bar().value;
}

std::optional<double> barsFilled(const Project& p, ClipId id) {
    const Clip* clip = clipOf(p, id);
    return clip != nullptr ? barsFilled(p, *clip, countedBy(sourceOf(p, clip->source), *clip)) : std::nullopt;
}

Result<Project> countForRecording(const Project& p, const std::vector<ClipId>& ids) {
    if (auto may = mayChange(p, ids); !may) return tl::unexpected(may.error());
    Project out = p;
    std::set<SourceId> done;
    for (const ClipId id : ids) {
        const Clip clip = *clipOf(out, id);
        const SourcePtr s = sourceOf(out, clip.source);
        if (!clip.countsAs || !s || !s->beats || done.count(s->id) > 0) continue;
        auto scaled = scaleBeats(out, s->id, clip.countsAs->value / s->beats->meanTempo().value);
        if (!scaled) return scaled;
        out = std::move(*scaled);
        // Of a set, all have these beats now.
        for (const SourceId each : togetherWith(out, s->id))
            done.insert(each);
        eachTrack(out, [&](Track& track) {
            bool any = false;
            for (Clip& c : track.clips)
                if (done.count(c.source) > 0 && c.countsAs) {
                    c.countsAs.reset();
                    any = true;
                }
            return any;
        });
    }
    if (done.empty()) return base::problem("These clips count as their recordings do already.");
    return out;
}

} // namespace project
