// Where one chord gives way to another, and when exactly.
#pragma once

#include "hear/strength.h"

#include <vector>

namespace hear {

struct Turn {
    double at = 0;     // seconds: a fifth of the way from the one chord to the other
    double height = 0; // 0 to 1: how unlike they are
    double takes = 0;  // seconds from a tenth of that way to six tenths
};

// The changes of harmony, in order: the peaks of `turn` (Strength::turn) that are no wavering of one chord. Chords
// of pads and bows blend into each other slowly, but each like the other: the moment at which a certain part of the
// change is done lies as far behind every chord's beginning, to a few milliseconds, where the peak of an unlikeness
// does not. Any thread.
std::vector<Turn> turnsOf(const Pitches& pitches, const Strength& s);

} // namespace hear
