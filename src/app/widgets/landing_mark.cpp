#include "app/widgets/landing_mark.h"

#include "app/widgets/tokens.h"

#include <QObject>
#include <QPainter>
#include <QPolygonF>
#include <cmath>

namespace app {

QColor landingColour(prove::Landing landing) {
    const Tokens& t = tokens();
    switch (landing) {
    case prove::Landing::InTime:
        return t.verdigris;
    case prove::Landing::Early:
        return t.amber;
    case prove::Landing::Late:
        return t.plum;
    case prove::Landing::Loose:
        return t.verdigris;
    case prove::Landing::OffGrid:
        return t.wax;
    case prove::Landing::Unread:
        break;
    }
    return t.inkSoft;
}

QColor landingText(prove::Landing landing) {
    // Amber is pale for text on paper.
    return readable(readable(landingColour(landing), tokens().paper), tokens().panel);
}

void paintLanding(QPainter& p, const QPointF& c, prove::Landing landing, double r) {
    const QColor colour = landingColour(landing);
    if (landing == prove::Landing::Unread) {
        p.setPen(QPen(colour, 1.4));
        p.setBrush(Qt::NoBrush);
        p.drawEllipse(c, r - 0.5, r - 0.5);
        return;
    }
    if (landing == prove::Landing::Loose) { // two halves that stand apart
        p.setPen(QPen(colour, 1.8));
        p.setBrush(Qt::NoBrush);
        const QRectF round(c.x() - r + 0.5, c.y() - r + 0.5, 2 * r - 1, 2 * r - 1);
        p.drawArc(round.translated(-1, 0), 90 * 16, 180 * 16);
        p.drawArc(round.translated(1, 0), -90 * 16, 180 * 16);
        return;
    }
    p.setPen(Qt::NoPen);
    p.setBrush(colour);
    if (landing == prove::Landing::OffGrid) {
        p.drawRect(QRectF(c.x() - r * 0.9, c.y() - r * 0.9, r * 1.8, r * 1.8));
        return;
    }
    if (landing == prove::Landing::InTime) {
        p.drawEllipse(c, r, r);
        return;
    }
    const double way = landing == prove::Landing::Early ? -1 : 1;
    p.drawPolygon(QPolygonF(
        {{c.x() + way * r * 1.3, c.y()}, {c.x() - way * r, c.y() - r * 1.2}, {c.x() - way * r, c.y() + r * 1.2}}));
}

QString landingLabel(prove::Landing landing) {
    switch (landing) {
    case prove::Landing::InTime:
        return QObject::tr("in time");
    case prove::Landing::Early:
        return QObject::tr("early");
    case prove::Landing::Late:
        return QObject::tr("late");
    case prove::Landing::Loose:
        return QObject::tr("loose");
    case prove::Landing::OffGrid:
        return QObject::tr("off the grid");
    case prove::Landing::Unread:
        break;
    }
    return QObject::tr("unread");
}

QString offText(metre::Seconds off) {
    const QString ms = QString::number(std::abs(off.value) * 1000, 'f', 1);
    if (std::abs(off.value) < 0.00005) return QObject::tr("on the grid");
    return off.value < 0 ? QObject::tr("%1 ms early").arg(ms) : QObject::tr("%1 ms late").arg(ms);
}

} // namespace app
