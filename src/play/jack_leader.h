// The transport of a JACK server as the leader: its starts, stops and places; its tempo, or the project's for all.
#pragma once

#include "base/result.h"
#include "play/leader.h"

#include <memory>

namespace play {

enum class JackTime {
    Taken, // the tempo and bars of whichever program gives them; the project's own where none does
    Given  // this project gives them to the others
};

// Opens a client of the server that runs. Fails in words: no server, or another program gives the time already.
// Frames of the transport count from bar 1. As its documentation says (jack/transport.h, jack/types.h of JACK 2), a
// beat of it is a note of its metre's lower figure, and where only whole ticks are told, places are known to a
// tick. Interface thread; the leader is then used as play/leader.h says.
base::Result<std::unique_ptr<Leader>> openJackLeader(JackTime time);

// Whether the bars, beats and ticks that another program tells are the place in quarter notes that a straight line
// through an earlier one says; else a line through this one. Pure; for tests and for the leader.
class ToldBeats {
  public:
    // A place as it was told: a frame, and the quarter notes there, exact or rounded down to `step` quarter notes.
    struct Told {
        double frame = 0;
        double quarters = 0;
        double step = 0; // 0: exact
        double bpm = 120;
        double rate = 48000;
    };
    // The place at a frame, after this was told. A line is kept as long as what is told agrees with it to within a
    // step. Where frames go on and only a place or two are beside it, they are passed over: a busy program may tell
    // the place of a cycle before.
    double quartersAt(const Told& told, double frame);
    void forget() { known_ = false; }

  private:
    void keep(const Told& told);
    double on(double frame) const { return quarters_ + (frame - frame_) * slope_; }
    bool known_ = false;
    int beside_ = 0;   // places in a row that did not agree
    double last_ = -1; // frame that was told last
    double frame_ = 0;
    double quarters_ = 0;
    double slope_ = 0; // quarters a frame
};

} // namespace play
