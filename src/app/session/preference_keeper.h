// Writes preferences while the window goes on: a disk that others keep busy may take a second.
#pragma once

#include "app/session/preferences.h"

#include <condition_variable>
#include <mutex>
#include <optional>
#include <thread>

namespace app {

// On a thread of its own, the latest in place of those before; what was asked for is written before this ends.
class PreferenceKeeper {
  public:
    PreferenceKeeper();
    ~PreferenceKeeper() = default;
    void keep(const Preferences& preferences);

  private:
    void work(const std::stop_token& end);

    std::mutex mutex_; // guards what follows
    std::condition_variable_any wake_;
    std::optional<Preferences> next_;
    std::jthread thread_; // last: ends first
};

} // namespace app
