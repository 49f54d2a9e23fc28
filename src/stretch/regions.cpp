#include "stretch/regions.h"

#include "base/four.h"

#include <algorithm>

namespace stretch {

void Regions::find(std::span<const float> power) {
    all_.clear();
    std::size_t from = 0;
    while (from + 1 < bins_ && power[from + 1] < power[from])
        ++from;
    offsetEnd_ = from;

    // Judged four at a time first, and listed without a branch afterwards.
    constexpr std::int32_t peak = 1;
    constexpr std::int32_t valley = 2;
    const float* p = power.data();
    const auto judge = [](auto far, auto before, auto here, auto after, auto beyond) {
        const auto peaks = (here > before) & (here >= after) & (here > far) & (here >= beyond);
        const auto valleys = (here < before) & (here <= after);
        return (peaks & peak) | (valleys & valley);
    };
    std::size_t b = 2;
    for (; b + 6 <= bins_; b += 4)
        base::put(judge(base::four(p + b - 2), base::four(p + b - 1), base::four(p + b), base::four(p + b + 1),
                        base::four(p + b + 2)),
                  turns_.data() + b);
    for (; b + 2 < bins_; ++b)
        turns_[b] = judge(base::Four{p[b - 2]}, base::Four{p[b - 1]}, base::Four{p[b]}, base::Four{p[b + 1]},
                          base::Four{p[b + 2]})[0];
    std::size_t count = 0;
    for (b = std::max<std::size_t>(from, 2); b + 2 < bins_; ++b) {
        places_[count] = static_cast<std::uint32_t>(b);
        count += static_cast<std::size_t>(turns_[b] != 0);
    }

    // A region ends behind the first of the lowest bins after its peak, the last with the spectrum.
    Region region{from, bins_, bins_};
    std::size_t lowest = 0;
    for (std::size_t i = 0; i < count; ++i) {
        const std::size_t place = places_[i];
        if (turns_[place] == valley) {
            if (power[place] < power[lowest]) lowest = place;
            continue;
        }
        if (region.peak < bins_) {
            region.to = lowest + 1;
            all_.push_back(region);
            region.from = region.to;
        }
        region.peak = place;
        lowest = place;
    }
    region.to = bins_;
    all_.push_back(region);
}

} // namespace stretch
