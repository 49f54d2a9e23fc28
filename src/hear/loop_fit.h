// The tempo of a steady recording to a hundredth of a BPM, and how many beats its loop has: what is heard, how long
// the recording is, and which numbers people use, weighed together.
#pragma once

#include "hear/grid.h"

#include <optional>
#include <vector>

namespace hear {

struct LoopFit {
    double period = 0.5;      // seconds a beat
    double start = 0;         // seconds: the first downbeat
    std::optional<int> beats; // none: the length says nothing, a tail or a song
    double seconds = 0;       // of those beats
    // The tempo by the onsets alone, where that was too coarse and the whole number within its error was taken.
    std::optional<Bpm> measured;
};

// Weighs, near the tempo `about`, three explanations of the recording's length: cut to whole beats, cut a little
// wrong, or unrelated to them (a tail); each at whole tempos and between them, by how near its grid comes to the
// events. The shares of explanations and of whole tempos are common practice. REQUIRES events not empty. Any
// thread.
LoopFit fitLoop(const std::vector<Event>& events, const Strength& s, const Span& span, Bpm about);

} // namespace hear
