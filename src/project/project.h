// The document: a value of three parts, which change for different reasons. The arrangement is what the user
// decided: edits make a new one, and undo goes back to an older one. What is known of the files of its sources
// (Recording) is the same in every version (recordings.h). The view is how one works with it, which undo leaves
// alone. Cheap to copy, since its large parts are shared and never altered. Whoever saves, plays or delivers takes
// one Project and never sees it change.
#pragma once

#include "base/hash.h"
#include "base/shared_list.h"
#include "hear/feel.h"
#include "hear/listen.h"
#include "metre/beat_map.h"
#include "metre/metre_map.h"
#include "metre/snap.h"
#include "metre/tempo_map.h"
#include "project/key_map.h"
#include "project/time_rule.h"
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
using SetId = Id<struct SetTag>;

// The audio of a source with what is worked out from it, at the project's rate. Shared by all versions of a
// project.
class Sound {
  public:
    // Works out the outline.
    explicit Sound(sound::Audio of, std::vector<hear::Onset> heard = {})
        : Sound(std::make_shared<const sound::Audio>(std::move(of)), nullptr, std::move(heard)) {}
    // Of audio that is shared, with its outline where that is known.
    Sound(sound::AudioPtr of, std::shared_ptr<const sound::Peaks> outline, std::vector<hear::Onset> heard,
          std::optional<std::vector<Frames>> striking = {},
          std::shared_ptr<const stretch::KnownParts> keptParts = nullptr)
        : whole_(std::move(of)),
          outline_(outline ? std::move(outline) : std::make_shared<const sound::Peaks>(*whole_)), audio(*whole_),
          peaks(*outline_), onsets(std::move(heard)), attacks(placesOf(onsets)), strikes(std::move(striking)),
          parts(std::move(keptParts)), attacksKey(keyOf(attacks, strikes)) {}
    // The same, of which other onsets are known, and which of them strike.
    Sound(const Sound& same, std::vector<hear::Onset> heard, std::optional<std::vector<Frames>> striking = {})
        : Sound(same.whole_, same.outline_, std::move(heard), std::move(striking), same.parts) {}

    const sound::AudioPtr& shared() const { return whole_; }

  private:
    static base::Key keyOf(const std::vector<Frames>& places, const std::optional<std::vector<Frames>>& striking) {
        base::KeyMaker maker;
        for (const Frames place : places)
            maker.add(static_cast<std::uint64_t>(place.value));
        if (striking) maker.add("strikes");
        for (const Frames place : striking.value_or(std::vector<Frames>()))
            maker.add(static_cast<std::uint64_t>(place.value));
        return maker.key();
    }
    static std::vector<Frames> placesOf(const std::vector<hear::Onset>& onsets) {
        std::vector<Frames> places;
        places.reserve(onsets.size());
        for (const hear::Onset& onset : onsets)
            places.push_back(onset.at);
        return places;
    }
    sound::AudioPtr whole_;
    std::shared_ptr<const sound::Peaks> outline_;

  public:
    const sound::Audio& audio;
    const sound::Peaks& peaks;
    const std::vector<hear::Onset> onsets;
    const std::vector<Frames> attacks; // where the onsets are
    // Which of them strike, for what stays together with others (sets.h); none: the audio tells.
    const std::optional<std::vector<Frames>> strikes;
    const stretch::KnownStrikes known;                      // what the audio tells of them
    const std::shared_ptr<const stretch::KnownParts> parts; // null where the audio lies in no store
    const base::Key attacksKey;                             // equal for equal attacks and strikes
};

// A part of a recording, in its own seconds.
struct Marks {
    Seconds from;
    Seconds to;
    bool operator==(const Marks&) const = default;
};

// What is known of a pin beyond its place: who set it, whether it may be moved, what it is called.
struct PinNote {
    Beats beat; // whose pin it is: one of the beat map's lies there
    bool byHand = false;
    bool locked = false;
    std::string name{}; // a section of the recording: verse, break; empty: none
    bool operator==(const PinNote&) const = default;
};

// How strictly a recording follows its beats when it is fitted.
struct Straightness {
    enum class To { Beat, Bar, Phrase };
    To to = To::Beat;     // what lands: every beat that is known, every bar, every four bars
    double percent = 100; // how far it is drawn there: 0 keeps the playing as it is, at one tempo
    bool operator==(const Straightness&) const = default;
};
inline constexpr int barsInPhrase = 4;

