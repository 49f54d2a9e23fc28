// How sure it is that a recording has a beat, and that the first of its tempos is the right one.
#pragma once

#include "hear/grid.h"
#include "hear/kind.h"
#include "hear/pulse.h"
#include "hear/repetition.h"
#include "hear/strength.h"

#include <array>
#include <vector>

namespace hear {

inline constexpr std::size_t surenessOwnFigures = 43;
inline constexpr std::size_t surenessFigures = pulseFeatures + surenessOwnFigures;

// What sureness is judged by: the features of the first pulse; how it stands among the others; how many sounds
// there are, how evenly they lie and how their strengths go; how near a straight grid comes to them; the
// recording's colour; whether its level dies away; and how much begins, changes and turns once it sounds. `again`
// is of the recording's pitches. REQUIRES pulses and events not empty. Any thread.
std::array<float, surenessFigures> surenessFiguresOf(const Strength& s, const Repetition& again,
                                                     const Colour& colour, const std::vector<Event>& events,
                                                     const Span& span, const std::vector<Pulse>& pulses);

// The probability, 0 to 1, that there is a beat and that the first pulse is it, be it counted twice as fast or half
// as fast. Weights fitted to loops, pieces and single sounds by tools/fit_sureness.py; what they are worth on
// others is shown by bench_hearing. Any thread.
double surenessOf(const std::array<float, surenessFigures>& figures);

} // namespace hear
