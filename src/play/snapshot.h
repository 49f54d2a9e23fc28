// A small value that one thread writes and others read whole.
#pragma once

#include <array>
#include <atomic>
#include <cstdint>
#include <cstring>
#include <type_traits>

namespace play {

// A sequence lock (H.-J. Boehm: Can Seqlocks Get Along With Programming Language Memory Models?, MSPC 2012; from
// memory). write() never waits; read() tries again while a write is under way. One thread writes.
template <class T>
class Snapshot {
    static_assert(std::is_trivially_copyable_v<T>);
    static constexpr std::size_t words = (sizeof(T) + 7) / 8;

  public:
    Snapshot() { write(T{}); }
    void write(const T& value) {
        std::array<std::uint64_t, words> raw{};
        std::memcpy(raw.data(), &value, sizeof(T));
        const std::uint64_t turn = turn_.load(std::memory_order_relaxed);
        turn_.store(turn + 1, std::memory_order_relaxed);
        std::atomic_thread_fence(std::memory_order_release);
        for (std::size_t i = 0; i < words; ++i)
            data_[i].store(raw[i], std::memory_order_release);
        turn_.store(turn + 2, std::memory_order_release);
    }
    T read() const {
        std::array<std::uint64_t, words> raw{};
        for (;;) {
            const std::uint64_t before = turn_.load(std::memory_order_acquire);
            for (std::size_t i = 0; i < words; ++i)
                raw[i] = data_[i].load(std::memory_order_acquire);
            if (before % 2 == 0 && turn_.load(std::memory_order_relaxed) == before) break;
        }
        T value;
        std::memcpy(static_cast<void*>(&value), raw.data(), sizeof(T));
        return value;
    }

  private:
    std::array<std::atomic<std::uint64_t>, words> data_{};
    std::atomic<std::uint64_t> turn_{0};
};

} // namespace play
