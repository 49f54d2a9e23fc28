// Edits: functions from a project to a project. None alters what it is given; each fails with a sentence when what
// is asked for cannot be. Any thread; quick.
#pragma once

#include "project/project.h"

#include <functional>

namespace project {

// The tempo at the beginning becomes bpm; a map of several points is scaled as a whole. Clips keep their beats.
Result<Project> setTempo(const Project& p, Bpm bpm);
Project setTempoMap(const Project& p, metre::TempoMap map);
Project setMetre(const Project& p, metre::Metre m);

// Adds sources (giving each its id) in order. Returns their ids with the project.
struct Added {
    Project project;
    std::vector<SourceId> ids;
};
Added addSources(const Project& p, std::vector<Source> sources);

// An empty track at the end, named and tinted.
struct AddedTrack {
    Project project;
    TrackId id;
};
AddedTrack addTrack(const Project& p, const std::string& name);
Project removeTrack(const Project& p, TrackId id);
Result<Project> changeTrack(const Project& p, TrackId id, const std::function<void(Track&)>& change);

// Places the whole of a source, its first downbeat at `at`, on a track, or on a new one named after the source.
struct Placed {
    Project project;
    ClipId id;
};
Result<Placed> place(const Project& p, SourceId source, std::optional<TrackId> track, Beats at);

// Moves clips in time, and by a number of tracks up or down; fails when one would leave the tracks or begin before
// bar 1 minus four bars, where pick-ups may hang.
Result<Project> moveClips(const Project& p, const std::vector<ClipId>& ids, Beats by, int tracks);
Project removeClips(const Project& p, const std::vector<ClipId>& ids);
Project changeClips(const Project& p, const std::vector<ClipId>& ids, const std::function<void(Clip&)>& change);

// Says what tempo a source has, and who says so. Keeps the first downbeat. Clips that use the whole source go on
// using the whole of it; others keep their place in the recording.
Result<Project> setSourceTempo(const Project& p, SourceId id, Bpm bpm, hear::Witness by);
// Uses one of the source's readings.
Result<Project> chooseReading(const Project& p, SourceId id, hear::Witness by);
// Puts a reading into the source, in the place of one by the same witness, and uses it.
Result<Project> setSourceReading(const Project& p, SourceId id, hear::Reading reading);
// Says that the source has this many beats between its marks, or, without marks, from its first downbeat to its
// end: 8 beats in 3.750 s are 128 BPM.
Result<Project> setSourceBeats(const Project& p, SourceId id, int beats);
// Sets the marks. They change nothing until a number of beats is said.
Result<Project> setMarks(const Project& p, SourceId id, Seconds from, Seconds to);
// Takes over the readings Heard and Length of `heard`, a copy of the source that was listened to again; with
// `choose`, uses the reading that ranks highest now.
Result<Project> setHeard(const Project& p, SourceId id, const Source& heard, bool choose);
Result<Project> setSourceKey(const Project& p, SourceId id, std::optional<hear::Key> key);
// Moves the first downbeat, keeping the tempo.
Result<Project> setFirstDownbeat(const Project& p, SourceId id, Seconds at);
// Says that no beat is known; its clips are then placed, not stretched.
Result<Project> forgetBeat(const Project& p, SourceId id);

// Makes clips fill a number of bars: their sources are said to have that many beats, and they begin on the bar line
// nearest to where they are.
Result<Project> fitToBars(const Project& p, const std::vector<ClipId>& ids, int bars);

Result<Project> setLoop(const Project& p, LoopRange loop);

} // namespace project
