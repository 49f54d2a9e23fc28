// Deviations from the grid, and what they say in a few numbers.
#pragma once

#include "metre/units.h"

#include <array>
#include <optional>
#include <vector>

namespace prove {

using metre::Seconds;

// In time; early or late by more than the tolerance, all of it or drifting; loose: placed where it belongs, and
// played more loosely than the tolerance; off the grid: its beats lie beside the project's; unread: nothing to
// measure by.
enum class Landing { InTime, Early, Late, Loose, OffGrid, Unread };
inline constexpr std::array landings{Landing::InTime, Landing::Early,   Landing::Late,
                                     Landing::Loose,  Landing::OffGrid, Landing::Unread};
// Whether something was placed where it should not be: looseness is the player's.
constexpr bool isWrong(Landing l) {
    return l == Landing::Early || l == Landing::Late || l == Landing::OffGrid;
}

// "in time", "early", "late", "loose", "off the grid", "unread"
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

// In time when nine of ten lie within the tolerance, and neither their middle nor their drift is beyond it; early
// or late where these are; loose where only the hits one by one are beyond. Unread without any.
Landing landingOf(const std::vector<Deviation>& list, const Deviations& summed, Seconds tolerance);
// Of where hits were placed, which nobody's playing excuses: early or late too where more than one in ten is
// beyond, by where most of what is beyond lies.
Landing placingOf(const std::vector<Deviation>& list, const Deviations& summed, Seconds tolerance);

} // namespace prove
