// What “pmetre find” takes.
#include "cli/shelf.h"
#include "cli/subcommand.h"

#include <CLI/CLI.hpp>
#include <memory>

namespace cli {

Subcommand findSubcommand(CLI::App& app) {
    const auto given = std::make_shared<FindCommand>();
    FindCommand& find = *given;
    CLI::App* command = app.add_subcommand("find", "Search the library");
    command->add_option("words", find.words, "Each must begin a word of the name, its folder, tags, key or kind");
    command->add_option("--bpm", find.bpm, "Its tempo, or a range of them")->type_name("LO-HI");
    command->add_flag("--octaves", find.octaves, "Half and double of that tempo, too");
    command->add_option("--key", find.key, "Its key, such as Dm")->type_name("KEY");
    command->add_flag("--related", find.related, "Closely related keys, too");
    command->add_option("--mode", find.mode, "major or minor")->check(CLI::IsMember({"major", "minor"}));
    command->add_option("--kind", find.kinds, "struck, bass, keys, held, voice, mix, one-hit or no-beat");
    command->add_option("--tag", find.tags, "One of your own tags");
    command->add_option("--limit", find.limit, "So many at most")->type_name("N")->check(CLI::Range(1, 1'000'000));
    command->add_flag("--table", find.table, "Columns for people instead of JSON");
    command->footer("Each line has: file, bpm, beats, key, kind, seconds, tags; what is not known is null.\n"
                    "Nothing found is no failure.\n"
                    "Examples:\n"
                    "  pmetre find brush --bpm 80-100\n"
                    "  pmetre find --bpm 104 --octaves --key Dm --related --kind struck");
    return {command, [given](const std::stop_token&, Output& output) { return cli::find(*given, output); }};
}

} // namespace cli
