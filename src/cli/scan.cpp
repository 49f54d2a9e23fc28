#include "shelf/scan.h"
#include "base/utf8.h"
#include "cli/json_line.h"
#include "cli/shelf.h"
#include "shelf/exchange.h"

#include <fmt/format.h>
#include <optional>

namespace cli {

namespace fs = std::filesystem;

namespace {

// The folders that were named, by themselves or in a list. Those that are none are said, and failed is set. None
// where the list cannot be read.
std::optional<std::vector<fs::path>> foldersOf(const Given& given, Output& output, bool& failed) {
    std::vector<fs::path> folders;
    for (const fs::path& each : given.files) {
        base::Result<std::vector<fs::path>> listed = std::vector<fs::path>{each};
        if (each == "-") listed = namesFromInput(given.byZeros);
        if (!listed) {
            output.say(listed.error().text);
            return {};
        }
        for (const fs::path& name : *listed) {
            std::error_code error;
            const fs::path folder = fs::canonical(name, error);
            if (error || !fs::is_directory(folder, error)) {
                output.say(fmt::format("{} is not a folder that can be read.", base::shownPath(name)));
                failed = true;
                continue;
            }
            folders.push_back(folder);
        }
    }
    return folders;
}

void tell(const shelf::Scanned& scanned, bool table, Output& output) {
    for (const std::string& problem : scanned.problems)
        output.say(problem);
    if (scanned.problems.size() < scanned.failed)
        output.say(fmt::format("and {} more.", scanned.failed - scanned.problems.size()));
    if (table) {
        constexpr const char* form = "{:>8}  {:>8}  {:>8}  {:>8}  {:>8}  {:>8}";
        output.line(fmt::format(form, "scanned", "new", "changed", "gone", "failed", "seconds"));
        output.line(fmt::format(form, scanned.files, scanned.fresh, scanned.changed, scanned.gone, scanned.failed,
                                fmt::format("{:.2f}", scanned.seconds)));
        return;
    }
    Json j = Json::object();
    j["scanned"] = scanned.files;
    j["new"] = scanned.fresh;
    j["changed"] = scanned.changed;
    j["gone"] = scanned.gone;
    j["failed"] = scanned.failed;
    j["seconds"] = rounded(scanned.seconds, 1e3);
    output.line(dumped(j));
}

} // namespace

int scan(const ScanCommand& command, const std::stop_token& stop, Output& output) {
    bool failed = false;
    const auto folders = foldersOf(command.given, output, failed);
    if (!folders) return 2;
    if (command.given.files.empty() && command.taken.empty() && !command.exported) {
        output.say("Say the folders to scan, or what to --take or --export.");
        return 2;
    }
    auto library = shelf::Library::open(shelf::libraryFile());
    if (!library) {
        output.say(library.error().text);
        return 1;
    }
    if (!(*library)->told().empty()) output.say((*library)->told());
    for (const fs::path& file : command.taken)
        if (const auto taken = shelf::takeLibrary(**library, file); !taken) {
            output.say(taken.error().text);
            return 1;
        }
    for (const fs::path& folder : *folders)
        if (auto added = (*library)->addFolder(folder); !added) {
            output.say(added.error().text);
            return 1;
        }
    const auto memory = shelf::Memory::open(shelf::memoryFile());
    shelf::ScanOptions options;
    options.jobs = command.given.jobs;
    options.shard = command.given.shard;
    options.memory = memory ? memory->get() : nullptr;
    if (!command.given.quiet)
        options.onCount = [&](std::size_t done, std::size_t of) {
            output.progress(fmt::format("{} of {} files read", done, of));
        };
    const auto scanned = shelf::scan(**library, *folders, options, {{}, stop});
    output.progress({});
    if (!scanned) {
        output.say(scanned.error().text);
        return 1;
    }
    if (command.exported && !scanned->cancelled)
        if (const auto written = shelf::exportLibrary(**library, *command.exported); !written) {
            output.say(written.error().text);
            return 1;
        }
    tell(*scanned, command.table, output);
    return failed || scanned->failed > 0 || scanned->cancelled ? 1 : 0;
}

} // namespace cli
