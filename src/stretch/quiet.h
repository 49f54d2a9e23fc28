// Less of the noise that lies under a recording.
#pragma once

#include "base/progress.h"
#include "sound/audio.h"

namespace stretch {

// A gentle spectral gate: where a band is hardly louder than the noise that is always there, it is turned down, by
// 12 dB at most. The noise is learned from the recording itself, as what each band falls to in its quietest sixth
// of the time, and no more than what the bands around it fall to, so that tones that never pause are no noise.
// Spectral subtraction: Boll, "Suppression of Acoustic Noise in Speech Using Spectral Subtraction", IEEE
// Transactions on Acoustics, Speech, and Signal Processing 1979; a floor from minima: Martin, "Noise Power Spectral
// Density Estimation Based on Optimal Smoothing and Minimum Statistics", IEEE Transactions on Speech and Audio
// Processing 2001 (both from memory); ours differs in that gains are averaged over neighbouring bands and moments,
// which keeps single bands from twittering. As long as the recording, each channel for itself; a recording too
// short to learn from stays as it is. Any thread; about a hundredth of its length.
sound::Audio quieted(const sound::Audio& audio);

} // namespace stretch
