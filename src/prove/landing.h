// Deviations from the grid, and what they say in a few numbers.
#pragma once

#include "metre/units.h"

#include <optional>
#include <vector>

namespace prove {

using metre::Seconds;

// In time, early or late by more than the tolerance; unread: nothing to measure by.
enum class Landing { InTime, Early, Late, Unread };

// "in time", "early", "late", "unread"
const char* landingWord(Landing l);

inline constexpr Seconds usualTolerance{0.010}; // common practice
inline constexpr Seconds leastTolerance{0.001};
inline constexpr Seconds mostTolerance{0.050};

struct Deviation {
    Seconds at;  // where, in the time of what came out
    Seconds off; // late is positive
};

Landing landingOf(Seconds off, Seconds tolerance);

struct Deviations {
    std::size_t count = 0;
    Seconds median; // of absolute values
    Seconds p95;    // of absolute values: the smallest that 95 % do not exceed
    Seconds worst;  // the farthest off, with its sign
    std::size_t worstIndex = 0;
    Seconds middle; // median with signs
    Seconds drift;  // how much the line through them changes from `from` to `to`; with fewer than four: none
};

// Of deviations in order of time. The line is the median of the slopes between pairs that lie at least a third of
// the whole apart, so that single strokes do not turn it (Theil 1950, Sen 1968, from memory). Any thread; quick.
Deviations summed(const std::vector<Deviation>& list, Seconds from, Seconds to);

struct Counts {
    std::size_t inTime = 0;
    std::size_t early = 0;
    std::size_t late = 0;
};
Counts counted(const std::vector<Deviation>& list, Seconds tolerance);

// In time when nine of ten lie within the tolerance, and neither their middle nor their drift is beyond it; else
// early or late, by where most of what is beyond lies. Unread without any.
Landing landingOf(const std::vector<Deviation>& list, const Deviations& summed, Seconds tolerance);

} // namespace prove
