#include "sound/scratch.h"

#include "base/disk.h"
#include "base/safe_file.h"
#include "sound/mapped.h"

#include <algorithm>
#include <unistd.h>
#include <utility>

namespace sound {

namespace {

constexpr std::size_t fewBytes = std::size_t(16) << 20; // that stay in memory
constexpr std::int64_t blockFrames = 1 << 18;

} // namespace

AudioPtr madeAside(int rate, int channels, Frames length,
                   const std::function<void(Frames from, Audio& block)>& fill) {
    const auto frames = static_cast<std::size_t>(length.value);
    const std::size_t bytes = frames * sizeof(float);
    const auto inMemory = [&] {
        Audio all(rate, channels, length);
        fill(Frames(0), all);
        return std::make_shared<const Audio>(std::move(all));
    };
    if (bytes * static_cast<std::size_t>(channels) < fewBytes) return inMemory();
    const int handle = base::namelessFile();
    if (handle < 0) return inMemory();
    const auto page = static_cast<std::size_t>(pageBytes());
    const std::size_t stride = (bytes + page - 1) / page * page;
    bool isThere = true;
    for (Frames from(0); isThere && from < length; from += Frames(blockFrames)) {
        Audio block(rate, channels, std::min(Frames(blockFrames), length - from));
        fill(from, block);
        for (std::size_t c = 0; isThere && c < block.channels.size(); ++c)
            isThere = base::disk::writeAllAt(
                handle, block.channels[c].data(), block.channels[c].size() * sizeof(float),
                static_cast<std::int64_t>(c * stride) + from.value * std::int64_t(sizeof(float)));
    }
    auto away = std::make_shared<Audio>();
    away->rate = rate;
    for (std::size_t c = 0; isThere && c < static_cast<std::size_t>(channels); ++c) {
        auto mapping = Mapping::of(handle, static_cast<std::int64_t>(c * stride), bytes);
        if (!mapping) break;
        const auto* first = reinterpret_cast<const float*>(mapping->data());
        away->channels.push_back(Samples::viewOf(first, frames, std::move(mapping)));
    }
    close(handle);
    return away->channelCount() == channels ? away : inMemory();
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
