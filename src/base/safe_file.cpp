#include "base/safe_file.h"

#include "base/disk.h"
#include "base/user_folders.h"
#include "base/utf8.h"

#include <array>
#include <atomic>
#include <cerrno>
#include <cstring>
#include <fcntl.h>
#include <fmt/format.h>
#include <mutex>
#include <random>
#include <set>
#include <sys/file.h>
#include <sys/stat.h>
#include <sys/statvfs.h>
#include <sys/xattr.h>
#include <unistd.h>
#include <utility>
#include <vector>

namespace base {

namespace {

constexpr const char* partPrefix = ".patient-metre-part-";

bool isPart(const std::filesystem::path& file) {
    return file.filename().native().rfind(partPrefix, 0) == 0;
}

// Where living processes say which parts they write: a locked file of each part with its path.
std::filesystem::path notesFolder() {
    return cacheFolder() / "unfinished";
}

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
        const int handle = disk::open(path, O_RDWR | O_CREAT | O_EXCL);
        if (handle < 0) return handle;
        struct stat facts {};
        if (disk::lock(handle, LOCK_EX) != 0) return handle; // a file system without locks
        if (fstat(handle, &facts) == 0 && facts.st_nlink > 0) return handle;
        close(handle);
    }
}

tl::unexpected<Problem> failure(const std::filesystem::path& path, int error) {
    return problem(fmt::format("{} could not be written: {}.", shownPath(path), writeReason(path, error)));
}

// None where that cannot be written: then the part goes with the next writing in its folder.
std::optional<LockedFile> noteOf(const std::filesystem::path& part) {
    std::error_code error;
    const std::string path = std::filesystem::absolute(part, error).native();
    auto note = LockedFile::make(notesFolder(), "part-", "");
    if (error || !note) return std::nullopt;
    disk::Handle out(disk::open(note->path(), O_WRONLY | O_TRUNC));
    if (out.isOpen() && disk::writeAll(out.get(), path.data(), path.size())) return std::move(*note);
    note->remove();
    return std::nullopt;
}

int syncPath(const std::filesystem::path& path, int flags) {
    const int handle = disk::open(path, flags);
    if (handle < 0) return errno;
    const int error = disk::sync(handle) != 0 ? errno : 0;
    close(handle);
    return error;
}

// The names in it; some file systems cannot, and need not.
void syncFolderOf(const std::filesystem::path& file) {
    syncPath(folderOf(file), O_RDONLY | O_DIRECTORY);
}

// The access list (system.posix_acl_access) and what users attach (user.*) of one file to another; what the file
// system does not know or this user may not set is left.
void handOnAttributes(const std::filesystem::path& from, int to) {
    const ssize_t size = listxattr(from.c_str(), nullptr, 0);
    if (size <= 0) return;
    std::vector<char> names(static_cast<std::size_t>(size));
    const ssize_t listed = listxattr(from.c_str(), names.data(), names.size());
    std::vector<char> value(65536); // the most that one may hold
    for (ssize_t at = 0; at < listed;) {
        const std::string name(names.data() + at);
        at += static_cast<ssize_t>(name.size()) + 1;
        if (name.rfind("user.", 0) != 0 && name != "system.posix_acl_access") continue;
        const ssize_t bytes = getxattr(from.c_str(), name.c_str(), value.data(), value.size());
        if (bytes >= 0) fsetxattr(to, name.c_str(), value.data(), static_cast<std::size_t>(bytes), 0);
    }
}

