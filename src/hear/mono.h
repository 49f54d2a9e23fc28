// The mono, lower-rate view of a recording that listening works on.
#pragma once

#include "sound/audio.h"

#include <cstdint>
#include <span>
#include <vector>

namespace hear {

// All channels summed, lowered by a whole factor to 20–40 kHz (a lower rate stays as it is), samples that are no
// numbers as silence. Made piece by piece, so that hours of audio need no second copy. Refers to the audio, which
// must outlive it. Any thread.
class Mono {
  public:
    explicit Mono(const sound::Audio& audio);

    int rate() const { return rate_; }
    std::int64_t frames() const { return frames_; }
    // Samples from `first` on, scaled so that the recording's loudest is about 1; silence outside the recording.
    void read(std::int64_t first, std::span<float> out) const;
    // The loudest sample of the recording, all channels summed; 0 for silence.
    float peak() const { return peak_; }

  private:
    const sound::Audio& audio_;
    int factor_ = 1;
    int rate_ = 0;
    std::int64_t frames_ = 0;
    float peak_ = 0;
    float gain_ = 0;
    std::vector<float> filter_; // symmetric low pass; empty when the rate stays
};

} // namespace hear
