// What a clip is rendered from.
#pragma once

#include "base/hash.h"
#include "metre/time_map.h"
#include "project/project.h"
#include "stretch/method.h"

namespace project {

// All that rendering a clip needs, and nothing that changes: the same job always renders to the same samples.
struct RenderJob {
    std::shared_ptr<const Sound> sound;
    metre::TimeMap map;
    stretch::Settings settings;
    base::Key key; // equal keys, equal samples
};
using RenderJobPtr = std::shared_ptr<const RenderJob>;

// A job with its key, from a source's content at its sound's rate. What is transposed on tape is stretched by the
// method for the source's kind. REQUIRES source.sound.
RenderJobPtr jobOf(const Source& source, metre::TimeMap map, stretch::Settings settings);

// The same by another method.
RenderJobPtr byMethod(const RenderJob& job, stretch::Method method);
// The same sound at its recorded speed, for as long as the job is or as the sound lasts.
RenderJobPtr asRecorded(const RenderJob& job);

// Plans a job, to be rendered piece by piece. The job's sound must outlive what is returned. Any thread.
Result<stretch::Rendering> planOf(const RenderJob& job);
// Output frames [from, to) in haste (stretch/draft.h). Any thread.
sound::Audio draftOf(const RenderJob& job, Frames from, Frames to);
} // namespace project
