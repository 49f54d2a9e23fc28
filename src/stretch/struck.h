// *Struck*: for drums and plucked rhythm.
#pragma once

#include "stretch/method.h"

namespace stretch {

// Time-domain stretching between attacks. Each attack is copied untouched, to its exact place; only the sound
// between is lengthened or shortened, by going on playing the source and now and then crossing over to the most
// similar place nearby. REQUIRES settings.semitones == 0; render() takes care of pitch.
Result<Audio> renderStruck(const Material& material, const TimeMap& map, const Progress& progress);

} // namespace stretch
