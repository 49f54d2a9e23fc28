// A recording's beats, tried at another tempo or a little later.
#pragma once

#include "metre/beat_map.h"

namespace metre {

// The same pins with `factor` times as many beats in the same time, around the moment of beat 0, and all of them
// later by `later`. Fails where the tempo that comes of it is none (20 to 400 BPM), in a sentence. REQUIRES
// factor > 0.
base::Result<BeatMap> nearerBeats(const BeatMap& beats, double factor, Seconds later);

} // namespace metre
