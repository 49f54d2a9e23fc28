#include "sound/write.h"

#include "base/utf8.h"
#include "sound/read.h"

#include <algorithm>
#include <cerrno>
#include <cmath>
#include <cstdint>
#include <fmt/format.h>
#include <memory>
#include <optional>
#include <sndfile.h>

namespace sound {

namespace {

std::optional<int> formatFor(const std::filesystem::path& path, Depth depth) {
    std::string ending = path.extension().string();
    std::transform(ending.begin(), ending.end(), ending.begin(),
                   [](char c) { return (c >= 'A' && c <= 'Z') ? static_cast<char>(c + 32) : c; });
    const int sub = depth == Depth::Int16   ? SF_FORMAT_PCM_16
                    : depth == Depth::Int24 ? SF_FORMAT_PCM_24
                                            : SF_FORMAT_FLOAT;
    // Floats ask for the extensible format chunk: strict readers want its extension.
    if (ending == ".wav") return (depth == Depth::Float32 ? SF_FORMAT_WAVEX : SF_FORMAT_WAV) | sub;
    if (ending == ".aif" || ending == ".aiff") return SF_FORMAT_AIFF | sub;
    if (ending == ".flac") return SF_FORMAT_FLAC | (depth == Depth::Int16 ? SF_FORMAT_PCM_16 : SF_FORMAT_PCM_24);
    if (ending == ".ogg") return SF_FORMAT_OGG | SF_FORMAT_VORBIS;
    return std::nullopt;
}

// Why a kind of file cannot hold audio at a rate; empty when it can. The library opens the file all the same, and
// then writes nothing.
std::string rateReason(int format, int rate) {
    const int container = format & SF_FORMAT_TYPEMASK;
    if (container == SF_FORMAT_OGG && rate > 200000)
        return fmt::format("Ogg Vorbis reaches up to 200000 Hz, and this is at {} Hz", rate);
    if (container == SF_FORMAT_FLAC && rate > 65535 && rate % 10 != 0)
        return fmt::format("FLAC holds no rate of {} Hz: above 65535 it must be a multiple of ten", rate);
    return {};
}

bool isWholeNumbers(int format) {
    const int sub = format & SF_FORMAT_SUBMASK;
    return sub == SF_FORMAT_PCM_16 || sub == SF_FORMAT_PCM_24;
}

// A float sample as the top bits of a 32-bit integer, rounded to the depth. libsndfile itself would scale by
// 32767 on the way out and by 32768 on the way in, and a file read and written would come back changed.
std::int32_t quantised(float sample, int bits, std::size_t& clipped) {
    const double scale = std::ldexp(1.0, bits - 1);
    double value = std::nearbyint(static_cast<double>(sample) * scale);
    if (value > scale - 1 || value < -scale) {
        // +1.0 exactly is full scale, one step above the largest number; that is no clip that anyone hears.
        if (value > scale || value < -scale) ++clipped;
        value = std::clamp(value, -scale, scale - 1);
    }
    return static_cast<std::int32_t>(static_cast<std::int64_t>(value) * (std::int64_t(1) << (32 - bits)));
}

} // namespace

bool isWritable(const std::filesystem::path& path) {
    return formatFor(path, Depth::Int24).has_value();
}

bool takesDepth(const std::filesystem::path& path, Depth depth) {
    const auto format = formatFor(path, depth);
    const int container = format ? *format & SF_FORMAT_TYPEMASK : 0;
    return container != SF_FORMAT_OGG && !(container == SF_FORMAT_FLAC && depth == Depth::Float32);
}

Result<Written> write(const std::filesystem::path& path, const Audio& audio, Depth depth, const Tags& tags,
                      base::Existing existing, const base::Progress& progress) {
    const Blocks one{audio.rate, audio.channelCount(), audio.frames(),
                     [&](Frames) { return AudioPtr(AudioPtr(), &audio); }};
    return write(path, one, depth, tags, existing, progress);
}

Result<Written> write(const std::filesystem::path& path, const Blocks& blocks, Depth depth, const Tags& tags,
                      base::Existing existing, const base::Progress& progress) {
    const auto fail = [&](const std::string& reason) {
        return base::problem(fmt::format("{} could not be written: {}.", base::shownPath(path), reason));
    };
    const std::optional<int> chosen = formatFor(path, depth);
    if (!chosen) return fail("its name must end in .wav, .aiff, .flac or .ogg");
    int format = *chosen;
    const auto channels = static_cast<std::size_t>(blocks.channels);
    const auto length = static_cast<std::size_t>(blocks.length.value);
    const std::size_t sampleBytes = depth == Depth::Int16 ? 2 : depth == Depth::Int24 ? 3 : 4;
    const bool large = length * channels * sampleBytes > 4'000'000'000ULL;
    const int container = format & SF_FORMAT_TYPEMASK;
    if (large && (container == SF_FORMAT_WAV || container == SF_FORMAT_WAVEX))
        format = SF_FORMAT_RF64 | (format & SF_FORMAT_SUBMASK);
    std::error_code ignored;
    if (existing == base::Existing::Refuse && std::filesystem::exists(path, ignored))
        return fail("a file of that name is there already");

    if (const std::string reason = rateReason(format, blocks.rate); !reason.empty()) return fail(reason);
    base::PartFile part(path);
    SF_INFO info{};
    info.samplerate = blocks.rate;
    info.channels = blocks.channels;
    info.format = format;
    if (sf_format_check(&info) == 0)
        return fail(fmt::format("this kind of file takes no {} channels at {} Hz", channels, blocks.rate));
    errno = 0;
    SNDFILE* file = sf_open(part.path().c_str(), SFM_WRITE, &info);
    if (file == nullptr) return fail(base::writeReason(path, errno));

    Written written;
    constexpr std::size_t block = 1 << 15;
    const int bits = (format & SF_FORMAT_SUBMASK) == SF_FORMAT_PCM_16 ? 16 : 24;
    std::vector<std::int32_t> whole(isWholeNumbers(format) ? block * channels : 0);
    std::vector<float> floats(whole.empty() ? block * channels : 0);
    AudioPtr audio;
    std::size_t begin = 0; // of audio
    for (std::size_t at = 0; at < length;) {
        if (progress.stopped()) {
            sf_close(file);
            return base::cancelled();
        }
        if (!audio || at == begin + static_cast<std::size_t>(audio->frames().value)) {
            auto next = blocks.next(Frames(static_cast<std::int64_t>(at)));
            if (!next) {
                sf_close(file);
                return tl::unexpected(next.error());
            }
            audio = std::move(*next);
            begin = at;
        }
        const std::size_t n =
            std::min({block, length - at, begin + static_cast<std::size_t>(audio->frames().value) - at});
        for (std::size_t c = 0; c < channels; ++c)
            for (std::size_t i = 0; i < n; ++i) {
                const float sample = audio->channels[c][at - begin + i];
                if (whole.empty())
                    floats[i * channels + c] = sample;
                else
                    whole[i * channels + c] = quantised(sample, bits, written.clipped);
            }
        errno = 0;
        const auto count = static_cast<sf_count_t>(n);
        const sf_count_t done =
            whole.empty() ? sf_writef_float(file, floats.data(), count) : sf_writef_int(file, whole.data(), count);
        if (done != count) {
            const int error = errno;
            sf_close(file);
            return fail(base::writeReason(path, error));
        }
        at += n;
        progress.at(static_cast<double>(at) / static_cast<double>(length));
    }
    errno = 0;
    if (sf_close(file) != 0) return fail(base::writeReason(path, errno));

    const bool tagged = (tags.bpm || !tags.key.empty()) && (format & SF_FORMAT_TYPEMASK) != SF_FORMAT_RF64;
    if (tagged) {
        errno = 0;
        if (const auto ok = writeTags(part.path(), tags); !ok)
            return fail(errno != 0 ? base::writeReason(path, errno) : "its tempo tag could not be written");
    }
    // A disk that filled up behind a library's back shows in the length of what can be read again.
    SF_INFO back{};
    SNDFILE* check = sf_open(part.path().c_str(), SFM_READ, &back);
    if (check != nullptr) sf_close(check);
    if (check == nullptr || back.frames != static_cast<sf_count_t>(length)) return fail(base::writeReason(path, 0));
    if (auto done = part.commit(existing); !done) return tl::unexpected(done.error());
    return written;
}

} // namespace sound
