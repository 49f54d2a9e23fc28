#include "sound/content.h"

#include <bit>
#include <cstdint>
#include <fmt/format.h>

namespace sound {

namespace {

// The finaliser of SplitMix64 (Steele, Lea & Flood, "Fast Splittable Pseudorandom Number Generators", OOPSLA 2014;
// constants from memory): every input bit changes about half of the output bits.
std::uint64_t mixed(std::uint64_t x) {
    x ^= x >> 30;
    x *= 0xBF58476D1CE4E5B9ULL;
    x ^= x >> 27;
    x *= 0x94D049BB133111EBULL;
    return x ^ (x >> 31);
}

} // namespace

std::string contentOf(const Audio& audio) {
    std::uint64_t hash = mixed(static_cast<std::uint64_t>(audio.rate) * 31 + audio.channels.size());
    for (const auto& samples : audio.channels) {
        hash = mixed(hash ^ samples.size());
        for (const float s : samples)
            hash = (hash ^ std::bit_cast<std::uint32_t>(s)) * 0x9E3779B97F4A7C15ULL + 1;
        hash = mixed(hash);
    }
    return fmt::format("{:016x}", hash);
}

} // namespace sound
