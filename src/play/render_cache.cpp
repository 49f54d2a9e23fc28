#include "play/render_cache.h"

#include "sound/audio_store.h"

#include <algorithm>
#include <limits>

namespace play {

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
    pending_ = 0;
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
    for (auto& [key, w] : wanted_) {
        ++pending_;
        look(w);
    }
    wake_.notify_all();
}

// What of it is there, and what is to be done next.
void RenderCache::look(Wanted& wanted) {
    const Entry* entry = entryOf(wanted.job->key);
    if (!wanted.hasAll) --pending_;
    wanted.hasAll = hasAllOf(wanted, entry);
    if (!wanted.hasAll) ++pending_;
    wanted.next = nextOf(wanted, entry);
}

void RenderCache::touch(base::Key key) {
    if (const auto wanted = wanted_.find(key); wanted != wanted_.end()) look(wanted->second);
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
    return entry != nullptr && entry->problem.empty() && wanted->second.hasAll;
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
    return pending_;
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
    touch(key);
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
    for (const auto& [key, w] : wanted_)
        if (w.next && (!best || w.next->urgency < best->urgency))
            best = Step{&w, w.next->piece, {}, w.next->urgency};
    return best;
}

std::optional<RenderCache::Next> RenderCache::nextOf(const Wanted& w, const Entry* entry) {
    const std::int64_t all = std::numeric_limits<std::int64_t>::max() / 2;
    const Next whole{{}, urgencyOf(w, 0, all)};
    if (entry == nullptr) return whole;
    if (entry->busy || !entry->problem.empty()) return std::nullopt;
    if (entry->plan == nullptr && entry->pieces.empty()) return whole;
    if (w.hasAll) return w.measured && !entry->measured ? std::optional(whole) : std::nullopt;
    std::optional<Next> best;
    for (std::size_t i = 0; i < entry->pieces.size(); ++i) {
        const Piece& piece = entry->pieces[i];
        if (piece.running || piece.made.audio || !isNeeded(w, piece)) continue;
        const double urgency = urgencyOf(w, piece.from, piece.to);
        if (!best || urgency < best->urgency) best = Next{i, urgency};
    }
    return best;
}

} // namespace play
