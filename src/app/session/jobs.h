// Long work off the interface thread: several jobs at once, each with its progress and its cancel.
#pragma once

#include "app/session/mailbox.h"
#include "base/progress.h"

#include <QObject>
#include <QString>
#include <functional>
#include <memory>
#include <stop_token>
#include <thread>
#include <vector>

namespace app {

// Jobs of one lane run one after the other, in the order in which they came; lanes run side by side.
enum class Lane { Document, Import, Listen, Save, Deliver, Files, Scan, Prove, Device };

class Jobs : public QObject {
    Q_OBJECT
  public:
    // What is shown of a job.
    struct Shown {
        std::int64_t id = 0;
        QString what;
        int pieces = 1;      // of how many equal ones it consists, for a count
        double fraction = 0; // done, 0 to 1
        bool queued = false; // it waits for its lane
    };

    using QObject::QObject;
    ~Jobs() override; // cancels, and waits

    // `work` runs on a worker; `done`, made of its result, runs on the interface thread afterwards, also when
    // cancelled. A job that was cancelled while it waited is not begun, and not done. Where work throws, broke()
    // says so instead.
    template <class Result>
    std::int64_t start(Lane lane, const QString& what, std::function<Result(base::Progress)> work,
                       std::function<void(Result)> done, int pieces = 1) {
        return begin(lane, what, pieces, [work = std::move(work), done = std::move(done)](const base::Progress& p) {
            auto result = std::make_shared<Result>(work(p));
            return [done, result] { done(std::move(*result)); };
        });
    }

    bool isBusy() const { return !jobs_.empty(); }
    bool isBusy(Lane lane) const;
    std::vector<Shown> shown() const; // those that run, then those that wait
    void cancel(std::int64_t id);
    void cancel(Lane lane);

  signals:
    void changed(); // what runs, or how far it is
    void broke(const QString& what, const QString& reason);
    void ended(qint64 id); // done, cancelled before it began, or broken; after what it hands back

  private:
    using Finish = std::function<void()>;
    using Work = std::function<Finish(const base::Progress&)>;
    struct Job {
        std::int64_t id = 0;
        Lane lane = Lane::Document;
        QString what;
        int pieces = 1;
        double fraction = 0;
        Work work;
        std::jthread thread; // not joinable while it waits
    };

    std::int64_t begin(Lane lane, const QString& what, int pieces, Work work);
    void startWaiting();
    void run(Job& job);
    void finish(std::int64_t id, const Finish& finish, const QString& reason);
    Job* find(std::int64_t id);

    Mailbox mailbox_; // outlives the jobs
    std::vector<std::unique_ptr<Job>> jobs_;
    std::int64_t nextId_ = 1;
};

} // namespace app
