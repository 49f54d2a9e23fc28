#include "sound/loudness.h"

#include <algorithm>
#include <cmath>
#include <ebur128.h>
#include <memory>

namespace sound {

std::optional<double> integratedLoudness(const std::vector<AudioPtr>& pieces) {
    if (pieces.empty() || pieces.front()->channels.empty()) return std::nullopt;
    const int rate = pieces.front()->rate;
    const auto channels = static_cast<std::size_t>(pieces.front()->channelCount());
    const auto destroy = [](ebur128_state* s) { ebur128_destroy(&s); };
    const std::unique_ptr<ebur128_state, decltype(destroy)> meter(
        ebur128_init(static_cast<unsigned>(channels), static_cast<unsigned long>(rate), EBUR128_MODE_I), destroy);
    if (!meter) return std::nullopt;
    constexpr std::int64_t block = 4096;
    std::vector<float> woven(static_cast<std::size_t>(block) * channels);
    std::int64_t total = 0;
    const auto add = [&](std::int64_t n) {
        total += n;
        return ebur128_add_frames_float(meter.get(), woven.data(), static_cast<std::size_t>(n)) == EBUR128_SUCCESS;
    };
    for (const AudioPtr& piece : pieces)
        for (std::int64_t at = 0; at < piece->frames().value; at += block) {
            const std::int64_t n = std::min(block, piece->frames().value - at);
            for (std::size_t c = 0; c < channels; ++c)
                for (std::int64_t i = 0; i < n; ++i)
                    woven[static_cast<std::size_t>(i) * channels + c] =
                        piece->channels[c][static_cast<std::size_t>(at + i)];
            if (!add(n)) return std::nullopt;
        }
    std::fill(woven.begin(), woven.end(), 0.0F);
    for (const std::int64_t least = rate / 2; total < least;)
        if (!add(std::min(block, least - total))) return std::nullopt;
    double loudness = 0;
    if (ebur128_loudness_global(meter.get(), &loudness) != EBUR128_SUCCESS || !std::isfinite(loudness))
        return std::nullopt;
    return loudness;
}

std::optional<double> truePeak(const Audio& audio) {
    if (audio.channels.empty()) return std::nullopt;
    const auto channels = static_cast<std::size_t>(audio.channelCount());
    const auto destroy = [](ebur128_state* s) { ebur128_destroy(&s); };
    const std::unique_ptr<ebur128_state, decltype(destroy)> meter(
        ebur128_init(static_cast<unsigned>(channels), static_cast<unsigned long>(audio.rate),
                     EBUR128_MODE_TRUE_PEAK),
        destroy);
    if (!meter) return std::nullopt;
    constexpr std::int64_t block = 4096;
    std::vector<float> woven(static_cast<std::size_t>(block) * channels);
    const std::int64_t frames = audio.frames().value;
    // The filter looks beyond the end: silence follows.
    for (std::int64_t at = 0; at < frames + block; at += block) {
        for (std::size_t c = 0; c < channels; ++c)
            for (std::int64_t i = 0; i < block; ++i)
                woven[static_cast<std::size_t>(i) * channels + c] =
                    at + i < frames ? audio.channels[c][static_cast<std::size_t>(at + i)] : 0.0F;
        if (ebur128_add_frames_float(meter.get(), woven.data(), static_cast<std::size_t>(block)) != EBUR128_SUCCESS)
            return std::nullopt;
    }
    double peak = 0;
    for (std::size_t c = 0; c < channels; ++c) {
        double one = 0;
        if (ebur128_true_peak(meter.get(), static_cast<unsigned>(c), &one) != EBUR128_SUCCESS) return std::nullopt;
        peak = std::max(peak, one);
    }
    if (!(peak > 0)) return std::nullopt;
    return 20 * std::log10(peak);
}

} // namespace sound
