#include "stretch/tape.h"

#include "base/four.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <numbers>

namespace stretch {

namespace {

using base::Four;
using base::four;

constexpr int lobes = 24;        // zero crossings on each side at full band
constexpr double kaiserBeta = 9; // about 90 dB in the stop band
constexpr double passband = 0.955;
constexpr std::int64_t phases = 512; // places between two frames for which the kernel is worked out; linear between
constexpr std::int64_t kernelLanes =
    8; // sums side by side, so that the processor can work on eight samples at once

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
constexpr int steps = 512; // entries a zero crossing
const std::vector<float>& halfKernel() {
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

// Taps on each side for a band, as a part of the whole: all that the kernel reaches, in full kernelLanes.
std::int64_t halfTaps(double band) {
    constexpr std::int64_t half = kernelLanes / 2;
    return (static_cast<std::int64_t>(std::ceil(lobes / band)) + half) / half * half;
}

// The weights at each place between two frames, for one band; each set sums to one, which keeps the level the same
// between frames as on them.
class Kernel {
  public:
    explicit Kernel(double band)
        : half(halfTaps(band)), band_(band), weights_(static_cast<std::size_t>(phases * 4 * half)) {
        const std::vector<float>& table = halfKernel();
        std::vector<float> here(static_cast<std::size_t>(2 * half));
        std::vector<float> before;
        for (std::int64_t p = 0; p <= phases; ++p) {
            std::swap(here, before);
            here.resize(static_cast<std::size_t>(2 * half));
            float* w = here.data();
            double sum = 0;
            for (std::int64_t j = 0; j < 2 * half; ++j) {
                const double off = std::abs(double(j - half + 1) - double(p) / double(phases));
                const double x = off * band * steps;
                const auto cell = static_cast<std::size_t>(x);
                const auto fraction = static_cast<float>(x - double(cell));
                w[j] = cell >= static_cast<std::size_t>(lobes) * steps
                           ? 0.0F
                           : table[cell] + fraction * (table[cell + 1] - table[cell]);
                sum += double(w[j]);
            }
            for (std::int64_t j = 0; j < 2 * half; ++j)
                w[j] = static_cast<float>(double(w[j]) / sum);
            if (p == 0) continue;
            float* row = weights_.data() + (p - 1) * 4 * half;
            for (std::int64_t j = 0; j < 2 * half; ++j) {
                float* lane = row + j / kernelLanes * 2 * kernelLanes + j % kernelLanes;
                lane[0] = before[static_cast<std::size_t>(j)];
                lane[kernelLanes] = here[static_cast<std::size_t>(j)] - before[static_cast<std::size_t>(j)];
            }
        }
    }

    bool isFor(double band) const { return band == band_; }

    // The weighted sums of 2 × half frames of each channel, for a place from 0 to 1 between the two in their
    // middle.
    template <std::size_t channels>
    std::array<float, channels> sums(double place, const std::array<const float*, channels>& x) const {
        const auto phase = std::min(static_cast<std::int64_t>(place * phases), phases - 1);
        const auto fraction = static_cast<float>(place * phases - double(phase));
        const float* row = weights_.data() + phase * 4 * half;
        std::array<Four, channels> low{};
        std::array<Four, channels> high{};
        const Four share = {fraction, fraction, fraction, fraction};
        for (std::int64_t i = 0; i < 2 * half; i += kernelLanes, row += 2 * kernelLanes) {
            const Four a = four(row) + share * four(row + 8);
            const Four b = four(row + 4) + share * four(row + 12);
            for (std::size_t c = 0; c < channels; ++c) {
                low[c] += four(x[c] + i) * a;
                high[c] += four(x[c] + i + 4) * b;
            }
        }
        std::array<float, channels> out{};
        for (std::size_t c = 0; c < channels; ++c)
            out[c] = ((low[c][0] + low[c][1]) + (low[c][2] + low[c][3])) +
                     ((high[c][0] + high[c][1]) + (high[c][2] + high[c][3]));
        return out;
    }

    const std::int64_t half; // taps at and before the frame before the place, and as many after it

  private:
    double band_;
    // For each place and each eight taps: their weights, then how much these differ at the next place.
    std::vector<float> weights_;
};

// A stretch of the passage that is played at one speed.
struct Pace {
    Span output;
    double source; // at the first output frame
    double speed;

    double at(std::int64_t o) const { return source + double(o - output.from) * speed; }
    // Faster than recorded, the band above half the sample rate must go before it folds back.
    double band() const { return std::min(1.0, 1.0 / speed) * passband; }
};

std::vector<Pace> pacesOf(const Passage& passage, Span span) {
    std::vector<Pace> list;
    const auto& points = passage.map.points();
    const auto first = std::upper_bound(
        points.begin() + 1, points.end(), span.from + passage.before,
        [](std::int64_t output, const metre::TimePoint& point) { return output < point.output.value; });
    for (auto p = static_cast<std::size_t>(first - points.begin()); p < points.size(); ++p) {
        const Span output{points[p - 1].output.value - passage.before, points[p].output.value - passage.before};
        if (output.from >= span.to) break;
        list.push_back({output, double(points[p - 1].source.value),
                        double((points[p].source - points[p - 1].source).value) / double(output.length())});
    }
    return list;
}

} // namespace

double tapeCents(const TimeMap& map) {
    return -1200.0 * std::log2(map.meanRatio());
}

Span Tape::sourceOf(Span span) const {
    const std::vector<Pace> list = pacesOf(passage_, span);
    if (list.empty()) return {0, 0};
    std::int64_t half = 0;
    for (const Pace& pace : list)
        half = std::max(half, halfTaps(pace.band()));
    const double from = list.front().at(std::max(span.from, list.front().output.from));
    const double to = list.back().at(std::min(span.to, list.back().output.to));
    return {static_cast<std::int64_t>(std::floor(from)) - half,
            static_cast<std::int64_t>(std::ceil(to)) + half + 1};
}

Result<Audio> Tape::piece(Span span, const Excerpt& in, const Progress& progress) const {
    constexpr std::int64_t block = 4096; // output frames in one go
    Audio out(in.audio->rate, in.audio->channelCount(), Frames(span.length()));
    std::vector<std::vector<float>> read(out.channels.size());
    std::unique_ptr<Kernel> kernel;
    for (const Pace& pace : pacesOf(passage_, span)) {
        if (!kernel || !kernel->isFor(pace.band())) kernel = std::make_unique<Kernel>(pace.band());
        const std::int64_t end = std::min(pace.output.to, span.to);
        for (std::int64_t from = std::max(pace.output.from, span.from); from < end; from += block) {
            if (progress.stopped()) return base::cancelled();
            progress.at(double(from - span.from) / double(span.length()));
            const std::int64_t to = std::min(from + block, end);
            const auto first = static_cast<std::int64_t>(std::floor(pace.at(from))) - kernel->half + 1;
            const auto last = static_cast<std::int64_t>(std::floor(pace.at(to - 1))) + kernel->half + 1;
            for (std::size_t c = 0; c < read.size(); ++c) {
                read[c].resize(static_cast<std::size_t>(last - first));
                in.copy(c, {first, last}, read[c].data());
            }
            for (std::size_t c = 0; c < read.size(); c += 2) {
                const bool two = c + 1 < read.size();
                float* left = out.channels[c].data() + (from - span.from);
                float* right = two ? out.channels[c + 1].data() + (from - span.from) : nullptr;
                for (std::int64_t o = from; o < to; ++o) {
                    const double at = pace.at(o);
                    auto frame = static_cast<std::int64_t>(at);
                    if (double(frame) > at) --frame; // rounded down, without a call
                    const std::int64_t begin = frame - kernel->half + 1 - first;
                    const double place = at - double(frame);
                    if (two) {
                        const auto sums =
                            kernel->sums<2>(place, {read[c].data() + begin, read[c + 1].data() + begin});
                        left[o - from] = sums[0];
                        right[o - from] = sums[1];
                    } else {
                        left[o - from] = kernel->sums<1>(place, {read[c].data() + begin})[0];
                    }
                }
            }
        }
    }
    return out;
}

namespace {

class TapeLine : public Line {
  public:
    explicit TapeLine(Passage passage) : passage_(std::move(passage)), tape_(passage_) {}

    std::vector<std::int64_t> cuts() const override {
        std::vector<std::int64_t> list;
        const std::int64_t step = std::int64_t(4) * passage_.in.audio->rate;
        for (std::int64_t at = step; at < passage_.length; at += step)
            list.push_back(at);
        return list;
    }
    Result<Audio> piece(Span span, const Progress& progress) const override {
        return tape_.piece(span, passage_.in, progress);
    }

  private:
    const Passage passage_;
    const Tape tape_;
};

} // namespace

std::unique_ptr<Line> tapeLine(Passage passage) {
    return std::make_unique<TapeLine>(std::move(passage));
}

} // namespace stretch
