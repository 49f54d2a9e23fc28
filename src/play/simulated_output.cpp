#include "play/simulated_output.h"

#include <algorithm>
#include <chrono>
#include <condition_variable>
#include <ctime>

namespace play {

namespace {
// The processor's time that this thread has had.
std::int64_t ownNanoseconds() {
    timespec now{};
    clock_gettime(CLOCK_THREAD_CPUTIME_ID, &now);
    return std::int64_t(now.tv_sec) * 1'000'000'000 + now.tv_nsec;
}
} // namespace

SimulatedOutput::SimulatedOutput(int rate, Pace pace, double keepSeconds, int block)
    : rate_(rate), pace_(pace), keepSeconds_(keepSeconds), block_(block),
      buffer_(static_cast<std::size_t>(2 * block), 0.0F) {
    SimulatedOutput::setRate(rate);
}

bool SimulatedOutput::setRate(int rate) {
    const std::lock_guard lock(mutex_);
    rate_ = rate;
    const auto blocks = static_cast<std::size_t>(std::max(1.0, keepSeconds_ * rate / block_));
    kept_.assign(blocks * buffer_.size(), 0.0F);
    next_ = 0;
    played_ = 0;
    return true;
}

SimulatedOutput::~SimulatedOutput() {
    SimulatedOutput::stop();
}

Result<void> SimulatedOutput::start(Callback callback) {
    stop();
    callback_ = std::move(callback);
    if (pace_ == Pace::RealTime)
        thread_ = std::jthread([this](const std::stop_token& end) {
            using Clock = std::chrono::steady_clock;
            const auto blockTime = std::chrono::nanoseconds(std::int64_t(block_) * 1'000'000'000 / rate_);
            auto due = Clock::now();
            std::mutex idle;
            std::condition_variable_any wake;
            while (!end.stop_requested()) {
                playBlock();
                due += blockTime;
                // A machine that was held up plays on from now, as a device would after a drop-out.
                if (Clock::now() > due + std::chrono::milliseconds(200)) due = Clock::now();
                std::unique_lock lock(idle);
                wake.wait_until(lock, end, due, [] { return false; });
            }
        });
    return {};
}

void SimulatedOutput::stop() {
    if (thread_.joinable()) {
        thread_.request_stop();
        thread_.join();
    }
}

void SimulatedOutput::playBlock() {
    const std::int64_t before = ownNanoseconds();
    callback_(buffer_.data(), block_);
    if (ownNanoseconds() - before > std::int64_t(block_) * 1'000'000'000 / rate_) ++late_;
    const std::lock_guard lock(mutex_);
    std::copy(buffer_.begin(), buffer_.end(), kept_.begin() + static_cast<std::ptrdiff_t>(next_));
    next_ = (next_ + buffer_.size()) % kept_.size();
    played_ += block_;
}

void SimulatedOutput::advance(std::int64_t n) {
    for (std::int64_t done = 0; done < n; done += block_)
        playBlock();
}

std::vector<float> SimulatedOutput::taken() const {
    const std::lock_guard lock(mutex_);
    const auto size = static_cast<std::int64_t>(kept_.size());
    if (2 * played_ < size) return {kept_.begin(), kept_.begin() + static_cast<std::ptrdiff_t>(2 * played_)};
    std::vector<float> out(kept_.begin() + static_cast<std::ptrdiff_t>(next_), kept_.end());
    out.insert(out.end(), kept_.begin(), kept_.begin() + static_cast<std::ptrdiff_t>(next_));
    return out;
}

std::int64_t SimulatedOutput::framesPlayed() const {
    const std::lock_guard lock(mutex_);
    return played_;
}

} // namespace play
