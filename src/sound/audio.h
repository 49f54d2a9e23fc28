// Audio in memory.
#pragma once

#include "metre/units.h"
#include "sound/samples.h"

#include <memory>
#include <string>
#include <vector>

namespace sound {

using metre::Frames;
using metre::Seconds;

// Samples as 32-bit floats, full scale at ±1, channel by channel, all of the same length.
// Shared between threads as AudioPtr, and then never altered.
struct Audio {
    int rate = 48000;              // frames a second
    std::vector<Samples> channels; // 1 (mono) or 2 (left, right)

    Audio() = default;
    Audio(int sampleRate, int channelCount, Frames length)
        : rate(sampleRate), channels(static_cast<std::size_t>(channelCount)) {
        for (Samples& samples : channels)
            samples.resize(static_cast<std::size_t>(length.value)); // each in its place, none copied
    }

    int channelCount() const { return static_cast<int>(channels.size()); }
    Frames frames() const { return Frames(channels.empty() ? 0 : static_cast<std::int64_t>(channels[0].size())); }
    Seconds length() const { return metre::toSeconds(frames(), rate); }
};

using AudioPtr = std::shared_ptr<const Audio>;

} // namespace sound
