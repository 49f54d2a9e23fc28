// WAV and AIFF files as lists of chunks, and changing some of them while the others stay byte for byte.
#pragma once

#include "base/result.h"
#include "sound/byte_file.h"

#include <cstdint>
#include <filesystem>
#include <map>
#include <string>
#include <vector>

namespace sound {

using base::Result;
using ChunkBytes = std::vector<char>;

struct Chunk {
    std::string id;      // four characters
    std::int64_t at = 0; // of its header in the file
    std::int64_t size =
        0;               // of what it holds, as it says; where it does not say (isOpen), up to the end of the file
    bool isOpen = false; // written to a pipe: its size was never filled in
    std::int64_t body() const { return at + 8; }
    std::int64_t end() const { return body() + size + size % 2; }
};

struct ChunkFile {
    std::string form; // "RIFF", "RIFX", "RF64" or "FORM"; empty: it is no such file
    std::string type; // "WAVE", "AIFF" or "AIFC"
    std::vector<Chunk> chunks;
    std::int64_t end = 0;  // of the last chunk; what follows in the file is none
    std::int64_t size = 0; // of the file
    bool isBig() const { return form == "FORM" || form == "RIFX"; } // the most significant byte comes first
    const Chunk* find(const std::string& id) const;                 // the first of a name
};

// Walks from chunk to chunk ("Multimedia Programming Interface and Data Specifications 1.0", IBM and Microsoft,
// 1991; "Audio Interchange File Format AIFF-C", Apple, 1991; EBU Tech 3306 for RF64; layouts from memory).
ChunkFile chunksOf(ByteFile& file);
// Whether a file begins as one of these.
bool holdsChunks(const std::filesystem::path& path);
// Whether its sound goes on beyond the end of the file.
bool isCutOff(const ChunkFile& file);

// Numbers of 16 and 32 bits in a chunk. REQUIRES that they lie within it.
std::uint32_t chunkNumber(const ChunkBytes& bytes, std::size_t at, bool big);
void setChunkNumber(ChunkBytes& bytes, std::size_t at, std::uint32_t value, bool big);

// What a chunk holds. REQUIRES a chunk of a file that is not cut there, of less than 64 MB.
Result<ChunkBytes> bodyOf(const std::filesystem::path& path, const Chunk& chunk);

// What is to be changed: by the chunk's place in the list what it shall hold, and further chunks for the end.
struct ChunkChanges {
    std::map<std::size_t, ChunkBytes> bodies;
    std::vector<std::pair<std::string, ChunkBytes>> further;
};
// Writes `from`, a file of chunks, over `to` with the changes; sizes become true, and everything else stays. Fails,
// naming `shownAs`, when the disk refuses or the file would become too large for its own length field.
Result<void> writeChanged(const std::filesystem::path& from, const ChunkFile& file, const ChunkChanges& changes,
                          const std::filesystem::path& to, const std::filesystem::path& shownAs);

} // namespace sound
