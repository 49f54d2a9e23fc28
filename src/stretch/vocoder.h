// The shared spectral engine of *Held*, *Blend* and *Sung*: a phase vocoder that keeps what belongs together
// together.
#pragma once

#include "stretch/method.h"

namespace stretch {

struct VocoderSettings {
    double window = 0.17; // seconds: long for chords, short for one voice
    // What the result's pitch will be multiplied by afterwards: the spectral envelope is moved the other way
    // beforehand, so that formants stay. 1: leaves it alone.
    double formantsAgainst = 1;
    bool attacks = true; // keep time around attacks unstretched, with the phases they were recorded with
};

// Renders the whole map, all channels with the same phase rotations. REQUIRES a map that is not the identity.
// Any thread; takes time; memory besides input and output is a few windows. Fails when cancelled.
Result<Audio> vocode(const Material& material, const TimeMap& map, const VocoderSettings& settings,
                     const Progress& progress);

} // namespace stretch
