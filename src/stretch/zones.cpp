#include "stretch/zones.h"

#include <algorithm>
#include <cmath>

namespace stretch {

std::int64_t Zones::sourceAt(std::int64_t output) const {
    return std::llround(map_.sourceAt(double(output + before_)));
}

bool Zones::resetsBetween(std::int64_t after, std::int64_t upTo) const {
    const auto next = std::upper_bound(resets_.begin(), resets_.end(), after);
    return next != resets_.end() && *next <= upTo;
}

namespace {

// A stretch of the map between two of its points that has room for what is left of a zone: as a share of `wanted`.
std::int64_t roomFor(std::int64_t wanted, double source, double output) {
    // What is not kept must not be stretched by three times as much.
    const double ratio = output / source;
    const auto fits = [&](double reach) {
        const double s = source - reach;
        const double o = output - reach;
        return s > 0 && o > 0 && o / s > std::min(ratio, 1.0) / 3 && o / s < std::max(ratio, 1.0) * 3;
    };
    double reach = double(wanted);
    while (reach >= 1 && !fits(reach))
        reach *= 0.7;
    return reach < 1 ? 0 : static_cast<std::int64_t>(reach);
}

struct Anchor {
    std::int64_t source;
    std::int64_t output;
    bool attack;
};

// The points of the map and the attacks between them, in order.
std::vector<Anchor> anchorsOf(const TimeMap& map, const std::vector<Frames>& attacks, std::size_t reach) {
    std::vector<Anchor> anchors;
    const auto& points = map.points();
    anchors.reserve(points.size() + attacks.size());
    for (const metre::TimePoint& p : points)
        anchors.push_back({p.source.value, p.output.value, false});
    if (reach > 0)
        for (const Frames a : attacks)
            if (a > points.front().source && a < points.back().source)
                anchors.push_back({a.value, std::llround(map.outputAt(double(a.value))), true});
    std::stable_sort(anchors.begin(), anchors.end(),
                     [](const Anchor& a, const Anchor& b) { return a.source < b.source; });
    return anchors;
}

// An attack beside a point of the map is that point.
std::vector<Anchor> apart(const std::vector<Anchor>& anchors) {
    std::vector<Anchor> kept;
    for (const Anchor& a : anchors) {
        const bool near =
            !kept.empty() && (a.source - kept.back().source < 64 || a.output - kept.back().output < 64);
        if (!near) {
            kept.push_back(a);
        } else if (!a.attack && kept.back().attack) {
            kept.back() = {a.source, a.output, true};
        } else if (!a.attack) {
            if (a.source > kept.back().source && a.output > kept.back().output) kept.push_back(a);
        } else if (kept.size() > 1) {
            kept.back().attack = true;
        }
    }
    return kept;
}

// How far towards a neighbour, or back to one, an attack may keep its own time. They share what lies between them.
std::int64_t roomBetween(const Anchor& a, const Anchor& b, bool otherIsAttack, std::size_t reach) {
    const double shared = otherIsAttack ? 2.0 : 1.0;
    return roomFor(static_cast<std::int64_t>(reach), double(b.source - a.source) / shared,
                   double(b.output - a.output) / shared);
}

} // namespace

Zones attackZones(const Passage& passage, const std::vector<Frames>& attacks, std::size_t reach) {
    const TimeMap& map = passage.map;
    const std::vector<Anchor> kept = apart(anchorsOf(map, attacks, reach));
    std::vector<metre::TimePoint> bent;
    std::vector<std::int64_t> resets;
    const auto add = [&](std::int64_t source, std::int64_t output) {
        if (!bent.empty() && (source <= bent.back().source.value || output <= bent.back().output.value)) return;
        bent.push_back({Frames(source), Frames(output)});
    };
    for (std::size_t i = 0; i < kept.size(); ++i) {
        const Anchor& a = kept[i];
        std::int64_t before = 0;
        std::int64_t after = 0;
        if (a.attack && i > 0) before = roomBetween(kept[i - 1], a, kept[i - 1].attack, reach);
        if (a.attack && i + 1 < kept.size()) after = roomBetween(a, kept[i + 1], kept[i + 1].attack, reach);
        if (before > 0) add(a.source - before, a.output - before);
        add(a.source, a.output);
        if (after > 0) add(a.source + after, a.output + after);
        if (a.attack) resets.push_back(a.output - before - passage.before);
    }
    auto made = TimeMap::make(bent, widestRatio);
    return made ? Zones(std::move(*made), passage.before, std::move(resets)) : Zones(map, passage.before, {});
}

} // namespace stretch
