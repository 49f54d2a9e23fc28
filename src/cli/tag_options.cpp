// What “pmetre tag” takes.
#include "cli/shelf.h"
#include "cli/subcommand.h"

#include <CLI/CLI.hpp>
#include <memory>

namespace cli {

Subcommand tagSubcommand(CLI::App& app) {
    const auto given = std::make_shared<TagCommand>();
    TagCommand& tag = *given;
    CLI::App* command = app.add_subcommand("tag", "Write tempo, key and beats into files");
    command->add_option("files", tag.given.files, "Audio files; folders stand for the audio in them")->required();
    addGiven(*command, tag.given, true);
    command->add_option("--bpm", tag.bpm, "The tempo")->type_name("B");
    command->add_option("--key", tag.key, "The key, such as Dm")->type_name("K");
    command->add_option("--beats", tag.beats, "How many beats it is long; with --bpm")
        ->type_name("N")
        ->check(CLI::Range(1, 100000));
    command
        ->add_option("--root", tag.root,
                     "The root note of a WAV, as a number (60 is the C in the middle); takes the "
                     "place of one that is there")
        ->type_name("NOTE")
        ->check(CLI::Range(0, 127));
    command->add_flag("--replace-loops", tag.replaceLoops,
                      "Points between which a WAV repeats that are there already give way to those of --beats");
    command->add_flag("--table", tag.table, "The names of the files instead of JSON");
    command->footer("The audio stays bit for bit as it was, and what else stands in the file does too, byte for\n"
                    "byte: a root note and loop points that are there already stay unless --root or\n"
                    "--replace-loops says otherwise. A file that was cut off is left as it is.");
    return {command,
            [given](const std::stop_token& stop, Output& output) { return cli::tag(*given, stop, output); }};
}

} // namespace cli
