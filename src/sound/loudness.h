// Loudness as ears rate it, by libebur128: EBU R 128, ITU-R BS.1770.
#pragma once

#include "sound/audio.h"

#include <memory>
#include <optional>
#include <vector>

namespace sound {

// Measures audio that comes in pieces, one after the other. One thread; takes time: about a 500th of the audio's
// length for loudness, a 300th for both.
class Meter {
  public:
    enum class Of { Loudness, TruePeak, Both };
    // REQUIRES rate > 0, one or two channels.
    Meter(int rate, int channels, Of of);

    // REQUIRES as many channels as were said.
    void add(const Audio& audio);
    // Integrated loudness in LUFS of all that was added. What is shorter than the measure's block of 0.4 s is
    // measured with silence after it. Nothing where all of it lies below the measure's gate of −70 LUFS, or there
    // is no memory for measuring. Nothing may be added after that.
    std::optional<double> loudness();
    // The true peak in dB below or above full scale (dBTP), of four-fold oversampled audio as ITU-R BS.1770 asks;
    // nothing where it is silent. Nothing may be added after that. Only what comes to within
    // 3 dB of the highest sample so far is oversampled: below a quarter of the rate nothing rises by more between
    // samples.
    std::optional<double> truePeak();

  private:
    struct Destroy {
        void operator()(void* state) const;
    };
    void addToPeak(const float* woven, std::int64_t n);

    std::unique_ptr<void, Destroy> loudness_;
    std::unique_ptr<void, Destroy> peak_;
    std::size_t channels_;
    int rate_;
    std::int64_t total_ = 0;
    bool failed_ = false;
    float highest_ = 0;        // sample
    std::int64_t owed_ = 0;    // frames that the peak's filter is still to be given, of a loud place
    std::vector<float> woven_; // the last frames before, then a block
};

// Of pieces that follow one another, all of one rate and as many channels, as Meter::loudness() says; nothing where
// there is none. REQUIRES one or two channels. Any thread; takes time.
std::optional<double> integratedLoudness(const std::vector<AudioPtr>& pieces);

// As Meter::truePeak() says. REQUIRES one or two channels. Any thread; takes time.
std::optional<double> truePeak(const Audio& audio);

} // namespace sound
