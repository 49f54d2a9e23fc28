// What is mixed: a snapshot that anybody can walk through without asking, the audio callback too.
#pragma once

#include "metre/metre_map.h"
#include "metre/tempo_map.h"
#include "project/laid.h"
#include "sound/audio.h"

#include <algorithm>
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
// The same with channels of the recording turned upside down.
Gains flipped(Gains gains, bool left, bool right);

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
    std::size_t track = 0;
    // 0: the project's own. Else whose it is: it sounds while that is its turn (mix::Guests). All clips of a track
    // are of one.
    std::int64_t guest = 0;
    // What is heard of it, from beat 0; over the first and the last frames it rises and falls evenly, crossing over
    // with a piece beside it.
    Frames from;
    Frames to;
    Frames rise;
    Frames fall;
    // The clip that it is a piece of, for fades and for what goes on across an edge.
    Frames clipStart;
    Frames clipLength;
    Frames fadeIn;
    Frames fadeOut;
    project::Fade::Shape fadeInShape = project::Fade::Shape::EqualPower;
    project::Fade::Shape fadeOutShape = project::Fade::Shape::EqualPower;

    // Whether it has no sound for its beginning or end, and starts or stops with it.
    Frames begins() const { return std::max(from, at); }
    Frames ends() const { return std::min(to, at + audio->frames()); }
};

// Frames [from, to) of a laid clip, counted from its beginning, through all of its chain: `audio` has the clip's
// frame `audioAt` first. `extraDb` is added to its gain.
SceneClip pieceOf(const project::LaidClip& clip, int rate, Frames audioAt, sound::AudioPtr audio, Frames from,
                  Frames to, double extraDb = 0);
// All of a piece that lies within the clip, `from` frames after its beginning.
SceneClip pieceOf(const project::LaidClip& clip, int rate, Frames from, sound::AudioPtr audio, double extraDb = 0);
// A whole sound as it is, from a frame on.
SceneClip soundAt(Frames at, sound::AudioPtr audio);

// Immutable once it is shared.
struct Scene {
    int rate = 48000;
    metre::TempoMap tempo;
    metre::MetreMap metre;
    std::vector<SceneClip> clips;            // by track
    std::shared_ptr<const Click> click;      // null: none
    std::shared_ptr<const Click> countClick; // for counting in, heard whether there is a click or not
    float clickGain = 1;
    float outputGain = 1; // is in all gains already; for meters that show what comes before it
    bool loop = false;
    Beats loopFrom;
    Beats loopTo;

    // Puts the clips in order, by track and then by where they begin, and takes notice of where they end, so that
    // mixing looks only at those that sound. To be called once all are there; a scene without it is mixed all the
    // same, by looking at each.
    void arrange();
    struct Reach {
        std::int64_t begins = 0;
        std::int64_t farthest = 0; // where the last of its track's clips up to it ends
    };
    std::vector<Reach> reaches; // of each clip, once arranged
};
using ScenePtr = std::shared_ptr<const Scene>;

} // namespace mix
