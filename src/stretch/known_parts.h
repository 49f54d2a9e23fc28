// The parts of a recording, worked out once and kept: they are the same at every tempo, pin and key.
#pragma once

#include "base/hash.h"
#include "stretch/parts.h"

#include <map>
#include <memory>
#include <mutex>

namespace sound {
class AudioStore;
}

namespace stretch {

// What lasts in one recording (what strikes is the rest of it), in a store: of the recording as it is, and of each
// range of it that is played as a circle. Worked out in blocks, as they are asked for; once all of a recording or a
// range is there, it is found another time as well. Any thread.
class KnownParts {
  public:
    // `recording` says which it is, to the bit and at its rate. The store must outlive all that asks.
    KnownParts(sound::AudioStore& store, base::Key recording);
    ~KnownParts();

    // As parted() of a passage of this recording, to the bit. Where the store has no room for it nothing is kept.
    Parts of(const Passage& passage, Span span, const Progress& progress) const;

  private:
    class Kept;
    std::shared_ptr<Kept> keptFor(Span range, bool circle, const Audio& like) const;

    sound::AudioStore& store_;
    const base::Key recording_;
    mutable std::mutex mutex_; // guards the map
    struct Range {
        std::int64_t from, to;
        bool circle;
        auto operator<=>(const Range&) const = default;
    };
    mutable std::map<Range, std::shared_ptr<Kept>> kept_; // null: the store has no room
};

} // namespace stretch
