// What a recording's own file may say of itself.
#pragma once

#include "project/project.h"
#include "sound/loop_info.h"
#include "sound/tags.h"

namespace deliver {

struct SourceTags {
    sound::Tags tags;
    sound::LoopInfo loop;
};
// Tempo and key, and of a loop of whole beats how many and between which frames of the file; the root note is the
// key's, in the middle octave. None where no beat is known. Any thread; quick.
std::optional<SourceTags> tagsOf(const project::Source& source);

} // namespace deliver
