#include "sound/resample.h"

#include <algorithm>
#include <cmath>
#include <fmt/format.h>
#include <soxr.h>

namespace sound {

Result<Audio> resampled(const Audio& audio, int toRate, const base::Progress& progress) {
    if (audio.rate == toRate || audio.channels.empty()) {
        Audio same = audio;
        same.rate = toRate;
        return same;
    }
    const auto inLength = static_cast<std::size_t>(audio.frames().value);
    const auto outLength =
        static_cast<std::size_t>(std::llround(static_cast<double>(inLength) * toRate / audio.rate));
    const auto count = audio.channels.size();
    Audio out(toRate, audio.channelCount(), Frames(static_cast<std::int64_t>(outLength)));

    const soxr_io_spec_t io = soxr_io_spec(SOXR_FLOAT32_S, SOXR_FLOAT32_S);
    const soxr_quality_spec_t quality = soxr_quality_spec(SOXR_HQ, 0);
    soxr_error_t error = nullptr;
    soxr_t converter =
        soxr_create(audio.rate, toRate, static_cast<unsigned>(count), &error, &io, &quality, nullptr);
    if (error != nullptr)
        return base::problem(
            fmt::format("The sample rate could not be converted from {} to {} Hz: {}.", audio.rate, toRate, error));

    constexpr std::size_t block = 1 << 16;
    std::size_t read = 0;
    std::size_t written = 0;
    std::vector<soxr_cbuf_t> in(count);
    std::vector<soxr_buf_t> to(count);
    while (written < outLength) {
        if (progress.stopped()) {
            soxr_delete(converter);
            return base::cancelled();
        }
        const std::size_t give = std::min(block, inLength - read);
        for (std::size_t c = 0; c < count; ++c) {
            in[c] = audio.channels[c].data() + read;
            to[c] = out.channels[c].data() + written;
        }
        std::size_t used = 0;
        std::size_t made = 0;
        // With no input left a null input flushes what the filter still holds.
        error = soxr_process(converter, give > 0 ? static_cast<soxr_in_t>(in.data()) : nullptr, give, &used,
                             static_cast<soxr_out_t>(to.data()), outLength - written, &made);
        if (error != nullptr || (give == 0 && made == 0)) break; // drained: what is missing is silence
        read += used;
        written += made;
        progress.at(static_cast<double>(written) / static_cast<double>(outLength));
    }
    soxr_delete(converter);
    return out;
}

} // namespace sound
