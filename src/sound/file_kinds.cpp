#include "sound/file_kinds.h"

#include <algorithm>
#include <array>
#include <fmt/format.h>
#include <sndfile.h>

namespace sound {

namespace {

constexpr std::array<int, 5> opusRates{8000, 12000, 16000, 24000, 48000};
constexpr std::array<int, 9> mp3Rates{8000, 11025, 12000, 16000, 22050, 24000, 32000, 44100, 48000};

template <class Rates>
int atLeast(const Rates& rates, int rate) {
    const auto found = std::lower_bound(rates.begin(), rates.end(), rate);
    return found == rates.end() ? rates.back() : *found;
}
int any(int rate) {
    return rate;
}
int opusRate(int rate) {
    return atLeast(opusRates, rate);
}
int mp3Rate(int rate) {
    return atLeast(mp3Rates, rate);
}
int vorbisRate(int rate) {
    return rate > 200000 ? 192000 : rate;
}
int flacRate(int rate) {
    return rate > 65535 && rate % 10 != 0 ? rate / 10 * 10 : rate;
}

const std::array table{
    FileKindEntry{FileKind::Wav, "wav", "WAV", ".wav", nullptr, SF_FORMAT_WAV, 0, true, 1, any, nullptr},
    FileKindEntry{FileKind::Aiff, "aiff", "AIFF", ".aiff", ".aif", SF_FORMAT_AIFF, 0, true, 1, any, nullptr},
    FileKindEntry{FileKind::Flac, "flac", "FLAC", ".flac", nullptr, SF_FORMAT_FLAC, 0, false, 0.6, flacRate,
                  "FLAC holds no rate of {} Hz: above 65535 it must be a multiple of ten"},
    FileKindEntry{FileKind::Ogg, "ogg", "Ogg Vorbis", ".ogg", nullptr, SF_FORMAT_OGG, SF_FORMAT_VORBIS, false, 1,
                  vorbisRate, "Ogg Vorbis reaches up to 200000 Hz, and this is at {} Hz"},
    FileKindEntry{FileKind::Opus, "opus", "Opus", ".opus", nullptr, SF_FORMAT_OGG, SF_FORMAT_OPUS, false, 1,
                  opusRate, nullptr},
    FileKindEntry{FileKind::Mp3, "mp3", "MP3", ".mp3", nullptr, SF_FORMAT_MPEG, SF_FORMAT_MPEG_LAYER_III, false, 1,
                  mp3Rate, nullptr},
};

} // namespace

const FileKindEntry& entryOf(FileKind kind) {
    return *std::find_if(table.begin(), table.end(), [kind](const FileKindEntry& e) { return e.kind == kind; });
}

const std::vector<FileKind>& fileKinds() {
    static const std::vector<FileKind> all = [] {
        std::vector<FileKind> kinds;
        kinds.reserve(table.size());
        for (const FileKindEntry& entry : table)
            kinds.push_back(entry.kind);
        return kinds;
    }();
    return all;
}

const char* kindWord(FileKind kind) {
    return entryOf(kind).word;
}
const char* kindLabel(FileKind kind) {
    return entryOf(kind).label;
}
const char* kindEnding(FileKind kind) {
    return entryOf(kind).ending;
}
bool isLossy(FileKind kind) {
    return entryOf(kind).lossy != 0;
}
double packedTo(FileKind kind) {
    return entryOf(kind).packed;
}
int rateIn(FileKind kind, int rate) {
    return entryOf(kind).rateIn(rate);
}

std::optional<FileKind> kindFromWord(const std::string& word) {
    for (const FileKindEntry& entry : table)
        if (word == entry.word) return entry.kind;
    return std::nullopt;
}

std::optional<FileKind> kindOf(const std::filesystem::path& path) {
    std::string ending = path.extension().string();
    std::transform(ending.begin(), ending.end(), ending.begin(),
                   [](char c) { return (c >= 'A' && c <= 'Z') ? static_cast<char>(c + 32) : c; });
    for (const FileKindEntry& entry : table)
        if (ending == entry.ending || (entry.otherEnding != nullptr && ending == entry.otherEnding))
            return entry.kind;
    return std::nullopt;
}

int formatOf(FileKind kind, Depth depth) {
    const FileKindEntry& entry = entryOf(kind);
    if (entry.lossy != 0) return entry.container | entry.lossy;
    if (depth == Depth::Int16) return entry.container | SF_FORMAT_PCM_16;
    if (depth == Depth::Int24 || !entry.holdsFloats) return entry.container | SF_FORMAT_PCM_24;
    // Floats ask for the extensible format chunk: strict readers want its extension.
    return (entry.container == SF_FORMAT_WAV ? SF_FORMAT_WAVEX : entry.container) | SF_FORMAT_FLOAT;
}

std::string rateReason(FileKind kind, int rate) {
    const FileKindEntry& entry = entryOf(kind);
    const int nearest = entry.rateIn(rate);
    if (nearest == rate) return {};
    if (entry.rateProblem != nullptr) return fmt::format(fmt::runtime(entry.rateProblem), rate);
    return fmt::format("{} holds no rate of {} Hz; the next that it can is {} Hz", entry.label, rate, nearest);
}

} // namespace sound
