// Sound through a device of ALSA.
#pragma once

#include "play/output.h"

namespace play {

// What can play in stereo, as Output::description() calls each: "ALSA: USB audio". Takes a moment.
std::vector<std::string> alsaDevices();

// The device of this name, or the standard one, at the rate that was chosen, else at this one where it can. Null
// where it is not there, or cannot be opened: the reason is then written to why. Any thread; used by the interface
// thread.
std::unique_ptr<Output> openAlsaOutput(int rate, const OutputChoice& choice, std::string& why);

} // namespace play
