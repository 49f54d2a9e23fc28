// Moving the pitch: stretched by as much as the pitch is to rise, then played that much faster.
#pragma once

#include "stretch/line.h"

namespace stretch {

// Plays a line, a circle where that is one, along a map from its output frames. `length`: the line's output frames.
std::unique_ptr<Line> playedFaster(std::unique_ptr<Line> line, std::int64_t length, bool circle, int rate,
                                   TimeMap map);

} // namespace stretch