// The onsets at which a recording is cut into slices: those at least as strong as a sensitivity of 0 (the strongest
// only) to 1 (all) asks for.
std::vector<Frames> sliceStarts(const Sound& sound, double sensitivity);

// What is known of an audio file, whatever the user decides about it.
struct Recording {
    std::filesystem::path file; // absolute; inside the project's folder once it has been copied there
    std::string content;        // sound::contentOf() the file
    sound::FileFacts facts;
    std::shared_ptr<const Sound> sound; // at the project's rate; null while the file is missing, or is being read

    Seconds length() const { return facts.length(); }
};

// An audio file in the project, with what is used of what is known of it. The file is never altered.
struct Source : Recording {
    SourceId id;
    std::string name; // the file's name without its ending, as shown

    std::vector<hear::Reading> readings;
    std::optional<hear::Witness> chosen; // whose reading is used
    std::optional<metre::BeatMap> beats; // none: no beat is known
    std::optional<hear::Key> key;
    std::optional<Beats> loopBeats; // from the first downbeat to where the loop ends; none: at the end of the file
    std::vector<PinNote> notes;     // by beat
    Straightness straight;
    int beatsInBar = 4;     // counted ones: six in 6/8
    int beatUnit = 4;       // 8 in 6/8; beats themselves are quarters
    double sensitivity = 1; // which of its onsets count: 0 the strongest only, 1 all
    hear::Kind kind = hear::Kind::NoBeat;
    hear::Window window;        // the tempos that were listened between
    std::optional<Marks> marks; // set by hand: a whole number of beats lies between
    bool following = true;      // false: its clips do not follow the project's tempo
    std::optional<SetId> set;   // recorded together with the others of it (sets.h)

    metre::Metre metre() const { return {beatsInBar, beatUnit}; }
    // The beats by which its clips are fitted: `beats`, as strictly as it follows them. REQUIRES beats.
    metre::BeatMap fitted() const;
    // Where the loop ends: after loopBeats; else at a whole number of beats when the file's length is within 2 % of
    // a beat of one, else with the file. REQUIRES beats.
    Beats endBeat() const;
    // Where a clip of all of it ends: at the end of its beats, else of the file.
    Seconds wholeEnd() const;
    // Whole beats from the first downbeat to the end mark, where that is a whole number.
    std::optional<int> wholeBeats() const;
};
using SourcePtr = std::shared_ptr<const Source>;

// Whose time rule counts for a clip.
enum class RuleFrom {
    Clip,
    Track,
    Project,
    Source, // it has no beats, and can only be placed
    Lead    // the project's tempo follows it
};

// Which of a recording's channels are heard, and where. A mono recording sounds on both sides, whatever is said.
enum class Channels { Stereo, Mono, Left, Right, Swapped };

// What a clip's level is brought to, by a gain that was measured when it was asked for.
enum class Normalise {
    No,
    Peak,    // its true peak to normalPeakDb
    Loudness // its integrated loudness to normalLoudness
};
inline constexpr double normalPeakDb = -1;    // dBTP
inline constexpr double normalLoudness = -16; // LUFS

// How a clip begins or ends: its gain rises, or falls, over so many seconds of what is heard.
struct Fade {
    enum class Shape { Linear, EqualPower };
    Seconds length;
    Shape shape = Shape::EqualPower;
    bool operator==(const Fade&) const = default;
};

// How far a clip's hits are drawn to the grid that its recording plays, or to the feel of another (tighten.h).
struct Tighten {
    double percent = 0;                 // 0 leaves all as it was played
    std::optional<hear::FeelGrid> grid; // none: what the recording plays
    std::optional<double> swing;        // per cent; none: its own, or that of the feel it takes
    std::optional<hear::Feel> feel;     // of another recording, or a stored one
    std::string feelName{};             // what that is called
    Seconds leave{0};                   // hits that lie nearer are left where they are
    double weaker = 0;                  // hits weaker than this, of the strongest, go along with their neighbours
    bool operator==(const Tighten&) const = default;
};
inline constexpr Seconds mostLeft{0.1};

