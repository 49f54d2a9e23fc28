// Many files worked on at once, and their results printed in the order in which the files were given.
#pragma once

#include "cli/output.h"

#include <filesystem>
#include <functional>
#include <stop_token>
#include <string>
#include <vector>

namespace cli {

struct Outcome {
    std::string line;                  // for standard output; empty when there is none
    std::vector<std::string> messages; // for standard error
    bool failed = false;
};

// Works through files, each with its place among them, on `jobs` threads (0: as many as there are processors); what
// is thrown becomes a failure that names the file. True when all went well and was written; ends early when
// stopped, or when nobody takes the results.
bool inOrder(
    const std::vector<std::filesystem::path>& files, int jobs, bool quiet, const std::stop_token& stop,
    Output& output,
    const std::function<Outcome(const std::filesystem::path&, std::size_t index, const std::stop_token&)>& work);

} // namespace cli
