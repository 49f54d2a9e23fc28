#include "play/render_cache.h"

#include <algorithm>

namespace play {

namespace {

std::size_t bytesOf(const sound::AudioPtr& audio) {
    return audio ? static_cast<std::size_t>(audio->frames().value) * audio->channels.size() * sizeof(float) : 0;
}

} // namespace

RenderCache::RenderCache(int workers, std::size_t keepBytes, std::function<void()> onDone)
    : keepBytes_(keepBytes), onDone_(std::move(onDone)) {
    for (int i = 0; i < workers; ++i)
        workers_.emplace_back([this](const std::stop_token& end) { work(end); });
}

RenderCache::~RenderCache() {
    want({});
    for (auto& worker : workers_)
        worker.request_stop();
    wake_.notify_all();
}

void RenderCache::want(std::vector<WantedRender> wanted) {
    const std::lock_guard lock(mutex_);
    wanted_.clear();
    for (WantedRender& w : wanted) {
        const auto [at, isNew] = wanted_.emplace(w.job.key, w);
        if (!isNew) at->second.urgency = std::min(at->second.urgency, w.urgency);
    }
    for (const auto& [key, w] : wanted_)
        if (const auto found = entries_.find(key); found != entries_.end())
            ages_.splice(ages_.end(), ages_, found->second.age);
    for (const auto& r : running_)
        if (wanted_.count(r->key) == 0) r->stop.request_stop();
    forgetOld();
    wake_.notify_all();
}

sound::AudioPtr RenderCache::find(const std::string& key) const {
    const std::lock_guard lock(mutex_);
    const auto found = entries_.find(key);
    return found == entries_.end() ? nullptr : found->second.audio;
}

std::string RenderCache::problemWith(const std::string& key) const {
    const std::lock_guard lock(mutex_);
    const auto found = entries_.find(key);
    return found == entries_.end() ? std::string() : found->second.problem;
}

std::size_t RenderCache::pending() const {
    const std::lock_guard lock(mutex_);
    return static_cast<std::size_t>(
        std::count_if(wanted_.begin(), wanted_.end(), [&](const auto& w) { return entries_.count(w.first) == 0; }));
}

std::size_t RenderCache::wantedCount() const {
    const std::lock_guard lock(mutex_);
    return wanted_.size();
}

void RenderCache::keep(const std::string& key, Entry entry) {
    bytes_ += bytesOf(entry.audio);
    entry.age = ages_.insert(ages_.end(), key);
    entries_.emplace(key, std::move(entry));
    forgetOld();
}

void RenderCache::forgetOld() {
    for (auto age = ages_.begin(); bytes_ > keepBytes_ && age != ages_.end();) {
        const auto entry = entries_.find(*age);
        if (wanted_.count(*age) > 0) { // what is wanted stays, whatever it weighs
            ++age;
            continue;
        }
        bytes_ -= bytesOf(entry->second.audio);
        entries_.erase(entry);
        age = ages_.erase(age);
    }
}

void RenderCache::work(const std::stop_token& end) {
    std::unique_lock lock(mutex_);
    const auto next = [&] {
        const WantedRender* best = nullptr;
        for (const auto& wanted : wanted_) {
            const std::string& key = wanted.first;
            const bool taken = entries_.count(key) > 0 || std::any_of(running_.begin(), running_.end(),
                                                                      [&](const auto& r) { return r->key == key; });
            if (!taken && (best == nullptr || wanted.second.urgency < best->urgency)) best = &wanted.second;
        }
        return best;
    };
    while (wake_.wait(lock, end, [&] { return next() != nullptr; })) {
        const project::RenderJob job = next()->job;
        const auto running = std::make_shared<Running>(Running{job.key, {}});
        running_.push_back(running);
        lock.unlock();
        auto rendered = project::renderClip(job, {{}, running->stop.get_token()});
        lock.lock();
        std::erase(running_, running);
        Entry entry;
        if (rendered)
            entry.audio = std::make_shared<const sound::Audio>(std::move(*rendered));
        else if (!rendered.error().cancelled)
            entry.problem = rendered.error().text;
        const bool ended = rendered || !rendered.error().cancelled;
        if (ended && entries_.count(job.key) == 0) keep(job.key, std::move(entry));
        // A job that was stopped and is wanted again meanwhile must be seen by a worker that sleeps.
        wake_.notify_all();
        lock.unlock();
        if (ended && onDone_) onDone_();
        lock.lock();
    }
}

} // namespace play
