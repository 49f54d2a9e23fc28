#include "metre/position.h"

#include <charconv>
#include <fmt/format.h>
#include <vector>

namespace metre {

base::Result<BarPosition> parsePosition(std::string_view text) {
    const auto wrong = [&] {
        return base::problem(
            fmt::format("“{}” is not a place: type bar, beat and part, such as 7.3 or 7.3.24.", text));
    };
    std::string plain;
    for (std::size_t i = 0; i < text.size(); ++i) {
        const auto starts = [&](std::string_view what) { return text.substr(i, what.size()) == what; };
        if (starts("\u00B7")) { // a middle dot
            plain += ' ';
            ++i;
        } else if (starts("\u2212")) { // a true minus
            plain += '-';
            i += 2;
        } else {
            plain += text[i] == '.' || text[i] == ',' || text[i] == ':' ? ' ' : text[i];
        }
    }
    std::vector<int> numbers;
    for (std::size_t at = 0; at < plain.size();) {
        if (plain[at] == ' ') {
            ++at;
            continue;
        }
        int value = 0;
        const auto [end, error] = std::from_chars(plain.data() + at, plain.data() + plain.size(), value);
        const auto next = static_cast<std::size_t>(end - plain.data());
        if (error != std::errc() || (next < plain.size() && plain[next] != ' ')) return wrong();
        numbers.push_back(value);
        at = next;
    }
    constexpr int farthest = 1'000'000;
    if (numbers.empty() || numbers.size() > 3 || numbers[0] < -farthest || numbers[0] > farthest) return wrong();
    BarPosition place;
    place.bar = numbers[0];
    if (numbers.size() > 1) place.beat = numbers[1];
    if (numbers.size() > 2) place.part = numbers[2];
    if (place.beat < 1 || place.beat > 64 || place.part < 0 || place.part >= BarPosition::partsPerBeat)
        return wrong();
    return place;
}

} // namespace metre
