#include "hear/mono.h"

#include <algorithm>
#include <cmath>
#include <memory>
#include <numbers>

namespace hear {

namespace {

// A low pass for lowering the rate by `factor`: sixteen periods of a windowed sinc, cut off at 0.45 of the new
// rate.
std::vector<float> lowPass(int factor) {
    const int half = 8 * factor;
    std::vector<float> taps;
    double sum = 0;
    for (int i = -half; i <= half; ++i) {
        const double x = std::numbers::pi * i * 0.9 / factor;
        const double sinc = i == 0 ? 1 : std::sin(x) / x;
        const double window = 0.5 + 0.5 * std::cos(std::numbers::pi * i / (half + 1));
        taps.push_back(static_cast<float>(sinc * window));
        sum += sinc * window;
    }
    for (float& t : taps)
        t /= static_cast<float>(sum);
    return taps;
}

void addScaled(const float* __restrict from, float by, float* __restrict to, std::size_t count) {
    for (std::size_t n = 0; n < count; ++n)
        to[n] += by * from[n];
}

} // namespace

Mono::Mono(const Recording& recording)
    : recording_(recording), frames_((recording.frames() + factor_ - 1) / factor_),
      gain_(recording.peak() > 0 ? 1 / recording.peak() : 0), filter_(lowPass(factor_)) {}

void Mono::read(std::int64_t first, std::span<float> out) const {
    // What the filter reaches nothing of is silent.
    const auto half = static_cast<std::int64_t>(filter_.size() / 2);
    const auto length = static_cast<std::int64_t>(out.size());
    const std::int64_t begin = std::clamp<std::int64_t>(-half / factor_ - first, 0, length);
    const std::int64_t end = std::clamp((recording_.frames() - 1 + half) / factor_ + 1 - first, begin, length);
    std::fill(out.begin(), out.begin() + begin, 0.0F);
    std::fill(out.begin() + end, out.end(), 0.0F);
    if (begin < end)
        lower(first + begin, out.subspan(static_cast<std::size_t>(begin), static_cast<std::size_t>(end - begin)));
}

void Mono::lower(std::int64_t first, std::span<float> out) const {
    const auto half = static_cast<std::int64_t>(filter_.size() / 2);
    const std::size_t length = out.size() * factor_ + 2 * static_cast<std::size_t>(half);
    const auto sum = std::make_unique_for_overwrite<float[]>(length);
    recording_.read(first * factor_ - half, {sum.get(), length});
    for (std::size_t i = 0; i < length; ++i)
        sum[i] *= gain_;
    // Sample by sample of each tap's own phase, so that the inner loop runs through memory in a line.
    const auto factor = static_cast<std::size_t>(factor_);
    const std::size_t count = out.size();
    const auto phase = std::make_unique_for_overwrite<float[]>(count + filter_.size() / factor + 1);
    std::fill(out.begin(), out.end(), 0.0F);
    for (std::size_t p = 0; p < factor; ++p) {
        std::size_t filled = 0;
        for (std::size_t i = p; i < length; i += factor)
            phase[filled++] = sum[i];
        for (std::size_t t = p; t < filter_.size(); t += factor)
            addScaled(phase.get() + t / factor, filter_[t], out.data(), count);
    }
}

} // namespace hear
