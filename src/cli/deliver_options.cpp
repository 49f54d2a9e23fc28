// What “pmetre deliver” takes.
#include "cli/deliver.h"
#include "cli/subcommand.h"

#include <CLI/CLI.hpp>
#include <memory>

namespace cli {

Subcommand deliverSubcommand(CLI::App& app) {
    const auto given = std::make_shared<DeliverCommand>();
    DeliverCommand& deliver = *given;
    CLI::App* command = app.add_subcommand("deliver", "Write what a project comes to: loops, stems, mix and more");
    command->add_option("project", deliver.project, "A project folder, or the project.json in it")->required();
    command->add_option("--out", deliver.folder, "The folder to write to")->type_name("FOLDER")->required();
    command->add_option("--what", deliver.what, "Any of loops,stems,mix,click,map,proof, with commas between")
        ->capture_default_str();
    command->add_option("--names", deliver.names, "Names of the loops; {name}_{bpm}bpm_{key} without it")
        ->type_name("PATTERN");
    command->add_option("--format", deliver.format, "wav, aiff, flac, ogg, opus or mp3")->capture_default_str();
    command->add_option("--depth", deliver.depth, "Bits: 16 (dithered), 24 or float; 24 without it");
    command->add_option("--quality", deliver.quality, "Of ogg, opus and mp3; 6 without it")->type_name("0-10");
    command->add_option("--rate", deliver.rate, "Sample rate; the project's without it")->type_name("HZ");
    command->add_option("--from", deliver.from, "The first bar of stems, mix, click and map; 1 without it")
        ->type_name("BAR");
    command->add_option("--to", deliver.to, "The last; that in which the last clip ends without it")
        ->type_name("BAR");
    command->add_option("--tail", deliver.tail, "Seconds after it")->type_name("S");
    command
        ->add_option("--level", deliver.level,
                     "as-it-is, no-higher (true peak at most -1 dBTP), peak (to -1 dBTP) or loudness (to -16 LUFS)")
        ->capture_default_str();
    command->add_flag("--no-tags", deliver.noTags, "Write no tempo, key, beats and place into the files");
    command->add_flag("--overwrite", deliver.overwrite, "Replace files that are there already");
    command->add_flag("--quiet", deliver.quiet, "Show no progress");
    command->add_flag("--table", deliver.table, "Columns for people instead of JSON");
    command->footer("Each line has: file, what.\n"
                    "Example:\n"
                    "  pmetre deliver canal_journey --out handed_on --what stems,mix,map,proof --format flac");
    return {command,
            [given](const std::stop_token& stop, Output& output) { return cli::deliver(*given, stop, output); }};
}

} // namespace cli
