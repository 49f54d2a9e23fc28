#include "project/feel_file.h"

#include "base/safe_file.h"
#include "base/user_folders.h"
#include "base/utf8.h"

#include <algorithm>
#include <fmt/format.h>

namespace project {

namespace fs = std::filesystem;

std::vector<NamedFeel> madeFeels() {
    const auto made = [](const char* name, hear::FeelGrid grid, double swing) {
        hear::Feel feel;
        feel.grid = grid;
        feel.swing = swing;
        for (int place = 0; place < feel.stepsInBar(); ++place)
            feel.places.push_back({place, metre::Seconds(0), 1});
        feel.hits = feel.stepsInBar();
        return NamedFeel{name, feel};
    };
    return {made("Even", hear::FeelGrid::Sixteenths, 50), made("Light swing", hear::FeelGrid::Sixteenths, 56),
            made("Triplets", hear::FeelGrid::Eighths, 200.0 / 3)};
}

fs::path feelFolder() {
    return base::dataFolder() / "feels";
}

Result<fs::path> keepFeel(const NamedFeel& named, const fs::path& folder) {
    std::string name = named.name;
    std::replace_if(
        name.begin(), name.end(), [](char c) { return c == '/' || c == '\0'; }, '_');
    if (name.find_first_not_of(" .") == std::string::npos) return base::problem("A feel is kept under a name.");
    if (name.size() > 100) return base::problem("The name of a feel has at most 100 bytes.");
    std::error_code error;
    fs::create_directories(folder, error);
    if (error)
        return base::problem(fmt::format("{} could not be made: {}.", base::shownPath(folder),
                                         base::writeReason(folder, error.value())));
    const fs::path file = folder / (name + feelEnding);
    if (auto written = base::writeText(file, feelToJson(named), base::Existing::Refuse); !written)
        return tl::unexpected(written.error());
    return file;
}

Result<NamedFeel> readFeel(const fs::path& file) {
    const auto text = base::readText(file);
    if (!text) return tl::unexpected(text.error());
    return feelFromJson(*text, file);
}

std::vector<NamedFeel> keptFeels(std::vector<std::string>& problems, const fs::path& folder) {
    std::vector<NamedFeel> kept;
    std::error_code error;
    for (fs::directory_iterator at(folder, error), end; !error && at != end; at.increment(error)) {
        if (!at->path().filename().native().ends_with(feelEnding)) continue;
        auto read = readFeel(at->path());
        if (!read) {
            problems.push_back(read.error().text);
            continue;
        }
        if (read->name.empty()) {
            const std::string file = base::shownName(at->path().filename());
            read->name = file.substr(0, file.size() - std::string(feelEnding).size());
        }
        kept.push_back(std::move(*read));
    }
    std::sort(kept.begin(), kept.end(), [](const NamedFeel& a, const NamedFeel& b) { return a.name < b.name; });
    std::vector<NamedFeel> all = madeFeels();
    all.insert(all.end(), kept.begin(), kept.end());
    return all;
}

} // namespace project
