// Hearing that comes after its clips: what was placed as soon as it was decoded is fitted once its tempo is known.
#pragma once

#include "project/project.h"

namespace project {

// What was heard of a source that is in the project. It is taken over with its readings and the one that is used,
// unless the user has said meanwhile what the source is: then its readings alone are. Its clips become what they
// would have been, had it been heard before they were placed; what the user has changed of them stays. A source
// that is not there changes nothing. For every version of a document alike, so that undo knows nothing of it.
Project withHeard(const Project& p, SourceId id, const Source& heard);

// What of a clip follows from its source becomes as if it had been placed now, where the user has left it as it was
// placed when the source was `before`.
void refit(Clip& clip, const Source& before, const Source& now);

// Whether nothing was heard of a source yet.
bool isUnheard(const Source& source);

} // namespace project
