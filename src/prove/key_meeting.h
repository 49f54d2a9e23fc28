// The project key in which recordings together are transposed least.
#pragma once

#include "project/laid.h"

#include <array>
#include <optional>
#include <string>
#include <vector>

namespace prove {

// A recording that could follow a key.
struct Keyed {
    project::SourceId id;
    std::string name;
    hear::Key key;
    int tint = 0; // as its first clip is drawn
};

struct KeyMeeting {
    std::vector<Keyed> sources; // in the project's order
    bool minor = false; // whether the twelve keys are minor ones: as the project's is, else as most sources are
    // For each root from C on, by how many semitones each of the sources goes there: by the shorter way, relatives
    // counted.
    std::array<std::vector<int>, 12> shifts;

    // The semitones of all together, up or down alike. REQUIRES root in 0 to 11.
    int sum(int root) const;
    // Where that is least; of equally good ones the one where the fewest move, then the project's own, then the
    // first from C on. None without sources.
    std::optional<int> best;
};

// Of the sources that are placed, whose key is known and which can follow one. `now`: the project's key. Any
// thread; quick.
KeyMeeting keyMeeting(const project::Laid& laid, std::optional<hear::Key> now);

} // namespace prove
