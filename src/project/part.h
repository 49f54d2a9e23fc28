// Parts of recordings that become recordings of their own; and the sounds of a project at another rate.
#pragma once

#include "base/progress.h"
#include "project/recordings.h"

#include <filesystem>

namespace project {

// The part of a recording that a clip plays (of what goes round, the first time), written into a folder as a WAV
// file of floats at the recording's own rate, under a name that nothing has there yet: a source with the beats, the
// key and the kind of the one it comes from, without an id. Its beat 0 is the first whole beat within it. Any
// thread; takes time. Fails, naming the file and the reason.
Result<Source> extracted(const Source& source, const Clip& clip, const std::filesystem::path& folder, int rate,
                         const base::Progress& progress = {});

// The clip plays all of another source, extracted() from its own for it, and sounds as before.
Result<Project> playInstead(const Project& p, ClipId id, SourceId part);

// The project at another rate, its audio still to be read (loadAudio() in save.h). REQUIRES a rate that a project
// may have.
Project withoutSound(const Project& p, int rate);
// The sounds of a project's sources, for all versions of it.
Patch soundsOf(const Project& p);
// The project at another rate, of whose sources those sound whose sound at that rate is known (recordings.h).
// REQUIRES as above.
Project atRate(const Project& p, int rate);

} // namespace project
