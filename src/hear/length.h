// What a loop's length says: a loop is nearly always a whole number of beats.
#pragma once

#include "hear/pulse.h"

#include <vector>

namespace hear {

// A whole number of beats that fills a length.
struct LengthFit {
    int beats = 0;
    Bpm bpm{120};
    double weight = 0; // by habit alone (common practice): whole bars, mostly 1, 2, 4, 8 of them, at usual tempos
};

// All (beats, tempo) pairs that fill `seconds` in bars of 2, 3, 4 or 6, at 40 to 240 BPM, likeliest first; weights
// sum to 1. With `pulses` given, each is also weighed by the pulse at its tempo. Empty for less than a tenth of a
// second. Any thread.
std::vector<LengthFit> lengthFits(double seconds, const std::vector<Pulse>& pulses = {});

// The tempo at which `beats` fill `seconds`: 8 beats in 3.750 s are 128 BPM. REQUIRES both positive.
inline Bpm tempoOf(int beats, double seconds) {
    return Bpm(60.0 * beats / seconds);
}

} // namespace hear
