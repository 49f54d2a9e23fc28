// pmetre lead: the tempo map of one recording.
#pragma once

#include "cli/output.h"

#include <filesystem>
#include <stop_token>
#include <string>

namespace cli {

struct LeadCommand {
    std::filesystem::path file;
    std::filesystem::path out; // empty: nothing is written
    std::string every = "beat";
    double smooth = 0; // milliseconds
    bool json = false;
    bool overwrite = false;
};

// 0 when all went well, 1 when the file could not be read, has no beats or could not be written, 2 when the call
// itself is wrong.
int lead(const LeadCommand& command, const std::stop_token& stop, Output& output);

} // namespace cli
