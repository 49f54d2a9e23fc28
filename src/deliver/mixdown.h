// The project from one place to another, track by track and together, in little memory.
#pragma once

#include "deliver/order.h"
#include "mix/mixer.h"
#include "project/clip_rendering.h"

#include <functional>

namespace deliver {

// A clip as it is heard but for its track's gain and pan: with its gain, fades and channels; mono where the source
// is. Keeps what it refers to. What is in `there` is not rendered again. Fails where the clip cannot be heard.
Result<sound::Blocks> loopBlocks(const project::LaidPtr& laid, project::ClipId clip, const std::stop_token& stop,
                                 const project::RenderingsPtr& there = {});

// The click on the project's beats, over a span, as loud as the project has it.
sound::Blocks clickBlocks(const project::LaidPtr& laid, const Span& span);

// Where mixed blocks go. `tracks`: of every track of the project, null where it is not heard; interleaved to stereo
// audio, all from frame `at` of the span on. Fails to end it.
struct Mixed {
    Frames at;
    std::vector<const sound::Audio*> tracks;
    const sound::Audio* mix = nullptr; // the sum of the tracks
    // By track, why something on it could not be rendered, from there on; empty where all could.
    std::vector<std::string> broken;
    // Why the mix lacks something; empty where it does not.
    std::string mixBroken() const;
};
using TakeMixed = std::function<Result<void>(const Mixed&)>;

// Renders and mixes all that is heard, block by block, each clip once. What cannot be heard at all (its file is
// missing, say) is named in `problems`, and the others are mixed all the same; what fails on the way makes its
// track broken. Memory: some ten seconds for each core, of every clip that sounds at once. Fails when cancelled,
// when rendering does, and as `take` does. Any thread; takes time.
Result<void> mixDown(const project::LaidPtr& laid, const Span& span, std::vector<std::string>& problems,
                     const TakeMixed& take, const base::Progress& progress = {},
                     const project::RenderingsPtr& there = {});

} // namespace deliver
