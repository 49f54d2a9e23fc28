// From workers to the interface thread.
#pragma once

#include <QObject>
#include <deque>
#include <functional>
#include <mutex>

namespace app {

// What is posted, from any thread, runs on the thread that the mailbox lives on, in the order in which it was
// posted, also among several mailboxes of one thread; what is still there when it is destroyed never runs. Must
// outlive the threads that post.
class Mailbox : public QObject {
    Q_OBJECT
  public:
    using QObject::QObject;
    void post(std::function<void()> what);

  private:
    Q_INVOKABLE void takeIn();

    std::mutex mutex_;
    std::deque<std::function<void()>> letters_; // an event is on its way for each
};

} // namespace app
