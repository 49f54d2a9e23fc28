#include "hear/accents.h"

#include "hear/bar_weights.h"
#include "hear/net.h"
#include "hear/patterns.h"

#include <algorithm>
#include <cassert>
#include <cmath>
#include <map>

namespace hear {

namespace {

struct Bar {
    metre::Metre metre;
    double beats; // heard ones
};
constexpr std::array<Bar, 8> bars = {
    {{{4, 4}, 4}, {{2, 4}, 2}, {{3, 4}, 3}, {{5, 4}, 5}, {{6, 8}, 2}, {{6, 8}, 6}, {{7, 8}, 3.5}, {{7, 8}, 7}}};

constexpr std::size_t curveCount = 5;
std::array<const std::vector<float>*, curveCount> curvesOf(const Strength& s) {
    return {&s.flux, &s.low, &s.high, &s.change, &s.turn};
}

// Likeness of a curve to itself, so many seconds later, where both are there; 0 to 1.
double likeness(const std::vector<float>& curve, double hop, double seconds) {
    const auto lag = static_cast<std::size_t>(std::lround(seconds / hop));
    if (lag + 40 >= curve.size()) return 0;
    double both = 0;
    double first = 1e-9;
    double second = 1e-9;
    for (std::size_t h = 0; h + lag + 3 < curve.size(); ++h) {
        const double later = std::max({curve[h + lag], curve[h + lag + 2], lag >= 2 ? curve[h + lag - 2] : 0.0F});
        both += double(curve[h]) * later;
        first += double(curve[h]) * double(curve[h]);
        second += later * later;
    }
    return both / std::sqrt(first * second);
}

// What happens at halves of beats, for one curve: value i lies i half beats after the start.
std::vector<double> atHalves(const std::vector<float>& curve, double hop, const Beating& b) {
    std::vector<double> out;
    for (int i = 0; b.start + i * b.period / 2 <= b.last + 0.03; ++i)
        out.push_back(greatestNear(curve, hop, b.start + i * b.period / 2));
    return out;
}

// Logarithm of the mean where bars begin, `offset` half beats into them, over the mean of all heard beats.
double accent(const std::vector<double>& halves, int bar, int offset) {
    double on = 0;
    double all = 1e-6;
    int some = 0;
    int every = 0;
    for (std::size_t i = 0; i < halves.size(); ++i) {
        if (static_cast<int>(i) % bar == offset) {
            on += halves[i];
            ++some;
        }
        if (i % 2 == 0) {
            all += halves[i];
            ++every;
        }
    }
    if (some == 0 || every == 0) return 0;
    return std::clamp(std::log((on / some + 0.01) / (all / every + 0.01)), -2.0, 2.0);
}

// Shares of the strength between beats: at a third and two thirds, at the half, at the quarters.
std::array<double, 3> divided(const Strength& s, const Beating& b) {
    std::array<double, 3> sums{};
    double beats = 1e-6;
    for (double t = b.start; t + b.period <= b.last + b.period / 2; t += b.period) {
        const auto at = [&](double place) { return greatestNear(s.flux, s.hop, t + place * b.period); };
        beats += at(0);
        sums[0] += (at(1 / 3.0) + at(2 / 3.0)) / 2;
        sums[1] += at(0.5);
        sums[2] += (at(0.25) + at(0.75)) / 2;
    }
    for (double& x : sums)
        x = std::min(2.0, x / beats);
    return sums;
}

template <class List>
double meanOf(const List& x) {
    double sum = 0;
    for (const double v : x)
        sum += v;
    return sum / double(x.size());
}

// What the figures of all bars are made of.
class BarMeasure {
  public:
    BarMeasure(const Strength& s, const Repetition& again, const Beating& b)
        : s_(s), again_(again), b_(b), curves_(curvesOf(s)), between_(divided(s, b)),
          beats_(std::max(1.0, (b.last - b.start) / b.period + 1)) {
        for (std::size_t c = 0; c < curveCount; ++c)
            halves_[c] = atHalves(*curves_[c], s.hop, b);
        constexpr std::array<double, lagCount> lags = {1, 2, 3, 3.5, 4, 5, 6, 7};
        for (std::size_t i = 0; i < lags.size(); ++i)
            overall_[i] = meanOf(alike(lags[i]));
    }

    BarWay of(std::size_t bar) {
        BarWay way{bars[bar].metre, bars[bar].beats, {}};
        n_ = 0;
        putLikeness(way);
        putLength(way);
        putAccents(way);
        putDivision(way, bar);
        assert(n_ == BarWay::figures);
        return way;
    }

  private:
    static constexpr std::size_t lagCount = 8;

    void put(BarWay& way, double x) { way.features[n_++] = static_cast<float>(x); }

    // How alike the recording is so many beats later: each curve, then the pitches. Bars share many of them.
    std::array<double, curveCount + 1> alike(double beats) {
        const auto [at, isNew] = known_.try_emplace(beats);
        if (isNew) {
            for (std::size_t c = 0; c < curveCount; ++c)
                at->second[c] = likeness(*curves_[c], s_.hop, beats * b_.period);
            at->second[curveCount] = again_.after(beats * b_.period);
        }
        return at->second;
    }

