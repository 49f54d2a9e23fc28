// Parts of files as memory, and how much of them is there.
#pragma once

#include <cstddef>
#include <cstdint>
#include <filesystem>
#include <memory>
#include <thread>
#include <vector>

namespace sound {

// A part of a file, mapped for reading. It stays whole when the file is removed. Where the file cannot be read any
// more (its disk went, somebody cut it short), silence is read instead, and unreadPages() says so. Immutable; any
// thread.
class Mapping {
  public:
    // `bytes` from `offset` on, a whole number of pages from the beginning, of a file that is open as `handle`; the
    // handle may be closed afterwards. Null where that cannot be.
    static std::shared_ptr<const Mapping> of(int handle, std::int64_t offset, std::size_t bytes);
    ~Mapping();
    Mapping(const Mapping&) = delete;
    Mapping& operator=(const Mapping&) = delete;

    const std::byte* data() const { return data_; }
    std::size_t bytes() const { return bytes_; }

  private:
    Mapping(const std::byte* data, std::size_t bytes);
    const std::byte* data_;
    std::size_t bytes_;
    std::size_t slot_;
};

// Where each mapping has to begin in its file.
std::int64_t pageBytes();

// A stretch of memory.
struct Stretch {
    const void* first = nullptr;
    std::size_t bytes = 0;
};

// Brings what is mapped there into memory, as far as it is not; takes as long as the disk does.
void fetch(const Stretch& stretch);
// Whether all of it is in memory already, so that nobody who reads there waits for a disk. Quick.
bool isInMemory(const Stretch& stretch);
// Lets go of the memory of everything mapped but these; it is read again where somebody needs it.
void releaseMappedBut(const std::vector<Stretch>& kept);
constexpr std::int64_t littleMapped = std::int64_t(48) << 20; // bytes
// While it lives, what is mapped takes about so much of the memory at most: for those who go through hours of audio
// from one end to the other, and need none of it twice. Looks after it on a thread of its own.
class MappedBound {
  public:
    explicit MappedBound(std::int64_t bytes);

  private:
    std::jthread guard_;
};
// Counts up with every page of a mapping that could not be read, and became silence.
std::int64_t unreadPages();
// How many bytes of files this process has in memory, its own program among them.
std::int64_t residentMapped();

} // namespace sound
