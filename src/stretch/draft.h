// A quick rendering, to be heard until the real one is there.
#pragma once

#include "stretch/method.h"

namespace stretch {

// Output frames [from, to) of what Rendering::plan() would be given, many times as fast as any method: grains of a
// fortieth of a second that overlap by half, each moved by up to a hundred and fiftieth to where the sound goes on
// most alike (Verhelst & Roelands, "An overlap-add technique based on waveform similarity (WSOLA) for high quality
// time-scale modification of speech", ICASSP 1993; from memory), except beside an attack, which lands where the map
// says. Transposed by reading the grains faster or slower; formants are not kept. Of a loop, the end does not run
// on into the beginning. With `slices` pieces are cut as the real rendering cuts them. Any thread. REQUIRES 0 <=
// from < to.
Audio draft(const Material& material, const TimeMap& map, const Settings& settings, Frames from, Frames to);

} // namespace stretch
