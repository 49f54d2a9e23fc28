// Functions of many numbers, which the C library works out several at a time. Any thread.
#pragma once

#include <span>

namespace hear {

// All to single precision, in place; numbers are finite.
void exponentials(std::span<float> numbers); // of −80 to 80; what is lower counts as −80
void logarithms(std::span<float> numbers);   // natural ones. REQUIRES numbers over 0

// Of angles in radians, −π to π. REQUIRES as many of each.
void cosinesAndSines(std::span<const float> angles, std::span<float> cosines, std::span<float> sines);

} // namespace hear
