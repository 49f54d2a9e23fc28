#include "hear/recording.h"

#include "base/disk.h"
#include "base/safe_file.h"
#include "base/user_folders.h"
#include "base/utf8.h"
#include "sound/read.h"

#include <algorithm>
#include <array>
#include <cerrno>
#include <cmath>
#include <cstring>
#include <fmt/format.h>
#include <mutex>
#include <soxr.h>
#include <string>
#include <unistd.h>

namespace hear {

namespace {
constexpr std::size_t inMemory = std::size_t(10) * 60 * Recording::rate; // samples: 106 MB

// Side by side, so that the processor can work on several at once.
float greatestOf(const float* samples, std::size_t n) {
    std::array<float, 8> most{};
    std::size_t i = 0;
    for (; i + most.size() <= n; i += most.size())
        for (std::size_t k = 0; k < most.size(); ++k)
            most[k] = most[k] > std::abs(samples[i + k]) ? most[k] : std::abs(samples[i + k]);
    for (; i < n; ++i)
        most[0] = std::max(most[0], std::abs(samples[i]));
    return *std::max_element(most.begin(), most.end());
}

base::Result<void> noRoom(int error) {
    return base::problem(
        fmt::format("It is too long to be kept in memory for listening, and there is no room for it in {}: {}.",
                    base::shownPath(base::cacheFolder()), std::strerror(error)));
}
} // namespace

struct Recording::Store {
    std::vector<float> samples; // of a short one
    int file = -1;              // of a long one, already without a name

    Store() = default;
    Store(const Store&) = delete;
    Store& operator=(const Store&) = delete;
    ~Store() {
        if (file >= 0) close(file);
    }

    base::Result<void> write(const float* from, std::size_t n, std::int64_t at) const {
        if (!base::disk::writeAllAt(file, from, n * sizeof(float), at * std::int64_t(sizeof(float))))
            return noRoom(errno);
        return {};
    }

