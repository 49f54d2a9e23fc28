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
#include <memory>
#include <new>
#include <sndfile.h>
#include <sys/stat.h>
#include <unistd.h>

namespace sound {

namespace {

struct CloseFile {
    void operator()(SNDFILE* f) const { sf_close(f); }
};
using File = std::unique_ptr<SNDFILE, CloseFile>;

std::string formatName(int format) {
    SF_FORMAT_INFO info{};
    const int major = format & SF_FORMAT_TYPEMASK;
    const int sub = format & SF_FORMAT_SUBMASK;
    if (major == SF_FORMAT_OGG) return sub == SF_FORMAT_OPUS ? "Ogg Opus" : "Ogg Vorbis";
    if (major == SF_FORMAT_MPEG) return "MP3";
    std::string name;
    switch (major) {
    case SF_FORMAT_WAV:
    case SF_FORMAT_WAVEX:
        name = "WAV";
        break;
    case SF_FORMAT_RF64:
        name = "RF64";
        break;
    case SF_FORMAT_AIFF:
        name = "AIFF";
        break;
    case SF_FORMAT_FLAC:
        name = "FLAC";
        break;
    default:
        info.format = major;
        sf_command(nullptr, SFC_GET_FORMAT_INFO, &info, sizeof info);
        name = info.name != nullptr ? info.name : "audio";
    }
    switch (sub) {
    case SF_FORMAT_PCM_S8:
    case SF_FORMAT_PCM_U8:
        return name + " 8-bit";
    case SF_FORMAT_PCM_16:
        return name + " 16-bit";
    case SF_FORMAT_PCM_24:
        return name + " 24-bit";
    case SF_FORMAT_PCM_32:
        return name + " 32-bit";
    case SF_FORMAT_FLOAT:
        return name + " float";
    case SF_FORMAT_DOUBLE:
        return name + " double";
    default:
        return name;
    }
}

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

bool isCompressed(int format) {
    const int major = format & SF_FORMAT_TYPEMASK;
    return major == SF_FORMAT_OGG || major == SF_FORMAT_MPEG;
}

// libsndfile shortens a cut WAV or AIFF to what is there and mentions it only in its log.
bool logSaysCut(SNDFILE* file) {
    std::array<char, 4096> log{};
    sf_command(file, SFC_GET_LOG_INFO, log.data(), static_cast<int>(log.size()) - 1);
    const std::string_view text(log.data());
    for (std::size_t at = text.find("data "); at != std::string_view::npos; at = text.find("data ", at + 1)) {
        const std::string_view line = text.substr(at, text.find('\n', at) - at);
        if (line.find("should be") != std::string_view::npos) return true;
    }
    const std::size_t ssnd = text.find("SSND");
    return ssnd != std::string_view::npos &&
           text.substr(ssnd, text.find('\n', ssnd) - ssnd).find("should be") != std::string_view::npos;
}

std::size_t silenceNonNumbers(std::vector<float>& samples) {
    std::size_t found = 0;
    for (float& s : samples) {
        if (std::isfinite(s)) continue;
        s = 0;
        ++found;
    }
    return found;
}

std::string inMinutes(double seconds) {
    if (seconds < 600) return fmt::format("{:.3g} s", seconds);
    return fmt::format("{:.0f} min", seconds / 60);
}

Result<ReadFile> readWhole(const std::filesystem::path& path, int targetRate, const base::Progress& progress) {
    const std::string name = base::shownName(path);
    const auto fail = [&](const std::string& reason) {
        return base::problem(fmt::format("{} could not be read: {}.", name, reason));
    };
    if (const std::string reason = fileSystemReason(path); !reason.empty()) return fail(reason);

    SF_INFO info{};
    const File file(sf_open(path.c_str(), SFM_READ, &info));
    if (!file) return fail("it is not an audio file of a kind that is known here, or it is damaged");
    if (info.channels < 1 || info.channels > mostChannels)
        return fail(fmt::format("it has {} channels, and only mono and stereo can be used", info.channels));
    if (info.samplerate < lowestRate || info.samplerate > highestRate)
        return fail(fmt::format("its sample rate of {} Hz is outside {} to {} Hz", info.samplerate, lowestRate,
                                highestRate));

    ReadFile out;
    out.facts = {info.samplerate, info.channels, Frames(0), formatName(info.format)};
    const int rate = targetRate > 0 ? targetRate : info.samplerate;
    const double growth = std::max(1.0, static_cast<double>(rate) / info.samplerate);
    const auto mostFrames =
        static_cast<std::int64_t>(static_cast<double>(mostBytes) / sizeof(float) / info.channels / growth);
    const auto tooLong = [&](double seconds) {
        return fail(fmt::format("it is {} long, and this kind of file may be {} at most", inMinutes(seconds),
                                inMinutes(static_cast<double>(mostFrames) / info.samplerate)));
    };
    // A compressed file's header may promise anything; a plain one's length comes from its size.
    if (!isCompressed(info.format) && info.frames > mostFrames && info.frames < std::int64_t(1) << 40)
        return tooLong(static_cast<double>(info.frames) / info.samplerate);

    const auto channels = static_cast<std::size_t>(info.channels);
    Audio& audio = out.audio;
    audio.rate = info.samplerate;
    audio.channels.resize(channels);
    constexpr std::size_t block = 1 << 15;
    std::vector<float> buffer(block * channels);
    const bool resampling = rate != info.samplerate;
    const base::Progress reading = progress.part(0, resampling ? 0.6 : 1.0);
    while (true) {
        if (progress.stopped()) return base::cancelled();
        const sf_count_t got = sf_readf_float(file.get(), buffer.data(), block);
        if (got <= 0) break;
        for (std::size_t c = 0; c < channels; ++c) {
            auto& to = audio.channels[c];
            for (sf_count_t i = 0; i < got; ++i)
                to.push_back(buffer[static_cast<std::size_t>(i) * channels + c]);
        }
        if (audio.frames().value > mostFrames) return tooLong(audio.length().value);
        if (info.frames > 0)
            reading.at(std::min(1.0, static_cast<double>(audio.frames().value) / static_cast<double>(info.frames)));
    }
    const std::int64_t got = audio.frames().value;
    if (got == 0) return fail("there is no sound in it, or it is damaged");
    out.facts.frames = Frames(got);

    const bool declaredSane = info.frames > 0 && info.frames < std::int64_t(1) << 40;
    const std::int64_t slack = isCompressed(info.format) ? 2 * 2304 : 0; // MP3 without a length tag guesses
    if (declaredSane && got + slack < info.frames)
        out.warnings.push_back(fmt::format("{} ends early: {} of {} could be read.", name,
                                           inMinutes(audio.length().value),
                                           inMinutes(static_cast<double>(info.frames) / info.samplerate)));
    else if (!declaredSane || logSaysCut(file.get()))
        out.warnings.push_back(fmt::format("{} ends early: the file was cut off, and {} could be read.", name,
                                           inMinutes(audio.length().value)));

    std::size_t notNumbers = 0;
    for (auto& samples : audio.channels)
        notNumbers += silenceNonNumbers(samples);
    if (notNumbers == static_cast<std::size_t>(got) * channels) return fail("none of its samples is a number");
    if (notNumbers > 0)
        out.warnings.push_back(
            fmt::format("{} holds {} samples that are no numbers; they were made silent.", name, notNumbers));

    out.content = contentOf(audio);
    if (resampling) {
        auto converted = resampled(audio, rate, progress.part(0.6, 1.0));
        if (!converted) return tl::unexpected(converted.error());
        audio = std::move(*converted);
    }
    for (auto& samples : audio.channels)
        samples.shrink_to_fit();
    return out;
}

} // namespace

Result<ReadFile> read(const std::filesystem::path& path, int targetRate, const base::Progress& progress) {
    try {
        return readWhole(path, targetRate, progress);
    } catch (const std::bad_alloc&) {
        return base::problem(
            fmt::format("{} could not be read: there is not enough memory for it.", base::shownName(path)));
    }
}

} // namespace sound
