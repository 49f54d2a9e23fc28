#include "base/disk.h"

#include <atomic>
#include <cerrno>
#include <cstdio>
#include <fcntl.h>
#include <sys/file.h>
#include <unistd.h>
#include <utility>

namespace base::disk {

namespace {

std::atomic<Gate> theGate{nullptr};

// Takes a step that may be interrupted, unless the gate refuses it.
template <class Call>
auto taken(Step step, const Call& call) -> decltype(call()) {
    if (const int error = refused(step); error != 0) {
        errno = error;
        return -1;
    }
    while (true) {
        const auto result = call();
        if (result >= 0 || errno != EINTR) return result;
    }
}

} // namespace

int Handle::close() {
    if (handle_ < 0) return 0;
    return ::close(std::exchange(handle_, -1)) != 0 ? errno : 0;
}

void setGate(Gate gate) {
    theGate.store(gate);
}

int refused(Step step) {
    const Gate gate = theGate.load(std::memory_order_relaxed);
    return gate == nullptr ? 0 : gate(step);
}

int open(const std::filesystem::path& path, int flags, mode_t mode) {
    return taken(Step::Open, [&] { return ::open(path.c_str(), flags | O_CLOEXEC, mode); });
}
ssize_t read(int handle, void* to, std::size_t bytes) {
    return taken(Step::Read, [&] { return ::read(handle, to, bytes); });
}
ssize_t pread(int handle, void* to, std::size_t bytes, std::int64_t at) {
    return taken(Step::Read, [&] { return ::pread(handle, to, bytes, at); });
}
ssize_t write(int handle, const void* from, std::size_t bytes) {
    return taken(Step::Write, [&] { return ::write(handle, from, bytes); });
}
ssize_t pwrite(int handle, const void* from, std::size_t bytes, std::int64_t at) {
    return taken(Step::Write, [&] { return ::pwrite(handle, from, bytes, at); });
}
int sync(int handle) {
    return taken(Step::Sync, [&] { return ::fsync(handle); });
}
int rename(const std::filesystem::path& from, const std::filesystem::path& to) {
    return taken(Step::Rename, [&] { return ::rename(from.c_str(), to.c_str()); });
}
int renameNew(const std::filesystem::path& from, const std::filesystem::path& to) {
    return taken(Step::Rename, [&] {
        if (renameat2(AT_FDCWD, from.c_str(), AT_FDCWD, to.c_str(), RENAME_NOREPLACE) == 0) return 0;
        // A few network file systems know no flags: link() refuses an existing name just as well.
        if (errno != EINVAL || link(from.c_str(), to.c_str()) != 0) return -1;
        unlink(from.c_str());
        return 0;
    });
}
int lock(int handle, int how) {
    return taken(Step::Lock, [&] { return flock(handle, how); });
}

bool writeAll(int handle, const void* from, std::size_t bytes) {
    const auto* at = static_cast<const char*>(from);
    while (bytes > 0) {
        const ssize_t done = write(handle, at, bytes);
        if (done == 0) errno = ENOSPC;
        if (done <= 0) return false;
        at += done;
        bytes -= static_cast<std::size_t>(done);
    }
    return true;
}

bool writeAllAt(int handle, const void* from, std::size_t bytes, std::int64_t at) {
    const auto* next = static_cast<const char*>(from);
    while (bytes > 0) {
        const ssize_t done = pwrite(handle, next, bytes, at);
        if (done == 0) errno = ENOSPC;
        if (done <= 0) return false;
        next += done;
        at += done;
        bytes -= static_cast<std::size_t>(done);
    }
    return true;
}

bool readAllAt(int handle, void* to, std::size_t bytes, std::int64_t at) {
    auto* next = static_cast<char*>(to);
    while (bytes > 0) {
        const ssize_t done = pread(handle, next, bytes, at);
        if (done == 0) errno = 0;
        if (done <= 0) return false;
        next += done;
        at += done;
        bytes -= static_cast<std::size_t>(done);
    }
    return true;
}

} // namespace base::disk
