// Made by tools/fit_key_kind.py.
// clang-format off
#pragma once

#include <array>

namespace hear {

inline constexpr std::array<float, 48> majorWeights{2.982F, -1.859F, 3.894F, -3.669F, 0.64F, 1.865F, -3.098F, 3.993F, -2.063F, 2.124F, -4.012F, 2.338F, 2.88F, -0.2296F, -0.1729F, -0.9438F, 0.9625F, 3.027F, -2.983F, 1.608F, -0.2643F, 1.354F, -5.06F, 0.8266F, 4.304F, -4.191F, 4.281F, -4.966F, 4.753F, -0.3465F, -0.5916F, 1.557F, -1.651F, 1.861F, 0.3823F, -8.728F, 3.467F, -4.961F, -0.7409F, -3.373F, 1.853F, 2.181F, -3.381F, 5.22F, -3.481F, -0.305F, -5.381F, 3.478F};
inline constexpr std::array<float, 48> minorWeights{3.547F, -3.856F, 0.6827F, 1.124F, -2.891F, 1.6F, -0.7585F, 2.181F, 0.3596F, -4.302F, 1.086F, -1.699F, 1.847F, -2.198F, 0.2495F, 2.192F, -3.594F, 1.344F, -0.522F, 0.9228F, 1.382F, -2.805F, 1.264F, -2.134F, 5.811F, -2.426F, -4.249F, 2.871F, 1.933F, -4.317F, -0.1633F, 3.037F, -4.855F, -2.777F, -5.399F, -2.477F, 4.345F, -6.713F, 7.332F, 3.726F, -2.803F, 3.12F, -0.7539F, 3.396F, 2.357F, -5.792F, 3.872F, -2.87F};
inline constexpr float minorBias = -2.099F;

} // namespace hear
