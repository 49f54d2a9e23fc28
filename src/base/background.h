// Work that must not hold up what the user sees and hears.
#pragma once

namespace base {

// The calling thread, and those it starts, give way to others from now on (nice 10; Linux keeps that by thread).
void workInBackground();

} // namespace base
