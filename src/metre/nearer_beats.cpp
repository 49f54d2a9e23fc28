#include "metre/nearer_beats.h"

#include "metre/tempo.h"

namespace metre {

base::Result<BeatMap> nearerBeats(const BeatMap& beats, double factor, Seconds later) {
    if (!isTempo(Bpm(beats.meanTempo().value * factor))) return base::problem("Tempos lie between 20 and 400 BPM.");
    const Seconds zero = beats.secondsAt(Beats(0));
    std::vector<Pin> pins = beats.pins();
    for (Pin& pin : pins)
        pin.at = zero + Seconds((pin.at - zero).value / factor + later.value);
    return BeatMap::make(std::move(pins));
}

} // namespace metre
