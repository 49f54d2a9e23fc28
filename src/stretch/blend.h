// *Blend*: full mixes.
#pragma once

#include "stretch/line.h"

namespace stretch {

// What lasts is stretched as *Held*, what strikes as *Struck*, and the two are put together again; both keep
// attacks at the same frames. After Driedger, Müller & Ewert, "Improving Time-Scale Modification of Music Signals
// Using Harmonic-Percussive Separation", IEEE Signal Processing Letters 2014 (from memory). `formantsAgainst` as in
// VocoderSettings.
std::unique_ptr<Line> blendLine(Passage passage, double formantsAgainst);

} // namespace stretch
