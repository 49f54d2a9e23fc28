#include "base/safe_file.h"

#include "base/utf8.h"

#include <atomic>
#include <cerrno>
#include <cstring>
#include <fcntl.h>
#include <fmt/format.h>
#include <fstream>
#include <mutex>
#include <random>
#include <set>
#include <sys/file.h>
#include <sys/stat.h>
#include <sys/statvfs.h>
#include <unistd.h>
#include <utility>

namespace base {

namespace {

constexpr const char* partPrefix = ".patient-metre-part-";

// Unique among processes and within one.
std::string uniqueWord() {
    static std::atomic<unsigned> counter{0};
    static const std::uint64_t start =
        std::random_device{}() * std::uint64_t(0x100000001) + std::uint64_t(getpid());
    return fmt::format("{:x}-{}", start & 0xFFFFFFFFFFFF, counter++);
}

std::filesystem::path folderOf(const std::filesystem::path& path) {
    return path.has_parent_path() ? path.parent_path() : std::filesystem::path(".");
}

// Creates a file under a lock, or says why not (errno). Somebody who clears away what a dead process left may take
// a new file for such a one before it is locked; then it has no name any more, and is made again.
int createLocked(const std::filesystem::path& path) {
    while (true) {
        const int handle = open(path.c_str(), O_RDWR | O_CREAT | O_EXCL | O_CLOEXEC, 0666);
        if (handle < 0) return handle;
        struct stat facts {};
        if (flock(handle, LOCK_EX) != 0) return handle; // a file system without locks
        if (fstat(handle, &facts) == 0 && facts.st_nlink > 0) return handle;
        close(handle);
    }
}

void clearAway(const std::filesystem::path& folder) {
    static std::mutex mutex;
    static std::set<std::filesystem::path> cleared;
    {
        const std::lock_guard lock(mutex);
        std::error_code ignored;
        if (!cleared.insert(std::filesystem::absolute(folder, ignored)).second) return;
    }
    std::error_code error;
    for (std::filesystem::directory_iterator at(folder, error), end; !error && at != end; at.increment(error)) {
        if (at->path().filename().native().rfind(partPrefix, 0) != 0) continue;
        if (auto left = LockedFile::take(at->path())) left->remove();
    }
}

tl::unexpected<Problem> failure(const std::filesystem::path& path, int error) {
    return problem(fmt::format("{} could not be written: {}.", shownPath(path), writeReason(path, error)));
}

int syncPath(const std::filesystem::path& path, int flags) {
    const int handle = open(path.c_str(), flags | O_CLOEXEC);
    if (handle < 0) return errno;
    const int error = fsync(handle) != 0 ? errno : 0;
    close(handle);
    return error;
}

} // namespace

std::string writeReason(const std::filesystem::path& path, int error) {
    if (error == ENOSPC || error == EDQUOT) return "the disk is full";
    if (error == EACCES || error == EPERM || error == EROFS) return "you may not write there";
    if (error == ENOENT || error == ENOTDIR) return "the folder is not there";
    if (error == EEXIST) return "a file of that name is there already";
    if (error == ENAMETOOLONG) return "the name is too long";
    // Libraries between us and the disk may swallow the reason; a disk without room is the likely one.
    struct statvfs disk {};
    if (statvfs(folderOf(path).c_str(), &disk) == 0 && disk.f_bavail * disk.f_frsize < 65536)
        return "the disk is full";
    return error != 0 ? std::strerror(error) : "the disk refused it";
}

std::filesystem::path throughLinks(const std::filesystem::path& path) {
    std::filesystem::path at = path;
    std::error_code error;
    for (int hops = 0; hops < 40 && std::filesystem::is_symlink(at, error); ++hops) {
        const auto to = std::filesystem::read_symlink(at, error);
        if (error) break;
        at = to.is_absolute() ? to : at.parent_path() / to;
    }
    return at;
}

bool isSameFile(const std::filesystem::path& a, const std::filesystem::path& b) {
    struct stat first {};
    struct stat second {};
    return stat(a.c_str(), &first) == 0 && stat(b.c_str(), &second) == 0 && first.st_dev == second.st_dev &&
           first.st_ino == second.st_ino;
}

Result<LockedFile> LockedFile::make(const std::filesystem::path& folder, const std::string& prefix,
                                    const std::string& ending) {
    std::error_code error;
    std::filesystem::create_directories(folder, error);
    const std::filesystem::path path = folder / (prefix + uniqueWord() + ending);
    if (error) return failure(path, error.value());
    const int handle = createLocked(path);
    if (handle < 0) return failure(path, errno);
    return LockedFile(path, handle);
}

std::optional<LockedFile> LockedFile::take(const std::filesystem::path& file) {
    const int handle = open(file.c_str(), O_RDWR | O_CLOEXEC | O_NOFOLLOW);
    if (handle < 0) return std::nullopt;
    if (flock(handle, LOCK_EX | LOCK_NB) != 0) {
        close(handle);
        return std::nullopt;
    }
    return LockedFile(file, handle);
}

LockedFile::~LockedFile() {
    if (handle_ >= 0) close(handle_);
}
LockedFile::LockedFile(LockedFile&& o) noexcept
    : path_(std::move(o.path_)), handle_(std::exchange(o.handle_, -1)) {}
LockedFile& LockedFile::operator=(LockedFile&& o) noexcept {
    std::swap(path_, o.path_);
    std::swap(handle_, o.handle_);
    return *this;
}

void LockedFile::remove() {
    if (handle_ < 0) return;
    unlink(path_.c_str());
    close(std::exchange(handle_, -1));
}

PartFile::PartFile(const std::filesystem::path& target) : target_(throughLinks(target)) {
    clearAway(folderOf(target_));
    part_ = folderOf(target_) / (partPrefix + uniqueWord() + target_.extension().native());
    lock_ = createLocked(part_);
}

PartFile::~PartFile() {
    if (!part_.empty()) unlink(part_.c_str());
    if (lock_ >= 0) close(lock_);
}

Result<void> PartFile::commit(Existing existing) {
    if (const int error = syncPath(part_, O_RDONLY); error != 0) return failure(target_, error);
    const unsigned flags = existing == Existing::Refuse ? RENAME_NOREPLACE : 0;
    if (renameat2(AT_FDCWD, part_.c_str(), AT_FDCWD, target_.c_str(), flags) != 0) {
        // A few network file systems know no flags: link() refuses an existing name just as well.
        if (errno != EINVAL || flags == 0 || link(part_.c_str(), target_.c_str()) != 0)
            return failure(target_, errno);
        unlink(part_.c_str());
    }
    part_.clear();
    syncPath(folderOf(target_), O_RDONLY | O_DIRECTORY); // the name itself; some file systems cannot, and need not
    return {};
}

Result<void> writeText(const std::filesystem::path& path, std::string_view text, Existing existing) {
    PartFile part(path);
    const int handle = open(part.path().c_str(), O_WRONLY | O_CREAT | O_TRUNC | O_CLOEXEC, 0644);
    if (handle < 0) return failure(path, errno);
    while (!text.empty()) {
        const ssize_t n = ::write(handle, text.data(), text.size());
        if (n < 0 && errno == EINTR) continue;
        if (n < 0) {
            const int error = errno;
            close(handle);
            return failure(path, error);
        }
        text.remove_prefix(static_cast<std::size_t>(n));
    }
    if (close(handle) != 0) return failure(path, errno);
    return part.commit(existing);
}

Result<std::string> readText(const std::filesystem::path& path) {
    struct stat facts {};
    if (stat(path.c_str(), &facts) != 0)
        return problem(fmt::format("{} could not be read: {}.", shownPath(path),
                                   errno == ENOENT ? "there is no such file" : std::strerror(errno)));
    if (!S_ISREG(facts.st_mode) || facts.st_size > (64 << 20))
        return problem(fmt::format("{} could not be read: it is not a text file.", shownPath(path)));
    std::ifstream in(path, std::ios::binary);
    std::string text((std::istreambuf_iterator<char>(in)), std::istreambuf_iterator<char>());
    if (!in.is_open() || in.bad())
        return problem(fmt::format("{} could not be read: the disk refused it.", shownPath(path)));
    return text;
}

Result<void> copyFile(const std::filesystem::path& from, const std::filesystem::path& to, Existing existing) {
    PartFile part(to);
    std::error_code error;
    std::filesystem::copy_file(from, part.path(), std::filesystem::copy_options::overwrite_existing, error);
    if (error) return failure(to, error.value());
    return part.commit(existing);
}

} // namespace base
