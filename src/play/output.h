// Where sound goes: a device, or a simulated one.
#pragma once

#include "base/result.h"

#include <functional>
#include <memory>
#include <string>
#include <vector>

namespace play {

using base::Result;

// Fills n interleaved stereo frames. Called from the output's own thread.
using Callback = std::function<void(float* out, int n)>;

class Output {
  public:
    virtual ~Output() = default;

    // Begins to call back; the output is already open, so that the rate is known. Fails in words.
    virtual Result<void> start(Callback callback) = 0;
    // Ends; when it returns, the callback is not running and will not be called. Safe when not started.
    virtual void stop() = 0;

    // The rate it plays at. setRate() asks for another, while it is not started: false where the device cannot, and
    // the rate stays.
    virtual int rate() const = 0;
    virtual bool setRate(int rate) = 0;
    virtual bool isSimulated() const = 0;
    // What the window shows: "ALSA: USB audio", "no sound device: playing silently".
    virtual std::string description() const = 0;
    // Whether it calls back in the cycles of a JACK server.
    virtual bool isJack() const { return false; }
    // False once the device has gone away, or has stopped asking for sound. Interface thread.
    virtual bool isAlive() = 0;
};

// What the user asks for.
struct OutputChoice {
    bool simulated = false; // no device, whether there is one or not
    std::string device;     // as outputDevices() calls it; empty: whichever there is
    int rate = 0;           // the device's; 0: the project's, where it can
    int block = 256;        // frames it asks for at once; what it makes of that is its own affair
    bool operator==(const OutputChoice&) const = default;
};

// The devices that are there now, as Output::description() calls them. Takes a moment.
std::vector<std::string> outputDevices();

struct OpenedOutput {
    std::unique_ptr<Output> output; // never null
    std::string told;               // why it is not a device, in words; empty when it is one
};

// Opens a device, at this rate where it can: through JACK where a server answers, else ALSA; else a simulated
// output that runs in real time. Never fails; where the device that was chosen is not there, another is taken, and
// that is told. With PATIENT_METRE_OUTPUT=simulated in the environment no device is looked for.
OpenedOutput openOutput(int rate, const OutputChoice& choice = {});

// A simulated output that runs in real time.
std::unique_ptr<Output> silentOutput(int rate);

} // namespace play
