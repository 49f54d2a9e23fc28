#include "support/hearing_measures.h"

#include <algorithm>
#include <cmath>

namespace measure {

double fMeasure(const std::vector<double>& truth, const std::vector<double>& found, double tolerance) {
    std::size_t hits = 0;
    std::size_t next = 0;
    for (const double t : truth) {
        while (next < found.size() && found[next] < t - tolerance)
            ++next;
        if (next < found.size() && found[next] <= t + tolerance) {
            ++hits;
            ++next;
        }
    }
    const std::size_t both = truth.size() + found.size();
    return both == 0 ? 1 : 2.0 * double(hits) / double(both);
}

// The share of beats that are right one after the other: each within 17.5 % of a beat of a true one, and so is the
// one before it, at about the true distance.
double continuity(const std::vector<double>& truth, const std::vector<double>& found) {
    if (truth.size() < 2 || found.size() < 2) return 0;
    std::size_t right = 0;
    for (std::size_t i = 0; i < found.size(); ++i) {
        const auto near = static_cast<std::size_t>(
            std::min_element(truth.begin(), truth.end(),
                             [&](double a, double b) { return std::abs(a - found[i]) < std::abs(b - found[i]); }) -
            truth.begin());
        const std::size_t k = std::max<std::size_t>(1, near);
        const double gap = truth[k] - truth[k - 1];
        if (std::abs(found[i] - truth[near]) > 0.175 * gap) continue;
        const double mine = i > 0 ? found[i] - found[i - 1] : found[1] - found[0];
        if (std::abs(mine / gap - 1) <= 0.175) ++right;
    }
    return double(right) / double(std::max(truth.size(), found.size()));
}

// The best over half, double and off-beat counting.
double allowedContinuity(const std::vector<double>& truth, const std::vector<double>& found) {
    std::vector<double> twice;
    std::vector<double> off;
    std::vector<double> even;
    std::vector<double> odd;
    for (std::size_t i = 0; i < truth.size(); ++i) {
        twice.push_back(truth[i]);
        (i % 2 == 0 ? even : odd).push_back(truth[i]);
        if (i + 1 == truth.size()) continue;
        twice.push_back((truth[i] + truth[i + 1]) / 2);
        off.push_back((truth[i] + truth[i + 1]) / 2);
    }
    double best = 0;
    for (const auto* t :
         {&truth, static_cast<const std::vector<double>*>(&twice), static_cast<const std::vector<double>*>(&off),
          static_cast<const std::vector<double>*>(&even), static_cast<const std::vector<double>*>(&odd)})
        best = std::max(best, continuity(*t, found));
    return best;
}

double keyScore(int truth, int found) {
    if (truth == found) return 1;
    const bool sameMode = truth / 12 == found / 12;
    const int up = ((found % 12) - (truth % 12) + 12) % 12;
    if (sameMode && (up == 7 || up == 5)) return 0.5;
    const int relative = truth < 12 ? 9 : 3;
    if (!sameMode && up == relative) return 0.3;
    if (!sameMode && up == 0) return 0.2;
    return 0;
}

} // namespace measure
