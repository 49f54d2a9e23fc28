// Reading an audio file into memory.
#pragma once

#include "base/progress.h"
#include "base/result.h"
#include "sound/audio.h"

#include <filesystem>
#include <string>
#include <vector>

namespace sound {

using base::Result;

// What a file says of itself, and what was found when it was read.
struct FileFacts {
    int rate = 0;
    int channels = 0;
    Frames frames;      // at its own rate; as read, not as declared, once the file has been read whole
    std::string format; // "WAV 24-bit", "FLAC 16-bit", "Ogg Vorbis"
    Seconds length() const { return rate > 0 ? metre::toSeconds(frames, rate) : Seconds(0); }
    bool operator==(const FileFacts&) const = default;
};

struct ReadFile {
    Audio audio;
    FileFacts facts;
    std::string content;               // contentOf() the audio before it was converted to another rate
    std::vector<std::string> warnings; // sentences naming the file: ended early, samples that are no numbers
};

// The limits of what is taken: anything outside is refused with its reason.
inline constexpr int lowestRate = 4000;
inline constexpr int highestRate = 384000;
inline constexpr int mostChannels = 2;
inline constexpr std::int64_t mostBytes = std::int64_t(4)
                                          << 30; // in memory, per file, at the target rate: three hours at 48 kHz

// Reads WAV, AIFF, FLAC, Ogg Vorbis, Opus or MP3 from its first frame to its last, in order, and converts it
// to targetRate (0: leaves it as it is). Lengths come from what was decoded, never from a header. A file that
// ends early is read as far as it goes, with a warning; samples that are no numbers become silence, with a
// warning. Any thread; takes time. Fails, naming file and reason, when there is no audio to be had.
Result<ReadFile> read(const std::filesystem::path& path, int targetRate, const base::Progress& progress = {});

} // namespace sound
