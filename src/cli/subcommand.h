// A subcommand of pmetre: each registers its own options, in a file of its own.
#pragma once

#include "cli/output.h"

#include <functional>
#include <stop_token>
#include <vector>

namespace CLI {
class App;
}

namespace cli {

struct Subcommand {
    CLI::App* app = nullptr; // what was registered; owned by the whole
    // Does it with what was given. Returns the exit status.
    std::function<int(const std::stop_token& stop, Output& output)> run;
};

Subcommand readSubcommand(CLI::App& app);
Subcommand fitSubcommand(CLI::App& app);
Subcommand feelSubcommand(CLI::App& app);
Subcommand leadSubcommand(CLI::App& app);
Subcommand checkSubcommand(CLI::App& app);
Subcommand meetSubcommand(CLI::App& app);
Subcommand scanSubcommand(CLI::App& app);
Subcommand findSubcommand(CLI::App& app);
Subcommand deliverSubcommand(CLI::App& app);
Subcommand tagSubcommand(CLI::App& app);

} // namespace cli
