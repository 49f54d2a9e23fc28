#include "project/recovery.h"

#include "project/save.h"

#include <algorithm>

namespace project {

namespace fs = std::filesystem;

namespace {

// An autosave is the project folder's path on the first line (empty: never saved), then the document.
constexpr const char* prefix = "autosave-";
constexpr const char* ending = ".json";
constexpr const char* lockEnding = ".lock";

fs::path beside(fs::path file, const char* otherEnding) {
    return file.replace_extension(otherEnding);
}

} // namespace

Autosave::Autosave(base::LockedFile lock) : lock_(std::move(lock)), file_(beside(lock_.path(), ending)) {}

Result<Autosave> Autosave::begin(const fs::path& recoveryFolder) {
    auto lock = base::LockedFile::make(recoveryFolder, prefix, lockEnding);
    if (!lock) return tl::unexpected(lock.error());
    return Autosave(std::move(*lock));
}

Result<void> Autosave::write(const Project& p, const fs::path& projectFolder) {
    return base::writeText(file_, projectFolder.native() + "\n" + toJson(p, {}), base::Existing::Replace);
}

void Autosave::remove() {
    std::error_code ignored;
    fs::remove(file_, ignored);
}

void Autosave::end() {
    remove();
    lock_.remove();
}

std::vector<Recovery> findRecoveries(const fs::path& recoveryFolder) {
    struct Candidate {
        Recovery recovery;
        fs::file_time_type written;
    };
    std::vector<Candidate> found;
    base::clearParts(recoveryFolder); // of an autosave that was not finished
    std::error_code error;
    for (fs::directory_iterator at(recoveryFolder, error), end; !error && at != end; at.increment(error)) {
        const fs::path file = at->path();
        if (file.filename().native().rfind(prefix, 0) != 0) continue;
        if (file.extension() == lockEnding) {
            // A process that wrote nothing leaves only its lock.
            if (fs::exists(beside(file, ending), error)) continue;
            if (auto left = base::LockedFile::take(file)) left->remove();
            continue;
        }
        if (file.extension() != ending) continue;
        const fs::path lock = beside(file, lockEnding);
        if (fs::exists(lock, error) && !base::LockedFile::take(lock)) continue; // its process lives
        const auto text = base::readText(file);
        if (!text) continue;
        const auto line = text->find('\n');
        if (line == std::string::npos) continue;
        auto p = fromJson(text->substr(line + 1), {}, file.filename().string());
        if (!p) continue;
        found.push_back({{file, text->substr(0, line), std::move(*p)}, fs::last_write_time(file, error)});
    }
    std::sort(found.begin(), found.end(),
              [](const Candidate& a, const Candidate& b) { return a.written > b.written; });
    std::vector<Recovery> out;
    out.reserve(found.size());
    for (Candidate& f : found)
        out.push_back(std::move(f.recovery));
    return out;
}

void removeRecovery(const fs::path& file) {
    std::error_code ignored;
    fs::remove(file, ignored);
    if (auto left = base::LockedFile::take(beside(file, lockEnding))) left->remove();
}

} // namespace project
