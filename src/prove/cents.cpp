#include "prove/cents.h"

#include <algorithm>
#include <cmath>
#include <cstdint>

namespace prove {

namespace {

constexpr double widest = 1250; // cents, either way
constexpr double narrow = 20;
constexpr double binCents = 5;

struct Interval {
    double cents = 0;
    double weight = 0;
};

} // namespace

std::optional<double> centsBetween(const std::vector<Pitches>& before, const std::vector<Pitches>& after) {
    std::vector<Interval> intervals;
    double all = 0; // what the peaks before could match at most
    for (std::size_t m = 0; m < std::min(before.size(), after.size()); ++m) {
        double own = 0;
        double others = 0;
        for (const Pitches::Peak& a : before[m].peaks) {
            own += a.weight * a.weight;
            for (const Pitches::Peak& b : after[m].peaks) {
                const double cents = 1200 * std::log2(b.hz / a.hz);
                if (std::abs(cents) < widest) intervals.push_back({cents, a.weight * b.weight});
            }
        }
        for (const Pitches::Peak& b : after[m].peaks)
            others += b.weight * b.weight;
        all += std::sqrt(own * others);
    }
    if (intervals.size() < 3 || all <= 0) return std::nullopt;
    std::vector<double> bins(static_cast<std::size_t>(2 * widest / binCents) + 1, 0.0);
    for (const Interval& i : intervals)
        bins[static_cast<std::size_t>((i.cents + widest) / binCents)] += i.weight;
    std::size_t best = 0;
    double most = 0;
    for (std::size_t b = 2; b + 2 < bins.size(); ++b) {
        const double sum = bins[b - 2] + bins[b - 1] + bins[b] + bins[b + 1] + bins[b + 2];
        if (sum > most) {
            most = sum;
            best = b;
        }
    }
    if (most < 0.35 * all) return std::nullopt;
    const double centre = (double(best) + 0.5) * binCents - widest;
    std::erase_if(intervals, [&](const Interval& i) { return std::abs(i.cents - centre) > narrow; });
    std::sort(intervals.begin(), intervals.end(),
              [](const Interval& a, const Interval& b) { return a.cents < b.cents; });
    double total = 0;
    for (const Interval& i : intervals)
        total += i.weight;
    double sum = 0;
    for (const Interval& i : intervals) {
        sum += i.weight;
        if (sum >= total / 2) return i.cents;
    }
    return std::nullopt;
}

} // namespace prove
