#include "app/session/pace.h"

namespace app {

namespace {
constexpr int often = 16;     // ms: sixty times a second
constexpr int seldom = 200;   // for what changes by itself: a device that goes, audio that comes
constexpr int falling = 3000; // ms in which meters fall and lines come to rest
} // namespace

Pace::Pace(const play::Player& player, const Audition& audition, QTimer& timer, QObject* parent)
    : QObject(parent), player_(player), audition_(audition), timer_(timer) {
    connect(&timer_, &QTimer::timeout, this, &Pace::look);
    wake();
}

void Pace::wake() {
    still_.start();
    if (!timer_.isActive() || timer_.interval() != often) timer_.start(often);
}

bool Pace::isMoving() const {
    return player_.isPlaying() || player_.isWaiting() || player_.isJumping() || player_.isPlayingRaw() ||
           (player_.leader() != nullptr && player_.leader()->rolls()) || player_.isAuditioning() ||
           audition_.isReading() || player_.pendingRenders() > 0;
}

void Pace::look() {
    if (isMoving())
        wake();
    else if (timer_.interval() == often && still_.hasExpired(falling))
        timer_.start(seldom);
}

} // namespace app
