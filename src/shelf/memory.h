// Tempos that the user has settled, remembered by what the audio holds: the same file is never asked about twice,
// whatever it is called and however it is tagged.
#pragma once

#include "base/result.h"
#include "project/project.h"

#include <filesystem>
#include <memory>
#include <mutex>
#include <optional>
#include <string>

namespace shelf {

using base::Result;

struct Database;

// What was settled for one source.
struct Settled {
    hear::Witness by = hear::Witness::Typed;
    std::vector<metre::Pin> pins;
    std::optional<metre::Beats> loopBeats;
    bool operator==(const Settled&) const = default;
};

// A small SQLite database. Any thread; calls wait for each other, and up to two seconds for another program that
// has the database, so that the interface leaves them to a worker.
class Memory {
  public:
    // Opens it, or makes it with the folders it lies in, and brings what an older version wrote up to date. Fails,
    // naming the file, when it is damaged, newer than this version, or may not be written.
    static Result<std::unique_ptr<Memory>> open(const std::filesystem::path& file);
    ~Memory();

    std::optional<Settled> recall(const std::string& content) const;
    // Replaces what was remembered for the same content.
    Result<void> remember(const std::string& content, const Settled& settled);
    Result<void> forget(const std::string& content);
    Result<void> forgetAll();
    std::size_t size() const;

  private:
    explicit Memory(std::unique_ptr<Database> database);
    std::unique_ptr<Database> database_;
    mutable std::mutex mutex_;
};

// What there is to remember of a source: nothing where it has no beats.
std::optional<Settled> settledOf(const project::Source& source);
// Uses what was remembered; it stands among the readings as what the user said.
void recallInto(project::Source& source, const Settled& settled);

// The same with what a memory has of its content, where there is a memory and it has something.
void recallInto(project::Source& source, const Memory* memory);

// Where the user's memory lies: in base::dataFolder().
std::filesystem::path memoryFile();

} // namespace shelf
