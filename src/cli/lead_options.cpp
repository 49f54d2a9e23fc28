// What “pmetre lead” takes.
#include "cli/lead.h"
#include "cli/subcommand.h"

#include <CLI/CLI.hpp>
#include <memory>

namespace cli {

Subcommand leadSubcommand(CLI::App& app) {
    const auto given = std::make_shared<LeadCommand>();
    LeadCommand& lead = *given;
    CLI::App* command = app.add_subcommand("lead", "The tempo map of one recording, as a Standard MIDI File");
    command->add_option("file", lead.file, "The recording")->required();
    command->add_option("-o,--out", lead.out, "The file to write: .mid")->type_name("MAP.mid");
    command->add_option("--every", lead.every, "A tempo for each beat, or each bar")
        ->check(CLI::IsMember({"beat", "bar"}))
        ->capture_default_str();
    command
        ->add_option("--smooth", lead.smooth,
                     "By how many milliseconds a beat may miss, so that the tempo changes less often")
        ->type_name("MS");
    command->add_flag("--json", lead.json, "Print the points: beat, bpm and seconds of each");
    command->add_flag("--overwrite", lead.overwrite, "Replace the file to write if it is there already");
    command->footer("Beat 0, the beginning of bar 1 of the map, is the recording's first downbeat; --json says at\n"
                    "which second that is. Prints bpm (of the recording as a whole), points (how many tempos)\n"
                    "and worst_ms (by how much the farthest beat misses).\n"
                    "Example:\n"
                    "  pmetre lead towpath_accordion.ogg -o towpath.mid --every bar");
    return {command,
            [given](const std::stop_token& stop, Output& output) { return cli::lead(*given, stop, output); }};
}

} // namespace cli
