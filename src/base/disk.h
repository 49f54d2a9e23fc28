// The one way from this code to the disk, so that a test can make any step of it fail.
#pragma once

#include <cstddef>
#include <cstdint>
#include <filesystem>
#include <sys/types.h>

namespace base::disk {

// What a step does. Memory: a large piece of memory is asked for (tests/harsh asks in its own operator new).
enum class Step { Open, Read, Write, Sync, Rename, Lock, Memory };

// Stands before every step: 0 lets it happen; anything else is the errno with which it fails instead. Called on the
// thread that takes the step, from several at a time. None as a rule. Only for tests, set while nothing works.
using Gate = int (*)(Step);
void setGate(Gate gate);
// The errno with which the gate wants a step to fail; 0 as a rule.
int refused(Step step);

// An open file, closed with this whatever happens in between.
class Handle {
  public:
    explicit Handle(int handle) : handle_(handle) {}
    ~Handle() { close(); }
    Handle(const Handle&) = delete;
    Handle& operator=(const Handle&) = delete;
    bool isOpen() const { return handle_ >= 0; }
    int get() const { return handle_; }
    // Closes it now; the errno where the disk refuses what was still to be written, else 0.
    int close();

  private:
    int handle_;
};

// Each does what the system's call of the same name does, and fails as it fails: −1 and errno. What a signal
// interrupts is tried again. Files that are opened are not passed on to other programs. Any thread.
int open(const std::filesystem::path& path, int flags, mode_t mode = 0666);
ssize_t read(int handle, void* to, std::size_t bytes);
ssize_t pread(int handle, void* to, std::size_t bytes, std::int64_t at);
ssize_t write(int handle, const void* from, std::size_t bytes);
ssize_t pwrite(int handle, const void* from, std::size_t bytes, std::int64_t at);
int sync(int handle);
int rename(const std::filesystem::path& from, const std::filesystem::path& to);
// Fails with EEXIST where something stands under the new name.
int renameNew(const std::filesystem::path& from, const std::filesystem::path& to);
int lock(int handle, int how); // flock()

// All of it, however many calls that takes; false where one fails (errno) or, while reading, the file ends (errno
// 0).
bool writeAll(int handle, const void* from, std::size_t bytes);
bool writeAllAt(int handle, const void* from, std::size_t bytes, std::int64_t at);
bool readAllAt(int handle, void* to, std::size_t bytes, std::int64_t at);

} // namespace base::disk
