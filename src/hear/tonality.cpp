#include "hear/tonality.h"

#include "hear/key_weights.h"

#include <algorithm>
#include <cmath>
#include <numeric>

namespace hear {

Classes classesOf(const Pitches& p) {
    Classes c;
    double moments = 0;
    double pitchedMoments = 0;
    float loudest = 0;
    const auto n = p.loudness.size();
    Profiles::Walk walk(p.loudness);
    for (std::size_t h = 0; h < n; ++h) {
        walk.stand(h);
        for (const float l : walk[h])
            loudest = std::max(loudest, l);
    }
    if (loudest < 0.02F) return c;
    std::array<double, 12> early{};
    const double startFor = std::min(double(n), std::max(25.0, double(n) * 0.15));
    double seen = 0;
    for (std::size_t h = 1; h + 1 < n; ++h) {
        walk.stand(h);
        const auto& bands = walk[h];
        const float strongest = *std::max_element(bands.begin(), bands.end());
        if (strongest < loudest * 0.1F) continue;
        moments += 1;
        // A pitch counts where it was and will be there: what only bursts is a drum.
        double steady = 0;
        double whole = 0;
        int lowest = -1;
        std::array<double, 12> here{};
        for (std::size_t b = 0; b < bands.size(); ++b) {
            const float held = std::min({walk[h - 1][b], bands[b], walk[h + 1][b]});
            whole += bands[b];
            if (held < strongest * 0.2F) continue;
            steady += held;
            // A partial of a lower note that sounds counts little.
            double own = held;
            for (const std::size_t below : {std::size_t(12), std::size_t(19), std::size_t(24), std::size_t(28)})
                if (b >= below && bands[b - below] > 0.6F * held) own *= below == 12 ? 0.6 : 0.35;
            here[(b + Pitches::lowest) % 12] += own;
            if (lowest < 0 && held > strongest * 0.35F) lowest = static_cast<int>(b);
        }
        if (whole <= 0 || steady < 0.25 * whole) continue;
        pitchedMoments += 1;
        const double sum = std::accumulate(here.begin(), here.end(), 1e-9);
        for (std::size_t k = 0; k < 12; ++k) {
            c.all[k] += here[k] / sum;
            if (seen < startFor) early[k] += here[k] / sum;
        }
        seen += 1;
        if (lowest >= 0) c.bass[static_cast<std::size_t>((lowest + Pitches::lowest) % 12)] += 1;
    }
    c.start = early;
    for (auto* classes : {&c.all, &c.bass, &c.start}) {
        const double sum = std::accumulate(classes->begin(), classes->end(), 1e-9);
        for (double& x : *classes)
            x /= sum;
    }
    c.pitched = moments > 0 ? pitchedMoments / moments : 0;
    return c;
}

std::array<double, 24> keyScores(const Classes& classes) {
    std::array<double, 24> scores{};
    for (std::size_t k = 0; k < 24; ++k) {
        const bool minor = k >= 12;
        const auto& weights = minor ? minorWeights : majorWeights;
        double score = minor ? double(minorBias) : 0.0;
        for (std::size_t i = 0; i < 12; ++i) {
            const std::size_t tone = (i + k) % 12;
            score += double(weights[i]) * classes.all[tone] + double(weights[12 + i]) * classes.bass[tone] +
                     double(weights[24 + i]) * classes.start[tone] +
                     double(weights[36 + i]) * std::sqrt(classes.all[tone]);
        }
        scores[k] = score;
    }
    const double highest = *std::max_element(scores.begin(), scores.end());
    for (double& s : scores)
        s -= highest;
    return scores;
}

std::optional<HeardKey> keyOf(const Classes& classes) {
    if (classes.pitched < 0.72) return std::nullopt;
    const std::array<double, 24> scores = keyScores(classes);
    double sum = 0;
    for (const double s : scores)
        sum += std::exp(s);
    const auto best = static_cast<int>(std::max_element(scores.begin(), scores.end()) - scores.begin());
    const double sureness = 1 / sum;
    return HeardKey{{best % 12, best >= 12}, sureness};
}

} // namespace hear
