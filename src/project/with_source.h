// A project with one of its sources changed, and all that goes with it: for the edits only.
#pragma once

#include "project/project.h"

namespace project {

// Puts a changed source in the place of the one with its id, its set in time with it, and lets the clips that use
// the whole of them follow. Fails when a locked clip would have to.
Result<Project> withSource(const Project& p, const Source& changed);

// The same; and what was placed because no beat was known is stretched from now on.
Result<Project> withBeatsOf(const Project& p, const Source& changed);

} // namespace project
