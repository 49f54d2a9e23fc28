// Edits of sources: functions from a project to a project. None alters what it is given; each checks what must
// hold, and fails with a sentence when what is asked for cannot be. Any thread; quick.
#pragma once

#include "project/project.h"

namespace project {

// Adds sources (giving each its id) in order. Returns their ids with the project.
struct Added {
    Project project;
    std::vector<SourceId> ids;
};
Added addSources(const Project& p, std::vector<Source> sources);

// Those that change a source's beats fail when a locked clip would have to follow.

// Says what tempo a source has, and who says so. Keeps the first downbeat. Clips that use the whole source go on
// using the whole of it; others keep their place in the recording.
Result<Project> setSourceTempo(const Project& p, SourceId id, Bpm bpm, hear::Witness by);
// Uses one of the source's readings.
Result<Project> chooseReading(const Project& p, SourceId id, hear::Witness by);
// Puts a reading into the source, in the place of one by the same witness, and uses it.
Result<Project> setSourceReading(const Project& p, SourceId id, hear::Reading reading);
// The same, and goes on using the one that was used: it can be picked.
Result<Project> noteReading(const Project& p, SourceId id, hear::Reading reading);
// Says that the source has this many beats between its marks, or, without marks, from its first downbeat to its
// end: 8 beats in 3.750 s are 128 BPM.
Result<Project> setSourceBeats(const Project& p, SourceId id, double beats);
// Sets the marks. They change nothing until a number of beats is said.
Result<Project> setMarks(const Project& p, SourceId id, Seconds from, Seconds to);
// Takes over the readings Heard and Length of `heard`, a copy of the source that was listened to again; with
// `choose`, uses the reading that ranks highest now.
Result<Project> setHeard(const Project& p, SourceId id, const Source& heard, bool choose);
Result<Project> setSourceKey(const Project& p, SourceId id, std::optional<hear::Key> key);
// Scales all of a source's beats by a factor: free playing stays free. Its clips become longer or shorter by it.
Result<Project> scaleBeats(const Project& p, SourceId id, double factor);
// Whether its clips follow the project's tempo; see setFollowing() in edit_time.h.
Result<Project> setSourceFollowing(const Project& p, const std::vector<SourceId>& ids, bool on);
// Moves the first downbeat, keeping the tempo.
Result<Project> setFirstDownbeat(const Project& p, SourceId id, Seconds at);
// What somebody typed or tapped of these no longer counts: each is used as the other readings say. Those of which
// nothing was said stay as they are.
Result<Project> forgetSettled(const Project& p, const std::vector<SourceId>& ids);
// Says that no beat is known; its clips are then placed, not stretched.
Result<Project> forgetBeat(const Project& p, SourceId id);

} // namespace project
