// Where the project is heard, for whoever tells others of it.
#pragma once

namespace play {

// At `at` on the steady clock, in seconds, the beat was about to be heard.
struct Heard {
    bool plays = false;
    double beat = 0; // quarter notes
    double bpm = 120;
    double at = 0;
};

} // namespace play
