// *Tape*: pitch follows speed.
#pragma once

#include "stretch/method.h"

namespace stretch {

// Reads the material at the speed that the map asks for, by band-limited interpolation: a Kaiser-windowed sinc
// whose cut-off follows the speed (Smith & Gossett, "A flexible sampling-rate conversion method", ICASSP 1984; from
// memory). Landing is exact to a fraction of a frame.
Result<Audio> renderTape(const Material& material, const TimeMap& map, const Progress& progress);

// The change of pitch that a map implies on tape, in cents, from its mean ratio: half the speed is −1200.
double tapeCents(const TimeMap& map);

} // namespace stretch
