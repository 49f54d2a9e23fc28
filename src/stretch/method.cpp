#include "stretch/method.h"

#include <array>

namespace stretch {

namespace {

struct Words {
    const char* label;
    const char* word;
    const char* plain;
    const char* purpose;
};

constexpr std::array<Words, 5> words = {{
    {"Struck", "struck", "drums", "Drums, percussion, plucked rhythm: every attack stays as it was played"},
    {"Held", "held", "tonal", "Pads, chords, drones: long tones stay smooth"},
    {"Blend", "blend", "mix", "Full mixes: tones and attacks each in their own way"},
    {"Sung", "sung", "voice", "A voice or one instrument: its colour stays"},
    {"Tape", "tape", "tape", "Pitch follows speed, as on tape"},
}};

const Words& wordsOf(Method m) {
    return words[static_cast<std::size_t>(m)];
}

} // namespace

const std::vector<Method>& methods() {
    static const std::vector<Method> all = {Method::Struck, Method::Held, Method::Blend, Method::Sung,
                                            Method::Tape};
    return all;
}

const char* methodLabel(Method m) {
    return wordsOf(m).label;
}
const char* methodWord(Method m) {
    return wordsOf(m).word;
}
const char* methodPurpose(Method m) {
    return wordsOf(m).purpose;
}

std::optional<Method> methodFromWord(const std::string& word) {
    for (std::size_t i = 0; i < words.size(); ++i)
        if (word == words[i].word || word == words[i].plain) return static_cast<Method>(i);
    return std::nullopt;
}

} // namespace stretch
