#include "sound/write.h"

#include "base/hash.h"
#include "base/utf8.h"
#include "sound/decoder.h"
#include "sound/file_kinds.h"
#include "sound/ogg_links.h"
#include "sound/snd_io.h"

#include <algorithm>
#include <array>
#include <cerrno>
#include <cmath>
#include <cstdint>
#include <cstring>
#include <fmt/format.h>
#include <memory>
#include <optional>
#include <variant>

#ifdef __SSE2__
#include <emmintrin.h>
#endif

namespace sound {

namespace {

bool isWholeNumbers(int format) {
    const int sub = format & SF_FORMAT_SUBMASK;
    return sub == SF_FORMAT_PCM_16 || sub == SF_FORMAT_PCM_24;
}

// The difference of two evenly spread numbers: noise with a triangular density of one step either way, which makes
// the error of rounding independent of the sound (Lipshitz, Wannamaker, Vanderkooy, "Quantization and Dither: A
// Theoretical Survey", JAES 1992, from memory).
class Dither {
  public:
    // Another sequence for every name and channel, so that the noises of stems do not add up as one.
    Dither(const std::string& name, std::size_t channel) : state_(seed(name, channel)) {}
    double next() { return even() - even(); }

  private:
    static std::uint64_t seed(const std::string& name, std::size_t channel) {
        base::KeyMaker maker;
        maker.add(std::string_view(name));
        if (channel > 0) maker.add(std::uint64_t(channel));
        return maker.key().low;
    }
    double even() {
        state_ = state_ * 6364136223846793005ULL + 1442695040888963407ULL;
        return double(state_ >> 11) * 0x1p-53;
    }
    std::uint64_t state_;
};

// A float sample as the top bits of a 32-bit integer, rounded to the depth. libsndfile itself would scale by
// 32767 on the way out and by 32768 on the way in, and a file read and written would come back changed.
std::int32_t quantised(float sample, int bits, double noise, std::int32_t& clipped) {
    const auto scale = static_cast<double>(std::int64_t(1) << (bits - 1));
    // Beyond this a double has no fraction: adding it rounds to the nearest whole number, and ties to even.
    constexpr double whole = 0x1.8p52;
    const double value = static_cast<double>(sample) * scale + noise + whole - whole;
    const double kept = std::min(std::max(-scale, value), scale - 1);
    // +1.0 exactly is full scale, one step above the largest number; that is no clip that anyone hears.
    clipped += static_cast<std::int32_t>(value != kept) & static_cast<std::int32_t>(std::abs(sample) > 1);
    return static_cast<std::int32_t>(kept) * (std::int32_t(1) << (32 - bits));
}

// Many samples without noise, as quantised() has them, several at a time where the processor can.
void quantise(const float* from, std::int32_t* to, std::size_t n, int bits, std::int32_t& clipped) {
    std::size_t i = 0;
#ifdef __SSE2__
    // A power of two as factor is exact, and the conversion rounds to the nearest whole number, ties to even.
    const auto scale = static_cast<float>(std::int32_t(1) << (bits - 1));
    const __m128 factor = _mm_set1_ps(scale);
    const __m128 lowest = _mm_set1_ps(-scale);
    const __m128 highest = _mm_set1_ps(scale - 1); // exact: bits are 16 or 24
    const __m128 full = _mm_set1_ps(1);
    for (; i + 4 <= n; i += 4) {
        const __m128 sample = _mm_loadu_ps(from + i);
        const __m128 value = _mm_mul_ps(sample, factor);
        const __m128 kept = _mm_min_ps(_mm_max_ps(value, lowest), highest);
        const __m128i whole = _mm_slli_epi32(_mm_cvtps_epi32(kept), 32 - bits);
        _mm_storeu_si128(reinterpret_cast<__m128i*>(to + i), whole);
        // Rarely any: then one by one.
        const __m128 beyond = _mm_or_ps(_mm_cmpgt_ps(sample, full), _mm_cmplt_ps(value, lowest));
        if (_mm_movemask_ps(beyond) == 0) continue;
        for (std::size_t k = i; k < i + 4; ++k)
            to[k] = quantised(from[k], bits, 0, clipped);
    }
#endif
    for (; i < n; ++i)
        to[i] = quantised(from[i], bits, 0, clipped);
}

void copyText(char* to, std::size_t size, const std::string& text) {
    std::memset(to, 0, size);
    std::memcpy(to, text.data(), std::min(size, text.size()));
}

// Whether a file is there with so many frames of sound. MP3 is kept in frames of its own, and may be read a little
// longer.
bool isThere(const std::filesystem::path& path, FileKind kind, std::int64_t length) {
    if (kind == FileKind::Mp3) {
        const auto mp3 = openMp3(path);
        return mp3 && (*mp3)->flaw().empty() && (*mp3)->declared >= length && (*mp3)->declared < length + 10000;
    }
    SF_INFO info{};
    const auto io = SndIo::read(path, info);
    return io && io->frames() == length;
}

} // namespace

bool isWritable(const std::filesystem::path& path) {
    return kindOf(path).has_value();
}

bool takesDepth(const std::filesystem::path& path, Depth depth) {
    const auto kind = kindOf(path);
    return kind && !isLossy(*kind) && (depth != Depth::Float32 || entryOf(*kind).holdsFloats);
}

struct Writer::State {
    std::filesystem::path path;
    FileKind kind = FileKind::Wav;
    int format = 0;
    int channels = 1;
    int rate = 0;
    std::int64_t length = 0;
    std::int64_t done = 0;
    WriteAs as;
    base::PartFile part;
    std::unique_ptr<SndIo> io;
    Written written;
    std::vector<Dither> dithers; // of each channel
    std::vector<std::int32_t> whole;
    std::vector<std::int32_t> channel;
    std::vector<float> floats;

