// *Slices*: cut at the attacks, each piece at its place, nothing stretched.
#pragma once

#include "stretch/line.h"

namespace stretch {

// Each piece runs from its attack to the next, as recorded, and begins where the map says. Where there is less room
// than that, the next piece cuts it off; where there is more, it ends before the next attack of the recording would
// sound. Pieces cross over within the millisecond and a half before an attack, so that attacks are neither doubled
// nor dulled, and pieces that follow each other as recorded join to what was recorded.
std::unique_ptr<Line> slicesLine(Passage passage);

} // namespace stretch
