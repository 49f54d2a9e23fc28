// The frames of an MPEG audio file.
#pragma once

#include "sound/byte_file.h"

#include <cstdint>
#include <vector>

namespace sound {

struct Mp3Frame {
    std::int64_t at = 0;     // in the file
    std::uint16_t bytes = 0; // with its header
};

// Which of what is decoded is to be kept.
struct Mp3Stretch {
    std::int64_t from = 0; // decoded frames of sound, counted from the first MPEG frame
    std::int64_t to = 0;
};

struct Mp3Frames {
    std::vector<Mp3Frame> frames; // empty: it is no such file
    int rate = 0;
    int channels = 0;
    int samples = 0; // a frame
    bool isCut = false;
    std::vector<Mp3Stretch> kept; // without encoder delay and padding, where the file says how long those are
};

// Walks over a file: past tags at either end, from frame to frame by their lengths, and over what lies between
// files that were joined. A beginning counts when several frames of the same kind follow each other, or as many as
// there are. Frame headers: ISO/IEC 11172-3:1993 2.4.2.3 and 13818-3:1998 (from memory); the number of frames,
// delay and padding that encoders write into a first frame of silence ("Xing", "Info"; "VBRI", from memory): common
// practice.
Mp3Frames mp3Frames(ByteFile& file);

} // namespace sound
