#include "project/edit_time.h"

#include "metre/tempo.h"

#include <cmath>
#include <fmt/format.h>

namespace project {

Result<Project> setTempo(const Project& p, Bpm bpm) {
    std::vector<metre::TempoPoint> points = p.tempo.points();
    const double factor = bpm.value / points.front().bpm.value;
    for (metre::TempoPoint& point : points)
        point.bpm = Bpm(point.bpm.value * factor);
    points.front().bpm = bpm;
    auto map = metre::TempoMap::make(std::move(points));
    if (!map) return tl::unexpected(map.error());
    return setTempoMap(p, std::move(*map));
}

Result<Project> setTempoMap(const Project& p, metre::TempoMap map) {
    if (map.points().back().at > furthest)
        return base::problem("A change of tempo cannot lie that far from the beginning.");
    Project out = p;
    out.tempo = std::move(map);
    return out;
}

Result<Project> setMetre(const Project& p, metre::Metre m) {
    std::vector<metre::MetrePoint> points = p.metre.points();
    points.front().metre = m;
    auto map = metre::MetreMap::make(std::move(points));
    if (!map) return tl::unexpected(map.error());
    Project out = p;
    out.metre = std::move(*map);
    return out;
}

Result<Project> setLoop(const Project& p, LoopRange loop) {
    const bool sane = std::isfinite(loop.from.value) && std::isfinite(loop.to.value) && loop.from >= Beats(0) &&
                      loop.to > loop.from + Beats(0.05) && loop.to < furthest;
    if (!sane) return base::problem("A loop range must run forwards, from bar 1 on.");
    Project out = p;
    out.loop = loop;
    return out;
}

Project setLooping(const Project& p, bool on) {
    Project out = p;
    out.loop.on = on;
    return out;
}

Project setClick(const Project& p, bool on) {
    Project out = p;
    out.click = on;
    return out;
}

Project setSnap(const Project& p, metre::Snap snap) {
    Project out = p;
    out.snap = snap;
    return out;
}

} // namespace project
