#include "sound/scratch.h"

#include "base/disk.h"
#include "base/safe_file.h"
#include "sound/mapped.h"

#include <algorithm>
#include <unistd.h>
#include <utility>

namespace sound {

namespace {

constexpr std::size_t fewBytes = std::size_t(32) << 20; // of all channels together, that stay in memory
constexpr std::int64_t blockFrames = 1 << 18;

} // namespace

// The samples of one channel: those behind what was written to its file are in memory.
struct Aside::Channel {
    std::vector<float> here;
    std::int64_t written = 0; // samples
    int file = -1;
    bool stays = false; // in memory, what is not written yet

    Channel() = default;
    Channel(const Channel&) = delete;
    Channel& operator=(const Channel&) = delete;
    ~Channel() {
        if (file >= 0) close(file);
    }

    void add(const float* samples, std::size_t count, std::size_t most) {
        here.insert(here.end(), samples, samples + count);
        if (here.size() <= most || stays) return;
        stays = !moved();
    }

    Samples finished() {
        if (written == 0) return {std::move(here)};
        if (!stays && moved()) {
            const auto count = static_cast<std::size_t>(written);
            if (auto mapping = Mapping::of(file, 0, count * sizeof(float))) {
                const auto* first = reinterpret_cast<const float*>(mapping->data());
                return Samples::viewOf(first, count, std::move(mapping));
            }
        }
        // The disk had room for some of it, and then for no more.
        std::vector<float> all(static_cast<std::size_t>(written) + here.size());
        base::disk::readAllAt(file, all.data(), static_cast<std::size_t>(written) * sizeof(float), 0);
        std::copy(here.begin(), here.end(), all.begin() + written);
        return {std::move(all)};
    }

  private:
    // To the file; false where the disk refuses.
    bool moved() {
        if (file < 0) file = base::namelessFile();
        if (file < 0 || !base::disk::writeAllAt(file, here.data(), here.size() * sizeof(float),
                                                written * std::int64_t(sizeof(float))))
            return false;
        written += static_cast<std::int64_t>(here.size());
        here.clear();
        return true;
    }
};

Aside::Aside(int rate, int channels) : rate_(rate) {
    for (int c = 0; c < channels; ++c)
        channels_.push_back(std::make_unique<Channel>());
}

Aside::~Aside() = default;
Aside::Aside(Aside&&) noexcept = default;
Aside& Aside::operator=(Aside&&) noexcept = default;

void Aside::expect(std::size_t frames) {
    for (auto& channel : channels_)
        channel->here.reserve(std::min(frames, fewBytes / sizeof(float) / channels_.size() + blockFrames));
}

void Aside::add(const Audio& block) {
    for (std::size_t c = 0; c < channels_.size(); ++c)
        channels_[c]->add(block.channels[c].data(), block.channels[c].size(),
                          fewBytes / sizeof(float) / channels_.size());
}

void Aside::add(const float* interleaved, std::int64_t frames) {
    const std::size_t stride = channels_.size();
    one_.resize(static_cast<std::size_t>(frames));
    for (std::size_t c = 0; c < stride; ++c) {
        for (std::size_t i = 0; i < one_.size(); ++i)
            one_[i] = interleaved[i * stride + c];
        channels_[c]->add(one_.data(), one_.size(), fewBytes / sizeof(float) / stride);
    }
}

AudioPtr Aside::finished() {
    auto audio = std::make_shared<Audio>();
    audio->rate = rate_;
    for (auto& channel : channels_)
        audio->channels.push_back(channel->finished());
    return audio;
}

AudioPtr madeAside(int rate, int channels, Frames length,
                   const std::function<void(Frames from, Audio& block)>& fill) {
    Aside aside(rate, channels);
    aside.expect(static_cast<std::size_t>(length.value));
    for (Frames from(0); from < length; from += Frames(blockFrames)) {
        Audio block(rate, channels, std::min(Frames(blockFrames), length - from));
        fill(from, block);
        aside.add(block);
    }
    return aside.finished();
}

AudioPtr setAside(Audio audio) {
    const auto few =
        static_cast<std::size_t>(audio.frames().value) * sizeof(float) * audio.channels.size() < fewBytes;
    if (few) return std::make_shared<const Audio>(std::move(audio));
    return madeAside(audio.rate, audio.channelCount(), audio.frames(), [&](Frames from, Audio& block) {
        for (std::size_t c = 0; c < block.channels.size(); ++c)
            std::copy_n(std::as_const(audio.channels[c]).begin() + from.value, block.channels[c].size(),
                        block.channels[c].begin());
    });
}

} // namespace sound
