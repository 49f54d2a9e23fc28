#include "project/edit_tracks.h"

#include "project/changed.h"

#include <algorithm>
#include <cmath>

namespace project {

namespace {
constexpr int tints = 8;
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

Result<Project> removeTrack(const Project& p, TrackId id) {
    const TrackPtr track = trackOf(p, id);
    if (!track) return tl::unexpected(mayChange(p, id).error());
    std::vector<ClipId> clips;
    for (const Clip& c : track->clips)
        clips.push_back(c.id);
    if (!clips.empty())
        if (auto may = mayChange(p, clips); !may) return tl::unexpected(may.error());
    Project out = p;
    std::erase_if(out.tracks, [&](const TrackPtr& t) { return t->id == id; });
    return out;
}

Result<Project> setMute(const Project& p, TrackId id, bool on) {
    return withTrack(p, id, [on](Track& t) { t.mute = on; });
}

Result<Project> setSolo(const Project& p, TrackId id, bool on) {
    return withTrack(p, id, [on](Track& t) { t.solo = on; });
}

Result<Project> setTrackGain(const Project& p, TrackId id, double db) {
    if (auto fits = within(db, quietestDb, loudestDb, "A gain", "dB"); !fits) return tl::unexpected(fits.error());
    return withTrack(p, id, [db](Track& t) { t.gainDb = db; });
}

Result<Project> turnTrackGain(const Project& p, TrackId id, double byDb) {
    if (auto fits = within(byDb, -1000, 1000, "A turn", "dB"); !fits) return tl::unexpected(fits.error());
    const TrackPtr track = trackOf(p, id);
    if (!track) return tl::unexpected(mayChange(p, id).error());
    const double db = std::clamp(track->gainDb + byDb, quietestDb, loudestDb);
    if (db == track->gainDb) return p;
    return setTrackGain(p, id, db);
}

Result<Project> setPan(const Project& p, TrackId id, double pan) {
    if (auto fits = within(pan, -1, 1, "A pan", "(left to right)"); !fits) return tl::unexpected(fits.error());
    return withTrack(p, id, [pan](Track& t) { t.pan = pan; });
}

Result<Project> renameTrack(const Project& p, TrackId id, const std::string& name) {
    if (name.empty() || name.size() > 1000) return base::problem("A track needs a name of 1 to 1000 bytes.");
    return withTrack(p, id, [&](Track& t) { t.name = name; });
}

Result<Project> setTrackRule(const Project& p, TrackId id, std::optional<TimeRule> rule) {
    return withTrack(p, id, [rule](Track& t) { t.rule = rule; });
}

Result<Project> setTrackTint(const Project& p, TrackId id, int tint) {
    if (tint < 0 || tint >= tints) return base::problem("There are eight colours.");
    return withTrack(p, id, [tint](Track& t) { t.tint = tint; });
}

Result<Project> moveTrack(const Project& p, TrackId id, std::size_t to) {
    const TrackPtr track = trackOf(p, id);
    if (!track) return tl::unexpected(mayChange(p, id).error());
    if (to >= p.tracks.size()) return base::problem("There is no track there.");
    Project out = p;
    std::erase(out.tracks, track);
    out.tracks.insert(out.tracks.begin() + static_cast<std::ptrdiff_t>(to), track);
    return out;
}

Result<DuplicatedTrack> duplicateTrack(const Project& p, TrackId id) {
    const TrackPtr track = trackOf(p, id);
    if (!track) return tl::unexpected(mayChange(p, id).error());
    DuplicatedTrack made{p, {}};
    auto copy = std::make_shared<Track>(*track);
    copy->id = made.id = TrackId{made.project.nextId++};
    for (Clip& c : copy->clips) {
        c.id = ClipId{made.project.nextId++};
        c.locked = false;
    }
    const auto at = std::find(made.project.tracks.begin(), made.project.tracks.end(), track);
    made.project.tracks.insert(at + 1, std::move(copy));
    return made;
}

} // namespace project
