// Long work off the interface thread: one job at a time, with progress and cancel.
#pragma once

#include <QObject>
#include <QString>
#include <functional>
#include <memory>
#include <stop_token>
#include <thread>

#include "base/progress.h"

namespace app {

// Runs a function on a worker and hands what it returns back to the interface thread.
class Task : public QObject {
    Q_OBJECT
  public:
    using QObject::QObject;
    ~Task() override; // cancels and waits

    // work runs on the worker; done, made of its result, runs on the interface thread afterwards, also when
    // cancelled. `pieces`: of how many equal ones the work consists, for a count to be shown. REQUIRES
    // !isRunning().
    template <class Result>
    void start(const QString& what, std::function<Result(base::Progress)> work, std::function<void(Result)> done,
               int pieces = 1) {
        pieces_ = pieces;
        begin(what, [work = std::move(work), done = std::move(done)](const base::Progress& progress) {
            auto result = std::make_shared<Result>(work(progress));
            return [done, result] { done(std::move(*result)); };
        });
    }

    bool isRunning() const { return running_; }
    QString what() const { return what_; }
    int pieces() const { return pieces_; }
    void cancel();

  signals:
    void progressed(double fraction); // 0 to 1
    void runningChanged(bool running);

  private:
    using Finish = std::function<void()>;
    void begin(const QString& what, std::function<Finish(const base::Progress&)> work);

    std::jthread thread_;
    QString what_;
    int pieces_ = 1;
    bool running_ = false;
};

} // namespace app
