// From beats to frames: how a clip is rendered at the project's tempo.
#pragma once

#include "metre/time_map.h"
#include "project/project.h"
#include "sound/write.h"
#include "stretch/method.h"

namespace project {

// All that rendering a clip needs, and nothing that changes: the same job always renders to the same samples.
struct RenderJob {
    std::shared_ptr<const Sound> sound;
    metre::TimeMap map;
    stretch::Settings settings;
    std::string key; // equal keys, equal results
};

// Where a clip's first frame sounds, counted from beat 0 of the project; negative for pick-ups before it.
Frames startFrameOf(const Project& p, const Clip& clip);

// The clip's time map: from each of its source's pins, each point of the tempo map, and along ramps every quarter
// of a beat. Beats between lie on the straight line, as they do in the source. Fails, naming the source, when the
// sound is missing or the stretch is beyond what can be done.
Result<RenderJob> renderJobOf(const Project& p, const Clip& clip);

// Plans a job, to be rendered piece by piece. The job's sound must outlive what is returned. Any thread.
Result<stretch::Rendering> planClip(const RenderJob& job);
// Renders while it is written, a minute or so at a time, on all of the machine's cores. What it refers to must
// outlive what is returned. `gain`: a factor.
sound::Blocks renderedBlocks(const stretch::Rendering& rendering, const sound::Audio& material, float gain,
                             const std::stop_token& stop);
// A clip's sound at its recorded speed, for as long as the clip is fitted or as it lasts.
RenderJob rawJobOf(const RenderJob& fitted);

// The method that measures best for a kind of sound (docs/decisions/0007-methods.md).
stretch::Method methodFor(hear::Kind kind);

// How far a clip is stretched where it begins, in per cent of length: +7.7 is longer. 0 for a clip that is not.
double strainPercent(const Project& p, const Clip& clip);
// By how much its tempo changes there.
metre::Bpm strainBpm(const Project& p, const Clip& clip);

} // namespace project
