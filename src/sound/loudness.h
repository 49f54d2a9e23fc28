// Loudness as ears rate it, by libebur128: EBU R 128, ITU-R BS.1770.
#pragma once

#include "sound/audio.h"

#include <optional>
#include <vector>

namespace sound {

// Integrated loudness in LUFS of pieces that follow one another, all of one rate and as many channels. What is
// shorter than the measure's block of 0.4 s is measured with silence after it. Nothing where all of it lies below
// the measure's gate of −70 LUFS. REQUIRES one or two channels. Any thread; takes time.
std::optional<double> integratedLoudness(const std::vector<AudioPtr>& pieces);

// The true peak in dB below or above full scale (dBTP), of four-fold oversampled audio as ITU-R BS.1770 asks;
// nothing where it is silent. REQUIRES one or two channels. Any thread; takes time.
std::optional<double> truePeak(const Audio& audio);

} // namespace sound
