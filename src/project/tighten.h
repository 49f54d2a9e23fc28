// Feel in a project: how a recording plays, and how far a clip's hits are drawn to a grid or to another's feel.
#pragma once

#include "hear/feel.h"
#include "project/project.h"

#include <functional>
#include <vector>

namespace project {

// How a recording plays around its beats; a set's members share the hits of all of them together. Found once for
// the same hits and beats. Fails in a sentence naming the recording: it has no beats, is one hit, or is not played
// so that a feel could be told. Any thread; the first time takes up to a hundredth of a second.
Result<hear::Feel> feelOf(const Source& source, std::optional<hear::FeelGrid> grid = std::nullopt);
// The same of the part between its marks, by the hits that begin in it, found anew each time; of all of it where it
// has no marks.
Result<hear::Feel> markedFeel(const Source& source);
// Finds it where it is not found yet, for whoever shows it later and must not wait.
void findFeel(const Source& source);
// Onsets, at a rate, as hits by the beats of a recording.
std::vector<hear::FeelHit> feelHits(const std::vector<hear::Onset>& onsets, int rate, const metre::BeatMap& beats);
// The hits a source's feel rests on. REQUIRES source.beats and source.sound.
std::vector<hear::FeelHit> feelHits(const Source& source);
// Those that markedFeel() rests on. REQUIRES the same.
std::vector<hear::FeelHit> markedHits(const Source& source);

// A hit of a recording, and where it is drawn to.
struct DrawnHit {
    Seconds at;   // of the recording
    Beats played; // by its beats, as they are fitted
    Beats becomes;
    enum class Way {
        Drawn,
        Left,   // it lies near enough
        Stuck,  // it has no room: a gap would be stretched too far, or hits would cross
        Beside, // too weak, or between the places of the grid: it goes along with its neighbours
    };
    Way way = Way::Beside;
};

// What a tightened clip follows.
struct Drawn {
    metre::BeatMap beats; // by which it is fitted
    std::vector<DrawnHit> hits;
    int drawn = 0;
    int stuck = 0;
};

// Around a clip's beat 0, how long a beat is when it is heard, in seconds.
using HeardBeat = std::function<Seconds(Beats)>;

// The beats `fitted` with a pin at each hit that is drawn or left, and none for the others; the moments in `fixed`,
// and before the first and after the last of them everything, stay where they are. Neighbours never cross, and
// between two pins time runs at half to twice the speed it did: a hit that would ask for more stays where it was
// played. REQUIRES source.sound; percent within 0 to 100. Ours. Any thread; quick.
Drawn drawnTo(const Source& source, const metre::BeatMap& fitted, const Tighten& tighten, const hear::Feel& own,
              const std::vector<Seconds>& fixed, const HeardBeat& heardBeat);

// The beats of a steady recording as its hits have them, where these drift against its own beats by more than
// chance and by more than six milliseconds over all of it: a name's whole number of BPM, say, for a tempo that is a
// little off. Beat 0 stays where it is. None where they do not, where its beats are not steady, and for a loop
// whose beats fill its file. By least squares over what the hits of each place have in common. Any thread; quick.
std::optional<metre::BeatMap> beatsOfHits(const Source& source);

// What clips that are placed on a track from now on are tightened by; none: they come as they were played. Fails as
// setTighten() does where a number is out of range.
Result<Project> setTrackTighten(const Project& p, TrackId id, const std::optional<Tighten>& tighten);

// Whether a recording can be drawn as that says: it has a feel, and the feel it takes is of bars as long as its
// own, or says nothing of the bar's places. Fails in a sentence naming the recording. Any thread.
Result<void> canBeDrawn(const Source& source, const Tighten& tighten);

// Tightens clips. What was not tightened before has its beats fitted to its hits first, where beatsOfHits() has
// other ones. Fails, in a sentence, where a number is out of range, a clip is locked, or a recording has no feel to
// be drawn from; none is changed then.
Result<Project> setTighten(const Project& p, const std::vector<ClipId>& ids, const Tighten& tighten);

// Whose beats were fitted when clips were tightened, each once.
struct FittedFirst {
    SourceId source;
    std::string name;
    Bpm was;
    Bpm is;
};
std::vector<FittedFirst> fittedFirst(const Project& before, const Project& after, const std::vector<ClipId>& ids);

// Clips take a feel, each tightened as it was, or by 100 % where it was not; none: its own. Fails as setTighten()
// does.
Result<Project> takeFeel(const Project& p, const std::vector<ClipId>& ids, const std::string& name,
                         const std::optional<hear::Feel>& feel);

} // namespace project
