#include "project/with_source.h"

#include "project/changed.h"
#include "project/sets.h"

#include <algorithm>
#include <cmath>
#include <map>

namespace project {

namespace {

bool usesWhole(const Clip& clip, const Source& s) {
    return std::abs(clip.from.value) < 1e-6 && std::abs((clip.to - s.wholeEnd()).value) < 1e-6;
}

// A clip's part in a source whose beats have changed: whole stays whole, and what goes round goes round as often.
bool follow(Clip& c, const Source& old, const Source& changed) {
    if (usesWhole(c, old)) {
        c.to = changed.wholeEnd();
        return true;
    }
    const Seconds oldEnd = old.wholeEnd();
    if (!c.stretch.loop || c.turn || c.to <= oldEnd) return false;
    const Seconds oldFrom = old.beats ? old.beats->secondsAt(Beats(0)) : Seconds(0);
    const Seconds from = changed.beats ? changed.beats->secondsAt(Beats(0)) : Seconds(0);
    const double turn = (changed.wholeEnd() - from).value;
    const double oldTurn = (oldEnd - oldFrom).value;
    if (turn < shortestTurn || oldTurn < shortestTurn) return false;
    const auto moved = [&](Seconds u) {
        return u <= oldEnd ? u : from + Seconds((u - oldFrom).value / oldTurn * turn);
    };
    const Seconds to = moved(c.to);
    const Seconds begins = moved(c.from);
    if (begins >= to) return false;
    c.from = begins;
    c.to = to;
    return true;
}

// Fails when a locked clip would have to follow a source whose beats have changed.
Result<void> clipsFollow(const Project& p, const Source& old, const Source& changed) {
    const bool sameGrain = old.straight == changed.straight &&
                           (old.straight.to == Straightness::To::Beat || old.metre() == changed.metre());
    if (old.beats == changed.beats && old.loopBeats == changed.loopBeats && sameGrain) return {};
    for (const TrackPtr& t : p.tracks)
        for (const Clip& c : t->clips)
            if (c.locked && c.source == changed.id)
                return base::problem(fmt::format(
                    "A locked clip on {} uses {}; unlock it to change the source's beats.", t->name, old.name));
    return {};
}

} // namespace

Result<Project> withSource(const Project& p, const Source& changed) {
    std::map<SourceId, Source> all{{changed.id, changed}};
    for (const SourcePtr& s : p.sources)
        if (changed.set && s->set == changed.set && s->id != changed.id)
            all.emplace(s->id, inTimeWith(*s, changed));
    for (const auto& [id, now] : all)
        if (auto may = clipsFollow(p, *sourceOf(p, id), now); !may) return tl::unexpected(may.error());
    Project out = p;
    for (SourcePtr& s : out.sources.altered())
        if (const auto now = all.find(s->id); now != all.end()) s = std::make_shared<const Source>(now->second);
    eachTrack(out, [&](Track& track) {
        bool any = false;
        for (Clip& c : track.clips)
            if (const auto now = all.find(c.source); now != all.end())
                any = follow(c, *sourceOf(p, c.source), now->second) || any;
        return any;
    });
    return out;
}

Result<Project> withBeatsOf(const Project& p, const Source& changed) {
    const bool knewNone = !sourceOf(p, changed.id)->beats;
    auto followed = withSource(p, changed);
    if (!followed) return followed;
    Project out = std::move(*followed);
    const std::vector<SourceId> ids = togetherWith(p, changed.id);
    if (knewNone && changed.beats)
        eachTrack(out, [&](Track& track) {
            bool any = false;
            for (Clip& c : track.clips)
                if (c.rule && std::find(ids.begin(), ids.end(), c.source) != ids.end()) {
                    c.rule.reset();
                    any = true;
                }
            return any;
        });
    return out;
}

} // namespace project
