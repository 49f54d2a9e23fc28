// Playing, stopping, going somewhere: orders to the engine, given once what they need is in memory.
#include "play/player.h"

#include "metre/snap.h"

#include <chrono>
#include <utility>

namespace play {

namespace {

// A busy machine may need it: until then what was heard plays on, all of it together at the tempo before.
constexpr auto longestWait = std::chrono::milliseconds(800);
constexpr auto longestLoad = std::chrono::seconds(2); // what lies on a slow disk may take as long to begin
constexpr auto publishEvery = std::chrono::milliseconds(30);
constexpr auto publishSilent = std::chrono::milliseconds(150); // while nothing is heard
constexpr double ahead = 3;                                    // seconds that are kept in memory before they sound
constexpr auto longestFetch = std::chrono::milliseconds(60);   // that an order waits for what it needs
constexpr auto lookEvery = std::chrono::milliseconds(250);

} // namespace

metre::Beats Player::position() const {
    return state_.isAlone() ? leftAt_ : heardPosition();
}

// Of what is heard: the project, or what is auditioned in its place.
metre::Beats Player::heardPosition() const {
    if (state_.hearsRecording()) return leftAt_;
    // A locate that the callback has not seen yet already counts, so that nothing jumps back for a moment.
    return engineBeats();
}

void Player::order(std::vector<ReadAhead::Need> needs, bool isScene, std::function<void()> give) {
    const std::int64_t asked = readAhead_.fetchFirst(std::move(needs));
    if (orders_.empty() && readAhead_.isFetched(asked)) {
        give();
        return;
    }
    // Of scenes the newest counts, and it waits no longer than the first would have.
    if (isScene && !orders_.empty() && orders_.back().isScene) {
        orders_.back().asked = asked;
        orders_.back().give = std::move(give);
        return;
    }
    orders_.push_back({asked, std::chrono::steady_clock::now() + longestFetch, isScene, std::move(give)});
}

void Player::giveOrders(bool all) {
    while (!orders_.empty() && (all || readAhead_.isFetched(orders_.front().asked) ||
                                std::chrono::steady_clock::now() >= orders_.front().until)) {
        const auto give = std::move(orders_.front().give);
        orders_.pop_front();
        give();
    }
}

void Player::lookAhead(bool atOnce) {
    const auto now = std::chrono::steady_clock::now();
    if (!scene_ || (!atOnce && now - lookedAheadAt_ < lookEvery)) return;
    lookedAheadAt_ = now;
    const metre::Beats here = engineBeats();
    std::vector<ReadAhead::Need> needs = ReadAhead::needsOf(*scene_, here, ahead);
    const auto also = [&](metre::Beats at) {
        for (ReadAhead::Need& n : ReadAhead::needsOf(*scene_, at, ahead))
            needs.push_back(std::move(n));
    };
    if (scene_->loop) also(scene_->loopFrom);
    if (engine_.isJumping()) also(jumpTo_);
    readAhead_.need(std::move(needs));
}

void Player::tick() {
    giveOrders(false);
    tickLed();
    lookAhead(false);
    if (std::exchange(wasJumping_, engine_.isJumping()) && !wasJumping_)
        take(withAudition()); // what is urgent has changed
    if (!state_.waitsForClips()) begin();
    const bool ready = !state_.wantsToPlay() || askForDrafts();
    if (state_.waitsForClips()) {
        const bool late = std::chrono::steady_clock::now() - changedAt_ > longestWait;
        if (!late && !ready) return;
        state_.clipsAreThere();
        publish();
        begin();
        takeNext();
        return;
    }
    tickAudition();
    if (cache_.changes() == publishedChanges_) return;
    const auto since = std::chrono::steady_clock::now() - publishedAt_;
    if (since < (state_.wantsToPlay() ? publishEvery : publishSilent)) return;
    publish();
}

// What play() asked for, once there is something to hear, and that is in memory.
void Player::begin() {
    if (state_.phase() != PlayerState::Phase::Fetching) return;
    const bool late = std::chrono::steady_clock::now() - changedAt_ > longestLoad;
    if (scene_ && !late) {
        if (beginAsked_ < 0)
            beginAsked_ = readAhead_.fetchFirst(ReadAhead::needsOf(*scene_, heardPosition(), aheadAtOnce));
        if (!readAhead_.isFetched(beginAsked_)) return; // tick() asks again
    }
    state_.soundIsThere();
    beginAsked_ = -1;
    giveOrders(true);
    engine_.play(state_.isAlone() ? 0 : project().view.countIn);
}

void Player::play() {
    if (leader_) {
        if (leader_->isAskable()) leader_->start(); // tickLed() sees it roll
        return;
    }
    readyProject();
    take(withAudition()); // goes on with renderings that were cancelled
}

// The project is what plays from now on; what was heard alone goes on beside it.
void Player::readyProject() {
    stopRaw();
    std::optional<Guest> guest;
    if (state_.isAlone()) {
        guest = heardGuest_;
        endAlone();
    }
    cache_.retry();
    beginAsked_ = -1;
    state_.begin(PlayerState::Hears::Project);
    changedAt_ = std::chrono::steady_clock::now();
    if (!guest) return;
    nextGuest_ = std::move(guest);
    nextIsAsked_ = false;
}

void Player::stop() {
    if (leader_ && state_.playsProject()) {
        if (leader_->isAskable()) leader_->stop();
        return;
    }
    stopRaw();
    stopAudition();
    standStill();
}

void Player::standStill() {
    state_.stop();
    giveOrders(true);
    engine_.stop();
    takeNext();
}

// The version of the project that waited until the tempo before it was heard.
void Player::takeNext() {
    if (const project::LaidPtr next = std::move(next_)) setProject(next);
}

void Player::locate(metre::Beats to) {
    if (state_.hearsRecording() || state_.isAlone()) {
        leftAt_ = to;
        return;
    }
    if (leader_) {
        if (leader_->isAskable()) leader_->locate(std::max(to, metre::Beats(0)));
        take(withAudition());
        return;
    }
    located_ = to;
    beginAsked_ = -1; // it begins there
    isLocateOrdered_ = true;
    std::vector<ReadAhead::Need> needs;
    if (scene_ && engine_.isPlaying()) needs = ReadAhead::needsOf(*scene_, to, aheadAtOnce);
    order(std::move(needs), false, [this, to] {
        engine_.locate(to);
        isLocateOrdered_ = false;
        locateOrder_ = engine_.ordersGiven();
    });
    take(withAudition()); // what is urgent has changed
}

void Player::jump(metre::Beats to, bool atOnce) {
    if (!isPlaying() || atOnce || leader_) {
        locate(to);
        return;
    }
    const metre::Beats here = position();
    jumpTo_ = to;
    // The bar line is not waited for longer than the disk may take.
    const metre::Beats at = metre::gridAfter(here, metre::Snap::Bar, project().metre);
    order(scene_ ? ReadAhead::needsOf(*scene_, to, aheadAtOnce) : std::vector<ReadAhead::Need>(), false,
          [this, at, to] { engine_.jump(at, to); });
}

} // namespace play
