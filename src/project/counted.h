// A recording as one clip counts it: its beats nearer together, or farther apart, than the recording's own.
#pragma once

#include "project/project.h"

namespace project {

// The same beats counted as `factor` times as many, around the first downbeat, wherever they lie: free playing
// stays free, and pins keep their notes. A loop's end stays where it is. REQUIRES source.beats and factor > 0.
Source withBeatsScaled(const Source& source, double factor);

// Whether a clip counts as another tempo than its source. REQUIRES source.beats.
bool countsOtherwise(const Placement& clip, const Source& source);

// The source as the clip counts it: the same pointer where it counts as itself, or has no beats.
SourcePtr countedBy(const SourcePtr& source, const Placement& clip);
Source countedAs(const Source& source, Bpm tempo);

// How many bars of the project a clip fills; what goes round, in one turn. None without beats.
std::optional<double> barsFilled(const Project& p, const Clip& clip, const SourcePtr& countedSource);
// The same of a clip of the project, whose source is looked for.
std::optional<double> barsFilled(const Project& p, ClipId id);

// The tempo that these clips count as becomes their recordings' own: all clips of those count as it from now on.
// Of several clips of one recording the first counts. Fails where none counts as another tempo, and as
// scaleBeats() does.
Result<Project> countForRecording(const Project& p, const std::vector<ClipId>& ids);

} // namespace project
