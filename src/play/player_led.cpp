// What another program says of when the project plays, and where.
#include "play/player.h"

#include <utility>

namespace play {

void Player::setLeader(std::unique_ptr<Leader> leader) {
    stopRaw();
    stopAudition();
    standStill();
    std::unique_ptr<Leader> before = std::exchange(leader_, std::move(leader));
    ledAsked_ = -1;
    if (leader_) leader_->setProject(project().tempo, project().metre);
    tellStep();
    engine_.lead(leader_.get());
    followOrNot();
    // The output goes on: a device that dies along with the leader could not be stopped.
    if (before) retired_.push_back({std::move(before), engine_.ordersGiven()});
}

void Player::tellStep() {
    if (leader_) leader_->setStep(output_->isJack() && !feed_ ? Step::Exact : Step::Loose);
}

// Only the project is led: what is heard in its place goes by itself.
void Player::followOrNot() {
    const bool follows = leader_ && state_.hears() == PlayerState::Hears::Project;
    if (follows == follows_) return;
    follows_ = follows;
    engine_.follow(follows);
}

void Player::ledBegins() {
    readyProject();
    // It waits for nobody: what is rendered is heard, what is not comes in as it is.
    state_.clipsAreThere();
    state_.soundIsThere();
    take(withAudition());
}

void Player::ledStops() {
    stopAudition();
    state_.stop();
    giveOrders(true);
    takeNext();
}

void Player::tickLed() {
    while (!retired_.empty() && retired_.front().order <= engine_.ordersDone())
        retired_.pop_front();
    if (!leader_) return;
    const bool rolls = leader_->rolls();
    if (rolls && !state_.playsProject()) ledBegins();
    if (!rolls && state_.playsProject()) ledStops();
    followOrNot();
    // The others begin once what sounds there is in memory.
    if (const auto at = leader_->waitsAt(); at && scene_) {
        if (ledAsked_ < 0 || ledAskedFor_ != *at) {
            ledAsked_ = readAhead_.fetchFirst(ReadAhead::needsOf(*scene_, *at, aheadAtOnce));
            ledAskedFor_ = *at;
        }
        if (!readAhead_.isFetched(ledAsked_)) return;
        ledAsked_ = -1;
        leader_->isReady(*at);
    }
}

} // namespace play
