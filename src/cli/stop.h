// Ending cleanly when the user presses Ctrl-C.
#pragma once

#include <atomic>
#include <stop_token>
#include <thread>

namespace cli {

// Turns SIGINT, SIGTERM, SIGHUP and SIGQUIT into a stop request, so that half-written files are removed; a second
// one ends at once. Make one first in main(), before any other thread is started.
class StopOnSignal {
  public:
    StopOnSignal();
    std::stop_token token() const { return source_.get_token(); }
    // At the end of main(): where a signal came, ends by it, so that a shell knows and its loop stops. Else
    // returns.
    void endBySignal();

  private:
    std::stop_source source_;
    std::atomic<int> signal_{0};
    std::jthread watcher_;
};

} // namespace cli
