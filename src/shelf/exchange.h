// A library as text, to be joined with others: parts that several machines scanned make the library that one would
// have made. JSON lines, described in docs/format.md.
#pragma once

#include "shelf/library.h"

#include <filesystem>

namespace shelf {

struct Exchanged {
    std::size_t files = 0;
    std::size_t recordings = 0; // with own words
};

// Writes all that a library knows of files as they are now, by path, and the user's own words by content, so that
// equal libraries are equal texts. Whole or not at all; fails, naming the file and the reason. Any thread; takes
// time.
Result<Exchanged> exportLibrary(const Library& library, const std::filesystem::path& file);

// Takes such a text in: what it knows of a file takes the place of what was known; folders and own words are added,
// own tags of both kept. All of a text or nothing of it. Fails, naming the file and the line, where it is damaged,
// and where it was listened to by another version. Any thread; takes time.
Result<Exchanged> takeLibrary(Library& library, const std::filesystem::path& file);

} // namespace shelf
