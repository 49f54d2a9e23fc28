// Finding the place in a recording that goes on most like another: what time-domain stretching turns on.
#pragma once

#include "stretch/line.h"

#include <cstdint>
#include <vector>

namespace stretch {

// Compares places of one recording by normalised cross-correlation over all channels together: first on a coarse
// copy at about 8 kHz, then frame by frame. Built for a stretch of the recording; reading is free of side effects.
class Similarity {
  public:
    // The audio must outlive this. range: the frames from which the coarse copy is made; beyond them it is silent.
    // window: frames that are compared.
    Similarity(const Excerpt& in, Span range, std::int64_t window);
    // Without a range as yet: goOn() first.
    Similarity(const Excerpt& in, std::int64_t window);

    // Goes on to a range that neither begins nor ends before the last one: what both have is not made again.
    void goOn(Span range);

    // How alike the sound from frame a on is to that from frame b on: 1 the same, 0 unrelated, −1 inverted.
    // Silence is like silence. Frames outside the audio are silent.
    double at(std::int64_t a, std::int64_t b) const;

    // The same from the coarse copy: many times as fast, and good enough to choose a moment by.
    double roughly(std::int64_t a, std::int64_t b) const;

    // By how much the sound is brighter and louder from frame b on than from frame a on: the logarithm of the power
    // of its first difference over the window, never below 0. Where sound jumps from a to b, that would be heard as
    // something that begins.
    double rise(std::int64_t a, std::int64_t b) const;

    struct Best {
        std::int64_t place = 0;
        double likeness = -1;
    };
    // The place from `from` to `to` (inclusive) that is most like `a`; among nearly equal ones one without a rise,
    // and the nearest to `wanted`. REQUIRES from <= to.
    Best best(std::int64_t a, std::int64_t from, std::int64_t to, std::int64_t wanted) const;

  private:
    std::int64_t cellOf(std::int64_t frame) const; // the coarse copy's, in steps from frame 0
    std::vector<double> atEach(std::int64_t a, std::int64_t first, std::int64_t last) const;
    std::int64_t coarseWindow() const;
    double coarseProduct(std::int64_t a, std::int64_t b) const;
    double coarseSum(const std::vector<float>& of, std::int64_t cell) const;
    double energyOf(std::int64_t cell) const;
    void make(std::int64_t cells);

    Excerpt in_;
    std::int64_t window_;
    std::int64_t step_;     // frames of the audio to one of the coarse copy
    std::int64_t cell_ = 0; // the coarse copy's first, in steps from frame 0
    std::vector<std::vector<float>> coarse_;
    std::vector<float> bright_; // power of the first difference in each cell, over all channels
    std::vector<float> energy_; // of the coarse copy in each cell, over all channels
    std::vector<float> fine_;   // what the next cells are made from
};

} // namespace stretch
