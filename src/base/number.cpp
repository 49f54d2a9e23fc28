#include "base/number.h"

#include <array>
#include <charconv>
#include <cmath>

namespace base {

std::string numberText(double value) {
    std::array<char, 32> text{};
    const auto end = std::to_chars(text.data(), text.data() + text.size(), value).ptr;
    return {text.data(), end};
}

std::optional<double> numberFrom(std::string_view text) {
    bool negative = false;
    auto format = std::chars_format::general;
    if (text.find("0x") != std::string_view::npos) {
        negative = text.front() == '-';
        if (negative) text.remove_prefix(1);
        if (text.substr(0, 2) != "0x") return std::nullopt;
        text.remove_prefix(2);
        format = std::chars_format::hex;
        if (text.empty() || text.front() == '-') return std::nullopt;
    }
    double value = 0;
    const auto [end, error] = std::from_chars(text.data(), text.data() + text.size(), value, format);
    if (error != std::errc() || end != text.data() + text.size() || !std::isfinite(value)) return std::nullopt;
    return negative ? -value : value;
}

std::optional<double> typedNumber(std::string_view text) {
    constexpr std::string_view spaces = " \t\r\n";
    const auto first = text.find_first_not_of(spaces);
    if (first == std::string_view::npos) return std::nullopt;
    std::string plain(text.substr(first, text.find_last_not_of(spaces) - first + 1));
    for (char& c : plain)
        if (c == ',') c = '.';
    if (plain.front() == '+') plain.erase(0, 1);
    if (plain.find('x') != std::string::npos) return std::nullopt;
    return numberFrom(plain);
}

} // namespace base
