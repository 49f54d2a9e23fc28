// Ending cleanly when the user presses Ctrl-C.
#pragma once

#include <stop_token>
#include <thread>

namespace cli {

// Turns SIGINT and SIGTERM into a stop request, so that half-written files are removed. Make one first in main(),
// before any other thread is started.
class StopOnSignal {
  public:
    StopOnSignal();
    std::stop_token token() const { return source_.get_token(); }

  private:
    std::stop_source source_;
    std::jthread watcher_;
};

} // namespace cli
