#include "sound/content.h"

#include "base/hash.h"

#include <bit>
#include <cstdint>
#include <fmt/format.h>

namespace sound {

std::string contentOf(const Audio& audio) {
    std::uint64_t hash = base::mixed(static_cast<std::uint64_t>(audio.rate) * 31 + audio.channels.size());
    for (const auto& samples : audio.channels) {
        hash = base::mixed(hash ^ samples.size());
        for (const float s : samples)
            hash = (hash ^ std::bit_cast<std::uint32_t>(s)) * 0x9E3779B97F4A7C15ULL + 1;
        hash = base::mixed(hash);
    }
    return fmt::format("{:016x}", hash);
}

} // namespace sound
