#include "hear/tapped.h"

#include "metre/tempo.h"

#include <algorithm>
#include <cmath>
#include <fmt/format.h>

namespace hear {

void Tapping::tap(metre::Seconds at) {
    constexpr std::size_t most = 16;
    if (!times_.empty() && at.value - times_.back() > 2.5) times_.clear();
    if (!times_.empty() && at.value - times_.back() < 0.05) return; // a bouncing key
    times_.push_back(at.value);
    if (times_.size() > most) times_.erase(times_.begin());
}

namespace {

struct TapLine {
    double period = 0.5;
    double phase = 0;
    double error = 0;  // seconds, of the period
    double spread = 0; // seconds, of the taps
};

TapLine through(const std::vector<std::pair<double, double>>& points) { // beat, time
    const auto n = static_cast<double>(points.size());
    double mx = 0;
    double my = 0;
    for (const auto& [x, y] : points) {
        mx += x / n;
        my += y / n;
    }
    double xx = 0;
    double xy = 0;
    for (const auto& [x, y] : points) {
        xx += (x - mx) * (x - mx);
        xy += (x - mx) * (y - my);
    }
    TapLine line;
    line.period = xy / xx;
    line.phase = my - mx * line.period;
    double squares = 0;
    for (const auto& [x, y] : points)
        squares += (y - line.phase - x * line.period) * (y - line.phase - x * line.period);
    line.spread = std::sqrt(squares / std::max(1.0, n - 2));
    line.error = line.spread / std::sqrt(xx);
    return line;
}

} // namespace

std::optional<TapResult> Tapping::result() const {
    if (times_.size() < 2) return std::nullopt;
    std::vector<double> gaps;
    for (std::size_t i = 1; i < times_.size(); ++i)
        gaps.push_back(times_[i] - times_[i - 1]);
    std::vector<double> sorted = gaps;
    std::sort(sorted.begin(), sorted.end());
    const double usual = sorted[sorted.size() / 2];
    std::vector<std::pair<double, double>> points = {{0, times_[0]}};
    for (std::size_t i = 0; i < gaps.size(); ++i)
        points.emplace_back(points.back().first + std::max(1.0, std::round(gaps[i] / usual)), times_[i + 1]);
    TapLine line = through(points);
    // Slips: the furthest off goes, one at a time, while it is far off and enough are left.
    while (points.size() >= 4) {
        std::size_t worst = 0;
        double furthest = 0;
        for (std::size_t i = 0; i < points.size(); ++i) {
            std::vector<std::pair<double, double>> others = points;
            others.erase(others.begin() + static_cast<std::ptrdiff_t>(i));
            const TapLine rest = through(others);
            const double off = std::abs(points[i].second - rest.phase - points[i].first * rest.period);
            if (off > furthest) {
                furthest = off;
                worst = i;
            }
        }
        if (furthest < 0.2 * line.period || points.size() * 4 < times_.size() * 3) break;
        points.erase(points.begin() + static_cast<std::ptrdiff_t>(worst));
        line = through(points);
    }
    Bpm bpm(60 / line.period);
    while (bpm > metre::fastestTempo)
        bpm = Bpm(bpm.value / 2);
    while (bpm < metre::slowestTempo)
        bpm = Bpm(bpm.value * 2);
    return TapResult{bpm, bpm.value * line.error / line.period, points.size()};
}

Reading tappedReading(const TapResult& result, std::optional<Bpm> heard) {
    Reading r;
    r.by = Witness::Tapped;
    r.bpm = result.bpm;
    r.sureness = result.taps >= 4 ? std::clamp(1 - result.spread / result.bpm.value * 40, 0.1, 0.95) : 0.1;
    r.evidence = fmt::format("{} taps · ±{:.1f}", result.taps, result.spread);
    if (heard) {
        const double ratio = result.bpm.value / heard->value;
        if (std::abs(ratio - 0.5) < 0.03) r.evidence += " · half of what is heard";
        if (std::abs(ratio - 2) < 0.12) r.evidence += " · twice what is heard";
    }
    return r;
}

} // namespace hear
