// pmetre fit
#pragma once

#include "cli/given.h"

#include <filesystem>
#include <optional>
#include <stop_token>
#include <string>

namespace cli {

// Numbers as they were typed, checked when they are used.
struct FitOptions {
    Given given; // with a folder to write to: all that is fitted; else one, and its output
    std::optional<std::filesystem::path> folder; // --out
    std::optional<std::string> names;
    std::optional<std::string> format;
    std::optional<std::string> quality;
    std::optional<std::string> to;
    std::optional<std::filesystem::path> like;
    std::optional<std::string> from;
    std::optional<std::string> beats;
    std::optional<std::string> ratio;
    std::string style = "auto";
    std::optional<std::string> semitones;
    std::optional<std::string> tighten; // per cent
    std::optional<std::string> grid;
    std::optional<std::string> swing; // per cent
    std::optional<std::filesystem::path> feel;
    std::optional<std::string> leave; // milliseconds
    bool loop = false;
    bool formants = false;
    bool steady = false;
    bool trustHearing = false;
    std::optional<std::string> trust; // "name": what its name or a tag says
    std::optional<std::string> depth;
    bool overwrite = false;
    bool table = false;
};

// Renders files as the window would, and writes each with its tempo; returns the exit status: 1 when one of them
// failed, 2 when the call itself is wrong.
int fit(const FitOptions& options, const std::stop_token& stop, Output& output);

} // namespace cli
