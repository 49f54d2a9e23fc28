// Waiting for what other threads do.
#pragma once

#include <chrono>
#include <functional>
#include <thread>

namespace support {

// Whether something comes to hold within two minutes, or twenty with the sanitizers. It is asked again and again, a
// millisecond apart: workers give way to whoever spins.
#ifdef PM_SANITIZED
inline constexpr std::chrono::minutes patience{20};
#else
inline constexpr std::chrono::minutes patience{2};
#endif
inline bool waitFor(const std::function<bool()>& holds) {
    const auto end = std::chrono::steady_clock::now() + patience;
    while (!holds()) {
        if (std::chrono::steady_clock::now() >= end) return holds();
        std::this_thread::sleep_for(std::chrono::milliseconds(1));
    }
    return true;
}

} // namespace support
