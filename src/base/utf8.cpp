#include "base/utf8.h"

namespace base {

namespace {

// The length of the valid UTF-8 sequence at the start of text, or 0. Refuses overlong forms, surrogates and
// code points above U+10FFFF (RFC 3629).
std::size_t sequenceLength(std::string_view text) {
    const auto byte = [&](std::size_t i) { return static_cast<unsigned char>(text[i]); };
    const unsigned char first = byte(0);
    std::size_t length = 0;
    if (first < 0x80) return 1;
    if (first >= 0xC2 && first <= 0xDF)
        length = 2;
    else if (first >= 0xE0 && first <= 0xEF)
        length = 3;
    else if (first >= 0xF0 && first <= 0xF4)
        length = 4;
    else
        return 0;
    if (text.size() < length) return 0;
    for (std::size_t i = 1; i < length; ++i)
        if ((byte(i) & 0xC0) != 0x80) return 0;
    const unsigned char second = byte(1);
    if (first == 0xE0 && second < 0xA0) return 0;
    if (first == 0xED && second > 0x9F) return 0;
    if (first == 0xF0 && second < 0x90) return 0;
    if (first == 0xF4 && second > 0x8F) return 0;
    return length;
}

} // namespace

bool isUtf8(std::string_view bytes) {
    while (!bytes.empty()) {
        const std::size_t n = sequenceLength(bytes);
        if (n == 0) return false;
        bytes.remove_prefix(n);
    }
    return true;
}

std::string toUtf8(std::string_view bytes) {
    std::string out;
    while (!bytes.empty()) {
        const std::size_t n = sequenceLength(bytes);
        if (n == 0)
            out += "\xEF\xBF\xBD";
        else
            out += bytes.substr(0, n);
        bytes.remove_prefix(n == 0 ? 1 : n);
    }
    return out;
}

std::string escaped(std::string_view text) {
    constexpr std::string_view hex = "0123456789abcdef";
    std::string out;
    const auto add = [&](unsigned char c) {
        out += "\\x";
        out += hex[c >> 4];
        out += hex[c & 15];
    };
    for (std::size_t i = 0; i < text.size(); ++i) {
        const auto c = static_cast<unsigned char>(text[i]);
        // C1 controls are two bytes in UTF-8: C2 80 to C2 9F.
        const bool c1 = c == 0xC2 && i + 1 < text.size() && static_cast<unsigned char>(text[i + 1]) < 0xA0;
        if (c < 0x20 || c == 0x7F)
            add(c);
        else if (c1)
            add(static_cast<unsigned char>(text[++i]));
        else
            out += text[i];
    }
    return out;
}

std::string shownName(const std::filesystem::path& path) {
    return escaped(toUtf8(path.filename().native()));
}
std::string shownPath(const std::filesystem::path& path) {
    return escaped(toUtf8(path.native()));
}

} // namespace base
