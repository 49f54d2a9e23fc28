// The small nets that weigh what is heard.
#pragma once

#include <array>
#include <cmath>
#include <cstddef>

namespace hear {

// The score of N features by a linear part (`direct`) and one hidden layer of H units (`bias`, `weights`, `out`),
// as the tools in tools/fit_*.py fit them. Any thread.
template <class Value, std::size_t N, std::size_t H>
double netScore(const std::array<Value, N>& x, const std::array<float, H>& bias,
                const std::array<std::array<float, N>, H>& weights, const std::array<float, H>& out,
                const std::array<float, N>& direct) {
    double score = 0;
    for (std::size_t h = 0; h < H; ++h) {
        double sum = bias[h];
        for (std::size_t i = 0; i < N; ++i)
            sum += double(weights[h][i]) * double(x[i]);
        score += double(out[h]) * std::tanh(sum);
    }
    for (std::size_t i = 0; i < N; ++i)
        score += double(direct[i]) * double(x[i]);
    return score;
}

} // namespace hear
