// The mono, lower-rate view of a recording that listening works on.
#pragma once

#include "hear/recording.h"

#include <cstdint>
#include <span>
#include <vector>

namespace hear {

// A recording lowered to half its rate. Made piece by piece, so that hours of audio need no second copy. Refers to
// the recording, which must outlive it. Any thread.
class Mono {
  public:
    explicit Mono(const Recording& recording);

    int rate() const { return rate_; }
    std::int64_t frames() const { return frames_; }
    // Samples from `first` on, scaled so that the recording's loudest is about 1; silence outside the recording.
    void read(std::int64_t first, std::span<float> out) const;
    float peak() const { return recording_.peak(); }

  private:
    void lower(std::int64_t first, std::span<float> out) const;

    static constexpr int factor_ = 2;
    const Recording& recording_;
    int rate_ = Recording::rate / factor_;
    std::int64_t frames_ = 0;
    float gain_ = 0;
    std::vector<float> filter_; // symmetric low pass
};

} // namespace hear
