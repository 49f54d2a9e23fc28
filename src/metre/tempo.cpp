#include "metre/tempo.h"

#include <charconv>
#include <cmath>
#include <fmt/format.h>

namespace metre {

namespace {

std::string_view trimmed(std::string_view text) {
    const auto isSpace = [](char c) { return c == ' ' || c == '\t' || c == '\n' || c == '\r'; };
    while (!text.empty() && isSpace(text.front()))
        text.remove_prefix(1);
    while (!text.empty() && isSpace(text.back()))
        text.remove_suffix(1);
    return text;
}

bool endsWithBpm(std::string_view text) {
    if (text.size() < 3) return false;
    const auto lower = [](char c) { return (c >= 'A' && c <= 'Z') ? static_cast<char>(c - 'A' + 'a') : c; };
    const std::string_view tail = text.substr(text.size() - 3);
    return lower(tail[0]) == 'b' && lower(tail[1]) == 'p' && lower(tail[2]) == 'm';
}

} // namespace

bool isTempo(Bpm bpm) {
    return std::isfinite(bpm.value) && bpm >= slowestTempo && bpm <= fastestTempo;
}

base::Result<Bpm> parseTempo(std::string_view text) {
    std::string_view body = trimmed(text);
    if (endsWithBpm(body)) body = trimmed(body.substr(0, body.size() - 3));
    std::string number(body);
    for (char& c : number)
        if (c == ',') c = '.';
    double value = 0;
    const auto [end, error] = std::from_chars(number.data(), number.data() + number.size(), value);
    if (error != std::errc() || end != number.data() + number.size())
        return base::problem(
            fmt::format("“{}” is not a tempo. Type a number of beats a minute, such as 104 or 97.5.", text));
    if (!isTempo(Bpm(value)))
        return base::problem(fmt::format("A tempo lies between {:.0f} and {:.0f} BPM; {} does not.",
                                         slowestTempo.value, fastestTempo.value, std::string(body)));
    return Bpm(value);
}

std::string tempoFigure(Bpm bpm) {
    return fmt::format("{:.2f}", bpm.value);
}

std::string tempoLabel(Bpm bpm) {
    std::string text = fmt::format("{:.2f}", bpm.value);
    while (text.back() == '0')
        text.pop_back();
    if (text.back() == '.') text.pop_back();
    return text;
}

} // namespace metre
