// Loops are circles: rendering so that the end runs on into the beginning.
#pragma once

#include "stretch/method.h"

#include <functional>

namespace stretch {

using PlainRender = std::function<Result<Audio>(const Material&, const TimeMap&)>;

// Renders one turn of a circle. The stretch of the material that the map covers is unrolled by a little on both
// sides, rendered as a line, and cut at the seam; just before the seam the line crosses over into what precedes
// the beginning, so that the last frame leads to the first. Never moves anything at the beginning itself.
// `crossSeconds`: how long that takes: short for what is spliced, longer where phases have wandered.
Result<Audio> renderCircle(const Material& material, const TimeMap& map, double crossSeconds,
                           const PlainRender& renderLine);

} // namespace stretch
