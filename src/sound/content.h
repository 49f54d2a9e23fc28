// Recognising audio by what it holds, whatever its file is called and however it is tagged.
#pragma once

#include "base/hash.h"
#include "base/progress.h"
#include "base/result.h"
#include "sound/audio.h"

#include <filesystem>
#include <optional>
#include <string>
#include <vector>

namespace sound {

// Sixteen hexadecimal digits from every sample, the rate and the number of channels, of the audio as decoded. The
// same audio in WAV and in FLAC has the same. Not meant against forgery. Any thread.
std::string contentOf(const Audio& audio);
// The same of interleaved samples.
std::string contentOf(const std::vector<float>& interleaved, int channels, int rate);
// The same of a file of which it is known how many frames it has, once for each channel through it: for those that
// are too long to be kept in memory. Fails, naming the file, when it has become another meanwhile, or when stopped.
base::Result<std::string> contentOfFile(const std::filesystem::path& file, Frames frames,
                                        const base::Progress& progress = {});

// Recognising a file by its bytes, whatever it is called: from all of them and the ending of its name, by which
// decoders go as well. None where it cannot be read, or when stopped. Any thread; as fast as it comes from disk.
std::optional<base::Key> keyOfBytes(const std::filesystem::path& file, const base::Progress& progress = {});

} // namespace sound
