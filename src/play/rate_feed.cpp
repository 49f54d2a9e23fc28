#include "play/rate_feed.h"

#include <algorithm>
#include <array>
#include <chrono>
#include <condition_variable>
#include <mutex>
#include <soxr.h>

namespace play {

namespace {
constexpr std::size_t ringSamples = std::size_t(1) << 16;
constexpr std::size_t block = 256; // frames
} // namespace

RateFeed::RateFeed(Callback from, int fromRate, int toRate)
    : from_(std::move(from)), fromRate_(fromRate), toRate_(toRate), ring_(ringSamples),
      wanted_(static_cast<std::size_t>(toRate / 50) * 2),
      thread_([this](const std::stop_token& end) { work(end); }) {}

std::size_t RateFeed::ready() const {
    return written_.load(std::memory_order_acquire) - read_.load(std::memory_order_acquire);
}

void RateFeed::pull(float* out, int n) {
    const std::size_t wanted = 2 * static_cast<std::size_t>(n);
    // Two blocks more than the device takes at once.
    if (3 * wanted > wanted_.load(std::memory_order_relaxed))
        wanted_.store(std::min(3 * wanted, ringSamples / 2), std::memory_order_relaxed);
    const std::size_t count = std::min(wanted, ready());
    const std::size_t at = read_.load(std::memory_order_relaxed);
    for (std::size_t i = 0; i < count; ++i)
        out[i] = ring_[(at + i) % ringSamples];
    std::fill(out + count, out + wanted, 0.0F);
    read_.store(at + count, std::memory_order_release);
}

void RateFeed::work(const std::stop_token& end) {
    const soxr_io_spec_t io = soxr_io_spec(SOXR_FLOAT32_I, SOXR_FLOAT32_I);
    const soxr_quality_spec_t quality = soxr_quality_spec(SOXR_HQ, 0);
    soxr_error_t error = nullptr;
    soxr_t converter = soxr_create(fromRate_, toRate_, 2, &error, &io, &quality, nullptr);
    if (error != nullptr) return; // silence
    std::array<float, 2 * block> in{};
    std::vector<float> out(2 *
                           (block * static_cast<std::size_t>(toRate_) / static_cast<std::size_t>(fromRate_) + 16));
    std::mutex idle;
    std::condition_variable_any wake;
    while (!end.stop_requested()) {
        while (ready() < wanted_.load(std::memory_order_relaxed) && !end.stop_requested()) {
            from_(in.data(), block);
            std::size_t used = 0;
            for (std::size_t given = 0; given < block || used > 0;) {
                std::size_t made = 0;
                error = soxr_process(converter, given < block ? in.data() + 2 * given : in.data(), block - given,
                                     &used, out.data(), out.size() / 2, &made);
                given += used;
                const std::size_t at = written_.load(std::memory_order_relaxed);
                for (std::size_t i = 0; i < 2 * made; ++i)
                    ring_[(at + i) % ringSamples] = out[i];
                written_.store(at + 2 * made, std::memory_order_release);
                if (error != nullptr || (used == 0 && made == 0) || given == block) break;
            }
        }
        std::unique_lock lock(idle);
        wake.wait_for(lock, end, std::chrono::milliseconds(1), [] { return false; });
    }
    soxr_delete(converter);
}

} // namespace play
