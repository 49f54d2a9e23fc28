// Chunks that say of a WAV how it repeats, which note it is, and where its bars begin.
#pragma once

#include "sound/chunk_file.h"
#include "sound/loop_info.h"

#include <filesystem>
#include <string>
#include <utility>
#include <vector>

namespace sound {

// A chunk's name and what it holds.
using NamedChunk = std::pair<std::string, ChunkBytes>;

// What may take the place of what is there already.
struct Replacing {
    bool root = false;  // the root note
    bool loops = false; // the points between which it repeats
};

// The sampler chunk: root note and the points between which it repeats ("Multimedia Programming Interface and Data
// Specifications 1.0", IBM and Microsoft, 1991, and its revision of 1994; layout from memory). A new one, or
// `there` with what it lacks and what may be replaced; everything else in it stays. One that is damaged stays
// whole.
inline constexpr const char* samplerName = "smpl";
ChunkBytes samplerChunk(const LoopInfo& loop, int rate);
ChunkBytes samplerChunk(ChunkBytes there, const LoopInfo& loop, const Replacing& replacing);
// Tempo and number of beats, as loops carry them in WAV; libsndfile reads it as loop information (common practice;
// always in 4/4). REQUIRES loop.bpm and loop.beats of a new one; in the place of those of `there` go those that are
// given.
inline constexpr const char* loopName = "acid";
ChunkBytes loopChunk(const LoopInfo& loop);
ChunkBytes loopChunk(ChunkBytes there, const LoopInfo& loop, const Replacing& replacing);
// Cue points, and the list of their names (the same specification). Names and places in order; none: no chunks.
struct CuePoint {
    Frames at;
    std::string name;
    bool operator==(const CuePoint&) const = default;
};
std::vector<NamedChunk> cueChunks(const std::vector<CuePoint>& cues);

// Puts chunks at the end of a RIFF WAVE file of our own, in place. False, with errno, when it cannot be written.
bool appendChunks(const std::filesystem::path& path, const std::vector<NamedChunk>& chunks);

} // namespace sound
