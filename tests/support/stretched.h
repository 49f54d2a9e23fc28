// A recording stretched evenly, its attacks found first: what most tests of stretching begin with.
#pragma once

#include "hear/onsets.h"
#include "stretch/method.h"

#include <cmath>
#include <vector>

namespace support {

inline std::vector<metre::Frames> attacksOf(const sound::Audio& a) {
    std::vector<metre::Frames> list;
    for (const auto& o : hear::onsets(a))
        list.push_back(o.at);
    return list;
}

inline base::Result<sound::Audio> stretched(const sound::Audio& a, double ratio,
                                            const stretch::Settings& settings = {},
                                            const base::Progress& progress = {}) {
    const auto attacks = attacksOf(a);
    const auto length = metre::Frames(std::llround(double(a.frames().value) * ratio));
    return stretch::render({a, attacks}, *metre::TimeMap::straight(a.frames(), length), settings, progress);
}

} // namespace support
