// Where sounds begin.
#pragma once

#include "base/progress.h"
#include "hear/recording.h"
#include "sound/audio.h"

#include <vector>

namespace hear {

using sound::Frames;

struct Onset {
    Frames at;           // the first frame of the attack, at Recording::rate unless it is said otherwise
    double strength = 0; // rise of the spectrum, relative to the strongest onset of the recording: 0 to 1
    bool operator==(const Onset&) const = default;
};

// Finds onsets by log-frequency spectral flux with a maximum filter against vibrato, then moves each to the start
// of its rise in the waveform, to about half a millisecond for struck sounds.
// Böck & Widmer, "Maximum Filter Vibrato Suppression for Onset Detection", DAFx 2013 (from memory); the
// refinement on the waveform is ours. sensitivity 0 to 1: higher finds weaker onsets. Any thread; about a
// thousandth of the audio's length. Returns what was found so far when progress is stopped.
std::vector<Onset> onsets(const Recording& recording, double sensitivity = 0.5,
                          const base::Progress& progress = {});

// Of audio in memory, at its own rate. Empty when there is no room for listening to it.
std::vector<Onset> onsets(const sound::Audio& audio, double sensitivity = 0.5, const base::Progress& progress = {});

// The onsets of a recording (at Recording::rate) in audio of another rate that was made from it: each at the first
// frame of its attack there, which conversion moves by a few frames.
std::vector<Onset> refinedIn(const sound::Audio& audio, const std::vector<Onset>& heard);

// The same moments in frames of another rate. REQUIRES rates > 0.
std::vector<Onset> atRate(std::vector<Onset> onsets, int fromRate, int toRate);

} // namespace hear
