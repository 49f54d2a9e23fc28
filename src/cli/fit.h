// pmetre fit
#pragma once

#include "cli/output.h"

#include <filesystem>
#include <optional>
#include <stop_token>
#include <string>

namespace cli {

// Numbers as they were typed, checked when they are used.
struct FitOptions {
    std::filesystem::path in;
    std::filesystem::path out;
    std::optional<std::string> to;
    std::optional<std::string> from;
    std::optional<std::string> beats;
    std::optional<std::string> ratio;
    std::string style = "auto";
    std::optional<std::string> semitones;
    bool loop = false;
    bool formants = false;
    bool steady = false;
    bool trustHearing = false;
    std::optional<std::string> depth;
    bool overwrite = false;
};

// Renders one file as the window would, and writes it with its tempo; returns the exit status: 2 when the call
// itself is wrong.
int fit(const FitOptions& options, const std::stop_token& stop, Output& output);

} // namespace cli
