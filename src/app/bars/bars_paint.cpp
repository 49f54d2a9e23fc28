#include "app/bars/bars_paint.h"

#include "app/session/standing.h"
#include "app/widgets/landing_mark.h"
#include "app/widgets/text.h"
#include "app/widgets/tokens.h"
#include "app/widgets/words.h"
#include "metre/tempo.h"
#include "mix/scene.h"
#include "sound/decibel.h"

#include <QPainterPath>
#include <QPixmap>
#include <QPixmapCache>
#include <QTextLayout>
#include <algorithm>
#include <cmath>
#include <map>

namespace app {

namespace {

// By device pixels: at 200 % a column is half a pixel of the page.
void paintWaveform(QPainter& p, const BarsScene& s, const project::LaidClip& clip, const QRectF& area,
                   const QRect& dirty) {
    const double scale = p.device()->devicePixelRatioF();
    const auto device = [scale](double x) { return static_cast<int>(std::floor(x * scale)); };
    const int origin = device(area.left());
    const int left = std::max(origin, device(dirty.left()));
    const int right = std::min(static_cast<int>(std::ceil(area.right() * scale)), device(dirty.right() + 1));
    if (left >= right) return;
    const WaveColumns columns =
        s.waves.columns(s.session, clip, s.layout.perBeat * scale, left - origin, right - origin);
    if (columns.empty()) return;
    const double middle = area.center().y() * scale;
    const double half = area.height() * scale / 2;
    const auto factor =
        static_cast<double>(std::min(2.0F, static_cast<float>(sound::factorFromDb(clip.chain.clipDb))));
    // Where a pixel of the page is one of the screen, whole numbers are drawn several times as fast.
    const bool isWhole = scale == 1;
    QVector<QRect> pixels;
    QVector<QRectF> bars;
    (isWhole ? pixels.reserve(right - left) : bars.reserve(right - left));
    for (int x = left; x < right; ++x) {
        const sound::Extent& e = columns[static_cast<std::size_t>(x - left)];
        const double top = middle - std::min(1.0, double(e.high) * factor) * half - 0.4;
        const double bottom = middle - std::max(-1.0, double(e.low) * factor) * half + 0.4;
        const double first = std::floor(top);
        const double height = std::max(1.0, std::ceil(bottom) - first);
        if (isWhole)
            pixels.append(QRect(x, static_cast<int>(first), 1, static_cast<int>(height)));
        else
            bars.append(QRectF(x / scale, first / scale, 1 / scale, height / scale));
    }
    p.setPen(Qt::NoPen);
    p.setBrush(tokens().ink);
    if (isWhole)
        p.drawRects(pixels);
    else
        p.drawRects(bars);
}

// What a clip is besides its name: how its pitch is changed.
QString pitchChange(const project::LaidClip& clip) {
    const double semitones = clip.clip->stretch.semitones + clip.time().keyShift.value_or(0);
    if (semitones == 0) return {};
    return QStringLiteral(" %1%2 st")
        .arg(semitones > 0 ? QStringLiteral("+") : QChar(0x2212))
        .arg(std::abs(semitones));
}

// A padlock at the right end of a locked clip's title.
void paintLock(QPainter& p, const QRectF& band) {
    const QRectF body(band.right() - 14, band.top() + 7, 8, 6);
    p.setPen(QPen(tokens().ink, 1.2));
    p.setBrush(Qt::NoBrush);
    p.drawArc(QRectF(body.left() + 1.5, body.top() - 4, 5, 8), 0, 180 * 16);
    p.fillRect(body, tokens().ink);
}

// Where what goes round begins again: a short upright with a small ring at its head.
void paintTurns(QPainter& p, const BarsScene& s, const project::LaidClip& clip, const QRectF& area) {
    const auto& parts = clip.time().parts;
    const project::Project& project = s.session.now();
    if (parts.size() > 2000) return;
    for (std::size_t i = 1; i < parts.size(); ++i) {
        if (parts[i].cross > metre::Frames(0)) continue;
        const double x =
            s.layout.x(project.tempo.beatAt(metre::toSeconds(clip.time().startFrame + parts[i].at, project.rate)));
        if (x < area.left() || x > area.right()) continue;
        p.setPen(QPen(tokens().ruleStrong, 1));
        p.drawLine(QPointF(x, area.top() + 6), QPointF(x, area.bottom()));
        p.setBrush(Qt::NoBrush);
        p.drawEllipse(QPointF(x, area.top() + 4), 2.5, 2.5);
    }
}

// The fades as lines over the waveform, what is faded away washed out.
void paintFades(QPainter& p, const BarsScene& s, const project::LaidClip& clip, const QRectF& area, bool grips) {
    const Tokens& t = tokens();
    p.setRenderHint(QPainter::Antialiasing);
    for (const project::Side side : {project::Side::Left, project::Side::Right}) {
        const project::Fade& fade = side == project::Side::Left ? clip.chain.fadeIn : clip.chain.fadeOut;
        const QPointF grip = fadeGrip(s, clip, side);
        if (fade.length.value > 0) {
            const double edge = side == project::Side::Left ? area.left() : area.right();
            QPainterPath path(QPointF(edge, area.bottom()));
            constexpr int steps = 12;
            for (int i = 1; i <= steps; ++i) {
                const double f = double(mix::fadeFactor(fade.shape, i, steps));
                path.lineTo(edge + (grip.x() - edge) * i / steps, area.bottom() - f * area.height());
            }
            QPainterPath wash = path;
            wash.lineTo(edge, area.top());
            wash.closeSubpath();
            QColor pale = t.sheet;
            pale.setAlpha(150);
            p.fillPath(wash, pale);
            p.setPen(QPen(t.brass, 1.5));
            p.setBrush(Qt::NoBrush);
            p.drawPath(path);
        }
        if (grips && area.width() > 30) {
            p.setPen(QPen(t.brass, 1.5));
            p.setBrush(t.sheet);
            p.drawEllipse(grip, 3.5, 3.5);
        }
    }
    p.setRenderHint(QPainter::Antialiasing, false);
}

// A round dot of 4.4 in a square of 6, drawn once for each colour and scale: a page has thousands of them.
constexpr int dotSize = 6;
QPixmap dotOf(const QColor& colour, double scale) {
    const QString key = QStringLiteral("seam dot %1 %2").arg(colour.rgba()).arg(scale);
    QPixmap dot;
    if (QPixmapCache::find(key, &dot)) return dot;
    const int pixels = static_cast<int>(std::ceil(dotSize * scale));
    dot = QPixmap(pixels, pixels);
    dot.setDevicePixelRatio(scale);
    dot.fill(Qt::transparent);
    QPainter p(&dot);
    p.setRenderHint(QPainter::Antialiasing);
    p.setPen(Qt::NoPen);
    p.setBrush(colour);
    p.drawEllipse(QPointF(dotSize / 2.0, dotSize / 2.0), 2.2, 2.2);
    QPixmapCache::insert(key, dot);
    return dot;
}

// The seam: a mark for every hit that was measured, along the clip's foot, as it landed. Where they are too close
// to each other the worst of them stands for those around it.
void paintSeam(QPainter& p, const BarsScene& s, const project::LaidClip& clip, const QRectF& r,
               const QRect& dirty) {
    const Proofs& proofs = s.session.proofs();
    const auto proof = proofs.of(clip.id());
    if (!proof) return;
    constexpr double apart = 6;
    const double y = r.bottom() - 5;
    if (proof->deviations.empty()) {
        p.setRenderHint(QPainter::Antialiasing);
        paintLanding(p, {std::max(r.left(), double(BarsLayout::headers)) + 8, y}, prove::Landing::Unread, 3);
        p.setRenderHint(QPainter::Antialiasing, false);
        return;
    }
    struct Mark {
        std::int64_t cell = 0; // of the clip, from its beginning
        double x = 0;
        metre::Seconds off;
    };
    std::vector<Mark> marks;
    const auto cellAt = [&](double x) { return static_cast<std::int64_t>(std::floor((x - r.left()) / apart)); };
    const std::int64_t first = cellAt(std::max<double>(r.left(), dirty.left() - 8));
    const project::Project& project = s.session.now();
    const Beats left = s.layout.beat(r.left() + double(first) * apart);
    const Beats right = s.layout.beat(std::min<double>(r.right(), dirty.right() + 8));
    const auto& hits = proof->hits;
    // Where they belong and where they were found differ by less than a beat.
    auto hit = std::lower_bound(hits.begin(), hits.end(), left - Beats(1),
                                [](const prove::Hit& h, Beats b) { return h.place < b; });
    for (; hit != hits.end() && hit->place < right + Beats(1); ++hit) {
        if (!hit->off) continue;
        const Beats at = project.tempo.beatAt(metre::toSeconds(clip.time().startFrame + hit->at, project.rate));
        const double x = s.layout.x(at);
        if (x < r.left() - 1 || x > r.right()) continue;
        const std::int64_t cell = cellAt(x);
        if (cell < first) continue;
        if (!marks.empty() && cell == marks.back().cell) {
            if (std::abs(hit->off->value) > std::abs(marks.back().off.value)) marks.back().off = *hit->off;
            continue;
        }
        marks.push_back({cell, x, *hit->off});
    }
    p.setRenderHint(QPainter::Antialiasing);
    const double scale = p.device()->devicePixelRatioF();
    const QPixmap dot = dotOf(landingColour(prove::Landing::InTime), scale);
    const auto onPixel = [scale](double v) { return std::round((v - dotSize / 2.0) * scale) / scale; };
    for (const Mark& mark : marks) {
        const prove::Landing landing = prove::landingOf(mark.off, proofs.tolerance());
        const QPointF at(std::clamp(mark.x, r.left() + 4, r.right() - 4), y);
        if (landing == prove::Landing::InTime)
            p.drawPixmap(QPointF(onPixel(at.x()), onPixel(at.y())), dot);
        else
            paintLanding(p, at, landing, 2.6);
    }
    p.setRenderHint(QPainter::Antialiasing, false);
}

// Words over as many whole lines as there is room for; the last is shortened.
void paintLines(QPainter& p, const QRectF& area, const QString& text) {
    const QFontMetrics metrics = p.fontMetrics();
    const int lines = static_cast<int>(area.height()) / metrics.lineSpacing();
    if (lines < 1 || area.width() < 12) return;
    QTextLayout layout(text, p.font());
    layout.beginLayout();
    double y = area.top() + (area.height() - lines * metrics.lineSpacing()) / 2;
    for (int n = 1; n <= lines; ++n, y += metrics.lineSpacing()) {
        QTextLine line = layout.createLine();
        if (!line.isValid()) break;
        line.setLineWidth(area.width());
        const bool isLast = n == lines;
        const QString words = isLast ? text.mid(line.textStart()) : text.mid(line.textStart(), line.textLength());
        p.drawText(QPointF(area.left(), y + metrics.ascent()),
                   metrics.elidedText(words.trimmed(), Qt::ElideRight, static_cast<int>(area.width())));
    }
    layout.endLayout();
}

void paintClip(QPainter& p, const BarsScene& s, const project::LaidClip& clip, const QRect& dirty) {
    const Tokens& t = tokens();
    QRectF r = s.layout.clip(clip);
    const bool isSelected = s.selected.count(clip.id().value) > 0;
    if (isSelected && s.drag.moving && !s.drag.copying) {
        r.translate(s.drag.by.value * s.layout.perBeat, 0);
        const auto to = static_cast<std::int64_t>(clip.trackIndex) + s.drag.tracks;
        if (to >= 0 && to < static_cast<std::int64_t>(s.session.now().tracks.size()))
            r.moveTop(s.layout.y(static_cast<std::size_t>(to)) + 2);
    }
    if (r.right() < dirty.left() || r.left() > dirty.right() || r.bottom() < dirty.top() ||
        r.top() > dirty.bottom())
        return;
    // Thousands of slices are thin: an outline says it all.
    if (r.width() < 3) {
        p.fillRect(r, isSelected ? t.brass : t.ruleStrong);
        return;
    }
    const QString problem = translated(s.session.player().problemWith(clip.id()));
    const project::Track& owner = *clip.track;
    const int tint = clip.clip->tint.value_or(owner.tint);
    p.fillRect(r, t.sheet);
    const bool low = r.height() < 34;
    const int titleHeight = low ? 12 : BarsLayout::title;
    const QRectF band(r.left(), r.top(), r.width(), titleHeight);
    p.fillRect(band, problem.isEmpty() ? t.band(tint) : t.rule);
    const QRectF field = r.adjusted(1, titleHeight + 2, -1, low ? -3 : -9);
    p.setOpacity(clip.chain.heard || !(owner.mute || clip.clip->mute) ? 1.0 : 0.4);
    if (!(isSelected && s.drag.moving)) {
        paintWaveform(p, s, clip, field, dirty);
        paintTurns(p, s, clip, field);
    }
    p.setOpacity(1);
    paintFades(p, s, clip, field, isSelected || s.under == clip.id());
    p.setFont(textFont(sizes::label));
    p.setPen(t.ink);
    // A title stays in view while its clip runs out of it on the left.
    const double textLeft = std::max<double>(r.left() + 5, BarsLayout::headers + 5);
    const bool locked = clip.clip->locked && r.width() > 40;
    if (locked) paintLock(p, band);
    const QRectF title(textLeft, r.top(), r.right() - textLeft - (locked ? 18 : 4), titleHeight);
    s.titles.draw(p, title, qt(clip.name()), standingOf(clip, s.session.now().tempo) + pitchChange(clip),
                  t.inkSoft);
    if (!problem.isEmpty()) {
        p.setPen(t.wax);
        paintLines(p, r.adjusted(6, titleHeight + 2, -4, -2), problem);
    } else if (!s.session.player().isRendered(clip.id())) {
        // Being fitted: a dotted line along the foot until it is ready.
        p.setPen(QPen(t.brass, 2, Qt::DotLine));
        p.drawLine(QPointF(r.left() + 3, r.bottom() - 2), QPointF(r.right() - 3, r.bottom() - 2));
    }
    if (!low && problem.isEmpty() && !(isSelected && s.drag.moving)) paintSeam(p, s, clip, r, dirty);
    p.setBrush(Qt::NoBrush);
    p.setPen(QPen(isSelected ? t.brass : t.ruleStrong, isSelected ? 2 : 1));
    p.drawRect(r.adjusted(0.5, 0.5, -0.5, -0.5));
}

void paintPlayPosition(QPainter& p, const BarsScene& s) {
    const double x = std::lround(s.layout.x(s.playPosition));
    if (x < BarsLayout::headers) return;
    p.setClipRect(QRect(BarsLayout::headers - 6, 0, s.size.width(), s.size.height()));
    const double width = s.isStrong ? 2 : 1;
    p.fillRect(QRectF(x - width / 2, BarsLayout::overview, width, s.size.height()), tokens().wax);
    QPolygonF mark;
    const double head = BarsLayout::overview;
    mark << QPointF(x - 6, head) << QPointF(x + 6, head) << QPointF(x, head + 9);
    p.setPen(s.isStrong ? QPen(Qt::NoPen) : QPen(tokens().wax, 1));
    p.setBrush(s.isStrong ? tokens().wax : tokens().panel);
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
        const QRectF slot(x, s.layout.y(s.drag.landingTrack) + 2, 4 * s.layout.perBeat,
                          s.layout.heightOf(s.drag.landingTrack) - 5);
        p.setPen(QPen(t.brass, 2));
        QColor fill = t.brass;
        fill.setAlpha(40);
        p.setBrush(fill);
        p.drawRect(slot);
    }
    if (s.drag.ghost) {
        QColor fill = t.brass;
        fill.setAlpha(40);
        p.setPen(QPen(t.brass, 2));
        p.setBrush(fill);
        p.drawRect(*s.drag.ghost);
    }
    if (s.drag.moving && s.drag.copying)
        for (const project::LaidClip& clip : s.session.laid()->clips()) {
            const auto to = static_cast<std::int64_t>(clip.trackIndex) + s.drag.tracks;
            if (s.selected.count(clip.id().value) == 0 || to < 0 ||
                to >= static_cast<std::int64_t>(s.session.now().tracks.size()))
                continue;
            QRectF r = s.layout.clip(clip).translated(s.drag.by.value * s.layout.perBeat, 0);
            r.moveTop(s.layout.y(static_cast<std::size_t>(to)) + 2);
            p.setPen(QPen(t.brass, 2, Qt::DashLine));
            p.setBrush(Qt::NoBrush);
            p.drawRect(r);
        }
    if (s.drag.trackLands) p.fillRect(QRect(0, s.layout.y(*s.drag.trackLands) - 2, s.size.width(), 3), t.brass);
    if (s.drag.result.isEmpty()) return;
    p.setFont(textFont(sizes::text, QFont::Medium));
    const QStringList lines = s.drag.result.split('\n');
    int width = 0;
    for (const QString& line : lines)
        width = std::max(width, p.fontMetrics().horizontalAdvance(line) + 18);
    QRectF box(s.drag.pointer + QPointF(14, -30), QSizeF(width, 6 + 16.0 * double(lines.size())));
    box.moveRight(std::min<double>(box.right(), s.size.width() - 4));
    box.moveTop(std::max<double>(box.top(), 2));
    p.setPen(Qt::NoPen);
    p.setBrush(t.ink);
    p.drawRoundedRect(box, 3, 3);
    p.setPen(t.onInk);
    for (int i = 0; i < lines.size(); ++i)
        p.drawText(QRectF(box.left() + 9, box.top() + 3 + 16.0 * i, box.width() - 12, 16), Qt::AlignVCenter,
                   lines[i]);
}

// What was recorded together and stands together is tied at its beginning: a cord with a knot in every clip.
void paintSets(QPainter& p, const BarsScene& s, const QRect& dirty) {
    std::map<std::pair<project::SetId, metre::Frames>, std::vector<QPointF>> knots;
    for (const project::LaidClip& clip : s.session.laid()->clips()) {
        if (!clip.source || !clip.source->set) continue;
        const QRectF r = s.layout.clip(clip);
        if (r.right() < dirty.left() || r.left() - 4 > dirty.right() || r.width() < 12) continue;
        const double x = std::max(r.left() + 3.5, BarsLayout::headers + 4.0);
        knots[{*clip.source->set, clip.time().startFrame}].emplace_back(x, r.bottom() - 6);
    }
    p.save();
    p.setRenderHint(QPainter::Antialiasing);
    for (const auto& [set, places] : knots) {
        if (places.size() < 2) continue;
        p.setPen(QPen(tokens().brass, 1.5));
        p.setBrush(tokens().brass);
        p.drawLine(places.front(), places.back());
        for (const QPointF& knot : places)
            p.drawEllipse(knot, 3, 3);
    }
    p.restore();
}

} // namespace

