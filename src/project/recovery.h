// What a crash leaves behind: documents that are written while one works, and how they are found again.
#pragma once

#include "base/safe_file.h"
#include "project/project.h"

#include <filesystem>
#include <string>
#include <vector>

namespace project {

// One running application's autosave: a file of its own, and beside it a lock that ends with the process however
// that ends. Used by one thread at a time.
class Autosave {
  public:
    // Chooses a name that no other process has, and locks it. Writes nothing yet. Fails in words.
    static Result<Autosave> begin(const std::filesystem::path& recoveryFolder);
    // Leaves what was written where it is; remove() takes it away.
    ~Autosave() = default;
    Autosave(Autosave&&) = default;
    Autosave& operator=(Autosave&&) = default;

    // Writes the document, whole or not at all; its sources are referred to where they are.
    Result<void> write(const Project& p, const std::filesystem::path& projectFolder);
    // What was written is no longer needed: something newer is safe, or the program ends as it should.
    void remove();
    void end(); // remove(), and the lock with it
    const std::filesystem::path& file() const { return file_; }

  private:
    explicit Autosave(base::LockedFile lock);
    base::LockedFile lock_;
    std::filesystem::path file_;
};

// What a process that ended unexpectedly left behind.
struct Recovery {
    std::filesystem::path file;          // the autosaved document
    std::filesystem::path projectFolder; // where the project lies; empty when it was never saved
    Project project;                     // without audio: loadAudio() reads it
};

// All of them, the newest first; damaged files are passed over and left alone. What was never finished is cleared
// away.
std::vector<Recovery> findRecoveries(const std::filesystem::path& recoveryFolder);

// Removes one that is no longer needed.
void removeRecovery(const std::filesystem::path& file);

} // namespace project
