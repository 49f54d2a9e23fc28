// A file that appears whole or not at all.
#pragma once

#include "metre/result.h"

#include <filesystem>
#include <string>
#include <string_view>

namespace sound {

using metre::Result;

enum class Existing { Refuse, Replace };

// A file being written beside its final place, under a hidden name of the same ending. Until commit() the
// final place is untouched; without commit() the part is removed.
class PartFile {
  public:
    explicit PartFile(std::filesystem::path target);
    ~PartFile();
    PartFile(const PartFile&) = delete;
    PartFile& operator=(const PartFile&) = delete;

    const std::filesystem::path& path() const { return part_; }
    // Brings the part to disk and gives it its final name. Fails, naming the file and the reason, when the disk
    // refuses, or when something stands there and may not be replaced.
    Result<void> commit(Existing existing);

  private:
    std::filesystem::path target_;
    std::filesystem::path part_;
};

// Writes text to a file, whole or not at all.
Result<void> writeText(const std::filesystem::path& path, std::string_view text, Existing existing);

// Reads a text file of at most 64 MiB.
Result<std::string> readText(const std::filesystem::path& path);

// Copies a file, whole or not at all.
Result<void> copyFile(const std::filesystem::path& from, const std::filesystem::path& to, Existing existing);

// Why writing at this place failed, in words: "the disk is full", "you may not write there".
std::string writeReason(const std::filesystem::path& path, int error);

} // namespace sound
