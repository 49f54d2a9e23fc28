#include "app/session/autosave.h"

#include "app/widgets/text.h"
#include "base/user_folders.h"

#include <exception>
#include <utility>

namespace app {

namespace {
// At most half a second of work is lost when the program is killed: these, and the time that writing takes. With
// the power goes what the disk has not taken yet.
constexpr int pause = 100;     // milliseconds without a change
constexpr int longest = 250;   // a wheel that turns on and on is written now and then
constexpr int another = 10000; // after a failure
} // namespace

Autosave::Autosave(Document& document, QObject* parent)
    : QObject(parent), document_(document), written_(document.revision()) {
    soon_.setSingleShot(true);
    latest_.setSingleShot(true);
    connect(&soon_, &QTimer::timeout, this, &Autosave::write);
    connect(&latest_, &QTimer::timeout, this, &Autosave::write);
    connect(&document_, &Document::changed, this, &Autosave::changed);
    writing_ = std::jthread([this](const std::stop_token& end) { writeOrders(end); });
    bringing_ = std::jthread([this](const std::stop_token& end) { bringToDisk(end); });
}

Autosave::~Autosave() = default; // the thread that writes takes away what it wrote when it ends

void Autosave::changed() {
    if (isUpToDate()) return;
    soon_.start(pause);
    if (!latest_.isActive()) latest_.start(longest);
}

void Autosave::write() {
    soon_.stop();
    latest_.stop();
    if (isUpToDate()) return;
    const std::lock_guard lock(mutex_);
    order_ = ToWrite{document_.now(), document_.folder(), document_.revision()};
    wake_.notify_all();
}

void Autosave::writeOrders(const std::stop_token& end) {
    std::unique_lock lock(mutex_);
    while (wake_.wait(lock, end, [&] { return order_ || remove_; })) {
        if (remove_ && file_) file_->remove();
        remove_ = false;
        if (!order_) continue;
        const ToWrite order = std::move(*order_);
        order_.reset();
        lock.unlock();
        std::string problem;
        try {
            if (!file_) { // only this thread makes it
                auto begun = project::Autosave::begin(base::recoveryFolder());
                const std::lock_guard made(mutex_);
                if (begun)
                    file_ = std::move(*begun);
                else
                    problem = begun.error().text;
            }
            if (file_)
                if (const auto done = file_->write(order.project, order.folder); !done) problem = done.error().text;
        } catch (const std::exception& e) {
            problem = e.what();
        }
        mailbox_.post([this, revision = order.revision, problem = translated(problem)] {
            if (!problem.isEmpty()) return failedWith(problem);
            written_ = std::max(written_, revision);
        });
        lock.lock();
        if (!problem.empty()) continue;
        toBringToDisk_ = order.revision;
        wake_.notify_all();
    }
    if (file_) file_->end();
}

void Autosave::bringToDisk(const std::stop_token& end) {
    std::unique_lock lock(mutex_);
    while (wake_.wait(lock, end, [&] { return toBringToDisk_.has_value(); })) {
        const std::int64_t revision = *std::exchange(toBringToDisk_, std::nullopt);
        lock.unlock();
        std::string problem;
        try {
            if (const auto done = file_->sync(); !done) problem = done.error().text;
        } catch (const std::exception& e) {
            problem = e.what();
        }
        mailbox_.post([this, revision, problem = translated(problem)] {
            if (!problem.isEmpty()) {
                written_ = -1; // what the disk would not have is written anew
                return failedWith(problem);
            }
            if (revision == document_.revision()) removeSuperseded();
        });
        lock.lock();
    }
}

void Autosave::failedWith(const QString& problem) {
    emit failed(tr("The autosave failed, and is tried again. %1").arg(problem));
    soon_.start(another);
}

void Autosave::supersedes(const std::filesystem::path& recovered) {
    superseded_.push_back(recovered);
    written_ = -1;
    write();
}

void Autosave::removeSuperseded() {
    for (const auto& file : superseded_)
        project::removeRecovery(file);
    superseded_.clear();
}

void Autosave::nothingToKeep() {
    soon_.stop();
    latest_.stop();
    written_ = document_.revision();
    removeSuperseded();
    const std::lock_guard lock(mutex_);
    order_.reset();
    toBringToDisk_.reset();
    remove_ = true;
    wake_.notify_all();
}

} // namespace app
