// Many pieces of work side by side.
#pragma once

#include "base/background.h"
#include "base/progress.h"

#include <algorithm>
#include <functional>
#include <future>
#include <mutex>
#include <numeric>
#include <thread>
#include <vector>

namespace base {

// How far several pieces of work are together; each may report from a thread of its own.
class Shares {
  public:
    Shares(std::size_t count, Progress to) : shares_(count, 0.0), to_(std::move(to)) {}
    // The reports of one piece, of which this is the part [from, to). Must not outlive this.
    Progress of(std::size_t piece, double from, double to) {
        return {[this, piece, from, to](double f) { set(piece, from + (to - from) * f); }, to_.stop};
    }
    void set(std::size_t piece, double share) {
        const std::lock_guard lock(mutex_);
        shares_[piece] = share;
        to_.at(std::accumulate(shares_.begin(), shares_.end(), 0.0) / double(shares_.size()));
    }

  private:
    std::mutex mutex_;
    std::vector<double> shares_;
    Progress to_;
};

// Works on each of `count` pieces in the background, as many at a time as the machine has cores, and hands each
// result on in their order, on the thread that called. Once it is stopped, nothing more is handed on.
template <class Result>
void abreast(std::size_t count, const std::function<Result(std::size_t)>& work,
             const std::function<void(std::size_t, Result)>& done, const std::stop_token& stop) {
    const std::size_t most = std::clamp<std::size_t>(std::thread::hardware_concurrency(), 1, 8);
    std::vector<std::future<Result>> running;
    for (std::size_t i = 0; i < count; ++i) {
        for (; running.size() < count && running.size() < i + most;)
            running.push_back(std::async(std::launch::async, [&work, index = running.size()] {
                workInBackground();
                return work(index);
            }));
        Result result = running[i].get();
        if (stop.stop_requested()) return; // those under way stop by themselves
        done(i, std::move(result));
    }
}

// The same, telling how far all of it is.
template <class Result>
void abreast(std::size_t count, const std::function<Result(std::size_t, const Progress&)>& work,
             const std::function<void(std::size_t, Result)>& done, const Progress& progress) {
    Shares shares(count, progress);
    abreast<Result>(
        count, [&](std::size_t i) { return work(i, shares.of(i, 0, 1)); },
        [&](std::size_t i, Result result) {
            done(i, std::move(result));
            shares.set(i, 1);
        },
        progress.stop);
}

} // namespace base
