#include "hear/reading.h"

#include <array>
#include <utility>

namespace hear {

namespace {

constexpr std::array<std::pair<Witness, std::pair<const char*, const char*>>, 6> words = {{
    {Witness::Name, {"Name", "name"}},
    {Witness::Tag, {"Tag", "tag"}},
    {Witness::Heard, {"Heard", "heard"}},
    {Witness::Length, {"Length", "length"}},
    {Witness::Tapped, {"Tapped", "tapped"}},
    {Witness::Typed, {"Typed", "typed"}},
}};

} // namespace

const char* witnessLabel(Witness w) {
    return words[static_cast<std::size_t>(w)].second.first;
}
const char* witnessWord(Witness w) {
    return words[static_cast<std::size_t>(w)].second.second;
}

std::optional<Witness> witnessFromWord(const std::string& word) {
    for (const auto& [witness, texts] : words)
        if (word == texts.second) return witness;
    return std::nullopt;
}

const Reading* mostTrusted(const std::vector<Reading>& readings) {
    const Reading* best = nullptr;
    for (const Reading& r : readings)
        if (r.bpm && (best == nullptr || r.sureness > best->sureness)) best = &r;
    return best;
}

} // namespace hear
