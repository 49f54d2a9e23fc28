// From a clip and its source to when it sounds: the one place where that is worked out. For edits, and for laid.h,
// which is what everybody outside this room reads (tests/house holds them to it).
#pragma once

#include "project/project.h"

namespace project {

// True when the clip follows project time by being stretched: its rule says so and its source has beats. A null
// source is one that is not in the project.
bool isStretched(const Clip& clip, const Source* source);

// Where a clip begins and ends in the project. Unstretched, the first downbeat is still what lies on the clip's
// `at`, and what comes before it hangs before.
Beats startOf(const metre::TempoMap& tempo, const Clip& clip, const Source* source);
Beats endOf(const metre::TempoMap& tempo, const Clip& clip, const Source* source);

// The same of a clip in a project.
bool isStretched(const Project& p, const Clip& clip);
Beats startOf(const Project& p, const Clip& clip);
Beats endOf(const Project& p, const Clip& clip);

} // namespace project