// What a clip's timing and sound rest on. `at` is where the source's beat 0, its first downbeat, lies in the
// project; a source without beats has its first sample there. The part used runs from `from` to `to`, in the
// source's own seconds; where the clip goes round, these are counted on beyond the end of the turn (timing.h).
struct Placement {
    SourceId source;
    Beats at;
    Seconds from;
    Seconds to;
    // The tempo it is fitted to while it does not follow the project's; none: it is as recorded.
    std::optional<Bpm> heldTempo;
    // The tempo that its source counts as, for this clip alone (counted.h); none: the source's own.
    std::optional<Bpm> countsAs;
    stretch::Settings stretch; // with loop, it goes round
    std::optional<Marks> turn; // what goes round; none: from the first downbeat to the end of the beats
    Tighten tighten;
    bool followsKey = false;  // transposed into the project's key
    bool toRelatives = false; // and a minor source into the relative of a major key, and the other way round
    bool operator==(const Placement&) const = default;
};

// One placed use of a source.
struct Clip : Placement {
    ClipId id;
    std::optional<TimeRule> rule; // none: its track's, or the project's
    double gainDb = 0;
    Normalise normalise = Normalise::No;
    double normaliseDb = 0; // what that takes
    Channels channels = Channels::Stereo;
    bool flipLeft = false; // upside down
    bool flipRight = false;
    Fade fadeIn;
    Fade fadeOut;
    bool mute = false;
    bool locked = false;     // refuses every edit but unlocking
    std::optional<int> tint; // none: its track's
    std::string name;        // empty: its source's
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
    std::optional<TimeRule> rule;   // none: the project's
    std::optional<Tighten> tighten; // of clips that are placed on it from now on
    std::vector<Clip> clips;
};
using TrackPtr = std::shared_ptr<const Track>;

// The part that is repeated while playing, where it is to be (View::looping).
struct LoopRange {
    Beats from;
    Beats to;
    bool operator==(const LoopRange&) const = default;
};

// A clip whose beats are the project's tempo: it plays as recorded, and everything else follows it. So do all clips
// of the same recording in the same place, the parts that it was split into.
struct Lead {
    enum class Every { Piece, Bar, Beat };
    ClipId clip;
    Every every = Every::Beat; // one tempo for all of it, or another for each bar, or each beat
    Seconds smooth{0};         // by how much a beat may miss, so that the tempo changes less often
    SourceId source;           // of the clip; these two are kept up by withLead() (lead.h)
    Beats at;
    bool operator==(const Lead&) const = default;
};
inline constexpr Seconds smoothest{0.25};

// A named mark over the bars.
struct Section {
    Beats at;
    std::string name;
    bool operator==(const Section&) const = default;
};

// By what every clip is laid out (laid.h).
struct Timeline {
    int rate = 48000;
    metre::TempoMap tempo{Bpm(120)};
    std::optional<Lead> lead; // none: the project's tempo is its own
    metre::MetreMap metre;
    KeyMap keys;
    TimeRule rule = TimeRule::Stretch;
    bool following = true; // false: no clip follows the tempo, whatever its rule
    bool operator==(const Timeline&) const = default;
};

// What the user decided. A step of undo leads from one to the next.
struct Arrangement : Timeline {
    std::vector<Section> sections; // by place, each at another
    LoopRange loop{Beats(0), Beats(16)};
    base::SharedList<SourcePtr> sources;
    std::vector<TrackPtr> tracks;
    std::int64_t nextId = 1;
    // Sources and tracks are the same where they are one object.
    bool operator==(const Arrangement&) const = default;
};

// How high a track is shown: 0 low, 1 middle, 2 high.
struct TrackHeight {
    TrackId track;
    int height = 1;
    bool operator==(const TrackHeight&) const = default;
};

// How one works with a project rather than what one makes: undo leaves it alone.
struct View {
    metre::Snap snap = metre::Snap::Beat;
    bool looping = false;
    bool click = false;
    double clickDb = 0;
    int countIn = 0; // bars of click before it plays
    double outputDb = 0;
    std::vector<TrackHeight> heights; // of those that are not of middle height

    int heightOf(TrackId track) const;
    bool operator==(const View&) const = default;
};

struct Project : Arrangement {
    View view;
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
inline constexpr double shortestTurn = 0.005;    // seconds that go round
inline constexpr int mostCountIn = 4;            // bars
inline constexpr std::size_t longestName = 1000; // bytes
inline constexpr int lowestProjectRate = 8000;   // Hz
inline constexpr int highestProjectRate = 192000;

} // namespace project
