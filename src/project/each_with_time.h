// Edits of clips that need their time: for the edits only.
#pragma once

#include "project/changed.h"
#include "project/counted.h"
#include "project/timing.h"

namespace project {

inline constexpr int mostRounds = 10000;

inline ClipTime timeOf(const Project& p, const Track& track, const Clip& clip, const Source* s) {
    return {p.tempo, clip, s, rulingOf(p, track, clip, s).follows};
}

inline bool goesRoundTooOften(const Clip& c, const Source& s) {
    if (!c.stretch.loop) return false;
    const double length = c.turn ? (c.turn->to - c.turn->from).value : s.wholeEnd().value;
    return (c.to - c.from).value > length * (mostRounds + 1);
}

// The clips on their tracks, each changed by `change(clip, time, source)`, which may refuse; the source as the clip
// counts it.
template <class Change>
Result<Project> eachWithTime(const Project& p, const std::vector<ClipId>& ids, const Change& change) {
    if (auto may = mayChange(p, ids); !may) return tl::unexpected(may.error());
    const std::set<ClipId> chosen = setOf(ids);
    Project out = p;
    for (TrackPtr& track : out.tracks) {
        std::shared_ptr<Track> copy;
        for (std::size_t i = 0; i < track->clips.size(); ++i) {
            const Clip& old = track->clips[i];
            if (chosen.count(old.id) == 0) continue;
            const SourcePtr s = countedBy(sourceOf(p, old.source), old);
            if (!s) return base::problem("A clip's source is no longer in the project.");
            Clip changed = old;
            if (Result<void> done = change(changed, timeOf(p, *track, old, s.get()), *s); !done)
                return tl::unexpected(done.error());
            if (changed == old) continue;
            if (goesRoundTooOften(changed, *s))
                return base::problem(fmt::format("A clip loops up to {} times.", mostRounds));
            if (!copy) copy = std::make_shared<Track>(*track);
            copy->clips[i] = std::move(changed);
        }
        if (copy) track = std::move(copy);
    }
    return out;
}

} // namespace project
