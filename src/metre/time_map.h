// The one meaning of stretching: which source frame sounds at which output frame.
#pragma once

#include "base/result.h"
#include "metre/units.h"

#include <vector>

namespace metre {

struct TimePoint {
    Frames source;
    Frames output;
    bool operator==(const TimePoint&) const = default;
};

// Straight between points, strictly increasing on both sides. The first point's output frame is 0; the last
// one's is the length of what is rendered. An immutable value; any thread may read it.
class TimeMap {
  public:
    static constexpr double smallestRatio = 0.25; // output frames a source frame
    static constexpr double largestRatio = 4.0;

    // One ratio throughout, from source frame 0. Fails as make() does.
    static base::Result<TimeMap> straight(Frames sourceLength, Frames outputLength);

    // Fails with fewer than two points, when they do not strictly increase, when the first output frame is
    // not 0, or when a stretch leaves the ratios from 1/widest to widest by more than the rounding of its ends to
    // frames.
    static base::Result<TimeMap> make(std::vector<TimePoint> points, double widest = largestRatio);

    // Fractional frames; beyond the ends the end stretches run on. REQUIRES finite arguments.
    double sourceAt(double output) const;
    double outputAt(double source) const;

    // Output frames a source frame, over the whole map.
    double meanRatio() const;
    Frames outputLength() const { return points_.back().output; }
    // True when output is the source from its first point on, frame by frame.
    bool isIdentity() const;
    const std::vector<TimePoint>& points() const { return points_; }
    bool operator==(const TimeMap& o) const { return points_ == o.points_; }

  private:
    std::vector<TimePoint> points_;
};

} // namespace metre
