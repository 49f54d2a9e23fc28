#include "app/session/autosave.h"

#include "app/widgets/text.h"
#include "base/user_folders.h"

#include <exception>

namespace app {

namespace {
// At most half a second of work is lost with the power: these, and the time that writing takes.
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
    thread_ = std::jthread([this](const std::stop_token& end) { work(end); });
}

Autosave::~Autosave() = default; // the thread takes away what it wrote when it ends

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

void Autosave::work(const std::stop_token& end) {
    std::optional<project::Autosave> file;
    std::unique_lock lock(mutex_);
    while (wake_.wait(lock, end, [&] { return order_ || remove_; })) {
        if (remove_ && file) file->remove();
        remove_ = false;
        if (!order_) continue;
        const ToWrite order = std::move(*order_);
        order_.reset();
        lock.unlock();
        std::string problem;
        try {
            if (!file) {
                auto begun = project::Autosave::begin(base::recoveryFolder());
                if (begun)
                    file = std::move(*begun);
                else
                    problem = begun.error().text;
            }
            if (file)
                if (const auto done = file->write(order.project, order.folder); !done) problem = done.error().text;
        } catch (const std::exception& e) {
            problem = e.what();
        }
        mailbox_.post(
            [this, revision = order.revision, problem = translated(problem)] { ended(revision, problem); });
        lock.lock();
    }
    if (file) file->end();
}

void Autosave::ended(std::int64_t revision, const QString& problem) {
    if (!problem.isEmpty()) {
        emit failed(tr("The autosave failed, and is tried again. %1").arg(problem));
        soon_.start(another);
        return;
    }
    written_ = std::max(written_, revision);
    if (isUpToDate()) removeSuperseded();
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
    remove_ = true;
    wake_.notify_all();
}

} // namespace app
