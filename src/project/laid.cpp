#include "project/laid.h"

#include "project/counted.h"

#include "base/utf8.h"
#include "project/timing.h"

#include <algorithm>
#include <cmath>
#include <deque>
#include <fmt/format.h>

namespace project {

namespace {

constexpr Seconds longLoop(60);

constexpr double halfAFrame = 0.5;

// That a clip goes round at most: 25 hours of a loop of half a second.
constexpr std::int64_t mostLaidRounds = 180'000;

// The project beats, within (from, to), at which the line between source and output bends.
std::vector<Beats> bendsOf(const std::vector<Beats>& ofTempo, const metre::BeatMap& beats, Beats at, Beats from,
                           Beats to) {
    std::vector<Beats> list;
    // Before the first pin and after the last the line runs straight on.
    const auto& pins = beats.pins();
    const auto firstPin = std::partition_point(pins.begin() + 1, pins.end() - 1,
                                               [&](const metre::Pin& pin) { return at + pin.beat <= from; });
    for (auto pin = firstPin; pin < pins.end() - 1 && at + pin->beat < to; ++pin)
        list.push_back(at + pin->beat);
    const auto middle = static_cast<std::ptrdiff_t>(list.size());
    const auto first = std::upper_bound(ofTempo.begin(), ofTempo.end(), from);
    const auto last = std::lower_bound(first, ofTempo.end(), to);
    list.insert(list.end(), first, last);
    std::inplace_merge(list.begin(), list.begin() + middle, list.end());
    list.erase(std::unique(list.begin(), list.end()), list.end());
    return list;
}

// A rendering that clips are windows on.
struct Whole {
    RenderJobPtr job;
    Frames startFrame; // where its first frame would sound
    std::string problem;
};

// What a rendering is told apart by from the others of its source.
struct Rendered {
    Seconds from; // the part of the source
    Seconds to;
    Seconds lap; // by how much later it is heard, going round
    Beats at;    // where the source lies; 0 for what is not fitted
    bool follows = false;
    std::optional<Bpm> held;
    std::optional<Bpm> countsAs;
    Tighten tighten;
    stretch::Settings settings;
    bool operator==(const Rendered&) const = default;
};

class Layer {
  public:
    Layer(const Project& p, const std::vector<Beats>& bends) : p_(p), bends_(bends) {}

    Timing timingOf(const Clip& clip, const Source* source, const Ruling& ruling) {
        const ClipTime time(p_.tempo, clip, source, ruling.follows);
        Timing t;
        t.follows = ruling.follows;
        t.stretched = time.isFitted();
        t.start = time.projectBeatOf(clip.from);
        t.end = time.projectBeatOf(clip.to);
        t.startFrame = frameOf(time.heardAt(clip.from));
        // At its recorded speed it is as long as it was recorded, wherever it lies.
        t.length = sourceFrame(clip.to) - sourceFrame(clip.from);
        if (t.stretched) {
            Frames endFrame = frameOf(time.heardAt(clip.to));
            if (t.follows) {
                const bool isWholeLoop = source != nullptr && clip.stretch.loop && source->wholeBeats() &&
                                         clip.from == Seconds(0) && clip.to == source->wholeEnd();
                ontoBeat(t.start, t.startFrame, isWholeLoop);
                ontoBeat(t.end, endFrame, isWholeLoop);
            }
            t.length = endFrame - t.startFrame;
        }
        t.tempo = time.held() ? *time.held() : p_.tempo.tempoAt(t.start);
        t.hitsDrawn = time.hitsDrawn();
        t.hitsStuck = time.hitsStuck();
        t.steadyTempo = time.held() ? time.held() : p_.tempo.steadyTempo(t.start, t.end);
        if (source == nullptr) {
            t.problem = "The clip's source is no longer in the project.";
            return t;
        }
        if (!source->sound) {
            t.problem =
                fmt::format("{} is missing: {} was not found.", source->name, base::shownPath(source->file));
            return t;
        }
        if (t.length < Frames(1)) {
            t.problem = fmt::format("{} is too short here to be heard.", source->name);
            return t;
        }
        if (clip.followsKey) t.keyShift = shiftAt(clip, *source, t.start);
        addParts(t, clip, *source, ruling, time);
        if (!t.problem.empty()) t.parts.clear();
        return t;
    }