QPointF fadeGrip(const BarsLayout& layout, const project::Project& project, const project::LaidClip& clip,
                 project::Side side) {
    const QRectF r = layout.clip(clip);
    const double top = r.top() + (r.height() < 34 ? 12 : BarsLayout::title) + 4;
    const auto frame = [&](metre::Seconds s) { return metre::toFrames(s, project.rate); };
    const auto xOf = [&](metre::Frames f) {
        return layout.x(project.tempo.beatAt(metre::toSeconds(clip.time().startFrame + f, project.rate)));
    };
    if (side == project::Side::Left)
        return {std::min(r.right(), std::max(r.left() + 4, xOf(frame(clip.chain.fadeIn.length)))), top};
    return {std::max(r.left(), std::min(r.right() - 4, xOf(clip.time().length - frame(clip.chain.fadeOut.length)))),
            top};
}

QPointF fadeGrip(const BarsScene& s, const project::LaidClip& clip, project::Side side) {
    return fadeGrip(s.layout, s.session.now(), clip, side);
}

void paintBars(QPainter& p, const BarsScene& s, const QRect& dirty) {
    const Tokens& t = tokens();
    const project::Project& project = s.session.now();
    p.fillRect(dirty, t.paper);
    const int top = s.layout.top();
    const QRect field(BarsLayout::headers, top, s.size.width() - BarsLayout::headers, s.size.height() - top);
    p.setClipRect(field & dirty);
    paintGrid(p, s, field & dirty);
    for (std::size_t i = 0; i < project.tracks.size(); ++i) {
        const int y = s.layout.y(i);
        const int height = s.layout.heightOf(i);
        if (y > dirty.bottom() || y + height < dirty.top()) continue;
        p.fillRect(QRect(field.left(), y + height - 1, field.width(), 1), t.rule);
    }
    for (const project::LaidClip& clip : s.session.laid()->clips())
        if (clip.source) paintClip(p, s, clip, field & dirty);
    paintSets(p, s, field & dirty);
    p.setClipping(false);
    if (dirty.left() < BarsLayout::headers) {
        const QRect heads = QRect(0, top, BarsLayout::headers, field.height()) & dirty;
        p.setClipRect(heads);
        p.fillRect(heads, t.panel);
        for (std::size_t i = 0; i < project.tracks.size(); ++i) {
            const int y = s.layout.y(i);
            if (y > dirty.bottom() || y + s.layout.heightOf(i) < std::max(top, dirty.top())) continue;
            paintHeader(p, s, i, heads);
            p.fillRect(QRect(0, s.layout.y(i) + s.layout.heightOf(i) - 1, BarsLayout::headers, 1), t.rule);
        }
        p.setClipping(false);
    }
    if (dirty.top() < BarsLayout::overview) paintOverview(p, s);
    if (dirty.top() < top && dirty.bottom() >= BarsLayout::overview) {
        paintRuler(p, s, dirty);
        paintLanes(p, s);
    }
    p.fillRect(QRect(BarsLayout::headers - 1, 0, 1, s.size.height()), t.ruleStrong);
    paintPlayPosition(p, s);
    paintDrag(p, s);
}

} // namespace app
