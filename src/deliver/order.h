// What is to be delivered, and which files that makes.
#pragma once

#include "deliver/names.h"
#include "prove/landing.h"
#include "sound/write.h"

#include <filesystem>
#include <vector>

namespace deliver {

using metre::Frames;
using metre::Seconds;

// Loops: a file for each clip, as heard but for its track. Stems: a file for each track that is heard, all of one
// length. Mix: all of them together. Click: the beats. Map: tempo and metre as a Standard MIDI File. Proof: what
// was measured, to be read (HTML) and counted on (CSV).
enum class What { Loops, Stems, Mix, Click, Map, Proof };
const std::vector<What>& allWhat();
const char* whatWord(What what); // "loops", as on the command line
std::optional<What> whatFromWord(const std::string& word);

// What levels are brought to: by one gain for a loop, and by one gain, measured on the mix, for mix and stems, so
// that these still add up.
enum class Level {
    AsItIs,
    NoHigher, // turned down where its true peak is above `peakDb` (EBU R 128 asks for −1 dBTP)
    Peak,     // its true peak brought to `peakDb`
    Loudness  // its integrated loudness brought to `lufs`, but its true peak no higher than `peakDb`
};

struct Order {
    std::vector<What> what{What::Loops};
    std::vector<project::ClipId> clips; // of which loops are made
    std::filesystem::path folder;
    std::string pattern = usualPattern; // of the names of loops
    std::string title;                  // the project's name: what the other files are called by
    sound::FileKind kind = sound::FileKind::Wav;
    sound::Depth depth = sound::Depth::Int24;
    bool dither = true;      // of 16 bits
    int quality = 6;         // of lossy kinds, 0 to 10
    std::optional<int> rate; // Hz; none: the project's
    bool tags = true;
    Level level = Level::AsItIs;
    double peakDb = -1;         // dBTP
    double lufs = -16;          // LUFS
    std::optional<int> fromBar; // of stems, mix, click and map; none: 1
    std::optional<int> toBar;   // the last that is delivered; none: the last in which something sounds
    Seconds tail{0};            // after it
    base::Existing existing = base::Existing::Refuse;
    Seconds tolerance = prove::usualTolerance; // of the proof
    bool operator==(const Order&) const = default;
};
inline constexpr int lowestRate = 8000;
inline constexpr int highestRate = 192000;
inline constexpr Seconds longestTail{600};
inline constexpr Seconds longestDelivery{25 * 3600.0};

struct Planned {
    What what = What::Loops;
    std::filesystem::path file;
    bool exists = false;    // something of that name is there already
    project::ClipId clip;   // of a loop
    std::size_t track = 0;  // of a stem
    std::int64_t bytes = 0; // about
};

// What stems, mix and click begin and end with, in frames of the project.
struct Span {
    metre::Beats from;
    metre::Beats to;
    Frames first;
    Frames length; // with the tail
};
// Fails when nothing lies in it, or it is too long.
Result<Span> spanOf(const project::Laid& laid, const Order& order);

// Whether a track is heard, and has a clip that is.
bool isHeard(const project::Laid& laid, std::size_t track);

// The files, in the order in which they will be written, every name different. Clips that sound the same (the same
// part of the same source, fitted to the same tempo with the same settings) are one loop, and the first stands for
// them all. Fails when the pattern makes no sense, the range is empty or too long, nothing is to be delivered, or
// a recording of the project would be replaced.
// Looks at the disk.
Result<std::vector<Planned>> plan(const project::Laid& laid, const Order& order);

// At which rate the order's sound files are.
int rateOf(const project::Laid& laid, const Order& order);

} // namespace deliver
