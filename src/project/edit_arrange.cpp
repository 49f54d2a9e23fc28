#include "project/edit_arrange.h"

#include "metre/snap.h"
#include "metre/tempo.h"
#include "project/changed.h"
#include "project/each_with_time.h"
#include "project/edit_clips.h"
#include "project/edit_sources.h"
#include "project/sets.h"
#include "project/timing.h"

#include <algorithm>
#include <cmath>
#include <map>
#include <set>

namespace project {

namespace {

constexpr Seconds shortest(0.0002); // of a clip that is cut out of another
// What an edge is brought to: shorter is a click, and cannot be taken hold of again.
constexpr Seconds shortestTrimmed(0.005);
constexpr std::size_t mostSlices = 20000;

// Puts the parts of each clip in its place: `cuts` says at which moments of its own time it is cut.
template <class Cuts>
Result<Arranged> cutClips(const Project& p, const std::vector<ClipId>& ids, const Cuts& cuts) {
    if (auto may = mayChange(p, ids); !may) return tl::unexpected(may.error());
    const std::set<ClipId> chosen = setOf(ids);
    Arranged out{p, {}};
    for (TrackPtr& track : out.project.tracks) {
        if (std::none_of(track->clips.begin(), track->clips.end(),
                         [&](const Clip& c) { return chosen.count(c.id) > 0; }))
            continue;
        auto copy = std::make_shared<Track>(*track);
        copy->clips.clear();
        for (const Clip& clip : track->clips) {
            copy->clips.push_back(clip);
            if (chosen.count(clip.id) == 0) continue;
            out.clips.push_back(clip.id);
            const SourcePtr s = countedBy(sourceOf(p, clip.source), clip);
            if (!s) continue;
            std::vector<Seconds> moments = cuts(timeOf(p, *track, clip, s.get()), clip, *s);
            std::erase_if(moments, [&](Seconds u) { return u < clip.from + shortest || u > clip.to - shortest; });
            std::sort(moments.begin(), moments.end());
            if (out.clips.size() + moments.size() > mostSlices)
                return base::problem("That would be more than 20000 clips.");
            for (const Seconds u : moments) {
                Clip next = copy->clips.back();
                if (u - next.from < shortest) continue;
                copy->clips.back().to = u;
                copy->clips.back().fadeOut.length = Seconds(0);
                next.id = ClipId{out.project.nextId++};
                next.from = u;
                next.fadeIn.length = Seconds(0);
                out.clips.push_back(next.id);
                copy->clips.push_back(std::move(next));
            }
            // The last part ends as the clip did.
            copy->clips.back().fadeOut = clip.fadeOut;
        }
        track = std::move(copy);
    }
    return out;
}

// Lets two clips that touch at a beat go on beyond it and cross over, as far as both have sound for it.
bool cross(const Project& p, const Track& track, Clip& a, Clip& b, Beats edge, Seconds length) {
    const SourcePtr sa = sourceOf(p, a.source);
    const SourcePtr sb = sourceOf(p, b.source);
    if (!sa || !sb) return false;
    const ClipTime ta = timeOf(p, track, a, sa.get());
    const ClipTime tb = timeOf(p, track, b, sb.get());
    const Seconds heard = p.tempo.secondsAt(edge);
    Seconds to = ta.at(heard + length * 0.5);
    if (!ta.turn()) to = std::min(to, std::max({sa->length(), sa->wholeEnd(), a.to}));
    const Seconds from = std::max(Seconds(0), tb.at(heard - length * 0.5));
    const Seconds over = ta.heardAt(to) - tb.heardAt(from);
    if (over < Seconds(0.0005)) return false;
    a.to = to;
    b.from = from;
    a.fadeOut = {over, Fade::Shape::EqualPower};
    b.fadeIn = {over, Fade::Shape::EqualPower};
    return true;
}

// Clips that have become longer push what came after them on their track along, by as much as it takes: nothing
// comes to lie under another that lay free before. Fails where a locked clip is in the way.
Result<Project> pushed(const Project& before, Project after, const std::vector<ClipId>& ids) {
    constexpr double hair = 1e-6;
    for (const ClipId id : ids) {
        const TrackPtr track = trackOfClip(after, id);
        const Clip* was = clipOf(before, id);
        const Clip* is = clipOf(after, id);
        if (!track || was == nullptr || is == nullptr) continue;
        const Beats oldEnd = endOf(before, *was);
        const Beats newEnd = endOf(after, *is);
        std::optional<Beats> next;
        std::vector<ClipId> later;
        for (const Clip& c : track->clips) {
            if (c.id == id) continue;
            const Beats start = startOf(after, *track, c);
            if (start.value < oldEnd.value - hair) continue;
            later.push_back(c.id);
            if (!next || start < *next) next = start;
        }
        if (!next || newEnd.value <= next->value + hair) continue;
        auto moved = moveClips(after, later, newEnd - *next, 0);
        if (!moved) return moved;
        after = std::move(*moved);
    }
    return after;
}

} // namespace

Result<Arranged> split(const Project& p, const std::vector<ClipId>& ids, Beats at) {
    auto out = cutClips(p, ids, [at](const ClipTime& time, const Clip& clip, const Source&) {
        const Seconds u = time.momentAt(at);
        return u > clip.from && u < clip.to ? std::vector<Seconds>{u} : std::vector<Seconds>{};
    });
    if (out && out->clips.size() == ids.size())
        return base::problem("None of these clips goes on across that place.");
    return out;
}

Result<Arranged> sliceEqually(const Project& p, const std::vector<ClipId>& ids, int n) {
    if (n < 2 || n > static_cast<int>(mostSlices)) return base::problem("A clip is cut into 2 to 20000 parts.");
    return cutClips(p, ids, [n](const ClipTime& time, const Clip& clip, const Source&) {
        std::vector<Seconds> list;
        for (int k = 1; k < n; ++k) {
            const double x = double(k) / n;
            if (time.follows())
                list.push_back(
                    time.at(time.beatOf(clip.from) + (time.beatOf(clip.to) - time.beatOf(clip.from)) * x));
            else
                list.push_back(clip.from + (clip.to - clip.from) * x);
        }
        return list;
    });
}

Result<Arranged> sliceAtOnsets(const Project& p, const std::vector<ClipId>& ids, double sensitivity) {
    return cutClips(p, ids, [&](const ClipTime& time, const Clip& clip, const Source& s) {
        std::vector<Seconds> list;
        if (!s.sound) return list;
        const std::vector<Frames> starts = sliceStarts(*s.sound, sensitivity);
        const std::int64_t rounds = time.placeOf(clip.to).round;
        for (std::int64_t round = 0; round <= rounds; ++round)
            for (const Frames a : starts) {
                const Seconds in = metre::toSeconds(a, s.sound->audio.rate);
                if (time.turn() && (in >= time.turn()->to || (round > 0 && in < time.turn()->from))) continue;
                list.push_back(in + (time.turn() ? time.turn()->length() * double(round) : Seconds(0)));
            }
        return list;
    });
}

Result<Project> trim(const Project& p, const std::vector<ClipId>& ids, Side side, Beats by) {
    if (!std::isfinite(by.value)) return base::problem("A clip cannot be trimmed by that.");
    return eachWithTime(p, ids, [&](Clip& c, const ClipTime& time, const Source& s) -> Result<void> {
        Seconds& edge = side == Side::Left ? c.from : c.to;
        Seconds u = time.momentAt(time.projectBeatOf(edge) + by);
        if (side == Side::Left)
            u = std::max(u, Seconds(0));
        else if (!time.turn())
            u = std::min(u, std::max({s.length(), s.wholeEnd(), c.to}));
        const Seconds left = side == Side::Left ? c.to - u : u - c.from;
        if (left < shortestTrimmed && left < c.to - c.from)
            return base::problem(fmt::format("Nothing of {} would be left: a clip lasts 5 ms or more.", s.name));
        edge = u;
        return {};
    });
}

Result<Project> trimSilence(const Project& p, const std::vector<ClipId>& ids) {
    return eachWithTime(p, ids, [](Clip& c, const ClipTime&, const Source& s) -> Result<void> {
        if (!s.sound) return {};
        const sound::Audio& audio = s.sound->audio;
        constexpr float audible = 0.001F;
        const auto begin = std::max<std::int64_t>(0, metre::toFrames(c.from, audio.rate).value);
        const auto end = std::min(audio.frames().value, metre::toFrames(c.to, audio.rate).value);
        for (std::int64_t f = begin; f < end; ++f)
            for (const auto& samples : audio.channels)
                if (std::abs(samples[static_cast<std::size_t>(f)]) >= audible) {
                    // A millisecond before, so that the attack is whole.
                    const Seconds at = metre::toSeconds(Frames(f), audio.rate) - Seconds(0.001);
                    if (at > c.from && at < c.to - shortest) c.from = at;
                    return {};
                }
        return base::problem(fmt::format("{} is silent where this clip plays it.", s.name));
    });
}

Result<Project> repeatUntil(const Project& p, ClipId id, Beats end) {
    auto longer = eachWithTime(p, {id}, [&](Clip& c, const ClipTime& time, const Source& s) -> Result<void> {
        if (end <= time.projectBeatOf(c.from)) return base::problem("A clip ends after it begins.");
        const bool wasWhole = time.turn().has_value();
        if (!wasWhole) {
            // From the first downbeat it plays, or where it begins.
            Seconds from = c.from;
            if (s.beats && c.from < time.downbeat() && time.downbeat() < c.to) from = time.downbeat();
            if ((c.to - from).value < shortestTurn) return base::problem("That is too short to loop.");
            c.turn = Marks{from, c.to};
            c.stretch.loop = true;
        }
        const ClipTime round(p.tempo, c, &s, time.follows());
        c.to = std::max(c.from + shortest, round.momentAt(end));
        return {};
    });
    return longer ? pushed(p, std::move(*longer), {id}) : longer;
}

Result<Project> setRepeats(const Project& p, const std::vector<ClipId>& ids, double times) {
    if (auto fits = within(times, 0.05, mostRounds, "A number of repeats", "times"); !fits)
        return tl::unexpected(fits.error());
    auto longer = eachWithTime(p, ids, [&](Clip& c, const ClipTime& time, const Source&) -> Result<void> {
        if (!time.turn()) {
            if ((c.to - c.from).value < shortestTurn) return base::problem("That is too short to loop.");
            if (times == 1) return {};
            c.turn = Marks{c.from, c.to};
            c.stretch.loop = true;
        }
        const Seconds from = c.turn ? c.turn->from : time.turn()->from;
        const Seconds length = c.turn ? c.turn->to - c.turn->from : time.turn()->length();
        c.to = std::max(from + length * times, c.from + shortest);
        return {};
    });
    return longer ? pushed(p, std::move(*longer), ids) : longer;
}

Result<Project> setTurn(const Project& p, const std::vector<ClipId>& ids, Beats from, Beats to) {
    if (!(from < to)) return base::problem("A loop ends after it begins.");
    return eachWithTime(p, ids, [&](Clip& c, const ClipTime& time, const Source& s) -> Result<void> {
        if (!s.beats) return base::problem(fmt::format("{} has no beats to count in.", s.name));
        const Marks turn{std::max(Seconds(0), s.beats->secondsAt(from)), s.beats->secondsAt(to)};
        if (turn.to > std::max(s.length(), s.wholeEnd()) + Seconds(1e-6) ||
            turn.to - turn.from < Seconds(shortestTurn))
            return base::problem(
                fmt::format("{} has {:.2f} beats; the loop lies within them.", s.name, s.endBeat().value));
        const Beats length = time.beatOf(c.to) - time.beatOf(c.from);
        c.turn = turn;
        c.stretch.loop = true;
        // It begins with what goes round, where it began.
        const Beats begins = time.beatOf(c.from);
        c.from = turn.from;
        const ClipTime round(p.tempo, c, &s, time.follows());
        const Beats turnBegins = round.beats().beatAt(turn.from);
        c.at += begins - turnBegins;
        c.to = std::max(c.from + shortest, round.at(turnBegins + length));
        return {};
    });
}

Result<Project> playMarked(const Project& p, const std::vector<ClipId>& ids) {
    return eachWithTime(p, ids, [&](Clip& c, const ClipTime& time, const Source& s) -> Result<void> {
        if (!s.marks) return base::problem(fmt::format("Nothing of {} is marked.", s.name));
        // It begins on the bar line at or before where the clip began, and not before bar 1.
        const Beats began = std::max(Beats(0), time.projectBeatOf(c.from));
        const Beats line = p.metre.startOfBar(p.metre.barAt(began + Beats(1e-6)));
        c.from = s.marks->from;
        c.to = s.marks->to;
        c.turn = s.marks;
        c.stretch.loop = true;
        // Where its beat 0 lies then, by its own time laid out at the line.
        c.at = line;
        const ClipTime there(p.tempo, c, &s, time.follows());
        if (there.follows())
            c.at = line - there.beatOf(c.from);
        else
            c.at = p.tempo.beatAt(p.tempo.secondsAt(line) - (there.heardAt(c.from) - p.tempo.secondsAt(line)));
        return {};
    });
}

Result<Project> setGoesRound(const Project& p, const std::vector<ClipId>& ids, bool on) {
    return eachWithTime(p, ids, [&](Clip& c, const ClipTime& time, const Source& s) -> Result<void> {
        if (on == c.stretch.loop) return {};
        c.stretch.loop = on;
        if (!on) {
            c.turn.reset();
            c.to = std::min(c.to, std::max(s.length(), s.wholeEnd()));
            if (c.from > c.to - shortest) {
                c.from = time.placeOf(c.from).in;
                c.to = std::max(c.from + shortest, time.turn()->to);
            }
        } else if (!s.wholeBeats() || c.from > Seconds(0) || c.to < s.wholeEnd()) {
            if ((c.to - c.from).value < shortestTurn) return base::problem("That is too short to loop.");
            c.turn = Marks{c.from, c.to};
        }
        return {};
    });
}

Result<Project> setOffset(const Project& p, const std::vector<ClipId>& ids, Beats sourceBeat) {
    return eachWithTime(p, ids, [&](Clip& c, const ClipTime& time, const Source& s) -> Result<void> {
        if (!s.beats) return base::problem(fmt::format("{} has no beats to count in.", s.name));
        const Seconds from = time.at(sourceBeat);
        const Beats length = time.beatOf(c.to) - time.beatOf(c.from);
        const Seconds to = time.follows() ? time.at(sourceBeat + length) : from + (c.to - c.from);
        const Seconds last = std::max({s.length(), s.wholeEnd(), c.to});
        if (from < Seconds(-1e-9) || (!time.turn() && to > last + Seconds(1e-6)))
            return base::problem(fmt::format("{} has no such beat to begin with.", s.name));
        c.at -= sourceBeat - time.beatOf(c.from);
        c.from = std::max(Seconds(0), from);
        c.to = to;
        return {};
    });
}

Result<Project> crossTouching(const Project& p, const std::vector<ClipId>& ids, Seconds length) {
    if (auto fits = within(length.value, 0.001, longestFade.value, "A crossing", "s"); !fits)
        return tl::unexpected(fits.error());
    if (auto may = mayChange(p, ids); !may) return tl::unexpected(may.error());
    const std::set<ClipId> chosen = setOf(ids);
    Project out = p;
    bool found = false;
    for (TrackPtr& track : out.tracks) {
        auto copy = std::make_shared<Track>(*track);
        struct Edges {
            Clip* clip;
            Beats start;
            Beats end;
        };
        std::vector<Edges> edges;
        for (Clip& c : copy->clips)
            if (chosen.count(c.id) > 0) edges.push_back({&c, startOf(p, *track, c), endOf(p, *track, c)});
        std::sort(edges.begin(), edges.end(), [](const Edges& x, const Edges& y) { return x.start < y.start; });
        bool any = false;
        for (const Edges& first : edges) {
            const auto second = std::lower_bound(edges.begin(), edges.end(), first.end - Beats(1e-6),
                                                 [](const Edges& x, Beats b) { return x.start < b; });
            if (second == edges.end() || std::abs((second->start - first.end).value) > 1e-6) continue;
            any = cross(p, *track, *first.clip, *second->clip, first.end, length) || any;
        }
        if (any) track = std::move(copy);
        found = found || any;
    }
    if (!found)
        return base::problem("No two of these clips touch with sound beyond their edges to cross over with.");
    return out;
}

Result<Project> bringTo(const Project& p, const std::vector<ClipId>& ids, Beats at) {
    if (auto may = mayChange(p, ids); !may) return tl::unexpected(may.error());
    // The first downbeat of the first one, not its first sample, comes to lie there.
    Beats first(1e18);
    for (const ClipId id : ids)
        first = std::min(first, clipOf(p, id)->at);
    return moveClips(p, ids, at - first, 0);
}

} // namespace project
