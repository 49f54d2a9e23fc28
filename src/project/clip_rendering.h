// A clip rendered from its beginning to its end, for writing it.
#pragma once

#include "project/laid.h"
#include "sound/write.h"

#include <unordered_map>
#include <vector>

namespace project {

// What is rendered already, by the key of its job: frames of the rendering, in order, as rendering them anew would
// give them.
struct RenderedSpan {
    Frames from;
    sound::AudioPtr audio;
    Frames end() const { return from + audio->frames(); }
};
using Renderings = std::unordered_map<base::Key, std::vector<RenderedSpan>, base::KeyHash>;
using RenderingsPtr = std::shared_ptr<const Renderings>;

// Planned out; refers to the clip's jobs, which it keeps alive. Immutable; any thread.
class ClipRendering {
  public:
    // What is in `there`, which may be null, is not rendered again. Fails where the clip cannot be heard, in a
    // sentence.
    static Result<ClipRendering> plan(const Timing& timing, RenderingsPtr there = {});

    Frames length() const { return length_; }
    int rate() const { return parts_.front().job->sound->audio.rate; }
    // Rendered ahead of whoever writes it, a few seconds at a time, on all of the machine's cores. `gain`: a
    // factor. This must outlive what is returned.
    sound::Blocks blocks(float gain, const std::stop_token& stop) const;

  private:
    ClipRendering() = default;
    const RenderedSpan* thereAt(std::size_t part, Frames at) const;
    bool isThere(std::size_t part) const;
    // Frames of the clip that are made at once.
    struct Block {
        std::size_t part = 0;
        Frames from;
        Frames to;
        bool crosses = false;    // into the next part
        bool isRendered = false; // else all of it is there
    };
    Block blockFrom(Frames from) const;
    // A block, or its beginning where it is there.
    Result<sound::AudioPtr> made(const Block& block, float gain, const std::stop_token& stop) const;
    Result<sound::Audio> span(std::size_t part, Frames from, Frames to, const std::stop_token& stop) const;
    sound::AudioPtr thereFrom(std::size_t part, Frames from, Frames to) const;

    std::vector<Part> parts_;
    std::vector<std::shared_ptr<const stretch::Rendering>> plans_; // of each part; null where all of it is there
    RenderingsPtr there_;
    Frames length_;
};

} // namespace project
