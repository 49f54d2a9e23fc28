// A file held against a steady grid, of which nothing else is known.
#pragma once

#include "prove/landing.h"
#include "prove/measured.h"

#include "metre/metre_map.h"

namespace prove {

struct Checked {
    std::size_t onsets = 0; // in all
    Seconds first;          // a beat: as it was said, else the first that lies in the file
    // Of the onsets that begin clearly, from the nearest beat, sixteenth or eighth triplet.
    std::vector<Deviation> deviations;
    Deviations sums; // the drift from the first to the last bar
    // Against the recording it was made from: by how much each of its onsets did not come out where the change of
    // length puts it, and by how much it lies beside the grid there. Without that all is taken as played.
    std::vector<Deviation> placed;
    std::vector<Deviation> played;
    Deviations placedSums;
    Deviations playedSums;
    Landing landing(Seconds tolerance) const;
    Frames lengthError; // against the nearest whole number of beats
};

// `first` says where a beat lies, in seconds; none: it is looked for, as the place from which the onsets fall on
// beats best, by strength, then moved to the median of those on beats. `original`: the recording that it was made
// from, stretched evenly; null: not known. REQUIRES bpm > 0. Ours. Any thread; quick.
Checked check(const Measured& measured, metre::Bpm bpm, metre::Metre metre = {}, std::optional<Seconds> first = {},
              const Measured* original = nullptr);

} // namespace prove
