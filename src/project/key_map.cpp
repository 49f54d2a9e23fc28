#include "project/key_map.h"

#include <algorithm>

namespace project {

base::Result<KeyMap> KeyMap::make(std::vector<KeyPoint> points) {
    if (points.empty() || points.front().bar != 1) return base::problem("The keys begin at bar 1.");
    for (std::size_t i = 1; i < points.size(); ++i)
        if (points[i].bar <= points[i - 1].bar)
            return base::problem("The changes of key must each lie after the one before.");
    KeyMap map;
    map.points_ = std::move(points);
    return map;
}

std::optional<hear::Key> KeyMap::keyAt(int bar) const {
    const auto after =
        std::upper_bound(points_.begin(), points_.end(), bar, [](int b, const KeyPoint& p) { return b < p.bar; });
    return after == points_.begin() ? points_.front().key : (after - 1)->key;
}

std::optional<int> semitonesInto(hear::Key from, hear::Key to, bool toRelatives) {
    constexpr int relative = 9; // from a major key's root up to its relative minor's
    int root = to.root;
    if (from.minor != to.minor) {
        if (!toRelatives) return std::nullopt;
        root += from.minor ? relative : -relative;
    }
    const int up = ((root - from.root) % 12 + 12) % 12;
    return up >= 6 ? up - 12 : up;
}

bool canFollowKey(hear::Kind kind) {
    return kind != hear::Kind::Struck && kind != hear::Kind::OneHit;
}

} // namespace project
