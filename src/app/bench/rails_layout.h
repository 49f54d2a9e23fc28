// Where things lie on the rails. Pure arithmetic; pixels from the widget's upper left corner.
#pragma once

#include "metre/units.h"

#include <QRect>
#include <QSize>

namespace app {

// Both rails are drawn on one time scale. The upper one shows the recording from `from` on; the lower one shows
// what is heard from `heardFrom` on, so that what is at the left edge of one is at that of the other.
struct RailsLayout {
    static constexpr int ruler = 18;
    static constexpr int foot = 11; // of the upper rail: onsets
    static constexpr int knob = 5;  // radius
    static constexpr int leastPerRail = 24;
    static constexpr int proof = 40; // the strip of hits before and after, lower where there is little room
    static constexpr int lowProof = 28;
    static constexpr int thinProof = 14;

    QSize size;
    double from = 0;       // seconds of the recording at x = 0
    double heardFrom = 0;  // seconds of the project at x = 0
    double perSecond = 50; // pixels
    bool two = true;       // the lower rail has room, and something to show

    double x(metre::Seconds recorded) const { return (recorded.value - from) * perSecond; }
    double xHeard(metre::Seconds heard) const { return (heard.value - heardFrom) * perSecond; }
    metre::Seconds at(double px) const { return metre::Seconds(from + px / perSecond); }
    metre::Seconds heardAt(double px) const { return metre::Seconds(heardFrom + px / perSecond); }
    metre::Seconds span(double pixels) const { return metre::Seconds(pixels / perSecond); }

    // What is left beside rulers, feet and titles, shared out.
    int free() const { return std::max(0, size.height() - 2 * ruler - foot - stripHeight()); }
    int stripHeight() const {
        return !two || size.height() < 120 ? 0
               : size.height() < 190       ? thinProof
               : size.height() < 260       ? lowProof
                                           : proof;
    }
    int rungHeight() const { return two ? std::max(26, (free() + stripHeight()) * 30 / 100) : 0; }
    int railHeight() const {
        return two ? std::max(leastPerRail, (free() - rungHeight()) / 2)
                   : std::max(leastPerRail, size.height() - ruler - foot);
    }
    QRect upperRuler() const { return {0, 0, size.width(), ruler}; }
    QRect upper() const { return {0, ruler, size.width(), railHeight()}; }
    QRect onsets() const { return {0, ruler + railHeight(), size.width(), foot}; }
    QRect rungs() const { return {0, onsets().bottom() + 1, size.width(), rungHeight()}; }
    QRect lowerRuler() const { return {0, rungs().bottom() + 1, size.width(), two ? ruler : 0}; }
    QRect lower() const {
        return {0, lowerRuler().bottom() + 1, size.width(),
                two ? std::max(0, size.height() - lowerRuler().bottom() - 1 - stripHeight()) : 0};
    }
    QRect strip() const { return {0, size.height() - stripHeight(), size.width(), stripHeight()}; }
    // The middles of a rung's knobs.
    double upperKnobY() const { return rungs().top() + knob; }
    double lowerKnobY() const { return rungs().bottom() - knob; }
};

} // namespace app
