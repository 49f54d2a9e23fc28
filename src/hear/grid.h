// A straight grid of beats through what was heard: the tempo to a hundredth of a BPM.
#pragma once

#include "hear/onsets.h"
#include "hear/pulse.h"
#include "hear/strength.h"

#include <vector>

namespace hear {

// Something that begins, with how surely its moment is known.
struct Event {
    double at = 0;       // seconds
    double strength = 0; // 0 to 1
    double blur = 0.003; // seconds: one standard deviation of its moment
    bool attack = true;  // false: a change of pitch without one
    double accent = 0;   // 0 to 1: how much the harmony or the bass moves with it
};

// A rise of the spectrum below this (see Strength::flux) is no onset, however quiet the rest.
inline constexpr float quietestRise = 0.02F;

// A change of harmony below this (see Strength::turn) is the wavering of one chord.
inline constexpr float quietestTurn = 0.1F;

// The onsets, and changes of pitch where there is no onset. Where chords blend into each other and hardly anything
// is struck, their turns are what happens, and quiet onsets the wavering of what sounds.
std::vector<Event> events(const std::vector<Onset>& onsets, int rate, const Curves& curves);

// The peaks of the strength of onsets itself: for slow attacks steadier from note to note than any first frame.
std::vector<Event> peaksOf(const Strength& s);

// Beats at phase + n × period seconds.
struct Grid {
    double period = 0.5;
    double phase = 0;
    double periodError = 1; // seconds, one standard deviation
    double blur = 0.003;    // seconds: how surely the moments it goes by are known
    double spread = 1;      // seconds: the events' distance from the grid's lines, by their median
    double landed = 0;      // share of the events' strength that lies on the grid
    double agreement = 0;   // the same, the nearer the more, 0 to 1
    int division = 4;       // lines a beat
};

// Fits a straight line through the events nearest to the grid's lines, again and again as it grows sharper; sounds
// of one place in the beat may all be early or late together (swing, slow attacks) without bending the tempo.
// Weighted least squares with Tukey's biweight (Beaton & Tukey, Technometrics 1974, from memory). `about` is within
// `reach` (as a share) of the tempo. Any thread.
Grid straightGrid(const std::vector<Event>& events, const Span& span, Bpm about, double reach = 0.015);

} // namespace hear
