// Pieces that are played without a click, with the moments of their beats: made, so that the truth is known.
#pragma once

#include "sound/audio.h"

#include <string>
#include <vector>

namespace support {

struct FreePiece {
    std::string name;
    sound::Audio audio;        // one channel, 44.1 kHz
    std::vector<double> beats; // seconds, in order; the first is a downbeat
    int beatsInBar = 4;
    double bpm = 0; // about which it was played
};

struct FreePlaying {
    enum class Drift { Walk, Ramp, Ritardando };
    enum class Before { Nothing, Silence, Word };
    Drift drift = Drift::Walk;
    Before before = Before::Nothing;
    double bpm = 100;
    int bars = 16;
    int beatsInBar = 4;
    int parts = 2;      // notes to a beat: 3 in 6/8
    double swing = 0.5; // where the second of two parts lies in the beat
    bool drums = true;  // else plucked notes and chords
    unsigned seed = 1;
};

// Walk: the tempo goes up and down at random, within ±6 %. Ramp: from 6 % slower to 6 % faster. Ritardando: the
// last quarter slows down by a third. Notes are the player's own: within ±1 ms of where they are meant.
FreePiece played(const FreePlaying& how);

// The set that the measures are made on: each drift, metres of four, three and six eighths, swing, silence or a
// spoken word before.
std::vector<FreePiece> freePieces();

} // namespace support
