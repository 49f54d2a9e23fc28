// Writing tempo, key and beats into a file that is already somebody's.
#pragma once

#include "base/progress.h"
#include "sound/loop_info.h"
#include "sound/riff_chunks.h"
#include "sound/tags.h"

namespace sound {

// Writes tempo, key and beats as tags and, into a WAV, root note and the points between which it repeats (sampler
// chunk), and tempo and beats together (loop chunk). What is missing here stays as it is, and so does everything
// else in the file, byte for byte: other chunks, frames and comments, in their order, whatever they hold. A root
// note, or points, that are there already stay too, unless `replacing` says otherwise. `tags.others` is not looked
// at. The file is replaced at once or not at all, its audio stays bit for bit (that is checked before), and so do
// its permissions; where nothing would change it is left alone. Fails, naming the file and the reason: it was cut
// off, its tags are damaged, or it is of a kind that holds none here (RF64, Wave64, CAF). Any thread; takes time:
// the file is copied and decoded.
Result<void> tagFile(const std::filesystem::path& path, const Tags& tags, const LoopInfo& loop = {},
                     const Replacing& replacing = {}, const base::Progress& progress = {});

} // namespace sound
