// Whole songs made for tests, with known truth: a beginning that says little of the beat, drums with bass and
// chords, a break, drums again, an ending. Nothing in the product is fitted to these.
#pragma once

#include "sound/audio.h"

#include <string>
#include <utility>
#include <vector>

namespace support {

struct MadeSong {
    sound::Audio audio; // one channel
    double bpm = 120;
    int beatsInBar = 4;                           // 4, now and then 3
    std::vector<double> beats;                    // seconds, from the first bar line on
    std::vector<std::pair<double, double>> drums; // seconds: from and to where drums play
    std::string what;                             // what it is made of, for messages

    double bar() const { return beatsInBar * 60 / bpm; } // seconds
};

// Always the same for the same seed.
MadeSong madeSong(unsigned seed, int rate = 44100);

} // namespace support
