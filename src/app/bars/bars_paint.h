// Drawing the page Bars. Reads the document and the layout; keeps nothing.
#pragma once

#include "app/bars/bars_layout.h"
#include "app/session/session.h"

#include <QPainter>
#include <unordered_set>

namespace app {

// What is under the hand while dragging, drawn over the page.
struct BarsDrag {
    Beats by;       // clips move by this
    int tracks = 0; // and by so many tracks
    bool moving = false;
    std::optional<QRectF> band;   // rubber band
    std::optional<Beats> landing; // where a drop would land
    std::size_t landingTrack = 0;
    QPointF pointer;
    QString result; // beside the pointer: what release would do
};

struct BarsScene {
    Session& session;
    const BarsLayout& layout;
    QSize size;
    const BarsDrag& drag;
    Beats playPosition;
    std::unordered_set<std::int64_t> selected; // clips
};

void paintBars(QPainter& p, const BarsScene& scene, const QRect& dirty);

// The hit areas of a track's header.
QRect muteRect(const BarsLayout& layout, std::size_t track);
QRect soloRect(const BarsLayout& layout, std::size_t track);
QRect gainRect(const BarsLayout& layout, std::size_t track);

} // namespace app
