// pmetre feel: how recordings play around their beats.
#pragma once

#include "cli/given.h"
#include "project/feel_file.h"

#include <optional>
#include <stop_token>
#include <string>

namespace cli {

// Numbers as they were typed, checked when they are used.
struct FeelCommand {
    Given given;
    std::optional<std::string> bpm;
    std::optional<std::string> first; // seconds
    bool table = false;
};

// Prints a line a file. 0 when all have a feel; 1 when one has none, or could not be read; 2 when the call itself
// is wrong.
int feel(const FeelCommand& command, const std::stop_token& stop, Output& output);

// The feel of a recording, by the beats that count for it, or a stored one (.feel.json). Fails in a sentence.
base::Result<project::NamedFeel> feelOfFile(const std::filesystem::path& file, const std::stop_token& stop);

} // namespace cli
