// *Sung*: a voice or one instrument.
#pragma once

#include "stretch/line.h"

namespace stretch {

// A phase vocoder with a window of a few periods of a voice, its channels locked together; a shorter one where
// formants are moved. `formantsAgainst` as in VocoderSettings.
std::unique_ptr<Line> sungLine(Passage passage, double formantsAgainst);

} // namespace stretch
