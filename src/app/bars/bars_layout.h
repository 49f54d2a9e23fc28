// Where things are on the page Bars: from beats and tracks to pixels and back.
#pragma once

#include "project/laid.h"

#include <QRectF>

namespace app {

using metre::Beats;

// All in pixels of the page's viewport.
struct BarsLayout {
    static constexpr int headers = 122; // width of the track headers
    static constexpr int ruler = 28;
    static constexpr int tempo = 30;
    static constexpr int top = ruler + tempo;
    static constexpr int track = 60;

    double perBeat = 25; // pixels
    double leftBeat = 0; // the beat at the right edge of the headers
    int scrollY = 0;

    double x(Beats b) const { return headers + (b.value - leftBeat) * perBeat; }
    Beats beat(double px) const { return Beats(leftBeat + (px - headers) / perBeat); }
    int y(std::size_t trackIndex) const { return top + static_cast<int>(trackIndex) * track - scrollY; }
    // Below the last track it is the number of tracks; above the first, nothing.
    std::optional<std::size_t> trackAt(double py, std::size_t tracks) const {
        if (py < top) return std::nullopt;
        const auto i = static_cast<std::size_t>((py - top + scrollY) / track);
        return std::min(i, tracks);
    }
    QRectF clip(const project::LaidClip& c) const {
        const double left = x(c.time().start);
        return {left, double(y(c.trackIndex)) + 3, x(c.time().end) - left, track - 6};
    }
};

} // namespace app
