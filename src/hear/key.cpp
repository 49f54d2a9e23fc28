#include "hear/key.h"

#include <array>
#include <cctype>

namespace hear {

namespace {

// The usual spelling of each key: the one with fewer accidentals in its signature.
constexpr std::array<const char*, 12> majorNames = {"C",  "Db", "D",  "Eb", "E",  "F",
                                                    "F#", "G",  "Ab", "A",  "Bb", "B"};
constexpr std::array<const char*, 12> minorNames = {"C",  "C#", "D",  "Eb", "E",  "F",
                                                    "F#", "G",  "G#", "A",  "Bb", "B"};

const char* rootName(Key key) {
    const auto root = static_cast<std::size_t>(key.root);
    return key.minor ? minorNames[root] : majorNames[root];
}

} // namespace

std::optional<Key> parseKey(std::string_view text) {
    static constexpr std::array<int, 7> roots = {9, 11, 0, 2, 4, 5, 7}; // A B C D E F G
    if (text.empty()) return std::nullopt;
    const bool capital = text[0] >= 'A' && text[0] <= 'G';
    const char letter = capital ? text[0] : static_cast<char>(text[0] - 'a' + 'A');
    if (letter < 'A' || letter > 'G') return std::nullopt;
    int root = roots[static_cast<std::size_t>(letter - 'A')];
    text.remove_prefix(1);
    const auto skip = [&](std::string_view prefix) {
        if (text.substr(0, prefix.size()) != prefix) return false;
        text.remove_prefix(prefix.size());
        return true;
    };
    bool accidental = true;
    if (skip("#") || skip("♯"))
        ++root;
    else if (skip("♭") || skip("b"))
        --root;
    else
        accidental = false;
    root = (root + 12) % 12;
    if (text == "M") return capital ? std::optional(Key{root, false}) : std::nullopt;

    std::string mode;
    for (const char c : text)
        if (c != ' ' && c != '_' && c != '-')
            mode += static_cast<char>(std::tolower(static_cast<unsigned char>(c)));
    if (mode == "min" || mode == "minor" || mode == "min7") return Key{root, true};
    if (mode == "maj" || mode == "major" || mode == "maj7") return Key{root, false};
    if (!capital && !accidental) return std::nullopt;
    if (mode == "m" || mode == "m7") return Key{root, true};
    if (mode.empty() && capital) return Key{root, false};
    return std::nullopt;
}

int signatureOf(Key key) {
    const int major = key.minor ? key.root + 3 : key.root; // the relative major has the same signature
    const int fifths = major * 7 % 12;
    return fifths > 6 ? fifths - 12 : fifths;
}

bool areRelated(Key a, Key b) {
    const int apart = (signatureOf(a) - signatureOf(b) + 12) % 12;
    return apart <= 1 || apart == 11;
}

std::string rootLabel(int root) {
    return rootName(Key{root, false});
}
std::string keyName(Key key) {
    return std::string(rootName(key)) + (key.minor ? " minor" : " major");
}
std::string keyLabel(Key key) {
    return std::string(rootName(key)) + (key.minor ? " min" : " maj");
}
std::string keyTag(Key key) {
    return std::string(rootName(key)) + (key.minor ? "m" : "");
}

} // namespace hear
