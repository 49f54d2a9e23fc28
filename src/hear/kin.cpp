#include "hear/kin.h"

#include "hear/kin_weights.h"
#include "hear/net.h"

#include <algorithm>
#include <cassert>
#include <cmath>

namespace hear {

namespace {

constexpr double leastWeight = 0.02;
constexpr std::size_t most = 4;

// What the best explanation of the length at a tempo comes to.
struct Explained {
    double best = -1e300;
    double together = 0; // logarithm of the sum of all explanations' shares
    LoopWay way;
};

Explained explained(const LoopWays& ways) {
    Explained out;
    std::vector<double> scores;
    for (const LoopWay& way : ways.list) {
        scores.push_back(scoreOf(way));
        if (scores.back() <= out.best) continue;
        out.best = scores.back();
        out.way = way;
    }
    double sum = 0;
    for (const double score : scores)
        sum += std::exp(score - out.best);
    out.together = out.best + std::log(sum);
    return out;
}

} // namespace

bool isKin(Bpm a, Bpm b, int octaves) {
    for (int k = -octaves; k <= octaves; ++k)
        if (std::abs(a.value / std::ldexp(b.value, k) - 1) < 0.03) return true;
    return false;
}

std::vector<Kin> kinOf(const std::vector<Pulse>& pulses, KnownWays& ways) {
    std::vector<Kin> list;
    for (std::size_t i = 0; i < pulses.size(); ++i) {
        auto at = std::find_if(list.begin(), list.end(), [&](const Kin& kin) {
            return isKin(pulses[i].bpm, pulses[kin.members.front()].bpm, 2);
        });
        if (at == list.end()) at = list.insert(list.end(), Kin{});
        at->members.push_back(i);
        at->weight += pulses[i].weight;
    }
    std::stable_sort(list.begin(), list.end(), [](const Kin& a, const Kin& b) { return a.weight > b.weight; });
    std::size_t count = 1;
    while (count < std::min(list.size(), most) && list[count].weight >= leastWeight)
        ++count;
    list.resize(count);
    if (count == 1) return list;

    std::vector<Explained> lengths;
    double best = -1e300;
    for (const Kin& kin : list) {
        lengths.push_back(explained(ways.at(pulses[kin.members.front()].bpm)));
        best = std::max(best, lengths.back().best);
    }
    for (std::size_t k = 0; k < list.size(); ++k) {
        Kin& kin = list[k];
        const Explained& length = lengths[k];
        const Pulse& first = pulses[kin.members.front()];
        std::size_t n = 0;
        const auto put = [&](double x) { kin.figures[n++] = static_cast<float>(x); };
        const double octave = std::log2(first.bpm.value / 110);
        put(std::log(kin.weight + 1e-4));
        put(kin.weight);
        put(length.best);
        put(length.together);
        put(length.best - best);
        put(std::log(first.weight / (kin.weight + 1e-9) + 1e-3));
        put(length.way.beats.has_value());
        put(octave * octave);
        for (const float x : length.way.features)
            put(double(x));
        put(1);
        assert(n == kin.figures.size());
    }
    return list;
}

std::vector<Pulse> weighedByLength(std::vector<Pulse> pulses, KnownWays& ways) {
    const std::vector<Kin> list = kinOf(pulses, ways);
    if (list.size() == 1) return pulses;
    std::vector<double> scores;
    double highest = -1e300;
    double before = 0;
    for (const Kin& kin : list) {
        scores.push_back(
            netScore(kin.figures, kinHiddenBias, kinHiddenWeights, kinOutputWeights, kinDirectWeights));
        highest = std::max(highest, scores.back());
        before += kin.weight;
    }
    double sum = 0;
    for (double& score : scores)
        sum += score = std::exp(score - highest);
    // What these have together stays; each gets its share of it.
    for (std::size_t k = 0; k < list.size(); ++k)
        for (const std::size_t i : list[k].members)
            pulses[i].weight *= before * scores[k] / sum / list[k].weight;
    std::stable_sort(pulses.begin(), pulses.end(),
                     [](const Pulse& a, const Pulse& b) { return a.weight > b.weight; });
    return pulses;
}

} // namespace hear
