// Where a vocoder's frames look: around attacks at the recording's own speed, and faster or slower between them.
#pragma once

#include "stretch/method.h"

namespace stretch {

class Zones {
  public:
    explicit Zones(TimeMap map, std::vector<std::int64_t> resets)
        : map_(std::move(map)), resets_(std::move(resets)) {}

    struct Place {
        std::int64_t source = 0; // the source frame to look at
        bool asRecorded = false; // the first look at an attack: phases as they were recorded
    };
    // For the output frame that a look is centred on. REQUIRES calls with o that does not decrease.
    Place at(std::int64_t o);

  private:
    TimeMap map_;
    std::vector<std::int64_t> resets_; // output frames from which on an attack is looked at
    std::size_t next_ = 0;
};

// Keeps `reach` frames on both sides of each attack unstretched, less where attacks or points of the map are near
// or where the ratio between would leave what a map may have. Every point of the map stays where it is.
Zones attackZones(const std::vector<Frames>& attacks, const TimeMap& map, std::size_t reach);

} // namespace stretch
