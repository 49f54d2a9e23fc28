// *Held*: for pads, chords and drones.
#pragma once

#include "stretch/method.h"

namespace stretch {

// A phase vocoder with a long window, its channels locked together, at the recording's own speed around attacks.
// `formantsAgainst` as in VocoderSettings. REQUIRES a map that is not the identity.
Result<Audio> renderHeld(const Material& material, const TimeMap& map, double formantsAgainst,
                         const Progress& progress);

} // namespace stretch
