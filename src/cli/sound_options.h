// What the options about sound files say, the same for every command. A wrong word is a problem that names the
// option and what it may be. Any thread.
#pragma once

#include "base/result.h"
#include "sound/write.h"

#include <optional>
#include <string>

namespace cli {

// --depth: 16, 24 or float.
base::Result<sound::Depth> depthIn(const std::string& word);
// --format: wav, aiff, flac, ogg, opus or mp3.
base::Result<sound::FileKind> formatIn(const std::string& word);
// An option that is a whole number from low to high; nothing when it was not given.
base::Result<std::optional<int>> wholeNumberIn(const std::optional<std::string>& text, const char* option, int low,
                                               int high);
// --quality: 0 to 10.
base::Result<std::optional<int>> qualityIn(const std::optional<std::string>& text);

} // namespace cli
