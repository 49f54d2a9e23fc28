#include "app/session/preference_keeper.h"

#include <utility>

namespace app {

PreferenceKeeper::PreferenceKeeper() : thread_([this](const std::stop_token& end) { work(end); }) {}

void PreferenceKeeper::keep(const Preferences& preferences) {
    const std::lock_guard lock(mutex_);
    next_ = preferences;
    wake_.notify_all();
}

void PreferenceKeeper::work(const std::stop_token& end) {
    std::unique_lock lock(mutex_);
    while (wake_.wait(lock, end, [&] { return next_.has_value(); })) { // true also at the end, while one is left
        const Preferences preferences = *std::exchange(next_, std::nullopt);
        lock.unlock();
        savePreferences(preferences);
        lock.lock();
    }
}

} // namespace app
