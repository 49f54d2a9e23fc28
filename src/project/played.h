// The tempo as a recording was played, beat by beat: to be looked at.
#pragma once

#include "project/project.h"

namespace project {

struct PlayedBeat {
    Beats beat;
    Seconds at;      // where it was played: on the onset next to it, else where the beats say
    Bpm bpm{120};    // from there to the next
    bool on = false; // something was played there
};

// Of moments in order, the nearest to one; none farther off than `reach`.
std::optional<Seconds> nearest(const std::vector<Seconds>& moments, Seconds at, Seconds reach);

// All whole beats of a source, each on the onset within an eighth of a beat of where the source's pins say it lies,
// where there is one among `onsets`, which are in order. The last has the tempo of the one before. Empty where no
// beat is known. Any thread; takes about a millisecond for ten thousand beats.
std::vector<PlayedBeat> playedBeats(const Source& source, const std::vector<Seconds>& onsets);

// Of the onsets of a source those that count, as its sensitivity has it; in its own seconds.
std::vector<Seconds> countedOnsets(const Source& source);

} // namespace project
