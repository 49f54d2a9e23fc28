// Feels that are kept: small open files in the library's folder, and three that are made by calculation.
// docs/format.md describes them.
#pragma once

#include "base/result.h"
#include "hear/feel.h"

#include <filesystem>
#include <string>
#include <vector>

namespace project {

using base::Result;

inline constexpr const char* feelEnding = ".feel.json";

struct NamedFeel {
    std::string name;
    hear::Feel feel;
    bool operator==(const NamedFeel&) const = default;
};

// Even, light swing (56 %) and triplets (66.7 %), in sixteenths or eighths of four quarters; no place is late.
std::vector<NamedFeel> madeFeels();

std::string feelToJson(const NamedFeel& named);
// Fails in a sentence, naming `file`, where the text is damaged, of a newer version, or says what cannot be.
Result<NamedFeel> feelFromJson(const std::string& text, const std::filesystem::path& file);

// $DATA/feels. Nothing need be there yet.
std::filesystem::path feelFolder();
// Keeps a feel under its name; refuses an empty one, and one that is there. Fails naming the file and the reason.
Result<std::filesystem::path> keepFeel(const NamedFeel& named, const std::filesystem::path& folder = feelFolder());
Result<NamedFeel> readFeel(const std::filesystem::path& file);
// Those that are made and those that are kept, by name; what cannot be read is named in `problems`.
std::vector<NamedFeel> keptFeels(std::vector<std::string>& problems,
                                 const std::filesystem::path& folder = feelFolder());

} // namespace project
