// A project with some of its parts changed, and what must hold before that: for the edits only.
#pragma once

#include "project/project.h"

#include <algorithm>
#include <fmt/format.h>
#include <set>

namespace project {

inline bool contains(const std::vector<ClipId>& ids, ClipId id) {
    return std::find(ids.begin(), ids.end(), id) != ids.end();
}

inline std::set<ClipId> setOf(const std::vector<ClipId>& ids) {
    return {ids.begin(), ids.end()};
}

// Hands a copy of each track to `change`, and keeps those that it says it changed.
template <class Change>
void eachTrack(Project& p, const Change& change) {
    for (TrackPtr& track : p.tracks) {
        auto copy = std::make_shared<Track>(*track);
        if (change(*copy)) track = std::move(copy);
    }
}

// Fails, in a sentence, unless all of these clips are in the project and none of them is locked.
Result<void> mayChange(const Project& p, const std::vector<ClipId>& ids);
Result<void> mayChange(const Project& p, TrackId id);
Result<void> mayChange(const Project& p, SourceId id);
// Fails unless a number lies in a range: "A gain lies between −60 and 24 dB; 99 does not."
Result<void> within(double value, double low, double high, const char* what, const char* unit);

// The clips, changed; a track whose clips all stay as they are stays the same track.
template <class Change>
Result<Project> withClips(const Project& p, const std::vector<ClipId>& ids, const Change& change) {
    if (auto may = mayChange(p, ids); !may) return tl::unexpected(may.error());
    Project out = p;
    for (TrackPtr& track : out.tracks) {
        std::shared_ptr<Track> copy;
        for (std::size_t i = 0; i < track->clips.size(); ++i) {
            if (!contains(ids, track->clips[i].id)) continue;
            Clip changed = track->clips[i];
            change(changed);
            if (changed == track->clips[i]) continue;
            if (!copy) copy = std::make_shared<Track>(*track);
            copy->clips[i] = changed;
        }
        if (copy) track = std::move(copy);
    }
    return out;
}

template <class Change>
Result<Project> withTrack(const Project& p, TrackId id, const Change& change) {
    if (auto may = mayChange(p, id); !may) return tl::unexpected(may.error());
    Project out = p;
    for (TrackPtr& track : out.tracks)
        if (track->id == id) {
            auto copy = std::make_shared<Track>(*track);
            change(*copy);
            track = std::move(copy);
        }
    return out;
}

} // namespace project
