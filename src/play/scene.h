// What is played: a snapshot that the audio callback can walk through without asking anybody.
#pragma once

#include "metre/metre_map.h"
#include "metre/tempo_map.h"
#include "sound/audio.h"

#include <memory>
#include <vector>

namespace play {

using metre::Beats;
using metre::Frames;

struct SceneClip {
    Frames start; // of the clip's first frame, from beat 0
    sound::AudioPtr audio;
    float gain = 1;
};

// Immutable once published.
struct Scene {
    int rate = 48000;
    metre::TempoMap tempo;
    metre::MetreMap metre;
    std::vector<SceneClip> clips;
    bool click = false;
    bool loop = false;
    Beats loopFrom;
    Beats loopTo;
};

using ScenePtr = std::shared_ptr<const Scene>;

} // namespace play
