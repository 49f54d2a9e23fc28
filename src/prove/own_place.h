// Where in the beat each sound of a recording belongs: on a beat, on one of its usual parts, or where this
// recording plays it again and again. So swing and syncopation are no faults, and one stroke that is off among many
// is.
#pragma once

#include "metre/units.h"

#include <vector>

namespace prove {

using metre::Beats;

// The nearest part of a beat: a beat, a sixteenth (a quarter of a beat) or an eighth triplet (a third).
Beats nearestPart(Beats b);

struct Struck {
    Beats at; // by the recording's own beats
    double strength = 0;
};

// For each sound the beat on which it belongs. On a beat that is the beat itself, for the strongest that lies
// within a twelfth of it. Others belong where at least three of them, in different beats, lie within a thirtieth of
// a beat of one place: on their median, so that the recording's own swing counts, less
// what those on beats are late together; on the part of a beat beside it
// where that is nearer than a quarter of `near`, or than `near` where no beat is played on, by which their lateness
// would show. What keeps to no such place belongs on a part of a beat within `near`, and otherwise where it was
// played. REQUIRES sounds in order, near > 0. Ours. Any thread; quick.
std::vector<Beats> ownPlaces(const std::vector<Struck>& sounds, Beats near);

} // namespace prove
