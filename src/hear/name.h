// The *Name* reading: tempo and key from a file's name, and from its folder's where the name says nothing.
#pragma once

#include "hear/reading.h"

#include <filesystem>
#include <string_view>

namespace hear {

// Tempo and key that a name tells. A number counts as a tempo when it says so ("127bpm", "tempo 96"), when it
// stands beside a key ("127_Am"), or when it is the only free-standing number from 60 to 200 and nothing makes it
// a count, a date, a sample rate, a length or a model number. Bytes that are no UTF-8 are passed over.
// The rules are ours, from the trade's habits in naming files (common practice).
struct NameTells {
    std::optional<Bpm> bpm;
    std::optional<Key> key;
    double sureness = 0; // of the tempo
    std::string bpmText; // as it stands in the name: "112bpm"
    std::string keyText;
};
NameTells tellsOfName(std::string_view stem);

// The reading of a whole path: the file's own name first, then the folder it lies in. Looks at the path's text
// only, never at the disk.
Reading readName(const std::filesystem::path& path);

} // namespace hear