    void putLikeness(BarWay& way) {
        const auto here = alike(way.beats);
        const double step = way.beats == 3.5 ? 0.5 : 1;
        const auto less = alike(way.beats - step);
        const auto more = alike(way.beats + step);
        const auto twice = alike(2 * way.beats);
        for (std::size_t c = 0; c < here.size(); ++c) {
            put(way, here[c]);
            put(way, here[c] - (less[c] + more[c]) / 2);
            put(way, twice[c]);
        }
        put(way, meanOf(here));
        put(way, meanOf(here) - *std::max_element(overall_.begin() + 1, overall_.end()));
    }

    // Whether the loop is a whole number of such bars, and how many there are.
    void putLength(BarWay& way) {
        put(way, b_.loop.has_value());
        const double inLoop = b_.loop ? *b_.loop / way.beats : 0;
        const bool whole = b_.loop && std::abs(inLoop - std::round(inLoop)) < 1e-9;
        put(way, whole);
        put(way, whole && (inLoop == 1 || inLoop == 2 || inLoop == 4 || inLoop == 8));
        put(way, std::log2(beats_ / way.beats));
        put(way, std::max(0.0, 2 - beats_ / way.beats));
    }

    void putAccents(BarWay& way) {
        const int bar = static_cast<int>(std::lround(2 * way.beats));
        for (std::size_t c = 0; c < curveCount; ++c) {
            const double first = accent(halves_[c], bar, 0);
            double other = -2;
            for (int offset = 1; offset < bar; ++offset)
                other = std::max(other, accent(halves_[c], bar, offset));
            put(way, first);
            put(way, first - other);
        }
        put(way, accent(halves_[0], bar, bar / 2));
        put(way, accent(halves_[1], bar, bar / 2));
    }

    // How beats are divided, how fast they are, and which bar it is. Threes in a beat speak for dotted quarters,
    // fast beats for eighths.
    void putDivision(BarWay& way, std::size_t bar) {
        const double threes = between_[0] - std::max(between_[1], between_[2]);
        const double fast = std::log2(0.5 / b_.period);
        for (const double x : between_)
            put(way, x);
        put(way, threes);
        put(way, fast);
        for (const double x : overall_)
            put(way, x);
        for (std::size_t i = 0; i < bars.size(); ++i)
            put(way, i == bar);
        const bool dotted = way.metre == metre::Metre{6, 8} && way.beats == 2;
        const bool eighths = way.metre.unit == 8 && way.beats == way.metre.beats;
        put(way, dotted ? threes : 0);
        put(way, dotted ? fast : 0);
        put(way, eighths ? fast : 0);
        put(way, 1);
    }

    const Strength& s_;
    const Repetition& again_;
    const Beating& b_;
    const std::array<const std::vector<float>*, curveCount> curves_;
    std::array<std::vector<double>, curveCount> halves_;
    const std::array<double, 3> between_;
    const double beats_;
    std::array<double, lagCount> overall_{};
    std::map<double, std::array<double, curveCount + 1>> known_;
    std::size_t n_ = 0;
};

} // namespace

double greatestNear(const std::vector<float>& curve, double hop, double at) {
    constexpr std::int64_t reach = 7; // hops
    const auto middle = static_cast<std::int64_t>(std::llround(at / hop));
    double most = 0;
    for (std::int64_t h = std::max<std::int64_t>(0, middle - reach);
         h <= std::min<std::int64_t>(std::int64_t(curve.size()) - 1, middle + reach); ++h)
        most = std::max(most, double(curve[static_cast<std::size_t>(h)]));
    return most;
}

std::vector<BarWay> barWays(const Strength& s, const Repetition& again, const Beating& b) {
    BarMeasure measure(s, again, b);
    std::vector<BarWay> ways;
    for (std::size_t bar = 0; bar < bars.size(); ++bar)
        ways.push_back(measure.of(bar));
    return ways;
}

BarWay barOf(const Strength& s, const Repetition& again, const Beating& beating) {
    // Under this there is more to be lost than won by saying anything but what most music is in.
    constexpr double sure = 2.0 / 3;
    const std::vector<BarWay> ways = barWays(s, again, beating);
    std::vector<double> weights;
    double sum = 0;
    for (const BarWay& way : ways) {
        weights.push_back(
            std::exp(netScore(way.features, barHiddenBias, barHiddenWeights, barOutputWeights, barDirectWeights)));
        sum += weights.back();
    }
    // What one metre weighs, by whichever of its beats were heard.
    const auto share = [&](metre::Metre metre) {
        double all = 0;
        for (std::size_t i = 0; i < ways.size(); ++i)
            if (ways[i].metre == metre) all += weights[i] / sum;
        return all;
    };
    const BarWay* best = &ways.front();
    double most = 0;
    for (std::size_t i = 0; i < ways.size(); ++i)
        if (weights[i] > most && share(ways[i].metre) >= sure) {
            most = weights[i];
            best = &ways[i];
        }
    // Over many bars what repeats says it outright.
    constexpr double plainly = 0.1;
    const double three = threeAgainstFour(s, beating).value_or(0);
    const metre::Metre waltz{3, 4};
    if (best->metre == metre::Metre{4, 4} && three > plainly)
        best = &*std::find_if(ways.begin(), ways.end(), [&](const BarWay& way) { return way.metre == waltz; });
    else if (best->metre == waltz && three < -plainly)
        best = &ways.front();
    return *best;
}

} // namespace hear
