#include "base/spill.h"

#include "base/disk.h"
#include "base/safe_file.h"

#include <algorithm>
#include <cassert>
#include <cstring>
#include <unistd.h>

namespace base {

struct Spill::File {
    int handle = namelessFile();

    File() = default;
    File(const File&) = delete;
    File& operator=(const File&) = delete;
    ~File() {
        if (handle >= 0) close(handle);
    }
};

void Spill::add(const void* bytes, std::size_t count) {
    const auto* from = static_cast<const std::byte*>(bytes);
    here_.insert(here_.end(), from, from + count);
    if (here_.size() < most_ || stays_) return;
    if (!file_) file_ = std::make_shared<File>();
    stays_ = file_->handle < 0 ||
             !disk::writeAllAt(file_->handle, here_.data(), here_.size(), static_cast<std::int64_t>(away_));
    if (stays_) return;
    away_ += here_.size();
    here_.clear();
}

void Spill::read(std::size_t from, void* to, std::size_t count) const {
    assert(from + count <= size());
    auto* out = static_cast<std::byte*>(to);
    const std::size_t inFile = std::clamp(away_, from, from + count) - from;
    if (inFile > 0 && !disk::readAllAt(file_->handle, out, inFile, static_cast<std::int64_t>(from)))
        std::memset(out, 0, inFile);
    if (count > inFile)
        std::copy_n(here_.begin() + static_cast<std::ptrdiff_t>(from + inFile - away_), count - inFile,
                    out + inFile);
}

} // namespace base
