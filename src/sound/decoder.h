// Opening an audio file, by what it holds.
#pragma once

#include "base/result.h"
#include "metre/units.h"

#include <cstdint>
#include <filesystem>
#include <memory>
#include <string>

namespace sound {

using base::Result;

// Gives the samples of a file from its first frame to its last, once and in order. One thread at a time.
class Decoder {
  public:
    virtual ~Decoder() = default;

    // Up to n interleaved frames; 0 at the end. What cannot be decoded ends it.
    virtual std::int64_t read(float* out, std::int64_t n) = 0;
    // After the end, why the file is not whole, as the end of a sentence ("the file was cut off"); empty when it
    // is.
    virtual std::string flaw() const { return {}; }
    // The errno with which the disk refused a read; then the end that read() came to is none. 0 as a rule.
    virtual int error() const { return 0; }

    int rate = 0;
    int channels = 0;
    std::string format;         // "WAV 24-bit", "FLAC 16-bit", "Ogg Vorbis", "MP3"
    std::int64_t declared = -1; // frames, as the file says or as its pages and headers add up; −1: it does not say
    bool isExact = true;        // whether `declared` is to be taken by its word
};

// Opens WAV (RF64 and Wave64 too), AIFF, CAF, FLAC, Ogg Vorbis, Opus or MP3, told apart by their first bytes and,
// for MP3, by a run of valid frames: never by their names. Chained Ogg files and MP3s that were joined are read
// whole. Fails with a reason that can stand after "could not be read: ". Any thread.
Result<std::unique_ptr<Decoder>> openDecoder(const std::filesystem::path& path);

// MP3 alone, through libmpg123; see decoder.cpp for the others. Fails when there is no run of valid frames.
Result<std::unique_ptr<Decoder>> openMp3(const std::filesystem::path& path);

} // namespace sound
