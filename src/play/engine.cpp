#include "play/engine.h"

#include <algorithm>
#include <chrono>
#include <cmath>
#include <readerwriterqueue/readerwriterqueue.h>
#include <unordered_map>

namespace play {

struct Engine::Told {
    enum class Kind { Scene, Play, Stop, Locate, Jump, Guest, Lead, Follow } kind = Kind::Stop;
    const Scene* scene = nullptr;
    Beats to;
    Beats at;
    int bars = 0;
    std::int64_t guest = 0;
    bool hasPlace = false; // `at` counts
    bool whole = false;
    Leader* leader = nullptr;
    bool on = false; // of Follow
};

struct Engine::Mail {
    moodycamel::ReaderWriterQueue<Told> orders{256};
    moodycamel::ReaderWriterQueue<const Scene*> spent{1024}; // scenes that the callback is done with
    std::unordered_map<const Scene*, ScenePtr> alive;        // interface thread only
};

Engine::Engine() : mail_(std::make_unique<Mail>()) {
    setScene(std::make_shared<const Scene>());
}

Engine::~Engine() = default;

void Engine::give(Told order) {
    collect();
    // With nobody taking orders (no output is running) the queue grows here, on the interface thread.
    mail_->orders.enqueue(order);
    ordersGiven_.fetch_add(1, std::memory_order_release);
}

void Engine::collect() {
    const std::int64_t returned = scenesReturned_.load(std::memory_order_acquire);
    for (; scenesCollected_ < returned; ++scenesCollected_) {
        const Scene* spent = nullptr;
        mail_->spent.try_dequeue(spent);
        mail_->alive.erase(spent);
    }
}

void Engine::setScene(const ScenePtr& scene) {
    Told order;
    order.kind = Told::Kind::Scene;
    order.scene = scene.get();
    if (!mail_->alive.emplace(scene.get(), scene).second) return; // the same scene is on its way already
    give(order);
}

void Engine::play(int countInBars) {
    Told order;
    order.kind = Told::Kind::Play;
    order.bars = countInBars;
    give(order);
}
void Engine::stop() {
    give({});
}
void Engine::locate(Beats to) {
    Told order;
    order.kind = Told::Kind::Locate;
    order.to = to;
    give(order);
}
void Engine::jump(Beats at, Beats to) {
    Told order;
    order.kind = Told::Kind::Jump;
    order.at = at;
    order.to = to;
    give(order);
}
void Engine::setGuest(std::int64_t guest, std::optional<Beats> at, bool whole) {
    Told order;
    order.kind = Told::Kind::Guest;
    order.guest = guest;
    order.hasPlace = at.has_value();
    order.at = at.value_or(Beats(0));
    order.whole = whole;
    give(order);
}

void Engine::lead(Leader* leader) {
    Told order;
    order.kind = Told::Kind::Lead;
    order.leader = leader;
    give(order);
}

void Engine::follow(bool on) {
    Told order;
    order.kind = Told::Kind::Follow;
    order.on = on;
    give(order);
}

float Engine::takeTrackPeak(std::size_t track, int channel) {
    if (track >= trackPeaks_.size()) return 0;
    return trackPeaks_[track][static_cast<std::size_t>(channel)].exchange(0.0F);
}

std::int64_t Engine::frameOf(Beats b) const {
    return metre::toFrames(now_.scene->tempo.secondsAt(b), now_.scene->rate).value;
}

bool Engine::isHeld(const Scene* scene) const {
    return scene == now_.scene || std::any_of(leaving_.begin(), leaving_.begin() + static_cast<int>(leavings_),
                                              [&](const Leaving& l) { return l.voice.scene == scene; });
}

void Engine::giveBack(const Scene* scene) {
    // Where the queue is full the scene stays alive until the engine ends; that costs memory, and nothing else.
    if (scene != nullptr && !isHeld(scene) && mail_->spent.try_enqueue(scene))
        scenesReturned_.fetch_add(1, std::memory_order_release);
}

void Engine::leave(const Leaving& leaving) {
    if (leavings_ == leaving_.size()) { // the oldest is nearly silent
        const Scene* oldest = leaving_[0].voice.scene;
        std::move(leaving_.begin() + 1, leaving_.end(), leaving_.begin());
        --leavings_;
        giveBack(oldest);
    }
    leaving_[leavings_++] = leaving;
}

// What sounds now fades out where it is, while something else fades in.
void Engine::leaveBehind() {
    if (!running_ || rising_ == fade || counting_ > 0 || risingAcross_ == fade)
        return; // nothing of it has sounded yet
    leave({now_, mix::Take::Which::All, 0, fade, {guestNow_, 0, {}, {0, 0}}});
    rising_ = fade;
    risingAcross_ = 0;
}

void Engine::take(const Told& order) {
    switch (order.kind) {
    case Told::Kind::Scene: {
        const Scene* old = now_.scene;
        if (old != nullptr) {
            leaveBehind();
            const Beats beat = running_ ? old->tempo.beatAt(metre::toSeconds(Frames(now_.at), old->rate))
                                        : Beats(beat_.load(std::memory_order_relaxed));
            now_.at = metre::toFrames(order.scene->tempo.secondsAt(beat), order.scene->rate).value;
            if (risingAcross_ == fade) riseEdge_ = now_.at;
        }
        now_.scene = order.scene;
        giveBack(old);
        break;
    }
    case Told::Kind::Play:
        if (running_) break;
        running_ = true;
        risingAcross_ = fade;
        riseEdge_ = now_.at;
        if (order.bars > 0) {
            const Scene& s = *now_.scene;
            const Beats here = s.tempo.beatAt(metre::toSeconds(Frames(now_.at), s.rate));
            counting_ = now_.at - frameOf(here - s.metre.metreAt(here).bar() * double(order.bars));
        }
        break;
    case Told::Kind::Stop:
        leaveBehind();
        if (counting_ > 0)
            beat_.store(now_.scene->tempo.beatAt(metre::toSeconds(Frames(now_.at), now_.scene->rate)).value,
                        std::memory_order_relaxed);
        running_ = hasJump_ = hasGuest_ = false;
        guestNow_ = guestLeft_ = 0;
        guestRise_ = guestFall_ = 0;
        rising_ = risingAcross_ = 0;
        counting_ = 0;
        break;
    case Told::Kind::Locate:
        leaveBehind();
        hasJump_ = false;
        now_.at = frameOf(order.to);
        riseEdge_ = now_.at;
        beat_.store(order.to.value, std::memory_order_relaxed);
        break;
    case Told::Kind::Jump:
        hasJump_ = running_;
        jumpAt_ = order.at;
        jumpTo_ = order.to;
        break;
    case Told::Kind::Guest:
        hasGuest_ = running_ || order.guest == 0;
        guestNext_ = order.guest;
        guestAt_.reset();
        if (order.hasPlace) guestAt_ = order.at;
        guestWhole_ = order.whole;
        break;
    case Told::Kind::Lead:
        leader_ = order.leader;
        followed_ = false;
        break;
    case Told::Kind::Follow:
        follows_ = order.on;
        break;
    }
}

void Engine::letIn(bool whole) {
    hasGuest_ = false;
    if (guestNow_ == guestNext_) return;
    guestLeft_ = guestNow_;
    guestFall_ = guestNow_ != 0 ? fade : 0;
    guestNow_ = guestNext_;
    guestRise_ = guestNow_ != 0 && !whole ? fade : 0;
}

// Lets a guest in whose time has come; else how many of n frames it is till then.
int Engine::untilGuest(int n) {
    if (!hasGuest_) return n;
    if (!guestAt_ || !running_) {
        letIn(false);
        return n;
    }
    const Scene& s = *now_.scene;
    const std::int64_t place = frameOf(*guestAt_);
    const std::int64_t begins = guestWhole_ ? place : place - fade;
    if (now_.at < begins) return static_cast<int>(std::min<std::int64_t>(n, begins - now_.at));
    if (now_.at <= place) {
        letIn(guestWhole_ && now_.at == place);
        return n;
    }
    const std::int64_t loopTo = frameOf(s.loopTo);
    const bool comesAgain = s.loop && now_.at < loopTo && place >= frameOf(s.loopFrom) && place < loopTo;
    if (!comesAgain) letIn(false);
    return n;
}

mix::Guests Engine::guests() const {
    return {guestNow_,
            guestFall_ > 0 ? guestLeft_ : 0,
            guestRise_ > 0 ? mix::Ramp{1 - static_cast<float>(guestRise_) / fade, 1.0F / fade} : mix::Ramp{},
            {static_cast<float>(guestFall_) / fade, -1.0F / fade}};
}

// While one change crosses over, another would cut it off in the middle.
bool Engine::isCrossing() const {
    return (rising_ > 0 && rising_ < fade) ||
           std::any_of(leaving_.begin(), leaving_.begin() + static_cast<int>(leavings_),
                       [](const Leaving& l) { return l.which == mix::Take::Which::All && l.frames < fade; });
}

void Engine::takeOrders() {
    const std::int64_t given = ordersGiven_.load(std::memory_order_acquire);
    while (orderAt_ < given && !isCrossing()) {
        Told order;
        mail_->orders.try_dequeue(order);
        ++orderAt_;
        // Of scenes that follow each other only the last is ever heard.
        const Told* next = orderAt_ < given ? mail_->orders.peek() : nullptr;
        if (order.kind == Told::Kind::Scene && next != nullptr && next->kind == Told::Kind::Scene)
            giveBack(order.scene);
        else
            take(order);
    }
}

// Frames until something changes that is constant, or changes evenly, till then.
int Engine::untilNextChange(int n) const {
    for (const int frames : {rising_, risingAcross_, guestRise_, guestFall_})
        if (frames > 0) n = std::min(n, frames);
    for (std::size_t i = 0; i < leavings_; ++i)
        n = std::min(n, leaving_[i].frames);
    return n;
}

// Adds n frames of what plays and moves it on; at the end of the loop range it goes on at its beginning.
void Engine::addNow(float* out, int n) {
    const Scene& s = *now_.scene;
    mix::Take take;
    if (rising_ > 0) {
        take.ramp = {1 - static_cast<float>(rising_) / fade, 1.0F / fade};
    } else if (risingAcross_ > 0) {
        take = {mix::Take::Which::RiseAcross,
                riseEdge_,
                {1 - static_cast<float>(risingAcross_) / fade, 1.0F / fade},
                {}};
    }
    take.guests = guests();
    mix::add(s, now_.at, out, n, take, &tracks_);
    guestRise_ = std::max(0, guestRise_ - n);
    guestFall_ = std::max(0, guestFall_ - n);
    now_.at += n;
    rising_ = std::max(0, rising_ - n);
    risingAcross_ = std::max(0, risingAcross_ - n);
}

void Engine::addLeaving(float* out, int n) {
    for (std::size_t i = 0; i < leavings_; ++i) {
        Leaving& l = leaving_[i];
        mix::add(*l.voice.scene, l.voice.at, out, n,
                 {l.which, l.edge, {static_cast<float>(l.frames) / fade, -1.0F / fade}, l.guests});
        l.voice.at += n;
        l.frames -= n;
    }
    while (leavings_ > 0 && leaving_[0].frames == 0) {
        const Scene* done = leaving_[0].voice.scene;
        std::move(leaving_.begin() + 1, leaving_.end(), leaving_.begin());
        --leavings_;
        giveBack(done);
    }
}

// Goes on elsewhere: what goes on across either edge crosses over, the rest stays as it is.
void Engine::goAcross(std::int64_t edge, std::int64_t to) {
    leave({now_, mix::Take::Which::Across, edge, fade, {guestNow_, 0, {}, {0, 0}}});
    now_.at = to;
    // What was to be let in beyond an end that is not passed comes in here.
    if (hasGuest_ && guestAt_ && frameOf(*guestAt_) >= edge) letIn(guestWhole_);
    risingAcross_ = fade;
    riseEdge_ = to;
}

void Engine::keepPeaks(const float* out, int n) {
    for (std::size_t c = 0; c < 2; ++c) {
        float peak = peaks_[c].load(std::memory_order_relaxed);
        for (int i = 0; i < n; ++i)
            peak = std::max(peak, std::abs(out[2 * static_cast<std::size_t>(i) + c]));
        peaks_[c].store(peak, std::memory_order_relaxed);
    }
    for (std::size_t c = 0; c < 2; ++c) {
        if (tracks_.guests[c] > guestPeaks_[c].load(std::memory_order_relaxed))
            guestPeaks_[c].store(tracks_.guests[c], std::memory_order_relaxed);
        tracks_.guests[c] = 0;
    }
    for (std::size_t t = 0; t < tracks_.of.size(); ++t)
        for (std::size_t c = 0; c < 2; ++c) {
            if (tracks_.of[t][c] == 0) continue;
            if (tracks_.of[t][c] > trackPeaks_[t][c].load(std::memory_order_relaxed))
                trackPeaks_[t][c].store(tracks_.of[t][c], std::memory_order_relaxed);
            tracks_.of[t][c] = 0;
        }
}

// Plays, stands and goes as the leader does.
void Engine::goWithLeader(int n) {
    const Scene& s = *now_.scene;
    const LedPlace led = leader_->look(s.tempo, n, follows_ && !followed_);
    followed_ = follows_;
    if (!follows_) return;
    hasJump_ = false;
    if (running_ && !led.rolls) take({});
    const std::int64_t place = led.at ? frameOf(*led.at) : now_.at;
    if (!led.rolls) {
        if (led.at) {
            now_.at = place;
            beat_.store(led.at->value, std::memory_order_relaxed);
        }
    } else if (!running_) {
        now_.at = place;
        Told begin;
        begin.kind = Told::Kind::Play;
        take(begin);
    } else if (std::abs(place - now_.at) > std::max<std::int64_t>(1, metre::toFrames(led.loose, s.rate).value) &&
               !isCrossing()) {
        leaveBehind();
        now_.at = place;
        riseEdge_ = place;
    }
    leader_->begins(s.tempo.beatAt(metre::toSeconds(Frames(now_.at), s.rate)));
}

void Engine::tellHeard() {
    const Scene& s = *now_.scene;
    const Beats at(beat_.load(std::memory_order_relaxed));
    const std::chrono::duration<double> now = std::chrono::steady_clock::now().time_since_epoch();
    heardNow_.write({running_ && counting_ == 0, at.value, s.tempo.tempoAt(at).value, now.count()});
}

void Engine::process(float* out, int n) {
    std::fill(out, out + static_cast<std::ptrdiff_t>(2) * n, 0.0F);
    takeOrders();
    if (leader_ != nullptr) goWithLeader(n);
    for (int filled = 0; filled < n;) {
        takeOrders();
        int part = untilNextChange(n - filled);
        float* to = out + static_cast<std::ptrdiff_t>(2) * filled;
        const Scene& s = *now_.scene;
        if (counting_ > 0) {
            part = static_cast<int>(std::min<std::int64_t>(part, counting_));
            addLeaving(to, part);
            if (s.countClick) mix::addClick(s, *s.countClick, now_.at - counting_, to, part, {});
            counting_ -= part;
            filled += part;
            continue;
        }
        part = untilGuest(part);
        part = untilNextChange(part);
        const std::int64_t loopFrom = frameOf(s.loopFrom);
        const std::int64_t loopTo = frameOf(s.loopTo);
        const bool isLed = leader_ != nullptr && follows_;
        const bool inLoop = running_ && s.loop && !isLed && loopTo > loopFrom && now_.at < loopTo;
        if (inLoop) part = static_cast<int>(std::min<std::int64_t>(part, loopTo - now_.at));
        const std::int64_t jumpAt = hasJump_ ? frameOf(jumpAt_) : 0;
        if (hasJump_ && now_.at >= jumpAt) {
            hasJump_ = false;
            goAcross(now_.at, frameOf(jumpTo_));
            continue;
        }
        if (hasJump_) part = static_cast<int>(std::min<std::int64_t>(part, jumpAt - now_.at));
        addLeaving(to, part);
        if (running_) addNow(to, part);
        if (inLoop && now_.at == loopTo) {
            goAcross(loopTo, hasJump_ ? frameOf(jumpTo_) : loopFrom);
            hasJump_ = false;
        }
        filled += part;
    }
    keepPeaks(out, n);
    guest_.store(guestNow_, std::memory_order_release);
    if (running_)
        beat_.store(now_.scene->tempo.beatAt(metre::toSeconds(Frames(now_.at - counting_), now_.scene->rate)).value,
                    std::memory_order_relaxed);
    tellHeard();
    playing_.store(running_, std::memory_order_relaxed);
    jumping_.store(hasJump_, std::memory_order_relaxed);
    ordersDone_.store(orderAt_, std::memory_order_release);
}

} // namespace play
