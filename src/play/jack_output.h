// Sound through a JACK server, in its own cycles.
#pragma once

#include "play/output.h"

namespace play {

// What can play in stereo there, as Output::description() calls each: "JACK: system"; hardware first. Empty where
// no server answers.
std::vector<std::string> jackDevices();

// A client of the server, connected to the first two inputs of the device of this name (empty: the first of
// jackDevices()) while it is started. It has the server's rate and block. Null where no server answers, or it has
// no such device. Interface thread, or any one other.
std::unique_ptr<Output> openJackOutput(const std::string& device);

} // namespace play
