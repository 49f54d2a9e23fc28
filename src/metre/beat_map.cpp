#include "metre/beat_map.h"

#include <algorithm>
#include <cassert>
#include <cmath>

namespace metre {

BeatMap::BeatMap(Bpm bpm, Seconds firstDownbeat) {
    assert(bpm.value > 0);
    pins_ = {{firstDownbeat, Beats(0)}, {firstDownbeat + Seconds(60.0 / bpm.value), Beats(1)}};
}

base::Result<BeatMap> BeatMap::make(std::vector<Pin> pins) {
    if (pins.size() < 2) return base::problem("A beat map needs at least two pins.");
    for (std::size_t i = 0; i < pins.size(); ++i) {
        if (!std::isfinite(pins[i].at.value) || !std::isfinite(pins[i].beat.value))
            return base::problem("A pin must have a time and a beat.");
        if (i > 0 && (pins[i].at <= pins[i - 1].at || pins[i].beat <= pins[i - 1].beat))
            return base::problem("Pins must each lie after the one before, in the recording and in beats.");
    }
    BeatMap map;
    map.pins_ = std::move(pins);
    return map;
}

namespace {

// The pin that begins the stretch holding x, so that both neighbours exist.
template <class Less>
std::size_t stretchHolding(const std::vector<Pin>& pins, Less isAfter) {
    const auto after =
        std::partition_point(pins.begin() + 1, pins.end() - 1, [&](const Pin& p) { return !isAfter(p); });
    return static_cast<std::size_t>(after - pins.begin()) - 1;
}

} // namespace

Beats BeatMap::beatAt(Seconds s) const {
    const std::size_t i = stretchHolding(pins_, [&](const Pin& p) { return p.at > s; });
    const Pin& a = pins_[i];
    const Pin& b = pins_[i + 1];
    return a.beat + (b.beat - a.beat) * ((s - a.at).value / (b.at - a.at).value);
}

Seconds BeatMap::secondsAt(Beats beat) const {
    const std::size_t i = stretchHolding(pins_, [&](const Pin& p) { return p.beat > beat; });
    const Pin& a = pins_[i];
    const Pin& b = pins_[i + 1];
    return a.at + (b.at - a.at) * ((beat - a.beat).value / (b.beat - a.beat).value);
}

Bpm BeatMap::meanTempo() const {
    const Pin& a = pins_.front();
    const Pin& b = pins_.back();
    return Bpm(60.0 * (b.beat - a.beat).value / (b.at - a.at).value);
}

} // namespace metre
