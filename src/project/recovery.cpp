#include "project/recovery.h"

#include "base/safe_file.h"
#include "base/utf8.h"
#include "project/save.h"

#include <cerrno>
#include <charconv>
#include <csignal>
#include <fmt/format.h>
#include <unistd.h>

namespace project {

namespace fs = std::filesystem;

namespace {

// An autosave is the project folder's path on the first line (empty: never saved), then the document.
constexpr const char* prefix = "autosave-";

bool isRunning(int process) {
    return kill(process, 0) == 0 || errno == EPERM;
}

} // namespace

fs::path autosaveFile(const fs::path& recoveryFolder) {
    return recoveryFolder / fmt::format("{}{}.json", prefix, getpid());
}

Result<void> autosave(const Project& p, const fs::path& projectFolder, const fs::path& recoveryFolder) {
    std::error_code error;
    fs::create_directories(recoveryFolder, error);
    if (error)
        return base::problem(fmt::format("The autosave could not be written to {}: {}.",
                                         base::shownPath(recoveryFolder),
                                         base::writeReason(recoveryFolder, error.value())));
    const std::string text = projectFolder.native() + "\n" + toJson(p, {});
    return base::writeText(autosaveFile(recoveryFolder), text, base::Existing::Replace);
}

std::vector<Recovery> findRecoveries(const fs::path& recoveryFolder) {
    std::vector<Recovery> found;
    std::error_code error;
    for (const auto& entry : fs::directory_iterator(recoveryFolder, error)) {
        const std::string name = entry.path().filename().string();
        if (name.rfind(prefix, 0) != 0 || entry.path().extension() != ".json") continue;
        int process = 0;
        const char* digits = name.data() + std::string_view(prefix).size();
        std::from_chars(digits, name.data() + name.size(), process);
        if (process <= 0 || isRunning(process)) continue;
        const auto text = base::readText(entry.path());
        if (!text) continue;
        const auto line = text->find('\n');
        if (line == std::string::npos) continue;
        auto p = fromJson(text->substr(line + 1), {}, name);
        if (!p) continue;
        found.push_back({entry.path(), text->substr(0, line), std::move(*p)});
    }
    return found;
}

void removeAutosave(const fs::path& file) {
    std::error_code ignored;
    fs::remove(file, ignored);
}

} // namespace project
