// Finding audio again that is not where it was.
#pragma once

#include "base/progress.h"
#include "project/read_source.h"
#include "project/recordings.h"

#include <filesystem>

namespace project {

struct Found {
    SourceId source;
    std::filesystem::path file;
    std::string content;
    sound::FileFacts facts;
    std::shared_ptr<const Sound> sound; // kept as was asked for
};

// Looks through a folder and all within it (sound::audioWithin) for the audio of sources: known by what it
// sounds like, whatever it is called now; of a source whose content was never known, by its name. Files of the
// right name are looked at first. Any thread; takes time. Files that cannot be read are passed over; stopped, it
// returns what it has.
std::vector<Found> findMissing(const std::vector<SourcePtr>& missing, const std::filesystem::path& folder,
                               Keeping keeping, const base::Progress& progress = {});

// What was found, for all versions of the project.
Patch patchOf(const std::vector<Found>& found);

} // namespace project
