// *Blend*: for full mixes.
#pragma once

#include "stretch/method.h"

namespace stretch {

// What lasts is stretched as *Held*, what strikes as *Struck*, and the two are put together again; both keep
// attacks at the same frames. After Driedger, Müller & Ewert, "Improving Time-Scale Modification of Music Signals
// Using Harmonic-Percussive Separation", IEEE Signal Processing Letters 2014 (from memory). `formantsAgainst` as in
// VocoderSettings. REQUIRES a map that is not the identity.
Result<Audio> renderBlend(const Material& material, const TimeMap& map, double formantsAgainst,
                          const Progress& progress);

} // namespace stretch
