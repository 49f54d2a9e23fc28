// A file as bytes, read in blocks.
#pragma once

#include <cstdint>
#include <filesystem>
#include <span>
#include <vector>

namespace sound {

// Reads anywhere, cheaply where reads lie close together. One thread at a time.
class ByteFile {
  public:
    explicit ByteFile(const std::filesystem::path& path);
    ~ByteFile();
    ByteFile(const ByteFile&) = delete;
    ByteFile& operator=(const ByteFile&) = delete;

    std::int64_t size() const { return size_; } // 0 when it cannot be opened
    int error() const { return error_; }        // with which opening or a read failed first; 0 where none did
    // n bytes from `at` on; fewer at the end. Valid until the next call. REQUIRES n <= blockSize.
    std::span<const unsigned char> at(std::int64_t at, std::size_t n);

    static constexpr std::size_t blockSize = std::size_t(1) << 20;

  private:
    int handle_ = -1;
    int error_ = 0;
    std::int64_t size_ = 0;
    std::int64_t blockAt_ = 0;
    std::vector<unsigned char> block_;
};

} // namespace sound
