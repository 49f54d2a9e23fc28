#include "play/midi_ports.h"

#include "play/sound_libraries.h"

#include <RtMidi.h>
#include <chrono>
#include <cmath>
#include <cstdlib>
#include <fmt/format.h>
#include <jack/jack.h>
#include <limits>
#include <string_view>

namespace play {

namespace {

constexpr RtMidi::Api midiApis[] = {RtMidi::UNIX_JACK, RtMidi::LINUX_ALSA};
constexpr const char* clientName = "Patient Metre";
constexpr const char* ownPort = "a port of its own";
constexpr const char* simulatedIn = "simulated: a clock at 112 BPM";
constexpr const char* simulatedOut = "simulated: nobody listens";

bool onlySimulated() {
    const char* asked = std::getenv("PATIENT_METRE_MIDI");
    return asked != nullptr && std::string_view(asked) == "simulated";
}

std::string portName(RtMidi::Api api, const std::string& port) {
    return fmt::format("{}: {}", api == RtMidi::UNIX_JACK ? "JACK" : "ALSA", port);
}

void sayNothing(RtMidiError::Type, const std::string&, void*) {}

template <class Port>
std::unique_ptr<Port> client(RtMidi::Api api) {
    silenceLibraries();
    try {
        auto port = std::make_unique<Port>(api, clientName);
        port->setErrorCallback(sayNothing);
        return port;
    } catch (const RtMidiError&) {
        return nullptr; // that system is not there
    }
}

template <class Port>
std::vector<std::string> portsOf() {
    std::vector<std::string> names;
    for (const RtMidi::Api api : midiApis) {
        const auto port = client<Port>(api);
        if (!port || (api == RtMidi::UNIX_JACK && JackClient::open(clientName) == nullptr)) continue;
        names.push_back(portName(api, ownPort));
        for (unsigned i = 0; i < port->getPortCount(); ++i)
            names.push_back(portName(api, port->getPortName(i)));
    }
    return names;
}

// Opens the port of that name; null where there is none.
template <class Port>
std::unique_ptr<Port> openNamed(const std::string& name) {
    for (const RtMidi::Api api : midiApis) {
        if (api == RtMidi::UNIX_JACK && JackClient::open(clientName) == nullptr) continue;
        auto port = client<Port>(api);
        if (!port) continue;
        if (name == portName(api, ownPort)) {
            port->openVirtualPort("clock");
            return port;
        }
        for (unsigned i = 0; i < port->getPortCount(); ++i)
            if (name == portName(api, port->getPortName(i))) {
                port->openPort(i, "clock");
                return port->isPortOpen() ? std::move(port) : nullptr;
            }
    }
    return nullptr;
}

// A port of a system, and, with JACK, a client that notices when the server has gone: then the port is left behind
// as that is.
template <class Port>
class Real : public MidiPort {
  public:
    explicit Real(std::unique_ptr<Port> port) : port_(std::move(port)) {
        if (port_->getCurrentApi() != RtMidi::UNIX_JACK) return;
        watch_ = JackClient::open("Patient Metre watch");
        if (watch_) jack_activate(watch_->get()); // else nobody tells it
    }
    ~Real() override {
        if (hasGone()) leaveBehind(std::move(port_));
    }

  protected:
    bool hasGone() const { return watch_ && watch_->hasGone(); }
    std::shared_ptr<Port> port_;

  private:
    std::unique_ptr<JackClient> watch_;
};

class RealInput : public Real<RtMidiIn> {
  public:
    RealInput(std::unique_ptr<RtMidiIn> in, Take take) : Real(std::move(in)), take_(std::move(take)) {
        port_->ignoreTypes(true, false, true); // clocks are wanted
        port_->setCallback(
            [](double, std::vector<unsigned char>* message, void* self) {
                if (message != nullptr && !message->empty())
                    static_cast<RealInput*>(self)->take_(*message, steadyNow());
            },
            this);
    }
    ~RealInput() override {
        if (hasGone()) return;
        port_->cancelCallback();
        port_->closePort();
    }

  private:
    Take take_;
};

class RealOutput : public Real<RtMidiOut> {
  public:
    using Real::Real;
    void send(std::span<const std::uint8_t> message) override {
        port_->sendMessage(message.data(), message.size());
    }
};

// Sends the clock of a machine that has been started at bar 1.
class SimulatedInput : public MidiPort {
  public:
    explicit SimulatedInput(Take take)
        : thread_([take = std::move(take)](const std::stop_token& stop) {
              const Heard where{true, 0, 112, steadyNow()};
              ClockWriter writer;
              std::mutex mutex;
              std::condition_variable_any wake;
              std::unique_lock lock(mutex);
              while (!stop.stop_requested()) {
                  for (const auto& m : writer.until(where, steadyNow()))
                      take(std::span(m.bytes).first(m.size), m.at);
                  wake.wait_for(lock, stop, std::chrono::milliseconds(2), [] { return false; });
              }
          }) {}

