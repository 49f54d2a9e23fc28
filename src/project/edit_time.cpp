#include "project/edit_time.h"

#include "metre/tempo.h"
#include "project/changed.h"
#include "project/lead.h"
#include "project/timing.h"

#include <cmath>
#include <fmt/format.h>

namespace project {

namespace {

using Points = std::vector<metre::TempoPoint>;

Points::iterator pointAt(Points& points, Beats at) {
    return std::find_if(points.begin(), points.end(),
                        [&](const metre::TempoPoint& p) { return std::abs((p.at - at).value) < 1e-9; });
}

base::Problem noSuchPoint() {
    return {"There is no change of tempo there."};
}

Result<Project> withPoints(const Project& p, Points points) {
    auto map = metre::TempoMap::make(std::move(points));
    if (!map) return tl::unexpected(map.error());
    return setTempoMap(p, std::move(*map));
}

// Its seconds stay what they were.
void keepSeconds(Project& out, const Project& before) {
    for (TrackPtr& track : out.tracks) {
        std::shared_ptr<Track> copy;
        for (std::size_t i = 0; i < track->clips.size(); ++i) {
            const Clip& c = track->clips[i];
            if (!entryOf(rulingOf(before, *track, c, nullptr).rule).keepsSeconds) continue;
            const Beats at = out.tempo.beatAt(before.tempo.secondsAt(c.at));
            if (at == c.at) continue;
            if (!copy) copy = std::make_shared<Track>(*track);
            copy->clips[i].at = at;
        }
        if (copy) track = std::move(copy);
    }
}

// The points of a range for themselves, with one at each end, so that they can be changed without what lies
// outside.
Points cutOut(const metre::TempoMap& map, Range range) {
    Points points = map.points();
    for (const Beats at : {range.from, range.to}) {
        if (pointAt(points, at) != points.end()) continue;
        const auto after = std::find_if(points.begin(), points.end(), [&](const auto& p) { return p.at > at; });
        const auto shape = after == points.begin() ? metre::TempoPoint::Shape::Hold : (after - 1)->shape;
        points.insert(after, {at, map.tempoAt(at), shape});
    }
    return points;
}

// A ramp into the end of the range arrives at the changed tempo; what follows goes on at its own.
Result<Project> changeTempos(const Project& p, Range range, const std::function<double(double)>& change) {
    range.from = std::max(range.from, Beats(0));
    const bool toTheEnd = range.to >= furthest;
    if (!(range.from < range.to)) return base::problem("Nothing of the tempo is selected.");
    Points points = cutOut(p.tempo, range);
    if (toTheEnd) std::erase_if(points, [&](const auto& t) { return t.at == range.to; });
    for (metre::TempoPoint& point : points)
        if (point.at >= range.from && point.at < range.to) point.bpm = Bpm(change(point.bpm.value));
    return withPoints(p, std::move(points));
}

std::vector<Section>::const_iterator sectionAt(const std::vector<Section>& sections, Beats at) {
    return std::find_if(sections.begin(), sections.end(),
                        [&](const Section& s) { return std::abs((s.at - at).value) < 1e-9; });
}

base::Problem noSuchSection() {
    return {"There is no section there."};
}

Result<void> barIsThere(int bar) {
    if (bar >= 1 && bar <= 100000) return {};
    return base::problem(fmt::format("Bars count from 1; {} is none that can be changed.", bar));
}

} // namespace

Result<Project> setTempo(const Project& p, Bpm bpm) {
    Points points = p.tempo.points();
    const double factor = bpm.value / points.front().bpm.value;
    for (metre::TempoPoint& point : points)
        point.bpm = Bpm(point.bpm.value * factor);
    points.front().bpm = bpm;
    return withPoints(p, std::move(points));
}

Result<Project> setTempoMap(const Project& p, metre::TempoMap map) {
    if (auto may = mayChangeTempo(p); !may) return tl::unexpected(may.error());
    return withTempo(p, std::move(map));
}

Result<Project> withTempo(const Project& p, metre::TempoMap map) {
    if (map.points().back().at > furthest)
        return base::problem("A change of tempo cannot lie that far from the beginning.");
    Project out = p;
    out.tempo = std::move(map);
    keepSeconds(out, p);
    return out;
}

Result<Project> putTempoPoint(const Project& p, metre::TempoPoint point) {
    if (!std::isfinite(point.at.value) || point.at < Beats(0))
        return base::problem("The tempo begins at bar 1; it cannot change before it.");
    Points points = p.tempo.points();
    if (const auto there = pointAt(points, point.at); there != points.end()) {
        point.at = there->at;
        *there = point;
    } else {
        points.insert(std::find_if(points.begin(), points.end(), [&](const auto& t) { return t.at > point.at; }),
                      point);
    }
    return withPoints(p, std::move(points));
}

Result<Project> moveTempoPoint(const Project& p, Beats at, Beats to, Bpm bpm) {
    Points points = p.tempo.points();
    const auto there = pointAt(points, at);
    if (there == points.end()) return tl::unexpected(noSuchPoint());
    constexpr Beats apart(1.0 / 96);
    if (there == points.begin()) {
        to = Beats(0);
    } else {
        to = std::max(to, (there - 1)->at + apart);
        if (there + 1 != points.end()) to = std::min(to, (there + 1)->at - apart);
    }
    there->at = to;
    there->bpm = bpm;
    return withPoints(p, std::move(points));
}

Result<Project> setTempoShape(const Project& p, Beats at, metre::TempoPoint::Shape shape) {
    Points points = p.tempo.points();
    const auto there = pointAt(points, at);
    if (there == points.end()) return tl::unexpected(noSuchPoint());
    there->shape = shape;
    return withPoints(p, std::move(points));
}

Result<Project> removeTempoPoint(const Project& p, Beats at) {
    Points points = p.tempo.points();
    const auto there = pointAt(points, at);
    if (there == points.end()) return tl::unexpected(noSuchPoint());
    if (there == points.begin()) return base::problem("The tempo at bar 1 can be changed, not removed.");
    points.erase(there);
    return withPoints(p, std::move(points));
}

Result<Project> shiftTempo(const Project& p, Range range, double byBpm) {
    return changeTempos(p, range, [byBpm](double bpm) { return bpm + byBpm; });
}

Result<Project> scaleTempo(const Project& p, Range range, double factor) {
    return changeTempos(p, range, [factor](double bpm) { return bpm * factor; });
}

Result<Project> setMetre(const Project& p, metre::Metre m) {
    return setMetreAt(p, 1, m);
}

Result<Project> setMetreAt(const Project& p, int bar, metre::Metre m) {
    if (auto is = barIsThere(bar); !is) return tl::unexpected(is.error());
    std::vector<metre::MetrePoint> points = p.metre.points();
    std::erase_if(points, [bar](const metre::MetrePoint& x) { return x.bar == bar; });
    const auto after = std::find_if(points.begin(), points.end(), [bar](const auto& x) { return x.bar > bar; });
    if (after == points.begin() || !((after - 1)->metre == m)) points.insert(after, {bar, m});
    auto map = metre::MetreMap::make(std::move(points));
    if (!map) return tl::unexpected(map.error());
    Project out = p;
    out.metre = std::move(*map);
    return out;
}

Result<Project> removeMetreAt(const Project& p, int bar) {
    std::vector<metre::MetrePoint> points = p.metre.points();
    if (bar == 1) return base::problem("The metre at bar 1 can be changed, not removed.");
    if (std::erase_if(points, [bar](const metre::MetrePoint& x) { return x.bar == bar; }) == 0)
        return base::problem("There is no change of metre there.");
    auto map = metre::MetreMap::make(std::move(points));
    if (!map) return tl::unexpected(map.error());
    Project out = p;
    out.metre = std::move(*map);
    return out;
}

Result<Project> setKeyAt(const Project& p, int bar, std::optional<hear::Key> key) {
    if (auto is = barIsThere(bar); !is) return tl::unexpected(is.error());
    std::vector<KeyPoint> points = p.keys.points();
    std::erase_if(points, [bar](const KeyPoint& x) { return x.bar == bar; });
    const auto after = std::find_if(points.begin(), points.end(), [bar](const auto& x) { return x.bar > bar; });
    if (after == points.begin() || !((after - 1)->key == key)) points.insert(after, {bar, key});
    auto map = KeyMap::make(std::move(points));
    if (!map) return tl::unexpected(map.error());
    Project out = p;
    out.keys = std::move(*map);
    return out;
}

Result<Project> removeKeyAt(const Project& p, int bar) {
    if (bar == 1) return setKeyAt(p, 1, {});
    std::vector<KeyPoint> points = p.keys.points();
    if (std::erase_if(points, [bar](const KeyPoint& x) { return x.bar == bar; }) == 0)
        return base::problem("There is no change of key there.");
    auto map = KeyMap::make(std::move(points));
    if (!map) return tl::unexpected(map.error());
    Project out = p;
    out.keys = std::move(*map);
    return out;
}

Result<Project> putSection(const Project& p, Beats at, const std::string& name) {
    if (!std::isfinite(at.value) || at < Beats(0) || at > furthest)
        return base::problem("A section begins at bar 1 or after it.");
    if (name.empty() || name.size() > longestName)
        return base::problem("A section needs a name of 1 to 1000 bytes.");
    Project out = p;
    std::erase_if(out.sections, [&](const Section& s) { return std::abs((s.at - at).value) < 1e-9; });
    const auto after =
        std::find_if(out.sections.begin(), out.sections.end(), [&](const Section& s) { return s.at > at; });
    out.sections.insert(after, {at, name});
    return out;
}

Result<Project> moveSection(const Project& p, Beats at, Beats to) {
    const auto there = sectionAt(p.sections, at);
    if (there == p.sections.end()) return tl::unexpected(noSuchSection());
    if (to != at && sectionAt(p.sections, to) != p.sections.end())
        return base::problem("Another section begins there already.");
    const std::string name = there->name;
    auto without = removeSection(p, at);
    return without ? putSection(*without, std::max(to, Beats(0)), name) : without;
}

Result<Project> removeSection(const Project& p, Beats at) {
    const auto there = sectionAt(p.sections, at);
    if (there == p.sections.end()) return tl::unexpected(noSuchSection());
    Project out = p;
    out.sections.erase(out.sections.begin() + (there - p.sections.begin()));
    return out;
}

Result<Project> setLoop(const Project& p, LoopRange loop) {
    const bool sane = std::isfinite(loop.from.value) && std::isfinite(loop.to.value) && loop.from >= Beats(0) &&
                      loop.to > loop.from + Beats(0.05) && loop.to < furthest;
    if (!sane) return base::problem("A loop range must run forwards, from bar 1 on.");
    Project out = p;
    out.loop = loop;
    out.view.looping = true;
    return out;
}

Project setProjectRule(const Project& p, TimeRule rule) {
    Project out = p;
    out.rule = rule;
    return out;
}

Project setFollowing(const Project& p, bool on) {
    Project out = p;
    out.following = on;
    eachTrack(out, [&](Track& track) {
        bool any = false;
        for (Clip& c : track.clips) {
            // What its source holds stays held.
            const SourcePtr s = sourceOf(p, c.source);
            if (s && s->following) any = holdOrFollow(p, track, c, on) || any;
        }
        return any;
    });
    return out;
}

} // namespace project
