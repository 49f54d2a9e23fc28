// Converting audio to another sample rate.
#pragma once

#include "base/progress.h"
#include "base/result.h"
#include "sound/audio.h"
#include "sound/write.h"

#include <functional>
#include <memory>

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
// Converts audio that comes in pieces. One thread.
class RateConverter {
  public:
    // `length`: of all that will be added. REQUIRES rates > 0, one or two channels.
    RateConverter(int rate, int channels, int toRate, Frames length);
    ~RateConverter();
    RateConverter(RateConverter&&) noexcept;
    RateConverter& operator=(RateConverter&&) noexcept;

    // What can be made of it so far; after the last piece all that is left, so that the whole is as long as
    // resampledLength() says.
    Result<Audio> add(const Audio& piece, bool last);

  private:
    struct State;
    std::unique_ptr<State> state_;
};

// Blocks at another rate, made while they are asked for. Refers to nothing but what `blocks` refers to. REQUIRES
// toRate > 0. Their making fails where that of `blocks` does.
Blocks resampled(const Blocks& blocks, int toRate);
// How long the result is.
Frames resampledLength(Frames length, int rate, int toRate);

} // namespace sound
