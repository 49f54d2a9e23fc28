// What several selected clips have in common.
#pragma once

#include "project/laid.h"

#include <optional>
#include <vector>

namespace app {

// The value that all clips share, or nothing when they differ.
template <class Get>
auto shared(const project::Laid& laid, const std::vector<project::ClipId>& clips, Get get)
    -> std::optional<decltype(get(std::declval<const project::LaidClip&>()))> {
    std::optional<decltype(get(std::declval<const project::LaidClip&>()))> value;
    for (const project::ClipId id : clips) {
        const project::LaidClip* c = laid.find(id);
        if (c == nullptr) continue;
        if (value && !(*value == get(*c))) return std::nullopt;
        value = get(*c);
    }
    return value;
}

} // namespace app
