// Taking a recording apart into what lasts and what strikes.
#pragma once

#include "stretch/line.h"

namespace stretch {

struct Parts {
    Audio lasting;  // tones
    Audio striking; // attacks, drums, noise
};

// The two add up to the span of the passage's sound. A frame comes out with the same bits in whatever span it lies.
// Medians over time and over frequency say of each bin which it is, all channels alike: Fitzgerald,
// "Harmonic/Percussive Separation using Median Filtering", DAFx 2010; Driedger, Müller & Ewert, "Improving
// Time-Scale Modification of Music Signals Using Harmonic-Percussive Separation", IEEE Signal Processing Letters
// 2014 (both from memory). Ours differs in that bands of a third of an octave then go one way or the other
// together. Any thread; takes time; holds half a second of spectra. What it returns when stopped is of no use.
Parts parted(const Passage& passage, Span span, const Progress& progress);

} // namespace stretch
