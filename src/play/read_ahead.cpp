#include "play/read_ahead.h"

#include "sound/mapped.h"

#include <algorithm>
#include <chrono>
#include <iterator>
#include <utility>

namespace play {

namespace {

constexpr double behind = 0.2; // seconds
constexpr auto wakeEvery = std::chrono::milliseconds(250);

// Of audio that is mapped, channel by channel; what lies in memory of its own is there in any case.
std::vector<sound::Stretch> stretchesOf(const std::vector<ReadAhead::Need>& needs) {
    std::vector<sound::Stretch> list;
    for (const ReadAhead::Need& n : needs)
        for (const sound::Samples& samples : n.audio->channels) {
            if (!samples.isView()) continue;
            const std::int64_t all = n.audio->frames().value;
            const std::int64_t from = std::clamp<std::int64_t>(n.from.value, 0, all);
            const std::int64_t to = std::clamp<std::int64_t>(n.to.value, from, all);
            list.push_back({samples.data() + from, static_cast<std::size_t>(to - from) * sizeof(float)});
        }
    return list;
}

} // namespace

ReadAhead::ReadAhead(std::int64_t mostResident)
    : mostResident_(mostResident), thread_([this](const std::stop_token& stop) { work(stop); }) {}

std::vector<ReadAhead::Need> ReadAhead::needsOf(const mix::Scene& scene, metre::Beats at, double seconds) {
    const metre::Frames here = metre::toFrames(scene.tempo.secondsAt(at), scene.rate);
    const metre::Frames from = here - metre::toFrames(metre::Seconds(behind), scene.rate);
    const metre::Frames to = here + metre::toFrames(metre::Seconds(seconds), scene.rate);
    std::vector<Need> needs;
    for (const mix::SceneClip& clip : scene.clips)
        if (clip.begins() < to && clip.ends() > from && clip.audio->channels.front().isView())
            needs.push_back(
                {clip.audio, std::max(from, clip.begins()) - clip.at, std::min(to, clip.ends()) - clip.at});
    return needs;
}

void ReadAhead::need(std::vector<Need> needs) {
    const std::lock_guard lock(mutex_);
    needs_ = std::move(needs);
    isNew_ = true;
    wake_.notify_all();
}

std::int64_t ReadAhead::fetchFirst(std::vector<Need> needs) {
    const std::vector<sound::Stretch> all = stretchesOf(needs);
    if (std::all_of(all.begin(), all.end(), sound::isInMemory)) {
        for (const sound::Stretch& s : all)
            sound::fetch(s); // without a disk: so that the callback need not
        return 0;
    }
    const std::lock_guard lock(mutex_);
    urgent_.insert(urgent_.end(), std::make_move_iterator(needs.begin()), std::make_move_iterator(needs.end()));
    wake_.notify_all();
    return ++asked_;
}

bool ReadAhead::isFetched(std::int64_t asked) const {
    const std::lock_guard lock(mutex_);
    return fetched_ >= asked;
}

void ReadAhead::work(const std::stop_token& stop) {
    std::unique_lock lock(mutex_);
    while (!stop.stop_requested()) {
        wake_.wait_for(lock, stop, wakeEvery, [this] { return isNew_ || asked_ > fetched_; });
        if (asked_ > fetched_) {
            const std::int64_t these = asked_;
            const std::vector<Need> urgent = std::exchange(urgent_, {});
            lock.unlock();
            for (const sound::Stretch& s : stretchesOf(urgent))
                sound::fetch(s);
            lock.lock();
            fetched_ = these;
            continue;
        }
        isNew_ = false;
        const std::vector<Need> needs = needs_; // holds what it is about
        lock.unlock();
        const std::vector<sound::Stretch> kept = stretchesOf(needs);
        for (const sound::Stretch& s : kept)
            sound::fetch(s);
        if (sound::residentMapped() > mostResident_) sound::releaseMappedBut(kept);
        lock.lock();
    }
}

} // namespace play
