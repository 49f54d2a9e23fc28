// What “pmetre feel” takes.
#include "cli/feel.h"
#include "cli/subcommand.h"

#include <CLI/CLI.hpp>
#include <memory>

namespace cli {

Subcommand feelSubcommand(CLI::App& app) {
    const auto given = std::make_shared<FeelCommand>();
    FeelCommand& feel = *given;
    CLI::App* command = app.add_subcommand("feel", "Tell how recordings play around their beats");
    command->add_option("files", feel.given.files, "Audio files; folders stand for the audio in them")->required();
    addGiven(*command, feel.given, true);
    addShard(*command, feel.given);
    command->add_option("--bpm", feel.bpm, "Their tempo; by name, tag or hearing without it")->type_name("B");
    command->add_option("--first", feel.first, "With --bpm: where a bar begins")->type_name("S");
    command->add_flag("--table", feel.table, "Drawn for people instead of JSON");
    command->footer(
        "Each line has: file, bpm, grid (8, 8t, 16 or 16t: how beats are divided), swing_percent (where the\n"
        "second of each pair falls: 50 even, 66.7 triplets), loose_ms, places (place: grid steps from the bar\n"
        "line, offset_ms from the swung grid, late is positive, hits), hits.\n"
        "Example:\n"
        "  pmetre feel breaks/*.wav --table");
    return {command,
            [given](const std::stop_token& stop, Output& output) { return cli::feel(*given, stop, output); }};
}

} // namespace cli
