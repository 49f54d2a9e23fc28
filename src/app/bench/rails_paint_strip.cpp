// How the strip under the rails is drawn: each hit before and after, against what counts as in time.
#include "app/bench/rails_paint.h"
#include "app/widgets/landing_mark.h"
#include "app/widgets/text.h"
#include "app/widgets/tokens.h"
#include "prove/landing.h"

#include <QObject>
#include <QPainter>
#include <algorithm>
#include <cmath>
#include <span>

namespace app {

namespace {

double xOfHit(const StillRails& r, const prove::Hit& hit) {
    return r.layout.xHeard(metre::toSeconds(r.scene.clip()->time().startFrame + hit.at, r.scene.project().rate));
}

// The hits in view.
std::span<const prove::Hit> hitsIn(const StillRails& r) {
    const auto& hits = r.proof->hits;
    const auto before = [&](const prove::Hit& hit, double x) { return xOfHit(r, hit) < x; };
    const auto from = std::lower_bound(hits.begin(), hits.end(), -10.0, before);
    const auto to = std::lower_bound(from, hits.end(), r.layout.size.width() + 10.0, before);
    return {from, to};
}

} // namespace

// Each hit as it was before, hollow, and as it is now, full; the band is what counts as in time.
void paintStrip(QPainter& p, const StillRails& r) {
    const Tokens& t = tokens();
    const QRect strip = r.layout.strip();
    if (strip.height() == 0) return;
    p.fillRect(strip, t.paper);
    const double high = stripY(r.layout, -r.tolerance, r.tolerance);
    const double low = stripY(r.layout, r.tolerance, r.tolerance);
    QColor band = t.verdigris;
    band.setAlpha(26);
    p.fillRect(QRectF(0, high, strip.width(), low - high), band);
    QColor line = t.verdigris;
    line.setAlpha(150);
    p.fillRect(QRectF(0, stripY(r.layout, Seconds(0), r.tolerance) - 0.5, strip.width(), 1), line);
    p.setFont(textFont(sizes::label));
    QString told = QObject::tr("±%1 ms · ○ before ● after").arg(r.tolerance.value * 1000, 0, 'g', 3);
    if (strip.height() <= RailsLayout::thinProof) told.clear(); // no room beside the hits
    if (!r.proof) told = r.proofComes ? QObject::tr("being measured") : QString();
    if (r.proof && !r.proof->unread.empty()) told = translated(r.proof->unread);
    if (r.proof && !r.proof->deviations.empty()) {
        p.setRenderHint(QPainter::Antialiasing);
        double last = -100;
        for (const prove::Hit& hit : hitsIn(r)) {
            const double x = xOfHit(r, hit);
            if (hit.before && x - last >= 3) {
                p.setPen(QPen(t.inkSoft, 1));
                p.setBrush(t.paper);
                p.drawEllipse(QPointF(x, stripY(r.layout, *hit.before, r.tolerance)), 2.6, 2.6);
                last = x;
            }
        }
        for (const prove::Hit& hit : hitsIn(r))
            if (hit.off)
                paintLanding(p, {xOfHit(r, hit), stripY(r.layout, *hit.off, r.tolerance)},
                             prove::landingOf(*hit.off, r.tolerance), 2.8);
        p.setRenderHint(QPainter::Antialiasing, false);
    }
    if (told.isEmpty()) return;
    const int width = std::min(strip.width() - 8, p.fontMetrics().horizontalAdvance(told) + 8);
    const QRect box(strip.right() - width, strip.top(), width, 14);
    QColor under = t.paper;
    under.setAlpha(220);
    p.fillRect(box, under);
    p.setPen(t.inkSoft);
    p.drawText(box, Qt::AlignCenter, p.fontMetrics().elidedText(told, Qt::ElideRight, width));
}

double stripY(const RailsLayout& layout, Seconds off, Seconds tolerance) {
    const QRect strip = layout.strip();
    const double middle = strip.top() + strip.height() / 2.0 + 2;
    const double half = strip.height() / 2.0 - 5;
    return middle + std::clamp(off.value / (2 * tolerance.value), -1.0, 1.0) * half;
}

const prove::Hit* hitAt(const StillRails& r, const QPointF& at) {
    const prove::Hit* nearest = nullptr;
    double far = 8;
    if (!r.proof || !r.layout.strip().contains(at.toPoint())) return nullptr;
    for (const prove::Hit& hit : hitsIn(r))
        if (const double d = std::abs(xOfHit(r, hit) - at.x()); hit.off && d < far) {
            far = d;
            nearest = &hit;
        }
    return nearest;
}

} // namespace app
