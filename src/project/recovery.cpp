#include "project/recovery.h"

#include "project/save.h"

#include <algorithm>
#include <charconv>
#include <map>
#include <optional>
#include <utility>

namespace project {

namespace fs = std::filesystem;

namespace {

// An autosave is the project folder's path on the first line (empty: never saved), then the document. It is called
// autosave-NAME.NUMBER.json, the higher the newer (without a number in earlier versions), its lock
// autosave-NAME.lock.
constexpr const char* prefix = "autosave-";
constexpr const char* ending = ".json";
constexpr const char* lockEnding = ".lock";

// What a file's name says; none where it is not an autosave's.
struct Named {
    fs::path lock; // of the process that wrote it
    std::int64_t number = 0;
};
std::optional<Named> namedBy(const fs::path& file) {
    if (file.filename().native().rfind(prefix, 0) != 0 || file.extension() != ending) return std::nullopt;
    const fs::path stem = file.stem();
    const std::string digits = stem.extension().native(); // with the point before them
    std::int64_t number = 0;
    const char* end = digits.data() + digits.size();
    const bool numbered = digits.size() > 1 && std::from_chars(digits.data() + 1, end, number).ptr == end;
    fs::path lock = file.parent_path() / (numbered ? stem.stem() : stem);
    lock += lockEnding;
    return Named{std::move(lock), numbered ? number : 0};
}

struct Candidate {
    Recovery recovery;
    fs::file_time_type written;
};

std::optional<Candidate> read(const fs::path& file) {
    const auto text = base::readText(file);
    if (!text) return std::nullopt;
    const auto line = text->find('\n');
    if (line == std::string::npos) return std::nullopt;
    auto p = fromJson(text->substr(line + 1), {}, file.filename().string());
    if (!p) return std::nullopt;
    std::error_code ignored;
    return Candidate{{file, text->substr(0, line), std::move(*p)}, fs::last_write_time(file, ignored)};
}

// The files in a folder; none where it cannot be read.
std::vector<fs::path> filesIn(const fs::path& folder) {
    std::vector<fs::path> files;
    std::error_code error;
    for (fs::directory_iterator at(folder, error), end; !error && at != end; at.increment(error))
        files.push_back(at->path());
    return files;
}

} // namespace

Result<std::unique_ptr<Autosave>> Autosave::begin(const fs::path& recoveryFolder) {
    auto lock = base::LockedFile::make(recoveryFolder, prefix, lockEnding);
    if (!lock) return tl::unexpected(lock.error());
    return std::unique_ptr<Autosave>(new Autosave(std::move(*lock)));
}

fs::path Autosave::fileOf(std::int64_t number) const {
    fs::path file = lock_.path();
    return file.replace_extension("." + std::to_string(number) + ending);
}

fs::path Autosave::file() const {
    const std::lock_guard lock(mutex_);
    return newest_ > 0 ? fileOf(newest_) : fs::path();
}

Result<void> Autosave::write(const Project& p, const fs::path& projectFolder) {
    const std::int64_t number = newest_ + 1; // no other thread writes it
    if (auto done = base::writeText(fileOf(number), projectFolder.native() + "\n" + toJson(p, {}),
                                    base::Existing::Replace, base::Sync::Later);
        !done)
        return done;
    const std::lock_guard lock(mutex_);
    const std::int64_t before = std::exchange(newest_, number);
    std::error_code ignored;
    if (before != synced_ && before != syncing_) fs::remove(fileOf(before), ignored);
    return {};
}

Result<void> Autosave::sync() {
    std::int64_t number = 0;
    {
        const std::lock_guard lock(mutex_);
        if (newest_ == synced_) return {};
        number = syncing_ = newest_;
    }
    auto done = base::syncFile(fileOf(number));
    const std::lock_guard lock(mutex_);
    syncing_ = 0;
    std::error_code ignored;
    if (done)
        fs::remove(fileOf(std::exchange(synced_, number)), ignored);
    else if (number != newest_)
        fs::remove(fileOf(number), ignored); // something newer is there, which is to be brought to disk in its turn
    return done;
}

void Autosave::remove() {
    const std::lock_guard lock(mutex_);
    std::error_code ignored;
    for (const std::int64_t number : {newest_, syncing_, synced_})
        fs::remove(fileOf(number), ignored);
}

void Autosave::end() {
    remove();
    lock_.remove();
}

std::vector<Recovery> findRecoveries(const fs::path& recoveryFolder) {
    base::clearParts(recoveryFolder); // of an autosave that was not finished
    std::map<fs::path, std::map<std::int64_t, fs::path, std::greater<>>> left; // by process, the newest first
    std::vector<fs::path> locks;
    for (const fs::path& file : filesIn(recoveryFolder)) {
        if (const auto named = namedBy(file)) left[named->lock][named->number] = file;
        if (file.filename().native().rfind(prefix, 0) == 0 && file.extension() == lockEnding) locks.push_back(file);
    }
    // A process that wrote nothing leaves only its lock.
    for (const fs::path& lock : locks)
        if (left.count(lock) == 0)
            if (auto alone = base::LockedFile::take(lock)) alone->remove();
    std::vector<Candidate> found;
    for (const auto& [lock, files] : left) {
        std::error_code error;
        if (fs::exists(lock, error) && !base::LockedFile::take(lock)) continue; // its process lives
        for (const auto& [number, file] : files)
            if (auto candidate = read(file)) {
                found.push_back(std::move(*candidate));
                break;
            }
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
    const auto named = namedBy(file);
    if (!named) return;
    std::error_code ignored;
    fs::remove(file, ignored);
    for (const fs::path& other : filesIn(file.parent_path()))
        if (const auto its = namedBy(other); its && its->lock == named->lock) fs::remove(other, ignored);
    if (auto left = base::LockedFile::take(named->lock)) left->remove();
}

} // namespace project
