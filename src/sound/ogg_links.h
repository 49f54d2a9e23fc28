// The parts of an Ogg file.
#pragma once

#include "sound/byte_file.h"

#include <cstdint>
#include <string>
#include <vector>

namespace sound {

// A stretch of a file with one logical stream in it: files that were joined have several, one after the other.
struct OggLink {
    std::int64_t from = 0; // in the file
    std::int64_t to = 0;
    std::string codec; // "vorbis", "opus", or what else its first packet says; empty when that is not known
};

struct OggLinks {
    std::vector<OggLink> links; // empty: it is no such file
    bool isCut = false;         // the last page is not whole, or not the last of its stream
};

// Walks from page to page (The Ogg Encapsulation Format Version 0, RFC 3533, 2003; from memory).
OggLinks oggLinks(ByteFile& file);

// Gives the pages of a file with one stream, of our own and not yet in its place, a serial number that follows from
// what it holds, where libraries draw lots: the same sound makes the same file. False, with errno, where the disk
// refuses.
bool setOggSerial(const std::filesystem::path& path);

} // namespace sound
