// An output that looks at the clock around each callback.
#pragma once

#include "play/output.h"

#include <atomic>
#include <chrono>
#include <ctime>
#include <fmt/format.h>
#include <memory>
#include <sys/resource.h>

namespace bench {

inline double threadSeconds() {
    timespec t{};
    clock_gettime(CLOCK_THREAD_CPUTIME_ID, &t);
    return double(t.tv_sec) + 1e-9 * double(t.tv_nsec);
}

// Counts callbacks that took longer than their block lasts, by the clock on the wall (other programs and other
// machines on the same hardware count too) and by the processor time that they used themselves.
class Timed : public play::Output {
  public:
    explicit Timed(std::unique_ptr<play::Output> inner) : inner_(std::move(inner)) {}
    play::Result<void> start(play::Callback callback) override {
        return inner_->start([this, callback](float* out, int n) {
            const auto begin = std::chrono::steady_clock::now();
            const double worked = threadSeconds();
            rusage before{};
            getrusage(RUSAGE_THREAD, &before);
            callback(out, n);
            const double work = threadSeconds() - worked;
            if (work > double(n) / inner_->rate()) lateByWork.fetch_add(1);
            double most = mostWork.load();
            while (work > most && !mostWork.compare_exchange_weak(most, work)) {
            }
            rusage after{};
            getrusage(RUSAGE_THREAD, &after);
            minor.fetch_add(after.ru_minflt - before.ru_minflt);
            major.fetch_add(after.ru_majflt - before.ru_majflt);
            const double took = std::chrono::duration<double>(std::chrono::steady_clock::now() - begin).count();
            blocks.fetch_add(1);
            if (took > double(n) / inner_->rate()) late.fetch_add(1);
            double soFar = longest.load();
            while (took > soFar && !longest.compare_exchange_weak(soFar, took)) {
            }
        });
    }
    void stop() override { inner_->stop(); }
    int rate() const override { return inner_->rate(); }
    bool setRate(int rate) override { return inner_->setRate(rate); }
    bool isSimulated() const override { return inner_->isSimulated(); }
    std::string description() const override { return inner_->description(); }
    bool isAlive() override { return inner_->isAlive(); }

    void say(int seconds) const {
        fmt::print("{}: {} blocks of 128 (2.67 ms) in {} s; late by its own work: {}, most work {:.2f} ms; late by "
                   "the wall clock: {}, longest {:.2f} ms; pages it had to wait for: {}, looked up: {}\n",
                   description(), blocks.load(), seconds, lateByWork.load(), mostWork.load() * 1000, late.load(),
                   longest.load() * 1000, major.load(), minor.load());
    }

    std::atomic<std::int64_t> major{0};
    std::atomic<std::int64_t> minor{0};
    std::atomic<std::int64_t> blocks{0};
    std::atomic<std::int64_t> late{0};
    std::atomic<double> longest{0};
    std::atomic<std::int64_t> lateByWork{0};
    std::atomic<double> mostWork{0};

  private:
    std::unique_ptr<play::Output> inner_;
};

} // namespace bench
