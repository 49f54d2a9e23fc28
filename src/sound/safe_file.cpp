#include "sound/safe_file.h"

#include "sound/read.h"

#include <atomic>
#include <cerrno>
#include <cstring>
#include <fcntl.h>
#include <fmt/format.h>
#include <fstream>
#include <sys/stat.h>
#include <sys/statvfs.h>
#include <unistd.h>

namespace sound {

namespace {

std::filesystem::path partName(const std::filesystem::path& target) {
    static std::atomic<unsigned> counter{0};
    std::string name = fmt::format(".part-{}-{}", getpid(), counter++);
    name += target.extension().native();
    return target.parent_path() / name;
}

Result<void> failure(const std::filesystem::path& path, int error) {
    return metre::problem(fmt::format("{} could not be written: {}.", shownPath(path), writeReason(path, error)));
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
    const auto folder = path.has_parent_path() ? path.parent_path() : std::filesystem::path(".");
    if (statvfs(folder.c_str(), &disk) == 0 && disk.f_bavail * disk.f_frsize < 65536) return "the disk is full";
    return error != 0 ? std::strerror(error) : "the disk refused it";
}

PartFile::PartFile(std::filesystem::path target) : target_(std::move(target)), part_(partName(target_)) {}

PartFile::~PartFile() {
    if (!part_.empty()) unlink(part_.c_str());
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
    const auto folder = target_.has_parent_path() ? target_.parent_path() : std::filesystem::path(".");
    syncPath(folder, O_RDONLY | O_DIRECTORY); // the name itself; some file systems cannot, and then need not
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
        return metre::problem(fmt::format("{} could not be read: {}.", shownPath(path),
                                          errno == ENOENT ? "there is no such file" : std::strerror(errno)));
    if (!S_ISREG(facts.st_mode) || facts.st_size > (64 << 20))
        return metre::problem(fmt::format("{} could not be read: it is not a text file.", shownPath(path)));
    std::ifstream in(path, std::ios::binary);
    std::string text((std::istreambuf_iterator<char>(in)), std::istreambuf_iterator<char>());
    if (!in.is_open() || in.bad())
        return metre::problem(fmt::format("{} could not be read: the disk refused it.", shownPath(path)));
    return text;
}

Result<void> copyFile(const std::filesystem::path& from, const std::filesystem::path& to, Existing existing) {
    PartFile part(to);
    std::error_code error;
    std::filesystem::copy_file(from, part.path(), error);
    if (error) return failure(to, error.value());
    return part.commit(existing);
}

} // namespace sound
