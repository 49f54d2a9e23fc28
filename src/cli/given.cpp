#include "cli/given.h"

#include "sound/audio_files.h"

#include <CLI/CLI.hpp>
#include <fmt/format.h>
#include <iostream>

namespace cli {

namespace fs = std::filesystem;

void addGiven(CLI::App& command, Given& given, bool folders) {
    if (folders) command.add_flag("-r", given.deeper, "Of folders, also what lies in folders within them");
    command.add_flag("-0", given.byZeros, "Names on standard input (-) end with a zero byte each");
    command.add_option("--jobs", given.jobs, "How many files to work on at once; all processors without it")
        ->type_name("N")
        ->check(CLI::Range(1, 256));
    command.add_flag("--quiet", given.quiet, "Show no progress");
}

void addShard(CLI::App& command, Given& given) {
    command
        .add_option_function<std::string>(
            "--shard",
            [&given](const std::string& text) {
                const auto shard = sound::shardFrom(text);
                if (!shard) throw CLI::ValidationError("--shard", fmt::format("“{}” is no part such as 2/4", text));
                given.shard = *shard;
            },
            "The files whose content falls to part I of N, so that N machines share them")
        ->type_name("I/N");
}

base::Result<std::vector<fs::path>> namesFromInput(bool byZeros) {
    std::vector<fs::path> names;
    std::string name;
    while (std::getline(std::cin, name, byZeros ? '\0' : '\n')) {
        if (!byZeros && name.find('\0') != std::string::npos)
            return base::problem("The list on standard input has zero bytes in it: -0 reads such lists.");
        if (!byZeros && !name.empty() && name.back() == '\r') name.pop_back();
        if (!name.empty()) names.emplace_back(name);
    }
    return names;
}

std::optional<std::vector<fs::path>> expanded(const Given& given, Output& output, bool& failed) {
    std::vector<fs::path> named;
    for (const fs::path& file : given.files) {
        if (file == "-") {
            const auto listed = namesFromInput(given.byZeros);
            if (!listed) {
                output.say(listed.error().text);
                return std::nullopt;
            }
            named.insert(named.end(), listed->begin(), listed->end());
        } else {
            named.push_back(file);
        }
    }
    std::vector<fs::path> all;
    const auto complain = [&](const std::string& problem) {
        output.say(problem);
        failed = true;
    };
    for (const fs::path& file : named) {
        std::error_code error;
        if (!fs::is_directory(file, error)) {
            all.push_back(file);
        } else if (given.deeper) {
            const sound::Listing listing = sound::audioWithin(file);
            for (const auto& found : listing.files)
                all.push_back(found.file);
            for (const auto& unread : listing.unread)
                complain(unread.second);
        } else {
            const sound::FolderContent content = sound::audioIn(file);
            for (const auto& found : content.files)
                all.push_back(found.file);
            if (!content.problem.empty()) complain(content.problem);
        }
    }
    if (!given.shard.isAll()) std::erase_if(all, [&](const fs::path& file) { return !given.shard.holds(file); });
    return all;
}

} // namespace cli
