// What “pmetre check” takes.
#include "cli/check.h"
#include "cli/subcommand.h"

#include <CLI/CLI.hpp>
#include <memory>

namespace cli {

Subcommand checkSubcommand(CLI::App& app) {
    const auto given = std::make_shared<CheckCommand>();
    CheckCommand& check = *given;
    CLI::App* command = app.add_subcommand("check", "Measure whether files are in time");
    command->add_option("files", check.given.files, "Audio files; folders stand for the audio in them")->required();
    addGiven(*command, check.given, true);
    addShard(*command, check.given);
    command->add_option("--bpm", check.bpm, "The tempo of the grid")->type_name("B")->required();
    command->add_option("--metre", check.metre, "Its bars, for the drift")->capture_default_str();
    command->add_option("--first", check.first, "Where a beat lies; found where it is not said")->type_name("S");
    command->add_option("--against", check.against, "The recording it was made from, for pitch and loudness")
        ->type_name("ORIGINAL");
    command->add_option("--tolerance", check.tolerance, "Up to how many milliseconds off is in time; 10 without it")
        ->type_name("MS");
    command->add_flag("--table", check.table, "Columns for people instead of JSON");
    command->footer(
        "Each line has: file, bpm, metre, onsets, matched (those that begin clearly enough to be\n"
        "measured), first_s, median_ms and p95_ms (of absolute deviations), worst_ms (late is positive),\n"
        "worst_at_s, drift_ms (from the first to the last bar), early, late, in_time, length_error_frames\n"
        "(against whole beats), lufs, verdict (in time, early, late, loose, unread); with --against also\n"
        "cents and loudness_change_lu. placed_median_ms, placed_p95_ms, placed_worst_ms say how far hits\n"
        "are from where the recording named by --against puts them (null without it), played_median_ms,\n"
        "played_p95_ms, played_worst_ms how far that is from the grid. Deviations are from the nearest sixteenth "
        "or eighth triplet.\n"
        "Example:\n"
        "  pmetre check fitted/*.wav --bpm 104 --table");
    return {command,
            [given](const std::stop_token& stop, Output& output) { return cli::check(*given, stop, output); }};
}

} // namespace cli
