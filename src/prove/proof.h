// The proof of a clip: what came out of it, measured, against the grid and against its recording.
#pragma once

#include "prove/landing.h"
#include "prove/measured.h"

#include "project/laid.h"

#include <string>

namespace prove {

using metre::Beats;

// What comes out of a clip, measured.
struct CameOut {
    Measured measured;                // in the clip's own frames, before gains, fades and channels; without pitches
    std::optional<double> playedLufs; // of the part of the recording that the clip plays
    std::optional<double> cents;      // against the recording, transposition left out; none: no pitch
};

// A recording, measured whole, at the project's rate. REQUIRES source.sound. Any thread; takes time. Fails as
// measure() does.
Result<Measured> measureSource(const project::Source& source, const base::Progress& progress = {});

// `source`: its recording, measured whole, at the project's rate. `rendering`: all of the clip, before gains. Fails
// as measure() does. REQUIRES clip.source->sound, and a clip that can be heard. Any thread; takes time.
Result<CameOut> measureClip(const project::LaidClip& clip, const Measured& source, const sound::Blocks& rendering,
                            const base::Progress& progress = {});

// A beginning of a sound that the clip plays.
struct Hit {
    Frames at;                     // in the clip: where it was found, else where it should be
    Beats place;                   // of the project: where it belongs
    std::optional<Seconds> before; // by how much the recording was off, at its mean tempo; none: it has no beats
    std::optional<Seconds> off;    // by how much it is off now; none: unread
};

struct Proof {
    std::vector<Hit> hits;                // in order
    Deviations sums;                      // of those that were read
    std::optional<double> cents;          // as CameOut has it
    Frames lengthError;                   // against the grid
    std::optional<double> lufs;           // before gains, as are the next two
    std::optional<double> loudnessChange; // LU
    std::optional<double> truePeak;       // dBTP
    std::string unread;                   // why nothing was read, in a sentence; else empty

    // The deviations of those that were read, at their place in seconds of the project.
    std::vector<Deviation> deviations;
    Landing landing(Seconds tolerance) const { return landingOf(deviations, sums, tolerance); }
    // The hit that is farthest off; null when none was read.
    const Hit* worst() const;
};

// Each sound that begins clearly in the recording is looked for where the clip should have brought it; found within
// 40 ms of there, its deviation is how far it is from its own place in the beat (own_place.h) on the project's
// grid. What has no beats is read only if it is one hit: against where the clip was put. REQUIRES as measureClip(),
// whose result `cameOut` is. Any thread; quick.
Proof prove(const project::LaidClip& clip, const metre::TempoMap& tempo, const Measured& source,
            const CameOut& cameOut);

} // namespace prove
