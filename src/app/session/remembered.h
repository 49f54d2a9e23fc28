// What the user settled, kept by the recordings' content: learned by what the user settles, once the project is
// saved or delivered, and by nothing else. A project that is thrown away teaches nothing.
#pragma once

#include "app/session/document.h"
#include "app/session/mailbox.h"
#include "shelf/memory.h"

#include <QObject>
#include <condition_variable>
#include <functional>
#include <future>
#include <map>
#include <memory>
#include <mutex>
#include <queue>
#include <thread>

namespace app {

// The database is asked on a thread of its own: another program may hold it up.
class Remembered : public QObject {
    Q_OBJECT
  public:
    explicit Remembered(Document& document, QObject* parent = nullptr);
    ~Remembered() override; // what was settled is still written

    // For a worker, who waits until it is opened; null where that could not be.
    using Opened = std::shared_future<std::shared_ptr<shelf::Memory>>;
    const Opened& memory() const { return opened_; }
    // What was settled in the project since it was opened, saved or delivered last is kept from now on.
    void keep();
    // No longer remembers what was settled for these, in the project and elsewhere; says how many there were.
    void forget(const std::vector<SourceId>& sources);

  signals:
    void said(const QString& sentence);
    // What was remembered, or forgotten, of a recording.
    void kept(const std::string& content, const std::optional<shelf::Settled>& settled);

  private:
    // What a step of undo teaches: to be taken back with it.
    struct Taught {
        std::string content;
        std::optional<shelf::Settled> before;
        std::optional<shelf::Settled> after;
    };
    using Work = std::function<void()>;

    void settled(qint64 version, qint64 from, const project::Project& before);
    void put(const std::string& content, const std::optional<shelf::Settled>& settled);
    void later(Work work);
    void work(const std::stop_token& end);
    void complain(const base::Result<void>& result);

    Document& document_;
    Mailbox mailbox_;
    std::promise<std::shared_ptr<shelf::Memory>> opening_;
    Opened opened_;
    // The worker's own: the memory, null where it could not be opened, by version what that taught, and by content
    // what is to be kept.
    std::shared_ptr<shelf::Memory> memory_;
    std::map<std::int64_t, std::vector<Taught>> taught_;
    std::map<std::string, std::optional<shelf::Settled>> unkept_;

    std::mutex mutex_; // guards what follows
    std::condition_variable_any wake_;
    std::queue<Work> queue_;
    std::jthread thread_; // last: ends first
};

} // namespace app
