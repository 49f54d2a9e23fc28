#include "metre/snap.h"

#include <cassert>
#include <cmath>

namespace metre {

namespace {

Beats stepOf(Snap snap, Metre m) {
    switch (snap) {
    case Snap::QuarterBeat:
        return m.counted() * 0.25;
    case Snap::HalfBeat:
        return m.counted() * 0.5;
    case Snap::Beat:
        return m.counted();
    case Snap::Bar:
        return m.bar();
    case Snap::Off:
        break;
    }
    return Beats(0);
}

} // namespace

Beats gridBefore(Beats b, Snap snap, const MetreMap& metre) {
    assert(snap != Snap::Off);
    const Beats bar = metre.startOfBar(metre.barAt(b));
    const Beats step = stepOf(snap, metre.metreAt(b));
    return bar + step * std::floor((b - bar).value / step.value + 1e-6);
}

Beats gridAfter(Beats b, Snap snap, const MetreMap& metre) {
    const Beats before = gridBefore(b, snap, metre);
    const Beats next = before + stepOf(snap, metre.metreAt(before));
    // A metre change cuts the last step of the bar before it short.
    const Beats nextBar = metre.startOfBar(metre.barAt(before) + 1);
    return std::min(next, nextBar);
}

Beats snapped(Beats b, Snap snap, const MetreMap& metre) {
    if (snap == Snap::Off) return b;
    const Beats before = gridBefore(b, snap, metre);
    const Beats after = gridAfter(b, snap, metre);
    return (b - before) < (after - b) ? before : after;
}

} // namespace metre
