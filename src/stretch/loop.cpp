#include "stretch/loop.h"

#include "sound/scratch.h"

#include <algorithm>
#include <cmath>

namespace stretch {

namespace {

std::int64_t wrapped(std::int64_t i, std::int64_t n) {
    const std::int64_t m = i % n;
    return m < 0 ? m + n : m;
}

} // namespace

Result<Passage> circleOf(const Material& material, const TimeMap& map) {
    const Audio& in = material.audio;
    const std::int64_t begin = map.points().front().source.value;
    const std::int64_t turn = map.points().back().source.value - begin;
    const std::int64_t length = map.outputLength().value;
    // As many seconds of output as a vocoder takes to find its way to the beginning's phases, and a window.
    const auto margin = static_cast<std::int64_t>(2.2 * in.rate / map.meanRatio()) + in.rate / 4;

    sound::AudioPtr line =
        sound::madeAside(in.rate, in.channelCount(), Frames(turn + 2 * margin), [&](Frames first, Audio& block) {
            for (std::size_t c = 0; c < in.channels.size(); ++c) {
                std::int64_t at = wrapped(first.value - margin, turn);
                for (float& sample : block.channels[c]) {
                    const std::int64_t from = begin + at;
                    if (from >= 0 && from < in.frames().value)
                        sample = in.channels[c][static_cast<std::size_t>(from)];
                    if (++at == turn) at = 0;
                }
            }
        });
    const std::int64_t laps = margin / turn + 1;
    const bool hasAttacks = turn > in.rate / 50; // what comes round faster is a tone
    // As often as they come round.
    const auto everyLap = [&](const std::vector<Frames>& once) {
        std::vector<Frames> list;
        list.reserve(once.size() * static_cast<std::size_t>(2 * laps + 1));
        for (std::int64_t lap = -laps; hasAttacks && lap <= laps; ++lap)
            for (const Frames a : once) {
                const std::int64_t at = a.value + lap * turn;
                const bool inside = a.value >= begin && a.value < begin + turn;
                if (inside && at >= begin - margin && at < begin + turn + margin) list.emplace_back(at);
            }
        return list;
    };
    std::vector<metre::TimePoint> points;
    points.reserve(map.points().size() * static_cast<std::size_t>(2 * laps + 1));
    for (std::int64_t lap = -laps; lap <= laps; ++lap) {
        for (const metre::TimePoint& p : map.points())
            if (p != map.points().back() || lap == laps)
                points.push_back(
                    {Frames(p.source.value + lap * turn), Frames(p.output.value + (lap + laps) * length)});
    }
    auto unrolled = TimeMap::make(std::move(points), widestRatio);
    if (!unrolled) return tl::unexpected(unrolled.error());
    const Excerpt excerpt{line.get(), begin - margin};
    Passage passage{std::move(line),
                    excerpt,
                    everyLap(material.attacks),
                    std::move(*unrolled),
                    laps * length,
                    length,
                    true,
                    {}};
    passage.parts = material.parts;
    if (material.strikes != nullptr) passage.strikes = everyLap(*material.strikes);
    return passage;
}

Result<Audio> folded(Span span, std::int64_t length, std::int64_t reach, const Progress& progress,
                     const std::function<Result<Audio>(Span, const Progress&)>& line) {
    Audio out;
    const auto add = [&](const Audio& made, std::int64_t madeFrom, std::int64_t shift) {
        if (out.channels.empty()) out = Audio(made.rate, made.channelCount(), Frames(span.length()));
        const std::int64_t from = std::max(span.from, madeFrom - shift);
        const std::int64_t to = std::min(span.to, madeFrom - shift + made.frames().value);
        for (std::size_t c = 0; c < out.channels.size(); ++c)
            for (std::int64_t i = from; i < to; ++i)
                out.channels[c][static_cast<std::size_t>(i - span.from)] +=
                    made.channels[c][static_cast<std::size_t>(i + shift - madeFrom)];
    };
    const std::int64_t laps = reach / length + 1;
    if (span.length() == length) {
        const auto all = line({-reach, length + reach}, progress);
        if (!all) return all;
        for (std::int64_t lap = -laps; lap <= laps; ++lap)
            add(*all, -reach, lap * length);
        return out;
    }
    for (std::int64_t lap = -laps; lap <= laps; ++lap) {
        const Span there{std::max(-reach, span.from + lap * length),
                         std::min(length + reach, span.to + lap * length)};
        if (there.from >= there.to) continue;
        const auto made = line(there, lap == 0 ? progress : Progress{{}, progress.stop});
        if (!made) return made;
        add(*made, there.from, lap * length);
    }
    return out;
}

} // namespace stretch
