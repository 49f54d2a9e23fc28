// Places in the music, as people type them.
#pragma once

#include "metre/metre_map.h"

namespace metre {

// Reads "7", "7.3" or "7 · 3 · 24": bar, beat and part, parted by points, middle dots or spaces; the beat and the
// part may be left out. Bars may be negative. Fails, saying why, on anything else.
base::Result<BarPosition> parsePosition(std::string_view text);

} // namespace metre
