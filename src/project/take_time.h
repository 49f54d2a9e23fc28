// Taking project time: a part that was played to this project has the project's own tempo map, where it lies, as
// its beats.
#pragma once

#include "project/project.h"

namespace project {

// Gives the recordings of these clips the project's time where they lie: each as it was recorded, from where its
// clip begins. The whole recording takes it, also what lies before the clip, backwards through earlier tempos. From
// then on the clips follow the project; as long as its tempo stays what it is they sound bit for bit as recorded.
// Where several clips are of one source, the first counts. Fails when a clip is locked, goes round or
// leads, or pins of its source are locked.
Result<Project> takeProjectTime(const Project& p, const std::vector<ClipId>& ids);

} // namespace project
