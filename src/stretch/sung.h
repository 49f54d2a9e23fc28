// *Sung*: for a voice or one instrument.
#pragma once

#include "stretch/method.h"

namespace stretch {

// A phase vocoder with a window of a few periods of a voice, its channels locked together; a shorter one where
// formants are moved. `formantsAgainst` as in VocoderSettings. REQUIRES a map that is not the identity, unless
// formants move.
Result<Audio> renderSung(const Material& material, const TimeMap& map, double formantsAgainst,
                         const Progress& progress);

} // namespace stretch
