#include "hear/name.h"

#include "metre/tempo.h"

#include <algorithm>
#include <array>
#include <charconv>
#include <cmath>
#include <fmt/format.h>
#include <string>
#include <vector>

namespace hear {

namespace {

// A name cut into words and numbers. "loop-96-Dmin" is word, number, word; "127bpm" is a number with a word
// glued to it.
struct Token {
    enum class Kind { Word, Number } kind = Kind::Word;
    std::string text;  // as written
    std::string lower; // in lower case
    double value = 0;  // of a number
    std::size_t begin = 0;
    std::size_t end = 0;
    std::string before; // what separates it from the token before: "" when glued
};

bool isDigit(char c) {
    return c >= '0' && c <= '9';
}
bool isLetter(char c) {
    return (c >= 'a' && c <= 'z') || (c >= 'A' && c <= 'Z') || (c & 0x80) != 0;
}

std::string lowerCase(std::string_view text) {
    std::string out(text);
    for (char& c : out)
        if (c >= 'A' && c <= 'Z') c = static_cast<char>(c + 32);
    return out;
}

std::vector<Token> tokens(std::string_view name) {
    std::vector<Token> list;
    std::size_t i = 0;
    std::size_t last = 0;
    while (i < name.size()) {
        const std::size_t begin = i;
        Token t;
        if (isDigit(name[i])) {
            t.kind = Token::Kind::Number;
            while (i < name.size() && isDigit(name[i]))
                ++i;
            // One decimal mark between digits belongs to the number: "93.89", "127,5"; not in "1.2.3".
            const auto digitsAfter = [&](std::size_t at) {
                std::size_t n = 0;
                while (at + n < name.size() && isDigit(name[at + n]))
                    ++n;
                return n;
            };
            if (i + 1 < name.size() && (name[i] == '.' || name[i] == ',')) {
                const std::size_t n = digitsAfter(i + 1);
                const std::size_t after = i + 1 + n;
                const bool another = after + 1 < name.size() && name[after] == '.' && isDigit(name[after + 1]);
                const bool inSeries = begin > 0 && name[begin - 1] == '.';
                if (n >= 1 && n <= 3 && !another && !inSeries) i = after;
            }
        } else if (isLetter(name[i])) {
            while (i < name.size() && (isLetter(name[i]) || (name[i] == '#' && i > begin)))
                ++i;
        } else {
            ++i;
            continue;
        }
        t.begin = begin;
        t.end = i;
        t.text = std::string(name.substr(begin, i - begin));
        t.lower = lowerCase(t.text);
        t.before = std::string(name.substr(last, begin - last));
        if (t.kind == Token::Kind::Number) {
            std::string digits = t.text;
            std::replace(digits.begin(), digits.end(), ',', '.');
            std::from_chars(digits.data(), digits.data() + digits.size(), t.value);
        }
        last = i;
        list.push_back(std::move(t));
    }
    return list;
}

template <std::size_t N>
bool isOneOf(const std::string& word, const std::array<const char*, N>& list) {
    return std::any_of(list.begin(), list.end(), [&](const char* w) { return word == w; });
}

// Words that make the number before them a measure of something else.
constexpr std::array units = {
    "bit",   "bits",  "k",         "khz",     "hz",      "kbps",   "kb",      "mb",    "ms",       "s",
    "sec",   "secs",  "second",    "seconds", "min",     "mins",   "minutes", "bar",   "bars",     "beat",
    "beats", "st",    "nd",        "rd",      "th",      "x",      "db",      "dbfs",  "pct",      "percent",
    "cm",    "mm",    "inch",      "in",      "samples", "hits",   "pcs",     "loops", "oneshots", "shots",
    "ct",    "cents", "semitones", "steps",   "files",   "sounds", "piece",   "takes", "years",    "voices"};
// Words that make the number after them a count, an edition or a model.
constexpr std::array counts = {"track",     "take",  "vol",    "volume",  "no",    "nr",     "num",     "number",
                               "part",      "pt",    "kit",    "pack",    "v",     "ver",    "version", "rev",
                               "session",   "mix",   "disc",   "cd",      "side",  "scene",  "page",    "var",
                               "variation", "alt",   "copy",   "id",      "cat",   "ch",     "channel", "mic",
                               "room",      "bank",  "preset", "patch",   "op",    "opus",   "bounce",  "render",
                               "export",    "song",  "piece",  "chapter", "draft", "file",   "sample",  "clip",
                               "stem",      "model", "series", "mk",      "batch", "version"};
// Words that make a number glued to them a tempo all the same: "loop120".
constexpr std::array carriers = {"loop", "beat", "beats", "groove", "drums", "break", "drum", "perc", "loops"};
constexpr std::array tempoWords = {"bpm", "tempo"};

bool inRange(double v, double low, double high) {
    return v >= low && v <= high;
}

bool isIndexLike(const Token& t) {
    return t.text.size() > 1 && t.text[0] == '0';
}

bool isJoiner(const std::string& s) {
    return s == "-" || s == "." || s == "_" || s == "/" || s == " ";
}

// Marks the numbers that are dates or clock times: three or more numbers in a row with one joiner throughout, and
// eight or six digits in one.
std::vector<bool> datelike(const std::vector<Token>& list) {
    std::vector<bool> marked(list.size(), false);
    for (std::size_t i = 0; i < list.size(); ++i) {
        if (list[i].kind != Token::Kind::Number) continue;
        std::size_t j = i;
        while (j + 1 < list.size() && list[j + 1].kind == Token::Kind::Number && isJoiner(list[j + 1].before) &&
               (j == i || list[j + 1].before == list[i + 1].before))
            ++j;
        if (j - i >= 2)
            for (std::size_t k = i; k <= j; ++k)
                marked[k] = true;
        i = j;
    }
    return marked;
}

// A key in one token ("Dmin"), two ("D", "minor"), or a token that "#" was glued to; with how many tokens it took.
struct FoundKey {
    Key key;
    std::size_t first = 0;
    std::size_t count = 1;
    bool bare = false; // a root alone
};

std::vector<FoundKey> keysIn(const std::vector<Token>& list) {
    std::vector<FoundKey> found;
    for (std::size_t i = 0; i < list.size(); ++i) {
        if (list[i].kind != Token::Kind::Word) continue;
        if (i + 1 < list.size() && list[i + 1].kind == Token::Kind::Word && list[i].text.size() <= 4) {
            const std::string& mode = list[i + 1].lower;
            if (mode == "min" || mode == "minor" || mode == "maj" || mode == "major")
                if (const auto key = parseKey(list[i].text + mode); key && parseKey(list[i].text)) {
                    found.push_back({*key, i, 2, false});
                    ++i;
                    continue;
                }
        }
        if (const auto key = parseKey(list[i].text)) found.push_back({*key, i, 1, list[i].text.size() == 1});
    }
    return found;
}

struct NumberFound {
    std::size_t token;
    double sureness;
    std::string text;
};

} // namespace

NameTells tellsOfName(std::string_view stem) {
    const std::vector<Token> list = tokens(stem);
    const std::vector<bool> date = datelike(list);
    const std::vector<FoundKey> keys = keysIn(list);
    const auto wordAt = [&](std::size_t i) {
        return i < list.size() && list[i].kind == Token::Kind::Word ? list[i].lower : std::string();
    };
    const auto isKeyAt = [&](std::size_t i) {
        return std::any_of(keys.begin(), keys.end(),
                           [&](const FoundKey& k) { return i >= k.first && i < k.first + k.count; });
    };

    std::vector<NumberFound> said;  // a number with "bpm" or "tempo"
    std::vector<NumberFound> keyed; // a number beside a key
    std::vector<NumberFound> bare;  // a number alone
    for (std::size_t i = 0; i < list.size(); ++i) {
        const Token& t = list[i];
        if (t.kind != Token::Kind::Number) continue;
        const std::string next = wordAt(i + 1);
        const std::string previous = i > 0 ? wordAt(i - 1) : std::string();
        const bool nextNear = i + 1 < list.size() && list[i + 1].before.size() <= 1;
        const bool previousNear = t.before.size() <= 2; // "vol. 90"
        if (inRange(t.value, metre::slowestTempo.value, metre::fastestTempo.value)) {
            if (nextNear && isOneOf(next, tempoWords)) {
                // "120-125 bpm" names a window, not a tempo.
                const bool window = i > 0 && list[i - 1].kind == Token::Kind::Number && t.before == "-" &&
                                    !isIndexLike(list[i - 1]) && inRange(list[i - 1].value, 40, t.value);
                if (window) return {};
                said.push_back({i, 0.95, std::string(stem.substr(t.begin, list[i + 1].end - t.begin))});
                continue;
            }
            const bool takenByNext = i + 2 < list.size() && list[i + 1].kind == Token::Kind::Number &&
                                     isOneOf(wordAt(i + 2), tempoWords);
            if (previousNear && isOneOf(previous, tempoWords) && !takenByNext) {
                const bool ownedBefore = i >= 2 && list[i - 2].kind == Token::Kind::Number &&
                                         list[i - 1].before.size() <= 1; // "120 bpm 44100"
                if (!ownedBefore) {
                    said.push_back(
                        {i, 0.95, std::string(stem.substr(list[i - 1].begin, t.end - list[i - 1].begin))});
                    continue;
                }
            }
        }
        const bool glued = i > 0 && t.before.empty();
        const bool gluedNext = i + 1 < list.size() && list[i + 1].before.empty();
        const bool unit = nextNear && isOneOf(next, units) && !isKeyAt(i + 1);
        const bool percent = t.end < stem.size() && stem[t.end] == '%';
        const bool hash = t.begin > 0 && stem[t.begin - 1] == '#';
        const bool fraction =
            (t.end < stem.size() && stem[t.end] == '/') || (t.begin > 0 && stem[t.begin - 1] == '/');
        if (date[i] || isIndexLike(t) || unit || percent || hash || fraction) continue;
        if (previousNear && isOneOf(previous, counts)) continue;
        if (glued && !isOneOf(previous, carriers) && !isKeyAt(i - 1)) continue;
        if (gluedNext && !isKeyAt(i + 1)) continue;
        const bool beside = (nextNear && isKeyAt(i + 1)) || (i > 0 && previousNear && isKeyAt(i - 1));
        if (beside && inRange(t.value, 40, 240))
            keyed.push_back({i, 0.85, t.text});
        else if (inRange(t.value, 60, 200))
            bare.push_back({i, 0.7, t.text});
    }

    NameTells tells;
    const auto take = [&](const std::vector<NumberFound>& from) {
        const bool agree = !from.empty() && std::all_of(from.begin(), from.end(), [&](const NumberFound& c) {
            return list[c.token].value == list[from.front().token].value;
        });
        if (!agree) return false;
        tells.bpm = Bpm(list[from.front().token].value);
        tells.sureness = from.front().sureness;
        tells.bpmText = from.front().text;
        return true;
    };
    // Two different numbers of the same standing contradict each other, and then the name says nothing.
    if (!said.empty())
        take(said);
    else if (!keyed.empty())
        take(keyed);
    else
        take(bare);

    const auto besideTempo = [&](const FoundKey& k) {
        const auto isTempo = [&](std::size_t i) {
            const auto& from = !said.empty() ? said : keyed;
            return std::any_of(from.begin(), from.end(), [&](const NumberFound& c) {
                return c.token == i || (!said.empty() && (c.token + 1 == i || c.token == i + 1));
            });
        };
        return (k.first > 0 && isTempo(k.first - 1)) || isTempo(k.first + k.count);
    };
    for (const FoundKey& k : keys) {
        // A root alone is a key only beside the tempo: "Take C" and "A loop" are not.
        if (k.bare && !besideTempo(k)) continue;
        tells.key = k.key;
        tells.keyText =
            std::string(stem.substr(list[k.first].begin, list[k.first + k.count - 1].end - list[k.first].begin));
        break;
    }
    return tells;
}

Reading readName(const std::filesystem::path& path) {
    Reading reading;
    reading.by = Witness::Name;
    const NameTells own = tellsOfName(path.stem().native());
    NameTells folder;
    if (!own.bpm || !own.key) folder = tellsOfName(path.parent_path().filename().native());
    if (own.bpm) {
        reading.bpm = own.bpm;
        reading.sureness = own.sureness;
        reading.evidence = fmt::format("“{}” in the name", own.bpmText);
    } else if (folder.bpm) {
        reading.bpm = folder.bpm;
        reading.sureness = folder.sureness * 0.85;
        reading.evidence = fmt::format("“{}” in the folder's name", folder.bpmText);
    } else {
        reading.evidence = "nothing in the name";
    }
    reading.key = own.key ? own.key : folder.key;
    return reading;
}

} // namespace hear
