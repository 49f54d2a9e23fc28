// What “pmetre fit” takes.
#include "cli/fit.h"
#include "cli/subcommand.h"

#include <CLI/CLI.hpp>
#include <memory>

namespace cli {

Subcommand fitSubcommand(CLI::App& app) {
    const auto given = std::make_shared<FitOptions>();
    FitOptions& fit = *given;
    CLI::App* command = app.add_subcommand("fit", "Stretch files to another tempo; the pitch stays");
    command
        ->add_option(
            "files", fit.given.files,
            "The file to fit and the file to write (.wav, .aiff, .flac, .ogg, .opus or .mp3); with --out all are "
            "fitted, folders stand for the audio in them")
        ->required();
    addGiven(*command, fit.given, true);
    addShard(*command, fit.given);
    command->add_option("--out", fit.folder, "A folder to write to")->type_name("FOLDER");
    command->add_option("--names", fit.names, "Names in that folder; {name}_{bpm}bpm_{key} without it")
        ->type_name("PATTERN");
    command->add_option("--format", fit.format, "Their format: wav, aiff, flac, ogg, opus or mp3; wav without it");
    command->add_option("--quality", fit.quality, "Of ogg, opus and mp3, 0 to 10; 6 without it")->type_name("0-10");
    command->add_option("--to", fit.to, "The tempo it shall have")->type_name("BPM");
    command->add_option("--like", fit.like, "Or: the tempo of another file")->type_name("FILE");
    command
        ->add_option("--from", fit.from,
                     "The tempo it has; without it, its name or tag tells, or hearing where that is sure")
        ->type_name("BPM");
    command->add_option("--beats", fit.beats, "Or: how many beats it is long")->type_name("N");
    command->add_option("--ratio", fit.ratio, "Or: how many times as long it shall be, 0.25 to 4")->type_name("R");
    command
        ->add_option(
            "--style", fit.style,
            "How: auto (by the kind of sound), struck (drums), held (tonal), blend (mix), sung (voice), tape")
        ->capture_default_str();
    command->add_option("--transpose", fit.semitones, "Semitones up, or down with a minus; 0.5 is 50 cents")
        ->type_name("ST");
    command->add_option("--tighten", fit.tighten, "Draw hits to the grid by so many per cent, 0 to 100")
        ->type_name("P");
    command->add_option("--grid", fit.grid, "Which grid: auto (what it plays), 8, 8t, 16 or 16t; auto without it");
    command->add_option("--swing", fit.swing, "Its swing, in per cent of a pair; the recording's own without it")
        ->type_name("S");
    command
        ->add_option("--feel", fit.feel, "Draw to the feel of another recording, or of a stored one (.feel.json)")
        ->type_name("FILE");
    command->add_option("--leave", fit.leave, "Leave hits that lie within so many milliseconds")->type_name("MS");
    command->add_flag("--formants", fit.formants, "Keep the colour of a voice when transposing");
    command->add_flag(
        "--loop", fit.loop,
        "It is a loop: its end runs on into its beginning (so does one of whole beats without it), and "
        "loop points and root note are written into a WAV");
    command
        ->add_option("--trust", fit.trust,
                     "name: take the tempo that its name or a tag says, whatever is heard; with --style nothing is "
                     "heard then, which spares most of the time")
        ->type_name("WHOM");
    command->add_flag("--trust-hearing", fit.trustHearing,
                      "Take the tempo that is heard even where that is not sure");
    command->add_flag("--steady", fit.steady, "Treat a recording that was played free as one tempo");
    command->add_option("--depth", fit.depth,
                        "Bits of a WAV, AIFF or FLAC: 16, 24 or float; the input's without it");
    command->add_flag("--overwrite", fit.overwrite, "Replace files that are there already");
    command->add_flag("--table", fit.table, "Sentences for people instead of JSON");
    command->footer("Examples:\n"
                    "  pmetre fit brushes.wav out.wav --from 88 --to 104\n"
                    "  pmetre fit loops -r --out fitted --to 104 --format flac\n"
                    "  pmetre fit loop.wav out.wav --beats 8 --to 120 --style struck\n"
                    "  pmetre fit pad.wav out.wav --ratio 1.25\n"
                    "  pmetre fit break.wav out.wav --to 104 --tighten 60 --leave 3\n"
                    "The new tempo is written into the file as a tag; other tags, cue points and the time\n"
                    "reference of the input are carried over. Each line has: file, out, from_bpm, by (whose\n"
                    "reading that is), bpm, free (it follows its own beats), ratio, method, seconds.");
    return {command,
            [given](const std::stop_token& stop, Output& output) { return cli::fit(*given, stop, output); }};
}

} // namespace cli
