// What a WAV or AIFF file says of itself as a loop, beside its tags: tempo, beats, root note, where it repeats.
#pragma once

#include "metre/units.h"

#include <filesystem>
#include <optional>
#include <string>
#include <utility>

namespace sound {

using metre::Bpm;
using metre::Frames;

struct LoopInfo {
    std::optional<Bpm> bpm;                        // validated: inside metre's range of tempos
    std::optional<int> beats;                      // 1 and up
    std::optional<int> rootNote;                   // MIDI, 0 to 127; 60 is the C in the middle
    std::optional<std::pair<Frames, Frames>> loop; // first frame, and the first after it
    std::string refused;                           // what stood there instead of a usable tempo
    bool operator==(const LoopInfo&) const = default;
};

// The loop and instrument chunks, as libsndfile gives them, each figure checked: they are read from files as they
// are. Empty where there is none or the file is unreadable. Any thread.
LoopInfo readLoopInfo(const std::filesystem::path& path);

} // namespace sound
