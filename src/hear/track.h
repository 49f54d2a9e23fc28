// Beats that may drift: playing without a click.
#pragma once

#include "hear/grid.h"
#include "metre/beat_map.h"

#include <vector>

namespace hear {

// The moments of the beats, in order, about `about` apart, as far as the sound reaches. The best path through the
// strength of onsets with a tempo that may move: dynamic programming after Ellis, "Beat Tracking by Dynamic
// Programming", J. New Music Research 2007, over pairs of moment and period as in Krebs, Böck & Widmer, "An
// Efficient State-Space Model for Joint Tempo and Meter Tracking", ISMIR 2015 (both from memory); then each beat is
// moved to the event it stands for. None when it is stopped. Any thread.
std::vector<double> trackedBeats(const std::vector<Event>& events, const Strength& s, const Span& span, Bpm about,
                                 const base::Progress& progress = {});

// The share of the events' strength that lies on beats or their quarters, 0 to 1. REQUIRES beats in order.
double landing(const std::vector<double>& beats, const std::vector<Event>& events);

// The fewest pins, on beats, for which every beat lies within `tolerance` seconds of the line between its pins.
// One pass for each pin, through a cone that narrows: Imai & Iri, "An Optimal Algorithm for Approximating a
// Piecewise Linear Function", Journal of Information Processing 1986 (from memory); ours begins each line on a
// beat. REQUIRES two beats or more, in order. Beat 0 is beats[downbeat].
std::vector<metre::Pin> pinsThrough(const std::vector<double>& beats, std::size_t downbeat,
                                    double tolerance = 0.003);

} // namespace hear
