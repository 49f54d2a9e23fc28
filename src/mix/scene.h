// What is mixed: a snapshot that anybody can walk through without asking, the audio callback too.
#pragma once

#include "metre/metre_map.h"
#include "metre/tempo_map.h"
#include "project/laid.h"
#include "sound/audio.h"

#include <array>
#include <memory>
#include <vector>

namespace mix {

using metre::Beats;
using metre::Frames;

// Factors from a clip's two channels to the two that are heard. A mono clip's one channel counts as both.
struct Gains {
    float leftFromLeft = 1;
    float leftFromRight = 0;
    float rightFromLeft = 0;
    float rightFromRight = 1;
    bool operator==(const Gains&) const = default;
};

// Gains of a channel choice, a level in decibels and a pan. The pan is of equal power with 0 dB in the middle, so
// that what is not panned stays as it is: left √2 cos(π (pan + 1) / 4), right √2 sin(π (pan + 1) / 4); a side alone
// is 3 dB louder (common practice). Of stereo material each side is turned up or down for itself. REQUIRES pan in
// −1 to 1.
Gains gainsOf(project::Channels channels, double db, double pan);

// The factor of a fade, `done` of `length` frames after it began to rise: linear, or sin(π/2 · done / length),
// whose square and that of its mirror image add up to 1. 1 outside it.
float fadeFactor(project::Fade::Shape shape, std::int64_t done, std::int64_t length);

// The sound of a click: two short strokes.
struct Click {
    std::vector<float> accented; // the first beat of a bar
    std::vector<float> plain;
};
// At a rate, as loud as 0 dB is; made once for each rate and shared. Not for the audio callback.
std::shared_ptr<const Click> clickAt(int rate);

// A stretch of sound in its place: a clip, or a piece of one.
struct SceneClip {
    Frames at; // of the sound's first frame, from beat 0
    sound::AudioPtr audio;
    Gains gains;
    // The clip that it is a piece of, for fades and for what goes on across an edge.
    Frames clipStart;
    Frames clipLength;
    Frames fadeIn;
    Frames fadeOut;
    project::Fade::Shape fadeInShape = project::Fade::Shape::EqualPower;
    project::Fade::Shape fadeOutShape = project::Fade::Shape::EqualPower;

    Frames end() const { return at + audio->frames(); }
};

// A piece of a laid clip through all of its chain; `extraDb` is added to its gain. REQUIRES that the piece lies
// within the clip, `from` frames after its beginning.
SceneClip pieceOf(const project::LaidClip& clip, int rate, Frames from, sound::AudioPtr audio, double extraDb = 0);
// A whole sound as it is, from a frame on.
SceneClip soundAt(Frames at, sound::AudioPtr audio);

// Immutable once it is shared.
struct Scene {
    int rate = 48000;
    metre::TempoMap tempo;
    metre::MetreMap metre;
    std::vector<SceneClip> clips;
    std::shared_ptr<const Click> click; // null: none
    float clickGain = 1;
    bool loop = false;
    Beats loopFrom;
    Beats loopTo;
};
using ScenePtr = std::shared_ptr<const Scene>;

} // namespace mix
