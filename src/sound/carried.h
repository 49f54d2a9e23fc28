// What a file says of itself beside tempo and tags, to be carried over into one that is made of it.
#pragma once

#include "sound/write.h"

namespace sound {

// Cue points of a WAV or AIFF with their names, where it has such, in order; none beyond its end.
std::vector<CuePoint> readCues(const std::filesystem::path& path);
// The description and time reference of a broadcast wave file.
std::optional<TimeReference> readTimeReference(const std::filesystem::path& path);

} // namespace sound
