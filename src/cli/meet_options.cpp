// What “pmetre meet” takes.
#include "cli/meet.h"
#include "cli/subcommand.h"

#include <CLI/CLI.hpp>
#include <memory>

namespace cli {

Subcommand meetSubcommand(CLI::App& app) {
    const auto given = std::make_shared<MeetCommand>();
    MeetCommand& meet = *given;
    CLI::App* command = app.add_subcommand("meet", "The tempo at which files together have to be stretched least");
    command->add_option("files", meet.given.files, "Audio files; folders stand for the audio in them")->required();
    addGiven(*command, meet.given, true);
    command->add_option("--between", meet.between, "Between which tempos; 60-200 without it")->type_name("LO-HI");
    command->add_flag("--table", meet.table, "Columns for people instead of JSON");
    command->footer(
        "Prints bpm, strain_percent (of all together: the root of the mean of squares of the logarithms of\n"
        "the ratios, weighted by what each method bears) and files, each with file, bpm, used_bpm (its half\n"
        "or double where that is nearer), strain_percent (of its length) and verdict; null where it has no\n"
        "tempo that is sure.\n"
        "Example:\n"
        "  pmetre meet loops/*.wav --between 80-130");
    return {command,
            [given](const std::stop_token& stop, Output& output) { return cli::meet(*given, stop, output); }};
}

} // namespace cli
