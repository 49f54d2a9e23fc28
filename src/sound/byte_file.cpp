#include "sound/byte_file.h"

#include "base/disk.h"

#include <algorithm>
#include <cerrno>
#include <fcntl.h>
#include <sys/stat.h>
#include <unistd.h>

namespace sound {

ByteFile::ByteFile(const std::filesystem::path& path) : handle_(base::disk::open(path, O_RDONLY)) {
    if (handle_ < 0) error_ = errno;
    struct stat facts {};
    if (handle_ >= 0 && fstat(handle_, &facts) == 0) size_ = facts.st_size;
}

ByteFile::~ByteFile() {
    if (handle_ >= 0) close(handle_);
}

std::span<const unsigned char> ByteFile::at(std::int64_t at, std::size_t n) {
    if (at < 0 || at >= size_) return {};
    const auto end = blockAt_ + static_cast<std::int64_t>(block_.size());
    const auto wanted = std::min(at + static_cast<std::int64_t>(n), size_);
    if (at < blockAt_ || wanted > end) {
        block_.resize(static_cast<std::size_t>(std::min<std::int64_t>(blockSize, size_ - at)));
        std::size_t got = 0;
        while (got < block_.size()) {
            const ssize_t part = base::disk::pread(handle_, block_.data() + got, block_.size() - got,
                                                   at + static_cast<std::int64_t>(got));
            if (part < 0 && error_ == 0) error_ = errno;
            if (part <= 0) break;
            got += static_cast<std::size_t>(part);
        }
        block_.resize(got);
        blockAt_ = at;
    }
    const auto from = static_cast<std::size_t>(at - blockAt_);
    return std::span<const unsigned char>(block_).subspan(from, std::min(n, block_.size() - from));
}

} // namespace sound
