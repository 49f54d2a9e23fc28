// Whole songs: what is steady where it is clear is steady everywhere. A beginning, a break or an ending that says
// little of the beat is carried over from where drums or plucked sounds tell.
#pragma once

#include "hear/grid.h"
#include "hear/strength.h"

#include <optional>
#include <vector>

namespace hear {

// One steady tempo through a whole recording.
struct Throughout {
    double period = 0.5; // seconds a beat
    double start = 0;    // seconds: a beat
    double share = 0;    // of what is clear, how much lies on it, 0 to 1
    double plain = 1;    // by how much its beats stand out from the halves and quarters between, 0 to 1
};

// The tempo near `about` on which the clear stretches of a recording lie, all of them or nearly; none where these
// drift against each other, where hardly anything is clear, or where the recording is too short to ask. Stretches
// of six or eight seconds are looked at, each by the attacks in it: clear is one whose attacks lie on a grid of
// their own. Where more of what is clear lies on the tracked beats (track.h), it is played freely.
// Beats are those lines of the grid on which the tracked beats and strong low strokes lie. Any thread.
std::optional<Throughout> steadyThroughout(const std::vector<Event>& events, const std::vector<double>& tracked,
                                           const Strength& s, const Span& span, Bpm about);

// The first bar line at or before the first sound, where bars have so many beats: bars begin where harmony changes,
// where drums come in or rest, and on low strokes. In seconds; not before the file begins.
double firstBarLine(const Throughout& beats, int beatsInBar, const std::vector<Event>& events, const Curves& c);

// The bar line, in seconds, from which on as much begins in a bar as in most of the recording; none where that is
// so within its first bar. `start`: the first bar line. Any thread.
std::optional<double> comesIn(double start, double period, int beatsInBar, const std::vector<Event>& events);

} // namespace hear
