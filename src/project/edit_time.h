// Edits of the project's time: functions from a project to a project. None alters what it is given; each checks
// what must hold, and fails with a sentence when what is asked for cannot be. Any thread; quick.
#pragma once

#include "project/project.h"

namespace project {

// A part of the time line, in beats.
struct Range {
    Beats from;
    Beats to;
    bool operator==(const Range&) const = default;
};

// Clips keep their beats in all of these, but for Fixed ones, which keep their seconds. Those of the tempo fail
// while a recording leads (lead.h): the tempo is its own then.

// The tempo at the beginning becomes bpm; a map of several points is scaled as a whole.
Result<Project> setTempo(const Project& p, Bpm bpm);
Result<Project> setTempoMap(const Project& p, metre::TempoMap map);
// A tempo point, in the place of one at the same beat.
Result<Project> putTempoPoint(const Project& p, metre::TempoPoint point);
// The point at that beat goes elsewhere, and has another tempo; it stays between its neighbours, and the first
// stays where it is. Fails when there is none.
Result<Project> moveTempoPoint(const Project& p, Beats at, Beats to, Bpm bpm);
Result<Project> setTempoShape(const Project& p, Beats at, metre::TempoPoint::Shape shape);
// The first point cannot be removed.
Result<Project> removeTempoPoint(const Project& p, Beats at);
// The tempo of a range, each by so much or by a factor; what lies outside keeps its own.
Result<Project> shiftTempo(const Project& p, Range range, double byBpm);
Result<Project> scaleTempo(const Project& p, Range range, double factor);

// The metre at the beginning; changes of metre at later bars stay at their bars.
Result<Project> setMetre(const Project& p, metre::Metre m);
// From a bar on; as before it, it is no change, and removing the one at bar 1 cannot be.
Result<Project> setMetreAt(const Project& p, int bar, metre::Metre m);
Result<Project> removeMetreAt(const Project& p, int bar);
Result<Project> setKeyAt(const Project& p, int bar, std::optional<hear::Key> key);
Result<Project> removeKeyAt(const Project& p, int bar);

// Named marks: one at a place.
Result<Project> putSection(const Project& p, Beats at, const std::string& name);
Result<Project> moveSection(const Project& p, Beats at, Beats to);
Result<Project> removeSection(const Project& p, Beats at);

// The part that is repeated; it is repeated from now on.
Result<Project> setLoop(const Project& p, LoopRange loop);
// The rule of clips that have none of their own, nor their track.
Project setProjectRule(const Project& p, TimeRule rule);
// Whether clips follow the tempo at all. Turned off, each clip that followed stays as long as it is; turned on, all
// fill their beats again. Locked clips too: it is nothing that is done to them.
Project setFollowing(const Project& p, bool on);

} // namespace project
