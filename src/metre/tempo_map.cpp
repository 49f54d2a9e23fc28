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

// BPM a beat, from a point on.
double slopeOf(const std::vector<TempoPoint>& points, std::size_t i) {
    if (points[i].shape == TempoPoint::Shape::Hold || i + 1 >= points.size()) return 0;
    return (points[i + 1].bpm.value - points[i].bpm.value) / (points[i + 1].at.value - points[i].at.value);
}

} // namespace

TempoMap::TempoMap(Bpm bpm)
    : data_(std::make_shared<const Data>(Data{{{Beats(0), bpm, TempoPoint::Shape::Hold}}, {0.0}})) {
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
    Data data{std::move(points), {0.0}};
    for (std::size_t i = 1; i < data.points.size(); ++i) {
        const double beats = (data.points[i].at - data.points[i - 1].at).value;
        data.startSeconds.push_back(data.startSeconds.back() +
                                    secondsOver(beats, data.points[i - 1].bpm.value, slopeOf(data.points, i - 1)));
    }
    return TempoMap(std::make_shared<const Data>(std::move(data)));
}

std::size_t TempoMap::segmentAtBeat(Beats b) const {
    const auto after = std::upper_bound(points().begin(), points().end(), b,
                                        [](Beats x, const TempoPoint& p) { return x < p.at; });
    return after == points().begin() ? 0 : static_cast<std::size_t>(after - points().begin()) - 1;
}

Seconds TempoMap::secondsAt(Beats b) const {
    const std::size_t i = segmentAtBeat(b);
    const double beats = (b - points()[i].at).value;
    return Seconds(data_->startSeconds[i] +
                   secondsOver(beats, points()[i].bpm.value, beats < 0 ? 0 : slopeOf(points(), i)));
}

Beats TempoMap::beatAt(Seconds s) const {
    const auto after = std::upper_bound(data_->startSeconds.begin(), data_->startSeconds.end(), s.value);
    const std::size_t i = after == data_->startSeconds.begin()
                              ? 0
                              : static_cast<std::size_t>(after - data_->startSeconds.begin()) - 1;
    const double seconds = s.value - data_->startSeconds[i];
    return points()[i].at +
           Beats(beatsOver(seconds, points()[i].bpm.value, seconds < 0 ? 0 : slopeOf(points(), i)));
}

Bpm TempoMap::tempoAt(Beats b) const {
    const std::size_t i = segmentAtBeat(b);
    const double beats = (b - points()[i].at).value;
    return beats < 0 ? points()[i].bpm : Bpm(points()[i].bpm.value + slopeOf(points(), i) * beats);
}

std::optional<Bpm> TempoMap::steadyTempo(Beats from, Beats to) const {
    const Bpm first = tempoAt(from);
    auto point = std::partition_point(points().begin(), points().end(),
                                      [from](const TempoPoint& p) { return p.at <= from; });
    for (; point != points().end() && point->at < to; ++point)
        if (point->bpm != first) return std::nullopt;
    // A ramp that runs through shows at the end.
    const Bpm last = tempoAt(to - Beats(1e-6));
    return std::abs(last.value - first.value) < 1e-6 ? std::optional(first) : std::nullopt;
}

std::vector<Beats> TempoMap::bends(Beats until, Seconds error) const {
    std::vector<Beats> list;
    for (std::size_t i = 0; i < points().size() && points()[i].at < until; ++i) {
        const TempoPoint& p = points()[i];
        if (p.at > Beats(0)) list.push_back(p.at);
        const double k = slopeOf(points(), i);
        if (k == 0) continue;
        const double length = (points()[i + 1].at - p.at).value;
        const double over = std::min(length, (until - p.at).value);
        const double perBpm = std::sqrt(8 * error.value / (60 * std::abs(k)));
        for (double b = 0; b < over;) {
            const double v = p.bpm.value + k * b;
            double h = perBpm * v;
            if (k < 0) h = perBpm * std::max(v + k * h, points()[i + 1].bpm.value); // slower at its end
            b += h;
            if (b < over) list.push_back(p.at + Beats(b));
        }
    }
    return list;
}

bool TempoMap::isSteady() const {
    return std::all_of(points().begin(), points().end(),
                       [&](const TempoPoint& p) { return p.bpm == points().front().bpm; });
}

} // namespace metre
