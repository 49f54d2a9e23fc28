// Spectral envelopes: moving formants against a change of pitch.
#pragma once

#include "sound/fft.h"

#include <complex>
#include <span>
#include <vector>

namespace stretch {

// The envelope of a frame by its cepstrum, raised to the peaks in a few rounds: Röbel & Rodet, "Efficient Spectral
// Envelope Estimation and its Application to Pitch Shifting and Envelope Preservation", DAFx 2005 (from memory),
// which also lowers the resolution of the spectrum first.
class Envelope {
  public:
    // `against`: the factor by which the pitch will be multiplied afterwards; 1 moves nothing.
    Envelope(std::size_t window, int rate, double against);

    bool moves() const { return against_ != 1; }
    // Gives each bin the level that the envelope has where the bin will come to lie. REQUIRES window / 2 + 1 bins.
    void move(std::span<std::complex<float>> spectrum);

  private:
    void takeLevels(std::span<const std::complex<float>> spectrum);
    void smooth();

    double against_;
    std::size_t keep_;     // quefrencies, in frames
    std::size_t together_; // bins of a frame to one of those that follow
    sound::RealFft cepstrum_;
    std::vector<float> logs_;
    std::vector<float> smooth_;
    std::vector<float> gains_;
    bool silent_ = false;
};

} // namespace stretch
