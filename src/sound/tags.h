// Tempo and key as written in a file, in the tags that other programs read too: ID3 TBPM and TKEY (also inside
// WAV and AIFF), Vorbis comments BPM and INITIALKEY. Through TagLib.
#pragma once

#include "base/result.h"
#include "metre/units.h"

#include <filesystem>
#include <map>
#include <optional>
#include <string>
#include <vector>

namespace sound {

using base::Result;
using metre::Bpm;

struct Tags {
    std::optional<Bpm> bpm;     // validated: inside metre's range of tempos
    std::string key;            // as written, "Dm" or "D minor"; empty where there is none
    std::string refused;        // what stood there instead of a usable tempo: "fast", "0"; empty as a rule
    std::optional<int> beats{}; // 1 to 100000; a comment BEATS
    // Title, artist, comment and what else there is, by their names as TagLib has them; those above are not among
    // them.
    std::map<std::string, std::vector<std::string>> others{};
    bool operator==(const Tags&) const = default;
};

// A tempo as it is written into tags: three decimals at most, which is finer than any tempo is meant, and none
// where it is whole, for readers that want integers.
std::string tempoText(Bpm bpm);

// The tags of a file that read() can open; empty where there are none or the file is unreadable. Any thread.
Tags readTags(const std::filesystem::path& path);

// Writes tempo, key, beats and others (a missing one is left as it is) in place. Only for a file of our own that is
// not yet where the user looks for it: this call itself is not atomic, and what else stands in tags may be written
// anew. tag_file.h is for files of others. Fails, naming the file, when nothing came to be written; that is found
// out by reading it back.
Result<void> writeTags(const std::filesystem::path& path, const Tags& tags);

} // namespace sound
