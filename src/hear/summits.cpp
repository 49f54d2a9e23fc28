#include "hear/summits.h"

#include <algorithm>

namespace hear {

std::vector<std::size_t> summits(const std::vector<float>& curve, float least, std::size_t around) {
    std::vector<std::size_t> list;
    for (std::size_t h = 1; h + 1 < curve.size(); ++h) {
        const float here = curve[h];
        if (here < least || here < curve[h - 1] || here <= curve[h + 1]) continue;
        const auto from = curve.begin() + static_cast<std::ptrdiff_t>(h > around ? h - around : 0);
        const auto to = curve.begin() + static_cast<std::ptrdiff_t>(std::min(curve.size(), h + around));
        if (std::all_of(from, to, [here](float other) { return other <= here; })) list.push_back(h);
    }
    return list;
}

double besideSummit(const std::vector<float>& curve, std::size_t h) {
    const double before = curve[h - 1];
    const double after = curve[h + 1];
    const double bend = before - 2 * double(curve[h]) + after;
    return bend < 0 ? std::clamp(0.5 * (before - after) / bend, -0.5, 0.5) : 0;
}

} // namespace hear
