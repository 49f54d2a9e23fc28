// Where the frames of a spectral method lie: a hop apart.
#pragma once

#include <cmath>
#include <cstdint>

namespace stretch {

// Frames' places, in samples. On a circle a whole number of hops go round, each place rounded to a sample. An
// immutable value.
class Hops {
  public:
    // Frame 0 lies at `origin`, the next every `hop`.
    static Hops onLine(std::int64_t origin, std::int64_t hop) { return {origin, double(hop), 0, 0}; }
    // Round a circle of `turn` samples, in hops of at most `most`. REQUIRES turn and most > 0.
    static Hops onCircle(std::int64_t origin, std::int64_t turn, std::int64_t most) {
        const std::int64_t count = (turn + most - 1) / most;
        return {origin, double(turn) / double(count), turn, count};
    }

    double hop() const { return hop_; }
    std::int64_t onceRound() const { return count_; } // frames of one turn of a circle; 0 on a line

    std::int64_t at(std::int64_t frame) const {
        if (count_ == 0) return origin_ + frame * static_cast<std::int64_t>(hop_);
        const std::int64_t turns = (frame >= 0 ? frame : frame - count_ + 1) / count_;
        return origin_ + turns * turn_ + std::llround(double(frame - turns * count_) * hop_);
    }
    // The first frame that lies at a place or after it.
    std::int64_t from(std::int64_t place) const {
        auto frame = static_cast<std::int64_t>(std::floor(double(place - origin_) / hop_)) - 1;
        while (at(frame) < place)
            ++frame;
        return frame;
    }

  private:
    Hops(std::int64_t origin, double hop, std::int64_t turn, std::int64_t count)
        : origin_(origin), hop_(hop), turn_(turn), count_(count) {}

    std::int64_t origin_;
    double hop_;
    std::int64_t turn_;
    std::int64_t count_;
};

} // namespace stretch
