// Tempos that are halves and doubles of each other, and which of such families a recording's tempo is of.
#pragma once

#include "hear/loop_fit.h"
#include "hear/pulse.h"

#include <array>
#include <vector>

namespace hear {

// Whether a tempo is another, to three per cent, or its half or double, so many times over. Any thread.
bool isKin(Bpm a, Bpm b, int octaves);

inline constexpr std::size_t kinFigures = 61;

// Tempos that are twice, four times, half or a quarter of one.
struct Kin {
    std::vector<std::size_t> members;        // indices of pulses, heaviest first
    double weight = 0;                       // theirs together
    std::array<float, kinFigures> figures{}; // what the choice looks at
};

// The families that are worth weighing against each other, heaviest first: those with a fiftieth of the trust, at
// most four; one, when there is nothing to choose. REQUIRES pulses and events not empty. Any thread.
std::vector<Kin> kinOf(const std::vector<Pulse>& pulses, KnownWays& ways);

// The pulses with each family weighed anew by how well its best explanation of the length goes (hear/loop_fit):
// three beats and four in the same time are told apart by it more often than by what is periodic. Heaviest first;
// weights sum to 1. Weights fitted by tools/fit_pulse.py --for kin. REQUIRES as kinOf(). Any thread.
std::vector<Pulse> weighedByLength(std::vector<Pulse> pulses, KnownWays& ways);

} // namespace hear
