#include "app/bars/bars_cursors.h"

#include "app/widgets/tokens.h"

#include <QPainter>
#include <QPainterPath>
#include <QPixmap>
#include <map>

namespace app {

namespace {

QPainterPath shapeOf(EdgeUse use) {
    QPainterPath path;
    if (use == EdgeUse::Repeat) {
        path.moveTo(12, 3);
        path.lineTo(12, 21);
        path.moveTo(18.5, 9);
        path.arcTo(QRectF(14, 8, 7, 7), 45, -270);
        path.moveTo(15, 6);
        path.lineTo(18.5, 9.5);
        path.lineTo(14, 11);
    } else if (use == EdgeUse::Trim) {
        path.moveTo(12, 3);
        path.lineTo(12, 21);
        path.moveTo(7, 8);
        path.lineTo(3, 12);
        path.lineTo(7, 16);
        path.moveTo(17, 8);
        path.lineTo(21, 12);
        path.lineTo(17, 16);
    } else {
        for (const double x : {5.0, 11.0, 17.0}) {
            path.moveTo(x, 4);
            path.lineTo(x + 1.2 + (x - 5) / 3, 20);
        }
    }
    return path;
}

} // namespace

QCursor edgeCursor(EdgeUse use, project::Side side) {
    static std::map<std::pair<EdgeUse, project::Side>, QCursor> made;
    auto& cursor = made[{use, side}];
    if (cursor.shape() == Qt::BitmapCursor) return cursor;
    QPixmap map(24, 24);
    map.fill(Qt::transparent);
    QPainter p(&map);
    p.setRenderHint(QPainter::Antialiasing);
    if (side == project::Side::Left) { // its mirror image
        p.translate(24, 0);
        p.scale(-1, 1);
    }
    const QPainterPath path = shapeOf(use);
    // Dark with a light rim, so that it stands on either theme.
    for (const auto& [width, colour] :
         {std::pair(4.0, tokensOf(Theme::Paper).sheet), std::pair(1.8, tokensOf(Theme::Paper).ink)}) {
        p.setPen(QPen(colour, width, Qt::SolidLine, Qt::RoundCap, Qt::RoundJoin));
        p.drawPath(path);
    }
    p.end();
    return cursor = QCursor(map, 12, 12);
}

} // namespace app
