#include "metre/time_map.h"

#include <algorithm>
#include <cmath>
#include <fmt/format.h>

namespace metre {

base::Result<TimeMap> TimeMap::straight(Frames sourceLength, Frames outputLength) {
    return make({{Frames(0), Frames(0)}, {sourceLength, outputLength}});
}

base::Result<TimeMap> TimeMap::make(std::vector<TimePoint> points, double widest) {
    if (points.size() < 2) return base::problem("A time map needs at least two points.");
    if (points.front().output != Frames(0)) return base::problem("A time map's output begins at frame 0.");
    for (std::size_t i = 1; i < points.size(); ++i) {
        const auto source = (points[i].source - points[i - 1].source).value;
        const auto output = (points[i].output - points[i - 1].output).value;
        if (source <= 0 || output <= 0)
            return base::problem("A time map must run forwards, in the source and in the output.");
        const double low = double(source - 1) / widest - 1;
        const double high = widest * double(source + 1) + 1;
        if (double(output) < low || double(output) > high)
            return base::problem(
                fmt::format("That would stretch to {:.1f} % of the length; {:g} to {:g} % can be done.",
                            100.0 * double(output) / double(source), 100 / widest, 100 * widest));
    }
    TimeMap map;
    map.points_ = std::move(points);
    return map;
}

namespace {

// Linear interpolation in the stretch that holds x, looking from one side of the map to the other.
template <class From, class To>
double across(const std::vector<TimePoint>& points, double x, From from, To to) {
    const auto after = std::upper_bound(points.begin() + 1, points.end() - 1, x,
                                        [&](double v, const TimePoint& p) { return v < double(from(p)); });
    const TimePoint& b = *after;
    const TimePoint& a = *(after - 1);
    const double slope = double(to(b) - to(a)) / double(from(b) - from(a));
    return double(to(a)) + (x - double(from(a))) * slope;
}

std::int64_t sourceOf(const TimePoint& p) {
    return p.source.value;
}
std::int64_t outputOf(const TimePoint& p) {
    return p.output.value;
}

} // namespace

double TimeMap::sourceAt(double output) const {
    return across(points_, output, outputOf, sourceOf);
}
double TimeMap::outputAt(double source) const {
    return across(points_, source, sourceOf, outputOf);
}

double TimeMap::meanRatio() const {
    return double((points_.back().output - points_.front().output).value) /
           double((points_.back().source - points_.front().source).value);
}

bool TimeMap::isIdentity() const {
    return std::all_of(points_.begin(), points_.end(), [&](const TimePoint& p) {
        return p.source - points_.front().source == p.output - points_.front().output;
    });
}

} // namespace metre
