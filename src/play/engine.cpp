#include "play/engine.h"

#include <algorithm>
#include <cmath>
#include <numbers>
#include <readerwriterqueue/readerwriterqueue.h>
#include <unordered_map>

namespace play {

struct Engine::Order {
    enum class Kind { Scene, Play, Stop, Locate } kind = Kind::Stop;
    const Scene* scene = nullptr;
    Beats to;
};

struct Engine::Mail {
    moodycamel::ReaderWriterQueue<Order> orders{256};
    moodycamel::ReaderWriterQueue<const Scene*> spent{1024}; // scenes that the callback is done with
    std::unordered_map<const Scene*, ScenePtr> alive;        // interface thread only
};

namespace {

// A short stroke: a decaying sine, brighter on the first beat of the bar.
std::vector<float> stroke(int rate, double hertz, double level) {
    std::vector<float> samples(static_cast<std::size_t>(rate) * 30 / 1000);
    for (std::size_t i = 0; i < samples.size(); ++i) {
        const double t = static_cast<double>(i) / rate;
        samples[i] = static_cast<float>(level * std::sin(2 * std::numbers::pi * hertz * t) * std::exp(-t / 0.006));
    }
    return samples;
}

constexpr int clickRate = 48000;

} // namespace

Engine::Engine() : mail_(std::make_unique<Mail>()) {
    clicks_[0] = stroke(clickRate, 1760, 0.5);
    clicks_[1] = stroke(clickRate, 1175, 0.35);
    setScene(std::make_shared<const Scene>());
}

Engine::~Engine() = default;

void Engine::give(Order order) {
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
    Order order{Order::Kind::Scene, scene.get(), {}};
    if (!mail_->alive.emplace(scene.get(), scene).second) return; // the same scene is on its way already
    give(order);
}

void Engine::play() {
    give({Order::Kind::Play, nullptr, {}});
}
void Engine::stop() {
    give({Order::Kind::Stop, nullptr, {}});
}
void Engine::locate(Beats to) {
    give({Order::Kind::Locate, nullptr, to});
}

void Engine::giveBack(const Scene* scene) {
    // Where the queue is full the scene stays alive until the engine ends; that costs memory, and nothing else.
    if (scene != nullptr && mail_->spent.try_enqueue(scene))
        scenesReturned_.fetch_add(1, std::memory_order_release);
}

// What sounds now fades out where it is, while something else fades in.
void Engine::leaveBehind() {
    if (!running_ || rising_ == fade) return; // nothing of it has sounded yet
    if (left_.scene != nullptr && left_.scene != now_.scene) giveBack(left_.scene);
    left_ = now_;
    leftFrames_ = fade;
    rising_ = fade;
}

void Engine::take(const Order& order) {
    switch (order.kind) {
    case Order::Kind::Scene: {
        const Scene* old = now_.scene;
        if (old != nullptr) {
            leaveBehind();
            const Beats beat = running_ ? old->tempo.beatAt(metre::toSeconds(Frames(now_.at), old->rate))
                                        : Beats(beat_.load(std::memory_order_relaxed));
            now_.at = metre::toFrames(order.scene->tempo.secondsAt(beat), order.scene->rate).value;
            if (left_.scene != old) giveBack(old);
        }
        now_.scene = order.scene;
        break;
    }
    case Order::Kind::Play:
        if (!running_) rising_ = fade;
        running_ = true;
        break;
    case Order::Kind::Stop:
        leaveBehind();
        running_ = false;
        break;
    case Order::Kind::Locate:
        leaveBehind();
        now_.at = metre::toFrames(now_.scene->tempo.secondsAt(order.to), now_.scene->rate).value;
        beat_.store(order.to.value, std::memory_order_relaxed);
        break;
    }
}

void Engine::addClick(const Voice& voice, float* out, int n) const {
    const Scene& s = *voice.scene;
    const auto length = static_cast<std::int64_t>(clicks_[0].size());
    const Beats from = s.tempo.beatAt(metre::toSeconds(Frames(voice.at - length), s.rate));
    const Beats to = s.tempo.beatAt(metre::toSeconds(Frames(voice.at + n), s.rate));
    for (int bar = s.metre.barAt(from); s.metre.startOfBar(bar) < to; ++bar) {
        const Beats start = s.metre.startOfBar(bar);
        const metre::Metre m = s.metre.metreAt(start);
        for (int beat = 0; beat < m.beats; ++beat) {
            const std::int64_t at =
                metre::toFrames(s.tempo.secondsAt(start + m.counted() * beat), s.rate).value - voice.at;
            const std::vector<float>& sound = clicks_[beat == 0 ? 0 : 1];
            for (std::int64_t i = std::max<std::int64_t>(0, at); i < std::min<std::int64_t>(n, at + length); ++i) {
                out[2 * i] += sound[static_cast<std::size_t>(i - at)];
                out[2 * i + 1] += sound[static_cast<std::size_t>(i - at)];
            }
        }
    }
}

// Adds n frames of a voice and moves it on; at the end of the loop range it goes on at its beginning.
void Engine::fill(Voice& voice, float* out, int n) const {
    const Scene& s = *voice.scene;
    const std::int64_t loopFrom = metre::toFrames(s.tempo.secondsAt(s.loopFrom), s.rate).value;
    const std::int64_t loopTo = metre::toFrames(s.tempo.secondsAt(s.loopTo), s.rate).value;
    int done = 0;
    while (done < n) {
        int part = n - done;
        const bool inLoop = s.loop && loopTo > loopFrom && voice.at < loopTo;
        if (inLoop) part = static_cast<int>(std::min<std::int64_t>(part, loopTo - voice.at));
        float* to = out + static_cast<std::ptrdiff_t>(2) * done;
        for (const SceneClip& clip : s.clips) {
            const std::int64_t begin = std::max(voice.at, clip.start.value);
            const std::int64_t end = std::min(voice.at + part, (clip.start + clip.audio->frames()).value);
            if (begin >= end) continue;
            const float* left = clip.audio->channels.front().data() - clip.start.value;
            const float* right = clip.audio->channels.back().data() - clip.start.value;
            for (std::int64_t i = begin; i < end; ++i) {
                to[2 * (i - voice.at)] += clip.gain * left[i];
                to[2 * (i - voice.at) + 1] += clip.gain * right[i];
            }
        }
        if (s.click) addClick(voice, to, part);
        voice.at += part;
        done += part;
        if (inLoop && voice.at == loopTo) voice.at = loopFrom;
    }
}

void Engine::process(float* out, int n) {
    const std::int64_t given = ordersGiven_.load(std::memory_order_acquire);
    const std::int64_t done = ordersDone_.load(std::memory_order_relaxed);
    for (std::int64_t i = done; i < given; ++i) {
        Order order;
        mail_->orders.try_dequeue(order);
        take(order);
    }
    std::fill(out, out + static_cast<std::ptrdiff_t>(2) * n, 0.0F);
    for (int filled = 0; filled < n;) {
        const int part = std::min(fade, n - filled);
        float* to = out + static_cast<std::ptrdiff_t>(2) * filled;
        if (running_) {
            std::fill(mix_.begin(), mix_.begin() + static_cast<std::ptrdiff_t>(2) * part, 0.0F);
            fill(now_, mix_.data(), part);
            for (int i = 0; i < part; ++i) {
                const float gain = rising_ > 0 ? 1.0F - static_cast<float>(rising_--) / fade : 1.0F;
                to[2 * i] += gain * mix_[static_cast<std::size_t>(2 * i)];
                to[2 * i + 1] += gain * mix_[static_cast<std::size_t>(2 * i + 1)];
            }
        }
        if (leftFrames_ > 0) {
            const int tail = std::min(part, leftFrames_);
            std::fill(mix_.begin(), mix_.begin() + static_cast<std::ptrdiff_t>(2) * tail, 0.0F);
            fill(left_, mix_.data(), tail);
            for (int i = 0; i < tail; ++i) {
                const float gain = static_cast<float>(leftFrames_--) / fade;
                to[2 * i] += gain * mix_[static_cast<std::size_t>(2 * i)];
                to[2 * i + 1] += gain * mix_[static_cast<std::size_t>(2 * i + 1)];
            }
            if (leftFrames_ == 0) {
                if (left_.scene != now_.scene) giveBack(left_.scene);
                left_ = {};
            }
        }
        filled += part;
    }
    for (std::size_t c = 0; c < 2; ++c) {
        float peak = peaks_[c].load(std::memory_order_relaxed);
        for (int i = 0; i < n; ++i)
            peak = std::max(peak, std::abs(out[2 * static_cast<std::size_t>(i) + c]));
        peaks_[c].store(peak, std::memory_order_relaxed);
    }
    if (running_)
        beat_.store(now_.scene->tempo.beatAt(metre::toSeconds(Frames(now_.at), now_.scene->rate)).value,
                    std::memory_order_relaxed);
    playing_.store(running_, std::memory_order_relaxed);
    ordersDone_.store(given, std::memory_order_release);
}

} // namespace play
