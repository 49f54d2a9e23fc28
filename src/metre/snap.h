// Snapping a place to the grid.
#pragma once

#include "metre/metre_map.h"

namespace metre {

enum class Snap { Off, QuarterBeat, HalfBeat, Beat, Bar };

// The grid place nearest to b; b itself when snapping is off. Halves go up.
Beats snapped(Beats b, Snap snap, const MetreMap& metre);

// The last grid place at or before b, and the first after it. REQUIRES snap != Off.
Beats gridBefore(Beats b, Snap snap, const MetreMap& metre);
Beats gridAfter(Beats b, Snap snap, const MetreMap& metre);

} // namespace metre
