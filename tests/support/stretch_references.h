// Reference libraries for stretching: in benches and tests only.
#pragma once

#include "sound/audio.h"

#include <optional>

namespace reference {

enum class Engine { Faster, Finer };

// Offline, one thread, channels together.
sound::Audio rubberband(const sound::Audio& audio, double ratio, Engine engine, double semitones = 0);
sound::Audio soundTouch(const sound::Audio& audio, double ratio, double semitones = 0);
// The sox program's own stretcher, set for music. Nothing where it is not installed.
std::optional<sound::Audio> sox(const sound::Audio& audio, double ratio);

} // namespace reference
