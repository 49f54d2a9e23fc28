// Reading an audio file into memory.
#pragma once

#include "base/progress.h"
#include "base/result.h"
#include "sound/audio.h"
#include "sound/decoder.h"

#include <filesystem>
#include <memory>
#include <string>
#include <vector>

namespace sound {

using base::Result;

// What a file says of itself, and what was found when it was read.
struct FileFacts {
    int rate = 0;
    int channels = 0;
    Frames frames;      // at its own rate; as read, not as declared, once the file has been read whole
    std::string format; // "WAV 24-bit", "FLAC 16-bit", "Ogg Vorbis"
    Seconds length() const { return rate > 0 ? metre::toSeconds(frames, rate) : Seconds(0); }
    bool operator==(const FileFacts&) const = default;
};

struct ReadFile {
    Audio audio;
    FileFacts facts;
    std::string content;               // contentOf() the audio before it was converted to another rate
    std::vector<std::string> warnings; // sentences naming the file: ended early, samples that are no numbers
};

// The limits of what is taken: anything outside is refused with its reason.
inline constexpr int lowestRate = 4000;
inline constexpr int highestRate = 384000;
inline constexpr int mostChannels = 2;
inline constexpr float loudestSample = 1024; // 60 dB above full scale
inline constexpr std::int64_t mostBytes = std::int64_t(4)
                                          << 30; // in memory, per file, at the target rate: three hours at 48 kHz

// Reads a file in blocks, so that hours of it need no memory. One thread at a time.
class Reader {
  public:
    // Opens it; see openDecoder() for what can be opened. A file that says itself that it has more than
    // `mostSamples` (of all channels together) is refused before anything is decoded. Fails, naming file and
    // reason.
    // `keptAt`: a higher rate at which the samples will be kept; the limit counts there. 0: the file's own.
    static Result<Reader> open(const std::filesystem::path& path, std::int64_t mostSamples, int keptAt = 0);

    // Up to n interleaved frames, samples that are no numbers as silence; 0 at the end. Fails when it turns out
    // longer than it may be, when the disk refuses to be read, and when samples are far beyond any scale.
    Result<std::int64_t> read(float* out, std::int64_t n);
    // After the end: what there is to warn of, in sentences naming the file. Fails when there was no sound.
    Result<std::vector<std::string>> end() const;
    const FileFacts& facts() const { return facts_; } // `frames` grows while it is read
    const std::filesystem::path& path() const { return path_; }
    double progress() const;        // 0 to 1; 0 where the length is not known
    Seconds declaredLength() const; // as the file says, which need not be so; 0 where it does not
    // How many frames there will be, roughly, for making room; 0 where the file does not say.
    std::size_t likelyFrames() const;

  private:
    Reader(std::filesystem::path path, std::unique_ptr<Decoder> decoder)
        : path_(std::move(path)), decoder_(std::move(decoder)) {}
    base::Problem tooLong(std::int64_t frames) const;

    std::filesystem::path path_;
    std::unique_ptr<Decoder> decoder_;
    FileFacts facts_;
    std::int64_t mostFrames_ = 0;
    std::size_t notNumbers_ = 0;
    float loudest_ = 0;
};

// A file of which some was read into memory: reading goes on from there, so that nothing is decoded twice. One
// thread at a time.
struct Begun {
    Reader reader;
    std::vector<std::vector<float>> samples{}; // by channel, at the file's own rate
    bool isWhole = false;                      // there is no more of it

    Frames frames() const { return Frames(std::int64_t(samples.empty() ? 0 : samples.front().size())); }
};
// Opens a file, and has read nothing of it yet. `keptAt`: a higher rate that the samples will be converted to; the
// limit of length counts there. Fails as Reader::open() does.
Result<Begun> begin(const std::filesystem::path& path, int keptAt = 0);
// Reads on until so many frames are there, or the file ends. Fails as Reader::read() does.
Result<void> readOn(Begun& begun, Frames upTo, const base::Progress& progress = {});
// Reads the rest; what it is, read() says.
Result<ReadFile> readRest(Begun begun, int targetRate, const base::Progress& progress = {});

// Reads WAV, AIFF, FLAC, Ogg Vorbis, Opus or MP3 from its first frame to its last, in order, and converts it
// to targetRate (0: leaves it as it is). Lengths come from what was decoded, never from a header. A file that
// ends early is read as far as it goes, with a warning; samples that are no numbers become silence, with a
// warning. Any thread; takes time. Fails, naming the file as it was given and the reason, when there is no audio to
// be had.
// `keptAt`: a higher rate that the caller will convert it to; the limit of length counts there.
Result<ReadFile> read(const std::filesystem::path& path, int targetRate, const base::Progress& progress = {},
                      int keptAt = 0);

} // namespace sound
