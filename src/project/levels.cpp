#include "project/levels.h"

#include "sound/loudness.h"

#include <algorithm>

namespace project {

namespace {

sound::AudioPtr partOf(const Clip& clip, const sound::Audio& audio) {
    const std::int64_t frames = audio.frames().value;
    const std::int64_t from = std::clamp<std::int64_t>(metre::toFrames(clip.from, audio.rate).value, 0, frames);
    const std::int64_t to = std::clamp<std::int64_t>(metre::toFrames(clip.to, audio.rate).value, from, frames);
    auto part = std::make_shared<sound::Audio>(audio.rate, audio.channelCount(), Frames(to - from));
    for (std::size_t c = 0; c < part->channels.size(); ++c)
        std::copy(audio.channels[c].begin() + from, audio.channels[c].begin() + to, part->channels[c].begin());
    return part;
}

} // namespace

std::optional<double> gainTo(Normalise how, const Clip& clip, const Sound& sound) {
    if (how == Normalise::No) return std::nullopt;
    const sound::AudioPtr part = partOf(clip, sound.audio);
    if (part->frames().value == 0) return std::nullopt;
    const auto measured = how == Normalise::Peak ? sound::truePeak(*part) : sound::integratedLoudness({part});
    if (!measured) return std::nullopt;
    return (how == Normalise::Peak ? normalPeakDb : normalLoudness) - *measured;
}

} // namespace project
