#include "metre/beat_map.h"

#include <algorithm>
#include <cassert>
#include <cmath>

namespace metre {

BeatMap::BeatMap(Bpm bpm, Seconds firstDownbeat)
    : BeatMap(std::vector<Pin>{{firstDownbeat, Beats(0)}, {firstDownbeat + Seconds(60.0 / bpm.value), Beats(1)}}) {
    assert(bpm.value > 0);
}

base::Result<BeatMap> BeatMap::make(std::vector<Pin> pins) {
    if (pins.size() < 2) return base::problem("A beat map needs at least two pins.");
    for (std::size_t i = 0; i < pins.size(); ++i) {
        if (!std::isfinite(pins[i].at.value) || !std::isfinite(pins[i].beat.value))
            return base::problem("A pin must have a time and a beat.");
        if (i > 0 && (pins[i].at <= pins[i - 1].at || pins[i].beat <= pins[i - 1].beat))
            return base::problem("Pins must each lie after the one before, in the recording and in beats.");
    }
    return BeatMap(std::move(pins));
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
    const std::size_t i = stretchHolding(*pins_, [&](const Pin& p) { return p.at > s; });
    const Pin& a = (*pins_)[i];
    const Pin& b = (*pins_)[i + 1];
    return a.beat + (b.beat - a.beat) * ((s - a.at).value / (b.at - a.at).value);
}

Seconds BeatMap::secondsAt(Beats beat) const {
    const std::size_t i = stretchHolding(*pins_, [&](const Pin& p) { return p.beat > beat; });
    const Pin& a = (*pins_)[i];
    const Pin& b = (*pins_)[i + 1];
    return a.at + (b.at - a.at) * ((beat - a.beat).value / (b.beat - a.beat).value);
}

Bpm BeatMap::meanTempo() const {
    const Pin& a = pins_->front();
    const Pin& b = pins_->back();
    return Bpm(60.0 * (b.beat - a.beat).value / (b.at - a.at).value);
}

Bpm BeatMap::tempoAt(Beats beat) const {
    const std::size_t i = stretchHolding(*pins_, [&](const Pin& p) { return p.beat > beat; });
    const Pin& a = (*pins_)[i];
    const Pin& b = (*pins_)[i + 1];
    return Bpm(60.0 * (b.beat - a.beat).value / (b.at - a.at).value);
}

BeatMap followed(const BeatMap& map, Beats grain, double strictness) {
    assert(grain.value >= 0 && strictness >= 0 && strictness <= 1);
    const std::vector<Pin>& all = map.pins();
    const Pin first = all.front();
    const Pin last = all.back();
    std::vector<Pin> held;
    if (grain.value == 0) {
        if (strictness == 1) return map;
        held = all;
    } else {
        // What lies on a multiple but for a hair is the pin itself.
        const double hair = 1e-6;
        held.push_back(first);
        for (double n = std::floor(first.beat.value / grain.value) + 1; n * grain.value < last.beat.value - hair;
             ++n)
            if (const Beats b(n * grain.value); b.value > first.beat.value + hair)
                held.push_back({map.secondsAt(b), b});
        held.push_back(last);
    }
    const double slope = (last.beat - first.beat).value / (last.at - first.at).value;
    for (Pin& pin : held) {
        const double straight = first.beat.value + (pin.at - first.at).value * slope;
        pin.beat = Beats(strictness * pin.beat.value + (1 - strictness) * straight);
    }
    if (strictness == 0) held = {first, last};
    auto made = BeatMap::make(std::move(held));
    return made ? *made : map;
}

} // namespace metre
