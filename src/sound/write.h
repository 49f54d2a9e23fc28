// Writing audio to a file.
#pragma once

#include "base/progress.h"
#include "base/safe_file.h"
#include "sound/audio.h"
#include "sound/tags.h"

#include <filesystem>
#include <functional>

namespace sound {

enum class Depth { Int16, Int24, Float32 };

struct Written {
    std::size_t clipped = 0; // samples beyond full scale that a whole-number format had to cut
};

// Audio that is made while it is written, so that never all of it is in memory.
struct Blocks {
    int rate = 48000;
    int channels = 1;
    Frames length;
    // What follows from a frame on, one frame at least; asked for in order.
    std::function<Result<AudioPtr>(Frames from)> next;
};

// Whether files of this name have a depth to choose: none for .ogg. FLAC takes 16 and 24.
bool takesDepth(const std::filesystem::path& path, Depth depth);
// Whether files can be written under this name, by its ending.
bool isWritable(const std::filesystem::path& path);

// Writes the audio, with its tags, whole or not at all. The kind of file follows the name's ending: .wav, .aif,
// .aiff, .flac or .ogg; FLAC knows no floats and takes 24 bits instead, Ogg Vorbis has no depth. A name that is a
// symbolic link is written through. A WAV too large
// for its own length field becomes an RF64, without tags. 16 and 24 bits are rounded without dither, so that
// what was read from a file of that depth is written back bit for bit. Any thread; takes time.
// Fails, naming the file and the reason.
Result<Written> write(const std::filesystem::path& path, const Audio& audio, Depth depth, const Tags& tags,
                      base::Existing existing, const base::Progress& progress = {});
// The same of blocks. Fails as their making does, too.
Result<Written> write(const std::filesystem::path& path, const Blocks& blocks, Depth depth, const Tags& tags,
                      base::Existing existing, const base::Progress& progress = {});

} // namespace sound
