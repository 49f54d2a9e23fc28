// What a sound file says of itself: the one place from which tags, root note and loop points follow, for what is
// delivered and fitted, for the sources' own files and for the command line.
#pragma once

#include "project/project.h"
#include "sound/loop_info.h"
#include "sound/tags.h"

#include <utility>

namespace deliver {

using metre::Bpm;
using metre::Frames;

// What is known of a file's music. `loop`: the first frame that goes round, and the first after it.
struct Music {
    std::optional<Bpm> bpm{};
    std::optional<hear::Key> key{};
    std::optional<int> beats{}; // 1 and up
    std::optional<std::pair<Frames, Frames>> loop{};
};

struct FileTags {
    sound::Tags tags;
    sound::LoopInfo loop;
};
// The same in the words of files; the root note is the key's, in the middle octave. Any thread; quick.
FileTags tagsSaying(const Music& music);

// Of a recording: tempo and key, and of a loop of whole beats how many and between which frames of its file. None
// where no beat is known. Any thread; quick.
std::optional<FileTags> tagsOf(const project::Source& source);

} // namespace deliver
