// The *Tapped* reading: from taps, made while the unstretched recording plays, to its tempo.
#pragma once

#include "hear/reading.h"

#include <optional>
#include <string>
#include <vector>

namespace hear {

// What taps say so far.
struct TapResult {
    Bpm bpm{120};
    double spread = 0;    // BPM, one standard deviation of the tempo
    std::size_t taps = 0; // that count; slips do not
};

// A pause of more than two and a half seconds begins anew. From the second tap on; from the fourth, taps that lie
// more than a fifth of a beat off a straight line through the others are dropped, and a missed tap counts as two
// beats. The line is fitted by least squares, so that the tempo settles within 4 to 12 taps. Times are of the
// recording as it is, or of any steady clock while it plays unstretched. One thread at a time.
class Tapping {
  public:
    // Not before the one before.
    void tap(metre::Seconds at);
    void clear() { times_.clear(); }
    std::size_t count() const { return times_.size(); }
    std::optional<TapResult> result() const;

  private:
    std::vector<double> times_; // the last sixteen
};

// As a reading; `heard` tells when every other beat, or every half, was tapped.
Reading tappedReading(const TapResult& result, std::optional<Bpm> heard);

} // namespace hear
