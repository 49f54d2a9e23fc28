// *Tape*: pitch follows speed.
#pragma once

#include "stretch/line.h"

namespace stretch {

// Reads the material at the speed that the map asks for, by band-limited interpolation: a Kaiser-windowed sinc
// whose cut-off follows the speed (Smith & Gossett, "A flexible sampling-rate conversion method", ICASSP 1984; from
// memory). Landing is exact to a fraction of a frame. Immutable; any thread.
class Tape {
  public:
    // The passage must outlive this.
    explicit Tape(const Passage& passage) : passage_(passage) {}

    // As Line's.
    Result<Audio> piece(Span span, const Excerpt& in, const Progress& progress) const;
    // The source frames that are looked at for a piece.
    Span sourceOf(Span span) const;

  private:
    const Passage& passage_;
};

std::unique_ptr<Line> tapeLine(Passage passage);

// The change of pitch that a map implies on tape, in cents, from its mean ratio: half the speed is −1200.
double tapeCents(const TimeMap& map);

} // namespace stretch