    base::Result<void> moveToDisk() {
        file = base::namelessFile();
        if (file < 0) return noRoom(errno);
        auto written = write(samples.data(), samples.size(), 0);
        samples = {};
        return written;
    }
};

void Recording::read(std::int64_t first, std::span<float> out) const {
    const auto length = static_cast<std::int64_t>(out.size());
    const std::int64_t before = std::clamp<std::int64_t>(-first, 0, length);
    const std::int64_t end = std::clamp<std::int64_t>(frames_ - first, before, length);
    std::fill(out.begin(), out.begin() + before, 0.0F);
    std::fill(out.begin() + end, out.end(), 0.0F);
    const std::int64_t from = first + before;
    float* at = out.data() + before;
    const auto count = static_cast<std::size_t>(end - before);
    if (count == 0) return;
    if (store_->file < 0) {
        std::copy_n(store_->samples.begin() + from, count, at);
        return;
    }
    // Our own file, written before: where it cannot be read, silence is the best there is.
    if (!base::disk::readAllAt(store_->file, at, count * sizeof(float), from * std::int64_t(sizeof(float))))
        std::fill_n(at, count, 0.0F);
}

struct Recorder::Converter {
    soxr_t soxr = nullptr;
    ~Converter() { soxr_delete(soxr); }
};

Recorder::Recorder(int sampleRate, int channels)
    : store_(std::make_shared<Recording::Store>()), sampleRate_(sampleRate), channels_(channels) {
    if (sampleRate == Recording::rate) return;
    converter_ = std::make_unique<Converter>();
    if (sampleRate < sound::lowestRate || sampleRate > sound::highestRate) return;
    const soxr_io_spec_t io = soxr_io_spec(SOXR_FLOAT32_I, SOXR_FLOAT32_I);
    const soxr_quality_spec_t quality = soxr_quality_spec(SOXR_HQ, 0);
    converter_->soxr = soxr_create(sampleRate, Recording::rate, 1, nullptr, &io, &quality, nullptr);
}

Recorder::~Recorder() = default;

void Recorder::expect(Frames frames) {
    const auto samples = static_cast<std::size_t>(double(frames.value) * Recording::rate / sampleRate_) + 1;
    if (samples <= inMemory) store_->samples.reserve(samples);
}

base::Result<void> Recorder::keep(const float* samples, std::size_t n) {
    peak_ = std::max(peak_, greatestOf(samples, n));
    if (store_->file < 0 && store_->samples.size() + n > inMemory)
        if (auto moved = store_->moveToDisk(); !moved) return moved;
    if (store_->file < 0)
        store_->samples.insert(store_->samples.end(), samples, samples + n);
    else if (auto written = store_->write(samples, n, kept_); !written)
        return written;
    kept_ += static_cast<std::int64_t>(n);
    return {};
}

base::Result<void> Recorder::convert(const float* mono, std::size_t n, bool last) {
    if (!converter_) return keep(mono, n);
    if (converter_->soxr == nullptr)
        return base::problem(
            fmt::format("The sample rate of {} Hz could not be converted for listening.", sampleRate_));
    made_.resize(std::size_t(1) << 14);
    for (std::size_t given = 0; given < n || last;) {
        std::size_t used = 0;
        std::size_t made = 0;
        // With no input a null input flushes what the filter still holds.
        const bool flushing = given == n;
        soxr_process(converter_->soxr, flushing ? nullptr : mono + given, n - given, &used, made_.data(),
                     made_.size(), &made);
        given += used;
        // No longer than the recording is.
        const std::int64_t length = std::llround(double(given_) * Recording::rate / sampleRate_);
        if (last)
            made = static_cast<std::size_t>(
                std::clamp<std::int64_t>(length - kept_, 0, static_cast<std::int64_t>(made)));
        if (made > 0)
            if (auto done = keep(made_.data(), made); !done) return done;
        if (flushing && made == 0) break;
    }
    return {};
}

base::Result<void> Recorder::addMono(const float* samples, std::int64_t n) {
    given_ += n;
    return convert(samples, static_cast<std::size_t>(n), false);
}

base::Result<void> Recorder::add(const float* interleaved, std::int64_t n) {
    if (channels_ == 1) return addMono(interleaved, n);
    mono_.resize(static_cast<std::size_t>(n));
    for (std::size_t i = 0; i < mono_.size(); ++i)
        mono_[i] = interleaved[2 * i] + interleaved[2 * i + 1];
    return addMono(mono_.data(), n);
}

base::Result<Recording> Recorder::finished() {
    if (auto done = convert(nullptr, 0, converter_ != nullptr); !done) return tl::unexpected(done.error());
    // Giving room back means moving everything.
    if (store_->samples.capacity() > store_->samples.size() + store_->samples.size() / 16)
        store_->samples.shrink_to_fit();
    Recording out;
    out.store_ = store_;
    out.frames_ = kept_;
    out.length_ = metre::toSeconds(Frames(given_), sampleRate_);
    out.peak_ = peak_;
    return out;
}

namespace {

// The sum of the channels; what is no number is silence.
void mixed(const sound::Audio& audio, std::int64_t at, std::span<float> out) {
    std::fill(out.begin(), out.end(), 0.0F);
    for (const auto& channel : audio.channels) {
        const float* from = channel.data() + at;
        for (std::size_t i = 0; i < out.size(); ++i)
            out[i] += std::isfinite(from[i]) ? from[i] : 0.0F;
    }
}

} // namespace

base::Result<Recording> Recording::of(const sound::Audio& audio) {
    Recorder recorder(audio.rate, std::max(1, audio.channelCount()));
    recorder.expect(audio.frames());
    constexpr std::int64_t block = 1 << 15;
    std::vector<float> mono(static_cast<std::size_t>(block));
    for (std::int64_t at = 0; at < audio.frames().value; at += block) {
        const std::int64_t n = std::min(block, audio.frames().value - at);
        mixed(audio, at, {mono.data(), static_cast<std::size_t>(n)});
        if (auto added = recorder.addMono(mono.data(), n); !added) return tl::unexpected(added.error());
    }
    return recorder.finished();
}

} // namespace hear
