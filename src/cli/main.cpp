// pmetre: the command line.
#include "cli/output.h"
#include "cli/stop.h"
#include "cli/subcommand.h"

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

    const std::vector<cli::Subcommand> commands{
        cli::readSubcommand(app),    cli::fitSubcommand(app),  cli::feelSubcommand(app), cli::leadSubcommand(app),
        cli::checkSubcommand(app),   cli::meetSubcommand(app), cli::scanSubcommand(app), cli::findSubcommand(app),
        cli::deliverSubcommand(app), cli::tagSubcommand(app)};

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
            "Say what is to be done: read, fit, feel, check, meet, lead, scan, find, deliver or tag. pmetre --help "
            "says more of each.");
        return 2;
    }
    int status = 0;
    for (const cli::Subcommand& command : commands)
        if (command.app->parsed()) status = command.run(stop.token(), output);
    stop.endBySignal();
    if (status == 0 && output.hasFailed()) status = 1;
    return status;
}
