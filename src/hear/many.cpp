#include "hear/many.h"

#include <cmath>
#include <cstddef>

namespace hear {

void exponentials(std::span<float> numbers) {
    for (float& x : numbers)
        x = std::exp(x > -80 ? x : -80.0F);
}

void logarithms(std::span<float> numbers) {
    for (float& x : numbers)
        x = std::log(x);
}

void cosinesAndSines(std::span<const float> angles, std::span<float> cosines, std::span<float> sines) {
    float* __restrict cosine = cosines.data();
    float* __restrict sine = sines.data();
    const float* __restrict angle = angles.data();
    // By themselves: of both at once the C library has nothing for several.
    for (std::size_t i = 0; i < angles.size(); ++i)
        cosine[i] = std::cos(angle[i]);
    for (std::size_t i = 0; i < angles.size(); ++i)
        sine[i] = std::sin(angle[i]);
}

} // namespace hear
