#include "play/render_cache.h"

#include "base/background.h"
#include "sound/audio_store.h"
#include "sound/loudness.h"

#include <algorithm>
#include <fmt/format.h>
#include <limits>
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

} // namespace

RenderCache::RenderCache(int workers, std::size_t keepBytes, std::function<void()> onDone, sound::AudioStore* store)
    : keepBytes_(keepBytes), onDone_(std::move(onDone)), store_(store) {
    for (int i = 0; i < workers; ++i)
        workers_.emplace_back([this](const std::stop_token& end) { work(end); });
}

RenderCache::~RenderCache() {
    want({});
    for (auto& worker : workers_)
        worker.request_stop();
    wake_.notify_all();
}

// How soon frames [from, to) of a rendering are needed: by the use of it that needs them first.
double RenderCache::urgencyOf(const Wanted& wanted, std::int64_t from, std::int64_t to) {
    const double rate = wanted.job->sound->audio.rate;
    double soonest = std::numeric_limits<double>::max();
    for (const Use& use : wanted.uses) {
        const std::int64_t first = std::max(from, use.from);
        const std::int64_t last = std::min(to, use.to);
        if (first >= last) continue;
        const double begins = use.startsIn + double(first) / rate;
        const double ends = use.startsIn + double(last) / rate;
        soonest = std::min(soonest, ends < 0 ? 1e6 - ends : std::max(0.0, begins));
    }
    return soonest;
}

bool RenderCache::isNeeded(const Wanted& wanted, const Piece& piece) {
    return std::any_of(wanted.uses.begin(), wanted.uses.end(),
                       [&](const Use& use) { return piece.to > use.from && piece.from < use.to; });
}

// Whether nothing of what is wanted is still to be made.
bool RenderCache::hasAllOf(const Wanted& wanted, const Entry* entry) {
    if (entry == nullptr || entry->pieces.empty()) return entry != nullptr && !entry->problem.empty();
    if (entry->isComplete() || !entry->problem.empty()) return true;
    return std::all_of(entry->pieces.begin(), entry->pieces.end(),
                       [&](const Piece& piece) { return piece.made.audio || !isNeeded(wanted, piece); });
}

void RenderCache::want(const std::vector<WantedRender>& wanted) {
    const std::lock_guard lock(mutex_);
    wanted_.clear();
    drafts_.clear();
    for (const WantedRender& w : wanted) {
        Wanted& all = wanted_[w.job->key];
        all.job = w.job;
        all.measured = all.measured || w.measured;
        all.uses.push_back({w.startsIn, w.from.value, w.to.value});
    }
    for (const auto& w : wanted_)
        if (const Entry* entry = entryOf(w.first)) ages_.splice(ages_.end(), ages_, entry->age);
    for (const auto& r : running_)
        if (wanted_.count(r->key) == 0) r->stop.request_stop();
    // What was begun and is no longer wanted is not kept where it is nothing yet; pieces that are made are.
    std::vector<base::Key> begun;
    for (auto& [key, entry] : entries_) {
        if (wanted_.count(key) > 0) continue;
        entry.drafts.clear();
        if (entry.ready == 0 && entry.problem.empty()) begun.push_back(key);
    }
    for (const base::Key key : begun)
        forget(key);
    forgetOld();
    wake_.notify_all();
}

void RenderCache::draft(const std::vector<WantedRender>& needed) {
    const std::lock_guard lock(mutex_);
    for (const WantedRender& w : needed)
        if (wanted_.count(w.job->key) > 0) drafts_.push_back(w);
    if (!drafts_.empty()) wake_.notify_all();
}

RenderCache::Entry* RenderCache::entryOf(base::Key key) {
    const auto found = entries_.find(key);
    return found == entries_.end() ? nullptr : &found->second;
}
const RenderCache::Entry* RenderCache::entryOf(base::Key key) const {
    const auto found = entries_.find(key);
    return found == entries_.end() ? nullptr : &found->second;
}

std::vector<RenderedPiece> RenderCache::find(base::Key key) const {
    const std::lock_guard lock(mutex_);
    std::vector<RenderedPiece> list;
    if (const Entry* entry = entryOf(key))
        for (const Piece& piece : entry->pieces)
            if (piece.made.audio) list.push_back(piece.made);
    return list;
}

bool RenderCache::has(base::Key key, metre::Frames from, metre::Frames to) const {
    const std::lock_guard lock(mutex_);
    return hasFrames(entryOf(key), from, to);
}

bool RenderCache::hasFrames(const Entry* entry, metre::Frames from, metre::Frames to) {
    return entry != nullptr && !entry->pieces.empty() &&
           std::all_of(entry->pieces.begin(), entry->pieces.end(), [&](const Piece& piece) {
               return piece.made.audio || piece.to <= from.value || piece.from >= to.value;
           });
}

// What lies side by side in the store is one stretch of memory.
std::vector<RenderedPiece> RenderCache::joined(const Entry& entry) {
    std::vector<RenderedPiece> list;
    const auto isStored = [&](const RenderedPiece& piece) {
        return entry.stored != nullptr && piece.audio->channels.front().isView();
    };
    for (auto piece = entry.pieces.begin(); piece != entry.pieces.end();) {
        auto after = std::next(piece);
        if (piece->made.audio) {
            RenderedPiece run = piece->made;
            while (isStored(run) && after != entry.pieces.end() && after->made.audio && isStored(after->made))
                ++after;
            if (const auto last = std::prev(after); last != piece)
                run = {run.from, entry.stored->view(run.from, last->made.end()), {}};
            list.push_back(std::move(run));
        }
        piece = after;
    }
    return list;
}

