// *Held*: pads, chords and drones.
#pragma once

#include "stretch/line.h"

namespace stretch {

// A phase vocoder with a long window, its channels locked together, at the recording's own speed around attacks.
// `formantsAgainst` as in VocoderSettings.
std::unique_ptr<Line> heldLine(Passage passage, double formantsAgainst);

} // namespace stretch