  private:
    // An edge that all but lies on a beat lies on it, and is rounded to a frame once, with all else that lies
    // there: so whole beats are as long as they are. A loop may begin a hair beside its first beat.
    void ontoBeat(Beats& beat, Frames& frame, bool isWholeLoop) const {
        const Beats whole(std::round(beat.value));
        const Frames there = frameAt(whole);
        const Frames near(isWholeLoop ? p_.rate / 1000 : 1);
        if (frame - there > near || there - frame > near) return;
        beat = whole;
        frame = there;
    }
    Frames frameOf(Seconds heard) const { return metre::toFrames(heard, p_.rate); }
    Frames frameAt(Beats b) const { return frameOf(p_.tempo.secondsAt(b)); }
    Frames sourceFrame(Seconds s) const { return metre::toFrames(s, p_.rate); }

    // Window by window: one for each turn, each cut where the key changes.
    void addParts(Timing& t, const Clip& clip, const Source& source, const Ruling& ruling, const ClipTime& time) {
        const auto first = time.placeOf(clip.from).round;
        const bool goesRound = time.turn().has_value();
        if (goesRound && time.placeOf(clip.to).round - first > mostLaidRounds) {
            t.problem = fmt::format("{} loops more than {} times here.", source.name, mostLaidRounds);
            return;
        }
        Frames begin = t.startFrame;
        const Frames end = t.startFrame + t.length;
        for (std::int64_t round = first; begin < end; ++round) {
            Frames until = end;
            if (goesRound)
                until =
                    std::min(end, frameOf(time.heardAt(time.turn()->to + time.turn()->length() * double(round))));
            if (until <= begin) continue;
            for (Frames from = begin; from < until;) {
                stretch::Settings settings = settingsOf(clip, ruling, time);
                Frames to = until;
                if (clip.followsKey) {
                    const Beats here =
                        p_.tempo.beatAt(metre::toSeconds(from, p_.rate) + Seconds(halfAFrame / p_.rate));
                    if (const auto shift = shiftAt(clip, source, here))
                        settings.semitones = std::clamp(settings.semitones + *shift, -mostSemitones, mostSemitones);
                    to = std::min(until, nextKeyChange(clip, source, here, until));
                }
                const Whole& whole = wholeOf(clip, source, time, settings, goesRound ? round : 0);
                if (!whole.problem.empty()) {
                    t.problem = whole.problem;
                    return;
                }
                const bool keyChanged = !t.parts.empty() && from > begin;
                Frames offset = from - whole.startFrame;
                if (!time.isFitted()) { // recorded frames lie where they lie
                    const Seconds u = clip.from + metre::toSeconds(from - t.startFrame, p_.rate);
                    const Seconds lap = goesRound ? time.turn()->length() * double(round) : Seconds(0);
                    offset = std::max(Frames(0), sourceFrame(u - lap) - whole.job->map.points().front().source);
                }
                t.parts.push_back({from - t.startFrame, to - from, whole.job, offset,
                                   keyChanged ? Frames(p_.rate / 100) : Frames(0)});
                from = to;
            }
            begin = until;
        }
    }

    stretch::Settings settingsOf(const Clip& clip, const Ruling& ruling, const ClipTime& time) const {
        stretch::Settings s = clip.stretch;
        s.slices = entryOf(ruling.rule).isCut && time.isFitted();
        if (!s.slices) s.sensitivity = 0.5; // it makes no difference then
        if (!time.isFitted()) s.loop = false;
        // Of what is long and comes round once nobody hears the seam; a circle costs a copy of all of it.
        if (s.loop && time.turn() && time.turn()->length() > longLoop && clip.to <= time.turn()->to + Seconds(1e-6))
            s.loop = false;
        return s;
    }

    std::optional<double> shiftAt(const Clip& clip, const Source& source, Beats at) const {
        if (!source.key || !canFollowKey(source.kind)) return std::nullopt;
        const auto key = p_.keys.keyAt(p_.metre.barAt(at));
        if (!key) return std::nullopt;
        return semitonesInto(*source.key, *key, clip.toRelatives);
    }

