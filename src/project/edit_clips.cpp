#include "project/edit_clips.h"

#include "project/changed.h"
#include "project/edit_sources.h"
#include "project/edit_tracks.h"
#include "project/settle.h"
#include "project/timing.h"

#include <algorithm>
#include <cmath>
#include <map>
#include <set>

namespace project {

Clip wholeClip(const Source& s) {
    Clip clip;
    clip.source = s.id;
    clip.to = s.wholeEnd();
    // Nothing is stretched unasked by a tempo that may be none, and no hit at all.
    if (s.beats && (hear::isMaybe(s.readings, s.chosen) || (s.kind == hear::Kind::OneHit && !s.set)))
        clip.rule = TimeRule::Place;
    // A whole number of beats means a loop: it goes round without a seam.
    clip.stretch.method = methodFor(s.kind);
    clip.stretch.loop = s.wholeBeats().has_value();
    return clip;
}

Result<Placed> place(const Project& p, SourceId source, std::optional<TrackId> track, Beats at) {
    const SourcePtr s = sourceOf(p, source);
    if (!s) return tl::unexpected(mayChange(p, source).error());
    if (!std::isfinite(at.value) || std::abs(at.value) > furthest.value)
        return base::problem("A clip cannot lie that far from the beginning.");
    Placed placed{p, {}};
    if (!track || !trackOf(p, *track)) {
        AddedTrack added = addTrack(p, s->name);
        placed.project = std::move(added.project);
        track = added.id;
    }
    Clip clip = wholeClip(*s);
    clip.id = ClipId{placed.project.nextId++};
    clip.at = at;
    placed.id = clip.id;
    eachTrack(placed.project, [&](Track& t) {
        if (t.id != *track) return false;
        const bool isHit = s->kind == hear::Kind::OneHit && !s->set;
        if (t.tighten && !isHit) clip.tighten = *t.tighten;
        t.clips.push_back(clip);
        return true;
    });
    return placed;
}

Result<Project> moveClips(const Project& p, const std::vector<ClipId>& ids, Beats by, int tracks) {
    if (auto may = mayChange(p, ids); !may) return tl::unexpected(may.error());
    if (!std::isfinite(by.value)) return base::problem("A clip cannot be moved by that.");
    const std::set<ClipId> moving(ids.begin(), ids.end());
    const Beats earliest = p.metre.startOfBar(-3);
    std::vector<std::vector<Clip>> arriving(p.tracks.size());
    Project out = p;
    for (std::size_t i = 0; i < p.tracks.size(); ++i) {
        auto track = std::make_shared<Track>(*p.tracks[i]);
        bool any = false;
        for (Clip& clip : track->clips) {
            if (moving.count(clip.id) == 0) continue;
            any = true;
            clip.at += by;
            if (startOf(p, *track, clip) < earliest || std::abs(clip.at.value) > furthest.value)
                return base::problem("A clip cannot lie that far from the beginning.");
            const auto to = static_cast<std::int64_t>(i) + tracks;
            if (to < 0 || to >= static_cast<std::int64_t>(p.tracks.size()))
                return base::problem("There is no track there.");
            if (tracks != 0) arriving[static_cast<std::size_t>(to)].push_back(clip);
        }
        // On its track a clip keeps its place in the list: what lies on top stays there.
        if (tracks != 0) std::erase_if(track->clips, [&](const Clip& c) { return moving.count(c.id) > 0; });
        if (any && (by != Beats(0) || tracks != 0)) out.tracks[i] = std::move(track);
    }
    for (std::size_t i = 0; i < arriving.size(); ++i) {
        if (arriving[i].empty()) continue;
        auto track = std::make_shared<Track>(*out.tracks[i]);
        track->clips.insert(track->clips.end(), arriving[i].begin(), arriving[i].end());
        out.tracks[i] = std::move(track);
    }
    return out;
}

Result<Project> removeClips(const Project& p, const std::vector<ClipId>& ids) {
    if (auto may = mayChange(p, ids); !may) return tl::unexpected(may.error());
    Project out = p;
    eachTrack(out, [&](Track& track) {
        return std::erase_if(track.clips, [&](const Clip& c) { return contains(ids, c.id); }) > 0;
    });
    return out;
}

Result<Project> setMethod(const Project& p, const std::vector<ClipId>& ids, stretch::Method method) {
    return withClips(p, ids, [method](Clip& c) { c.stretch.method = method; });
}

Result<Project> setRule(const Project& p, const std::vector<ClipId>& ids, std::optional<TimeRule> rule) {
    return withClips(p, ids, [rule](Clip& c) { c.rule = rule; });
}

Result<Project> fitNow(const Project& p, const std::vector<ClipId>& ids) {
    return withClips(p, ids, [&p](Clip& c) {
        const SourcePtr s = sourceOf(p, c.source);
        const TrackPtr track = trackOfClip(p, c.id);
        if (!s || !s->beats || rulingOf(p, *track, c, s.get()).follows) return;
        const Bpm now = p.tempo.tempoAt(startOf(p, c));
        const bool held = c.heldTempo && std::abs(c.heldTempo->value - now.value) < 1e-9;
        if (!held) c.heldTempo = now;
    });
}

Result<Project> setAsRecorded(const Project& p, const std::vector<ClipId>& ids) {
    return withClips(p, ids, [](Clip& c) {
        c.rule = TimeRule::Place;
        c.heldTempo.reset();
        c.countsAs.reset();
        c.followsKey = false;
        c.stretch.semitones = 0;
    });
}

Result<Project> setSensitivity(const Project& p, const std::vector<ClipId>& ids, double sensitivity) {
    if (auto fits = within(sensitivity, 0, 1, "A sensitivity", ""); !fits) return tl::unexpected(fits.error());
    return withClips(p, ids, [sensitivity](Clip& c) { c.stretch.sensitivity = sensitivity; });
}

Result<Project> setFollowsKey(const Project& p, const std::vector<ClipId>& ids, bool on) {
    return withClips(p, ids, [on](Clip& c) { c.followsKey = on; });
}

Result<Project> setToRelatives(const Project& p, const std::vector<ClipId>& ids, bool on) {
    return withClips(p, ids, [on](Clip& c) { c.toRelatives = on; });
}

Result<Project> setFlipped(const Project& p, const std::vector<ClipId>& ids, Side side, bool on) {
    return withClips(p, ids, [=](Clip& c) { (side == Side::Left ? c.flipLeft : c.flipRight) = on; });
}

Result<Project> setNormalise(const Project& p, const std::vector<ClipId>& ids, Normalise how,
                             const std::vector<double>& gainsDb) {
    if (how != Normalise::No && gainsDb.size() != ids.size())
        return base::problem("Not every clip's level was measured.");
    std::map<ClipId, double> gains;
    for (std::size_t i = 0; i < gainsDb.size() && i < ids.size(); ++i)
        gains[ids[i]] = std::clamp(gainsDb[i], quietestDb, -quietestDb);
    return withClips(p, ids, [&](Clip& c) {
        c.normalise = how;
        c.normaliseDb = how == Normalise::No ? 0 : gains[c.id];
    });
}

Result<Project> setClipMute(const Project& p, const std::vector<ClipId>& ids, bool on) {
    return withClips(p, ids, [on](Clip& c) { c.mute = on; });
}

Result<Project> setTint(const Project& p, const std::vector<ClipId>& ids, std::optional<int> tint) {
    return withClips(p, ids, [tint](Clip& c) { c.tint = tint; });
}

Result<Project> setName(const Project& p, const std::vector<ClipId>& ids, const std::string& name) {
    if (name.size() > longestName) return base::problem("A name has up to 1000 bytes.");
    int number = 0;
    return withClips(p, ids, [&](Clip& c) {
        ++number;
        c.name = name.empty() || ids.size() == 1 ? name : fmt::format("{} {}", name, number);
    });
}

Result<Project> setTranspose(const Project& p, const std::vector<ClipId>& ids, double semitones) {
    if (auto fits = within(semitones, -mostSemitones, mostSemitones, "A transposition", "semitones"); !fits)
        return tl::unexpected(fits.error());
    return withClips(p, ids, [semitones](Clip& c) { c.stretch.semitones = semitones; });
}

Result<Project> turnTranspose(const Project& p, const std::vector<ClipId>& ids, double by) {
    if (auto fits = within(by, -1000, 1000, "A turn", "semitones"); !fits) return tl::unexpected(fits.error());
    return withClips(p, ids, [by](Clip& c) {
        c.stretch.semitones = std::clamp(c.stretch.semitones + by, -mostSemitones, mostSemitones);
    });
}

Result<Project> setFormants(const Project& p, const std::vector<ClipId>& ids, bool kept) {
    return withClips(p, ids, [kept](Clip& c) { c.stretch.formants = kept; });
}

Result<Project> setQuiet(const Project& p, const std::vector<ClipId>& ids, bool on) {
    return withClips(p, ids, [on](Clip& c) { c.stretch.quiet = on; });
}

Result<Project> setGain(const Project& p, const std::vector<ClipId>& ids, double db) {
    if (auto fits = within(db, quietestDb, loudestDb, "A gain", "dB"); !fits) return tl::unexpected(fits.error());
    return withClips(p, ids, [db](Clip& c) { c.gainDb = db; });
}

Result<Project> turnGain(const Project& p, const std::vector<ClipId>& ids, double by) {
    if (auto fits = within(by, -1000, 1000, "A turn", "dB"); !fits) return tl::unexpected(fits.error());
    return withClips(p, ids, [by](Clip& c) { c.gainDb = std::clamp(c.gainDb + by, quietestDb, loudestDb); });
}

Result<Project> setChannels(const Project& p, const std::vector<ClipId>& ids, Channels channels) {
    return withClips(p, ids, [channels](Clip& c) { c.channels = channels; });
}

namespace {

Result<Project> withFade(const Project& p, const std::vector<ClipId>& ids, Fade fade, Fade Clip::*which) {
    if (auto fits = within(fade.length.value, 0, longestFade.value, "A fade", "s"); !fits)
        return tl::unexpected(fits.error());
    return withClips(p, ids, [&](Clip& c) { c.*which = fade; });
}

} // namespace

Result<Project> setFadeIn(const Project& p, const std::vector<ClipId>& ids, Fade fade) {
    return withFade(p, ids, fade, &Clip::fadeIn);
}

Result<Project> setFadeOut(const Project& p, const std::vector<ClipId>& ids, Fade fade) {
    return withFade(p, ids, fade, &Clip::fadeOut);
}

Result<Project> setLocked(const Project& p, const std::vector<ClipId>& ids, bool locked) {
    Project out = p;
    std::size_t found = 0;
    eachTrack(out, [&](Track& track) {
        for (Clip& c : track.clips)
            if (contains(ids, c.id)) {
                c.locked = locked;
                ++found;
            }
        return found > 0;
    });
    if (found == 0) return base::problem("That clip is no longer in the project.");
    return out;
}

} // namespace project
