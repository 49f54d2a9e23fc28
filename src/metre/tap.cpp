#include "metre/tap.h"

#include "metre/tempo.h"

#include <algorithm>
#include <cmath>

namespace metre {

void Taps::tap(Seconds at) {
    constexpr std::size_t most = 16;
    if (!times_.empty() && (at - times_.back()).value > 2.5) times_.clear();
    times_.push_back(at);
    if (times_.size() > most) times_.erase(times_.begin());
}

std::optional<Bpm> Taps::tempo() const {
    std::vector<double> gaps;
    for (std::size_t i = 1; i < times_.size(); ++i)
        gaps.push_back((times_[i] - times_[i - 1]).value);
    std::erase_if(gaps, [](double g) { return g <= 0.02; }); // a bouncing key
    if (gaps.empty()) return std::nullopt;
    std::vector<double> sorted = gaps;
    std::sort(sorted.begin(), sorted.end());
    const double median = sorted[sorted.size() / 2];
    double sum = 0;
    int count = 0;
    for (const double g : gaps)
        if (std::abs(g - median) <= 0.2 * median) {
            sum += g;
            ++count;
        }
    Bpm bpm(60.0 * count / sum);
    while (bpm > fastestTempo)
        bpm = Bpm(bpm.value / 2);
    while (bpm < slowestTempo)
        bpm = Bpm(bpm.value * 2);
    return bpm;
}

} // namespace metre
