#include "play/alsa_output.h"

#include <RtAudio.h>
#include <algorithm>
#include <atomic>
#include <chrono>
#include <fmt/format.h>

namespace play {

namespace {

class AlsaOutput : public Output {
  public:
    AlsaOutput(std::unique_ptr<RtAudio> audio, unsigned device, std::string name, std::vector<unsigned> rates,
               int rate, int block, bool keepsRate)
        : audio_(std::move(audio)), device_(device), name_(std::move(name)), rates_(std::move(rates)), rate_(rate),
          block_(block), keepsRate_(keepsRate) {}
    ~AlsaOutput() override { AlsaOutput::stop(); }

    Result<void> start(Callback callback) override {
        stop();
        callback_ = std::move(callback);
        RtAudio::StreamParameters to;
        to.deviceId = device_;
        to.nChannels = 2;
        RtAudio::StreamOptions options;
        options.streamName = "Patient Metre";
        options.flags = RTAUDIO_SCHEDULE_REALTIME;
        unsigned frames = static_cast<unsigned>(block_);
        try {
            audio_->openStream(&to, nullptr, RTAUDIO_FLOAT32, static_cast<unsigned>(rate_), &frames,
                               &AlsaOutput::fill, this, &options, &AlsaOutput::failed);
            audio_->startStream();
        } catch (const RtAudioError& e) {
            return base::problem(fmt::format("{} could not be opened: {}", description(), e.getMessage()));
        }
        failed_ = false;
        started_ = true;
        lastBlocks_ = -1;
        return {};
    }

    void stop() override {
        started_ = false;
        // Nobody waits for what is still to sound: a device that is pulled out would never say that it has.
        try {
            if (audio_->isStreamRunning()) audio_->abortStream();
        } catch (const RtAudioError&) {
            failed_ = true;
        }
        try {
            if (audio_->isStreamOpen()) audio_->closeStream();
        } catch (const RtAudioError&) {
            failed_ = true;
        }
    }

    int rate() const override { return rate_; }
    bool setRate(int rate) override {
        if (keepsRate_) return rate == rate_;
        if (std::find(rates_.begin(), rates_.end(), static_cast<unsigned>(rate)) == rates_.end()) return false;
        rate_ = rate;
        return true;
    }
    bool isSimulated() const override { return false; }
    std::string description() const override { return name_; }
    bool isAlive() override {
        if (!started_) return !failed_;
        if (failed_) return false;
        // A device that is pulled out may say nothing at all: what is alive asks for sound.
        const auto now = std::chrono::steady_clock::now();
        const std::int64_t blocks = blocks_.load(std::memory_order_relaxed);
        if (blocks != lastBlocks_) {
            warnings_ = 0;
            lastBlocks_ = blocks;
            lastAsked_ = now;
        }
        return now - lastAsked_ < longestSilence;
    }

  private:
    static constexpr auto longestSilence = std::chrono::milliseconds(1500);
    static constexpr int mostWarnings = 100; // between two looks: a device that answers every write with an error

    static int fill(void* out, void*, unsigned frames, double, RtAudioStreamStatus, void* self) {
        auto* output = static_cast<AlsaOutput*>(self);
        output->callback_(static_cast<float*>(out), static_cast<int>(frames));
        output->blocks_.fetch_add(1, std::memory_order_relaxed);
        return 0;
    }
    // The library says here, without saying to which stream, what went wrong; an underrun is only a warning.
    static void failed(RtAudioError::Type type, const std::string&) {
        const bool isWarning = type == RtAudioError::WARNING || type == RtAudioError::DEBUG_WARNING;
        if (!isWarning || ++warnings_ > mostWarnings) failed_ = true;
    }
    // There is one device at a time.
    static inline std::atomic<bool> failed_{false};
    static inline std::atomic<int> warnings_{0};

    std::unique_ptr<RtAudio> audio_;
    unsigned device_;
    std::string name_;
    std::vector<unsigned> rates_;
    int rate_;
    int block_;
    bool keepsRate_; // the user asked for it
    bool started_ = false;
    std::atomic<std::int64_t> blocks_{0};
    std::int64_t lastBlocks_ = -1;
    std::chrono::steady_clock::time_point lastAsked_;
    Callback callback_;
};

// The devices that can play in stereo, by number.
std::vector<std::pair<unsigned, RtAudio::DeviceInfo>> devicesOf(RtAudio& audio) {
    std::vector<std::pair<unsigned, RtAudio::DeviceInfo>> list;
    for (unsigned i = 0; i < audio.getDeviceCount(); ++i) {
        RtAudio::DeviceInfo info = audio.getDeviceInfo(i);
        if (info.probed && info.outputChannels >= 2 && !info.sampleRates.empty()) list.emplace_back(i, info);
    }
    return list;
}

std::string nameOf(const RtAudio::DeviceInfo& info) {
    return fmt::format("ALSA: {}", info.name);
}

} // namespace

std::vector<std::string> alsaDevices() {
    std::vector<std::string> names;
    try {
        RtAudio audio(RtAudio::LINUX_ALSA);
        audio.showWarnings(false);
        for (const auto& device : devicesOf(audio))
            names.push_back(nameOf(device.second));
    } catch (const RtAudioError&) {
        return names; // that interface is not there
    }
    return names;
}

std::unique_ptr<Output> openAlsaOutput(int rate, const OutputChoice& choice, std::string& why) {
    try {
        auto audio = std::make_unique<RtAudio>(RtAudio::LINUX_ALSA);
        audio->showWarnings(false);
        const auto devices = devicesOf(*audio);
        if (devices.empty()) return nullptr;
        auto device = std::find_if(devices.begin(), devices.end(),
                                   [&](const auto& d) { return nameOf(d.second) == choice.device; });
        if (device == devices.end()) {
            if (!choice.device.empty()) return nullptr;
            const unsigned standard = audio->getDefaultOutputDevice();
            device =
                std::find_if(devices.begin(), devices.end(), [&](const auto& d) { return d.first == standard; });
            if (device == devices.end()) return nullptr;
        }
        const RtAudio::DeviceInfo& info = device->second;
        // Some devices have few rates: then what is played is converted on its way.
        const auto& rates = info.sampleRates;
        const auto has = [&](int r) {
            return std::find(rates.begin(), rates.end(), static_cast<unsigned>(r)) != rates.end();
        };
        const bool asked = choice.rate != 0 && has(choice.rate);
        const unsigned chosen = asked                           ? static_cast<unsigned>(choice.rate)
                                : has(rate)                     ? static_cast<unsigned>(rate)
                                : info.preferredSampleRate != 0 ? info.preferredSampleRate
                                                                : rates.back();
        return std::make_unique<AlsaOutput>(std::move(audio), device->first, nameOf(info), rates,
                                            static_cast<int>(chosen), std::clamp(choice.block, 16, 8192), asked);
    } catch (const RtAudioError& e) {
        why = e.getMessage();
        return nullptr;
    }
}

} // namespace play
