// A stand-in for a sound device: runs in real time or as fast as asked, and keeps what it was given.
#pragma once

#include "play/output.h"

#include <atomic>
#include <mutex>
#include <stop_token>
#include <thread>
#include <vector>

namespace play {

class SimulatedOutput : public Output {
  public:
    enum class Pace {
        RealTime, // a thread of its own calls back, block by block, as a device would
        Asked     // advance() calls back, from the caller's thread
    };

    // keepSeconds: how much of what was played is kept for taken(); the oldest goes first.
    SimulatedOutput(int rate, Pace pace, double keepSeconds = 10, int block = 256);
    ~SimulatedOutput() override;

    Result<void> start(Callback callback) override;
    void stop() override;
    int rate() const override { return rate_; }
    bool setRate(int rate) override;
    bool isSimulated() const override { return true; }
    std::string description() const override { return "no sound device: playing silently"; }
    bool isAlive() override { return true; }

    // Plays n frames (rounded up to blocks) at once. REQUIRES Pace::Asked and that it has been started.
    void advance(std::int64_t n);

    // What was played, interleaved stereo, the newest last; at most what is kept. Any thread.
    std::vector<float> taken() const;
    std::int64_t framesPlayed() const;
    // How many blocks took the processor longer to make than they last: on a device they would have been heard to
    // stop. By the processor's time for this thread, so that what else the machine does is not counted.
    std::int64_t lateBlocks() const { return late_.load(); }

  private:
    void playBlock();

    int rate_;
    Pace pace_;
    double keepSeconds_;
    int block_;
    Callback callback_;
    std::vector<float> buffer_;

    mutable std::mutex mutex_; // guards what follows; never held while calling back
    std::vector<float> kept_;  // a ring
    std::size_t next_ = 0;
    std::int64_t played_ = 0;

    std::atomic<std::int64_t> late_{0};
    std::jthread thread_;
};

} // namespace play
