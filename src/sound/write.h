// Writing audio to a file.
#pragma once

#include "sound/audio.h"
#include "sound/progress.h"
#include "sound/safe_file.h"
#include "sound/tags.h"

#include <filesystem>

namespace sound {

enum class Depth { Int16, Int24, Float32 };

struct Written {
    std::size_t clipped = 0; // samples beyond full scale that a whole-number format had to cut
};

// Writes the audio, with its tags, whole or not at all. The kind of file follows the name's ending: .wav, .aif,
// .aiff, .flac or .ogg; FLAC knows no floats and takes 24 bits instead, Ogg Vorbis has no depth. A WAV too large
// for its own length field becomes an RF64, without tags. 16 and 24 bits are rounded without dither, so that
// what was read from a file of that depth is written back bit for bit. Any thread; takes time.
// Fails, naming the file and the reason.
Result<Written> write(const std::filesystem::path& path, const Audio& audio, Depth depth, const Tags& tags,
                      Existing existing, const Progress& progress = {});

} // namespace sound
