// A project that takes its tempo and metre from a Standard MIDI File.
#pragma once

#include "deliver/midi_map.h"
#include "project/project.h"

namespace deliver {

// The project with those of the maps that the file has, in place of its own. Fails as the edits do, in a sentence.
// Any thread; quick.
base::Result<project::Project> withMap(const project::Project& p, const ReadMap& map);

} // namespace deliver
