// What “pmetre scan” takes.
#include "cli/shelf.h"
#include "cli/subcommand.h"

#include <CLI/CLI.hpp>
#include <memory>

namespace cli {

Subcommand scanSubcommand(CLI::App& app) {
    const auto given = std::make_shared<ScanCommand>();
    ScanCommand& scan = *given;
    CLI::App* command = app.add_subcommand("scan", "Bring folders into the library");
    command->add_option("folders", scan.given.files, "Folders; all that lies within them is looked through")
        ->required();
    addGiven(*command, scan.given, false);
    command->add_flag("--table", scan.table, "Columns for people instead of JSON");
    command->footer("Reads what is new or changed since the last time, and keeps what is known of it. Prints\n"
                    "scanned, new, changed, gone, failed and seconds. What could not be read is named with the\n"
                    "reason on standard error. Ended at any moment, it goes on from there the next time.");
    return {command,
            [given](const std::stop_token& stop, Output& output) { return cli::scan(*given, stop, output); }};
}

} // namespace cli
