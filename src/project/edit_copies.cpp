// Clips taken, copied, pasted and put in another order.
#include "project/changed.h"
#include "project/edit_arrange.h"
#include "project/timing.h"

#include <algorithm>
#include <cmath>
#include <map>

namespace project {

namespace {

// Puts clips on tracks, a list for each, on top of what lies there.
void addArriving(Project& p, const std::vector<std::vector<Clip>>& arriving) {
    std::size_t i = 0;
    eachTrack(p, [&](Track& track) {
        const auto& list = arriving[i++];
        track.clips.insert(track.clips.end(), list.begin(), list.end());
        return !list.empty();
    });
}

Result<Project> oneTrackOnly() {
    return base::problem("Clips of one track can be put in another order; these lie on several.");
}

} // namespace

Result<Project> reorder(const Project& p, const std::vector<ClipId>& ids, const std::vector<std::size_t>& order) {
    if (auto may = mayChange(p, ids); !may) return tl::unexpected(may.error());
    const std::set<ClipId> chosen = setOf(ids);
    struct Piece {
        ClipId id;
        Beats start;
        Beats length;
    };
    std::vector<Piece> pieces;
    const Track* on = nullptr;
    for (const TrackPtr& track : p.tracks)
        for (const Clip& c : track->clips) {
            if (chosen.count(c.id) == 0) continue;
            if (on != nullptr && on != track.get()) return oneTrackOnly();
            on = track.get();
            const Beats start = startOf(p, *track, c);
            pieces.push_back({c.id, start, endOf(p, *track, c) - start});
        }
    std::vector<std::size_t> sorted = order;
    std::sort(sorted.begin(), sorted.end());
    for (std::size_t i = 0; i < sorted.size(); ++i)
        if (sorted.size() != pieces.size() || sorted[i] != i)
            return base::problem("That is no order of these clips.");
    std::sort(pieces.begin(), pieces.end(), [](const Piece& a, const Piece& b) { return a.start < b.start; });
    std::map<ClipId, Beats> by;
    Beats at = pieces.front().start;
    for (const std::size_t i : order) {
        by[pieces[i].id] = at - pieces[i].start;
        at += pieces[i].length;
    }
    return withClips(p, ids, [&](Clip& c) { c.at += by[c.id]; });
}

Result<Arranged> copyClips(const Project& p, const std::vector<ClipId>& ids, Beats by, int tracks) {
    const std::set<ClipId> chosen = setOf(ids);
    if (chosen.empty()) return base::problem("No clip is selected.");
    Arranged out{p, {}};
    std::vector<std::vector<Clip>> arriving(p.tracks.size());
    for (std::size_t i = 0; i < p.tracks.size(); ++i)
        for (Clip c : p.tracks[i]->clips) {
            if (chosen.count(c.id) == 0) continue;
            const auto to = static_cast<std::int64_t>(i) + tracks;
            if (to < 0 || to >= static_cast<std::int64_t>(p.tracks.size()))
                return base::problem("There is no track there.");
            c.id = ClipId{out.project.nextId++};
            c.at += by;
            c.locked = false;
            if (!std::isfinite(c.at.value) || std::abs(c.at.value) > furthest.value ||
                startOf(p, *p.tracks[static_cast<std::size_t>(to)], c) < p.metre.startOfBar(-3))
                return base::problem("A clip cannot lie that far from the beginning.");
            out.clips.push_back(c.id);
            arriving[static_cast<std::size_t>(to)].push_back(std::move(c));
        }
    if (out.clips.empty()) return base::problem("That clip is no longer in the project.");
    addArriving(out.project, arriving);
    return out;
}

std::vector<Taken> take(const Project& p, const std::vector<ClipId>& ids) {
    const std::set<ClipId> chosen = setOf(ids);
    std::vector<Taken> list;
    for (std::size_t i = 0; i < p.tracks.size(); ++i)
        for (const Clip& c : p.tracks[i]->clips)
            if (chosen.count(c.id) > 0) list.push_back({c, i, startOf(p, *p.tracks[i], c)});
    return list;
}

Result<Arranged> paste(const Project& p, const std::vector<Taken>& clips, Beats at) {
    if (clips.empty()) return base::problem("Nothing was copied.");
    Arranged out{p, {}};
    if (out.project.tracks.empty()) {
        Track track;
        track.id = TrackId{out.project.nextId++};
        track.name = clips.front().clip.name.empty() ? "track" : clips.front().clip.name;
        out.project.tracks.push_back(std::make_shared<const Track>(std::move(track)));
    }
    const Beats first =
        std::min_element(clips.begin(), clips.end(), [](auto& a, auto& b) { return a.start < b.start; })->start;
    std::vector<std::vector<Clip>> arriving(out.project.tracks.size());
    for (const Taken& t : clips) {
        if (!sourceOf(p, t.clip.source)) continue;
        Clip c = t.clip;
        c.id = ClipId{out.project.nextId++};
        c.at += at - first;
        c.locked = false;
        if (!std::isfinite(c.at.value) || std::abs(c.at.value) > furthest.value)
            return base::problem("A clip cannot lie that far from the beginning.");
        out.clips.push_back(c.id);
        arriving[std::min(t.track, arriving.size() - 1)].push_back(std::move(c));
    }
    if (out.clips.empty()) return base::problem("The sources of what was copied are no longer in the project.");
    addArriving(out.project, arriving);
    return out;
}

} // namespace project
