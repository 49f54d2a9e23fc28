// Which moment of a recording is which beat.
#pragma once

#include "base/result.h"
#include "metre/units.h"

#include <vector>

namespace metre {

// "This moment of the recording is this beat." Beat 0 is the first downbeat.
struct Pin {
    Seconds at;
    Beats beat;
    bool operator==(const Pin&) const = default;
};

// Beats run straight between pins, and on at the same speed before the first and after the last.
// An immutable value; any thread may read it. Look-ups take logarithmic time.
class BeatMap {
  public:
    // A steady recording: beat 0 at firstDownbeat, then bpm throughout. REQUIRES bpm > 0.
    BeatMap(Bpm bpm, Seconds firstDownbeat);

    // Fails with fewer than two pins, or when times or beats do not both strictly increase.
    static base::Result<BeatMap> make(std::vector<Pin> pins);

    Beats beatAt(Seconds s) const;
    Seconds secondsAt(Beats b) const;

    // The tempo from the first pin to the last.
    Bpm meanTempo() const;
    const std::vector<Pin>& pins() const { return pins_; }
    bool operator==(const BeatMap& o) const { return pins_ == o.pins_; }

  private:
    BeatMap() = default;
    std::vector<Pin> pins_;
};

} // namespace metre
