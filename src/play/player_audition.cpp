// What is auditioned: a guest among the project's clips while it plays, in its place while it stands still.
#include "metre/snap.h"
#include "play/player.h"

#include <algorithm>
#include <cmath>

namespace play {

using metre::Beats;

namespace {

constexpr double margin = 0.08; // seconds before a bar line in which it is too late for it
constexpr Beats coverAhead{64}; // a guest is there for so much of what comes
constexpr Beats coverLeast{16}; // and laid anew when no more than that is left
constexpr Beats hair{1e-6};

} // namespace

std::vector<Guest> Player::guests() const {
    std::vector<Guest> list;
    for (const auto* guest : {&heardGuest_, &nextGuest_})
        if (*guest) list.push_back(**guest);
    return list;
}

// What is to be played: the project, with what is auditioned.
project::LaidPtr Player::withAudition() {
    const project::Project& p = base_->project();
    if (state_.isAlone()) return project::lay(alone(p, *heardGuest_, leftAt_), laid_);
    const std::vector<Guest> list = guests();
    if (list.empty()) return base_;
    const Beats here = position();
    const bool goesRound = p.view.looping && here < p.loop.to;
    cover_.from = std::min(here, goesRound ? p.loop.from : here) - coverLeast;
    cover_.to = std::max(here + coverAhead, goesRound ? p.loop.to : here);
    return project::lay(withGuests(p, list, cover_), laid_);
}

void Player::audition(const Auditioned& a) {
    const bool sameFile = heardGuest_ && heardGuest_->source->file == a.source->file && !nextGuest_;
    stopRaw();
    Guest guest;
    guest.source = a.source;
    guest.inTempo = a.inTempo;
    guest.inKey = a.inKey;
    guest.repeat = a.repeat;
    guest.db = a.db;
    nextAtOnce_ = a.atOnce;
    if (!isPlaying()) {
        if (state_.isAlone() && sameFile && isFitted(guest) == isFitted(*heardGuest_)) {
            guest.id = heardGuest_->id;
            heardGuest_ = guest;
            take(withAudition());
            return;
        }
        guest.id = ++lastGuest_;
        const auto goesOn = state_.isAlone() && sameFile ? auditionPosition() : std::nullopt;
        beginAlone(std::move(guest));
        if (goesOn) auditionFrom(*goesOn);
        return;
    }
    // The same, as it is placed already: only its level, say, is another.
    if (sameFile && isFitted(guest) == isFitted(*heardGuest_) && guest.repeat == heardGuest_->repeat &&
        guest.source->beats == heardGuest_->source->beats) {
        guest.id = heardGuest_->id;
        guest.at = heardGuest_->at;
        heardGuest_ = guest;
        take(withAudition());
        return;
    }
    guest.id = ++lastGuest_;
    guest.at = sameFile ? heardGuest_->at : placeFor(guest, position());
    nextGuest_ = std::move(guest);
    nextIsAsked_ = false;
    take(withAudition());
}

// Where its first downbeat lies, entering somewhere near: on a bar line, in step with one that is heard already.
Beats Player::placeFor(const Guest& guest, Beats enters) const {
    const project::Project& p = base_->project();
    const Beats bar = metre::gridAfter(enters, metre::Snap::Bar, p.metre);
    if (heardGuest_ && isFitted(*heardGuest_) && isFitted(guest) && heardGuest_->repeat) return heardGuest_->at;
    return bar;
}

void Player::beginAlone(Guest guest) {
    giveOrders(true);
    if (state_.isAlone())
        engine_.stop();
    else
        leftAt_ = position();
    state_.begin(PlayerState::Hears::Alone);
    followOrNot();
    heardGuest_ = std::move(guest);
    nextGuest_.reset();
    laid_ = withAudition();
    lastHeard_.clear();
    beginAsked_ = -1;
    changedAt_ = std::chrono::steady_clock::now();
    heardTempo_ = project().tempo;
    const project::LaidClip* clip = laid_->find(clipOfGuest(heardGuest_->id));
    const Beats start = clip->time().start;
    engine_.locate(start);
    located_ = start;
    locateOrder_ = engine_.ordersGiven();
    take(laid_);
}

// The project is in its place again, standing where it stood.
void Player::endAlone() {
    giveOrders(true);
    engine_.stop();
    state_.stop();
    heardGuest_.reset();
    nextGuest_.reset();
    lastHeard_.clear();
    engine_.locate(leftAt_);
    located_ = leftAt_;
    locateOrder_ = engine_.ordersGiven();
    take(base_);
}

void Player::stopAudition() {
    if (!isAuditioning()) return;
    if (state_.isAlone()) {
        endAlone();
        return;
    }
    order({}, false, [this] { engine_.setGuest(0); });
    // What still falls silent is in the scene that falls with it.
    heardGuest_.reset();
    nextGuest_.reset();
    nextIsAsked_ = false;
    take(base_);
}

// Whether what is about to sound of a guest is there, in haste at least.
bool Player::isReady(std::int64_t guest) const {
    const auto [first, end] = windowsOf(clipOfGuest(guest));
    std::vector<RenderCache::Question> all = aboutToSound();
    std::vector<RenderCache::Question> mine;
    for (std::size_t i = first; i < end; ++i)
        if (all[i].key) mine.push_back(all[i]);
    const auto answers = cache_.answers(mine);
    return std::all_of(answers.begin(), answers.end(),
                       [](const RenderCache::Answer& a) { return a.has || a.hasDraft || a.failed; });
}

void Player::tickAudition() {
    if (!isAuditioning() || state_.waitsForClips()) return;
    if (state_.isAlone()) {
        const project::LaidClip* clip = laid_->find(clipOfGuest(heardGuest_->id));
        if (!heardGuest_->repeat && heardPosition() >= clip->time().end) endAlone();
        return;
    }
    const project::Project& p = base_->project();
    const Beats here = position();
    if (nextGuest_ && engine_.guest() == nextGuest_->id) {
        heardGuest_ = std::move(nextGuest_);
        nextGuest_.reset();
        nextIsAsked_ = false;
        take(withAudition());
        return;
    }
    if (nextGuest_ && !nextIsAsked_ && isReady(nextGuest_->id)) {
        const metre::Seconds soonest = p.tempo.secondsAt(here) + metre::Seconds(margin);
        const bool replaces = heardGuest_.has_value();
        const bool onBeat = replaces && isFitted(*nextGuest_) == isFitted(*heardGuest_);
        const Beats enters =
            metre::gridAfter(p.tempo.beatAt(soonest), onBeat ? metre::Snap::Beat : metre::Snap::Bar, p.metre);
        std::optional<Beats> at;
        if (!nextAtOnce_) at = enters;
        // What begins where it enters is heard whole.
        const bool fitsIn = replaces && isFitted(*nextGuest_) && nextGuest_->repeat && isFitted(*heardGuest_);
        if (!fitsIn) {
            const Beats place = nextAtOnce_ ? here : enters;
            const bool moved = std::abs((place - nextGuest_->at).value) > hair.value;
            nextGuest_->at = place;
            if (moved) take(withAudition());
        }
        order({}, false, [this, id = nextGuest_->id, at, begins = !fitsIn && !nextAtOnce_] {
            engine_.setGuest(id, at, begins);
        });
        nextIsAsked_ = true;
        return;
    }
    if (!heardGuest_ || nextGuest_) return;
    if (!heardGuest_->repeat) {
        if (here >= heardGuest_->at + turnOf(p, *heardGuest_, heardGuest_->at)) stopAudition();
        return;
    }
    // What plays at its own tempo begins anew where the range, or a jump, has gone back behind it.
    const bool behind = here < heardGuest_->at - hair && !isFitted(*heardGuest_);
    if (behind) heardGuest_->at = metre::gridAfter(here, metre::Snap::Beat, p.metre);
    if (behind || here > cover_.to - coverLeast || here < cover_.from) take(withAudition());
}

void Player::auditionFrom(metre::Seconds from) {
    Guest& guest = nextGuest_ ? *nextGuest_ : *heardGuest_;
    const project::Source& s = *guest.source;
    if (state_.isAlone()) {
        const project::LaidClip* clip = laid_->find(clipOfGuest(guest.id));
        const project::Timing& t = clip->time();
        Beats to = t.start;
        if (isFitted(guest))
            to = s.beats->beatAt(from);
        else
            to = project().tempo.beatAt(project().tempo.secondsAt(t.start) + from);
        giveOrders(true);
        engine_.locate(std::clamp(to, t.start, std::max(t.start, t.end - hair)));
        return;
    }
    if (!isFitted(guest)) return; // it goes on from its bar line
    // Another placing of the same: by whole beats, from the next beat on.
    const Beats there(std::floor(s.beats->beatAt(from).value + 0.5));
    const Beats next = metre::gridAfter(position() + Beats(0.25), metre::Snap::Beat, base_->project().metre);
    Guest moved = guest;
    moved.id = ++lastGuest_;
    moved.at = next - there;
    nextGuest_ = std::move(moved);
    nextIsAsked_ = false;
    take(withAudition());
}

std::optional<metre::Seconds> Player::auditionPosition() const {
    if (!heardGuest_ || (state_.isAlone() ? state_.isBeginning() : engine_.guest() != heardGuest_->id))
        return std::nullopt;
    const project::Source& s = *heardGuest_->source;
    const project::LaidClip* clip = laid_->find(clipOfGuest(heardGuest_->id));
    if (clip == nullptr) return std::nullopt;
    const project::Timing& t = clip->time();
    const metre::Seconds start = metre::toSeconds(t.startFrame, rate_);
    const metre::Seconds now = project().tempo.secondsAt(heardPosition());
    if (!isFitted(*heardGuest_)) {
        const double since = (now - start).value + clip->clip->from.value;
        if (!heardGuest_->repeat) return metre::Seconds(since);
        // Beside the project it goes round from its first downbeat, alone from its beginning.
        const double from = clip->clip->turn ? clip->clip->turn->from.value : 0;
        const double turn = std::max(1e-3, s.wholeEnd().value - from);
        return metre::Seconds(from + std::fmod(std::max(0.0, since - from), turn));
    }
    const Beats turn = s.beats->beatAt(s.wholeEnd());
    double beats = (heardPosition() - clip->clip->at).value;
    if (beats >= turn.value) beats = std::fmod(beats, turn.value);
    return std::clamp(s.beats->secondsAt(Beats(beats)), metre::Seconds(0), s.length());
}

float Player::takeAuditionPeak(int channel) {
    return state_.isAlone() ? engine_.takeTrackPeak(0, channel) : engine_.takeGuestPeak(channel);
}

} // namespace play
