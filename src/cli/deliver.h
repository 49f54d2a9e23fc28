// pmetre deliver: all that the window's Deliver writes.
#pragma once

#include "cli/output.h"

#include <filesystem>
#include <optional>
#include <stop_token>
#include <string>

namespace cli {

// Words and numbers as they were typed, checked when they are used.
struct DeliverCommand {
    std::filesystem::path project;
    std::filesystem::path folder;
    std::string what = "loops";
    std::optional<std::string> names;
    std::string format = "wav";
    std::optional<std::string> depth;
    std::optional<std::string> quality;
    std::optional<std::string> rate;
    std::optional<std::string> from;
    std::optional<std::string> to;
    std::optional<std::string> tail;
    std::string level = "as-it-is";
    bool noTags = false;
    bool overwrite = false;
    bool quiet = false;
    bool table = false;
};

// Prints a line a file. 0 when all was written, 1 when something was not, 2 when the call itself is wrong.
int deliver(const DeliverCommand& command, const std::stop_token& stop, Output& output);

} // namespace cli
