#include "deliver/names.h"

#include "base/utf8.h"
#include "hear/name.h"
#include "metre/tempo.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <fmt/format.h>
#include <string_view>

namespace deliver {

std::optional<hear::Key> keyOf(const project::LaidClip& clip) {
    const stretch::Settings& s = clip.clip->stretch;
    const double semitones = s.semitones + clip.time().keyShift.value_or(0);
    if (!clip.source->key || semitones != std::round(semitones)) return std::nullopt;
    const project::RenderJobPtr job = clip.time().job();
    if (stretch::entryOf(s.method).pitchFollows && clip.time().stretched && !(job && job->map.isIdentity()))
        return std::nullopt;
    hear::Key key = *clip.source->key;
    key.root = ((key.root + static_cast<int>(semitones)) % 12 + 12) % 12;
    return key;
}

std::optional<int> beatsOf(const project::LaidClip& clip) {
    const double beats = (clip.time().end - clip.time().start).value;
    if (!clip.time().stretched || beats < 0.5 || std::abs(beats - std::round(beats)) > 1e-6) return std::nullopt;
    return static_cast<int>(std::lround(beats));
}

namespace {

bool isSeparator(char c) {
    return c == '_' || c == '-' || c == ' ' || c == '.';
}

} // namespace

std::string withoutTempo(const std::string& name) {
    const hear::NameTells tells = hear::tellsOfName(name);
    const auto at = tells.bpm ? name.find(tells.bpmText) : std::string::npos;
    if (at == std::string::npos) return name;
    std::string head = name.substr(0, at);
    std::string tail = name.substr(at + tells.bpmText.size());
    while (!head.empty() && (isSeparator(head.back()) || head.back() == '('))
        head.pop_back();
    while (!tail.empty() && tail.front() == ')')
        tail.erase(0, 1);
    if (head.empty())
        while (!tail.empty() && isSeparator(tail.front()))
            tail.erase(0, 1);
    const std::string joined = head + tail;
    return joined.empty() ? "loop" : joined;
}

std::string safeName(std::string name) {
    name = base::toUtf8(name);
    for (char& c : name)
        if (c == '/' || c == '\\' || c == ':' || c == '*' || c == '?' || c == '"' || c == '<' || c == '>' ||
            c == '|' || static_cast<unsigned char>(c) < 0x20)
            c = '_';
    while (!name.empty() && (name.front() == '.' || name.front() == ' '))
        name.erase(0, 1);
    while (!name.empty() && isSeparator(name.back()))
        name.pop_back();
    constexpr std::size_t longest = 200; // bytes; file systems allow 255 with the ending
    if (name.size() > longest) {
        name.resize(longest);
        while (!name.empty() && !base::isUtf8(name))
            name.pop_back();
    }
    return name.empty() ? "loop" : name;
}

Result<void> patternMeans(const std::string& pattern) {
    if (pattern.empty()) return base::problem("The name pattern is empty.");
    constexpr std::array<std::string_view, 6> words{"name", "bpm", "key", "track", "beats", "number"};
    for (std::size_t open = pattern.find('{'); open != std::string::npos; open = pattern.find('{', open + 1)) {
        const std::size_t close = pattern.find('}', open);
        const std::string word =
            close == std::string::npos ? std::string() : pattern.substr(open + 1, close - open - 1);
        if (std::find(words.begin(), words.end(), word) == words.end())
            return base::problem("The name pattern may hold {name}, {bpm}, {key}, {track}, {beats} and {number}.");
    }
    return {};
}

Result<std::string> nameOf(const project::LaidClip& clip, int number, const std::string& pattern) {
    if (auto means = patternMeans(pattern); !means) return tl::unexpected(means.error());
    std::string out;
    std::string separators;
    for (std::size_t i = 0; i < pattern.size(); ++i) {
        if (pattern[i] != '{') {
            if (isSeparator(pattern[i]))
                separators += pattern[i];
            else {
                out += separators + pattern[i];
                separators.clear();
            }
            continue;
        }
        const auto close = pattern.find('}', i);
        const std::string word = close == std::string::npos ? std::string() : pattern.substr(i + 1, close - i - 1);
        std::string value;
        if (word == "name")
            value = clip.time().stretched ? withoutTempo(clip.source->name) : clip.source->name;
        else if (word == "bpm")
            value = clip.time().stretched && metre::isTempo(clip.time().tempo)
                        ? metre::tempoLabel(clip.time().tempo)
                        : std::string();
        else if (word == "key")
            value = keyOf(clip) ? hear::keyTag(*keyOf(clip)) : std::string();
        else if (word == "track")
            value = clip.track->name;
        else if (word == "beats")
            value = beatsOf(clip) ? std::to_string(*beatsOf(clip)) : std::string();
        else if (word == "number")
            value = fmt::format("{:02}", number);
        if (!value.empty()) out += separators + value;
        separators.clear();
        i = close;
        // The unit goes with its number.
        if (word == "bpm" && value.empty() && pattern.compare(close + 1, 3, "bpm") == 0) i += 3;
    }
    return safeName(out);
}

std::string DifferentNames::different(const std::string& name, const std::string& ending) {
    const auto folded = [](std::string text) {
        std::transform(text.begin(), text.end(), text.begin(),
                       [](char c) { return c >= 'A' && c <= 'Z' ? static_cast<char>(c + 32) : c; });
        return text;
    };
    std::string unique = name;
    for (int n = 2; !taken_.insert(folded(unique + ending)).second; ++n)
        unique = fmt::format("{} {}", name, n);
    return unique;
}

} // namespace deliver
