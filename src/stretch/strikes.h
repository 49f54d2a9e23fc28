// Which attacks begin something, and which are only a swell of what sounds already.
#pragma once

#include "stretch/line.h"

namespace stretch {

// Of a passage's attacks those after which much of the power is new, or bands all over the spectrum are louder than
// before: time is worth keeping unstretched around these. Onsets found in pads and voices mostly are not such. Any
// thread; some hundredths of a millisecond an attack.
std::vector<Frames> strikesOf(const Passage& passage);
std::vector<Frames> strikesIn(const Audio& audio, const std::vector<Frames>& attacks);

} // namespace stretch
