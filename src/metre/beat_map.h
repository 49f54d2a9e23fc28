// Which moment of a recording is which beat.
#pragma once

#include "base/result.h"
#include "metre/units.h"

#include <memory>
#include <vector>

namespace metre {

// "This moment of the recording is this beat." Beat 0 is the first downbeat.
struct Pin {
    Seconds at;
    Beats beat;
    bool operator==(const Pin&) const = default;
};

// Beats run straight between pins, and on at the same speed before the first and after the last.
// An immutable value that is cheap to copy: copies share their pins. Any thread may read it. Look-ups take
// logarithmic time.
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
    // The tempo of the stretch that holds a beat; at a pin, of the one that begins there.
    Bpm tempoAt(Beats b) const;
    const std::vector<Pin>& pins() const { return *pins_; }
    bool operator==(const BeatMap& o) const { return pins_ == o.pins_ || *pins_ == *o.pins_; }

  private:
    explicit BeatMap(std::vector<Pin> pins) : pins_(std::make_shared<const std::vector<Pin>>(std::move(pins))) {}
    std::shared_ptr<const std::vector<Pin>> pins_; // never null
};

// The map by which a recording is fitted that follows its beats only so far. Only every `grain` beats, counted from
// beat 0 (0: at every pin), it is held to the map, besides the first pin and the last; what lies between keeps its
// own way. And only by a share of `strictness` is it drawn from the straight line between the first pin and the
// last to the map: at 0 it keeps all of its own way, at 1 it lands. REQUIRES grain >= 0 and strictness in 0 to 1.
BeatMap followed(const BeatMap& map, Beats grain, double strictness);

} // namespace metre
