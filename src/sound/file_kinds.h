// The kinds of file that are written, as the writer sees them. For sound/ alone; write.h has what others ask.
#pragma once

#include "sound/write.h"

#include <string>

namespace sound {

struct FileKindEntry {
    FileKind kind;
    const char* word;
    const char* label;
    const char* ending;
    const char* otherEnding; // that is read as the same; null: none
    int container;           // libsndfile's; of floats in WAV see formatOf()
    int lossy;               // libsndfile's sub-format; 0: it has a depth
    bool holdsFloats;
    double packed;           // of its size without packing, about
    int (*rateIn)(int rate); // the nearest rate that it holds
    const char* rateProblem; // of rates that it does not hold; null: the nearest that it can is named
};
const FileKindEntry& entryOf(FileKind kind);

// libsndfile's number for a kind at a depth.
int formatOf(FileKind kind, Depth depth);
// Why a kind of file cannot hold audio at a rate; empty when it can. libsndfile opens some of them all the same,
// and then writes nothing.
std::string rateReason(FileKind kind, int rate);

} // namespace sound
