// Which files of a folder are audio, by what they are called; none is opened.
#pragma once

#include "base/progress.h"

#include <cstdint>
#include <filesystem>
#include <optional>
#include <string>
#include <utility>
#include <vector>

namespace sound {

// Whether a name ends as audio files do. Hidden files never count.
bool mayBeAudio(const std::filesystem::path& file);

struct ListedFile {
    std::filesystem::path file;
    std::int64_t bytes = 0;
    std::int64_t changed = 0; // nanoseconds since 1970
    bool operator==(const ListedFile&) const = default;
};

struct Listing {
    std::vector<ListedFile> files; // by path
    // Folders whose content could not be listed, each with its reason in a sentence.
    std::vector<std::pair<std::filesystem::path, std::string>> unread;
    bool hasMore = false; // there were more than mostListed
};
inline constexpr std::size_t mostListed = 500000;

// The audio in a folder and all within it. Links are followed, each folder is looked into once, hidden ones never.
// Stopped, it returns what it has. Any thread; takes time.
Listing audioWithin(const std::filesystem::path& folder, const base::Progress& progress = {});

// The audio and the folders that lie in a folder itself. Any thread.
struct FolderContent {
    std::vector<ListedFile> files;              // by name
    std::vector<std::filesystem::path> folders; // by name, hidden ones left out
    std::string problem;                        // why it could not be listed; empty where it could
};
FolderContent audioIn(const std::filesystem::path& folder);

// Size and time of one file, as listed; none where it is not there.
std::optional<ListedFile> listed(const std::filesystem::path& file);

} // namespace sound