    // The first frame, up to `until`, from which the key asks for another transposition.
    Frames nextKeyChange(const Clip& clip, const Source& source, Beats here, Frames until) const {
        const auto now = shiftAt(clip, source, here);
        for (const KeyPoint& point : p_.keys.points()) {
            const Beats at = p_.metre.startOfBar(point.bar);
            if (at <= here) continue;
            if (frameAt(at) >= until) break;
            if (shiftAt(clip, source, at) != now) return frameAt(at);
        }
        return until;
    }

    // What a turn's window is on: the whole source, up to the end of the turn where it goes round; later turns
    // begin where they begin. Made once for all clips that share it.
    const Whole& wholeOf(const Clip& clip, const Source& source, const ClipTime& time,
                         const stretch::Settings& settings, std::int64_t round) {
        const bool goesRound = time.turn().has_value();
        Seconds from(0);
        Seconds to = std::max(source.length(), source.wholeEnd());
        if (goesRound) {
            to = time.turn()->to;
            if (round > 0) from = time.turn()->from;
        } else {
            to = std::max(to, clip.to);
            from = std::min(from, clip.from);
        }
        const Seconds lap = goesRound ? time.turn()->length() * double(round) : Seconds(0);
        const Rendered wanted{from,           to,          lap,           time.isFitted() ? clip.at : Beats(0),
                              time.follows(), time.held(), clip.countsAs, clip.tighten,
                              settings};
        auto& ofSource = wholes_[source.id.value];
        for (auto& [rendered, whole] : ofSource)
            if (rendered == wanted) return whole;
        Whole& whole = ofSource.emplace_back(wanted, Whole()).second;
        auto map = mapOf(time, clip.at, from, to, lap);
        // Beyond the clip it may go too far.
        if (!map && !goesRound && (from < clip.from || to > clip.to)) {
            ofSource.pop_back(); // others that share it have parts of their own
            map = mapOf(time, clip.at, clip.from, clip.to, lap);
            own_ = {};
            if (map)
                own_ = {jobOf(source, std::move(*map), settings), frameOf(time.heardAt(clip.from + lap)), {}};
            else
                own_.problem = fmt::format("{} cannot be fitted. {}", source.name, map.error().text);
            return own_;
        }
        if (!map) {
            whole.problem = fmt::format("{} cannot be fitted. {}", source.name, map.error().text);
            return whole;
        }
        whole.startFrame = frameOf(time.heardAt(from + lap));
        whole.job = jobOf(source, std::move(*map), settings);
        return whole;
    }

    Result<metre::TimeMap> mapOf(const ClipTime& time, Beats at, Seconds from, Seconds to, Seconds lap) const {
        const metre::TimePoint first{sourceFrame(from), Frames(0)};
        if (!time.isFitted())
            return metre::TimeMap::make({first, {sourceFrame(to), sourceFrame(to) - sourceFrame(from)}});
        // The end of a turn is the beginning of the next; within this one it is still its end.
        const Beats lapBeats = lap.value > 0 ? time.beatOf(from + lap) - time.beats().beatAt(from) : Beats(0);
        const Beats begins = time.beats().beatAt(from) + lapBeats;
        const Beats ends = time.beats().beatAt(to) + lapBeats;
        const auto heardFrame = [&](Beats b) { // of the source's beats, counted on
            if (time.follows()) return frameAt(at + b);
            return frameOf(p_.tempo.secondsAt(at) + Seconds(b.value * 60 / time.held()->value));
        };
        const Frames start = heardFrame(begins);
        const metre::TimePoint last{sourceFrame(to), heardFrame(ends) - start};
        std::vector<metre::TimePoint> points{first};
        static const std::vector<Beats> none;
        const Beats shift = at + lapBeats; // from the source's own beats to the project's
        for (const Beats b : bendsOf(time.follows() ? bends_ : none, time.beats(), shift, at + begins, at + ends)) {
            const metre::TimePoint m{sourceFrame(time.beats().secondsAt(b - shift)), heardFrame(b - at) - start};
            // Two bends within a frame of each other are one.
            const bool apart = m.source > points.back().source && m.output > points.back().output &&
                               m.source < last.source && m.output < last.output;
            if (apart) points.push_back(m);
        }
        points.push_back(last);
        return metre::TimeMap::make(std::move(points));
    }

