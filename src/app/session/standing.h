// How a clip stands in time, in a few words, wherever it is said.
#pragma once

#include "project/laid.h"

#include <QString>

namespace app {

// "112 → 104", "112 → 104…112" where the project's tempo changes, "counts as 84 → 104", "held at 107", "leads",
// "as recorded", "missing".
QString standingOf(const project::LaidClip& clip, const metre::TempoMap& tempo);
// How much there is between two places: "4 bars", "4 bars 2 beats", "3.25 beats".
QString barsText(const metre::MetreMap& metre, metre::Beats from, metre::Beats to);

} // namespace app
