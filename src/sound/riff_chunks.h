// Chunks that are put into a RIFF WAVE file beside its audio. For tag_file.cpp and write.cpp.
#pragma once

#include "sound/loop_info.h"

#include <cstdint>
#include <filesystem>
#include <string>
#include <vector>

namespace sound {

using ChunkBytes = std::vector<char>;

// The sampler chunk: root note and the points between which it repeats ("Multimedia Programming Interface and Data
// Specifications 1.0", IBM and Microsoft, 1991, and its revision of 1994; layout from memory).
ChunkBytes samplerChunk(const LoopInfo& loop, int rate);
// Tempo and number of beats, as loops carry them in WAV; libsndfile reads it as loop information (common practice;
// always in 4/4). REQUIRES loop.bpm and loop.beats.
ChunkBytes loopChunk(const LoopInfo& loop);
// Cue points, and the list of their names (the same specification). Names and places in order; none: no chunks.
struct CuePoint {
    Frames at;
    std::string name;
    bool operator==(const CuePoint&) const = default;
};
std::vector<ChunkBytes> cueChunks(const std::vector<CuePoint>& cues);

// Gives a RIFF WAVE file these chunks in the place of any of the same names (a list only in the place of one of the
// same kind). Leaves other files alone. False when it cannot be written.
bool putChunks(const std::filesystem::path& path, const std::vector<ChunkBytes>& chunks);

} // namespace sound
