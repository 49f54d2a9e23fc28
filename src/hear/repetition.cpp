#include "hear/repetition.h"

#include <algorithm>
#include <cmath>

namespace hear {

Repetition::Repetition(const Pitches& pitches) : hop_(pitches.hop) {
    const std::size_t hops = std::min(pitches.loudness.size(), static_cast<std::size_t>(300 / hop_));
    Profiles::Walk walk(pitches.loudness);
    unit_.reserve(hops);
    for (std::size_t h = 0; h < hops; ++h) {
        walk.stand(h);
        unit_.push_back(walk[h]);
    }
    norm_.reserve(hops);
    for (auto& profile : unit_) {
        float sum = 0;
        for (const float x : profile)
            sum += x * x;
        const float norm = std::sqrt(sum);
        norm_.push_back(norm);
        for (float& x : profile)
            x /= std::max(1e-9F, norm);
    }
}

double Repetition::after(double seconds) const {
    const auto lag = static_cast<std::size_t>(std::lround(seconds / hop_));
    double product = 0;
    double weights = 1e-9;
    for (std::size_t h = 0; h + lag < unit_.size(); ++h) {
        const float weight = norm_[h] * norm_[h + lag];
        if (weight <= 0) continue;
        // Sums side by side, which the compiler turns into vectors.
        std::array<float, 4> sums{};
        for (std::size_t k = 0; k < profileBands; k += 4)
            for (std::size_t i = 0; i < 4; ++i)
                sums[i] += unit_[h][k + i] * unit_[h + lag][k + i];
        product += double(weight) * double(sums[0] + sums[1] + sums[2] + sums[3]);
        weights += double(weight);
    }
    return product / weights;
}

} // namespace hear
