// The project's key over time, and what it asks of a source.
#pragma once

#include "base/result.h"
#include "hear/key.h"
#include "hear/kind.h"
#include "metre/metre_map.h"

#include <optional>
#include <vector>

namespace project {

// From this bar (counted from 1) on the key is this one; none: there is no key.
struct KeyPoint {
    int bar = 1;
    std::optional<hear::Key> key;
    bool operator==(const KeyPoint&) const = default;
};

// An immutable value; any thread may read it.
class KeyMap {
  public:
    KeyMap() : points_{{1, {}}} {} // no key
    explicit KeyMap(std::optional<hear::Key> key) : points_{{1, key}} {}

    // Fails when there is no point, or bars are not strictly increasing from 1.
    static base::Result<KeyMap> make(std::vector<KeyPoint> points);

    std::optional<hear::Key> keyAt(int bar) const;
    const std::vector<KeyPoint>& points() const { return points_; }
    bool operator==(const KeyMap& o) const { return points_ == o.points_; }

  private:
    std::vector<KeyPoint> points_;
};

// By how many semitones a source in one key goes into another: by the shorter way, six of them down. Between major
// and minor it goes only with toRelatives, to the relative (the minor on the sixth step of a major key: any theory
// primer); nothing where it does not go.
std::optional<int> semitonesInto(hear::Key from, hear::Key to, bool toRelatives);

// Struck sounds and those that are no more than a hit never follow a key.
bool canFollowKey(hear::Kind kind);

} // namespace project
