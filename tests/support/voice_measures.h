// What stretching does to one voice: how clean its periods are, and where its pitch lies from moment to moment.
#pragma once

#include "sound/audio.h"

#include <vector>

namespace support {

using sound::Audio;

// One moment of a voice.
struct Voiced {
    double hertz = 0;     // 0: nothing voiced here
    double harmonics = 0; // harmonics over noise, dB
};

// Every 10 ms of the first channel, by the autocorrelation of six periods of the lowest pitch, 75 Hz, under a
// Gaussian window, over that of the window (Boersma, "Accurate short-term analysis of the fundamental frequency and
// the harmonics-to-noise ratio of a sampled sound", IFA Proceedings 17, 1993; from memory). Pitches of 75 to 700
// Hz.
std::vector<Voiced> voiceOf(const Audio& audio);

// How a voice differs from another of the same length, where that is clearly voiced (harmonics over noise above 8
// dB) for 30 ms: the pitch sought within two semitones of the other's, so that doubled periods show in the
// harmonics.
struct VoiceOff {
    std::vector<double> cents;     // of each moment, without sign
    std::vector<double> harmonics; // dB, with sign: negative where this voice is rougher
};
VoiceOff voiceOff(const Audio& made, const Audio& truth);

} // namespace support
