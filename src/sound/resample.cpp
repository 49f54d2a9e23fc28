#include "sound/resample.h"

#include <algorithm>
#include <cmath>
#include <fmt/format.h>
#include <memory>
#include <soxr.h>

namespace sound {

Frames resampledLength(Frames length, int rate, int toRate) {
    return Frames(std::llround(static_cast<double>(length.value) * toRate / rate));
}

Result<void> resample(const Audio& audio, int toRate,
                      const std::function<bool(const Audio& block, Frames at)>& take,
                      const base::Progress& progress) {
    const auto inLength = static_cast<std::size_t>(audio.frames().value);
    const auto outLength = static_cast<std::size_t>(resampledLength(audio.frames(), audio.rate, toRate).value);
    const auto count = audio.channels.size();

    const soxr_io_spec_t io = soxr_io_spec(SOXR_FLOAT32_S, SOXR_FLOAT32_S);
    const soxr_quality_spec_t quality = soxr_quality_spec(SOXR_HQ, 0);
    soxr_error_t error = nullptr;
    const std::unique_ptr<soxr, decltype(&soxr_delete)> converter(
        soxr_create(audio.rate, toRate, static_cast<unsigned>(count), &error, &io, &quality, nullptr), soxr_delete);
    if (error != nullptr)
        return base::problem(
            fmt::format("The sample rate could not be converted from {} to {} Hz: {}.", audio.rate, toRate, error));

    constexpr std::size_t block = 1 << 16;
    std::size_t read = 0;
    std::size_t written = 0;
    std::vector<soxr_cbuf_t> in(count);
    std::vector<soxr_buf_t> to(count);
    Audio out(toRate, audio.channelCount(), Frames(std::int64_t(block)));
    while (written < outLength) {
        if (progress.stopped()) return base::cancelled();
        const std::size_t give = std::min(block, inLength - read);
        const std::size_t room = std::min(block, outLength - written);
        for (std::size_t c = 0; c < count; ++c) {
            in[c] = audio.channels[c].data() + read;
            out.channels[c].resize(room);
            to[c] = out.channels[c].data();
        }
        std::size_t used = 0;
        std::size_t made = 0;
        // With no input left a null input flushes what the filter still holds.
        error = soxr_process(converter.get(), give > 0 ? static_cast<soxr_in_t>(in.data()) : nullptr, give, &used,
                             static_cast<soxr_out_t>(to.data()), room, &made);
        const bool drained = error != nullptr || (give == 0 && made == 0);
        if (drained) // what is missing is silence
            for (auto& samples : out.channels)
                samples.assign(made = room, 0.0F);
        for (auto& samples : out.channels)
            samples.resize(made);
        if (made > 0 && !take(out, Frames(static_cast<std::int64_t>(written)))) return {};
        read += used;
        written += made;
        progress.at(static_cast<double>(written) / static_cast<double>(outLength));
    }
    return {};
}

Result<Audio> resampled(const Audio& audio, int toRate, const base::Progress& progress) {
    if (audio.rate == toRate || audio.channels.empty()) {
        Audio same = audio;
        same.rate = toRate;
        return same;
    }
    Audio out(toRate, audio.channelCount(), resampledLength(audio.frames(), audio.rate, toRate));
    const auto take = [&](const Audio& block, Frames at) {
        for (std::size_t c = 0; c < out.channels.size(); ++c)
            std::copy(block.channels[c].begin(), block.channels[c].end(), out.channels[c].begin() + at.value);
        return true;
    };
    if (auto done = resample(audio, toRate, take, progress); !done) return tl::unexpected(done.error());
    return out;
}

struct RateConverter::State {
    int rate;
    int toRate;
    std::int64_t left; // frames still to be made
    soxr_error_t error = nullptr;
    std::unique_ptr<soxr, decltype(&soxr_delete)> converter{nullptr, soxr_delete};
};

RateConverter::RateConverter(int rate, int channels, int toRate, Frames length)
    : state_(std::make_unique<State>(State{rate, toRate, resampledLength(length, rate, toRate).value})) {
    const soxr_io_spec_t io = soxr_io_spec(SOXR_FLOAT32_S, SOXR_FLOAT32_S);
    const soxr_quality_spec_t quality = soxr_quality_spec(SOXR_HQ, 0);
    state_->converter.reset(
        soxr_create(rate, toRate, static_cast<unsigned>(channels), &state_->error, &io, &quality, nullptr));
}
RateConverter::~RateConverter() = default;
RateConverter::RateConverter(RateConverter&&) noexcept = default;
RateConverter& RateConverter::operator=(RateConverter&&) noexcept = default;

Result<Audio> RateConverter::add(const Audio& piece, bool last) {
    State& s = *state_;
    const auto count = piece.channels.size();
    Audio out(s.toRate, piece.channelCount(), Frames(0));
    std::vector<soxr_cbuf_t> in(count);
    std::vector<soxr_buf_t> to(count);
    const auto given = static_cast<std::size_t>(piece.frames().value);
    std::size_t read = 0;
    std::size_t made = 0;
    while (s.error == nullptr && s.left > 0) {
        const bool flushing = read == given;
        if (flushing && !last) break;
        const std::size_t room = std::min<std::size_t>(static_cast<std::size_t>(s.left), std::size_t(1) << 16);
        for (std::size_t c = 0; c < count; ++c) {
            out.channels[c].resize(made + room);
            in[c] = piece.channels[c].data() + read;
            to[c] = &out.channels[c][0] + made;
        }
        std::size_t used = 0;
        std::size_t some = 0;
        // With no input left a null input flushes what the filter still holds.
        s.error = soxr_process(s.converter.get(), flushing ? nullptr : static_cast<soxr_in_t>(in.data()),
                               flushing ? 0 : given - read, &used, static_cast<soxr_out_t>(to.data()), room, &some);
        read += used;
        made += some;
        s.left -= static_cast<std::int64_t>(some);
        if (flushing && some == 0) { // what is missing is silence
            for (auto& samples : out.channels)
                samples.resize(made);
            made += static_cast<std::size_t>(s.left);
            s.left = 0;
        }
        if (!flushing && used == 0 && some == 0) break;
    }
    if (s.error != nullptr)
        return base::problem(
            fmt::format("The sample rate could not be converted from {} to {} Hz: {}.", s.rate, s.toRate, s.error));
    for (auto& samples : out.channels)
        samples.resize(made);
    return out;
}

namespace {

// Blocks that are converted as they are asked for, in order.
class Conversion {
  public:
    Conversion(const Blocks& from, int toRate)
        : from_(from), converter_(from.rate, from.channels, toRate, from.length) {}

    Result<AudioPtr> next() {
        while (true) {
            const auto block = from_.next(read_);
            if (!block) return tl::unexpected(block.error());
            read_ += (*block)->frames();
            auto made = converter_.add(**block, read_ >= from_.length);
            if (!made) return tl::unexpected(made.error());
            if (made->frames() > Frames(0) || read_ >= from_.length)
                return std::make_shared<const Audio>(std::move(*made));
        }
    }

  private:
    Blocks from_;
    RateConverter converter_;
    Frames read_;
};

} // namespace

Blocks resampled(const Blocks& blocks, int toRate) {
    if (blocks.rate == toRate) return blocks;
    const auto conversion = std::make_shared<Conversion>(blocks, toRate);
    return {toRate, blocks.channels, resampledLength(blocks.length, blocks.rate, toRate),
            [conversion](Frames) { return conversion->next(); }};
}

} // namespace sound
