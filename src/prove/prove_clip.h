// The one way in which a clip is proven: for the window, for the report, in whatever order.
#pragma once

#include "project/clip_rendering.h"
#include "prove/proof.h"

#include <memory>

namespace prove {

// What is measured of a clip, step by step; what is there already is not measured again.
struct Proven {
    std::shared_ptr<const Measured> source; // its recording
    std::shared_ptr<const CameOut> cameOut;
    std::shared_ptr<const Proof> proof;
};

// Measures what is missing in `into`, and proves. What is in `there`, which may be null, is not rendered again.
// `withLevels`: also how loud the clip comes out, which a report says and the window does not show.
// Fails in a sentence, and when stopped: what was measured until then stays. REQUIRES clip.source->sound. Any
// thread; takes time.
Result<void> proveClip(const project::LaidClip& clip, const metre::TempoMap& tempo,
                       const project::RenderingsPtr& there, bool withLevels, Proven& into,
                       const base::Progress& progress = {});

// The same proof, with the levels where they were not measured yet. Fails as proveClip() does.
Result<std::shared_ptr<const Proof>> withLevels(const project::LaidClip& clip, const project::RenderingsPtr& there,
                                                std::shared_ptr<const Proof> proof,
                                                const base::Progress& progress = {});

} // namespace prove
