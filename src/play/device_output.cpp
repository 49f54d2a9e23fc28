// Sound devices, through RtAudio.
#include "play/output.h"
#include "play/simulated_output.h"

#include <RtAudio.h>
#include <atomic>
#include <cstdlib>
#include <dlfcn.h>
#include <fmt/format.h>
#include <optional>
#include <string_view>

namespace play {

namespace {

const char* apiName(RtAudio::Api api) {
    return api == RtAudio::UNIX_JACK ? "JACK" : "ALSA";
}

class DeviceOutput : public Output {
  public:
    DeviceOutput(std::unique_ptr<RtAudio> audio, unsigned device, std::string name, int rate)
        : audio_(std::move(audio)), device_(device), name_(std::move(name)), rate_(rate) {}
    ~DeviceOutput() override { DeviceOutput::stop(); }

    Result<void> start(Callback callback) override {
        stop();
        callback_ = std::move(callback);
        RtAudio::StreamParameters to;
        to.deviceId = device_;
        to.nChannels = 2;
        RtAudio::StreamOptions options;
        options.streamName = "Patient Metre";
        options.flags = RTAUDIO_SCHEDULE_REALTIME;
        unsigned frames = 256;
        try {
            audio_->openStream(&to, nullptr, RTAUDIO_FLOAT32, static_cast<unsigned>(rate_), &frames,
                               &DeviceOutput::fill, this, &options, &DeviceOutput::failed);
            audio_->startStream();
        } catch (const RtAudioError& e) {
            return base::problem(fmt::format("{} could not be opened: {}", description(), e.getMessage()));
        }
        alive_ = true;
        return {};
    }

    void stop() override {
        // A server that has died closes the stream by itself; stopping it then throws.
        try {
            if (audio_->isStreamRunning()) audio_->stopStream();
        } catch (const RtAudioError&) {
            alive_ = false;
        }
        try {
            if (audio_->isStreamOpen()) audio_->closeStream();
        } catch (const RtAudioError&) {
            alive_ = false;
        }
    }

    int rate() const override { return rate_; }
    bool isSimulated() const override { return false; }
    std::string description() const override { return name_; }
    bool isAlive() const override { return alive_; }

  private:
    static int fill(void* out, void*, unsigned frames, double, RtAudioStreamStatus, void* self) {
        static_cast<DeviceOutput*>(self)->callback_(static_cast<float*>(out), static_cast<int>(frames));
        return 0;
    }
    static void failed(RtAudioError::Type, const std::string&) {}

    std::unique_ptr<RtAudio> audio_;
    unsigned device_;
    std::string name_;
    int rate_;
    std::atomic<bool> alive_{true};
    Callback callback_;
};

void sayNothing(const char*, int, const char*, int, const char*, ...) {}

// JACK's library says on standard error that no server runs, and ALSA's that there is no card; that is no news to
// us. Both have been loaded with RtAudio, or they have not, and then there is nothing to silence.
void silenceLibraries() {
    using Say = void (*)(const char*);
    using SetJack = void (*)(Say);
    const Say quiet = [](const char*) {};
    for (const char* name : {"jack_set_error_function", "jack_set_info_function"})
        if (void* found = dlsym(RTLD_DEFAULT, name); found != nullptr) reinterpret_cast<SetJack>(found)(quiet);
    using SayAlsa = void (*)(const char*, int, const char*, int, const char*, ...);
    using SetAlsa = int (*)(SayAlsa);
    if (void* found = dlsym(RTLD_DEFAULT, "snd_lib_error_set_handler"); found != nullptr)
        reinterpret_cast<SetAlsa>(found)(sayNothing);
}

std::unique_ptr<Output> openWith(RtAudio::Api api, int rate, std::string& why) {
    try {
        auto audio = std::make_unique<RtAudio>(api);
        audio->showWarnings(false);
        if (audio->getDeviceCount() == 0) return nullptr;
        const unsigned device = audio->getDefaultOutputDevice();
        const RtAudio::DeviceInfo info = audio->getDeviceInfo(device);
        if (!info.probed || info.outputChannels < 2) return nullptr;
        bool fits = false;
        for (const unsigned r : info.sampleRates)
            fits = fits || static_cast<int>(r) == rate;
        if (!fits) {
            why = fmt::format("{} does not play at {} Hz", info.name, rate);
            return nullptr;
        }
        return std::make_unique<DeviceOutput>(std::move(audio), device,
                                              fmt::format("{}: {}", apiName(api), info.name), rate);
    } catch (const RtAudioError& e) {
        why = e.getMessage();
        return nullptr;
    }
}

} // namespace

OpenedOutput openOutput(int rate) {
    const char* asked = std::getenv("PATIENT_METRE_OUTPUT");
    std::string why = "no sound device was found";
    if (asked == nullptr || std::string_view(asked) != "simulated") {
        silenceLibraries();
        for (const RtAudio::Api api : {RtAudio::UNIX_JACK, RtAudio::LINUX_ALSA})
            if (auto output = openWith(api, rate, why)) return {std::move(output), {}};
    } else {
        why = "a simulated output was asked for";
    }
    return {std::make_unique<SimulatedOutput>(rate, SimulatedOutput::Pace::RealTime),
            fmt::format("Playing silently: {}.", why)};
}

} // namespace play
