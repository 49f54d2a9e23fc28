// The ruler over the bars, and the lines of the grid under it.
#include "app/bars/bars_paint.h"

#include "app/session/session.h"
#include "app/widgets/text.h"
#include "app/widgets/tokens.h"

#include <QPainter>
#include <algorithm>
#include <cmath>

namespace app {

namespace {

// Where a bar is wider than what is in view, its beats have their places, and where a beat is, its quarters.
void paintFinePlaces(QPainter& p, const BarsScene& s, const QRect& area) {
    constexpr double wide = 420; // pixels, from which on the next finer step is told
    const metre::MetreMap& metre = s.session.now().metre;
    const Beats first = s.layout.beat(area.left());
    const metre::Metre m = metre.metreAt(std::max(Beats(0), first));
    if (m.bar().value * s.layout.perBeat < wide) return;
    Beats step = m.counted();
    for (int halvings = 0; step.value * s.layout.perBeat >= wide && halvings < 8; ++halvings)
        step = step * 0.5;
    p.setFont(figureFont(13));
    int lastRight = -1000;
    for (Beats at = metre.startOfBar(metre.barAt(first)); at <= s.layout.beat(area.right()); at = at + step) {
        const int x = static_cast<int>(std::lround(s.layout.x(at)));
        if (x < area.left() || metre.startOfBar(metre.barAt(at)) == at || x - lastRight < 14) continue;
        const QString text = qt(metre::positionLabel(metre.positionAt(at)));
        p.fillRect(QRect(x, area.top() + 12, 1, area.height() - 12), tokens().rule);
        p.setPen(tokens().inkSoft);
        p.drawText(QRect(x + 5, area.top(), 90, area.height() - 5), Qt::AlignLeft | Qt::AlignVCenter, text);
        lastRight = x + 5 + p.fontMetrics().horizontalAdvance(text);
    }
}

} // namespace

void paintGrid(QPainter& p, const BarsScene& s, const QRect& area) {
    const Tokens& t = tokens();
    const project::Project& project = s.session.now();
    const Beats from = s.layout.beat(area.left() - 1);
    const Beats to = s.layout.beat(area.right() + 1);
    for (int bar = project.metre.barAt(from); project.metre.startOfBar(bar) <= to; ++bar) {
        const Beats start = project.metre.startOfBar(bar);
        const metre::Metre m = project.metre.metreAt(start);
        if (m.counted().value * s.layout.perBeat >= 7)
            for (int b = 1; b < m.beats; ++b) {
                const int x = static_cast<int>(std::lround(s.layout.x(start + m.counted() * b)));
                p.fillRect(QRect(x, area.top(), 1, area.height()), t.rule);
            }
        const double barWidth = m.bar().value * s.layout.perBeat;
        if (barWidth < 6 && (bar - 1) % 8 != 0) continue;
        const int x = static_cast<int>(std::lround(s.layout.x(start)));
        p.fillRect(QRect(x, area.top(), 1, area.height()), t.ruleStrong);
    }
}

void paintRuler(QPainter& p, const BarsScene& s, const QRect& dirty) {
    const Tokens& t = tokens();
    const project::Project& project = s.session.now();
    const QRect area(BarsLayout::headers, BarsLayout::overview, s.size.width() - BarsLayout::headers,
                     BarsLayout::ruler - BarsLayout::overview);
    p.fillRect(QRect(0, area.top(), s.size.width(), area.height()), t.bar);
    p.setClipRect(area);
    const Beats to = s.layout.beat(area.right());
    paintFinePlaces(p, s, area);
    p.setFont(figureFont(16));
    int lastRight = -1000;
    for (int bar = project.metre.barAt(s.layout.beat(area.left())); project.metre.startOfBar(bar) <= to; ++bar) {
        const int x = static_cast<int>(std::lround(s.layout.x(project.metre.startOfBar(bar))));
        if (x - lastRight < 14) continue;
        p.fillRect(QRect(x, area.top() + 4, 1, area.height() - 4), t.ruleStrong);
        p.setPen(bar < 1 ? t.inkSoft : t.ink);
        const QString text = QString::number(bar).replace('-', QChar(0x2212));
        const QRect place(x + 5, area.top(), 60, area.height() - 5);
        if (place.intersects(dirty)) p.drawText(place, Qt::AlignLeft | Qt::AlignVCenter, text);
        lastRight = x + 5 + p.fontMetrics().horizontalAdvance(text);
    }
    const double left = s.layout.x(project.loop.from);
    const double right = s.layout.x(project.loop.to);
    p.fillRect(QRectF(left, area.bottom() - 4, right - left, 5), project.view.looping ? t.brass : t.ruleStrong);
    p.setClipping(false);
    if (dirty.left() >= BarsLayout::headers) return;
    p.setFont(textFont(sizes::label));
    p.setPen(t.inkSoft);
    p.drawText(QRect(12, area.top(), BarsLayout::headers - 14, area.height()), Qt::AlignVCenter,
               QObject::tr("Bars"));
}

} // namespace app
