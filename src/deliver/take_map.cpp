#include "deliver/take_map.h"

#include "project/edit_time.h"

namespace deliver {

base::Result<project::Project> withMap(const project::Project& p, const ReadMap& map) {
    base::Result<project::Project> next = p;
    if (map.hasTempo) next = project::setTempoMap(*next, map.maps.tempo);
    if (!map.hasMetre) return next;
    for (const metre::MetrePoint& point : p.metre.points())
        if (next && point.bar > 1) next = project::removeMetreAt(*next, point.bar);
    for (const metre::MetrePoint& point : map.maps.metre.points())
        if (next) next = project::setMetreAt(*next, point.bar, point.metre);
    return next;
}

} // namespace deliver
