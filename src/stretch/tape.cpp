#include "stretch/tape.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace stretch {

namespace {

constexpr int lobes = 24;        // zero crossings on each side at full band
constexpr int steps = 512;       // table entries a zero crossing; linear between them
constexpr double kaiserBeta = 9; // about 90 dB in the stop band
constexpr double passband = 0.955;

double besselI0(double x) {
    double sum = 1;
    double term = 1;
    for (int k = 1; k < 40; ++k) {
        term *= (x / (2 * k)) * (x / (2 * k));
        sum += term;
    }
    return sum;
}

// One half of the windowed sinc, from its centre outwards.
const std::vector<float>& kernel() {
    static const std::vector<float> table = [] {
        std::vector<float> t(static_cast<std::size_t>(lobes) * steps + 2, 0.0F);
        for (std::size_t i = 0; i <= static_cast<std::size_t>(lobes) * steps; ++i) {
            const double x = static_cast<double>(i) / steps;
            const double sinc = i == 0 ? 1.0 : std::sin(std::numbers::pi * x) / (std::numbers::pi * x);
            const double edge = x / lobes;
            t[i] =
                static_cast<float>(sinc * besselI0(kaiserBeta * std::sqrt(1 - edge * edge)) / besselI0(kaiserBeta));
        }
        return t;
    }();
    return table;
}

} // namespace

double tapeCents(const TimeMap& map) {
    return -1200.0 * std::log2(map.meanRatio());
}

Result<Audio> renderTape(const Material& material, const TimeMap& map, const Progress& progress) {
    const Audio& in = material.audio;
    const std::int64_t inLength = in.frames().value;
    const std::int64_t outLength = map.outputLength().value;
    Audio out(in.rate, in.channelCount(), Frames(outLength));
    const std::vector<float>& table = kernel();
    std::vector<float> weights;
    const auto& points = map.points();
    for (std::size_t p = 1; p < points.size(); ++p) {
        const std::int64_t from = points[p - 1].output.value;
        const std::int64_t to = points[p].output.value;
        const double speed = double((points[p].source - points[p - 1].source).value) / double(to - from);
        // Faster than recorded, the band above half the sample rate must go before it folds back.
        const double band = std::min(1.0, 1.0 / speed) * passband;
        const double halfWidth = lobes / band;
        for (std::int64_t o = from; o < to; ++o) {
            if ((o & 0x3FFF) == 0) {
                if (progress.stopped()) return metre::cancelled();
                progress.at(double(o) / double(outLength));
            }
            const double at = double(points[p - 1].source.value) + double(o - from) * speed;
            const auto first = static_cast<std::int64_t>(std::ceil(at - halfWidth));
            const auto last = static_cast<std::int64_t>(std::floor(at + halfWidth));
            weights.resize(static_cast<std::size_t>(last - first + 1));
            double sum = 0;
            for (std::int64_t i = first; i <= last; ++i) {
                const double x = std::abs(double(i) - at) * band * steps;
                const auto cell = static_cast<std::size_t>(x);
                const auto fraction = static_cast<float>(x - double(cell));
                const float w = cell >= static_cast<std::size_t>(lobes) * steps
                                    ? 0.0F
                                    : table[cell] + fraction * (table[cell + 1] - table[cell]);
                weights[static_cast<std::size_t>(i - first)] = w;
                sum += w;
            }
            // Dividing by the sum keeps the level the same between frames as on them.
            const double norm = 1.0 / sum;
            for (std::size_t c = 0; c < in.channels.size(); ++c) {
                const float* samples = in.channels[c].data();
                double value = 0;
                const std::int64_t begin = std::max<std::int64_t>(first, 0);
                const std::int64_t end = std::min<std::int64_t>(last, inLength - 1);
                for (std::int64_t i = begin; i <= end; ++i)
                    value += double(samples[i]) * double(weights[static_cast<std::size_t>(i - first)]);
                out.channels[c][static_cast<std::size_t>(o)] = static_cast<float>(value * norm);
            }
        }
    }
    return out;
}

} // namespace stretch
