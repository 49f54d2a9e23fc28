// Reference libraries for stretching: in benches and tests only.
#pragma once

#include "sound/audio.h"

namespace reference {

enum class Engine { Faster, Finer };

// Offline, one thread, channels together.
sound::Audio rubberband(const sound::Audio& audio, double ratio, Engine engine);
sound::Audio soundTouch(const sound::Audio& audio, double ratio);

} // namespace reference
