// The transport and the mixer: what runs in the audio callback.
#pragma once

#include "play/scene.h"

#include <array>
#include <atomic>
#include <memory>

namespace play {

// One thread (the interface) gives orders; one other (the audio callback) calls process(). They meet in two
// lock-free queues and a few atomics; process() neither locks, allocates, waits nor logs. Output is stereo.
class Engine {
  public:
    Engine();
    ~Engine(); // REQUIRES that process() is not running and will not be called again
    Engine(const Engine&) = delete;
    Engine& operator=(const Engine&) = delete;

    // Interface thread. Orders take effect at the next block, in order. While playing, a new scene keeps the bar
    // position, whatever its tempo, and crosses over within a few milliseconds.
    void setScene(const ScenePtr& scene);
    void play();
    void stop();
    void locate(Beats to);

    // Any thread.
    bool isPlaying() const { return playing_.load(std::memory_order_relaxed); }
    Beats position() const { return Beats(beat_.load(std::memory_order_relaxed)); }
    // How many orders have taken effect: for whoever must know that one has.
    std::int64_t ordersDone() const { return ordersDone_.load(std::memory_order_acquire); }
    std::int64_t ordersGiven() const { return ordersGiven_.load(std::memory_order_relaxed); }
    // The highest absolute sample of a channel (0, 1) since it was last asked for.
    float takePeak(int channel) { return peaks_[static_cast<std::size_t>(channel)].exchange(0.0F); }

    // Audio callback thread. Fills n interleaved stereo frames.
    void process(float* out, int n);

  private:
    struct Mail;
    struct Order;

    // A place in a scene that sounds: the one that plays, and for a few milliseconds the one left behind.
    struct Voice {
        const Scene* scene = nullptr;
        std::int64_t at = 0; // frame
    };

    void give(Order order);
    void collect();
    void take(const Order& order);
    void leaveBehind();
    void giveBack(const Scene* scene);
    void fill(Voice& voice, float* out, int n) const;
    void addClick(const Voice& voice, float* out, int n) const;

    static constexpr int fade = 256; // frames of a crossing

    std::unique_ptr<Mail> mail_;
    std::int64_t scenesCollected_ = 0; // interface thread only

    // The callback's own.
    Voice now_;
    Voice left_;
    int leftFrames_ = 0; // of left_, still to fade out
    int rising_ = 0;     // frames of now_, still to fade in
    bool running_ = false;
    std::array<float, std::size_t(2) * fade> mix_{};
    std::array<std::vector<float>, 2> clicks_; // first beat of the bar, other beats

    std::atomic<bool> playing_{false};
    std::atomic<double> beat_{0.0};
    // What has been put into the queues, counted after it was: each end takes no more out than it has seen counted,
    // so that the counts alone order what was written before against what is read after.
    std::atomic<std::int64_t> ordersGiven_{0};
    std::atomic<std::int64_t> scenesReturned_{0};
    std::atomic<std::int64_t> ordersDone_{0};
    std::array<std::atomic<float>, 2> peaks_{};
};

} // namespace play
