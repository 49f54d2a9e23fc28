#include "sound/peaks.h"

#include <algorithm>
#include <array>

namespace sound {

namespace {

Extent joined(Extent a, Extent b) {
    return {std::min(a.low, b.low), std::max(a.high, b.high)};
}

} // namespace

Extent exactExtent(const Audio& audio, Frames from, Frames to) {
    const std::int64_t begin = std::clamp<std::int64_t>(from.value, 0, audio.frames().value);
    const std::int64_t end = std::clamp<std::int64_t>(to.value, begin, audio.frames().value);
    if (begin == end) return {};
    // Several side by side, so that the processor can work on them at once.
    constexpr std::int64_t lanes = 16;
    const float first = audio.channels[0][static_cast<std::size_t>(begin)];
    std::array<float, lanes> low{};
    std::array<float, lanes> high{};
    low.fill(first);
    high.fill(first);
    const auto take = [&](std::size_t lane, float s) {
        low[lane] = std::min(low[lane], s);
        high[lane] = std::max(high[lane], s);
    };
    for (const auto& samples : audio.channels) {
        const float* at = samples.data();
        std::int64_t i = begin;
        for (; i + lanes <= end; i += lanes)
            for (std::size_t k = 0; k < lanes; ++k)
                take(k, at[i + static_cast<std::int64_t>(k)]);
        for (; i < end; ++i)
            take(0, at[i]);
    }
    return {*std::min_element(low.begin(), low.end()), *std::max_element(high.begin(), high.end())};
}

Extent exactExtent(const Audio& audio, const Peaks& peaks, Frames from, Frames to) {
    constexpr std::int64_t cell = Peaks::baseFrames;
    const std::int64_t first = (from.value + cell - 1) / cell; // of the cells that lie within
    const std::int64_t last = std::min(to.value, audio.frames().value) / cell;
    if (from.value < 0 || first >= last || peaks.frames() != audio.frames()) return exactExtent(audio, from, to);
    Extent all = peaks.base()[static_cast<std::size_t>(first)];
    for (std::int64_t i = first + 1; i < last; ++i)
        all = joined(all, peaks.base()[static_cast<std::size_t>(i)]);
    if (from.value < first * cell) all = joined(all, exactExtent(audio, from, Frames(first * cell)));
    if (last * cell < std::min(to.value, audio.frames().value))
        all = joined(all, exactExtent(audio, Frames(last * cell), to));
    return all;
}

namespace {

std::vector<Extent> baseOf(const Audio& audio) {
    std::vector<Extent> base;
    const std::int64_t frames = audio.frames().value;
    base.reserve(static_cast<std::size_t>(frames / Peaks::baseFrames + 1));
    for (std::int64_t at = 0; at < frames; at += Peaks::baseFrames)
        base.push_back(exactExtent(audio, Frames(at), Frames(at + Peaks::baseFrames)));
    return base;
}

} // namespace

Peaks::Peaks(const Audio& audio) : Peaks(audio.frames(), baseOf(audio)) {}

Peaks::Peaks(Frames frames, std::vector<Extent> base) : frames_(frames) {
    levels_.push_back(std::move(base));
    while (levels_.back().size() > static_cast<std::size_t>(levelStep)) {
        const auto& below = levels_.back();
        std::vector<Extent> level((below.size() + levelStep - 1) / levelStep);
        for (std::size_t i = 0; i < below.size(); ++i) {
            auto& cell = level[i / levelStep];
            cell = i % levelStep == 0 ? below[i] : joined(cell, below[i]);
        }
        levels_.push_back(std::move(level));
    }
}

Extent Peaks::over(Frames from, Frames to) const {
    const std::int64_t begin = std::clamp<std::int64_t>(from.value, 0, frames_.value);
    const std::int64_t end = std::clamp<std::int64_t>(to.value, begin, frames_.value);
    if (begin == end || levels_.empty()) return {};
    std::size_t level = 0;
    std::int64_t cell = baseFrames;
    while (level + 1 < levels_.size() && (end - begin) / (cell * levelStep) >= 4) {
        ++level;
        cell *= levelStep;
    }
    const auto& cells = levels_[level];
    const auto first = static_cast<std::size_t>(begin / cell);
    const auto last = std::min(cells.size() - 1, static_cast<std::size_t>((end - 1) / cell));
    Extent e = cells[first];
    for (std::size_t i = first + 1; i <= last; ++i)
        e = joined(e, cells[i]);
    return e;
}

} // namespace sound
