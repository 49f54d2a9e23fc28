#include "metre/metre_map.h"

#include <algorithm>
#include <charconv>
#include <cmath>
#include <fmt/format.h>

namespace metre {

namespace {

bool isMetre(Metre m) {
    const bool unitIsPower = m.unit > 0 && m.unit <= 32 && (m.unit & (m.unit - 1)) == 0;
    return unitIsPower && m.beats >= 1 && m.beats <= 32;
}

constexpr double hair = 1e-6; // of a beat: what rounding may cost a position

} // namespace

base::Result<Metre> parseMetre(std::string_view text) {
    Metre m;
    const auto slash = text.find('/');
    if (slash != std::string_view::npos) {
        const char* begin = text.data();
        const char* end = begin + text.size();
        const auto top = std::from_chars(begin, begin + slash, m.beats);
        const auto bottom = std::from_chars(begin + slash + 1, end, m.unit);
        if (top.ec == std::errc() && bottom.ec == std::errc() && top.ptr == begin + slash && bottom.ptr == end &&
            isMetre(m))
            return m;
    }
    return base::problem(fmt::format("“{}” is not a metre. Type beats and unit, such as 4/4, 3/4 or 6/8.", text));
}

std::string metreLabel(Metre m) {
    return fmt::format("{}/{}", m.beats, m.unit);
}

MetreMap::MetreMap(Metre m) : points_{{1, m}}, starts_{Beats(0)} {}

base::Result<MetreMap> MetreMap::make(std::vector<MetrePoint> points) {
    if (points.empty() || points.front().bar != 1) return base::problem("A metre map begins at bar 1.");
    MetreMap map;
    map.starts_.assign(1, Beats(0));
    for (std::size_t i = 0; i < points.size(); ++i) {
        if (!isMetre(points[i].metre))
            return base::problem(fmt::format("{}/{} at bar {} is not a metre.", points[i].metre.beats,
                                             points[i].metre.unit, points[i].bar));
        if (i == 0) continue;
        if (points[i].bar <= points[i - 1].bar)
            return base::problem("The points of a metre map must each lie after the one before.");
        map.starts_.push_back(map.starts_.back() +
                              points[i - 1].metre.bar() * double(points[i].bar - points[i - 1].bar));
    }
    map.points_ = std::move(points);
    return map;
}

std::size_t MetreMap::pointAtBeat(Beats b) const {
    const auto after = std::upper_bound(starts_.begin(), starts_.end(), b + Beats(hair));
    return after == starts_.begin() ? 0 : static_cast<std::size_t>(after - starts_.begin()) - 1;
}

Beats MetreMap::startOfBar(int bar) const {
    std::size_t i = 0;
    while (i + 1 < points_.size() && points_[i + 1].bar <= bar)
        ++i;
    return starts_[i] + points_[i].metre.bar() * double(bar - points_[i].bar);
}

int MetreMap::barAt(Beats b) const {
    const std::size_t i = pointAtBeat(b);
    const double bars = (b - starts_[i]).value / points_[i].metre.bar().value;
    return points_[i].bar + static_cast<int>(std::floor(bars + hair));
}

Metre MetreMap::metreAt(Beats b) const {
    return points_[pointAtBeat(b)].metre;
}

BarPosition MetreMap::positionAt(Beats b) const {
    BarPosition p;
    p.bar = barAt(b);
    const double counted = std::max(0.0, (b - startOfBar(p.bar)).value / metreAt(b).counted().value + hair);
    p.beat = 1 + static_cast<int>(counted);
    p.part = static_cast<int>((counted - std::floor(counted)) * BarPosition::partsPerBeat);
    return p;
}

Beats MetreMap::beatAt(BarPosition p) const {
    const Beats start = startOfBar(p.bar);
    const double counted = (p.beat - 1) + static_cast<double>(p.part) / BarPosition::partsPerBeat;
    return start + metreAt(start).counted() * counted;
}

std::string positionLabel(BarPosition p) {
    return fmt::format("{} · {} · {:02}", p.bar, p.beat, p.part);
}

} // namespace metre
