#include "harsh/refusals.h"

#include <atomic>
#include <cerrno>
#include <cstdlib>
#include <fcntl.h>
#include <filesystem>
#include <gtest/gtest.h>
#include <new>
#include <sqlite3.h>
#include <unistd.h>

namespace harsh {

namespace {

using base::disk::Step;

std::atomic<long> failsAt{0}; // 0: nothing does
std::atomic<long> steps{0};
std::atomic<int> failed{-1}; // the step that did

int errorOf(Step step) {
    switch (step) {
    case Step::Open:
        return EMFILE;
    case Step::Read:
    case Step::Sync:
        return EIO;
    case Step::Write:
        return ENOSPC;
    case Step::Rename:
        return EACCES;
    case Step::Lock:
        return ENOLCK;
    case Step::Memory:
        break;
    }
    return ENOMEM;
}

int refuseTheNth(Step step) {
    const long n = failsAt.load();
    if (n == 0 || ++steps != n) return 0;
    failed.store(static_cast<int>(step));
    return errorOf(step);
}

std::ptrdiff_t openFiles() {
    std::error_code error;
    return std::distance(std::filesystem::directory_iterator("/proc/self/fd", error),
                         std::filesystem::directory_iterator());
}

} // namespace

Refusal::Refusal(long n) {
    steps.store(0);
    failed.store(-1);
    failsAt.store(n);
    base::disk::setGate(refuseTheNth);
}
Refusal::~Refusal() {
    failsAt.store(0);
    base::disk::setGate(nullptr);
}
bool Refusal::happened() {
    return failed.load() >= 0;
}
std::string Refusal::what() {
    static constexpr const char* names[] = {"open", "read", "write", "sync", "rename", "lock", "memory"};
    return happened() ? names[failed.load()] : "nothing";
}

long untilNothingFails(const std::function<void()>& before, const std::function<Outcome()>& work,
                       const std::function<void(const Outcome&)>& after) {
    // Once through, so that what is made once a process is there.
    before();
    Outcome first = work();
    EXPECT_TRUE(first.done) << first.sentence;
    after(first);
    constexpr long most = 20'000;
    for (long n = 1; n < most; ++n) {
        SCOPED_TRACE("step " + std::to_string(n));
        before();
        const auto open = openFiles();
        Outcome outcome;
        bool happened = false;
        std::string what;
        {
            const Refusal refusal(n);
            try {
                outcome = work();
            } catch (const std::bad_alloc&) {
                // Whoever calls such work says so: command line, jobs and desks catch it.
                outcome = {false, "There is not enough memory for it."};
            }
            happened = Refusal::happened();
            what = Refusal::what();
        }
        SCOPED_TRACE(what + " failed");
        EXPECT_TRUE(outcome.done || !outcome.sentence.empty()) << "a failure has a sentence";
        EXPECT_LE(openFiles(), open);
        after(outcome);
        if (!happened) {
            EXPECT_TRUE(outcome.done) << outcome.sentence;
            return n - 1;
        }
        if (::testing::Test::HasFailure()) return n;
    }
    ADD_FAILURE() << "it never comes to an end";
    return most;
}

namespace {

// Each of SQLite's calls that can fail, behind the gate.
int gatedOpen(const char* path, int flags, int mode) {
    return base::disk::open(path, flags, static_cast<mode_t>(mode));
}
ssize_t gatedPread(int handle, void* to, std::size_t bytes, off_t at) {
    return base::disk::pread(handle, to, bytes, at);
}
ssize_t gatedPwrite(int handle, const void* from, std::size_t bytes, off_t at) {
    return base::disk::pwrite(handle, from, bytes, at);
}
int gatedTruncate(int handle, off_t size) {
    if (const int error = base::disk::refused(Step::Write); error != 0) {
        errno = error;
        return -1;
    }
    return ftruncate(handle, size);
}

} // namespace

void gateSqlite() {
    sqlite3_vfs* vfs = sqlite3_vfs_find(nullptr);
    const auto set = [&](const char* name, auto* call) {
        ASSERT_EQ(vfs->xSetSystemCall(vfs, name, reinterpret_cast<sqlite3_syscall_ptr>(call)), SQLITE_OK) << name;
    };
    set("open", gatedOpen);
    set("pread", gatedPread);
    set("pread64", gatedPread);
    set("pwrite", gatedPwrite);
    set("pwrite64", gatedPwrite);
    set("ftruncate", gatedTruncate);
}

} // namespace harsh

// Memory from 64 kB on asks at the gate first. Under the sanitizers the allocator is theirs.
#ifndef PM_SANITIZED

namespace {
void* allocated(std::size_t bytes) {
    constexpr std::size_t large = 65536;
    if (bytes > large && base::disk::refused(base::disk::Step::Memory) != 0) throw std::bad_alloc();
    void* memory = std::malloc(bytes == 0 ? 1 : bytes);
    if (memory == nullptr) throw std::bad_alloc();
    return memory;
}
} // namespace

void* operator new(std::size_t bytes) {
    return allocated(bytes);
}
void* operator new[](std::size_t bytes) {
    return allocated(bytes);
}
void operator delete(void* memory) noexcept {
    std::free(memory);
}
void operator delete[](void* memory) noexcept {
    std::free(memory);
}
void operator delete(void* memory, std::size_t) noexcept {
    std::free(memory);
}
void operator delete[](void* memory, std::size_t) noexcept {
    std::free(memory);
}

#endif
