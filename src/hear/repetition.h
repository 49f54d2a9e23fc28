// Whether what sounds comes again.
#pragma once

#include "hear/strength.h"

#include <vector>

namespace hear {

// The pitches that sound, moment by moment, compared with those of later. Copies what it needs; memory 14 kB a
// second of audio, of five minutes at most. Any thread.
class Repetition {
  public:
    explicit Repetition(const Pitches& pitches);

    // How alike the pitches are that sound `seconds` apart: the mean cosine of the profiles, weighed by how much
    // sounds at both; 0 to 1, and 0 where nothing does. REQUIRES seconds >= 0.
    double after(double seconds) const;

  private:
    double hop_;
    std::vector<Profile> unit_;
    std::vector<float> norm_;
};

} // namespace hear
