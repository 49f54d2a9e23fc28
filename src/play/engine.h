// The transport: what runs in the audio callback.
#pragma once

#include "mix/mixer.h"
#include "play/heard.h"
#include "play/leader.h"
#include "play/snapshot.h"

#include <array>
#include <atomic>
#include <memory>
#include <optional>

namespace play {

using metre::Beats;
using metre::Frames;
using mix::Scene;
using mix::ScenePtr;

// One thread (the interface) gives orders; one other (the audio callback) calls process(). They meet in two
// lock-free queues and a few atomics; process() neither locks, allocates, waits nor logs. Output is stereo.
class Engine {
  public:
    Engine();
    ~Engine(); // REQUIRES that process() is not running and will not be called again
    Engine(const Engine&) = delete;
    Engine& operator=(const Engine&) = delete;

    // Interface thread. Orders take effect in order, at the next block, or as soon as the crossing of the one
    // before has ended, a few milliseconds later; of several scenes that wait, the last counts. While playing, a
    // new scene keeps the bar position, whatever its tempo, and every change crosses over. At the end of the loop
    // range what goes on across its edges crosses over likewise; what ends or begins there stays as it is.
    void setScene(const ScenePtr& scene);
    // After so many bars of click, counted up to where it begins. What begins there is heard whole, what goes on
    // across it rises.
    void play(int countInBars = 0);
    void stop();
    void locate(Beats to);
    // While it plays: at `at` it goes on at `to`, crossing over as at the edge of the loop range; at once where
    // `at` has gone by. Another jump, a stop or a locate takes the place of this one. Where `to` lies beyond the
    // end of the loop range, it goes on at that end.
    void jump(Beats at, Beats to);
    // Lets the clips of a guest (mix::SceneClip::guest) be heard beside the project's, and those of another guest
    // no longer; 0 lets no guest be heard. The change happens at `at`: with `whole` the guest begins there, without
    // it the two have crossed over by then. It happens at once where `at` is none, or has gone by and does not come
    // again. A stop ends the guest.
    void setGuest(std::int64_t guest, std::optional<Beats> at = {}, bool whole = false);

    // Whose place is asked for at each block; null: nobody's. It must live until the order has taken effect and
    // another leads. While it is followed it says when this plays and where, and neither the loop range nor a jump
    // does.
    void lead(Leader* leader);
    void follow(bool on);

    Heard heard() const { return heardNow_.read(); } // any thread

    // Any thread.
    bool isPlaying() const { return playing_.load(std::memory_order_relaxed); }
    Beats position() const { return Beats(beat_.load(std::memory_order_relaxed)); }
    // Whether a jump is still to come.
    bool isJumping() const { return jumping_.load(std::memory_order_relaxed); }
    // How many orders have taken effect: for whoever must know that one has.
    std::int64_t ordersDone() const { return ordersDone_.load(std::memory_order_acquire); }
    std::int64_t ordersGiven() const { return ordersGiven_.load(std::memory_order_relaxed); }
    // The highest absolute sample of a channel (0, 1) since it was last asked for.
    float takePeak(int channel) { return peaks_[static_cast<std::size_t>(channel)].exchange(0.0F); }

    // The same of a track, before the output gain; 0 for tracks beyond mix::TrackPeaks::most.
    float takeTrackPeak(std::size_t track, int channel);
    float takeGuestPeak(int channel) { return guestPeaks_[static_cast<std::size_t>(channel)].exchange(0.0F); }
    // Whose clips are heard beside the project's.
    std::int64_t guest() const { return guest_.load(std::memory_order_acquire); }

    // Audio callback thread. Fills n interleaved stereo frames.
    void process(float* out, int n);

    static constexpr int fade = 256; // frames of a crossing

  private:
    struct Mail;
    struct Told;

    // A place in a scene that sounds.
    struct Voice {
        const Scene* scene = nullptr;
        std::int64_t at = 0; // frame
    };
    // One that was left behind, and fades out.
    struct Leaving {
        Voice voice;
        mix::Take::Which which = mix::Take::Which::All;
        std::int64_t edge = 0;
        int frames = 0; // still to sound
        mix::Guests guests;
    };

    void give(Told order);
    void collect();
    void takeOrders();
    bool isCrossing() const;
    void take(const Told& order);
    void leaveBehind();
    void leave(const Leaving& leaving);
    void giveBack(const Scene* scene);
    bool isHeld(const Scene* scene) const;
    void addNow(float* out, int n);
    void addLeaving(float* out, int n);
    int untilNextChange(int n) const;
    std::int64_t frameOf(Beats b) const;
    void goAcross(std::int64_t edge, std::int64_t to);
    void keepPeaks(const float* out, int n);
    void letIn(bool whole);
    void goWithLeader(int n);
    void tellHeard();
    int untilGuest(int n);
    mix::Guests guests() const;

    std::unique_ptr<Mail> mail_;
    std::int64_t scenesCollected_ = 0; // interface thread only

    // The callback's own.
    Voice now_;
    std::array<Leaving, 4> leaving_;
    std::size_t leavings_ = 0;
    int rising_ = 0;       // frames of now_, still to fade in
    int risingAcross_ = 0; // the same of what went on across the loop's beginning
    std::int64_t riseEdge_ = 0;
    bool running_ = false;
    std::int64_t counting_ = 0; // frames of counting in, still to sound
    bool hasJump_ = false;
    Beats jumpAt_;
    Beats jumpTo_;
    std::int64_t guestNow_ = 0;
    std::int64_t guestLeft_ = 0;
    int guestRise_ = 0; // frames, still to fade in
    int guestFall_ = 0;
    bool hasGuest_ = false; // one is to be let in
    std::int64_t guestNext_ = 0;
    std::optional<Beats> guestAt_;
    bool guestWhole_ = false;
    Leader* leader_ = nullptr;
    bool follows_ = false;
    bool followed_ = false; // at the block before
    mix::TrackPeaks tracks_;
    std::int64_t orderAt_ = 0; // how many orders have been taken

    Snapshot<Heard> heardNow_;
    std::atomic<bool> playing_{false};
    std::atomic<double> beat_{0.0};
    // What has been put into the queues, counted after it was: each end takes no more out than it has seen counted,
    // so that the counts alone order what was written before against what is read after.
    std::atomic<std::int64_t> ordersGiven_{0};
    std::atomic<std::int64_t> scenesReturned_{0};
    std::atomic<std::int64_t> ordersDone_{0};
    std::atomic<bool> jumping_{false};
    std::atomic<std::int64_t> guest_{0};
    std::array<std::atomic<float>, 2> guestPeaks_{};
    std::array<std::atomic<float>, 2> peaks_{};
    std::array<std::array<std::atomic<float>, 2>, mix::TrackPeaks::most> trackPeaks_{};
};

} // namespace play
