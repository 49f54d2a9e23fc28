// Which tempos a recording may have, and how well each goes with what is heard and with how long it is.
#pragma once

#include "hear/repetition.h"
#include "hear/strength.h"
#include "metre/units.h"

#include <array>
#include <vector>

namespace hear {

using metre::Bpm;

// Where the sound begins and ends.
struct Span {
    double start = 0; // seconds: the first sound
    double end = 0;   // the last sound, quiet tails set aside
    double file = 0;  // the whole recording
};
Span spanOf(const Strength& s, double fileSeconds);

inline constexpr std::size_t pulseFeatures = 92;

// A tempo that the recording may have.
struct Pulse {
    Bpm bpm{120};
    std::array<float, pulseFeatures> features{}; // what the ranking looks at; made by pulses()
    double weight = 0;                           // the share of trust, all pulses together 1
};

// The range of tempos that are considered.
inline constexpr double slowestPulse = 30;
inline constexpr double fastestPulse = 300;

// All tempos worth considering, heaviest first. Periodicity by Fourier tempograms (Grosche & Müller, "Extracting
// Predominant Local Pulse Information from Music Recordings", IEEE TASLP 2011, from memory) of four bands and of
// the change of pitch, whether what sounds comes again, and how far apart chords turn; the ranking is our own, with
// weights fitted to a generated set (tools/fit_pulse.py). Empty when nothing begins anywhere. Any thread.
std::vector<Pulse> pulses(const Curves& curves, const Repetition& again, const Span& span);

} // namespace hear
