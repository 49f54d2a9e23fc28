// pmetre read
#pragma once

#include "cli/given.h"
#include "cli/output.h"

#include <filesystem>
#include <stop_token>
#include <string>
#include <vector>

namespace cli {

struct ReadOptions {
    Given given;
    std::string range; // "70-140"; empty: no preference
    bool ignoreName = false;
    bool ignoreTags = false;
    bool table = false; // columns for people instead of JSON
};

// Prints one JSON object a file to standard output, in the order given: what is known of it, or file and error.
// Returns the exit status.
int read(const ReadOptions& options, const std::stop_token& stop, Output& output);

} // namespace cli
