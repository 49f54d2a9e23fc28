// A clip rendered from its beginning to its end, for writing it.
#pragma once

#include "project/laid.h"
#include "sound/write.h"

namespace project {

// Planned out; refers to the clip's jobs, which it keeps alive. Immutable; any thread.
class ClipRendering {
  public:
    // Fails where the clip cannot be heard, in a sentence.
    static Result<ClipRendering> plan(const Timing& timing);

    Frames length() const { return length_; }
    int rate() const { return parts_.front().job->sound->audio.rate; }
    // Renders while it is written, a minute or so at a time, on all of the machine's cores. `gain`: a factor. This
    // must outlive what is returned.
    sound::Blocks blocks(float gain, const std::stop_token& stop) const;

  private:
    ClipRendering() = default;
    Result<sound::Audio> span(std::size_t part, Frames from, Frames to, const std::stop_token& stop) const;

    std::vector<Part> parts_;
    std::vector<std::shared_ptr<const stretch::Rendering>> plans_; // of each part
    Frames length_;
};

} // namespace project
