#include "sound/snd_io.h"

#include "base/disk.h"

#include <algorithm>
#include <cerrno>
#include <fcntl.h>
#include <sys/stat.h>
#include <utility>

namespace sound {

SF_VIRTUAL_IO* SndIo::functions() {
    static SF_VIRTUAL_IO all = {
        [](void* io) -> sf_count_t { return static_cast<SndIo*>(io)->length_; },
        [](sf_count_t offset, int whence, void* io) -> sf_count_t {
            SndIo& me = *static_cast<SndIo*>(io);
            const sf_count_t base = whence == SEEK_SET ? 0 : whence == SEEK_CUR ? me.at_ : me.length_;
            me.at_ = std::max<std::int64_t>(base + offset, 0);
            return me.at_;
        },
        [](void* to, sf_count_t n, void* io) -> sf_count_t {
            SndIo& me = *static_cast<SndIo*>(io);
            const std::int64_t wanted = std::min<std::int64_t>(n, me.length_ - me.at_);
            if (wanted <= 0) return 0;
            const ssize_t got =
                base::disk::pread(me.handle_.get(), to, static_cast<std::size_t>(wanted), me.from_ + me.at_);
            if (got < 0 && me.error_ == 0) me.error_ = errno;
            if (got > 0) me.at_ += got;
            return std::max<ssize_t>(0, got);
        },
        [](const void* from, sf_count_t n, void* io) -> sf_count_t {
            SndIo& me = *static_cast<SndIo*>(io);
            // After the first refusal nothing more is tried: what follows would stand in the wrong place.
            if (me.error_ != 0) return 0;
            if (!base::disk::writeAllAt(me.handle_.get(), from, static_cast<std::size_t>(n), me.from_ + me.at_)) {
                me.error_ = errno;
                return 0;
            }
            me.at_ += n;
            me.length_ = std::max(me.length_, me.at_);
            return n;
        },
        [](void* io) -> sf_count_t { return static_cast<SndIo*>(io)->at_; }};
    return &all;
}

std::unique_ptr<SndIo> SndIo::read(const std::filesystem::path& path, SF_INFO& info, std::int64_t from,
                                   std::int64_t to) {
    std::unique_ptr<SndIo> io(new SndIo(base::disk::open(path, O_RDONLY), from, 0));
    if (!io->handle_.isOpen()) return nullptr;
    struct stat facts {};
    if (to < 0) to = fstat(io->handle_.get(), &facts) == 0 ? facts.st_size : 0;
    io->length_ = to - from;
    io->file_ = sf_open_virtual(functions(), SFM_READ, &info, io.get());
    io->frames_ = info.frames;
    return io->file_ != nullptr ? std::move(io) : nullptr;
}

std::unique_ptr<SndIo> SndIo::write(const std::filesystem::path& path, SF_INFO& info) {
    std::unique_ptr<SndIo> io(new SndIo(base::disk::open(path, O_RDWR | O_TRUNC), 0, 0));
    if (!io->handle_.isOpen()) return nullptr;
    errno = 0;
    io->file_ = sf_open_virtual(functions(), SFM_WRITE, &info, io.get());
    if (io->file_ != nullptr) return io;
    errno = io->error_;
    return nullptr;
}

SndIo::~SndIo() {
    close();
}

int SndIo::close() {
    if (file_ == nullptr) return 0;
    const int failed = sf_close(std::exchange(file_, nullptr));
    return failed != 0 ? failed : error_;
}

} // namespace sound