// What a file that is about to be replaced lets others do with it, handed on to what takes its place.
void handOnPermissions(const std::filesystem::path& from, const std::filesystem::path& part) {
    struct stat old {};
    if (stat(from.c_str(), &old) != 0 || !S_ISREG(old.st_mode)) return;
    const disk::Handle to(open(part.c_str(), O_RDONLY | O_CLOEXEC | O_NOFOLLOW));
    if (!to.isOpen()) return;
    // A group that cannot be kept must not give another group what was meant for it.
    const bool kept = fchown(to.get(), static_cast<uid_t>(-1), old.st_gid) == 0;
    fchmod(to.get(), old.st_mode & (kept ? 07777 : 07707));
    handOnAttributes(from, to.get());
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

std::string otherNamesNote(const std::filesystem::path& path) {
    struct stat facts {};
    if (stat(path.c_str(), &facts) != 0 || !S_ISREG(facts.st_mode) || facts.st_nlink < 2) return {};
    return fmt::format("{} has {} in other places (hard links): {} what it was before.", shownPath(path),
                       facts.st_nlink == 2 ? "another name" : fmt::format("{} other names", facts.st_nlink - 1),
                       facts.st_nlink == 2 ? "that one keeps" : "those keep");
}

int namelessFile() {
    const std::filesystem::path folder = cacheFolder() / "scratch";
    std::error_code error;
    std::filesystem::create_directories(folder, error);
    if (error) {
        errno = error.value();
        return -1;
    }
    const int handle = disk::open(folder, O_TMPFILE | O_RDWR, 0600);
    if (handle >= 0 || (errno != EOPNOTSUPP && errno != EISDIR && errno != EINVAL)) return handle;
    // A file system that knows only files with names.
    std::filesystem::path named = folder / uniqueWord();
    const int other = disk::open(named, O_RDWR | O_CREAT | O_EXCL, 0600);
    if (other >= 0) unlink(named.c_str());
    return other;
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

std::optional<FileIdentity> identityOf(const std::filesystem::path& path) {
    struct stat facts {};
    if (stat(path.c_str(), &facts) != 0) return std::nullopt;
    return FileIdentity{facts.st_dev, facts.st_ino};
}

bool isSameFile(const std::filesystem::path& a, const std::filesystem::path& b) {
    const auto first = identityOf(a);
    return first && first == identityOf(b);
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
    const int handle = disk::open(file, O_RDWR | O_NOFOLLOW);
    if (handle < 0) return std::nullopt;
    if (disk::lock(handle, LOCK_EX | LOCK_NB) != 0) {
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

void clearUnfinished() {
    std::error_code error;
    for (std::filesystem::directory_iterator at(notesFolder(), error), end; !error && at != end;
         at.increment(error)) {
        auto note = LockedFile::take(at->path());
        if (!note) continue; // its process lives
        const auto part = readText(note->path());
        if (part && isPart(*part))
            if (auto left = LockedFile::take(*part)) left->remove();
        note->remove();
    }
}

void clearParts(const std::filesystem::path& folder) {
    static std::mutex mutex;
    static std::set<std::filesystem::path> cleared;
    {
        const std::lock_guard lock(mutex);
        std::error_code ignored;
        if (!cleared.insert(std::filesystem::absolute(folder, ignored)).second) return;
    }
    std::error_code error;
    for (std::filesystem::directory_iterator at(folder, error), end; !error && at != end; at.increment(error)) {
        if (!isPart(at->path())) continue;
        if (auto left = LockedFile::take(at->path())) left->remove();
    }
}

PartFile::PartFile(const std::filesystem::path& target) : target_(throughLinks(target)) {
    static std::once_flag first;
    std::call_once(first, clearUnfinished);
    clearParts(folderOf(target_));
    part_ = folderOf(target_) / (partPrefix + uniqueWord() + target_.extension().native());
    note_ = noteOf(part_);
    lock_ = createLocked(part_);
}

PartFile::~PartFile() {
    if (!part_.empty()) unlink(part_.c_str());
    if (lock_ >= 0) close(lock_);
    if (note_) note_->remove();
}

Result<void> PartFile::commit(Existing existing, Sync sync) {
    if (sync == Sync::Now)
        if (const int error = syncPath(part_, O_RDONLY); error != 0) return failure(target_, error);
    if (existing == Existing::Replace) handOnPermissions(target_, part_); // it may then be no longer ours to open
    const int renamed =
        existing == Existing::Refuse ? disk::renameNew(part_, target_) : disk::rename(part_, target_);
    if (renamed != 0) return failure(target_, errno);
    part_.clear();
    if (sync == Sync::Now) syncFolderOf(target_);
    return {};
}

Result<void> writeText(const std::filesystem::path& path, std::string_view text, Existing existing, Sync sync) {
    PartFile part(path);
    disk::Handle out(disk::open(part.path(), O_WRONLY | O_CREAT | O_TRUNC));
    if (!out.isOpen() || !disk::writeAll(out.get(), text.data(), text.size())) return failure(path, errno);
    if (const int error = out.close(); error != 0) return failure(path, error);
    return part.commit(existing, sync);
}

Result<void> syncFile(const std::filesystem::path& path) {
    const int error = syncPath(path, O_RDONLY);
    if (error == ENOENT) return {};
    if (error != 0) return failure(path, error);
    syncFolderOf(path);
    return {};
}

Result<std::string> readText(const std::filesystem::path& path) {
    const auto fail = [&](const std::string& reason) {
        return problem(fmt::format("{} could not be read: {}.", shownPath(path), reason));
    };
    struct stat facts {};
    if (stat(path.c_str(), &facts) != 0)
        return fail(errno == ENOENT ? std::string("there is no such file") : std::strerror(errno));
    if (!S_ISREG(facts.st_mode)) return fail("it is not a regular file");
    if (facts.st_size > mostText)
        return fail(
            fmt::format("it has {} MB, and no more than {} MB are read", facts.st_size >> 20, mostText >> 20));
    const disk::Handle in(disk::open(path, O_RDONLY));
    if (!in.isOpen())
        return fail(errno == EACCES ? std::string("you may not read this file") : std::strerror(errno));
    std::string text;
    std::array<char, 65536> block{};
    while (text.size() <= static_cast<std::size_t>(mostText)) {
        const ssize_t got = disk::read(in.get(), block.data(), block.size());
        if (got < 0) return fail(std::strerror(errno));
        if (got == 0) break;
        text.append(block.data(), static_cast<std::size_t>(got));
    }
    return text;
}

Result<void> copyBytes(const std::filesystem::path& from, const std::filesystem::path& to,
                       const std::filesystem::path& shownAs) {
    const auto unread = [&] {
        return problem(fmt::format("{} could not be read: {}.", shownPath(from),
                                   errno == EACCES ? "you may not read this file" : std::strerror(errno)));
    };
    const disk::Handle in(disk::open(from, O_RDONLY));
    if (!in.isOpen()) return unread();
    disk::Handle out(disk::open(to, O_WRONLY | O_CREAT | O_TRUNC));
    if (!out.isOpen()) return failure(shownAs, errno);
    std::vector<char> block(std::size_t(1) << 20);
    while (true) {
        const ssize_t got = disk::read(in.get(), block.data(), block.size());
        if (got < 0) return unread();
        if (got == 0) break;
        if (!disk::writeAll(out.get(), block.data(), static_cast<std::size_t>(got))) return failure(shownAs, errno);
    }
    if (const int error = out.close(); error != 0) return failure(shownAs, error);
    return {};
}

Result<void> copyFile(const std::filesystem::path& from, const std::filesystem::path& to, Existing existing) {
    PartFile part(to);
    if (auto copied = copyBytes(from, part.path(), to); !copied) return copied;
    return part.commit(existing);
}

} // namespace base
