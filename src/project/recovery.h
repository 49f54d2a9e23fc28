// What a crash leaves behind: documents that are written while one works, and how they are found again.
#pragma once

#include "base/safe_file.h"
#include "project/project.h"

#include <cstdint>
#include <filesystem>
#include <memory>
#include <mutex>
#include <string>
#include <vector>

namespace project {

// One running application's autosave: files of its own, and beside them a lock that ends with the process however
// that ends. Each writing makes a new file, which a killed process leaves behind whole from then on; what the disk
// has for certain stays beside it until sync() has brought the newer one there.
class Autosave {
  public:
    // Chooses a name that no other process has, and locks it. Writes nothing yet. Fails in words.
    static Result<std::unique_ptr<Autosave>> begin(const std::filesystem::path& recoveryFolder);
    // Leaves what was written where it is; remove() takes it away.
    ~Autosave() = default;
    Autosave(const Autosave&) = delete;
    Autosave& operator=(const Autosave&) = delete;

    // Writes the document, whole or not at all; its sources are referred to where they are. Does not wait for the
    // disk. This, remove() and end() are one thread's.
    Result<void> write(const Project& p, const std::filesystem::path& projectFolder);
    // What was written is no longer needed: something newer is safe, or the program ends as it should.
    void remove();
    void end(); // remove(), and the lock with it

    // Brings what was written last to disk, against a power cut; takes as long as the disk does. Nothing to do is
    // no failure. One other thread's, also while something newer is written.
    Result<void> sync();

    // The document that was written last; empty where nothing was.
    std::filesystem::path file() const;

  private:
    explicit Autosave(base::LockedFile lock) : lock_(std::move(lock)) {}
    std::filesystem::path fileOf(std::int64_t number) const;

    base::LockedFile lock_;
    mutable std::mutex mutex_; // guards the numbers of files, which only grow; 0 is none
    std::int64_t newest_ = 0;
    std::int64_t syncing_ = 0;
    std::int64_t synced_ = 0;
};

// What a process that ended unexpectedly left behind.
struct Recovery {
    std::filesystem::path file;          // the autosaved document
    std::filesystem::path projectFolder; // where the project lies; empty when it was never saved
    Project project;                     // without audio: loadAudio() reads it
};

// One of each process, the newest that is whole; the newest process first. Damaged files are passed over and left
// alone. What was never finished is cleared away.
std::vector<Recovery> findRecoveries(const std::filesystem::path& recoveryFolder);

// Removes one that is no longer needed, and what else its process left.
void removeRecovery(const std::filesystem::path& file);

} // namespace project
