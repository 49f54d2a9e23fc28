// The highest points of a curve.
#pragma once

#include <cstddef>
#include <vector>

namespace hear {

// Where a curve is at least `least`, and no value within `around` of it is higher. In order; never the first value
// or the last. Any thread.
std::vector<std::size_t> summits(const std::vector<float>& curve, float least, std::size_t around);

// How far beside a summit the top of a parabola through it and its neighbours lies, −0.5 to 0.5. REQUIRES h neither
// the first nor the last.
double besideSummit(const std::vector<float>& curve, std::size_t h);

} // namespace hear
