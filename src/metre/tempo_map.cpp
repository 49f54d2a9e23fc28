#include "metre/tempo_map.h"

#include "metre/tempo.h"

#include <algorithm>
#include <cassert>
#include <cmath>
#include <fmt/format.h>

namespace metre {

namespace {

// Seconds that `beats` take when the tempo starts at v0 and changes by k BPM a beat. Near k = 0 log1p keeps
// full precision, and k = 0 itself is the plain quotient.
double secondsOver(double beats, double v0, double k) {
    const double x = k * beats / v0;
    if (x == 0) return 60.0 * beats / v0;
    return 60.0 * beats / v0 * (std::log1p(x) / x);
}

double beatsOver(double seconds, double v0, double k) {
    const double y = k * seconds / 60.0;
    if (y == 0) return seconds * v0 / 60.0;
    return seconds * v0 / 60.0 * (std::expm1(y) / y);
}

} // namespace

TempoMap::TempoMap(Bpm bpm) : points_{{Beats(0), bpm, TempoPoint::Shape::Hold}}, startSeconds_{0.0} {
    assert(isTempo(bpm));
}

base::Result<TempoMap> TempoMap::make(std::vector<TempoPoint> points) {
    if (points.empty()) return base::problem("A tempo map needs at least one point.");
    if (points.front().at != Beats(0)) return base::problem("A tempo map begins at beat 0.");
    for (std::size_t i = 0; i < points.size(); ++i) {
        if (!isTempo(points[i].bpm))
            return base::problem(
                fmt::format("The tempo map has {} BPM at beat {}; tempos lie between 20 and 400 BPM.",
                            points[i].bpm.value, points[i].at.value));
        if (!std::isfinite(points[i].at.value) || (i > 0 && points[i].at <= points[i - 1].at))
            return base::problem("The points of a tempo map must each lie after the one before.");
    }
    TempoMap map;
    map.points_ = std::move(points);
    map.startSeconds_.assign(1, 0.0);
    for (std::size_t i = 1; i < map.points_.size(); ++i) {
        const double beats = (map.points_[i].at - map.points_[i - 1].at).value;
        map.startSeconds_.push_back(map.startSeconds_.back() +
                                    secondsOver(beats, map.points_[i - 1].bpm.value, map.slopeOf(i - 1)));
    }
    return map;
}

std::size_t TempoMap::segmentAtBeat(Beats b) const {
    const auto after =
        std::upper_bound(points_.begin(), points_.end(), b, [](Beats x, const TempoPoint& p) { return x < p.at; });
    return after == points_.begin() ? 0 : static_cast<std::size_t>(after - points_.begin()) - 1;
}

double TempoMap::slopeOf(std::size_t i) const {
    if (points_[i].shape == TempoPoint::Shape::Hold || i + 1 >= points_.size()) return 0;
    return (points_[i + 1].bpm.value - points_[i].bpm.value) / (points_[i + 1].at.value - points_[i].at.value);
}

Seconds TempoMap::secondsAt(Beats b) const {
    const std::size_t i = segmentAtBeat(b);
    const double beats = (b - points_[i].at).value;
    return Seconds(startSeconds_[i] + secondsOver(beats, points_[i].bpm.value, beats < 0 ? 0 : slopeOf(i)));
}

Beats TempoMap::beatAt(Seconds s) const {
    const auto after = std::upper_bound(startSeconds_.begin(), startSeconds_.end(), s.value);
    const std::size_t i =
        after == startSeconds_.begin() ? 0 : static_cast<std::size_t>(after - startSeconds_.begin()) - 1;
    const double seconds = s.value - startSeconds_[i];
    return points_[i].at + Beats(beatsOver(seconds, points_[i].bpm.value, seconds < 0 ? 0 : slopeOf(i)));
}

Bpm TempoMap::tempoAt(Beats b) const {
    const std::size_t i = segmentAtBeat(b);
    const double beats = (b - points_[i].at).value;
    return beats < 0 ? points_[i].bpm : Bpm(points_[i].bpm.value + slopeOf(i) * beats);
}

bool TempoMap::isSteady() const {
    return std::all_of(points_.begin(), points_.end(),
                       [&](const TempoPoint& p) { return p.bpm == points_.front().bpm; });
}

} // namespace metre
