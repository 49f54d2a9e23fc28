// Edits of the project's time: functions from a project to a project. None alters what it is given; each checks
// what must hold, and fails with a sentence when what is asked for cannot be. Any thread; quick.
#pragma once

#include "project/project.h"

namespace project {

// The tempo at the beginning becomes bpm; a map of several points is scaled as a whole. Clips keep their beats.
Result<Project> setTempo(const Project& p, Bpm bpm);
Result<Project> setTempoMap(const Project& p, metre::TempoMap map);
// The metre at the beginning; changes of metre at later bars stay at their bars.
Result<Project> setMetre(const Project& p, metre::Metre m);
Result<Project> setLoop(const Project& p, LoopRange loop);
// How one works rather than what one makes: undo leaves these alone.
Project setLooping(const Project& p, bool on);
Project setClick(const Project& p, bool on);
Project setSnap(const Project& p, metre::Snap snap);

} // namespace project
