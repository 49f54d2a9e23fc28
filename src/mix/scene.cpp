#include "mix/scene.h"

#include "sound/decibel.h"

#include <algorithm>
#include <cmath>
#include <map>
#include <mutex>
#include <numbers>

namespace mix {

namespace {

// A short stroke: a decaying sine, brighter on the first beat of the bar.
std::vector<float> stroke(int rate, double hertz, double level) {
    std::vector<float> samples(static_cast<std::size_t>(rate) * 30 / 1000);
    for (std::size_t i = 0; i < samples.size(); ++i) {
        const double t = static_cast<double>(i) / rate;
        samples[i] = static_cast<float>(level * std::sin(2 * std::numbers::pi * hertz * t) * std::exp(-t / 0.006));
    }
    return samples;
}

} // namespace

Gains gainsOf(project::Channels channels, double db, double pan) {
    const double factor = sound::factorFromDb(db);
    const double angle = std::numbers::pi * (pan + 1) / 4;
    // In the middle exactly 1, so that what is not turned is passed on bit for bit.
    const double toLeft = pan == 0 ? 1 : std::numbers::sqrt2 * std::cos(angle);
    const double toRight = pan == 0 ? 1 : std::numbers::sqrt2 * std::sin(angle);
    const auto left = static_cast<float>(factor * toLeft);
    const auto right = static_cast<float>(factor * toRight);
    switch (channels) {
    case project::Channels::Mono:
        return {left / 2, left / 2, right / 2, right / 2};
    case project::Channels::Left:
        return {left, 0, right, 0};
    case project::Channels::Right:
        return {0, left, 0, right};
    case project::Channels::Swapped:
        return {0, left, right, 0};
    case project::Channels::Stereo:
        break;
    }
    return {left, 0, 0, right};
}

Gains flipped(Gains g, bool left, bool right) {
    if (left) {
        g.leftFromLeft = -g.leftFromLeft;
        g.rightFromLeft = -g.rightFromLeft;
    }
    if (right) {
        g.leftFromRight = -g.leftFromRight;
        g.rightFromRight = -g.rightFromRight;
    }
    return g;
}

float fadeFactor(project::Fade::Shape shape, std::int64_t done, std::int64_t length) {
    if (done >= length) return 1;
    if (done <= 0) return 0;
    const double x = double(done) / double(length);
    return static_cast<float>(shape == project::Fade::Shape::Linear ? x : std::sin(x * std::numbers::pi / 2));
}

std::shared_ptr<const Click> clickAt(int rate) {
    static std::mutex mutex;
    static std::map<int, std::shared_ptr<const Click>> made;
    const std::lock_guard lock(mutex);
    auto& click = made[rate];
    if (!click) click = std::make_shared<const Click>(Click{stroke(rate, 1760, 0.5), stroke(rate, 1175, 0.35)});
    return click;
}

SceneClip pieceOf(const project::LaidClip& clip, int rate, Frames audioAt, sound::AudioPtr audio, Frames from,
                  Frames to, double extraDb) {
    SceneClip out;
    const Frames start = clip.time().startFrame;
    out.at = start + audioAt;
    out.from = start + from;
    out.to = start + to;
    out.audio = std::move(audio);
    out.track = clip.trackIndex;
    const project::Chain& chain = clip.chain;
    if (chain.heard)
        out.gains = flipped(gainsOf(chain.channels, chain.clipDb + chain.trackDb + extraDb, chain.pan),
                            chain.flipLeft, chain.flipRight);
    else
        out.gains = {0, 0, 0, 0};
    out.clipStart = start;
    out.clipLength = clip.time().length;
    const auto within = [&](metre::Seconds s) { return std::min(metre::toFrames(s, rate), out.clipLength); };
    out.fadeIn = within(chain.fadeIn.length);
    out.fadeOut = within(chain.fadeOut.length);
    out.fadeInShape = chain.fadeIn.shape;
    out.fadeOutShape = chain.fadeOut.shape;
    return out;
}

SceneClip pieceOf(const project::LaidClip& clip, int rate, Frames from, sound::AudioPtr audio, double extraDb) {
    const Frames to = from + audio->frames();
    return pieceOf(clip, rate, from, std::move(audio), from, to, extraDb);
}

SceneClip soundAt(Frames at, sound::AudioPtr audio) {
    SceneClip out;
    out.at = out.from = out.clipStart = at;
    out.clipLength = audio->frames();
    out.to = at + audio->frames();
    out.audio = std::move(audio);
    return out;
}

void Scene::arrange() {
    std::stable_sort(clips.begin(), clips.end(), [](const SceneClip& a, const SceneClip& b) {
        return a.track != b.track ? a.track < b.track : a.begins() < b.begins();
    });
    reaches.clear();
    reaches.reserve(clips.size());
    for (std::size_t i = 0; i < clips.size(); ++i) {
        const bool sameTrack = i > 0 && clips[i - 1].track == clips[i].track;
        const std::int64_t before = sameTrack ? reaches.back().farthest : clips[i].ends().value;
        reaches.push_back({clips[i].begins().value, std::max(before, clips[i].ends().value)});
    }
}

} // namespace mix
