// How strongly something begins, moment by moment: the curves that tempo and beats are found from.
#pragma once

#include "base/progress.h"
#include "hear/mono.h"
#include "hear/profiles.h"

#include <vector>

namespace hear {

// Curves over the recording, one value a hop of about 5 ms; value h belongs to the moment h × hop seconds.
struct Strength {
    double hop = 0.005;        // seconds
    std::vector<float> flux;   // rise of the spectrum, all bands
    std::vector<float> low;    // below 180 Hz: kick, bass
    std::vector<float> mid;    // 180 Hz to 2.5 kHz
    std::vector<float> high;   // above
    std::vector<float> change; // change of pitch or colour, also without an attack: pads, bows, voices
    std::vector<float> turn;   // the same from one stretch of 0.4 s to the next: chords that blend into each other
    std::vector<float> level;  // RMS, relative to the recording's peak
    std::size_t size() const { return flux.size(); }
    double seconds(std::size_t h) const { return static_cast<double>(h) * hop; }
};

// What sounds at which pitch: one profile a hop of about 20 ms.
struct Pitches {
    double hop = 0.02;
    static constexpr int lowest = 28; // MIDI note of band 0: E1, 41 Hz
    Profiles loudness;                // of spectral peaks: square root of magnitude, 0 and up
    double tuning = 0;                // cents off A4 = 440 Hz, −50 to 50
};

// One chord gives way to another.
struct Turn {
    double at = 0;     // seconds: a fifth of the way from the one chord to the other
    double height = 0; // 0 to 1: how unlike they are
    double takes = 0;  // seconds from a tenth of that way to six tenths
};

struct Curves {
    Strength strength;
    Pitches pitches;
    std::vector<Turn> turns; // see hear/turns.h
};

// Spectral flux on semitone bands with a maximum filter against vibrato: Böck & Widmer, "Maximum Filter Vibrato
// Suppression for Onset Detection", DAFx 2013 (from memory). The change of pitch compares the tenth of a second
// before with the one after: a novelty after Foote, "Automatic Audio Segmentation Using a Measure of Audio
// Novelty", ICME 2000 (from memory); the turn does so over four tenths. Any thread; memory grows by 6 kB a second
// of audio, where that is long, and by 35 in the first ten minutes. Returns what it has when stopped.
Curves curves(const Mono& mono, const base::Progress& progress = {});

} // namespace hear
