// ID3v2 tags, changed in place: what is not named stays byte for byte.
#pragma once

#include "base/result.h"
#include "sound/tags.h"

#include <cstdint>
#include <span>
#include <vector>

namespace sound {

// How many bytes the tag at the beginning of these has, as its header says; 0 where none begins here. REQUIRES ten
// bytes, or all that there are.
std::int64_t id3Length(std::span<const char> head);

// A tag with tempo (TBPM), key (TKEY) and beats (TXXX "BEATS"), of those that are there, in the place of what it
// said of them; all other frames, in their order, stay as they are. It stays as long as it was where that is
// enough. An empty one makes a new one (ID3v2.4). Fails, with a reason that can stand after a colon, where the tag
// is not well-formed: then nobody can say where the sound behind it begins. (ID3 tag version 2.2, 2.3.0 and 2.4.0,
// M. Nilsson, 1998 to 2000; from memory.)
base::Result<std::vector<char>> withId3Texts(std::span<const char> tag, const Tags& tags);

} // namespace sound
