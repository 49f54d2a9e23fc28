// Loops are circles: what a method needs so that the end runs on into the beginning.
#pragma once

#include "stretch/line.h"

namespace stretch {

// The stretch of the material that the map covers, as a circle: its sound, its attacks and its map are unrolled on
// both sides, as far as any method looks.
Result<Passage> circleOf(const Material& material, const TimeMap& map);

// Folds a line that reaches beyond the circle on both sides onto it. `line` renders spans of the line from −reach
// to length + reach. Each frame is the sum of the line's at every turn, from the earliest on.
Result<Audio> folded(Span span, std::int64_t length, std::int64_t reach, const Progress& progress,
                     const std::function<Result<Audio>(Span, const Progress&)>& line);

} // namespace stretch
