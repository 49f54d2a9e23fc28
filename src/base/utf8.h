// File names are bytes; what is shown or saved as text must be valid UTF-8.
#pragma once

#include <filesystem>
#include <string>
#include <string_view>

namespace base {

bool isUtf8(std::string_view bytes);

// The same text with every byte that is no part of valid UTF-8 replaced by U+FFFD.
std::string toUtf8(std::string_view bytes);

// Control characters as "\x1b" and the like, so that no text steers a terminal or breaks a line.
std::string escaped(std::string_view text);

// A file's name, or its whole path, for a sentence: valid UTF-8, and escaped.
std::string shownName(const std::filesystem::path& path);
std::string shownPath(const std::filesystem::path& path);

} // namespace base
