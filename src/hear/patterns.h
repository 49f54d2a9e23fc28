// What repeats from bar to bar: the pattern of each beat, without what all beats have in common.
#pragma once

#include "hear/accents.h"

#include <optional>

namespace hear {

// By how much more alike beats are to those three, six and nine later than to those four, eight and twelve later,
// from −2 to 2: positive in bars of three. A beat is what begins and changes at twelve places within it; what all
// beats have in common says nothing of bars and is taken away first, without which hats on every beat make all lags
// alike. None where there are fewer than 24 beats. Ours. Any thread; in the time that the number of beats takes.
std::optional<double> threeAgainstFour(const Strength& s, const Beating& beating);

} // namespace hear
