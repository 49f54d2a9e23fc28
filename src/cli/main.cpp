// pmetre: the command line.
#include "cli/fit.h"
#include "cli/output.h"
#include "cli/read.h"
#include "cli/stop.h"

#include <CLI/CLI.hpp>
#include <sstream>

namespace {
std::string trimmed(std::string text) {
    while (!text.empty() && text.back() == '\n')
        text.pop_back();
    return text;
}
} // namespace

int main(int argc, char** argv) {
    cli::StopOnSignal stop;
    cli::Output output;

    CLI::App app("Patient Metre on the command line: find out the tempo of loops, and fit them to another.");
    app.name("pmetre");
    app.require_subcommand(1);
    app.footer("Examples:\n"
               "  pmetre read loops/*.wav\n"
               "  pmetre fit winch_112bpm.wav winch_104.wav --to 104\n"
               "  pmetre fit riff.flac riff_fitted.wav --beats 16 --to 128\n"
               "pmetre read --help and pmetre fit --help say more.");

    cli::ReadOptions read;
    CLI::App* readCommand = app.add_subcommand("read", "Say what tempo files have, one line of JSON a file");
    readCommand->add_option("files", read.files, "Audio files: WAV, AIFF, FLAC, Ogg Vorbis, Opus, MP3")->required();
    readCommand
        ->add_option("--range", read.range, "Tempos to choose between, such as 70-140: halves or doubles others")
        ->type_name("LO-HI");
    readCommand->add_flag("--ignore-name", read.ignoreName, "Do not believe tempos in file and folder names");
    readCommand->add_flag("--ignore-tags", read.ignoreTags, "Do not believe tempos written in the files");
    readCommand->add_flag("--table", read.table, "Columns for people instead of JSON");
    readCommand->footer(
        "Each line has: file, bpm, beats, bars, confidence (0 to 1), source (whose reading is used:\n"
        "name, tag, heard or length), candidates (every tempo with its weight), first_beat_s, beats_s,\n"
        "key, steady (false: played free), kind (struck, bass, keys, held, voice, mix, one-hit, no-beat),\n"
        "beats_in_bar, disagreement, readings, maybe (true: hearing is not sure that there is a beat),\n"
        "pins (of free playing: seconds and beat), seconds, rate, channels, warnings. What is not known\n"
        "is null. A file that cannot be read gives file and error, and is named on standard error with\n"
        "the reason; the others are done, and the exit status is 1.");

    cli::FitOptions fit;
    CLI::App* fitCommand = app.add_subcommand("fit", "Stretch a file to another tempo; the pitch stays");
    fitCommand->add_option("in", fit.in, "The file to fit; it is not changed")->required();
    fitCommand->add_option("out", fit.out, "The file to write: .wav, .aiff, .flac or .ogg")->required();
    fitCommand->add_option("--to", fit.to, "The tempo it shall have")->type_name("BPM");
    fitCommand
        ->add_option("--from", fit.from,
                     "The tempo it has; without it, its name or tag tells, or hearing where that is sure")
        ->type_name("BPM");
    fitCommand->add_option("--beats", fit.beats, "Or: how many beats it is long")->type_name("N");
    fitCommand->add_option("--ratio", fit.ratio, "Or: how many times as long it shall be, 0.25 to 4")
        ->type_name("R");
    fitCommand
        ->add_option(
            "--style", fit.style,
            "How: auto (by the kind of sound), struck (drums), held (tonal), blend (mix), sung (voice), tape")
        ->capture_default_str();
    fitCommand->add_option("--transpose", fit.semitones, "Semitones up, or down with a minus; 0.5 is 50 cents")
        ->type_name("ST");
    fitCommand->add_flag("--formants", fit.formants, "Keep the colour of a voice when transposing");
    fitCommand->add_flag("--loop", fit.loop,
                         "It is a loop: its end runs on into its beginning; so does one of whole beats without it");
    fitCommand->add_flag("--trust-hearing", fit.trustHearing,
                         "Take the tempo that is heard even where that is not sure");
    fitCommand->add_flag("--steady", fit.steady, "Treat a recording that was played free as one tempo");
    fitCommand->add_option("--depth", fit.depth,
                           "Bits of a WAV, AIFF or FLAC: 16, 24 or float; the input's without it");
    fitCommand->add_flag("--overwrite", fit.overwrite, "Replace the file to write if it is there already");
    fitCommand->footer("Examples:\n"
                       "  pmetre fit brushes.wav out.wav --from 88 --to 104\n"
                       "  pmetre fit loop.wav out.wav --beats 8 --to 120 --style struck\n"
                       "  pmetre fit pad.wav out.wav --ratio 1.25\n"
                       "The new tempo is written into the file as a tag.");

    try {
        app.parse(argc, argv);
    } catch (const CLI::ParseError& e) {
        std::ostringstream out;
        std::ostringstream err;
        const int status = app.exit(e, out, err);
        if (!out.str().empty() && !output.line(trimmed(out.str()))) return 1;
        if (!err.str().empty()) output.say(trimmed(err.str()));
        return status == 0 ? 0 : 2;
    }
    int status =
        readCommand->parsed() ? cli::read(read, stop.token(), output) : cli::fit(fit, stop.token(), output);
    stop.endBySignal();
    if (status == 0 && output.hasFailed()) status = 1;
    return status;
}
