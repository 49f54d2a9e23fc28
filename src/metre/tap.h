// From taps to a tempo.
#pragma once

#include "metre/units.h"

#include <optional>
#include <vector>

namespace metre {

// Collects taps; a pause of more than two and a half seconds begins anew. The tempo is that of the median interval,
// refined by the mean of the intervals within a fifth of it, so that one slip does not count.
class Taps {
  public:
    // The time of a tap on any steady clock, not before the one before.
    void tap(Seconds at);
    // From the second tap on; inside the range of tempos, by halving or doubling where needed.
    std::optional<Bpm> tempo() const;
    std::size_t count() const { return times_.size(); }

  private:
    std::vector<Seconds> times_; // the last sixteen
};

} // namespace metre
