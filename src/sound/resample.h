// Converting audio to another sample rate.
#pragma once

#include "base/progress.h"
#include "base/result.h"
#include "sound/audio.h"

#include <functional>

namespace sound {

using base::Result;

// The same sound at another rate, by soxr at its high-quality setting. The length is the nearest frame to
// length × toRate / rate, exactly. Channels are treated alike, so equal channels stay equal.
// REQUIRES toRate > 0. Fails when cancelled or when memory does not reach.
Result<Audio> resampled(const Audio& audio, int toRate, const base::Progress& progress = {});

// The same handed on block by block, from its first frame on, for what is kept elsewhere. Ends early, without an
// error, when `take` returns false.
Result<void> resample(const Audio& audio, int toRate,
                      const std::function<bool(const Audio& block, Frames at)>& take,
                      const base::Progress& progress = {});
// How long the result is.
Frames resampledLength(Frames length, int rate, int toRate);

} // namespace sound
