#include "sound/carried.h"

#include "base/utf8.h"

#include <algorithm>
#include <cstring>
#include <memory>
#include <sndfile.h>

namespace sound {

namespace {

using OpenFile = std::unique_ptr<SNDFILE, decltype(&sf_close)>;

OpenFile opened(const std::filesystem::path& path, SF_INFO& info) {
    return {sf_open(path.c_str(), SFM_READ, &info), &sf_close};
}

std::string textIn(const char* bytes, std::size_t size) {
    return base::toUtf8(std::string(bytes, strnlen(bytes, size)));
}

} // namespace

std::vector<CuePoint> readCues(const std::filesystem::path& path) {
    std::vector<CuePoint> cues;
    SF_INFO info{};
    const OpenFile file = opened(path, info);
    std::uint32_t count = 0;
    constexpr std::uint32_t most = 10000;
    if (!file || sf_command(file.get(), SFC_GET_CUE_COUNT, &count, sizeof count) != SF_TRUE || count == 0 ||
        count > most)
        return cues;
    std::vector<char> bytes(sizeof(std::uint32_t) + count * sizeof(SF_CUE_POINT));
    if (sf_command(file.get(), SFC_GET_CUE, bytes.data(), static_cast<int>(bytes.size())) != SF_TRUE) return cues;
    for (std::uint32_t i = 0; i < count; ++i) {
        SF_CUE_POINT cue{};
        std::memcpy(&cue, bytes.data() + sizeof count + i * sizeof cue, sizeof cue);
        const Frames at(static_cast<std::int64_t>(cue.sample_offset));
        if (at.value < info.frames) cues.push_back({at, textIn(cue.name, sizeof cue.name)});
    }
    std::stable_sort(cues.begin(), cues.end(), [](const CuePoint& a, const CuePoint& b) { return a.at < b.at; });
    return cues;
}

std::optional<TimeReference> readTimeReference(const std::filesystem::path& path) {
    SF_INFO info{};
    const OpenFile file = opened(path, info);
    SF_BROADCAST_INFO note{};
    if (!file || sf_command(file.get(), SFC_GET_BROADCAST_INFO, &note, sizeof note) != SF_TRUE) return std::nullopt;
    const std::uint64_t frames = (std::uint64_t(note.time_reference_high) << 32) | note.time_reference_low;
    if (frames > std::uint64_t(1) << 62) return std::nullopt;
    return TimeReference{static_cast<std::int64_t>(frames), textIn(note.description, sizeof note.description)};
}

} // namespace sound
