// The proof of a clip: what came out of it, measured, against the grid and against its recording.
#pragma once

#include "prove/landing.h"
#include "prove/measured.h"

#include "project/laid.h"

#include <string>

namespace prove {

using metre::Beats;

// How loud a clip comes out, before gains.
struct ClipLevels {
    Levels cameOut;
    std::optional<double> change; // LU, against what it plays of the recording; none: one of them is silent
};

// What comes out of a clip, measured.
struct CameOut {
    Measured measured;                // in the clip's own frames, before gains, fades and channels; without pitches
    std::optional<ClipLevels> levels; // where they were wanted
    std::optional<double> cents;      // against the recording, transposition left out; none: no pitch
};

// A recording, measured whole, at the project's rate. REQUIRES source.sound. Any thread; takes time. Fails as
// measure() does.
Result<Measured> measureSource(const project::Source& source, const base::Progress& progress = {});

// `source`: its recording, measured whole, at the project's rate. `rendering`: all of the clip, before gains. Fails
// as measure() does. REQUIRES clip.source->sound, and a clip that can be heard. Any thread; takes time.
Result<CameOut> measureClip(const project::LaidClip& clip, const Measured& source, const sound::Blocks& rendering,
                            bool withLevels, const base::Progress& progress = {});
// The levels alone, of the same blocks.
Result<ClipLevels> measureLevels(const project::LaidClip& clip, const sound::Blocks& rendering,
                                 const base::Progress& progress = {});

// A beginning of a sound that the clip plays.
struct Hit {
    Frames at;                     // in the clip: where it was found, else where it should be
    Beats place;                   // of the project: where it belongs
    std::optional<Seconds> before; // by how much the recording was off, at its mean tempo; none: it has no beats
    std::optional<Seconds> off;    // by how much it is off now; none: unread
    Seconds placed;                // of that, by how much it did not come out where the time map puts it
    Seconds played;                // and by how much the recording itself lies beside its place
};

struct Proof {
    std::vector<Hit> hits;            // in order
    Deviations sums;                  // of those that were read
    std::optional<double> cents;      // as CameOut has it
    Frames lengthError;               // against the grid
    std::optional<ClipLevels> levels; // where they were measured
    std::string unread;               // why nothing was read, in a sentence; else empty

    // The deviations of those that were read, at their place in seconds of the project.
    std::vector<Deviation> deviations;
    // The two parts of these, and what they say in sum.
    std::vector<Deviation> placed;
    Deviations placedSums;
    Deviations playedSums;
    // By how much its beats lie beside the project's; 0 where they do not, or it has none.
    Seconds offGrid;
    // Placed wrongly is early or late, whatever was played; then what is beside the grid; then how it is played.
    Landing landing(Seconds tolerance) const;
    // The hit that is farthest off; null when none was read.
    const Hit* worst() const;
};

// Each sound that begins clearly in the recording is looked for where the clip should have brought it; found within
// 40 ms of there, its deviation is how far it is from its own place in the beat (own_place.h) on the project's
// grid: by how much it did not come out where the time map puts it (placed), and by how much it was played beside
// its place (played). What is placed rather than fitted, and a single hit, is judged by its beginning alone, and by
// placing alone. REQUIRES as measureClip(), whose result `cameOut` is. Any thread; quick.
Proof prove(const project::LaidClip& clip, const metre::TempoMap& tempo, const Measured& source,
            const CameOut& cameOut);

} // namespace prove
