// MIDI ports, real and simulated, and what comes and goes through them.
#pragma once

#include "base/result.h"
#include "play/leader.h"
#include "play/midi_clock.h"
#include "play/snapshot.h"

#include <condition_variable>
#include <functional>
#include <memory>
#include <mutex>
#include <optional>
#include <span>
#include <string>
#include <thread>
#include <vector>

namespace play {

// The ports there are now, of JACK and of ALSA, as "JACK: name"; first a port of our own, which other programs
// connect to. With PATIENT_METRE_MIDI=simulated in the environment only the simulated ones. Takes a moment.
std::vector<std::string> midiInputs();
std::vector<std::string> midiOutputs();

// An open port. What comes in is handed on from a thread of the port's own, with its time on the steady clock.
class MidiPort {
  public:
    using Take = std::function<void(std::span<const std::uint8_t> message, double at)>;

    MidiPort() = default;
    MidiPort(const MidiPort&) = delete;
    MidiPort& operator=(const MidiPort&) = delete;
    virtual ~MidiPort() = default; // when it returns, nothing is handed on any more
    virtual void send(std::span<const std::uint8_t>) {}
};
// Fail in words: no such port, no MIDI at all.
base::Result<std::unique_ptr<MidiPort>> openMidiInput(const std::string& name, MidiPort::Take take);
base::Result<std::unique_ptr<MidiPort>> openMidiOutput(const std::string& name);

// Seconds of the steady clock, on which messages are timed.
double steadyNow();

// What comes in by one port: a clock, and strokes of pads.
class MidiInput {
  public:
    // onStroke is called from the port's thread for every note that is struck.
    static base::Result<std::unique_ptr<MidiInput>> open(const std::string& name,
                                                         std::function<void(double at)> onStroke);

    // Interface thread.
    std::optional<metre::Bpm> tempo() const;
    // The clock as a leader: place by place, and its starts and stops; its tempo is a reading to be picked. While
    // the project's tempo is another, only starts and stops count.
    std::unique_ptr<Leader> leader() const;

    struct Now {
        bool runs = false;
        double beat = 0;
        double at = 0;
        double bpm = 0; // 0: not known
    };

  private:
    explicit MidiInput(std::function<void(double)> onStroke) : onStroke_(std::move(onStroke)) {}
    void take(std::span<const std::uint8_t> message, double at);

    std::function<void(double)> onStroke_;
    mutable std::mutex mutex_; // between the port's thread and the interface
    ClockReader reader_;
    std::shared_ptr<Snapshot<Now>> now_ = std::make_shared<Snapshot<Now>>(); // for the audio callback
    std::unique_ptr<MidiPort> port_;                                         // last: hands on to what stands above
};

// Sends the project's clock through a port, from a thread of its own.
class MidiSender {
  public:
    MidiSender(std::unique_ptr<MidiPort> port, std::function<Heard()> where);

  private:
    void work(const std::stop_token& stop);

    std::unique_ptr<MidiPort> port_;
    std::function<Heard()> where_;
    std::mutex mutex_;
    std::condition_variable_any wake_;
    std::jthread thread_; // last: uses all above
};

} // namespace play
