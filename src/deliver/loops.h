// Fitted loops: one file a clip, as heard in the project, with its new tempo written in it.
#pragma once

#include "project/laid.h"
#include "sound/write.h"

#include <filesystem>
#include <optional>
#include <string>
#include <vector>

namespace deliver {

using base::Result;

struct LoopOptions {
    std::filesystem::path folder;
    std::string pattern = "{name}_{bpm}bpm_{key}"; // also {track}, {beats}, {number}
    sound::Depth depth = sound::Depth::Int24;
    base::Existing existing = base::Existing::Refuse;
};

// The key that is heard: transposed with the clip; none where pitch went to no key's place.
std::optional<hear::Key> keyOf(const project::LaidClip& clip);

// What a clip will be written as.
struct PlannedLoop {
    project::ClipId clip;
    std::filesystem::path file;
    bool exists = false; // something of that name is there already
};

// Names for clips, in order, every one different. Clips that sound the same (the same part of the same source,
// fitted to the same tempo with the same settings) are one loop, and the first stands for them all. {name} is the
// source's name, of a stretched clip without the tempo that stood in it, {bpm} the project's tempo where a
// stretched clip begins, {key} the key that is heard. A word that is unknown for a clip goes with the separator
// before it, and a tempo with the "bpm" behind it; characters that a file name cannot hold become "_". Fails when
// the pattern is empty or holds an unknown word.
Result<std::vector<PlannedLoop>> planLoops(const project::Laid& laid, const std::vector<project::ClipId>& clips,
                                           const LoopOptions& options);

struct Delivered {
    std::vector<std::filesystem::path> written;
    std::vector<std::string> problems; // sentences naming the file; the other files are written all the same
    std::size_t clipped = 0;           // samples cut at full scale, in all
};

// Renders and writes what was planned, each file whole or not at all. The length is the clip's on the grid, to the
// frame; the tag says the project's tempo, where it is one over the clip. Any thread; takes time. Cancelled, it
// keeps what was written.
Delivered deliverLoops(const project::LaidPtr& laid, const std::vector<PlannedLoop>& plan,
                       const LoopOptions& options, const base::Progress& progress = {});

} // namespace deliver
