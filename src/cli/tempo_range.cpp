#include "cli/tempo_range.h"

#include "metre/tempo.h"

#include <fmt/format.h>

namespace cli {

base::Result<hear::Window> tempoRange(const std::string& text) {
    const auto dash = text.find('-');
    if (dash != std::string::npos) {
        const auto low = metre::parseTempo(text.substr(0, dash));
        const auto high = metre::parseTempo(text.substr(dash + 1));
        if (low && high && *low < *high) return hear::Window{*low, *high};
    }
    return base::problem(fmt::format("“{}” is not a range of tempos. Type one such as 70-140.", text));
}

} // namespace cli
