// The outline of audio for drawing: least and greatest sample over any stretch, in a few steps.
#pragma once

#include "sound/audio.h"

#include <vector>

namespace sound {

struct Extent {
    float low = 0;
    float high = 0;
    bool operator==(const Extent&) const = default;
};

// A pyramid of extents over all channels: the lowest level holds one of every 64 frames, each further level one
// of every four below. An immutable value. Any thread.
class Peaks {
  public:
    static constexpr std::int64_t baseFrames = 64;
    static constexpr std::int64_t levelStep = 4;

    Peaks() = default;
    explicit Peaks(const Audio& audio);
    // From the lowest level alone. REQUIRES one extent for each 64 frames, the last for what is left.
    Peaks(Frames frames, std::vector<Extent> base);

    // The extent over [from, to), widened outwards to whole cells of the finest level that needs at most a
    // handful of steps. Frames outside the audio count as silence.
    Extent over(Frames from, Frames to) const;
    Frames frames() const { return frames_; }
    const std::vector<Extent>& base() const { return levels_.front(); } // REQUIRES a maker but the empty one

  private:
    Frames frames_;
    std::vector<std::vector<Extent>> levels_;
};

// Least and greatest sample of [from, to), exact, read from the samples themselves: for close views.
Extent exactExtent(const Audio& audio, Frames from, Frames to);
// The same, sooner, with the audio's own peaks.
Extent exactExtent(const Audio& audio, const Peaks& peaks, Frames from, Frames to);

} // namespace sound
