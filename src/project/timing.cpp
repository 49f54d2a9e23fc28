#include "project/timing.h"

#include "project/counted.h"
#include "project/pins.h"
#include "project/tighten.h"

#include <algorithm>
#include <cmath>

namespace project {

bool leads(const Project& p, const Clip& clip) {
    return p.lead && clip.source == p.lead->source && clip.at == p.lead->at;
}

Ruling rulingOf(const Project& p, const Track& track, const Clip& clip, const Source* source) {
    if (leads(p, clip)) return {TimeRule::Place, RuleFrom::Lead, false};
    Ruling r{p.rule, RuleFrom::Project, false};
    if (track.rule) r = {*track.rule, RuleFrom::Track, false};
    if (clip.rule) r = {*clip.rule, RuleFrom::Clip, false};
    if (!entryOf(r.rule).needsBeats) return r;
    if (source == nullptr || !source->beats) return {TimeRule::Place, RuleFrom::Source, false};
    r.follows = p.following && source->following;
    return r;
}

ClipTime::ClipTime(const metre::TempoMap& tempo, const Clip& clip, const Source* source, bool follows)
    : tempo_(tempo), clip_(clip), follows_(follows) {
    const bool beats = source != nullptr && source->beats.has_value();
    if (beats && countsOtherwise(clip, *source)) {
        counted_ = std::make_shared<const Source>(countedAs(*source, *clip.countsAs));
        source = counted_.get();
    }
    if (beats) beats_ = source->fitted();
    if (beats) downbeat_ = beats_->secondsAt(Beats(0));
    if (!follows && beats) held_ = clip.heldTempo;
    if (beats && clip.tighten.percent > 0 && isFitted()) tighten(*source);
    if (!clip.stretch.loop || source == nullptr) return;
    Turn turn{clip.turn ? clip.turn->from : downbeat_, clip.turn ? clip.turn->to : source->wholeEnd()};
    if (turn.length() < Seconds(shortestTurn)) return;
    turn_ = turn;
    if (beats) turnBeats_ = beats_->beatAt(turn.to) - beats_->beatAt(turn.from);
}

// What a recording without a feel is asked for is left undone: it may have lost its beats since.
void ClipTime::tighten(const Source& source) {
    const auto own = feelOf(source, clip_.tighten.grid);
    if (!own) return;
    std::vector<Seconds> fixed{Seconds(0), source.wholeEnd(), source.length()};
    // The members of a set may end at different moments; what they are bent by must not.
    if (source.set && !source.sound->onsets.empty()) {
        const Seconds last = metre::toSeconds(source.sound->onsets.back().at, source.sound->audio.rate);
        fixed = {Seconds(0), beats_->secondsAt(Beats(std::ceil(beats_->beatAt(last).value) + 1))};
    }
    if (clip_.stretch.loop) fixed.push_back(clip_.turn ? clip_.turn->from : downbeat_);
    if (clip_.stretch.loop && clip_.turn) fixed.push_back(clip_.turn->to);
    const HeardBeat heardBeat = [this](Beats b) {
        return Seconds(60 / (held_ ? held_->value : tempo_.tempoAt(clip_.at + b).value));
    };
    // What somebody set by hand stays there.
    for (const SourcePin& pin : pinsOf(source))
        if (pin.byHand) fixed.push_back(pin.at);
    Drawn drawn = drawnTo(source, *beats_, clip_.tighten, *own, fixed, heardBeat);
    beats_ = std::move(drawn.beats);
    hitsDrawn_ = drawn.drawn;
    hitsStuck_ = drawn.stuck;
}

ClipTime::Place ClipTime::placeOf(Seconds u) const {
    // A hair before the end of a turn is its end: what was added up is not exact.
    constexpr double hair = 1e-9;
    if (!turn_ || u.value < turn_->to.value - hair) return {0, u};
    const double length = turn_->length().value;
    const double round = std::floor((u - turn_->from).value / length + hair / length);
    return {static_cast<std::int64_t>(round), u - Seconds(round * length)};
}

Beats ClipTime::beatOf(Seconds u) const {
    const Place place = placeOf(u);
    return beats_->beatAt(place.in) + turnBeats_ * double(place.round);
}

Seconds ClipTime::at(Beats b) const {
    if (!turn_ || b <= beats_->beatAt(turn_->to)) return beats_->secondsAt(b);
    const Beats from = beats_->beatAt(turn_->from);
    const double round = std::floor((b - from).value / turnBeats_.value + 1e-12);
    return beats_->secondsAt(b - turnBeats_ * round) + turn_->length() * round;
}

Seconds ClipTime::heardAt(Seconds u) const {
    if (follows_) return tempo_.secondsAt(clip_.at + beatOf(u));
    const Seconds zero = tempo_.secondsAt(clip_.at);
    if (held_) return zero + Seconds(beatOf(u).value * 60 / held_->value);
    return zero + (u - downbeat_);
}

Beats ClipTime::projectBeatOf(Seconds u) const {
    if (follows_) return clip_.at + beatOf(u);
    return tempo_.beatAt(heardAt(u));
}

Seconds ClipTime::at(Seconds heard) const {
    if (follows_) return at(tempo_.beatAt(heard) - clip_.at);
    const Seconds since = heard - tempo_.secondsAt(clip_.at);
    if (held_) return at(Beats(since.value * held_->value / 60));
    return since + downbeat_;
}

Seconds ClipTime::momentAt(Beats b) const {
    return follows_ ? at(b - clip_.at) : at(tempo_.secondsAt(b));
}

Beats beatsFilled(const Clip& clip, const Source& source, const ClipTime& time) {
    constexpr double hair = 1e-6;
    if (time.turn() && clip.to > time.turn()->to + Seconds(hair)) return time.turnBeats();
    const bool whole = std::abs(clip.from.value) < hair && std::abs((clip.to - source.wholeEnd()).value) < hair;
    return whole ? source.endBeat() : time.beatOf(clip.to) - time.beatOf(clip.from);
}

Beats startOf(const Project& p, const Track& track, const Clip& clip) {
    const SourcePtr s = sourceOf(p, clip.source);
    const ClipTime time(p.tempo, clip, s.get(), rulingOf(p, track, clip, s.get()).follows);
    return time.projectBeatOf(clip.from);
}
Beats endOf(const Project& p, const Track& track, const Clip& clip) {
    const SourcePtr s = sourceOf(p, clip.source);
    const ClipTime time(p.tempo, clip, s.get(), rulingOf(p, track, clip, s.get()).follows);
    return time.projectBeatOf(clip.to);
}

namespace {
// A clip that is on no track yet has no rule but its own and the project's.
const Track& trackWith(const Project& p, const Clip& clip) {
    static const Track none;
    const TrackPtr t = trackOfClip(p, clip.id);
    return t ? *t : none; // kept alive by the project
}
} // namespace

Beats startOf(const Project& p, const Clip& clip) {
    return startOf(p, trackWith(p, clip), clip);
}
Beats endOf(const Project& p, const Clip& clip) {
    return endOf(p, trackWith(p, clip), clip);
}

bool holdOrFollow(const Project& p, const Track& track, Clip& clip, bool follow) {
    if (follow) {
        const bool was = clip.heldTempo.has_value();
        clip.heldTempo.reset();
        return was;
    }
    const SourcePtr s = sourceOf(p, clip.source);
    const Ruling ruling = rulingOf(p, track, clip, s.get());
    if (!ruling.follows) return false;
    const ClipTime time(p.tempo, clip, s.get(), true);
    const Beats beats = time.beatOf(clip.to) - time.beatOf(clip.from);
    const Seconds seconds = time.heardAt(clip.to) - time.heardAt(clip.from);
    clip.heldTempo = Bpm(60 * beats.value / seconds.value);
    return true;
}

} // namespace project