    const Project& p_;
    const std::vector<Beats>& bends_;
    std::unordered_map<std::int64_t, std::deque<std::pair<Rendered, Whole>>> wholes_; // by source
    Whole own_;                                                                       // of a clip that shares none
};

std::shared_ptr<const std::unordered_map<std::int64_t, SourcePtr>>
byNumber(const base::SharedList<SourcePtr>& sources) {
    auto list = std::make_shared<std::unordered_map<std::int64_t, SourcePtr>>();
    for (const SourcePtr& s : sources)
        list->emplace(s->id.value, s);
    return list;
}

Chain chainOf(const Clip& clip, const Track& track, bool anySolo) {
    return {!clip.mute && !track.mute && (!anySolo || track.solo),
            clip.gainDb + (clip.normalise == Normalise::No ? 0 : clip.normaliseDb),
            track.gainDb,
            track.pan,
            clip.channels,
            clip.fadeIn,
            clip.fadeOut,
            clip.flipLeft,
            clip.flipRight};
}

} // namespace

std::span<const LaidClip> Laid::onTrack(std::size_t index) const {
    if (index + 1 >= clips_->trackBegins.size()) return {};
    return std::span(clips_->list)
        .subspan(clips_->trackBegins[index], clips_->trackBegins[index + 1] - clips_->trackBegins[index]);
}

const LaidClip* Laid::find(ClipId id) const {
    const auto at = clips_->places.find(id.value);
    return at == clips_->places.end() ? nullptr : &clips_->list[at->second];
}

LaidPtr lay(const Project& p, const LaidPtr& before) {
    auto out = std::make_shared<Laid>();
    out->project_ = p;
    const bool sameTempo = before && before->project_.rate == p.rate && before->project_.tempo == p.tempo;
    out->bends_ =
        sameTempo
            ? before->bends_
            : std::make_shared<const std::vector<Beats>>(p.tempo.bends(Beats(1e12), Seconds(halfAFrame / p.rate)));
    out->sources_ =
        before && before->project_.sources.isSharedWith(p.sources) ? before->sources_ : byNumber(p.sources);
    const bool sameKeys = before && before->project_.keys == p.keys && before->project_.metre == p.metre;
    const bool sameTimeline = before && static_cast<const Timeline&>(before->project_) == p;
    if (sameTimeline && before->project_.tracks == p.tracks && before->project_.sources == p.sources) {
        out->clips_ = before->clips_;
        return out;
    }
    Layer layer(p, *out->bends_);
    const bool anySolo = std::any_of(p.tracks.begin(), p.tracks.end(), [](const TrackPtr& t) { return t->solo; });
    auto clips = std::make_shared<Laid::Clips>();
    for (std::size_t i = 0; i < p.tracks.size(); ++i) {
        clips->trackBegins.push_back(clips->list.size());
        for (const Clip& clip : p.tracks[i]->clips) {
            LaidClip laid;
            laid.track = p.tracks[i];
            laid.trackIndex = i;
            laid.clip = &clip;
            if (const auto found = out->sources_->find(clip.source.value); found != out->sources_->end())
                laid.recording = found->second;
            const LaidClip* old = sameTempo ? before->find(clip.id) : nullptr;
            const Ruling ruling = rulingOf(p, *p.tracks[i], clip, laid.recording.get());
            const bool isCountedAlike =
                old != nullptr && old->recording == laid.recording && old->clip->countsAs == clip.countsAs;
            laid.source = isCountedAlike ? old->source : countedBy(laid.recording, clip);
            laid.rule = ruling.rule;
            laid.ruleFrom = ruling.from;
            if (isCountedAlike && static_cast<const Placement&>(*old->clip) == clip && old->rule == ruling.rule &&
                old->time().follows == ruling.follows && (sameKeys || !clip.followsKey)) {
                laid.timing = old->timing;
            } else {
                laid.timing = std::make_shared<const Timing>(layer.timingOf(clip, laid.source.get(), ruling));
                ++out->laidAnew_;
            }
            laid.chain = chainOf(clip, *p.tracks[i], anySolo);
            clips->end = std::max(clips->end, laid.timing->end);
            clips->places.emplace(clip.id.value, clips->list.size());
            clips->list.push_back(std::move(laid));
        }
    }
    clips->trackBegins.push_back(clips->list.size());
    out->clips_ = std::move(clips);
    return out;
}

} // namespace project
