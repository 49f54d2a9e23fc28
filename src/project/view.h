// How one works with a project: functions from a view to a view, each of which fails with a sentence when what is
// asked for cannot be. Any thread; quick.
#pragma once

#include "project/project.h"

namespace project {

Result<View> setClickGain(const View& view, double db);
Result<View> setOutputGain(const View& view, double db);
Result<View> setCountIn(const View& view, int bars);
// Of these tracks; out of range, the nearest height that there is.
View setTrackHeights(const View& view, const std::vector<TrackId>& tracks, int height);

} // namespace project
