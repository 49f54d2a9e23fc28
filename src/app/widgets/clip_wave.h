// The outline of what a clip sounds like: of its renderings where they are there, else of its source, bent as the
// rendering will be.
#pragma once

#include "play/player.h"
#include "project/laid.h"

#include <vector>

namespace app {

// Over frames of audio: exact where these are few.
sound::Extent extentOver(const sound::Audio& audio, const sound::Peaks& peaks, metre::Frames from,
                         metre::Frames to);

// For one painting: what is rendered is looked up once. Refers to the clip. REQUIRES parts in its timing.
class ClipWave {
  public:
    ClipWave(const play::Player& player, const project::LaidClip& clip)
        : parts_(clip.time().parts), pieces_(player.renderedClip(clip.id())) {}
    // Of a clip that the player does not know.
    explicit ClipWave(const project::LaidClip& clip) : parts_(clip.time().parts) {}

    struct Column {
        sound::Extent extent;
        bool isRendered = false;
    };
    // Over frames of the clip, counted from its beginning.
    Column over(metre::Frames from, metre::Frames to) const;

  private:
    const std::vector<project::Part>& parts_;
    std::vector<play::Player::ShownPiece> pieces_;
};

} // namespace app
