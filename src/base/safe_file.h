// A file that appears whole or not at all.
#pragma once

#include "base/result.h"

#include <cstdint>
#include <filesystem>
#include <optional>
#include <string>
#include <string_view>

namespace base {

enum class Existing { Refuse, Replace };
// Whether a file is brought to disk before it has its name, so that no power cut can leave half of it there, or is
// written without waiting: then the end of this process harms it no more, and syncFile() does the rest.
enum class Sync { Now, Later };

// Removes the parts of files that killed processes left behind in a folder (see PartFile), once in the life of a
// process. Those of living ones stay. Any thread.
void clearParts(const std::filesystem::path& folder);

// Removes all parts that killed processes of this user left behind, wherever they lie: each living one says in
// cacheFolder()/unfinished where its parts are. Any thread.
void clearUnfinished();

// A file that one living process has to itself: created under a name of its own, and locked until the process ends,
// however it ends.
class LockedFile {
  public:
    // Makes a file whose name is the prefix, something unique, and the ending. Fails in words.
    static Result<LockedFile> make(const std::filesystem::path& folder, const std::string& prefix,
                                   const std::string& ending);
    // Takes hold of a file that nobody else holds; none when somebody does, or it is not there.
    static std::optional<LockedFile> take(const std::filesystem::path& file);
    ~LockedFile();
    LockedFile(LockedFile&& o) noexcept;
    LockedFile& operator=(LockedFile&& o) noexcept;

    const std::filesystem::path& path() const { return path_; }
    void remove(); // the file; the lock goes with it

  private:
    LockedFile(std::filesystem::path path, int handle) : path_(std::move(path)), handle_(handle) {}
    std::filesystem::path path_;
    int handle_ = -1;
};

// A file being written beside its final place, under a hidden name of the same ending. Until commit() the
// final place is untouched; without commit() the part is removed. A final place that is a symbolic link is written
// through: what it points at is replaced, and the link stays. What is replaced hands on its permissions, its group
// and its access list, as far as this user may set them; other names of it (hard links) keep what it was, which
// otherNamesNote() says in words. The part is locked while its process lives. What a killed process left behind is
// removed when the next one makes its first part (clearUnfinished()), and in the same folder also where it was
// another user's process, or on another machine.
class PartFile {
  public:
    explicit PartFile(const std::filesystem::path& target);
    ~PartFile();
    PartFile(const PartFile&) = delete;
    PartFile& operator=(const PartFile&) = delete;

    // There already, and empty, unless the folder refused it; then writing to it fails with the reason.
    const std::filesystem::path& path() const { return part_; }
    // Brings the part to disk (Sync::Now) and gives it its final name. Fails, naming the file and the reason, when
    // the disk refuses, or when something stands there and may not be replaced.
    Result<void> commit(Existing existing, Sync sync = Sync::Now);

  private:
    std::filesystem::path target_;
    std::filesystem::path part_;
    std::optional<LockedFile> note_; // says where the part is, should this process be killed
    int lock_ = -1;                  // the part, open and locked
};

// Where writing to a path ends up: symbolic links followed, also one that points at nothing yet.
std::filesystem::path throughLinks(const std::filesystem::path& path);

// Which file it is, whatever it is called: its disk's number and its own there. None where there is none.
using FileIdentity = std::pair<std::uint64_t, std::uint64_t>;
std::optional<FileIdentity> identityOf(const std::filesystem::path& path);
// True when both names lead to one and the same file that is there.
bool isSameFile(const std::filesystem::path& a, const std::filesystem::path& b);

// Where replacing a file leaves others of its names (hard links) with what it was: the sentence that says so. Empty
// where there is no such name, or no file.
std::string otherNamesNote(const std::filesystem::path& path);

// A file without a name in cacheFolder()/scratch, for what has no room in memory; it goes when it is closed,
// however this process ends. Opened for reading and writing; −1 and errno where there can be none. Any thread.
int namelessFile();

// Writes text to a file, whole or not at all.
Result<void> writeText(const std::filesystem::path& path, std::string_view text, Existing existing,
                       Sync sync = Sync::Now);

// Brings a file and its name to disk: afterwards a power cut leaves it whole. Takes as long as the disk does, which
// may be a second where others write. Fails in words; does nothing where the file has gone. Any thread.
Result<void> syncFile(const std::filesystem::path& path);

// Reads a text file of at most mostText bytes.
inline constexpr std::int64_t mostText = std::int64_t(64) << 20;
Result<std::string> readText(const std::filesystem::path& path);

// Copies a file's bytes over whatever stands at `to`; half of it where that fails, naming `shownAs`. For parts.
Result<void> copyBytes(const std::filesystem::path& from, const std::filesystem::path& to,
                       const std::filesystem::path& shownAs);

// Copies a file, whole or not at all.
Result<void> copyFile(const std::filesystem::path& from, const std::filesystem::path& to, Existing existing);

// Why writing at this place failed, in words: "the disk is full", "you may not write there".
std::string writeReason(const std::filesystem::path& path, int error);

} // namespace base
