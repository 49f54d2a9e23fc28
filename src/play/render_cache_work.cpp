// What the render cache's workers do. Each step leaves the lock while it works; meanwhile the entry may have been
// forgotten, and even begun anew.
#include "base/background.h"
#include "play/render_cache.h"
#include "sound/audio_store.h"
#include "sound/loudness.h"

#include <algorithm>
#include <fmt/format.h>
#include <new>

namespace play {

namespace {

constexpr std::int64_t shortestPiece = 2; // seconds

constexpr std::int64_t storedFrom = 20; // seconds: what is shorter is rendered again sooner than it is read

// In memory: of what lies in a file, the outline.
std::size_t bytesOf(const RenderedPiece& piece) {
    const auto frames = static_cast<std::size_t>(piece.audio->frames().value);
    const std::size_t outline = frames / sound::Peaks::baseFrames * sizeof(sound::Extent) * 4 / 3;
    const bool elsewhere = piece.audio->channels.front().isView();
    return outline + (elsewhere ? 0 : frames * piece.audio->channels.size() * sizeof(float));
}

// What a worker does must end in a value: an exception, out of memory say, would end the program.
template <class Work>
auto guarded(const Work& work) -> decltype(work()) {
    try {
        return work();
    } catch (const std::bad_alloc&) {
        return base::problem("There is not enough memory to render it.");
    } catch (const std::exception& e) {
        return base::problem(fmt::format("It could not be rendered: {}.", e.what()));
    }
}

// What a recording plays as it is, at any place: the recording itself.
std::optional<RenderedPiece> itself(const project::RenderJob& job) {
    const stretch::Settings& how = job.settings;
    const metre::Frames from = job.map.points().front().source;
    const metre::Frames length = job.map.outputLength();
    const sound::AudioPtr& all = job.sound->shared();
    const bool asItIs = job.map.isIdentity() && how.semitones == 0 && !how.quiet;
    if (!asItIs || from < metre::Frames(0) || from + length > all->frames() || length <= metre::Frames(0))
        return std::nullopt;
    auto view = std::make_shared<sound::Audio>();
    view->rate = all->rate;
    for (const sound::Samples& samples : all->channels)
        view->channels.push_back(
            sound::Samples::viewOf(samples.data() + from.value, static_cast<std::size_t>(length.value), job.sound));
    const bool whole = from == metre::Frames(0) && length == all->frames();
    RenderedPiece piece{metre::Frames(0), std::move(view), {}};
    piece.peaks = whole ? std::shared_ptr<const sound::Peaks>(job.sound, &job.sound->peaks)
                        : std::make_shared<const sound::Peaks>(*piece.audio);
    return piece;
}

} // namespace

void RenderCache::work(const std::stop_token& end) {
    base::workInBackground();
    std::unique_lock lock(mutex_);
    std::optional<Step> step;
    while (wake_.wait(lock, end, [&] { return (step = next()).has_value(); })) {
        doStep(lock, *step);
        // What was stopped and is wanted again meanwhile must be seen by a worker that sleeps.
        wake_.notify_all();
        changes_.fetch_add(1, std::memory_order_release);
        lock.unlock();
        if (onDone_) onDone_();
        lock.lock();
    }
}

void RenderCache::doStep(std::unique_lock<std::mutex>& lock, const Step& step) {
    if (step.draft) {
        drafts_.erase(drafts_.begin());
        makeDraft(lock, *step.draft);
        touch(step.draft->job->key);
        return;
    }
    const base::Key key = step.wanted->job->key;
    const Entry* entry = entryOf(key);
    if (step.piece)
        render(lock, key, *step.piece);
    else if (entry == nullptr || entry->pieces.empty())
        plan(lock, *step.wanted);
    else
        measure(lock, key);
    touch(key);
}

RenderCache::Entry& RenderCache::entryFor(const project::RenderJobPtr& job) {
    if (Entry* there = entryOf(job->key)) return *there;
    Entry fresh;
    fresh.job = job;
    fresh.serial = nextSerial_++;
    fresh.age = ages_.insert(ages_.end(), job->key);
    return entries_.emplace(job->key, std::move(fresh)).first->second;
}

// What cannot be rendered is not heard as a draft either.
void RenderCache::fail(Entry& entry, const std::string& why) {
    entry.problem = why;
    entry.drafts.clear();
}

void RenderCache::makeDraft(std::unique_lock<std::mutex>& lock, const WantedRender& needed) {
    const auto job = needed.job;
    Entry& begun = entryFor(job);
    const std::int64_t serial = begun.serial;
    if (hasFrames(&begun, needed.from, needed.to) || !begun.problem.empty()) return;
    lock.unlock();
    auto made = guarded([&]() -> base::Result<RenderedPiece> {
        const metre::Frames from = std::max(needed.from, metre::Frames(0));
        const metre::Frames to = std::min(needed.to, job->map.outputLength());
        if (from >= to) return base::cancelled();
        return RenderedPiece{from, std::make_shared<const sound::Audio>(project::draftOf(*job, from, to)), {}};
    });
    lock.lock();
    Entry* entry = entryOf(job->key);
    if (!made || entry == nullptr || entry->serial != serial || !entry->problem.empty()) return;
    constexpr std::size_t most = 8;
    if (entry->drafts.size() >= most) entry->drafts.erase(entry->drafts.begin());
    entry->drafts.push_back(std::move(*made));
}

// What needs no rendering.
std::optional<RenderedPiece> RenderCache::ready(const project::RenderJob& job) const {
    if (auto piece = itself(job)) return piece;
    if (store_ == nullptr || job.map.outputLength().value < storedFrom * job.sound->audio.rate) return std::nullopt;
    auto kept = store_->find(job.key);
    const sound::Audio& material = job.sound->audio;
    if (!kept || kept->audio->frames() != job.map.outputLength() || kept->audio->rate != material.rate ||
        kept->audio->channelCount() != material.channelCount())
        return std::nullopt;
    return RenderedPiece{metre::Frames(0), std::move(kept->audio), std::move(kept->peaks)};
}

void RenderCache::plan(std::unique_lock<std::mutex>& lock, const Wanted& wanted) {
    const auto job = wanted.job;
    Entry& begun = entryFor(job);
    const std::int64_t serial = begun.serial;
    begun.busy = true;
    touch(job->key);
    lock.unlock();
    std::optional<RenderedPiece> whole;
    std::shared_ptr<sound::StoreDraft> stored;
    auto planned = guarded([&]() -> base::Result<std::optional<stretch::Rendering>> {
        if ((whole = ready(*job))) return std::optional<stretch::Rendering>();
        auto made = project::planOf(*job);
        if (!made) return tl::unexpected(made.error());
        const sound::Audio& material = job->sound->audio;
        if (store_ != nullptr && made->length().value >= storedFrom * material.rate)
            stored = store_->begin(material.rate, material.channelCount(), made->length());
        return std::optional<stretch::Rendering>(std::move(*made));
    });
    lock.lock();
    Entry* entry = entryOf(job->key);
    if (entry == nullptr || entry->serial != serial) return;
    entry->busy = false;
    if (whole) {
        entry->bytes = bytesOf(*whole);
        bytes_ += entry->bytes;
        entry->ready = 1;
        entry->drafts.clear();
        entry->pieces.push_back({0, whole->end().value, false, std::move(*whole)});
        forgetOld();
        return;
    }
    if (!planned) {
        fail(*entry, planned.error().text);
        return;
    }
    entry->plan = std::make_shared<const stretch::Rendering>(std::move(**planned));
    entry->stored = std::move(stored);
    std::int64_t from = 0;
    const std::int64_t length = entry->plan->length().value;
    const std::int64_t least = shortestPiece * job->sound->audio.rate;
    for (const metre::Frames cut : entry->plan->cuts())
        if (cut.value >= from + least && cut.value + least <= length) {
            entry->pieces.push_back({from, cut.value, false, {}});
            from = cut.value;
        }
    entry->pieces.push_back({from, length, false, {}});
}

void RenderCache::render(std::unique_lock<std::mutex>& lock, base::Key key, std::size_t piece) {
    Entry* entry = entryOf(key);
    entry->pieces[piece].running = true;
    const std::int64_t serial = entry->serial;
    const auto job = entry->job;
    const auto plan = entry->plan;
    const auto stored = entry->stored;
    const metre::Frames from(entry->pieces[piece].from);
    const metre::Frames to(entry->pieces[piece].to);
    const auto running = std::make_shared<Running>(Running{key, {}});
    running_.push_back(running);
    touch(key);
    lock.unlock();
    bool isStored = false;
    auto rendered = guarded([&]() -> base::Result<RenderedPiece> {
        auto piece_ = plan->piece(from, to, {{}, running->stop.get_token()});
        if (!piece_) return tl::unexpected(piece_.error());
        RenderedPiece fresh{from, std::make_shared<const sound::Audio>(std::move(*piece_)), {}};
        fresh.peaks = std::make_shared<const sound::Peaks>(*fresh.audio);
        isStored = stored && stored->write(from, *fresh.audio);
        if (isStored) fresh.audio = stored->view(from, to);
        return fresh;
    });
    lock.lock();
    std::erase(running_, running);
    entry = entryOf(key);
    if (entry == nullptr || entry->serial != serial) return;
    Piece& place = entry->pieces[piece];
    place.running = false;
    if (rendered) {
        place.made = std::move(*rendered);
        ++entry->ready;
        entry->bytes += bytesOf(place.made);
        bytes_ += bytesOf(place.made);
        if (!isStored) entry->stored = nullptr; // the disk is full: what is there stays, the rest is in memory
        touch(key);
        if (entry->isComplete()) complete(lock, key);
        forgetOld();
    } else if (!rendered.error().cancelled) {
        fail(*entry, rendered.error().text);
    }
}

// All of its pieces are there: what lies in the store becomes one.
void RenderCache::complete(std::unique_lock<std::mutex>& lock, base::Key key) {
    Entry* entry = entryOf(key);
    entry->plan = nullptr;
    entry->drafts.clear();
    const auto stored = entry->stored;
    if (!stored) return;
    const std::int64_t serial = entry->serial;
    const metre::Frames length = entry->job->map.outputLength();
    lock.unlock();
    auto kept =
        guarded([&]() -> base::Result<sound::AudioStore::Kept> { return store_->finish(stored, key, length); });
    lock.lock();
    entry = entryOf(key);
    if (entry == nullptr || entry->serial != serial || !kept) return;
    RenderedPiece whole{metre::Frames(0), std::move(kept->audio), std::move(kept->peaks)};
    bytes_ -= entry->bytes;
    entry->bytes = bytesOf(whole);
    bytes_ += entry->bytes;
    entry->pieces.clear();
    entry->pieces.push_back({0, length.value, false, std::move(whole)});
    entry->ready = 1;
    entry->stored = nullptr;
}

void RenderCache::measure(std::unique_lock<std::mutex>& lock, base::Key key) {
    Entry* entry = entryOf(key);
    entry->busy = true;
    touch(key);
    const std::int64_t serial = entry->serial;
    std::vector<sound::AudioPtr> pieces;
    pieces.reserve(entry->pieces.size());
    for (const Piece& piece : entry->pieces)
        if (piece.made.audio) pieces.push_back(piece.made.audio);
    lock.unlock();
    const auto loudness =
        guarded([&]() -> base::Result<std::optional<double>> { return sound::integratedLoudness(pieces); });
    lock.lock();
    entry = entryOf(key);
    if (entry == nullptr || entry->serial != serial) return;
    entry->busy = false;
    entry->measured = true;
    if (loudness) entry->loudness = *loudness;
}

} // namespace play
