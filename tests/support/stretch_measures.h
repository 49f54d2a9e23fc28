// Measures of what stretching does to sound of which everything is known. They use nothing of the code under test
// but its Fourier transform.
#pragma once

#include "sound/audio.h"

#include <vector>

namespace support {

using sound::Audio;

// The peak of the spectrum next to a frequency, interpolated: a parabola through the logarithms of three bins
// (Smith & Serra, "PARSHL", International Computer Music Conference 1987; from memory) of a spectrum padded
// fourfold, under a Blackman–Harris window. The middle two seconds of the first channel are looked at.
double peakNear(const Audio& audio, double hertz);

// What is left of the middle second of a chord of pure tones when tones of these frequencies are taken out: dB
// below the whole.
double offTheTones(const Audio& audio, const std::vector<double>& hertz);

// How much the level of a steady tone wavers, per cent of it, seen over a fifth of a second; the worst of the
// tones. These must lie 30 Hz apart. The middle two thirds are looked at.
double ripplePercent(const Audio& audio, const std::vector<double>& hertz);

// The greatest bend of the waveform where a loop comes round, over the greatest elsewhere in it, in dB.
double seamClickDb(const Audio& loop);

// How alike the two channels move, from 0 to 1, an octave band each from 62 Hz to 16 kHz.
std::vector<double> coherence(const Audio& audio);

// By how many degrees a tone in the right channel is ahead of that in the left. The middle third is looked at.
double phaseBetween(const Audio& audio, double hertz);

// Tones of these frequencies, with so many harmonics each, falling by 6 dB an octave; at 48 kHz.
Audio tones(const std::vector<double>& hertz, int harmonics, double seconds = 4, int channels = 1);

} // namespace support
