// pmetre meet: the tempo at which files together are strained least.
#pragma once

#include "cli/given.h"

#include <optional>
#include <stop_token>

namespace cli {

struct MeetCommand {
    Given given;
    std::optional<std::string> between; // LO-HI
    bool table = false;
};

// 0 when a tempo was found and every file could be read; 1 when one could not, or none has a tempo; 2 when the call
// itself is wrong.
int meet(const MeetCommand& command, const std::stop_token& stop, Output& output);

} // namespace cli
