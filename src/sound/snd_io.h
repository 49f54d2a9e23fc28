// How libsndfile comes to a file: by way of base/disk, so that what the disk refuses is known by its reason.
#pragma once

#include "base/disk.h"

#include <cstdint>
#include <filesystem>
#include <memory>
#include <sndfile.h>

namespace sound {

// A file, or a stretch of one as if it were a file of its own, and libsndfile's hold on it. One thread at a time.
class SndIo {
  public:
    // For reading bytes [from, to) of a file; `to` −1: to its end. Null where libsndfile knows no such file.
    static std::unique_ptr<SndIo> read(const std::filesystem::path& path, SF_INFO& info, std::int64_t from = 0,
                                       std::int64_t to = -1);
    // For writing a file that is there, from its beginning. Null where it cannot be opened (errno) or libsndfile
    // does not write what `info` asks for.
    static std::unique_ptr<SndIo> write(const std::filesystem::path& path, SF_INFO& info);
    ~SndIo();
    SndIo(const SndIo&) = delete;
    SndIo& operator=(const SndIo&) = delete;

    SNDFILE* file() const { return file_; }
    std::int64_t frames() const { return frames_; } // of a file that is read, as it says
    // Ends it; 0 when all came to be written. file() is null afterwards.
    int close();
    // The errno with which the disk refused something first; 0 where it did not.
    int error() const { return error_; }

  private:
    SndIo(int handle, std::int64_t from, std::int64_t length) : handle_(handle), from_(from), length_(length) {}
    static SF_VIRTUAL_IO* functions();

    base::disk::Handle handle_; // outlives what libsndfile does with it
    std::int64_t from_;
    std::int64_t length_;
    std::int64_t at_ = 0;
    int error_ = 0;
    std::int64_t frames_ = 0;
    SNDFILE* file_ = nullptr;
};

} // namespace sound