    State(const std::filesystem::path& to, int channelCount) : path(to), channels(channelCount), part(to) {
        for (std::size_t c = 0; c < static_cast<std::size_t>(channels); ++c)
            dithers.emplace_back(to.filename().native(), c);
    }
    State(const State&) = delete;
    State& operator=(const State&) = delete;
    tl::unexpected<base::Problem> fail(const std::string& reason) const {
        return base::problem(fmt::format("{} could not be written: {}.", base::shownPath(path), reason));
    }
    bool isRf64() const { return (format & SF_FORMAT_TYPEMASK) == SF_FORMAT_RF64; }
};

Writer::Writer(std::unique_ptr<State> state) : state_(std::move(state)) {}
Writer::~Writer() = default;
Writer::Writer(Writer&&) noexcept = default;
Writer& Writer::operator=(Writer&&) noexcept = default;

namespace {

void setQuality(SNDFILE* file, FileKind kind, int of10) {
    if (kind == FileKind::Mp3) {
        int variable = SF_BITRATE_MODE_VARIABLE;
        sf_command(file, SFC_SET_BITRATE_MODE, &variable, sizeof variable);
    }
    double quality = std::clamp(of10, 0, 10) / 10.0;
    sf_command(file, SFC_SET_VBR_ENCODING_QUALITY, &quality, sizeof quality);
}

void setReference(SNDFILE* file, const TimeReference& reference) {
    SF_BROADCAST_INFO note{};
    copyText(note.description, sizeof note.description, reference.description);
    copyText(note.originator, sizeof note.originator, "Patient Metre");
    const auto frames = static_cast<std::uint64_t>(std::max<std::int64_t>(0, reference.frames));
    note.time_reference_low = static_cast<std::uint32_t>(frames & 0xFFFFFFFFU);
    note.time_reference_high = static_cast<std::uint32_t>(frames >> 32);
    note.version = 1;
    sf_command(file, SFC_SET_BROADCAST_INFO, &note, sizeof note);
}

void setCues(SNDFILE* file, const std::vector<CuePoint>& cues) {
    std::vector<char> bytes(sizeof(std::uint32_t) + cues.size() * sizeof(SF_CUE_POINT));
    const auto count = static_cast<std::uint32_t>(cues.size());
    std::memcpy(bytes.data(), &count, sizeof count);
    for (std::size_t i = 0; i < cues.size(); ++i) {
        SF_CUE_POINT cue{};
        cue.indx = static_cast<std::int32_t>(i + 1);
        cue.position = static_cast<std::uint32_t>(std::clamp<std::int64_t>(cues[i].at.value, 0, 0xFFFFFFFFLL));
        cue.sample_offset = cue.position;
        copyText(cue.name, sizeof cue.name - 1, cues[i].name);
        std::memcpy(bytes.data() + sizeof count + i * sizeof cue, &cue, sizeof cue);
    }
    sf_command(file, SFC_SET_CUE, bytes.data(), static_cast<int>(bytes.size()));
}

} // namespace

Result<Writer> Writer::open(const std::filesystem::path& path, int rate, int channels, Frames length,
                            const WriteAs& as) {
    const auto fail = [&](const std::string& reason) {
        return base::problem(fmt::format("{} could not be written: {}.", base::shownPath(path), reason));
    };
    const auto kind = kindOf(path);
    if (!kind) return fail("its name must end in .wav, .aiff, .flac, .ogg, .opus or .mp3");
    int format = formatOf(*kind, as.depth);
    const std::int64_t sampleBytes = as.depth == Depth::Int16 ? 2 : as.depth == Depth::Int24 ? 3 : 4;
    const bool large = length.value * channels * sampleBytes > as.largeFrom;
    if (large && *kind == FileKind::Wav) format = SF_FORMAT_RF64 | (format & SF_FORMAT_SUBMASK);
    if (large && *kind == FileKind::Aiff) return fail("AIFF holds no more than 4 GB; WAV does");
    std::error_code ignored;
    if (as.existing == base::Existing::Refuse && std::filesystem::exists(path, ignored))
        return fail("a file of that name is there already");
    if (const std::string reason = rateReason(*kind, rate); !reason.empty()) return fail(reason);
    auto state = std::make_unique<State>(path, channels);
    state->kind = *kind;
    state->format = format;
    state->rate = rate;
    state->length = length.value;
    state->as = as;
    SF_INFO info{};
    info.samplerate = rate;
    info.channels = channels;
    info.format = format;
    if (sf_format_check(&info) == 0)
        return fail(fmt::format("this kind of file takes no {} channels at {} Hz", channels, rate));
    errno = 0;
    state->io = SndIo::write(state->part.path(), info);
    if (!state->io) return fail(base::writeReason(path, errno));
    SNDFILE* file = state->io->file();
    if (isLossy(*kind)) setQuality(file, *kind, as.quality);
    if (as.reference && *kind == FileKind::Wav) setReference(file, *as.reference);
    if (!as.cues.empty() && *kind == FileKind::Aiff) setCues(file, as.cues);
    return Writer(std::move(state));
}

Result<void> Writer::add(const Audio& audio) {
    State& s = *state_;
    constexpr std::int64_t block = 1 << 15;
    const bool wholeNumbers = isWholeNumbers(s.format);
    const int bits = (s.format & SF_FORMAT_SUBMASK) == SF_FORMAT_PCM_16 ? 16 : 24;
    const bool dithers = s.as.dither && bits == 16;
    const auto channels = static_cast<std::size_t>(s.channels);
    const std::int64_t frames = std::min(audio.frames().value, s.length - s.done);
    for (std::int64_t at = 0; at < frames; at += block) {
        const std::int64_t n = std::min(block, frames - at);
        const auto count = static_cast<std::size_t>(n) * channels;
        if (wholeNumbers)
            s.whole.resize(count);
        else
            s.floats.resize(count);
        for (std::size_t c = 0; c < channels; ++c) {
            const float* from = audio.channels[c].data() + at;
            if (!wholeNumbers) {
                float* to = s.floats.data() + c;
                for (std::size_t i = 0; i < static_cast<std::size_t>(n); ++i)
                    to[i * channels] = from[i];
                continue;
            }
            s.channel.resize(static_cast<std::size_t>(n));
            std::int32_t clipped = 0;
            if (dithers)
                for (std::size_t i = 0; i < s.channel.size(); ++i)
                    s.channel[i] = quantised(from[i], bits, s.dithers[c].next(), clipped);
            else
                quantise(from, s.channel.data(), s.channel.size(), bits, clipped);
            s.written.clipped += static_cast<std::size_t>(clipped);
            std::int32_t* to = s.whole.data() + c;
            for (std::size_t i = 0; i < s.channel.size(); ++i)
                to[i * channels] = s.channel[i];
        }
        const sf_count_t done = wholeNumbers ? sf_writef_int(s.io->file(), s.whole.data(), n)
                                             : sf_writef_float(s.io->file(), s.floats.data(), n);
        if (done != n || s.io->error() != 0) return s.fail(base::writeReason(s.path, s.io->error()));
        s.done += n;
    }
    return {};
}

Result<Written> Writer::finish() {
    State& s = *state_;
    if (s.io->close() != 0) return s.fail(base::writeReason(s.path, s.io->error()));
    if (s.kind == FileKind::Wav && !s.isRf64()) {
        std::vector<NamedChunk> chunks = cueChunks(s.as.cues);
        if (s.as.loop.rootNote || s.as.loop.loop) chunks.emplace_back(samplerName, samplerChunk(s.as.loop, s.rate));
        if (s.as.loop.bpm && s.as.loop.beats) chunks.emplace_back(loopName, loopChunk(s.as.loop));
        if (!chunks.empty() && !appendChunks(s.part.path(), chunks))
            return s.fail(base::writeReason(s.path, errno));
    }
    if ((s.kind == FileKind::Ogg || s.kind == FileKind::Opus) && !setOggSerial(s.part.path()))
        return s.fail(base::writeReason(s.path, errno));
    const Tags& tags = s.as.tags;
    if ((tags.bpm || !tags.key.empty() || tags.beats || !tags.others.empty()) && !s.isRf64()) {
        errno = 0;
        if (const auto ok = writeTags(s.part.path(), tags); !ok)
            return s.fail(errno != 0 ? base::writeReason(s.path, errno) : "its tempo tag could not be written");
    }
    // A disk that filled up behind a library's back shows in the length of what can be read again.
    if (!isThere(s.part.path(), s.kind, s.length) || s.done != s.length)
        return s.fail(base::writeReason(s.path, 0));
    if (auto done = s.part.commit(s.as.existing); !done) return tl::unexpected(done.error());
    return s.written;
}

Result<Written> write(const std::filesystem::path& path, const Blocks& blocks, const WriteAs& as,
                      const base::Progress& progress) {
    auto writer = Writer::open(path, blocks.rate, blocks.channels, blocks.length, as);
    if (!writer) return tl::unexpected(writer.error());
    for (Frames at(0); at < blocks.length;) {
        if (progress.stopped()) return base::cancelled();
        const auto block = blocks.next(at);
        if (!block) return tl::unexpected(block.error());
        // In pieces, so that a cancel is heard in the middle of long ones.
        constexpr std::int64_t most = 1 << 20;
        const Audio& audio = **block;
        for (Frames from(0); from < audio.frames();) {
            if (progress.stopped()) return base::cancelled();
            const Frames n = std::min(Frames(most), audio.frames() - from);
            Audio piece;
            piece.rate = audio.rate;
            for (const Samples& samples : audio.channels)
                piece.channels.push_back(
                    Samples::viewOf(samples.data() + from.value, static_cast<std::size_t>(n.value), *block));
            if (auto added = writer->add(piece); !added) return tl::unexpected(added.error());
            from += n;
            progress.at(double((at + from).value) / double(blocks.length.value));
        }
        at += audio.frames();
    }
    return writer->finish();
}

Result<Written> write(const std::filesystem::path& path, const Audio& audio, Depth depth, const Tags& tags,
                      base::Existing existing, const base::Progress& progress) {
    const auto whole = std::make_shared<const std::monostate>();
    const Blocks one{audio.rate, audio.channelCount(), audio.frames(),
                     [&](Frames) { return AudioPtr(whole, &audio); }};
    WriteAs as;
    as.depth = depth;
    as.tags = tags;
    as.existing = existing;
    return write(path, one, as, progress);
}

} // namespace sound
