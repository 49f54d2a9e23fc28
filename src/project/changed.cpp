#include "project/changed.h"

#include "base/number.h"

#include <cmath>
#include <unordered_set>

namespace project {

Result<void> mayChange(const Project& p, const std::vector<ClipId>& ids) {
    std::unordered_set<std::int64_t> missing;
    for (const ClipId id : ids)
        missing.insert(id.value);
    if (missing.empty()) return base::problem("No clip is selected.");
    const std::size_t asked = missing.size();
    std::size_t locked = 0;
    SourceId lockedSource;
    for (const TrackPtr& t : p.tracks)
        for (const Clip& c : t->clips)
            if (missing.erase(c.id.value) > 0 && c.locked) {
                ++locked;
                lockedSource = c.source;
            }
    if (!missing.empty()) return base::problem("That clip is no longer in the project.");
    if (locked == 0) return {};
    const SourcePtr s = sourceOf(p, lockedSource);
    if (asked == 1)
        return base::problem(fmt::format("{} is locked here; unlock the clip to change it.", s ? s->name : "It"));
    return base::problem(fmt::format("{} of the {} clips {} locked; unlock them to change them.", locked, asked,
                                     locked == 1 ? "is" : "are"));
}

Result<void> mayChange(const Project& p, TrackId id) {
    if (!trackOf(p, id)) return base::problem("That track is no longer in the project.");
    return {};
}

Result<void> mayChange(const Project& p, SourceId id) {
    if (!sourceOf(p, id)) return base::problem("That source is no longer in the project.");
    return {};
}

Result<void> within(double value, double low, double high, const char* what, const char* unit) {
    if (std::isfinite(value) && value >= low && value <= high) return {};
    return base::problem(
        fmt::format("{} lies between {:g} and {:g} {}; {:g} does not.", what, low, high, unit, value));
}

} // namespace project