std::vector<RenderCache::Answer> RenderCache::answers(const std::vector<Question>& questions) const {
    std::vector<Answer> list(questions.size());
    const std::lock_guard lock(mutex_);
    for (std::size_t i = 0; i < questions.size(); ++i) {
        const Question& q = questions[i];
        const Entry* entry = entryOf(q.key);
        if (entry == nullptr) continue;
        Answer& answer = list[i];
        answer.has = hasFrames(entry, q.from, q.to);
        answer.failed = !entry->problem.empty();
        answer.pieces = joined(*entry);
        std::int64_t reached = std::max<std::int64_t>(0, q.from.value);
        const std::int64_t until = std::min(q.to, entry->job->map.outputLength()).value;
        // Pieces and drafts, each from where the others reached.
        for (bool further = true; further && reached < until;) {
            further = false;
            const auto over = [&](const RenderedPiece& r) {
                if (r.from.value <= reached && r.end().value > reached) {
                    reached = r.end().value;
                    further = true;
                }
            };
            std::for_each(answer.pieces.begin(), answer.pieces.end(), over);
            if (!answer.has) std::for_each(entry->drafts.begin(), entry->drafts.end(), over);
        }
        answer.hasDraft = answer.has || reached >= until;
        if (!answer.has) answer.drafts = entry->drafts;
    }
    return list;
}

bool RenderCache::hasWanted(base::Key key) const {
    const std::lock_guard lock(mutex_);
    const auto wanted = wanted_.find(key);
    const Entry* entry = entryOf(key);
    if (wanted == wanted_.end()) return entry != nullptr && entry->isComplete();
    return entry != nullptr && entry->problem.empty() && hasAllOf(wanted->second, entry);
}

bool RenderCache::isComplete(base::Key key) const {
    const std::lock_guard lock(mutex_);
    const Entry* entry = entryOf(key);
    return entry != nullptr && entry->isComplete();
}

std::optional<double> RenderCache::loudness(base::Key key) const {
    const std::lock_guard lock(mutex_);
    const Entry* entry = entryOf(key);
    return entry == nullptr ? std::nullopt : entry->loudness;
}

bool RenderCache::isMeasured(base::Key key) const {
    const std::lock_guard lock(mutex_);
    const Entry* entry = entryOf(key);
    return entry != nullptr && (entry->measured || !entry->problem.empty());
}

std::string RenderCache::problemWith(base::Key key) const {
    const std::lock_guard lock(mutex_);
    const Entry* entry = entryOf(key);
    return entry == nullptr ? std::string() : entry->problem;
}

void RenderCache::retry() {
    const std::lock_guard lock(mutex_);
    std::vector<base::Key> failed;
    for (const auto& [key, entry] : entries_)
        if (!entry.problem.empty() && wanted_.count(key) > 0) failed.push_back(key);
    for (const base::Key key : failed)
        forget(key);
    if (!failed.empty()) wake_.notify_all();
}

std::size_t RenderCache::pending() const {
    const std::lock_guard lock(mutex_);
    return static_cast<std::size_t>(std::count_if(
        wanted_.begin(), wanted_.end(), [&](const auto& w) { return !hasAllOf(w.second, entryOf(w.first)); }));
}

std::size_t RenderCache::wantedCount() const {
    const std::lock_guard lock(mutex_);
    return wanted_.size();
}

void RenderCache::forget(base::Key key) {
    const auto found = entries_.find(key);
    bytes_ -= found->second.bytes;
    ages_.erase(found->second.age);
    entries_.erase(found);
}

void RenderCache::forgetOld() {
    for (auto age = ages_.begin(); bytes_ > keepBytes_ && age != ages_.end();) {
        const base::Key key = *age;
        ++age;
        if (wanted_.count(key) == 0) forget(key); // what is wanted stays, whatever it weighs
    }
}

std::optional<RenderCache::Step> RenderCache::next() const {
    if (!drafts_.empty()) return Step{nullptr, {}, drafts_.front(), 0};
    std::optional<Step> best;
    const auto consider = [&](const Wanted& w, std::optional<std::size_t> piece, double urgency) {
        if (!best || urgency < best->urgency) best = Step{&w, piece, {}, urgency};
    };
    const std::int64_t all = std::numeric_limits<std::int64_t>::max() / 2;
    for (const auto& [key, w] : wanted_) {
        const Entry* entry = entryOf(key);
        if (entry == nullptr || (entry->plan == nullptr && entry->pieces.empty() && entry->problem.empty())) {
            if (entry == nullptr || !entry->busy) consider(w, {}, urgencyOf(w, 0, all));
        } else if (!entry->problem.empty() || entry->busy) {
            continue;
        } else if (hasAllOf(w, entry)) {
            if (w.measured && !entry->measured) consider(w, {}, urgencyOf(w, 0, all));
        } else {
            for (std::size_t i = 0; i < entry->pieces.size(); ++i) {
                const Piece& piece = entry->pieces[i];
                if (!piece.running && !piece.made.audio && isNeeded(w, piece))
                    consider(w, i, urgencyOf(w, piece.from, piece.to));
            }
        }
    }
    return best;
}

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
}

// Each of these leaves the lock while it works; meanwhile the entry may have been forgotten, and even begun anew.

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

namespace {

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
