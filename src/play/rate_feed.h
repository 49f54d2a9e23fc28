// From a project's rate to a device's that has only its own.
#pragma once

#include "play/output.h"

#include <atomic>
#include <cstdint>
#include <thread>
#include <vector>

namespace play {

// Asks a source of sound for blocks at one rate, on a thread of its own, converts them by soxr, and keeps a little
// more than a device's block ready at another.
class RateFeed {
  public:
    // REQUIRES rates > 0. `from` is called from the feed's thread only, until the feed is destroyed.
    RateFeed(Callback from, int fromRate, int toRate);
    ~RateFeed() = default;
    RateFeed(const RateFeed&) = delete;
    RateFeed& operator=(const RateFeed&) = delete;

    // The device's callback: n interleaved stereo frames; silence where they are not ready in time. Neither locks,
    // allocates nor waits.
    void pull(float* out, int n);
    // How many frames are ready now. Any thread.
    int readyFrames() const { return static_cast<int>(ready() / 2); }

  private:
    void work(const std::stop_token& end);
    std::size_t ready() const; // samples

    Callback from_;
    int fromRate_;
    int toRate_;
    std::vector<float> ring_;
    std::atomic<std::size_t> written_{0}; // samples, ever
    std::atomic<std::size_t> read_{0};
    std::atomic<std::size_t> wanted_; // samples to be kept ready
    std::jthread thread_;             // last: ends first
};

} // namespace play
