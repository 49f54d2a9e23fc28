// A recording as all hearing takes it: its channels summed, at one rate, whatever the file's and the project's are.
// So a reading is a matter of the recording alone.
#pragma once

#include "base/result.h"
#include "sound/audio.h"

#include <cstdint>
#include <memory>
#include <span>
#include <vector>

namespace hear {

using metre::Frames;
using metre::Seconds;

// An immutable value that shares its samples. Short ones are kept in memory, long ones in a file of their own that
// nobody else sees and that goes with them. Any thread; each reads for itself.
class Recording {
  public:
    static constexpr int rate = 44100; // Hz

    // Of audio in memory. Fails when the disk has no room for a long one.
    static base::Result<Recording> of(const sound::Audio& audio);

    std::int64_t frames() const { return frames_; }
    // Of the recording as it was given, exactly.
    Seconds length() const { return length_; }
    // The loudest sample; 0 for silence.
    float peak() const { return peak_; }
    // Samples from `first` on; silence outside the recording.
    void read(std::int64_t first, std::span<float> out) const;

  private:
    friend class Recorder;
    struct Store;
    std::shared_ptr<const Store> store_;
    std::int64_t frames_ = 0;
    Seconds length_;
    float peak_ = 0;
};

// Makes a recording block by block, in little memory. One thread.
class Recorder {
  public:
    // REQUIRES channels 1 or 2. At a sample rate that no sound file may have (sound/read.h), adding fails.
    Recorder(int sampleRate, int channels);
    ~Recorder();
    Recorder(const Recorder&) = delete;
    Recorder& operator=(const Recorder&) = delete;

    // About so many frames will be added: room is made for them at once. More or fewer may come.
    void expect(metre::Frames frames);
    // n interleaved frames; every sample a number. Fails when the disk has no room for them.
    base::Result<void> add(const float* interleaved, std::int64_t n);
    // The same of frames whose channels are summed already.
    base::Result<void> addMono(const float* samples, std::int64_t n);
    // Nothing may be added after that.
    base::Result<Recording> finished();

  private:
    base::Result<void> convert(const float* mono, std::size_t n, bool last);
    base::Result<void> keep(const float* samples, std::size_t n);

    struct Converter;
    std::unique_ptr<Converter> converter_; // null at the rate itself
    std::shared_ptr<Recording::Store> store_;
    int sampleRate_;
    int channels_;
    std::int64_t given_ = 0; // frames
    std::int64_t kept_ = 0;  // samples
    float peak_ = 0;
    std::vector<float> mono_;
    std::vector<float> made_;
};

} // namespace hear
