#include "cli/stop.h"

#include <csignal>
#include <ctime>

namespace cli {

StopOnSignal::StopOnSignal() {
    sigset_t signals;
    sigemptyset(&signals);
    sigaddset(&signals, SIGINT);
    sigaddset(&signals, SIGTERM);
    pthread_sigmask(SIG_BLOCK, &signals, nullptr);
    watcher_ = std::jthread([signals, stop = source_](const std::stop_token& end) mutable {
        const timespec wait{0, 20'000'000};
        while (!end.stop_requested())
            if (sigtimedwait(&signals, nullptr, &wait) > 0) {
                stop.request_stop();
                return;
            }
    });
}

} // namespace cli
