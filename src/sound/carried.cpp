#include "sound/carried.h"

#include "base/utf8.h"
#include "sound/chunk_file.h"
#include "sound/snd_io.h"

#include <algorithm>
#include <cstring>
#include <memory>

namespace sound {

namespace {

std::unique_ptr<SndIo> opened(const std::filesystem::path& path) {
    SF_INFO info{};
    return holdsChunks(path) ? SndIo::read(path, info) : nullptr;
}

std::string textIn(const char* bytes, std::size_t size) {
    return base::toUtf8(std::string(bytes, strnlen(bytes, size)));
}

} // namespace

std::vector<CuePoint> readCues(const std::filesystem::path& path) {
    std::vector<CuePoint> cues;
    const auto io = opened(path);
    std::uint32_t count = 0;
    constexpr std::uint32_t most = 10000;
    if (!io || sf_command(io->file(), SFC_GET_CUE_COUNT, &count, sizeof count) != SF_TRUE || count == 0 ||
        count > most)
        return cues;
    std::vector<char> bytes(sizeof(std::uint32_t) + count * sizeof(SF_CUE_POINT));
    if (sf_command(io->file(), SFC_GET_CUE, bytes.data(), static_cast<int>(bytes.size())) != SF_TRUE) return cues;
    for (std::uint32_t i = 0; i < count; ++i) {
        SF_CUE_POINT cue{};
        std::memcpy(&cue, bytes.data() + sizeof count + i * sizeof cue, sizeof cue);
        const Frames at(static_cast<std::int64_t>(cue.sample_offset));
        if (at.value < io->frames()) cues.push_back({at, textIn(cue.name, sizeof cue.name)});
    }
    std::stable_sort(cues.begin(), cues.end(), [](const CuePoint& a, const CuePoint& b) { return a.at < b.at; });
    return cues;
}

std::optional<TimeReference> readTimeReference(const std::filesystem::path& path) {
    const auto io = opened(path);
    SF_BROADCAST_INFO note{};
    if (!io || sf_command(io->file(), SFC_GET_BROADCAST_INFO, &note, sizeof note) != SF_TRUE) return std::nullopt;
    const std::uint64_t frames = (std::uint64_t(note.time_reference_high) << 32) | note.time_reference_low;
    if (frames > std::uint64_t(1) << 62) return std::nullopt;
    return TimeReference{static_cast<std::int64_t>(frames), textIn(note.description, sizeof note.description)};
}

} // namespace sound
