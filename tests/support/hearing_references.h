// Reference libraries for hearing: in benches and tests only.
#pragma once

#include "sound/audio.h"

#include <optional>
#include <vector>

namespace reference {

struct Answer {
    double bpm = 0;            // 0: none
    std::vector<double> beats; // seconds
    std::optional<int> key;    // 0–11 major, 12–23 minor, C first
};

// A loop shorter than 20 s is repeated until it is that long, which helps each of them.
Answer aubio(const sound::Audio& audio);
Answer qmDsp(const sound::Audio& audio); // with its key
Answer soundTouch(const sound::Audio& audio);

// Where sounds begin, in seconds, by aubio's high-frequency content; a few milliseconds late throughout.
std::vector<double> aubioOnsets(const sound::Audio& audio);

// The same by qm-dsp's complex spectral difference, whose steps are 3 ms at 44.1 kHz; late throughout as well.
std::vector<double> qmDspOnsets(const sound::Audio& audio);

} // namespace reference
