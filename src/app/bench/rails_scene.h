// What the rails show: one source, with the clip by which it is heard, and all that is worked out of them once for
// every frame that is painted.
#pragma once

#include "project/laid.h"
#include "project/pins.h"
#include "project/played.h"

#include <memory>
#include <optional>
#include <vector>

namespace app {

using metre::Beats;
using metre::Bpm;
using metre::Seconds;

// Of the lines under the fitted rail: how many to a beat.
enum class EyeGrid { Quarters, Eighths, Triplets, Sixteenths };
double linesPerBeat(EyeGrid grid);

// An immutable value.
class RailsScene {
  public:
    // The clip, where one is given, else the source as it would be heard from bar 1 on. `source` is in the project.
    RailsScene(const project::LaidPtr& laid, project::SourcePtr source, std::optional<project::ClipId> clip);

    const project::SourcePtr& source() const { return source_; }
    const project::Project& project() const { return laid_->project(); }
    // Null where it cannot be heard at all.
    const project::LaidClip* clip() const { return clip_; }
    bool isPlaced() const { return placed_; } // the clip is the project's
    bool isHeard() const { return clip_ != nullptr && clip_->time().job() != nullptr; }
    bool hasBeats() const { return source_->beats.has_value(); }
    const metre::BeatMap& beats() const { return *source_->beats; } // REQUIRES hasBeats()

    // When a moment of the recording is heard, its first time round, in seconds of the project; and back. As far as
    // the recording goes and on beyond it. Without a rendering they are the same.
    Seconds heardAt(Seconds recorded) const;
    Seconds recordedAt(Seconds heard) const;
    // When it would be heard if the clip were not tightened. None where it is not.
    std::optional<Seconds> heardLooselyAt(Seconds recorded) const;
    // The beat of the source that a moment of the project stands for. REQUIRES hasBeats().
    Beats sourceBeatAt(Seconds heard) const;

    const std::vector<project::SourcePin>& pins() const { return pins_; }
    const std::vector<project::PlayedBeat>& played() const { return played_; }
    const std::vector<Seconds>& onsets() const { return onsets_; }       // that count
    const std::vector<Seconds>& allOnsets() const { return allOnsets_; } // that were found

    // The onset nearest to a moment, among those that count; none farther off than `reach`.
    std::optional<Seconds> onsetNear(Seconds at, Seconds reach) const;
    // The next onset after a moment, or the one before.
    std::optional<Seconds> onsetFrom(Seconds at, bool forward) const;
    // The nearest place within reach where the recording's first channel crosses zero upwards or downwards.
    std::optional<Seconds> crossingNear(Seconds at, Seconds reach) const;

    // By how much what is heard at a recorded moment misses the nearest line of the grid; late is positive. None
    // where the clip does not follow beats.
    struct Miss {
        double ms = 0;
        Beats line; // of the project
    };
    std::optional<Miss> missOf(Seconds recorded, EyeGrid grid) const;

  private:
    project::LaidPtr laid_;
    project::SourcePtr source_;
    const project::LaidClip* clip_ = nullptr; // in laid_
    bool placed_ = false;
    std::vector<project::SourcePin> pins_;
    std::vector<Seconds> onsets_;
    std::vector<project::PlayedBeat> played_; // by the onsets
    std::vector<Seconds> allOnsets_;
};
using RailsScenePtr = std::shared_ptr<const RailsScene>;

} // namespace app
