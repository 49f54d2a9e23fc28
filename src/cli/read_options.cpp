// What “pmetre read” takes.
#include "cli/read.h"
#include "cli/subcommand.h"

#include <CLI/CLI.hpp>
#include <memory>

namespace cli {

Subcommand readSubcommand(CLI::App& app) {
    const auto given = std::make_shared<ReadOptions>();
    ReadOptions& read = *given;
    CLI::App* command = app.add_subcommand("read", "Say what tempo files have, one line of JSON a file");
    command
        ->add_option("files", read.given.files,
                     "Audio files: WAV, AIFF, FLAC, Ogg Vorbis, Opus, MP3; folders stand for the audio in them")
        ->required();
    addGiven(*command, read.given, true);
    addShard(*command, read.given);
    command->add_option("--range", read.range, "Tempos to choose between, such as 70-140: halves or doubles others")
        ->type_name("LO-HI");
    command->add_flag("--ignore-name", read.ignoreName, "Do not believe tempos in file and folder names");
    command->add_flag("--ignore-tags", read.ignoreTags, "Do not believe tempos written in the files");
    command->add_flag("--table", read.table, "Columns for people instead of JSON");
    command->footer(
        "Each line has: file, bpm, beats, bars, confidence (0 to 1), source (whose reading is used:\n"
        "name, tag, heard or length), candidates (every tempo with its weight), first_beat_s, beats_s,\n"
        "key, steady (false: played free), kind (struck, bass, keys, held, voice, mix, one-hit, no-beat),\n"
        "metre (as its accents say), beats_in_bar, disagreement, readings, maybe (true: hearing is not\n"
        "sure that there is a beat), pins (of free playing: seconds and beat), seconds, rate, channels,\n"
        "warnings. What is not known is null. A file that cannot be read gives file and error, and is\n"
        "named on standard error with the reason; the others are done, and the exit status is 1.");
    return {command,
            [given](const std::stop_token& stop, Output& output) { return cli::read(*given, stop, output); }};
}

} // namespace cli
