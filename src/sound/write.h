// Writing audio to a file.
#pragma once

#include "base/progress.h"
#include "base/safe_file.h"
#include "sound/audio.h"
#include "sound/loop_info.h"
#include "sound/riff_chunks.h"
#include "sound/tags.h"

#include <filesystem>
#include <functional>
#include <memory>
#include <optional>
#include <string>
#include <vector>

namespace sound {

enum class Depth { Int16, Int24, Float32 };

// A kind of file that is written: one entry in file_kinds.cpp, from which everything else follows.
enum class FileKind { Wav, Aiff, Flac, Ogg, Opus, Mp3 };
const std::vector<FileKind>& fileKinds();
const char* kindWord(FileKind kind);   // "wav", as on the command line
const char* kindLabel(FileKind kind);  // "WAV", as shown
const char* kindEnding(FileKind kind); // ".wav"
std::optional<FileKind> kindFromWord(const std::string& word);
// By its ending, one that is written or another that is read as the same: .aif.
std::optional<FileKind> kindOf(const std::filesystem::path& path);
bool isLossy(FileKind kind);
// Of its size without packing, about; 1 for lossy kinds, whose size their quality says.
double packedTo(FileKind kind);
// The rate at which a kind holds audio of a rate: the same where it can, else the nearest that it can.
int rateIn(FileKind kind, int rate);

struct Written {
    std::size_t clipped = 0; // samples beyond full scale that a whole-number format had to cut
};

// Audio that is made while it is written, so that never all of it is in memory.
struct Blocks {
    int rate = 48000;
    int channels = 1;
    Frames length;
    // What follows from a frame on, one frame at least; asked for in order.
    std::function<Result<AudioPtr>(Frames from)> next;
};

// Where in a larger whole a file begins (EBU Tech 3285, the bext chunk of broadcast wave files).
struct TimeReference {
    std::int64_t frames = 0; // since the beginning, at the file's rate; 0 and up
    std::string description; // up to 256 bytes
    bool operator==(const TimeReference&) const = default;
};

// How a file is written, and what it says of itself.
struct WriteAs {
    Depth depth = Depth::Int24; // of WAV, AIFF and FLAC; FLAC takes 24 bits for floats
    bool dither = false;        // 16 bits: triangular noise of one step, the same whenever the name is
    int quality = 6;            // 0 to 10, of Ogg Vorbis, Opus and MP3
    Tags tags;
    LoopInfo loop;                          // into WAV: sampler and loop chunk
    std::vector<CuePoint> cues;             // into WAV, with names, and AIFF
    std::optional<TimeReference> reference; // into WAV and RF64
    // A WAV of so many bytes of samples becomes an RF64: its own length field holds little more.
    std::int64_t largeFrom = 4'000'000'000;
    base::Existing existing = base::Existing::Refuse;
};

// Whether files of this name have a depth to choose: none for .ogg, .opus and .mp3. FLAC takes 16 and 24.
bool takesDepth(const std::filesystem::path& path, Depth depth);
// Whether files can be written under this name, by its ending.
bool isWritable(const std::filesystem::path& path);

// A file that is written block by block, whole or not at all: until finish() nothing stands under its name. A name
// that is a symbolic link is written through. A WAV too large for its own length field becomes an RF64 (EBU Tech
// 3306), without tags. Without dither 16 and 24 bits are rounded, so that what was read from a file of that depth
// is written back bit for bit. One thread.
class Writer {
  public:
    // REQUIRES rate > 0, one or two channels, quality 0 to 10. Fails, naming the file and the reason.
    static Result<Writer> open(const std::filesystem::path& path, int rate, int channels, Frames length,
                               const WriteAs& as);
    ~Writer();
    Writer(Writer&&) noexcept;
    Writer& operator=(Writer&&) noexcept;

    // The next frames; none beyond the length. Fails as above: the disk may be full.
    Result<void> add(const Audio& block);
    // After all of the length. Writes what it says of itself, looks whether it can be read again, and gives it its
    // name.
    Result<Written> finish();

  private:
    struct State;
    explicit Writer(std::unique_ptr<State> state);
    std::unique_ptr<State> state_;
};

// Writes blocks, as Writer does. Any thread; takes time. Fails as their making does, too.
Result<Written> write(const std::filesystem::path& path, const Blocks& blocks, const WriteAs& as,
                      const base::Progress& progress = {});
// The same of audio in memory.
Result<Written> write(const std::filesystem::path& path, const Audio& audio, Depth depth, const Tags& tags,
                      base::Existing existing, const base::Progress& progress = {});

} // namespace sound
