// Taking a recording apart into what lasts and what strikes.
#pragma once

#include "sound/audio.h"
#include "sound/progress.h"

namespace stretch {

using sound::Audio;

struct Parts {
    Audio lasting;  // tones
    Audio striking; // attacks, drums, noise
};

// The two add up to the recording, sample by sample but for rounding. Medians over time and over frequency decide
// for each bin which it is, all channels alike: Fitzgerald, "Harmonic/Percussive Separation using Median
// Filtering", DAFx 2010; Driedger, Müller & Ewert, "Improving Time-Scale Modification of Music Signals Using
// Harmonic-Percussive Separation", IEEE Signal Processing Letters 2014 (both from memory). Any thread; takes time;
// holds half a second of spectra. What it returns when stopped is of no use.
Parts parted(const Audio& audio, const sound::Progress& progress);

} // namespace stretch
