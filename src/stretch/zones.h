// Where a vocoder's frames look: around attacks at the recording's own speed, and faster or slower between them.
#pragma once

#include "stretch/line.h"

namespace stretch {

// Immutable; any thread.
class Zones {
  public:
    // `resets`: output frames from which on an attack is looked at, with the phases it was recorded with. `before`:
    // output frames of the map that come before frame 0.
    Zones(TimeMap map, std::int64_t before, std::vector<std::int64_t> resets)
        : map_(std::move(map)), before_(before), resets_(std::move(resets)) {}

    // The source frame to look at for the output frame that a look is centred on.
    std::int64_t sourceAt(std::int64_t output) const;
    // Whether a look at an attack begins after the one frame and not after the other.
    bool resetsBetween(std::int64_t after, std::int64_t upTo) const;
    const std::vector<std::int64_t>& resets() const { return resets_; }

  private:
    TimeMap map_;
    std::int64_t before_;
    std::vector<std::int64_t> resets_;
};

// Keeps `reach` frames on both sides of each of these attacks unstretched, less where attacks or points of the map
// are near or where the ratio between would leave what a map may have. Every point of the map stays where it is.
Zones attackZones(const Passage& passage, const std::vector<Frames>& attacks, std::size_t reach);

} // namespace stretch
