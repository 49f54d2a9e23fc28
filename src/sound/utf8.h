// File names are bytes; what is shown or saved as text must be valid UTF-8.
#pragma once

#include <string>
#include <string_view>

namespace sound {

bool isUtf8(std::string_view bytes);

// The same text with every byte that is no part of valid UTF-8 replaced by U+FFFD.
std::string toUtf8(std::string_view bytes);

} // namespace sound
