// Recognising audio by what it holds, whatever its file is called and however it is tagged.
#pragma once

#include "sound/audio.h"

#include <string>

namespace sound {

// Sixteen hexadecimal digits from every sample, the rate and the number of channels, of the audio as decoded. The
// same audio in WAV and in FLAC has the same. Not meant against forgery. Any thread.
std::string contentOf(const Audio& audio);

} // namespace sound
