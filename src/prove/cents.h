// By how much what came out is out of tune against what went in.
#pragma once

#include "prove/measured.h"

namespace prove {

// The deviation in cents of `after` from `before`: positive is sharp. Moment by moment
// the spectral peaks of both are compared; the commonest interval among them is theirs, and the median of those
// within a fifth of a semitone of it, weighted by how strong they are, the deviation. None where too little has a
// pitch, or no interval is common (drums, noise), and where it is more than an octave. REQUIRES as many moments in
// both, in the same order. Ours. Any thread; quick.
std::optional<double> centsBetween(const std::vector<Pitches>& before, const std::vector<Pitches>& after);

} // namespace prove
