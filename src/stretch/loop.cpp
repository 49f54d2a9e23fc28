#include "stretch/loop.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace stretch {

namespace {

std::int64_t wrapped(std::int64_t i, std::int64_t n) {
    const std::int64_t m = i % n;
    return m < 0 ? m + n : m;
}

} // namespace

Result<Audio> renderCircle(const Material& material, const TimeMap& map, double crossSeconds,
                           const PlainRender& renderLine) {
    const Audio& in = material.audio;
    const std::int64_t begin = map.points().front().source.value;
    const std::int64_t turn = map.points().back().source.value - begin;
    const std::int64_t length = map.outputLength().value;
    const std::int64_t margin = std::min<std::int64_t>(turn, in.rate / 4);

    Audio line(in.rate, in.channelCount(), Frames(turn + 2 * margin));
    for (std::size_t c = 0; c < in.channels.size(); ++c)
        for (std::int64_t i = 0; i < turn + 2 * margin; ++i) {
            const std::int64_t at = begin + wrapped(i - margin, turn);
            if (at >= 0 && at < in.frames().value)
                line.channels[c][static_cast<std::size_t>(i)] = in.channels[c][static_cast<std::size_t>(at)];
        }
    std::vector<Frames> attacks;
    for (std::int64_t lap = -1; lap <= 1; ++lap)
        for (const Frames a : material.attacks) {
            const std::int64_t at = a.value - begin;
            const std::int64_t unrolled = at + lap * turn + margin;
            if (at >= 0 && at < turn && unrolled >= 0 && unrolled < turn + 2 * margin)
                attacks.emplace_back(unrolled);
        }

    // The line's map: the end of the circle's before, the circle's, its beginning after.
    const double lead = std::floor(double(length) - map.outputAt(double(begin + turn - margin)));
    const double tail = std::ceil(map.outputAt(double(begin + margin)));
    std::vector<metre::TimePoint> points;
    const auto before = static_cast<std::int64_t>(std::max(1.0, lead));
    const auto after = static_cast<std::int64_t>(std::max(1.0, tail));
    points.push_back({Frames(0), Frames(0)});
    for (const metre::TimePoint& p : map.points())
        points.push_back({Frames(p.source.value - begin + margin), Frames(p.output.value + before)});
    points.push_back({Frames(turn + 2 * margin), Frames(before + length + after)});
    const auto lineMap = TimeMap::make(points);
    if (!lineMap) return tl::unexpected(lineMap.error());
    const auto rendered = renderLine({line, attacks}, *lineMap);
    if (!rendered) return rendered;

    Audio out(in.rate, in.channelCount(), Frames(length));
    const std::int64_t cross = std::min({before, length / 4, static_cast<std::int64_t>(crossSeconds * in.rate)});
    // How alike the two are that cross: the gain holds the level between equal amplitude and equal power.
    double both = 0;
    double leaving = 1e-12;
    double arriving = 1e-12;
    for (const auto& from : rendered->channels)
        for (std::int64_t i = 0; i < cross; ++i) {
            const double a = from[static_cast<std::size_t>(before + length - cross + i)];
            const double b = from[static_cast<std::size_t>(before - cross + i)];
            both += a * b;
            leaving += a * a;
            arriving += b * b;
        }
    const double likeness = std::clamp(both / std::sqrt(leaving * arriving), 0.0, 1.0);
    for (std::size_t c = 0; c < out.channels.size(); ++c) {
        const auto& from = rendered->channels[c];
        auto& to = out.channels[c];
        for (std::int64_t i = 0; i < length; ++i)
            to[static_cast<std::size_t>(i)] = from[static_cast<std::size_t>(before + i)];
        for (std::int64_t i = 0; i < cross; ++i) {
            const double x = (double(i) + 1) / (double(cross) + 1);
            const double w = 0.5 - 0.5 * std::cos(std::numbers::pi * x);
            auto& sample = to[static_cast<std::size_t>(length - cross + i)];
            const float leadIn = from[static_cast<std::size_t>(before - cross + i)];
            const double gain = 1 / std::sqrt((1 - w) * (1 - w) + w * w + 2 * w * (1 - w) * likeness);
            sample = static_cast<float>(gain * ((1 - w) * double(sample) + w * double(leadIn)));
        }
    }
    return out;
}

} // namespace stretch
