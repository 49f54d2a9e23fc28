// The document: a value. Cheap to copy, since its large parts are shared and never altered; an edit makes a new
// one. Whoever saves, plays or delivers takes one Project and never sees it change.
#pragma once

#include "hear/listen.h"
#include "metre/beat_map.h"
#include "metre/metre_map.h"
#include "metre/snap.h"
#include "metre/tempo_map.h"
#include "sound/peaks.h"
#include "sound/read.h"
#include "stretch/method.h"

#include <filesystem>
#include <memory>
#include <optional>
#include <string>
#include <utility>
#include <vector>

namespace project {

using base::Result;
using metre::Beats;
using metre::Bpm;
using metre::Frames;
using metre::Seconds;

// A number that names one thing of one kind in a project, and is never used again for another.
template <class Tag>
struct Id {
    std::int64_t value = 0;
    auto operator<=>(const Id&) const = default;
};
using SourceId = Id<struct SourceTag>;
using TrackId = Id<struct TrackTag>;
using ClipId = Id<struct ClipTag>;

// The audio of a source with what is worked out from it, at the project's rate. Shared by all versions of a
// project.
struct Sound {
    sound::Audio audio;
    sound::Peaks peaks;
    std::vector<hear::Onset> onsets;
    std::vector<Frames> attacks; // where the onsets are
};

// A part of a recording, in its own seconds.
struct Marks {
    Seconds from;
    Seconds to;
    bool operator==(const Marks&) const = default;
};

// An audio file in the project, with what is known of its timing and pitch. The file is never altered.
struct Source {
    SourceId id;
    std::string name;           // the file's name without its ending, as shown
    std::filesystem::path file; // absolute; inside the project's folder once it has been copied there
    std::string content;        // sound::contentOf() the file
    sound::FileFacts facts;
    std::shared_ptr<const Sound> sound; // null while the file is missing

    std::vector<hear::Reading> readings;
    std::optional<hear::Witness> chosen; // whose reading is used
    std::optional<metre::BeatMap> beats; // none: no beat is known
    std::optional<hear::Key> key;
    std::optional<Beats> loopBeats; // from the first downbeat to where the loop ends; none: at the end of the file
    int beatsInBar = 4;
    hear::Kind kind = hear::Kind::NoBeat;
    hear::Window window;        // the tempos that were listened between
    std::optional<Marks> marks; // set by hand: a whole number of beats lies between

    Seconds length() const { return facts.length(); }
    // Where the loop ends: after loopBeats; else at a whole number of beats when the file's length is within 2 % of
    // a beat of one, else with the file. REQUIRES beats.
    Beats endBeat() const;
    // Where a clip of all of it ends: at the end of its beats, else of the file.
    Seconds wholeEnd() const;
    // Whole beats from the first downbeat to the end mark, where that is a whole number.
    std::optional<int> wholeBeats() const;
};
using SourcePtr = std::shared_ptr<const Source>;

enum class TimeRule { Stretch, Place };

// Which of a recording's channels are heard, and where. A mono recording sounds on both sides, whatever is said.
enum class Channels { Stereo, Mono, Left, Right, Swapped };

// How a clip begins or ends: its gain rises, or falls, over so many seconds of what is heard.
struct Fade {
    enum class Shape { Linear, EqualPower };
    Seconds length;
    Shape shape = Shape::EqualPower;
    bool operator==(const Fade&) const = default;
};

// One placed use of a source. `at` is where the source's beat 0, its first downbeat, lies in the project; a source
// without beats has its first sample there. The part used runs from `from` to `to`, in the source's own seconds.
struct Clip {
    ClipId id;
    SourceId source;
    Beats at;
    Seconds from;
    Seconds to;
    TimeRule rule = TimeRule::Stretch;
    stretch::Settings stretch;
    double gainDb = 0;
    Channels channels = Channels::Stereo;
    Fade fadeIn;
    Fade fadeOut;
    bool locked = false; // refuses every edit but unlocking
    bool operator==(const Clip&) const = default;
};

struct Track {
    TrackId id;
    std::string name;
    int tint = 0; // which of the track tints
    double gainDb = -3;
    double pan = 0; // −1 left to 1 right
    bool mute = false;
    bool solo = false;
    std::vector<Clip> clips;
};
using TrackPtr = std::shared_ptr<const Track>;

// The part that is repeated while playing.
struct LoopRange {
    Beats from;
    Beats to;
    bool on = false;
    bool operator==(const LoopRange&) const = default;
};

struct Project {
    int rate = 48000;
    metre::TempoMap tempo{Bpm(120)};
    metre::MetreMap metre;
    std::optional<hear::Key> key;
    metre::Snap snap = metre::Snap::Beat;
    bool click = false;
    LoopRange loop{Beats(0), Beats(16), false};
    std::vector<SourcePtr> sources;
    std::vector<TrackPtr> tracks;
    std::int64_t nextId = 1;
};

// Null or nothing where there is no such thing.
SourcePtr sourceOf(const Project& p, SourceId id);
TrackPtr trackOf(const Project& p, TrackId id);
const Clip* clipOf(const Project& p, ClipId id);
TrackPtr trackOfClip(const Project& p, ClipId id);
std::vector<ClipId> allClips(const Project& p);

// What a project may hold: every edit and the reading of a file keep to these.
inline constexpr double quietestDb = -60;
inline constexpr double loudestDb = 24;
inline constexpr double mostSemitones = 24; // either way
inline constexpr Beats furthest{100000};    // from the beginning
inline constexpr Seconds longestFade{60};
inline constexpr int lowestProjectRate = 8000; // Hz
inline constexpr int highestProjectRate = 192000;

} // namespace project
