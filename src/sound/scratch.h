// Large audio that is needed for a while and need not fill the memory.
#pragma once

#include "sound/audio.h"

#include <functional>

namespace sound {

// Audio made block by block: `fill` is given frames [from, from + block.frames()), all silent. What is long is
// mapped from a file that nobody else sees and that goes with it; what is short, or finds no room on the disk, lies
// in memory. Any thread.
AudioPtr madeAside(int rate, int channels, Frames length,
                   const std::function<void(Frames from, Audio& block)>& fill);
// The same of audio that is there already.
AudioPtr setAside(Audio audio);

} // namespace sound
