// The comments of FLAC, Ogg Vorbis and Opus files, changed in place: what is not named stays byte for byte.
#pragma once

#include "base/result.h"
#include "sound/tags.h"

#include <span>
#include <vector>

namespace sound {

// Comments with tempo (BPM), key (INITIALKEY) and beats (BEATS), of those that are there, in the place of what they
// said of them; all others, in their order, and what lies behind them stay as they are. Empty ones are made anew.
// Fails, with a reason that can stand after a colon, where they are damaged. (Ogg Vorbis I format specification:
// comment field and header specification, Xiph.Org; from memory.)
base::Result<std::vector<char>> withComments(std::span<const char> comments, const Tags& tags);

} // namespace sound
