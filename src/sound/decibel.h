// Levels: decibels and factors.
#pragma once

#include <cmath>

namespace sound {

inline constexpr double silenceDb = -120.0;

inline double factorFromDb(double db) {
    return std::pow(10.0, db / 20.0);
}

// silenceDb for anything at or below it, zero included.
inline double dbFromFactor(double factor) {
    const double magnitude = std::abs(factor);
    return magnitude <= 1e-6 ? silenceDb : 20.0 * std::log10(magnitude);
}

} // namespace sound
