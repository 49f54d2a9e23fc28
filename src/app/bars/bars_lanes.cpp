#include "app/bars/bars_paint.h"

#include "app/widgets/text.h"
#include "app/widgets/tokens.h"
#include "metre/tempo.h"
#include "project/pins.h"

#include <QPainterPath>
#include <algorithm>
#include <cmath>
#include <map>

namespace app {

namespace {

void paintLaneTitle(QPainter& p, const QRect& lane, const QString& title) {
    p.setFont(textFont(sizes::label));
    p.setPen(tokens().inkSoft);
    p.drawText(QRect(12, lane.top(), BarsLayout::headers - 14, lane.height()), Qt::AlignVCenter, title);
}

// What holds all along: "▸ 104 · 4/4 · D min".
QString foldedTitle(const project::Project& project, const QFontMetrics& metrics) {
    QString text = QObject::tr("▸ %1 · %2")
                       .arg(qt(metre::tempoLabel(project.tempo.points().front().bpm)),
                            qt(metre::metreLabel(project.metre.points().front().metre)));
    if (const auto& key = project.keys.points().front().key)
        text += QStringLiteral(" · ") + qt(hear::keyLabel(*key));
    return metrics.elidedText(text, Qt::ElideRight, BarsLayout::headers - 16);
}

// A flag of brass, with its name.
void paintSections(QPainter& p, const BarsScene& s) {
    const Tokens& t = tokens();
    const QRect lane = s.layout.sectionsLane(s.size.width());
    paintLaneTitle(p, lane,
                   s.layout.lanes ? QObject::tr("▾ Sections") : foldedTitle(s.session.now(), p.fontMetrics()));
    p.setClipRect(lane);
    p.setFont(textFont(sizes::text, QFont::DemiBold));
    const auto sections = project::sectionsOf(s.session.now());
    for (std::size_t i = 0; i < sections.size(); ++i) {
        const double x = s.layout.x(sections[i].at);
        const double next = i + 1 < sections.size() ? s.layout.x(sections[i + 1].at) : s.size.width() + 200.0;
        if (next < lane.left() || x > lane.right()) continue;
        const bool picked = s.picked.what == LanePick::What::Section && s.picked.at == sections[i].at;
        QPolygonF flag;
        flag << QPointF(x, lane.top() + 3) << QPointF(x + 7, lane.top() + 3)
             << QPointF(x + 12, lane.center().y() + 1) << QPointF(x + 7, lane.bottom() - 2)
             << QPointF(x, lane.bottom() - 2);
        p.setPen(Qt::NoPen);
        p.setBrush(picked ? t.ink : t.brass);
        p.setRenderHint(QPainter::Antialiasing);
        p.drawPolygon(flag);
        p.setRenderHint(QPainter::Antialiasing, false);
        p.setPen(t.ink);
        // The name stays in view while its section does.
        const double left = std::max<double>(x + 17, lane.left() + 4);
        const int room = static_cast<int>(next - left) - 4;
        if (room > 12)
            p.drawText(QRectF(left, lane.top(), room, lane.height()), Qt::AlignVCenter,
                       p.fontMetrics().elidedText(qt(sections[i].name), Qt::ElideRight, room));
    }
    p.setClipping(false);
}

void paintTempo(QPainter& p, const BarsScene& s) {
    const Tokens& t = tokens();
    const metre::TempoMap& map = s.session.now().tempo;
    const QRect lane = s.layout.tempoLane(s.size.width());
    paintLaneTitle(p, lane, QObject::tr("Tempo"));
    p.setClipRect(lane);
    if (s.picked.what == LanePick::What::TempoRange) {
        QColor wash = t.brass;
        wash.setAlpha(50);
        const double left = s.layout.x(s.picked.at);
        p.fillRect(QRectF(left, lane.top(), s.layout.x(s.picked.to) - left, lane.height()), wash);
    }
    const auto& points = map.points();
    const auto y = [&](Bpm bpm) { return tempoY(s.layout, map, bpm); };
    QPainterPath line;
    line.moveTo(std::min<double>(lane.left() - 2, s.layout.x(Beats(0))), y(points.front().bpm));
    for (std::size_t i = 0; i < points.size(); ++i) {
        const QPointF at(s.layout.x(points[i].at), y(points[i].bpm));
        if (i == 0 || points[i - 1].shape == metre::TempoPoint::Shape::Hold)
            line.lineTo(at.x(), line.currentPosition().y());
        line.lineTo(at);
    }
    line.lineTo(std::max<double>(lane.right() + 2, line.currentPosition().x()), line.currentPosition().y());
    p.setPen(QPen(t.brass, 2));
    p.setBrush(Qt::NoBrush);
    p.setRenderHint(QPainter::Antialiasing);
    p.drawPath(line);
    p.setRenderHint(QPainter::Antialiasing, false);
    p.setFont(textFont(sizes::label));
    double lastRight = -1e9;
    for (std::size_t i = 0; i < points.size(); ++i) {
        const QPointF at(s.layout.x(points[i].at), y(points[i].bpm));
        const bool picked = s.picked.what == LanePick::What::TempoPoint && s.picked.at == points[i].at;
        p.fillRect(QRectF(at.x() - (picked ? 5 : 4), at.y() - (picked ? 5 : 4), picked ? 10 : 8, picked ? 10 : 8),
                   picked ? t.ink : t.brass);
        p.setPen(t.brassText);
        const QString figure = qt(metre::tempoLabel(points[i].bpm));
        const double left = std::max<double>(at.x() + 7, lane.left() + 7);
        if (left < lastRight + 6) continue; // figures would run into each other
        const bool below = at.y() < lane.center().y();
        p.drawText(QRectF(left, below ? at.y() + 3 : at.y() - 16, 80, 13), Qt::AlignVCenter, figure);
        lastRight = left + p.fontMetrics().horizontalAdvance(figure);
    }
    p.setClipping(false);
}

void paintMetreAndKey(QPainter& p, const BarsScene& s) {
    const Tokens& t = tokens();
    const QRect lane = s.layout.metreLane(s.size.width());
    const project::Project& project = s.session.now();
    paintLaneTitle(p, lane, QObject::tr("Metre · key"));
    p.setClipRect(lane);
    p.setFont(textFont(sizes::label, QFont::Medium));
    // What changes at the same bar stands together.
    std::map<int, QString> marks;
    for (const metre::MetrePoint& point : project.metre.points())
        marks[point.bar] = qt(metre::metreLabel(point.metre));
    for (const project::KeyPoint& point : project.keys.points()) {
        QString& text = marks[point.bar];
        const QString key = point.key ? qt(hear::keyLabel(*point.key)) : QObject::tr("no key");
        if (point.bar > 1 || point.key) text += (text.isEmpty() ? QString() : QStringLiteral("   ")) + key;
    }
    const bool isPicked = s.picked.what == LanePick::What::Metre || s.picked.what == LanePick::What::Key;
    for (const auto& [bar, text] : marks) {
        const Beats at = project.metre.startOfBar(bar);
        const double x = s.layout.x(at);
        p.fillRect(QRectF(x, lane.top(), 1, lane.height()), t.ruleStrong);
        p.setPen(isPicked && s.picked.at == at ? t.brassText : t.ink);
        p.drawText(QRectF(x + 6, lane.top(), 200, lane.height()), Qt::AlignVCenter, text);
    }
    p.setClipping(false);
}

} // namespace

double tempoY(const BarsLayout& layout, const metre::TempoMap& map, Bpm bpm) {
    const QRect lane = layout.tempoLane(1000000);
    const auto& points = map.points();
    const auto [low, high] =
        std::minmax_element(points.begin(), points.end(), [](auto& a, auto& b) { return a.bpm < b.bpm; });
    // A little room to drag into, and not all of the height for a difference that is none.
    const double middle = (low->bpm.value + high->bpm.value) / 2;
    const double span = std::max(20.0, (high->bpm.value - low->bpm.value) * 1.2);
    const double x = std::clamp((bpm.value - middle) / span, -0.5, 0.5);
    return lane.center().y() - x * (lane.height() - 14);
}

void paintLanes(QPainter& p, const BarsScene& s) {
    const Tokens& t = tokens();
    const int width = s.size.width();
    p.fillRect(QRect(0, BarsLayout::ruler, width, s.layout.top() - BarsLayout::ruler), t.paper);
    p.fillRect(QRect(0, BarsLayout::ruler, BarsLayout::headers, s.layout.top() - BarsLayout::ruler), t.panel);
    paintSections(p, s);
    if (s.layout.lanes) {
        paintTempo(p, s);
        paintMetreAndKey(p, s);
        for (const QRect& lane : {s.layout.sectionsLane(width), s.layout.tempoLane(width)})
            p.fillRect(QRect(0, lane.bottom(), width, 1), t.rule);
    }
    p.fillRect(QRect(0, s.layout.top() - 1, width, 1), t.ruleStrong);
}

double overviewX(Session& session, int width, Beats at) {
    const double end = std::max({16.0, session.laid()->end().value, session.now().loop.to.value}) + 4;
    return BarsLayout::headers + std::clamp(at.value / end, 0.0, 1.0) * (width - BarsLayout::headers);
}

void paintOverview(QPainter& p, const BarsScene& s) {
    const Tokens& t = tokens();
    const int width = s.size.width();
    p.fillRect(QRect(0, 0, width, BarsLayout::overview), t.bar);
    const auto x = [&](Beats at) { return overviewX(s.session, width, at); };
    // Which columns hold clips: many clips are one shadow.
    std::vector<bool> held(static_cast<std::size_t>(std::max(1, width + 2)));
    for (const project::LaidClip& clip : s.session.laid()->clips()) {
        const auto first = static_cast<std::size_t>(x(clip.time().start));
        const auto last = std::min(held.size() - 1, static_cast<std::size_t>(x(clip.time().end)));
        for (std::size_t i = first; i <= last; ++i)
            held[i] = true;
    }
    for (std::size_t i = 0; i < held.size(); ++i) {
        if (!held[i]) continue;
        const std::size_t first = i;
        while (i < held.size() && held[i])
            ++i;
        p.fillRect(QRect(static_cast<int>(first), 3, static_cast<int>(i - first), 3), t.ruleStrong);
    }
    const double left = x(Beats(s.layout.leftBeat));
    const double right = x(s.layout.beat(width));
    p.setPen(QPen(t.ink, 1));
    p.setBrush(Qt::NoBrush);
    p.drawRect(QRectF(left + 0.5, 1.5, std::max(6.0, right - left) - 1, BarsLayout::overview - 3));
    p.fillRect(QRectF(x(s.playPosition), 0, 1.5, BarsLayout::overview), t.wax);
}

} // namespace app
