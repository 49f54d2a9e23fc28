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

// The numbers of a name that may be its tempo, and its keys.
class NameReading {
  public:
    explicit NameReading(std::string_view stem)
        : stem_(stem), list_(tokens(stem)), date_(datelike(list_)), keys_(keysIn(list_)) {}

    NameTells tells() {
        for (std::size_t i = 0; i < list_.size(); ++i) {
            if (list_[i].kind != Token::Kind::Number) continue;
            if (namesWindow(i)) return {};
            if (!takeSaid(i)) takeUnsaid(i);
        }
        NameTells out;
        // Two different numbers of the same standing contradict each other, and then the name says nothing.
        takeTempo(out, !said_.empty() ? said_ : !keyed_.empty() ? keyed_ : bare_);
        takeKey(out);
        return out;
    }

  private:
    std::string wordAt(std::size_t i) const {
        return i < list_.size() && list_[i].kind == Token::Kind::Word ? list_[i].lower : std::string();
    }
    std::string wordBefore(std::size_t i) const { return i > 0 ? wordAt(i - 1) : std::string(); }
    bool isKeyAt(std::size_t i) const {
        return std::any_of(keys_.begin(), keys_.end(),
                           [&](const FoundKey& k) { return i >= k.first && i < k.first + k.count; });
    }
    bool nextIsNear(std::size_t i) const { return i + 1 < list_.size() && list_[i + 1].before.size() <= 1; }
    bool previousIsNear(std::size_t i) const { return list_[i].before.size() <= 2; } // "vol. 90"
    bool mayBeTempo(std::size_t i) const {
        return inRange(list_[i].value, metre::slowestTempo.value, metre::fastestTempo.value);
    }
    bool isFollowedByTempoWord(std::size_t i) const {
        return mayBeTempo(i) && nextIsNear(i) && isOneOf(wordAt(i + 1), tempoWords);
    }
    // "120-125 bpm" names a window, not a tempo.
    bool namesWindow(std::size_t i) const {
        return isFollowedByTempoWord(i) && i > 0 && list_[i - 1].kind == Token::Kind::Number &&
               list_[i].before == "-" && !isIndexLike(list_[i - 1]) &&
               inRange(list_[i - 1].value, 40, list_[i].value);
    }
    // A number with "bpm" or "tempo" behind or before it.
    bool takeSaid(std::size_t i) {
        const Token& t = list_[i];
        if (isFollowedByTempoWord(i)) {
            said_.push_back({i, 0.95, std::string(stem_.substr(t.begin, list_[i + 1].end - t.begin))});
            return true;
        }
        if (!mayBeTempo(i) || !previousIsNear(i) || !isOneOf(wordBefore(i), tempoWords)) return false;
        const bool takenByNext =
            i + 2 < list_.size() && list_[i + 1].kind == Token::Kind::Number && isOneOf(wordAt(i + 2), tempoWords);
        const bool ownedBefore = i >= 2 && list_[i - 2].kind == Token::Kind::Number &&
                                 list_[i - 1].before.size() <= 1; // "120 bpm 44100"
        if (takenByNext || ownedBefore) return false;
        said_.push_back({i, 0.95, std::string(stem_.substr(list_[i - 1].begin, t.end - list_[i - 1].begin))});
        return true;
    }
    // A number beside a key, or alone, unless what surrounds it says that it counts something else.
    void takeUnsaid(std::size_t i) {
        const Token& t = list_[i];
        const bool glued = i > 0 && t.before.empty();
        const bool gluedNext = i + 1 < list_.size() && list_[i + 1].before.empty();
        const bool unit = nextIsNear(i) && isOneOf(wordAt(i + 1), units) && !isKeyAt(i + 1);
        const bool percent = t.end < stem_.size() && stem_[t.end] == '%';
        const bool hash = t.begin > 0 && stem_[t.begin - 1] == '#';
        const bool fraction =
            (t.end < stem_.size() && stem_[t.end] == '/') || (t.begin > 0 && stem_[t.begin - 1] == '/');
        if (date_[i] || isIndexLike(t) || unit || percent || hash || fraction) return;
        if (previousIsNear(i) && isOneOf(wordBefore(i), counts)) return;
        if (glued && !isOneOf(wordBefore(i), carriers) && !isKeyAt(i - 1)) return;
        if (gluedNext && !isKeyAt(i + 1)) return;
        const bool beside = (nextIsNear(i) && isKeyAt(i + 1)) || (i > 0 && previousIsNear(i) && isKeyAt(i - 1));
        if (beside && inRange(t.value, 40, 240))
            keyed_.push_back({i, 0.85, t.text});
        else if (inRange(t.value, 60, 200))
            bare_.push_back({i, 0.7, t.text});
    }
    void takeTempo(NameTells& out, const std::vector<NumberFound>& from) const {
        const bool agree = !from.empty() && std::all_of(from.begin(), from.end(), [&](const NumberFound& c) {
            return list_[c.token].value == list_[from.front().token].value;
        });
        if (!agree) return;
        out.bpm = Bpm(list_[from.front().token].value);
        out.sureness = from.front().sureness;
        out.bpmText = from.front().text;
    }
    bool isTempoAt(std::size_t i) const {
        const auto& from = !said_.empty() ? said_ : keyed_;
        return std::any_of(from.begin(), from.end(), [&](const NumberFound& c) {
            return c.token == i || (!said_.empty() && (c.token + 1 == i || c.token == i + 1));
        });
    }
    void takeKey(NameTells& out) const {
        for (const FoundKey& k : keys_) {
            // A root alone is a key only beside the tempo: "Take C" and "A loop" are not.
            if (k.bare && !(k.first > 0 && isTempoAt(k.first - 1)) && !isTempoAt(k.first + k.count)) continue;
            const Token& last = list_[k.first + k.count - 1];
            out.key = k.key;
            out.keyText = std::string(stem_.substr(list_[k.first].begin, last.end - list_[k.first].begin));
            return;
        }
    }

    std::string_view stem_;
    std::vector<Token> list_;
    std::vector<bool> date_;
    std::vector<FoundKey> keys_;
    std::vector<NumberFound> said_;
    std::vector<NumberFound> keyed_;
    std::vector<NumberFound> bare_;
};

} // namespace

NameTells tellsOfName(std::string_view stem) {
    return NameReading(stem).tells();
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
