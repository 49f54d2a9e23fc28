#include "hear/patterns.h"

#include <array>
#include <cmath>

namespace hear {

namespace {

constexpr std::size_t fewestBeats = 24;
constexpr std::size_t inBeat = 12; // places
constexpr std::size_t patternCurves = 5;

using BeatPattern = std::array<float, inBeat * patternCurves>;

std::vector<BeatPattern> patternsOf(const Strength& s, const Beating& b) {
    const std::array<const std::vector<float>*, patternCurves> all = {&s.flux, &s.low, &s.high, &s.change, &s.turn};
    std::vector<BeatPattern> list;
    for (int beat = 0; b.start + beat * b.period <= b.last + 0.03; ++beat) {
        BeatPattern& pattern = list.emplace_back();
        for (std::size_t c = 0; c < patternCurves; ++c)
            for (std::size_t k = 0; k < inBeat; ++k) {
                const double at = b.start + (beat + double(k) / inBeat) * b.period;
                pattern[c * inBeat + k] = static_cast<float>(greatestNear(*all[c], s.hop, at));
            }
    }
    return list;
}

// Without what all have in common, each curve to one deviation.
void centre(std::vector<BeatPattern>& list) {
    const auto n = double(list.size());
    for (std::size_t c = 0; c < patternCurves; ++c) {
        double square = 0;
        for (std::size_t k = c * inBeat; k < (c + 1) * inBeat; ++k) {
            double mean = 0;
            for (const BeatPattern& p : list)
                mean += double(p[k]) / n;
            for (BeatPattern& p : list) {
                p[k] -= static_cast<float>(mean);
                square += double(p[k]) * double(p[k]);
            }
        }
        const double scale = 1 / std::sqrt(square / (n * inBeat) + 1e-12);
        for (BeatPattern& p : list)
            for (std::size_t k = c * inBeat; k < (c + 1) * inBeat; ++k)
                p[k] *= static_cast<float>(scale);
    }
}

double alikeAfter(const std::vector<BeatPattern>& list, std::size_t beats) {
    double both = 0;
    double first = 1e-12;
    double second = 1e-12;
    for (std::size_t i = 0; i + beats < list.size(); ++i)
        for (std::size_t k = 0; k < inBeat * patternCurves; ++k) {
            const double a = list[i][k];
            const double b = list[i + beats][k];
            both += a * b;
            first += a * a;
            second += b * b;
        }
    return both / std::sqrt(first * second);
}

} // namespace

std::optional<double> threeAgainstFour(const Strength& s, const Beating& beating) {
    std::vector<BeatPattern> list = patternsOf(s, beating);
    if (list.size() < fewestBeats) return {};
    centre(list);
    double out = 0;
    for (const std::size_t bars : {1, 2, 3})
        out += (alikeAfter(list, 3 * bars) - alikeAfter(list, 4 * bars)) / 3;
    return out;
}

} // namespace hear
