#include "hear/bands.h"

#include <cmath>
#include <numbers>

namespace hear {

std::vector<Band> semitoneBands(int rate, std::size_t window, double lowest, double highest) {
    const double binHz = static_cast<double>(rate) / static_cast<double>(window);
    std::vector<std::size_t> centres;
    for (int semitone = 0;; ++semitone) {
        const double hz = lowest * std::exp2(semitone / 12.0);
        if (hz >= highest) break;
        const auto bin = static_cast<std::size_t>(std::lround(hz / binHz));
        if (bin > 0 && (centres.empty() || bin > centres.back())) centres.push_back(bin);
    }
    std::vector<Band> bands;
    for (std::size_t i = 1; i + 1 < centres.size(); ++i) {
        Band band{double(centres[i]) * binHz, centres[i - 1] + 1, {}};
        float sum = 0;
        for (std::size_t b = centres[i - 1] + 1; b < centres[i + 1]; ++b) {
            const double w = b <= centres[i] ? double(b - centres[i - 1]) / double(centres[i] - centres[i - 1])
                                             : double(centres[i + 1] - b) / double(centres[i + 1] - centres[i]);
            band.weights.push_back(static_cast<float>(w));
            sum += band.weights.back();
        }
        for (float& w : band.weights)
            w /= sum;
        bands.push_back(std::move(band));
    }
    return bands;
}

void bandLevels(const std::vector<Band>& bands, std::span<const float> magnitudes, float gain,
                std::span<float> levels) {
    for (std::size_t b = 0; b < bands.size(); ++b) {
        const float* weights = bands[b].weights.data();
        const float* of = magnitudes.data() + bands[b].first;
        float sum = 0;
        for (std::size_t k = 0; k < bands[b].weights.size(); ++k)
            sum += weights[k] * of[k];
        levels[b] = 1 + gain * sum;
    }
    for (float& level : levels) // several at a time
        level = std::log10(level);
}

std::vector<float> hannWindow(std::size_t n) {
    std::vector<float> shape(n);
    for (std::size_t i = 0; i < n; ++i)
        shape[i] = static_cast<float>(0.5 - 0.5 * std::cos(2 * std::numbers::pi * (double(i) + 0.5) / double(n)));
    return shape;
}

} // namespace hear
