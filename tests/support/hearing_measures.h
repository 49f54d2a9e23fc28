// How well beats and keys were found, by the measures of the field. All from memory.
#pragma once

#include <vector>

namespace measure {

// Twice the hits over all beats, true and found; a hit lies within `tolerance` seconds of a true beat, each counted
// once. Dixon, "An interactive beat tracking and visualisation system", ICMC 2001; ±70 ms is MIREX practice.
double fMeasure(const std::vector<double>& truth, const std::vector<double>& found, double tolerance);

// The share of beats that are right one after the other (CMLt), and the best of it over half, double and off-beat
// counting (AMLt). Hainsworth, "Techniques for the automated analysis of musical audio", 2004; Klapuri, Eronen &
// Astola, "Analysis of the meter of acoustic musical signals", IEEE TASLP 2006.
double continuity(const std::vector<double>& truth, const std::vector<double>& found);
double allowedContinuity(const std::vector<double>& truth, const std::vector<double>& found);

// MIREX weights: 1 exact, 0.5 a fifth away, 0.3 relative, 0.2 parallel. Keys as numbers: 0–11 major, 12–23 minor, C
// first.
double keyScore(int truth, int found);

} // namespace measure
