#include "cli/sound_options.h"

#include "base/number.h"

#include <cmath>
#include <fmt/format.h>

namespace cli {

using base::Result;

Result<sound::Depth> depthIn(const std::string& word) {
    if (word == "16") return sound::Depth::Int16;
    if (word == "24") return sound::Depth::Int24;
    if (word == "float") return sound::Depth::Float32;
    return base::problem("--depth is 16, 24 or float.");
}

Result<sound::FileKind> formatIn(const std::string& word) {
    const auto kind = sound::kindFromWord(word);
    if (!kind)
        return base::problem(
            fmt::format("“{}” is not a format. There are wav, aiff, flac, ogg, opus and mp3.", word));
    return *kind;
}

Result<std::optional<int>> wholeNumberIn(const std::optional<std::string>& text, const char* option, int low,
                                         int high) {
    if (!text) return std::optional<int>();
    const auto value = base::typedNumber(*text);
    if (!value || *value != std::floor(*value) || *value < low || *value > high)
        return base::problem(fmt::format("{} is a whole number from {} to {}.", option, low, high));
    return std::optional<int>(static_cast<int>(*value));
}

Result<std::optional<int>> qualityIn(const std::optional<std::string>& text) {
    return wholeNumberIn(text, "--quality", 0, 10);
}

} // namespace cli
