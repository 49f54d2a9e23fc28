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
        ->type_name("FOLDER");
    command->add_option("--export", scan.exported, "Then write the library to a file, as JSON lines")
        ->type_name("FILE");
    command->add_option("--take", scan.taken, "First take in such files, which other machines wrote")
        ->type_name("FILE");
    addGiven(*command, scan.given, false);
    addShard(*command, scan.given);
    command->add_flag("--table", scan.table, "Columns for people instead of JSON");
    command->footer("Reads what is new or changed since the last time, and keeps what is known of it. Prints\n"
                    "scanned, new, changed, gone, failed and seconds. What could not be read is named with the\n"
                    "reason on standard error. Ended at any moment, it goes on from there the next time.\n"
                    "Example, on two machines that see the same folder, and then on one:\n"
                    "  pmetre scan packs --shard 1/2 --export part_1.jsonl\n"
                    "  pmetre scan packs --shard 2/2 --export part_2.jsonl\n"
                    "  pmetre scan --take part_1.jsonl --take part_2.jsonl");
    return {command,
            [given](const std::stop_token& stop, Output& output) { return cli::scan(*given, stop, output); }};
}

} // namespace cli
