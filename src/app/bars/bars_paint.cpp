#include "app/bars/bars_paint.h"

#include "app/widgets/text.h"
#include "app/widgets/tokens.h"
#include "metre/tempo.h"
#include "sound/decibel.h"

#include <QPainterPath>
#include <algorithm>
#include <cmath>

namespace app {

namespace {

QString decibels(double db) {
    return QStringLiteral("%1 dB").arg(db, 0, 'f', 1).replace('-', QChar(0x2212));
}

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

void paintRuler(QPainter& p, const BarsScene& s) {
    const Tokens& t = tokens();
    const project::Project& project = s.session.now();
    const QRect area(BarsLayout::headers, 0, s.size.width() - BarsLayout::headers, BarsLayout::ruler);
    p.fillRect(QRect(0, 0, s.size.width(), BarsLayout::ruler), t.bar);
    p.setClipRect(area);
    const Beats to = s.layout.beat(area.right());
    p.setFont(figureFont(16));
    int lastRight = -1000;
    for (int bar = project.metre.barAt(s.layout.beat(area.left())); project.metre.startOfBar(bar) <= to; ++bar) {
        const int x = static_cast<int>(std::lround(s.layout.x(project.metre.startOfBar(bar))));
        if (x - lastRight < 14) continue;
        p.fillRect(QRect(x, 4, 1, area.height() - 4), t.ruleStrong);
        p.setPen(bar < 1 ? t.inkSoft : t.ink);
        const QString text = QString::number(bar).replace('-', QChar(0x2212));
        p.drawText(QRect(x + 5, 0, 60, area.height() - 6), Qt::AlignLeft | Qt::AlignVCenter, text);
        lastRight = x + 5 + p.fontMetrics().horizontalAdvance(text);
    }
    const double left = s.layout.x(project.loop.from);
    const double right = s.layout.x(project.loop.to);
    p.fillRect(QRectF(left, area.height() - 5, right - left, 5), project.loop.on ? t.brass : t.ruleStrong);
    p.setClipping(false);
    p.setFont(textFont(sizes::label));
    p.setPen(t.inkSoft);
    p.drawText(QRect(10, 0, BarsLayout::headers - 12, BarsLayout::ruler), Qt::AlignVCenter, QObject::tr("Bars"));
}

void paintTempoLane(QPainter& p, const BarsScene& s) {
    const Tokens& t = tokens();
    const metre::TempoMap& map = s.session.now().tempo;
    const QRect area(BarsLayout::headers, BarsLayout::ruler, s.size.width() - BarsLayout::headers,
                     BarsLayout::tempo);
    p.setFont(textFont(sizes::label));
    p.setPen(t.inkSoft);
    p.drawText(QRect(10, area.top(), BarsLayout::headers - 12, area.height()), Qt::AlignVCenter,
               QObject::tr("Tempo"));
    p.setClipRect(area);
    const auto& points = map.points();
    const auto [low, high] =
        std::minmax_element(points.begin(), points.end(), [](auto& a, auto& b) { return a.bpm < b.bpm; });
    const double lowest = low->bpm.value;
    const double span = std::max(1.0, high->bpm.value - lowest);
    const auto y = [&](Bpm bpm) {
        return area.bottom() - 8 - (bpm.value - lowest) / span * (points.size() > 1 ? 10 : 0);
    };
    QPainterPath line;
    for (std::size_t i = 0; i < points.size(); ++i) {
        const QPointF at(s.layout.x(points[i].at), y(points[i].bpm));
        if (i == 0)
            line.moveTo(at);
        else {
            if (points[i - 1].shape == metre::TempoPoint::Shape::Hold)
                line.lineTo(at.x(), line.currentPosition().y());
            line.lineTo(at);
        }
    }
    line.lineTo(std::max<double>(area.right() + 2, line.currentPosition().x()), line.currentPosition().y());
    p.setPen(QPen(t.brass, 2));
    p.drawPath(line);
    for (const metre::TempoPoint& point : points) {
        const QPointF at(s.layout.x(point.at), y(point.bpm));
        p.fillRect(QRectF(at.x() - 3, at.y() - 3, 6, 6), t.brass);
        p.setPen(t.brassText);
        p.drawText(QPointF(std::max<double>(at.x() + 6, area.left() + 6), at.y() - 5),
                   qt(metre::tempoLabel(point.bpm)));
    }
    p.setClipping(false);
    p.fillRect(QRect(0, area.bottom(), s.size.width(), 1), t.rule);
}

sound::Extent extentOver(const sound::Audio& audio, const sound::Peaks& peaks, metre::Frames from,
                         metre::Frames to) {
    return (to - from).value > 256 ? peaks.over(from, to) : sound::exactExtent(audio, from, to);
}

// The outline of what is heard of a clip. Where it is not rendered yet, that of its source, bent to the grid: each
// column of pixels shows the stretch of source it covers.
void paintWaveform(QPainter& p, const BarsScene& s, const project::LaidClip& clip, const QRectF& area,
                   const QRect& dirty) {
    const project::Project& project = s.session.now();
    const project::RenderJobPtr& job = clip.time().job;
    if (!job) return;
    const auto frameAt = [&](double x) {
        return metre::toFrames(project.tempo.secondsAt(s.layout.beat(x)), project.rate) - clip.time().startFrame;
    };
    const auto sourceFrameAt = [&](metre::Frames f) {
        return metre::Frames(std::llround(job->map.sourceAt(double(f.value))));
    };
    const int left = static_cast<int>(std::max<double>(std::floor(area.left()), dirty.left()));
    const int right = static_cast<int>(std::min<double>(std::ceil(area.right()), dirty.right() + 1));
    const double middle = area.center().y();
    const double half = area.height() / 2;
    const auto factor =
        static_cast<double>(std::min(2.0F, static_cast<float>(sound::factorFromDb(clip.chain.clipDb))));
    const std::vector<play::RenderedPiece> pieces = s.session.player().renderedClip(clip.id());
    QVector<QLineF> lines;
    lines.reserve(std::max(0, right - left));
    metre::Frames from = frameAt(left);
    for (int x = left; x < right; ++x) {
        const metre::Frames to = std::max(frameAt(x + 1), from + metre::Frames(1));
        // The piece that holds the column's beginning; another may follow within it.
        auto piece = std::upper_bound(pieces.begin(), pieces.end(), from,
                                      [](metre::Frames f, const play::RenderedPiece& r) { return f < r.from; });
        if (piece != pieces.begin()) --piece;
        std::optional<sound::Extent> heard;
        for (; piece != pieces.end() && piece->from < to; ++piece) {
            if (piece->from + piece->audio->frames() <= from) continue;
            const sound::Extent e = extentOver(*piece->audio, *piece->peaks, from - piece->from, to - piece->from);
            heard = heard ? sound::Extent{std::min(heard->low, e.low), std::max(heard->high, e.high)} : e;
        }
        const sound::Extent e =
            heard ? *heard
                  : extentOver(job->sound->audio, job->sound->peaks, sourceFrameAt(from), sourceFrameAt(to));
        const double top = middle - std::min(1.0, double(e.high) * factor) * half;
        const double bottom = middle - std::max(-1.0, double(e.low) * factor) * half;
        lines.append(QLineF(x + 0.5, top - 0.4, x + 0.5, bottom + 0.4));
        from = to;
    }
    p.setPen(QPen(tokens().ink, 1));
    p.drawLines(lines);
}

// What becomes of a clip's tempo: "112 → 104".
QString tempoChange(const project::LaidClip& clip) {
    if (!clip.source->sound) return QObject::tr("missing");
    if (!clip.time().stretched) return QObject::tr("as recorded");
    return QStringLiteral("%1 → %2").arg(qt(metre::tempoLabel(clip.source->beats->meanTempo())),
                                         qt(metre::tempoLabel(clip.time().tempo)));
}

// A padlock at the right end of a locked clip's title.
void paintLock(QPainter& p, const QRectF& band) {
    const QRectF body(band.right() - 14, band.top() + 7, 8, 6);
    p.setPen(QPen(tokens().ink, 1.2));
    p.setBrush(Qt::NoBrush);
    p.drawArc(QRectF(body.left() + 1.5, body.top() - 4, 5, 8), 0, 180 * 16);
    p.fillRect(body, tokens().ink);
}

// Name and tempo; where there is no room for both, the name is shortened in its middle, and where there is hardly
// any, the tempo alone is left.
void paintTitle(QPainter& p, const project::LaidClip& clip, const QRectF& area) {
    if (area.width() < 20) return;
    const QString change = tempoChange(clip);
    const QString name = qt(clip.source->name);
    const QFontMetrics metrics = p.fontMetrics();
    const int gap = 9;
    const int room = static_cast<int>(area.width()) - metrics.horizontalAdvance(change) - gap;
    constexpr int flags = Qt::AlignLeft | Qt::AlignVCenter;
    if (room < std::min(80, metrics.horizontalAdvance(name))) {
        p.drawText(area, flags, metrics.elidedText(name, Qt::ElideRight, static_cast<int>(area.width())));
        return;
    }
    const QString shown = metrics.elidedText(name, Qt::ElideMiddle, room);
    p.drawText(area, flags, shown);
    p.setPen(tokens().inkSoft);
    p.drawText(area.adjusted(metrics.horizontalAdvance(shown) + gap, 0, 0, 0), flags, change);
}

void paintClip(QPainter& p, const BarsScene& s, const project::LaidClip& clip, const QRect& dirty) {
    const Tokens& t = tokens();
    QRectF r = s.layout.clip(clip);
    const bool isSelected = s.selected.count(clip.id().value) > 0;
    if (isSelected && s.drag.moving)
        r.translate(s.drag.by.value * s.layout.perBeat, s.drag.tracks * BarsLayout::track);
    if (r.right() < dirty.left() || r.left() > dirty.right() || r.bottom() < dirty.top() ||
        r.top() > dirty.bottom())
        return;
    const QString problem = qt(s.session.player().problemWith(clip.id()));
    const project::Track& owner = *clip.track;
    p.fillRect(r, t.sheet);
    const QRectF band(r.left(), r.top(), r.width(), 15);
    p.fillRect(band, problem.isEmpty() ? t.band(owner.tint) : t.rule);
    p.setOpacity(owner.mute ? 0.4 : 1.0);
    if (!(isSelected && s.drag.moving)) paintWaveform(p, s, clip, r.adjusted(1, 17, -1, -3), dirty);
    p.setOpacity(1);
    p.setFont(textFont(sizes::label));
    p.setPen(t.ink);
    // A title stays in view while its clip runs out of it on the left.
    const double textLeft = std::max<double>(r.left() + 5, BarsLayout::headers + 5);
    const bool locked = clip.clip->locked && r.width() > 40;
    if (locked) paintLock(p, band);
    const QRectF title(textLeft, r.top(), r.right() - textLeft - (locked ? 18 : 4), 15);
    paintTitle(p, clip, title);
    if (!problem.isEmpty()) {
        p.setPen(t.wax);
        p.drawText(r.adjusted(6, 16, -4, -4), static_cast<int>(Qt::AlignLeft | Qt::AlignVCenter) | Qt::TextWordWrap,
                   problem);
    } else if (!s.session.player().isRendered(clip.id())) {
        // Being fitted: a dotted line along the foot until it is ready.
        p.setPen(QPen(t.brass, 2, Qt::DotLine));
        p.drawLine(QPointF(r.left() + 3, r.bottom() - 2), QPointF(r.right() - 3, r.bottom() - 2));
    }
    p.setBrush(Qt::NoBrush);
    p.setPen(QPen(isSelected ? t.brass : t.ruleStrong, isSelected ? 2 : 1));
    p.drawRect(r.adjusted(0.5, 0.5, -0.5, -0.5));
}

void paintHeader(QPainter& p, const BarsScene& s, std::size_t index) {
    const Tokens& t = tokens();
    const project::Track& track = *s.session.now().tracks[index];
    const int y = s.layout.y(index);
    p.fillRect(QRect(0, y, BarsLayout::headers, BarsLayout::track), t.panel);
    p.fillRect(QRect(0, y, 5, BarsLayout::track), t.tint(track.tint));
    p.setFont(textFont(sizes::strong, QFont::DemiBold));
    p.setPen(t.ink);
    p.drawText(QRect(14, y + 6, BarsLayout::headers - 20, 18), Qt::AlignVCenter,
               p.fontMetrics().elidedText(qt(track.name), Qt::ElideRight, BarsLayout::headers - 22));
    const auto letter = [&](const QRect& r, const QString& text, bool on) {
        if (on) p.fillRect(r, t.ink);
        p.setPen(on ? t.onInk : t.inkSoft);
        p.setFont(textFont(sizes::label, QFont::Medium));
        p.drawText(r, Qt::AlignCenter, text);
        p.setPen(t.ruleStrong);
        p.drawRect(r.adjusted(0, 0, -1, -1));
    };
    letter(muteRect(s.layout, index), QStringLiteral("M"), track.mute);
    letter(soloRect(s.layout, index), QStringLiteral("S"), track.solo);
    p.setPen(t.ink);
    p.setFont(textFont(sizes::label));
    p.drawText(gainRect(s.layout, index), Qt::AlignVCenter | Qt::AlignLeft, decibels(track.gainDb));
}

void paintPlayPosition(QPainter& p, const BarsScene& s) {
    const double x = std::lround(s.layout.x(s.playPosition));
    if (x < BarsLayout::headers) return;
    p.setClipRect(QRect(BarsLayout::headers - 6, 0, s.size.width(), s.size.height()));
    p.fillRect(QRectF(x - 1, 0, 2, s.size.height()), tokens().wax);
    QPolygonF mark;
    mark << QPointF(x - 6, 0) << QPointF(x + 6, 0) << QPointF(x, 9);
    p.setPen(Qt::NoPen);
    p.setBrush(tokens().wax);
    p.drawPolygon(mark);
    p.setClipping(false);
}

void paintDrag(QPainter& p, const BarsScene& s) {
    const Tokens& t = tokens();
    if (s.drag.band) {
        p.setPen(QPen(t.brass, 1));
        QColor fill = t.brass;
        fill.setAlpha(30);
        p.setBrush(fill);
        p.drawRect(*s.drag.band);
    }
    if (s.drag.landing) {
        const double x = s.layout.x(*s.drag.landing);
        const QRectF slot(x, s.layout.y(s.drag.landingTrack) + 3, 4 * s.layout.perBeat, BarsLayout::track - 6);
        p.setPen(QPen(t.brass, 2));
        QColor fill = t.brass;
        fill.setAlpha(40);
        p.setBrush(fill);
        p.drawRect(slot);
    }
    if (s.drag.result.isEmpty()) return;
    p.setFont(textFont(sizes::text, QFont::Medium));
    const int width = p.fontMetrics().horizontalAdvance(s.drag.result) + 14;
    QRectF box(s.drag.pointer + QPointF(14, -30), QSizeF(width, 22));
    box.moveRight(std::min<double>(box.right(), s.size.width() - 4));
    box.moveTop(std::max<double>(box.top(), 2));
    p.setPen(Qt::NoPen);
    p.setBrush(t.ink);
    p.drawRoundedRect(box, 3, 3);
    p.setPen(t.onInk);
    p.drawText(box, Qt::AlignCenter, s.drag.result);
}

void paintEmpty(QPainter& p, const BarsScene& s) {
    const QRect area(BarsLayout::headers, BarsLayout::top, s.size.width() - BarsLayout::headers,
                     s.size.height() - BarsLayout::top);
    p.fillRect(QRect(area.center().x() - 260, area.center().y() - 46, 520, 92), tokens().paper);
    p.setPen(tokens().ink);
    p.setFont(figureFont(22));
    p.drawText(area.adjusted(0, -24, 0, -24), Qt::AlignCenter, QObject::tr("Drop loops, samples or stems here"));
    p.setPen(tokens().inkSoft);
    p.setFont(textFont(sizes::strong));
    p.drawText(area.adjusted(0, 24, 0, 24), Qt::AlignCenter,
               QObject::tr("or bring them in with Ctrl+I. Each gets a track of its own,\nfitted to the project's "
                           "tempo by its name or tag, or by what is heard."));
}

} // namespace

QRect muteRect(const BarsLayout& l, std::size_t track) {
    return {14, l.y(track) + 33, 18, 17};
}
QRect soloRect(const BarsLayout& l, std::size_t track) {
    return {35, l.y(track) + 33, 18, 17};
}
QRect gainRect(const BarsLayout& l, std::size_t track) {
    return {60, l.y(track) + 33, BarsLayout::headers - 62, 17};
}

void paintBars(QPainter& p, const BarsScene& s, const QRect& dirty) {
    const Tokens& t = tokens();
    const project::Project& project = s.session.now();
    p.fillRect(dirty, t.paper);
    const QRect field(BarsLayout::headers, BarsLayout::top, s.size.width() - BarsLayout::headers,
                      s.size.height() - BarsLayout::top);
    p.setClipRect(field & dirty);
    paintGrid(p, s, field & dirty);
    for (std::size_t i = 0; i < project.tracks.size(); ++i) {
        const int y = s.layout.y(i);
        if (y > dirty.bottom() || y + BarsLayout::track < dirty.top()) continue;
        p.fillRect(QRect(field.left(), y + BarsLayout::track - 1, field.width(), 1), t.rule);
    }
    for (const project::LaidClip& clip : s.session.laid()->clips())
        if (clip.source) paintClip(p, s, clip, field & dirty);
    p.setClipping(false);
    if (project.tracks.empty()) paintEmpty(p, s);
    if (dirty.left() < BarsLayout::headers) {
        p.setClipRect(QRect(0, BarsLayout::top, BarsLayout::headers, field.height()));
        p.fillRect(QRect(0, BarsLayout::top, BarsLayout::headers, field.height()), t.panel);
        for (std::size_t i = 0; i < project.tracks.size(); ++i) {
            paintHeader(p, s, i);
            p.fillRect(QRect(0, s.layout.y(i) + BarsLayout::track - 1, BarsLayout::headers, 1), t.rule);
        }
        p.setClipping(false);
    }
    paintRuler(p, s);
    paintTempoLane(p, s);
    p.fillRect(QRect(BarsLayout::headers - 1, 0, 1, s.size.height()), t.ruleStrong);
    paintPlayPosition(p, s);
    paintDrag(p, s);
}

} // namespace app
