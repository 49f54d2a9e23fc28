// Looking through folders for audio, and taking it into the library.
#pragma once

#include "base/progress.h"
#include "shelf/library.h"
#include "sound/shard.h"

#include <functional>

namespace shelf {

struct Scanned {
    std::size_t files = 0;             // that are there
    std::size_t fresh = 0;             // read for the first time
    std::size_t changed = 0;           // read again, moved or renamed
    std::size_t gone = 0;              // that were there before
    std::size_t failed = 0;            // that could not be read, and folders that could not be listed
    double seconds = 0;                // it took
    std::vector<std::string> problems; // a sentence each, naming file or folder, at most mostProblems
    bool cancelled = false;
};
inline constexpr std::size_t mostProblems = 1000;

struct ScanOptions {
    int jobs = 0;                   // files read side by side; 0: as many as there are processors
    const Memory* memory = nullptr; // what was settled before
    sound::Shard shard;             // of what is to be read, the part that is
    // After each file, and once in the beginning: how many of those that are to be read have been.
    std::function<void(std::size_t done, std::size_t of)> onCount;
};

// Reads what is new in these folders and all within them, and what is changed: by size and time; of that, what was
// heard before, by its content, is not listened to again. What is read is kept as it comes, so that a scan that
// ends early, however it ends, has lost nothing. Files that are there no more are marked as gone. Fails when the
// library cannot be read or written. Any thread; takes time.
Result<Scanned> scan(Library& library, const std::vector<std::filesystem::path>& folders,
                     const ScanOptions& options = {}, const base::Progress& progress = {});

// Reads one file for the library, without putting it there; a file that is changed while it is read is read once
// more. `cancelled` problems have no text.
ReadFile readForLibrary(const sound::ListedFile& listed, const Library& library, const Memory* memory,
                        const base::Progress& progress = {});

} // namespace shelf