  private:
    std::jthread thread_;
};

class ClockLeader : public Leader {
  public:
    explicit ClockLeader(std::shared_ptr<const Snapshot<MidiInput::Now>> now) : now_(std::move(now)) {}
    std::string name() const override { return "MIDI"; }
    bool isThere() override { return true; }
    bool isAskable() const override { return false; }
    void start() override {}
    void stop() override {}
    void locate(metre::Beats) override {}
    bool rolls() const override { return now_->read().runs; }
    std::optional<LedTime> time() override { return {}; } // it is picked, or not
    void setProject(const metre::TempoMap&, const metre::MetreMap&) override {}
    void setStep(Step) override {}

    LedPlace look(const metre::TempoMap& heard, int, bool) override {
        constexpr double sameTempo = 0.005; // relative
        constexpr metre::Seconds near{0.02};
        const MidiInput::Now now = now_->read();
        LedPlace place;
        place.rolls = now.runs;
        const double since = now.runs ? std::min(steadyNow() - now.at, longest) : 0;
        place.at = metre::Beats(now.beat + since * now.bpm / 60);
        const double bpm = heard.tempoAt(*place.at).value;
        const bool isNear = now.bpm > 0 && std::abs(now.bpm - bpm) < sameTempo * bpm;
        place.loose = isNear ? near : metre::Seconds(std::numeric_limits<int>::max());
        return place;
    }
    void begins(metre::Beats) override {}

  private:
    static constexpr double longest = 0.5; // seconds that a clock may be late
    std::shared_ptr<const Snapshot<MidiInput::Now>> now_;
};

} // namespace

double steadyNow() {
    return std::chrono::duration<double>(std::chrono::steady_clock::now().time_since_epoch()).count();
}

std::vector<std::string> midiInputs() {
    return onlySimulated() ? std::vector<std::string>{simulatedIn} : portsOf<RtMidiIn>();
}

std::vector<std::string> midiOutputs() {
    return onlySimulated() ? std::vector<std::string>{simulatedOut} : portsOf<RtMidiOut>();
}

base::Result<std::unique_ptr<MidiPort>> openMidiInput(const std::string& name, MidiPort::Take take) {
    if (onlySimulated() && name == simulatedIn) return std::make_unique<SimulatedInput>(std::move(take));
    if (!onlySimulated())
        if (auto in = openNamed<RtMidiIn>(name)) return std::make_unique<RealInput>(std::move(in), std::move(take));
    return base::problem(fmt::format("The MIDI port “{}” is not there.", name));
}

base::Result<std::unique_ptr<MidiPort>> openMidiOutput(const std::string& name) {
    if (onlySimulated() && name == simulatedOut) return std::make_unique<MidiPort>();
    if (!onlySimulated())
        if (auto out = openNamed<RtMidiOut>(name)) return std::make_unique<RealOutput>(std::move(out));
    return base::problem(fmt::format("The MIDI port “{}” is not there.", name));
}

base::Result<std::unique_ptr<MidiInput>> MidiInput::open(const std::string& name,
                                                         std::function<void(double)> onStroke) {
    std::unique_ptr<MidiInput> input(new MidiInput(std::move(onStroke)));
    auto port = openMidiInput(
        name, [in = input.get()](std::span<const std::uint8_t> message, double at) { in->take(message, at); });
    if (!port) return tl::unexpected(port.error());
    input->port_ = std::move(*port);
    return input;
}

void MidiInput::take(std::span<const std::uint8_t> message, double at) {
    const bool isStroke = message.size() >= 3 && (message[0] & 0xF0) == 0x90 && message[2] > 0;
    if (isStroke) {
        if (onStroke_) onStroke_(at);
        return;
    }
    const std::lock_guard lock(mutex_);
    reader_.take(message, at);
    const auto bpm = reader_.tempo(at);
    now_->write({reader_.isRunning(), reader_.beatAt(at), at, bpm ? bpm->value : 0});
}

std::optional<metre::Bpm> MidiInput::tempo() const {
    const std::lock_guard lock(mutex_);
    return reader_.tempo(steadyNow());
}

std::unique_ptr<Leader> MidiInput::leader() const {
    return std::make_unique<ClockLeader>(now_);
}

MidiSender::MidiSender(std::unique_ptr<MidiPort> port, std::function<Heard()> where)
    : port_(std::move(port)), where_(std::move(where)),
      thread_([this](const std::stop_token& stop) { work(stop); }) {}

void MidiSender::work(const std::stop_token& stop) {
    ClockWriter writer;
    std::unique_lock lock(mutex_);
    while (!stop.stop_requested()) {
        for (const ClockWriter::Message& m : writer.until(where_(), steadyNow()))
            port_->send(std::span(m.bytes).first(m.size));
        // A clock is due every 20 ms or so; a start and a jump are told within two.
        wake_.wait_for(lock, stop, std::chrono::milliseconds(2), [] { return false; });
    }
}

} // namespace play
