#include "play/jack_output.h"

#include "play/sound_libraries.h"

#include <algorithm>
#include <array>
#include <atomic>
#include <chrono>
#include <fmt/format.h>
#include <jack/jack.h>
#include <string_view>
#include <thread>

namespace play {

namespace {

constexpr std::string_view prefix = "JACK: ";
constexpr std::size_t largestBlock = 8192; // frames; the server has no larger ones

struct Ports {
    std::string device; // "JACK: system"
    std::vector<std::string> names;
    bool isHardware = false;
};

// What takes sound on two channels or more. A port is called after its client: "system:playback_1".
std::vector<Ports> portsOf(jack_client_t* client) {
    std::vector<Ports> list;
    const auto add = [&](unsigned long flags, bool isHardware) {
        const char** found = jack_get_ports(client, nullptr, JACK_DEFAULT_AUDIO_TYPE, flags);
        for (const char** port = found; port != nullptr && *port != nullptr; ++port) {
            const std::string_view name = *port;
            const std::string device = fmt::format("{}{}", prefix, name.substr(0, name.find(':')));
            auto at = std::find_if(list.begin(), list.end(), [&](const Ports& p) { return p.device == device; });
            if (at == list.end()) at = list.insert(at, {device, {}, isHardware});
            if (at->isHardware == isHardware) at->names.emplace_back(name);
        }
        jack_free(found);
    };
    add(JackPortIsInput | JackPortIsPhysical, true);
    add(JackPortIsInput, false);
    std::erase_if(list, [](const Ports& p) { return p.names.size() < 2; });
    return list;
}

// What the server's thread uses. It outlives the output where the server has gone: nobody ends that thread then.
struct Asked {
    Callback callback;
    std::array<jack_port_t*, 2> ports{};
    std::vector<float> frames = std::vector<float>(2 * largestBlock); // interleaved
    std::atomic<bool> isOn{false};
    std::atomic<bool> isInside{false};
    std::atomic<std::int64_t> blocks{0};
};

class JackOutput : public Output {
  public:
    JackOutput(std::unique_ptr<JackClient> client, std::string device)
        : client_(std::move(client)), device_(std::move(device)), asked_(std::make_shared<Asked>()) {
        client_->keep(asked_);
    }
    ~JackOutput() override { JackOutput::stop(); }

    // Once, before it is started.
    bool makePorts() {
        const char* const names[] = {"left", "right"};
        for (std::size_t c = 0; c < 2; ++c)
            asked_->ports[c] =
                jack_port_register(client_->get(), names[c], JACK_DEFAULT_AUDIO_TYPE, JackPortIsOutput, 0);
        return asked_->ports[0] != nullptr && asked_->ports[1] != nullptr &&
               jack_set_process_callback(client_->get(), &JackOutput::fill, asked_.get()) == 0;
    }

    Result<void> start(Callback callback) override {
        stop();
        if (client_->hasGone()) return base::problem(fmt::format("{} has gone.", device_));
        asked_->callback = std::move(callback);
        asked_->isOn = true;
        isStarted_ = true;
        lastBlocks_ = asked_->blocks;
        lastAsked_ = std::chrono::steady_clock::now();
        if (jack_activate(client_->get()) != 0) {
            stop();
            return base::problem(fmt::format("{} could not be opened: the server does not start it.", device_));
        }
        if (!connect()) {
            stop();
            return base::problem(fmt::format("{} could not be opened: it takes no connection.", device_));
        }
        return {};
    }

    void stop() override {
        if (!isStarted_) return;
        isStarted_ = false;
        asked_->isOn = false;
        if (!client_->hasGone()) jack_deactivate(client_->get());
        // The thread of a server that has gone may be within its last block still.
        while (asked_->isInside)
            std::this_thread::yield();
        asked_->callback = nullptr;
    }

    int rate() const override { return rate_; }
    bool setRate(int rate) override { return rate == rate_; }
    bool isSimulated() const override { return false; }
    std::string description() const override { return device_; }
    bool isJack() const override { return true; }
    bool isAlive() override {
        if (client_->hasGone()) return false;
        if (!isStarted_) return true;
        const auto now = std::chrono::steady_clock::now();
        const std::int64_t blocks = asked_->blocks.load(std::memory_order_relaxed);
        if (blocks != lastBlocks_) {
            lastBlocks_ = blocks;
            lastAsked_ = now;
        }
        if (now - lastAsked_ < longestSilence) return true;
        client_->giveUp(); // it hangs: whatever is asked of it would hang as well
        return false;
    }

  private:
    static constexpr auto longestSilence = std::chrono::milliseconds(5000);

    bool connect() {
        for (const Ports& ports : portsOf(client_->get())) {
            if (ports.device != device_) continue;
            for (std::size_t c = 0; c < 2; ++c)
                if (jack_connect(client_->get(), jack_port_name(asked_->ports[c]), ports.names[c].c_str()) != 0)
                    return false;
            return true;
        }
        return false;
    }

    static int fill(jack_nframes_t n, void* asked) {
        auto& self = *static_cast<Asked*>(asked);
        std::array<float*, 2> out{};
        for (std::size_t c = 0; c < 2; ++c)
            out[c] = static_cast<float*>(jack_port_get_buffer(self.ports[c], n));
        self.isInside = true; // seen by stop(), or this sees that it is off
        if (self.isOn && n <= largestBlock) {
            self.callback(self.frames.data(), static_cast<int>(n));
            for (std::size_t i = 0; i < n; ++i)
                for (std::size_t c = 0; c < 2; ++c)
                    out[c][i] = self.frames[2 * i + c];
        } else {
            for (float* channel : out)
                std::fill_n(channel, n, 0.0F);
        }
        self.isInside = false;
        self.blocks.fetch_add(1, std::memory_order_relaxed);
        return 0;
    }

    std::unique_ptr<JackClient> client_;
    const std::string device_;
    const int rate_ = static_cast<int>(jack_get_sample_rate(client_->get()));
    const std::shared_ptr<Asked> asked_;
    bool isStarted_ = false;
    std::int64_t lastBlocks_ = 0;
    std::chrono::steady_clock::time_point lastAsked_;
};

} // namespace

std::vector<std::string> jackDevices() {
    std::vector<std::string> names;
    if (const auto client = JackClient::open("Patient Metre looks"))
        for (const Ports& ports : portsOf(client->get()))
            names.push_back(ports.device);
    return names;
}

std::unique_ptr<Output> openJackOutput(const std::string& device) {
    auto client = JackClient::open("Patient Metre");
    if (!client) return nullptr;
    const auto list = portsOf(client->get());
    const auto chosen = std::find_if(list.begin(), list.end(),
                                     [&](const Ports& ports) { return device.empty() || ports.device == device; });
    if (chosen == list.end()) return nullptr;
    auto output = std::make_unique<JackOutput>(std::move(client), chosen->device);
    if (!output->makePorts()) return nullptr;
    return output;
}

} // namespace play
