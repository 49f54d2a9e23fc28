// A recording heard as it is, in the place of the project.
#include "play/player.h"

#include <utility>

namespace play {

namespace {

// The tempos between a recording's pins, each held; before its first downbeat that of the stretch there runs on.
metre::TempoMap tempoOf(const metre::BeatMap& beats) {
    std::vector<metre::TempoPoint> points;
    const auto& pins = beats.pins();
    for (std::size_t i = 0; i + 1 < pins.size(); ++i) {
        const double bpm = 60 * (pins[i + 1].beat - pins[i].beat).value / (pins[i + 1].at - pins[i].at).value;
        const metre::Beats at = points.empty() ? metre::Beats(0) : pins[i].beat;
        if (pins[i + 1].beat > metre::Beats(0))
            points.push_back({at, metre::Bpm(bpm), metre::TempoPoint::Shape::Hold});
    }
    if (points.empty()) points.push_back({metre::Beats(0), beats.tempoAt(metre::Beats(0))});
    auto map = metre::TempoMap::make(std::move(points));
    return map ? std::move(*map) : metre::TempoMap(metre::Bpm(120));
}

} // namespace

void Player::makeRaw(sound::AudioPtr audio, const RawHearing& hearing) {
    auto raw = std::make_unique<Raw>();
    auto scene = std::make_shared<mix::Scene>();
    scene->rate = rate_;
    if (hearing.beats) {
        raw->beatZero = hearing.beats->secondsAt(metre::Beats(0));
        scene->tempo = tempoOf(*hearing.beats);
        scene->metre = metre::MetreMap(hearing.metre);
    }
    raw->audio = audio;
    scene->clips.push_back(mix::soundAt(metre::toFrames(-raw->beatZero, rate_), std::move(audio)));
    if (hearing.click && hearing.beats) scene->click = mix::clickAt(rate_);
    if (hearing.between) {
        scene->loop = true;
        scene->loopFrom = scene->tempo.beatAt(hearing.between->first - raw->beatZero);
        scene->loopTo = scene->tempo.beatAt(hearing.between->second - raw->beatZero);
    }
    raw->scene = scene;
    raw_ = std::move(raw);
    scene_ = raw_->scene;
    giveOrders(true);
    engine_.setScene(raw_->scene);
}

void Player::playRaw(sound::AudioPtr audio, const RawHearing& hearing, metre::Seconds from) {
    stopAudition();
    if (!state_.hearsRecording()) leftAt_ = position();
    state_.begin(PlayerState::Hears::Recording);
    followOrNot();
    takeNext();
    makeRaw(std::move(audio), hearing);
    locateRaw(from);
    engine_.play();
}

void Player::hearRaw(const RawHearing& hearing) {
    const metre::Seconds at = rawPosition();
    makeRaw(raw_->audio, hearing);
    locateRaw(at);
}

void Player::locateRaw(metre::Seconds to) {
    engine_.locate(raw_->scene->tempo.beatAt(to - raw_->beatZero));
    rawLocated_ = to;
    rawOrder_ = engine_.ordersGiven();
}

metre::Seconds Player::rawPosition() const {
    if (engine_.ordersDone() < rawOrder_) return rawLocated_;
    return raw_->scene->tempo.secondsAt(engine_.position()) + raw_->beatZero;
}

void Player::stopRaw() {
    if (!state_.hearsRecording()) return;
    state_.stop();
    giveOrders(true);
    engine_.stop();
    raw_.reset();
    publish();
    if (!leader_) locate(leftAt_);
}

} // namespace play
