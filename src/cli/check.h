// pmetre check: files held against a grid.
#pragma once

#include "cli/given.h"

#include <optional>
#include <stop_token>

namespace cli {

// Numbers as they were typed, checked when they are used.
struct CheckCommand {
    Given given;
    std::string bpm;
    std::string metre = "4/4";
    std::optional<std::string> first;     // seconds
    std::optional<std::string> tolerance; // milliseconds
    std::filesystem::path against;        // empty: nothing
    bool table = false;
};

// Prints a line a file. 0 when all could be measured, whatever came of it; 1 when one could not; 2 when the call
// itself is wrong.
int check(const CheckCommand& command, const std::stop_token& stop, Output& output);

} // namespace cli
