// What the bins of a vocoder's frame are turned by, and how that is found: around each peak by the one angle at
// which the frame's own past fits best, over all channels together, to what was put out before. Real and imaginary
// parts lie apart, so that several bins are worked on at a time.
#pragma once

#include "base/four.h"
#include "stretch/regions.h"

#include <complex>
#include <cstddef>
#include <span>
#include <vector>

namespace stretch {

// One complex factor for every bin, of all channels alike, so that they stay to each other as they were.
class Turns {
  public:
    explicit Turns(std::size_t bins) : real_(bins + overrun, 1.0F), imaginary_(bins + overrun, 0.0F), bins_(bins) {}

    // Phases as they are recorded.
    void none();
    // The same in those bins whose number is not 0. REQUIRES as many numbers as bins, and room for whole fours.
    void none(std::span<const std::int32_t> bins);
    // Takes the levels out of the factors.
    void flatten();
    // Turns these towards others, so that nothing is left to turn after `left` more frames. REQUIRES left >= 1.
    void lead(const Turns& to, std::int64_t left);
    // The product with a spectrum. REQUIRES as many bins in both.
    void turn(std::span<const std::complex<float>> spectrum, std::span<std::complex<float>> to) const;

    std::complex<float> at(std::size_t bin) const { return {real_[bin], imaginary_[bin]}; }

  private:
    friend class Turning;
    static constexpr std::size_t overrun = 4; // bins behind the last that may be written to

    void set(std::size_t bin, std::complex<float> factor) {
        real_[bin] = factor.real();
        imaginary_[bin] = factor.imag();
    }

    std::vector<float> real_;
    std::vector<float> imaginary_;
    std::size_t bins_;
    bool level_ = true; // the factors change no levels
};

// Finds the turns of one frame after another. One thread.
class Turning {
  public:
    explicit Turning(std::size_t bins);

    // Compares the frame that was put out last, as it was recorded, with the recording one hop before the frame to
    // come; channel by channel. Begin with the first channel. REQUIRES as many bins as it was made for.
    void compare(std::size_t channel, std::span<const std::complex<float>> last,
                 std::span<const std::complex<float>> past);
    // `turns`: of the last frame, which become those of the frame to come. `power`, `lastPower`: of both, over all
    // channels, with room for four more. `regions`: of the frame to come.
    void find(const Regions& regions, std::span<const float> power, std::span<const float> lastPower, Turns& turns);

  private:
    void multiply(std::span<const float> lastPower, const Turns& turns);
    void sumUp(const Regions& regions, std::span<const float> power);
    void judge(std::size_t regions);

    std::size_t bins_;
    std::vector<float> crossReal_; // the last frame times the conjugate of past_'s, over all channels
    std::vector<float> crossImaginary_;
    std::vector<float> past_; // the power of what lay one hop before
    // By bin: the same product as the last frame was turned (real, imaginary), the power one hop before, and that
    // of what was put out.
    std::vector<base::Four> fits_;
    // Their sums by region: around the peak, where the last is the power of the frame to come, and of all of it.
    std::vector<base::Four> peaks_;
    std::vector<base::Four> wholes_;
    std::vector<float> real_; // the factor of each region
    std::vector<float> imaginary_;
};

} // namespace stretch
