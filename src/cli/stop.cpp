#include "cli/stop.h"

#include <chrono>
#include <csignal>
#include <ctime>
#include <unistd.h>

namespace cli {

namespace {

sigset_t endings() {
    sigset_t signals;
    sigemptyset(&signals);
    for (const int signal : {SIGINT, SIGTERM, SIGHUP, SIGQUIT}) {
        struct sigaction now {};
        // What a shell has told it to ignore (nohup) stays ignored.
        if (sigaction(signal, nullptr, &now) == 0 && now.sa_handler == SIG_IGN) continue;
        sigaddset(&signals, signal);
    }
    return signals;
}

} // namespace

StopOnSignal::StopOnSignal() {
    std::signal(SIGPIPE, SIG_IGN); // a reader that goes away shows in what write() returns
    const sigset_t signals = endings();
    pthread_sigmask(SIG_BLOCK, &signals, nullptr);
    watcher_ = std::jthread([this, signals](const std::stop_token& end) {
        const timespec wait{0, 20'000'000};
        std::chrono::steady_clock::time_point first;
        while (!end.stop_requested()) {
            const int signal = sigtimedwait(&signals, nullptr, &wait);
            if (signal <= 0) continue;
            const auto now = std::chrono::steady_clock::now();
            if (signal_ == 0) {
                signal_ = signal;
                first = now;
                source_.request_stop();
            } else if (now - first > std::chrono::seconds(1)) {
                // Asked again by somebody who has waited. Before that it is the same wish, come twice: what is half
                // written is being removed.
                _exit(128 + signal);
            }
        }
    });
}

void StopOnSignal::endBySignal() {
    const int signal = signal_;
    if (signal == 0) return;
    watcher_.request_stop();
    watcher_.join();
    std::signal(signal, SIG_DFL);
    sigset_t one;
    sigemptyset(&one);
    sigaddset(&one, signal);
    raise(signal);
    pthread_sigmask(SIG_UNBLOCK, &one, nullptr);
    _exit(128 + signal); // not reached
}

} // namespace cli
