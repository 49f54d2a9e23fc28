// From a file to a source, and from sources to clips.
#pragma once

#include "base/progress.h"
#include "project/read_source.h"

#include <filesystem>
#include <functional>

namespace project {

struct ImportedSource {
    Source source; // without an id yet
    std::vector<std::string> warnings;
    std::optional<hear::Feel> feel = std::nullopt; // listenToFile() for the library only, where it was listened to
};

// Which witnesses an import asks for a tempo.
struct Witnesses {
    bool name = true;
    bool tag = true;
    bool ear = true; // Heard and Length
    hear::Window window;
    bool kind = false; // without the ear: the kind of sound, and its key, all the same
    bool attacks =
        true; // where hits begin, which methods other than tape go by; without ear and kind it can be spared
};

// Reads a file, works out outline, attacks and readings, and settles on the
// most trusted reading (see settle.h). Any thread; takes time. Fails, naming the file and the reason.
Result<ImportedSource> importFile(const std::filesystem::path& file, Keeping keeping, Witnesses heeded = {},
                                  const base::Progress& progress = {});

// A source of what was decoded, of which nothing else is known yet.
Source unheardOf(const std::filesystem::path& file, const ReadSource& read);

// All that is said and heard of a file that was read, and the reading that is used; without sound. What was heard
// of it before, where that is known, is not listened to again. Any thread; takes time.
Result<ImportedSource> settledOf(const std::filesystem::path& file, ReadSource& read, Witnesses heeded = {},
                                 const base::Progress& progress = {}, std::optional<Source> before = {});

// The beginning of a file, so long at most, at a rate: for whoever wants to hear it at once. Its facts are those of
// the part. What was read of it before is not read again. Any thread. Fails, naming the file and the reason.
struct Beginning {
    sound::FileFacts facts;
    std::shared_ptr<const Sound> sound;
    bool isWhole = false; // there is no more
};
Result<Beginning> readBeginning(sound::Begun& begun, int rate, Seconds length, const base::Progress& progress = {});

// What was heard of a recording before, by its content; none where it must be listened to.
using HeardBefore = std::function<std::optional<Source>(const std::string& content)>;

// The same of a file whose audio nobody wants to keep: bounded memory, however long it is. The source has no sound,
// and no content unless `heardBefore` is asked. What is named or tagged is read anew in any case.
Result<ImportedSource> listenToFile(const std::filesystem::path& file, Witnesses heeded = {},
                                    const base::Progress& progress = {}, const HeardBefore& heardBefore = {});

// What an import did with one file, in a sentence: "winch_hands_112bpm: 112 by its name,
// as heard, 16 beats, fitted to 104".
std::string toldOf(const Project& p, SourceId id);

// Places sources, each on a track of its own, the first on `track` when one is given, all with their first downbeat
// at `at`.
struct PlacedSources {
    Project project;
    std::vector<ClipId> clips;
};
Result<PlacedSources> placeSources(const Project& p, const std::vector<SourceId>& ids, std::optional<TrackId> track,
                                   Beats at);

} // namespace project
