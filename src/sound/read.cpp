#include "sound/read.h"

#include "base/utf8.h"
#include "sound/content.h"
#include "sound/resample.h"

#include <algorithm>
#include <array>
#include <cerrno>
#include <cmath>
#include <cstring>
#include <fmt/format.h>
#include <limits>
#include <memory>
#include <new>
#include <sys/stat.h>
#include <unistd.h>

namespace sound {

namespace {

// Why a file cannot be opened, as far as the file system can tell; empty when it looks like a readable file.
std::string fileSystemReason(const std::filesystem::path& path) {
    struct stat facts {};
    if (stat(path.c_str(), &facts) != 0) {
        if (errno == ENOENT || errno == ENOTDIR) return "there is no such file";
        return std::strerror(errno);
    }
    if (S_ISDIR(facts.st_mode)) return "it is a folder";
    if (!S_ISREG(facts.st_mode)) return "it is not a regular file";
    if (facts.st_size == 0) return "the file is empty";
    if (access(path.c_str(), R_OK) != 0) return "you may not read this file";
    return {};
}

std::string inMinutes(double seconds) {
    if (seconds < 0.1) return fmt::format("{:.2f} ms", seconds * 1000);
    if (seconds < 600) return fmt::format("{:.3g} s", seconds);
    return fmt::format("{:.0f} min", seconds / 60);
}

base::Problem couldNot(const std::filesystem::path& path, const std::string& reason) {
    return {fmt::format("{} could not be read: {}.", base::shownPath(path), reason)};
}

} // namespace

Result<Reader> Reader::open(const std::filesystem::path& path, std::int64_t mostSamples, int keptAt) {
    if (const std::string reason = fileSystemReason(path); !reason.empty())
        return tl::unexpected(couldNot(path, reason));
    auto opened = openDecoder(path);
    if (!opened) return tl::unexpected(couldNot(path, opened.error().text));
    Reader reader(path, std::move(*opened));
    const Decoder& d = *reader.decoder_;
    if (d.channels < 1 || d.channels > mostChannels)
        return tl::unexpected(
            couldNot(path, fmt::format("it has {} channels, and only mono and stereo can be used", d.channels)));
    if (d.rate < lowestRate || d.rate > highestRate)
        return tl::unexpected(couldNot(
            path, fmt::format("its sample rate of {} Hz is outside {} to {} Hz", d.rate, lowestRate, highestRate)));
    reader.facts_ = {d.rate, d.channels, Frames(0), d.format};
    // At a higher rate less of it fits.
    const double growth = std::max(1.0, double(keptAt) / d.rate);
    reader.mostFrames_ = static_cast<std::int64_t>(double(mostSamples) / d.channels / growth);
    if (d.declared > reader.mostFrames_ && d.isExact) return tl::unexpected(reader.tooLong(d.declared));
    return reader;
}

base::Problem Reader::tooLong(std::int64_t frames) const {
    const double rate = facts_.rate;
    return couldNot(path_, fmt::format("it is {} long, and this kind of file may be {} at most",
                                       inMinutes(double(frames) / rate), inMinutes(double(mostFrames_) / rate)));
}

Result<std::int64_t> Reader::read(float* out, std::int64_t n) {
    const std::int64_t got = decoder_->read(out, n);
    if (decoder_->error() != 0) return tl::unexpected(couldNot(path_, std::strerror(decoder_->error())));
    const auto count = static_cast<std::size_t>(got) * static_cast<std::size_t>(facts_.channels);
    // Seldom is one no number: that all are is seen at once, as zero times anything else is zero.
    std::array<float, 16> nothing{};
    std::size_t looked = 0;
    for (; looked + nothing.size() <= count; looked += nothing.size())
        for (std::size_t k = 0; k < nothing.size(); ++k)
            nothing[k] += 0 * out[looked + k];
    const bool allNumbers = std::all_of(nothing.begin(), nothing.end(), [](float zero) { return zero == 0; });
    for (std::size_t i = allNumbers ? looked : 0; i < count; ++i)
        if (!std::isfinite(out[i])) {
            out[i] = 0;
            ++notNumbers_;
        }
    for (std::size_t i = 0; i < count; ++i)
        loudest_ = loudest_ > std::abs(out[i]) ? loudest_ : std::abs(out[i]);
    if (loudest_ > loudestSample)
        return tl::unexpected(couldNot(
            path_,
            fmt::format("its samples reach {:.0f}, where full scale is 1: they were written in another scale",
                        loudest_)));
    facts_.frames += Frames(got);
    if (facts_.frames.value > mostFrames_) return tl::unexpected(tooLong(facts_.frames.value));
    return got;
}

Result<std::vector<std::string>> Reader::end() const {
    const std::string name = base::shownPath(path_);
    const std::int64_t got = facts_.frames.value;
    if (got == 0) return tl::unexpected(couldNot(path_, "there is no sound in it, or it is damaged"));
    std::vector<std::string> warnings;
    const double seconds = facts_.length().value;
    if (const std::string flaw = decoder_->flaw(); !flaw.empty())
        warnings.push_back(fmt::format("{} ends early: {}, and {} could be read.", name, flaw, inMinutes(seconds)));
    else if (decoder_->declared > 0 && decoder_->isExact && got < decoder_->declared)
        warnings.push_back(fmt::format("{} ends early: {} of {} could be read.", name, inMinutes(seconds),
                                       inMinutes(double(decoder_->declared) / facts_.rate)));
    if (notNumbers_ == static_cast<std::size_t>(got) * static_cast<std::size_t>(facts_.channels))
        return tl::unexpected(couldNot(path_, "none of its samples is a number"));
    if (notNumbers_ > 0)
        warnings.push_back(notNumbers_ == 1
                               ? fmt::format("{} holds one sample that is no number; it was made silent.", name)
                               : fmt::format("{} holds {} samples that are no numbers; they were made silent.",
                                             name, notNumbers_));
    return warnings;
}

Seconds Reader::declaredLength() const {
    return metre::toSeconds(metre::Frames(std::max<std::int64_t>(0, decoder_->declared)), facts_.rate);
}

std::size_t Reader::likelyFrames() const {
    // What a damaged header says may be absurd; no kind of file holds more than so many frames a byte for long.
    std::error_code error;
    const auto bytes = std::filesystem::file_size(path_, error);
    return error || decoder_->declared <= 0 ? 0
                                            : std::min<std::size_t>(std::size_t(decoder_->declared), 16 * bytes);
}

double Reader::progress() const {
    return decoder_->declared > 0 ? std::min(1.0, double(facts_.frames.value) / double(decoder_->declared)) : 0;
}

Result<Begun> begin(const std::filesystem::path& path, int keptAt) {
    auto reader = Reader::open(path, mostBytes / static_cast<std::int64_t>(sizeof(float)), keptAt);
    if (!reader) return tl::unexpected(reader.error());
    Begun begun{std::move(*reader)};
    begun.samples.resize(static_cast<std::size_t>(begun.reader.facts().channels));
    return begun;
}

Result<void> readOn(Begun& begun, Frames upTo, const base::Progress& progress) {
    const std::size_t channels = begun.samples.size();
    constexpr std::size_t block = 1 << 15;
    std::vector<float> buffer(block * channels);
    while (!begun.isWhole && begun.frames() < upTo) {
        if (progress.stopped()) return base::cancelled();
        const auto got = begun.reader.read(buffer.data(), block);
        if (!got) return tl::unexpected(got.error());
        begun.isWhole = *got == 0;
        for (std::size_t c = 0; c < channels; ++c) {
            std::vector<float>& samples = begun.samples[c];
            const std::size_t before = samples.size();
            samples.resize(before + static_cast<std::size_t>(*got));
            const float* from = buffer.data() + c;
            for (std::size_t i = before; i < samples.size(); ++i, from += channels)
                samples[i] = *from;
        }
        progress.at(begun.reader.progress());
    }
    return {};
}

namespace {

Result<ReadFile> restOf(Begun begun, int targetRate, const base::Progress& progress) {
    for (auto& samples : begun.samples)
        samples.reserve(begun.reader.likelyFrames());
    const int own = begun.reader.facts().rate;
    const int rate = targetRate > 0 ? targetRate : own;
    const bool resampling = rate != own;
    constexpr Frames allOfIt(std::numeric_limits<std::int64_t>::max());
    if (auto done = readOn(begun, allOfIt, progress.part(0, resampling ? 0.6 : 1.0)); !done)
        return tl::unexpected(done.error());
    auto warnings = begun.reader.end();
    if (!warnings) return tl::unexpected(warnings.error());
    ReadFile out;
    out.warnings = std::move(*warnings);
    out.facts = begun.reader.facts();
    out.audio.rate = own;
    for (auto& samples : begun.samples) {
        samples.shrink_to_fit();
        out.audio.channels.emplace_back(std::move(samples));
    }
    out.content = contentOf(out.audio);
    if (resampling) {
        auto converted = resampled(out.audio, rate, progress.part(0.6, 1.0));
        if (!converted) return tl::unexpected(converted.error());
        out.audio = std::move(*converted);
    }
    return out;
}

} // namespace

Result<ReadFile> readRest(Begun begun, int targetRate, const base::Progress& progress) {
    const std::filesystem::path path = begun.reader.path();
    try {
        return restOf(std::move(begun), targetRate, progress);
    } catch (const std::bad_alloc&) {
        return tl::unexpected(couldNot(path, "there is not enough memory for it"));
    }
}

Result<ReadFile> read(const std::filesystem::path& path, int targetRate, const base::Progress& progress,
                      int keptAt) {
    auto begun = begin(path, std::max(targetRate, keptAt));
    if (!begun) return tl::unexpected(begun.error());
    return readRest(std::move(*begun), targetRate, progress);
}

} // namespace sound
