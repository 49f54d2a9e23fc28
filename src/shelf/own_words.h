// What the user says of recordings in own words, and the folders of the library: as values, and as the text that
// lies beside the library, so that nothing of it is lost with the database.
#pragma once

#include "base/result.h"

#include <filesystem>
#include <map>
#include <string>
#include <vector>

namespace shelf {

// Of one recording.
struct OwnWords {
    std::vector<std::string> tags; // in order, each once
    std::string notes;
    bool favourite = false;
    bool isEmpty() const { return tags.empty() && notes.empty() && !favourite; }
    bool operator==(const OwnWords&) const = default;
};

struct AllOwnWords {
    std::map<std::string, OwnWords> of; // by content
    std::vector<std::filesystem::path> folders;
    bool operator==(const AllOwnWords&) const = default;
};

std::string toText(const AllOwnWords& words);
// Fails in words where it is no such text.
base::Result<AllOwnWords> ownWordsFrom(const std::string& text);

// A tag as it is kept: without spaces around it, in small letters, so that "Reed" and "reed" are one. Empty where
// nothing is left.
std::string cleanTag(const std::string& typed);
// Tags between commas.
std::vector<std::string> tagsFrom(const std::string& typed);
std::string tagsText(const std::vector<std::string>& tags);

} // namespace shelf
