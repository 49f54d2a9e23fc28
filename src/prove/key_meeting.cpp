#include "prove/key_meeting.h"

#include "project/key_map.h"

#include <algorithm>
#include <cmath>
#include <tuple>

namespace prove {

int KeyMeeting::sum(int root) const {
    int all = 0;
    for (const int shift : shifts[static_cast<std::size_t>(root)])
        all += std::abs(shift);
    return all;
}

KeyMeeting keyMeeting(const project::Laid& laid, std::optional<hear::Key> now) {
    KeyMeeting out;
    for (const project::SourcePtr& s : laid.project().sources) {
        if (!s->key || !project::canFollowKey(s->kind)) continue;
        const auto clip = std::find_if(laid.clips().begin(), laid.clips().end(),
                                       [&](const project::LaidClip& c) { return c.clip->source == s->id; });
        if (clip == laid.clips().end()) continue;
        out.sources.push_back({s->id, s->name, *s->key, clip->clip->tint.value_or(clip->track->tint)});
    }
    const auto minors =
        std::count_if(out.sources.begin(), out.sources.end(), [](const Keyed& k) { return k.key.minor; });
    out.minor = now ? now->minor : 2 * minors > static_cast<std::ptrdiff_t>(out.sources.size());
    std::optional<std::tuple<int, int, int>> least;
    for (int root = 0; root < 12; ++root) {
        int moved = 0;
        for (const Keyed& k : out.sources) {
            const int shift = project::semitonesInto(k.key, {root, out.minor}, true).value_or(0);
            out.shifts[static_cast<std::size_t>(root)].push_back(shift);
            if (shift != 0) ++moved;
        }
        const bool isNow = now && now->root == root && now->minor == out.minor;
        const std::tuple<int, int, int> cost{out.sum(root), moved, isNow ? 0 : 1};
        if (out.sources.empty() || (least && !(cost < *least))) continue;
        least = cost;
        out.best = root;
    }
    return out;
}

} // namespace prove
