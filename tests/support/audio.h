// Audio made for tests, and measures that do not use the code under test.
#pragma once

#include "sound/audio.h"

#include <cstddef>
#include <cstdint>
#include <vector>

namespace support {

using sound::Audio;

Audio sine(double hertz, double seconds, int rate = 48000, int channels = 1, double level = 0.5);
Audio silence(double seconds, int rate = 48000, int channels = 1);
// White noise, always the same for the same seed.
Audio noise(double seconds, int rate = 48000, int channels = 1, unsigned seed = 1, double level = 0.3);
// Short decaying strokes (a noise burst on a tone) that begin at exactly these frames.
Audio strokes(const std::vector<std::int64_t>& at, double seconds, int rate = 48000, int channels = 1);

// A plucked note: eight partials that die away, from this second on, added to what is there; every channel alike.
void pluck(Audio& audio, double at, double hertz, double level = 0.3, double decay = 3);

// How a stroke falls, sample by sample for a third of a second, worked out once for all strokes of a kind: 0.7 of a
// tone, and what hiss is multiplied by. Falls by e in 1/toneDecay and 1/hissDecay seconds.
class Fall {
  public:
    Fall(double tone, double toneDecay, double hissDecay, int rate);
    std::size_t size() const { return tone_.size(); }
    double tone(std::size_t sample) const { return tone_[sample]; }
    double hiss(std::size_t sample) const { return hiss_[sample]; }

  private:
    std::vector<double> tone_;
    std::vector<double> hiss_;
};

// A drum loop on a grid of beats: a low stroke on the beats of `kicks` (0 = the first of the bar), a bright one on
// those of `snares`, and a short hiss on every half beat. Cut to whole bars; `beatSeconds` are the moments of the
// beats.
Audio drumLoop(const std::vector<double>& beatSeconds, double seconds, int beatsInBar = 4, int rate = 44100);
std::vector<double> steadyBeats(double bpm, int beats, double first = 0);

// Four bars of plucked notes on all eighths, `eighth` seconds apart: low where a bar begins, higher where its
// groups of so many eighths do, bright between.
Audio accented(const std::vector<int>& groups, double eighth);

// The frequency of a steady tone, by the phase advance between two windows; to a small fraction of a cent.
double frequencyOf(const Audio& audio, double nearHertz);
double cents(double hertz, double reference);

// By how many frames `b` around frame atB lies later than `a` around frame atA: the lag, within ±reach, at which
// `length` frames correlate best. Channel 0.
std::int64_t lagOf(const Audio& a, std::int64_t atA, const Audio& b, std::int64_t atB, std::int64_t length,
                   std::int64_t reach);

double energy(const Audio& audio, std::int64_t from, std::int64_t to);
double rmsDb(const Audio& audio);

} // namespace support
