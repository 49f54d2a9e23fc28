// pmetre: the command line.
#include "cli/check.h"
#include "cli/deliver.h"
#include "cli/fit.h"
#include "cli/lead.h"
#include "cli/meet.h"
#include "cli/output.h"
#include "cli/read.h"
#include "cli/shelf.h"
#include "cli/stop.h"

#include <CLI/CLI.hpp>
#include <sstream>

namespace {
std::string trimmed(std::string text) {
    while (!text.empty() && text.back() == '\n')
        text.pop_back();
    return text;
}

// Of several lines, sentence after sentence.
std::string inOneLine(std::string text) {
    text = trimmed(std::move(text));
    for (std::size_t at = text.find('\n'); at != std::string::npos; at = text.find('\n', at))
        text.replace(at, 1, at > 0 && text[at - 1] != '.' ? ". " : " ");
    return text;
}
} // namespace

int main(int argc, char** argv) {
    cli::StopOnSignal stop;
    cli::Output output;

    CLI::App app("Patient Metre on the command line: find out the tempo of loops, and fit them to another.");
    app.name("pmetre");
    app.require_subcommand(0, 1);
    app.set_version_flag("--version", std::string("pmetre ") + PM_VERSION);
    app.footer("Examples:\n"
               "  pmetre read loops/*.wav\n"
               "  pmetre fit winch_112bpm.wav winch_104.wav --to 104\n"
               "  pmetre fit riff.flac riff_fitted.wav --beats 16 --to 128\n"
               "pmetre read --help, and so on, say more of each.");

    cli::ReadOptions read;
    CLI::App* readCommand = app.add_subcommand("read", "Say what tempo files have, one line of JSON a file");
    readCommand
        ->add_option("files", read.given.files,
                     "Audio files: WAV, AIFF, FLAC, Ogg Vorbis, Opus, MP3; folders stand for the audio in them")
        ->required();
    cli::addGiven(*readCommand, read.given, true);
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
        "metre (as its accents say), beats_in_bar, disagreement, readings, maybe (true: hearing is not\n"
        "sure that there is a beat), pins (of free playing: seconds and beat), seconds, rate, channels,\n"
        "warnings. What is not known is null. A file that cannot be read gives file and error, and is\n"
        "named on standard error with the reason; the others are done, and the exit status is 1.");

    cli::FitOptions fit;
    CLI::App* fitCommand = app.add_subcommand("fit", "Stretch files to another tempo; the pitch stays");
    fitCommand
        ->add_option(
            "files", fit.given.files,
            "The file to fit and the file to write (.wav, .aiff, .flac, .ogg, .opus or .mp3); with --out all are "
            "fitted, folders stand for the audio in them")
        ->required();
    cli::addGiven(*fitCommand, fit.given, true);
    fitCommand->add_option("--out", fit.folder, "A folder to write to")->type_name("FOLDER");
    fitCommand->add_option("--names", fit.names, "Names in that folder; {name}_{bpm}bpm_{key} without it")
        ->type_name("PATTERN");
    fitCommand->add_option("--format", fit.format,
                           "Their format: wav, aiff, flac, ogg, opus or mp3; wav without it");
    fitCommand->add_option("--quality", fit.quality, "Of ogg, opus and mp3, 0 to 10; 6 without it")
        ->type_name("0-10");
    fitCommand->add_option("--to", fit.to, "The tempo it shall have")->type_name("BPM");
    fitCommand->add_option("--like", fit.like, "Or: the tempo of another file")->type_name("FILE");
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
    fitCommand->add_flag(
        "--loop", fit.loop,
        "It is a loop: its end runs on into its beginning (so does one of whole beats without it), and "
        "loop points and root note are written into a WAV");
    fitCommand->add_flag("--trust-hearing", fit.trustHearing,
                         "Take the tempo that is heard even where that is not sure");
    fitCommand->add_flag("--steady", fit.steady, "Treat a recording that was played free as one tempo");
    fitCommand->add_option("--depth", fit.depth,
                           "Bits of a WAV, AIFF or FLAC: 16, 24 or float; the input's without it");
    fitCommand->add_flag("--overwrite", fit.overwrite, "Replace files that are there already");
    fitCommand->add_flag("--table", fit.table, "Sentences for people instead of JSON");
    fitCommand->footer("Examples:\n"
                       "  pmetre fit brushes.wav out.wav --from 88 --to 104\n"
                       "  pmetre fit loops -r --out fitted --to 104 --format flac\n"
                       "  pmetre fit loop.wav out.wav --beats 8 --to 120 --style struck\n"
                       "  pmetre fit pad.wav out.wav --ratio 1.25\n"
                       "The new tempo is written into the file as a tag; other tags, cue points and the time\n"
                       "reference of the input are carried over. Each line has: file, out, from_bpm, by (whose\n"
                       "reading that is), bpm, free (it follows its own beats), ratio, method, seconds.");

    cli::LeadCommand lead;
    CLI::App* leadCommand = app.add_subcommand("lead", "The tempo map of one recording, as a Standard MIDI File");
    leadCommand->add_option("file", lead.file, "The recording")->required();
    leadCommand->add_option("-o,--out", lead.out, "The file to write: .mid")->type_name("MAP.mid");
    leadCommand->add_option("--every", lead.every, "A tempo for each beat, or each bar")
        ->check(CLI::IsMember({"beat", "bar"}))
        ->capture_default_str();
    leadCommand
        ->add_option("--smooth", lead.smooth,
                     "By how many milliseconds a beat may miss, so that the tempo changes less often")
        ->type_name("MS");
    leadCommand->add_flag("--json", lead.json, "Print the points: beat, bpm and seconds of each");
    leadCommand->add_flag("--overwrite", lead.overwrite, "Replace the file to write if it is there already");
    leadCommand->footer(
        "Beat 0, the beginning of bar 1 of the map, is the recording's first downbeat; --json says at\n"
        "which second that is. Prints bpm (of the recording as a whole), points (how many tempos)\n"
        "and worst_ms (by how much the farthest beat misses).\n"
        "Example:\n"
        "  pmetre lead towpath_accordion.ogg -o towpath.mid --every bar");

    cli::CheckCommand check;
    CLI::App* checkCommand = app.add_subcommand("check", "Measure whether files are in time");
    checkCommand->add_option("files", check.given.files, "Audio files; folders stand for the audio in them")
        ->required();
    cli::addGiven(*checkCommand, check.given, true);
    checkCommand->add_option("--bpm", check.bpm, "The tempo of the grid")->type_name("B")->required();
    checkCommand->add_option("--metre", check.metre, "Its bars, for the drift")->capture_default_str();
    checkCommand->add_option("--first", check.first, "Where a beat lies; found where it is not said")
        ->type_name("S");
    checkCommand->add_option("--against", check.against, "The recording it was made from, for pitch and loudness")
        ->type_name("ORIGINAL");
    checkCommand
        ->add_option("--tolerance", check.tolerance, "Up to how many milliseconds off is in time; 10 without it")
        ->type_name("MS");
    checkCommand->add_flag("--table", check.table, "Columns for people instead of JSON");
    checkCommand->footer(
        "Each line has: file, bpm, metre, onsets, matched (those that begin clearly enough to be\n"
        "measured), first_s, median_ms and p95_ms (of absolute deviations), worst_ms (late is positive),\n"
        "worst_at_s, drift_ms (from the first to the last bar), early, late, in_time, length_error_frames\n"
        "(against whole beats), lufs, verdict (in time, early, late, unread); with --against also cents\n"
        "and loudness_change_lu. Deviations are from the nearest sixteenth or eighth triplet.\n"
        "Example:\n"
        "  pmetre check fitted/*.wav --bpm 104 --table");

    cli::MeetCommand meet;
    CLI::App* meetCommand =
        app.add_subcommand("meet", "The tempo at which files together have to be stretched least");
    meetCommand->add_option("files", meet.given.files, "Audio files; folders stand for the audio in them")
        ->required();
    cli::addGiven(*meetCommand, meet.given, true);
    meetCommand->add_option("--between", meet.between, "Between which tempos; 60-200 without it")
        ->type_name("LO-HI");
    meetCommand->add_flag("--table", meet.table, "Columns for people instead of JSON");
    meetCommand->footer(
        "Prints bpm, strain_percent (of all together: the root of the mean of squares of the logarithms of\n"
        "the ratios, weighted by what each method bears) and files, each with file, bpm, used_bpm (its half\n"
        "or double where that is nearer), strain_percent (of its length) and verdict; null where it has no\n"
        "tempo that is sure.\n"
        "Example:\n"
        "  pmetre meet loops/*.wav --between 80-130");

    cli::ScanCommand scan;
    CLI::App* scanCommand = app.add_subcommand("scan", "Bring folders into the library");
    scanCommand->add_option("folders", scan.given.files, "Folders; all that lies within them is looked through")
        ->required();
    cli::addGiven(*scanCommand, scan.given, false);
    scanCommand->add_flag("--table", scan.table, "Columns for people instead of JSON");
    scanCommand->footer(
        "Reads what is new or changed since the last time, and keeps what is known of it. Prints\n"
        "scanned, new, changed, gone, failed and seconds. What could not be read is named with the\n"
        "reason on standard error. Ended at any moment, it goes on from there the next time.");

    cli::FindCommand find;
    CLI::App* findCommand = app.add_subcommand("find", "Search the library");
    findCommand->add_option("words", find.words,
                            "Each must begin a word of the name, its folder, tags, key or kind");
    findCommand->add_option("--bpm", find.bpm, "Its tempo, or a range of them")->type_name("LO-HI");
    findCommand->add_flag("--octaves", find.octaves, "Half and double of that tempo, too");
    findCommand->add_option("--key", find.key, "Its key, such as Dm")->type_name("KEY");
    findCommand->add_flag("--related", find.related, "Closely related keys, too");
    findCommand->add_option("--mode", find.mode, "major or minor")->check(CLI::IsMember({"major", "minor"}));
    findCommand->add_option("--kind", find.kinds, "struck, bass, keys, held, voice, mix, one-hit or no-beat");
    findCommand->add_option("--tag", find.tags, "One of your own tags");
    findCommand->add_option("--limit", find.limit, "So many at most")
        ->type_name("N")
        ->check(CLI::Range(1, 1'000'000));
    findCommand->add_flag("--table", find.table, "Columns for people instead of JSON");
    findCommand->footer("Each line has: file, bpm, beats, key, kind, seconds, tags; what is not known is null.\n"
                        "Nothing found is no failure.\n"
                        "Examples:\n"
                        "  pmetre find brush --bpm 80-100\n"
                        "  pmetre find --bpm 104 --octaves --key Dm --related --kind struck");

    cli::DeliverCommand deliver;
    CLI::App* deliverCommand =
        app.add_subcommand("deliver", "Write what a project comes to: loops, stems, mix and more");
    deliverCommand->add_option("project", deliver.project, "A project folder, or the project.json in it")
        ->required();
    deliverCommand->add_option("--out", deliver.folder, "The folder to write to")->type_name("FOLDER")->required();
    deliverCommand
        ->add_option("--what", deliver.what, "Any of loops,stems,mix,click,map,proof, with commas between")
        ->capture_default_str();
    deliverCommand->add_option("--names", deliver.names, "Names of the loops; {name}_{bpm}bpm_{key} without it")
        ->type_name("PATTERN");
    deliverCommand->add_option("--format", deliver.format, "wav, aiff, flac, ogg, opus or mp3")
        ->capture_default_str();
    deliverCommand->add_option("--depth", deliver.depth, "Bits: 16 (dithered), 24 or float; 24 without it");
    deliverCommand->add_option("--quality", deliver.quality, "Of ogg, opus and mp3; 6 without it")
        ->type_name("0-10");
    deliverCommand->add_option("--rate", deliver.rate, "Sample rate; the project's without it")->type_name("HZ");
    deliverCommand->add_option("--from", deliver.from, "The first bar of stems, mix, click and map; 1 without it")
        ->type_name("BAR");
    deliverCommand->add_option("--to", deliver.to, "The last; that in which the last clip ends without it")
        ->type_name("BAR");
    deliverCommand->add_option("--tail", deliver.tail, "Seconds after it")->type_name("S");
    deliverCommand
        ->add_option("--level", deliver.level,
                     "as-it-is, no-higher (true peak at most -1 dBTP), peak (to -1 dBTP) or loudness (to -16 LUFS)")
        ->capture_default_str();
    deliverCommand->add_flag("--no-tags", deliver.noTags, "Write no tempo, key, beats and place into the files");
    deliverCommand->add_flag("--overwrite", deliver.overwrite, "Replace files that are there already");
    deliverCommand->add_flag("--quiet", deliver.quiet, "Show no progress");
    deliverCommand->add_flag("--table", deliver.table, "Columns for people instead of JSON");
    deliverCommand->footer(
        "Each line has: file, what.\n"
        "Example:\n"
        "  pmetre deliver canal_journey --out handed_on --what stems,mix,map,proof --format flac");

    cli::TagCommand tag;
    CLI::App* tagCommand = app.add_subcommand("tag", "Write tempo, key and beats into files");
    tagCommand->add_option("files", tag.given.files, "Audio files; folders stand for the audio in them")
        ->required();
    cli::addGiven(*tagCommand, tag.given, true);
    tagCommand->add_option("--bpm", tag.bpm, "The tempo")->type_name("B");
    tagCommand->add_option("--key", tag.key, "The key, such as Dm")->type_name("K");
    tagCommand->add_option("--beats", tag.beats, "How many beats it is long; with --bpm")
        ->type_name("N")
        ->check(CLI::Range(1, 100000));
    tagCommand
        ->add_option("--root", tag.root,
                     "The root note of a WAV, as a number (60 is the C in the middle); takes the "
                     "place of one that is there")
        ->type_name("NOTE")
        ->check(CLI::Range(0, 127));
    tagCommand->add_flag("--replace-loops", tag.replaceLoops,
                         "Points between which a WAV repeats that are there already give way to those of --beats");
    tagCommand->add_flag("--table", tag.table, "The names of the files instead of JSON");
    tagCommand->footer(
        "The audio stays bit for bit as it was, and what else stands in the file does too, byte for\n"
        "byte: a root note and loop points that are there already stay unless --root or\n"
        "--replace-loops says otherwise. A file that was cut off is left as it is.");

    try {
        app.parse(argc, argv);
    } catch (const CLI::ParseError& e) {
        std::ostringstream out;
        std::ostringstream err;
        const int status = app.exit(e, out, err);
        if (!out.str().empty() && !output.line(trimmed(out.str()))) return 1;
        if (!err.str().empty()) output.say(inOneLine(err.str()));
        return status == 0 ? 0 : 2;
    }
    if (app.get_subcommands().empty()) {
        output.say(
            "Say what is to be done: read, fit, check, meet, lead, scan, find, deliver or tag. pmetre --help "
            "says more of each.");
        return 2;
    }
    int status = 0;
    if (readCommand->parsed())
        status = cli::read(read, stop.token(), output);
    else if (fitCommand->parsed())
        status = cli::fit(fit, stop.token(), output);
    else if (checkCommand->parsed())
        status = cli::check(check, stop.token(), output);
    else if (meetCommand->parsed())
        status = cli::meet(meet, stop.token(), output);
    else if (deliverCommand->parsed())
        status = cli::deliver(deliver, stop.token(), output);
    else if (leadCommand->parsed())
        status = cli::lead(lead, stop.token(), output);
    else if (scanCommand->parsed())
        status = cli::scan(scan, stop.token(), output);
    else if (findCommand->parsed())
        status = cli::find(find, output);
    else
        status = cli::tag(tag, stop.token(), output);
    stop.endBySignal();
    if (status == 0 && output.hasFailed()) status = 1;
    return status;
}
