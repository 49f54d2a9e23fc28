// Where one chord gives way to another, and when exactly.
#pragma once

#include "hear/strength.h"

#include <vector>

namespace hear {

// The changes of harmony, in order: the peaks of `turn` (Strength::turn) that are no wavering of one chord. Chords
// of pads and bows blend into each other slowly, but each like the other: the moment at which a certain part of the
// change is done lies as far behind every chord's beginning, to a few milliseconds, where the peak of an unlikeness
// does not. `sound`: one profile every `hop` seconds of all that sounds, each the logarithms of 1 + 1000 ×
// magnitude. Any thread.
std::vector<Turn> turnsOf(const Profiles& sound, double hop, const Strength& s);

} // namespace hear
