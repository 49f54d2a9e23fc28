// Finding the place in a recording that goes on most like another: what time-domain stretching turns on.
#pragma once

#include "sound/audio.h"

#include <cstdint>
#include <vector>

namespace stretch {

// Compares places of one recording by normalised cross-correlation over all channels together: first on a coarse
// copy at about 8 kHz, then frame by frame. Built once per rendering; reading is free of side effects.
class Similarity {
  public:
    // The audio must outlive this. window: frames that are compared.
    Similarity(const sound::Audio& audio, std::int64_t window);

    // How alike the sound from frame a on is to that from frame b on: 1 the same, 0 unrelated, −1 inverted.
    // Silence is like silence. Frames outside the audio are silent.
    double at(std::int64_t a, std::int64_t b) const;

    // The same from the coarse copy: many times as fast, and good enough to choose a moment by.
    double roughly(std::int64_t a, std::int64_t b) const;

    struct Best {
        std::int64_t place = 0;
        double likeness = -1;
    };
    // The place from `from` to `to` (inclusive) that is most like `a`; among nearly equal ones the nearest to
    // `wanted`. REQUIRES from <= to.
    Best best(std::int64_t a, std::int64_t from, std::int64_t to, std::int64_t wanted) const;

  private:
    double coarse(std::int64_t a, std::int64_t b) const;

    const sound::Audio& audio_;
    std::int64_t window_;
    std::int64_t step_; // frames of the audio to one of the coarse copy
    std::vector<std::vector<float>> coarse_;
    std::vector<double> energy_; // of the coarse copy up to a place, over all channels
};

} // namespace stretch
