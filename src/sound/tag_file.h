// Writing tempo and key into a file that is already somebody's.
#pragma once

#include "sound/loop_info.h"
#include "sound/tags.h"

namespace sound {

// Writes tempo and key as tags and, into a WAV, the root note and the points between which it repeats (a sampler
// chunk: "Multimedia Programming Interface and Data Specifications 1.0", IBM and Microsoft, 1991, and its revision
// of 1994; layout from memory), and tempo and number of beats together (the loop chunk that libsndfile reads;
// common practice; always in 4/4). What is missing is left as it is, and so is everything else in the file. The
// file is replaced at once or not at all, its audio stays bit for bit (that is checked before), and so do its
// permissions. Fails, naming the file and the reason. Any thread; takes time: the file is copied and decoded.
Result<void> tagFile(const std::filesystem::path& path, const Tags& tags, const LoopInfo& loop = {});

} // namespace sound
