#include "app/session/remembered.h"

#include "app/widgets/text.h"

#include <utility>

namespace app {

Remembered::Remembered(Document& document, QObject* parent)
    : QObject(parent), document_(document), opened_(opening_.get_future().share()) {
    connect(&document_, &Document::settled, this, &Remembered::settled);
    connect(&document_, &Document::takenBack, this, [this](qint64 version) {
        later([this, version] {
            for (const Taught& t : taught_[version])
                unkept_[t.content] = t.before;
        });
    });
    connect(&document_, &Document::doneAgain, this, [this](qint64 version) {
        later([this, version] {
            for (const Taught& t : taught_[version])
                unkept_[t.content] = t.after;
        });
    });
    // Another document counts its versions anew: its undo must not find what was taught in this one. What was not
    // kept of this one was thrown away with it.
    connect(&document_, &Document::opened, this, [this] {
        later([this] {
            taught_.clear();
            unkept_.clear();
        });
    });
    thread_ = std::jthread([this](const std::stop_token& end) { work(end); });
}

Remembered::~Remembered() = default;

void Remembered::settled(qint64 version, qint64 from, const project::Project& before) {
    std::vector<Taught> taught;
    for (const project::SourcePtr& s : document_.now().sources) {
        const project::SourcePtr old = project::sourceOf(before, s->id);
        if (!old || old == s || s->content.empty()) continue;
        if (old->beats == s->beats && old->loopBeats == s->loopBeats && old->chosen == s->chosen) continue;
        taught.push_back({s->content, {}, shelf::settledOf(*s)});
    }
    if (taught.empty()) return;
    later([this, version, from, taught = std::move(taught)]() mutable {
        // Where a gesture goes on, what was known before its first step counts; the step it grew out of is gone.
        auto& mine = taught_[version];
        const auto grown = taught_.find(from);
        for (Taught& t : taught) {
            const auto unkept = unkept_.find(t.content);
            t.before = unkept != unkept_.end() ? unkept->second : memory_->recall(t.content);
            if (grown != taught_.end())
                for (const Taught& earlier : grown->second)
                    if (earlier.content == t.content) t.before = earlier.before;
            unkept_[t.content] = t.after;
            mine.push_back(std::move(t));
        }
    });
}

void Remembered::put(const std::string& content, const std::optional<shelf::Settled>& settled) {
    complain(settled ? memory_->remember(content, *settled) : memory_->forget(content));
    mailbox_.post([this, content, settled] { emit kept(content, settled); });
}

void Remembered::keep() {
    later([this] {
        for (const auto& [content, settled] : std::exchange(unkept_, {}))
            if (settled || memory_->recall(content)) put(content, settled);
    });
}

void Remembered::complain(const base::Result<void>& result) {
    if (!result) mailbox_.post([this, text = translated(result.error().text)] { emit said(text); });
}

void Remembered::forget(const std::vector<SourceId>& sources) {
    std::vector<std::string> contents;
    for (const SourceId id : sources)
        if (const project::SourcePtr s = project::sourceOf(document_.now(), id)) contents.push_back(s->content);
    if (!sources.empty()) document_.edit(tr("Forget"), project::forgetSettled(document_.now(), sources));
    later([this, contents = std::move(contents)] {
        int forgotten = 0;
        for (const std::string& content : contents) {
            const bool wasUnkept = unkept_.erase(content) > 0;
            const bool wasKept = memory_->recall(content) && memory_->forget(content);
            if (wasKept) mailbox_.post([this, content] { emit kept(content, std::nullopt); });
            if (wasUnkept || wasKept) ++forgotten;
        }
        mailbox_.post([this, forgotten] {
            emit said(forgotten == 0   ? tr("Nothing was remembered of these.")
                      : forgotten == 1 ? tr("Forgotten what was settled for one source.")
                                       : tr("Forgotten what was settled for %1 sources.").arg(forgotten));
        });
    });
}

void Remembered::later(Work work) {
    const std::lock_guard lock(mutex_);
    queue_.push(std::move(work));
    wake_.notify_all();
}

void Remembered::work(const std::stop_token& end) {
    if (auto memory = shelf::Memory::open(shelf::memoryFile()))
        memory_ = std::move(*memory);
    else
        complain(tl::unexpected(memory.error()));
    opening_.set_value(memory_);
    std::unique_lock lock(mutex_);
    while (wake_.wait(lock, end, [&] { return !queue_.empty(); }) || !queue_.empty()) {
        const Work next = std::move(queue_.front());
        queue_.pop();
        lock.unlock();
        try {
            if (memory_) next();
        } catch (const std::exception& e) {
            complain(base::problem(e.what()));
        }
        lock.lock();
    }
}

} // namespace app
