// A hand that works in the real window by itself, for trials that end badly or last long.
#pragma once

#include "app/window/main_window.h"
#include "harsh/hand/edits.h"

namespace harsh {

// One edit, and now and then what goes with it: import, pins, saving, delivering, taking back, playing. Called on
// the interface thread.
void workOnce(app::MainWindow& window, const Place& place, int edit);

} // namespace harsh
