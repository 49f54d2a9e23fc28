// Reading a file for a source: decoded, converted to the project's rate, and its onsets found.
#pragma once

#include "base/progress.h"
#include "project/project.h"

#include <filesystem>

namespace sound {
class AudioStore;
}

namespace project {

// Where what is decoded is kept, and at which rate: in a store as far as that has room for it, or aside (in memory
// where it is short, sound/scratch.h). A file that was kept there before, and was not altered since, is not decoded
// again, nor listened to for its onsets; a copy of it neither.
struct Keeping {
    int rate = 0; // 0: the file's own
    sound::AudioStore* store = nullptr;
    bool listening = true; // what is listened to is made while it is decoded, where nothing is kept in a store
    bool outlined = true;  // the outline is worked out, for whoever draws it; in a store always

    Keeping(int rateOf) : rate(rateOf) {} // NOLINT(google-explicit-constructor): a rate alone keeps it aside
    Keeping(int rateOf, sound::AudioStore* in) : rate(rateOf), store(in) {}
};

// What is worked out from audio: outline and attacks. `heard` are its onsets, at the rate they were heard at;
// without them they are found. Any thread; takes time.
std::shared_ptr<const Sound> soundOf(sound::Audio audio, const base::Progress& progress = {});
std::shared_ptr<const Sound> soundOf(sound::Audio audio, const std::vector<hear::Onset>& heard);

struct ReadSource {
    sound::FileFacts facts;
    std::string content;
    std::shared_ptr<const Sound> sound;
    std::optional<std::vector<hear::Onset>> onsets; // at hear::Recording::rate; none: not looked for yet
    std::vector<std::string> warnings;

    std::filesystem::path file;
    std::optional<hear::Recording> recording; // as recordingOf() says, once that was asked
    sound::AudioPtr atOwnRate;                // null where it is the sound's, or is not kept
    Keeping kept{0};
};

// Reads a file, and what is heard of it is heard at the file's own rate, before it is converted: so that it is the
// same in every project. Any thread; takes time. Fails, naming the file and the reason.
Result<ReadSource> readSource(const std::filesystem::path& file, Keeping keeping,
                              const base::Progress& progress = {});
// The same in two steps: read, so that it can be seen and played; and its onsets found, which takes longer.
// `begun`: some of the file that was read already; its reading goes on from there, and it is used up.
Result<ReadSource> decodeSource(const std::filesystem::path& file, Keeping keeping,
                                const base::Progress& progress = {}, std::optional<sound::Begun> begun = {});
Result<void> findAttacks(ReadSource& read, const base::Progress& progress = {});

// Onsets as a text that is kept beside audio: as they were heard, and at the rate of the audio. What was heard by
// another version of hearing is not taken.
struct KnownOnsets {
    std::vector<hear::Onset> heard; // at hear::Recording::rate
    std::vector<hear::Onset> attacks;
    std::vector<Frames> strikes; // of a sum
};
std::string noteOfOnsets(const KnownOnsets& known);
std::optional<KnownOnsets> onsetsIn(const std::string& note);

// A file was copied, bit for bit: what is kept of it counts for the copy as well. Any thread.
void keptAs(sound::AudioStore& store, const std::filesystem::path& from, const std::filesystem::path& to);

// What is listened to: made when it is first asked for, from what was decoded. Fails, naming the file.
Result<hear::Recording> recordingOf(ReadSource& read, const base::Progress& progress = {});
// The same of a file alone, block by block in little memory; its facts with it. `each` is told of every block of
// interleaved samples, where it is given.
struct Recorded {
    hear::Recording recording;
    sound::FileFacts facts;
    std::vector<std::string> warnings;
};
Result<Recorded>
recordedFrom(const std::filesystem::path& file, const base::Progress& progress = {},
             const std::function<void(const std::vector<float>& samples, std::size_t count)>& each = {});

} // namespace project
