// Edits that cut, repeat, copy and arrange clips: functions from a project to a project. None alters what it is
// given; each checks what must hold, and fails with a sentence when what is asked for cannot be; locked clips
// refuse. Any thread; quick.
#pragma once

#include "project/edit_clips.h"

namespace project {

struct Arranged {
    Project project;
    std::vector<ClipId> clips; // those that came of it
};

// Cuts clips in two at a beat of the project; those that do not go on across it stay whole, and it fails where none
// does. Both halves play exactly what they played before.
Result<Arranged> split(const Project& p, const std::vector<ClipId>& ids, Beats at);
// Into n parts of the same length in beats (placed, in seconds).
Result<Arranged> sliceEqually(const Project& p, const std::vector<ClipId>& ids, int n);
// At the onsets that a sensitivity of 0 to 1 lets through.
Result<Arranged> sliceAtOnsets(const Project& p, const std::vector<ClipId>& ids, double sensitivity);
// Lays clips of one track end to end from where the first begins: order[k] says which comes k-th, counted by place.
Result<Project> reorder(const Project& p, const std::vector<ClipId>& ids, const std::vector<std::size_t>& order);

// Copies, moved by so much and so many tracks; of locked clips too.
Result<Arranged> copyClips(const Project& p, const std::vector<ClipId>& ids, Beats by, int tracks);
// Clips that were taken earlier, each with its track (left where it was, at the last where there is none), so that
// the first begins at `at`. Clips whose source is gone are left out.
struct Taken {
    Clip clip;
    std::size_t track = 0;
    Beats start;
};
std::vector<Taken> take(const Project& p, const std::vector<ClipId>& ids);
Result<Arranged> paste(const Project& p, const std::vector<Taken>& clips, Beats at);

// Moves an edge of clips to another beat, over what they are made of; not over the recording's ends, but beyond the
// end of what goes round.
Result<Project> trim(const Project& p, const std::vector<ClipId>& ids, Side side, Beats by);
// Begins where it begins to sound (−60 dB below full scale).
Result<Project> trimSilence(const Project& p, const std::vector<ClipId>& ids);
// Lets a clip loop until a beat: the part it plays, where it did not loop before. What comes after it on its track
// is pushed along, as by setRepeats(), so that nothing comes to lie under another.
Result<Project> repeatUntil(const Project& p, ClipId id, Beats end);
// How often it goes round, counted from its first downbeat: 0.05 to 10000.
Result<Project> setRepeats(const Project& p, const std::vector<ClipId>& ids, double times);
// Says that a clip, as long as it is, fills the time until (or from) a beat: it counts as another tempo
// (counted.h), and so do the others of these clips, by the same ratio, each keeping its other edge. Their
// recordings, and other clips of them, stay as they are; of a set, its clips in the same place come along. What has
// no tempo yet is taken as having the project's, and is given the one that comes of it. `pressed` alone where it is
// not among the clips.
Result<Project> stretchEdge(const Project& p, const std::vector<ClipId>& ids, ClipId pressed, Side side, Beats to);
// The same said by percentage of the length as recorded: each clip counts as that much of the project's tempo.
Result<Project> setStretch(const Project& p, const std::vector<ClipId>& ids, double percent);
// Clips count as a tempo from now on, each from where it begins; none: as their recordings' own.
Result<Project> setCountsAs(const Project& p, const std::vector<ClipId>& ids, std::optional<Bpm> tempo);
// Clips fill so many bars each, from the bar line nearest to where they begin: they count as another tempo. What
// goes round fills them in one turn. 1 to 1024 bars.
Result<Project> fitToBars(const Project& p, const std::vector<ClipId>& ids, int bars);
// What goes round, in the source's beats; none: all of it.
Result<Project> setTurn(const Project& p, const std::vector<ClipId>& ids, Beats from, Beats to);
// Clips play the marked part of their sources alone, round and round, from the bar line at or before where they
// began. Fails where nothing is marked.
Result<Project> playMarked(const Project& p, const std::vector<ClipId>& ids);
Result<Project> setGoesRound(const Project& p, const std::vector<ClipId>& ids, bool on);
// What is played slides under the clip, which stays where it is and as long as it is: it begins at that beat of its
// source.
Result<Project> setOffset(const Project& p, const std::vector<ClipId>& ids, Beats sourceBeat);
// Where clips of one track touch, each of the two goes on for half of the time beyond, and they cross over.
Result<Project> crossTouching(const Project& p, const std::vector<ClipId>& ids, Seconds length);
// The clips' edges nearest to a beat go there: they are moved.
Result<Project> bringTo(const Project& p, const std::vector<ClipId>& ids, Beats at);

} // namespace project
