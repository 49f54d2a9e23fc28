#include "app/bench/rails_paint.h"

#include "app/widgets/clip_wave.h"
#include "app/widgets/landing_mark.h"
#include "app/widgets/text.h"
#include "app/widgets/tokens.h"
#include "base/utf8.h"

#include <QObject>
#include <QPainter>
#include <algorithm>
#include <array>
#include <cmath>
#include <span>

namespace app {

namespace {

constexpr double roomForALine = 5; // pixels that beats must lie apart to be drawn each

// How many beats apart lines are drawn: one where there is room, else a bar, or several.
double spacing(const RailsScene& scene, double pixelsPerBeat) {
    double every = 1;
    const double bar = scene.source()->metre().bar().value;
    while (every * pixelsPerBeat < roomForALine)
        every = every < bar ? bar : every * 2;
    return every;
}

// Whole beats of the source within a stretch of it, `every` apart.
template <class Do>
void eachBeat(const RailsScene& scene, Seconds from, Seconds to, double every, const Do& act) {
    const metre::BeatMap& beats = scene.beats();
    const Seconds begins = std::max(from, Seconds(0));
    const Seconds ends = std::min(to, scene.source()->length());
    const double last = beats.beatAt(ends).value + 1e-6;
    for (double n = std::ceil(beats.beatAt(begins).value / every - 1e-6); n * every <= last; ++n)
        act(Beats(n * every));
}

bool isBarLine(const RailsScene& scene, Beats beat) {
    const double bars = beat.value / scene.source()->metre().bar().value;
    return std::abs(bars - std::round(bars)) < 1e-6;
}

void paintSeconds(QPainter& p, const StillRails& r) {
    const Tokens& t = tokens();
    const RailsLayout& l = r.layout;
    const QRect ruler = l.upperRuler();
    p.fillRect(ruler, t.bar);
    double step = 0.001;
    for (const double s :
         {0.001, 0.002, 0.005, 0.01, 0.02, 0.05, 0.1, 0.2, 0.5, 1.0, 2.0, 5.0, 10.0, 30.0, 60.0, 300.0, 600.0}) {
        step = s;
        if (s * l.perSecond >= 52) break;
    }
    const int decimals = step >= 1 ? 0 : step >= 0.1 ? 1 : step >= 0.01 ? 2 : 3;
    p.setFont(figureFont(13));
    const double last = std::min(r.scene.source()->length().value, l.at(l.size.width()).value);
    for (auto i = static_cast<std::int64_t>(std::ceil(std::max(0.0, l.from) / step - 1e-9));
         static_cast<double>(i) * step <= last + 1e-9; ++i) {
        const double at = static_cast<double>(i) * step;
        const double x = std::floor(l.x(Seconds(at)));
        p.fillRect(QRectF(x, ruler.top() + 4, 1, ruler.height() - 4), t.ruleStrong);
        p.setPen(t.ink);
        const QString text = at >= 60 && step >= 1 ? QStringLiteral("%1:%2")
                                                         .arg(static_cast<int>(at) / 60)
                                                         .arg(static_cast<int>(at) % 60, 2, 10, QChar('0'))
                                                   : QString::number(at, 'f', decimals);
        p.drawText(QRectF(x + 4, ruler.top(), 70, ruler.height()), Qt::AlignVCenter, text);
    }
}

// Samples as they are where they are far enough apart, else the extent of each column of the device's pixels.
template <class Extents>
void paintColumns(QPainter& p, const QRectF& field, int from, int to, const Extents& extentBetween) {
    const double scale = p.device()->devicePixelRatioF();
    const double middle = field.center().y();
    const double half = field.height() / 2 - 1;
    const auto first = static_cast<int>(std::floor(from * scale));
    const auto last = static_cast<int>(std::ceil(to * scale));
    QVector<QLineF> lines;
    lines.reserve(std::max(0, last - first));
    for (int d = first; d < last; ++d) {
        const sound::Extent e = extentBetween(d / scale, (d + 1) / scale);
        const double x = (d + 0.5) / scale;
        lines.append(QLineF(x, middle - std::clamp<double>(e.high, -1, 1) * half - 0.4, x,
                            middle - std::clamp<double>(e.low, -1, 1) * half + 0.4));
    }
    QPen pen = p.pen();
    pen.setWidthF(1 / scale);
    p.setPen(pen);
    p.drawLines(lines);
}

void paintSamples(QPainter& p, const StillRails& r, const QRectF& field) {
    const sound::Audio& audio = r.scene.source()->sound->audio;
    const auto& samples = audio.channels.front();
    const RailsLayout& l = r.layout;
    const auto size = static_cast<std::int64_t>(samples.size());
    const auto first = std::clamp<std::int64_t>(static_cast<std::int64_t>(l.at(0).value * audio.rate) - 1, 0, size);
    const auto last =
        std::clamp<std::int64_t>(static_cast<std::int64_t>(l.at(l.size.width()).value * audio.rate) + 2, 0, size);
    const double middle = field.center().y();
    const double half = field.height() / 2 - 1;
    QPolygonF line;
    for (std::int64_t i = first; i < last; ++i)
        line << QPointF(l.x(metre::toSeconds(metre::Frames(i), audio.rate)),
                        middle - std::clamp<double>(samples[static_cast<std::size_t>(i)], -1, 1) * half);
    p.setRenderHint(QPainter::Antialiasing);
    p.drawPolyline(line);
    if (l.perSecond / audio.rate > 4)
        for (const QPointF& at : line)
            p.drawEllipse(at, 1.3, 1.3);
    p.setRenderHint(QPainter::Antialiasing, false);
}

void paintUpperWave(QPainter& p, const StillRails& r) {
    const Tokens& t = tokens();
    const RailsLayout& l = r.layout;
    const project::Source& source = *r.scene.source();
    const QRect field = l.upper();
    if (!source.sound) {
        p.setPen(t.wax);
        p.setFont(textFont(sizes::text));
        p.drawText(field, static_cast<int>(Qt::AlignCenter) | Qt::TextWordWrap,
                   QObject::tr("The audio is missing:\n%1").arg(qt(base::shownPath(source.file))));
        return;
    }
    const sound::Audio& audio = source.sound->audio;
    p.setPen(QPen(t.ink, 1));
    p.setBrush(t.ink);
    if (l.perSecond > audio.rate / 2.0) {
        paintSamples(p, r, field);
        return;
    }
    const auto frame = [&](double x) { return metre::toFrames(l.at(x), audio.rate); };
    const int first = std::max(0, static_cast<int>(std::floor(l.x(Seconds(0)))));
    const int last = std::min(l.size.width(), static_cast<int>(std::ceil(l.x(source.length()))));
    paintColumns(p, field, first, last, [&](double left, double right) {
        return extentOver(audio, source.sound->peaks, frame(left),
                          std::max(frame(right), frame(left) + metre::Frames(1)));
    });
}

void paintLowerWave(QPainter& p, const StillRails& r) {
    const Tokens& t = tokens();
    const RailsLayout& l = r.layout;
    const project::LaidClip& clip = *r.scene.clip();
    const int rate = r.scene.project().rate;
    const ClipWave wave = r.scene.isPlaced() ? ClipWave(r.player, clip) : ClipWave(clip);
    const auto frame = [&](double x) { return metre::toFrames(l.heardAt(x), rate) - clip.time().startFrame; };
    const auto xOf = [&](metre::Frames f) { return l.xHeard(metre::toSeconds(clip.time().startFrame + f, rate)); };
    const int first = std::max(0, static_cast<int>(std::floor(xOf(metre::Frames(0)))));
    const int last = std::min(l.size.width(), static_cast<int>(std::ceil(xOf(clip.time().length))));
    bool allRendered = true;
    p.setPen(QPen(t.ink, 1));
    paintColumns(p, l.lower(), first, last, [&](double left, double right) {
        const metre::Frames from = frame(left);
        const metre::Frames to = std::max(frame(right), from + metre::Frames(1));
        const ClipWave::Column c = wave.over(from, to);
        // The outermost columns may lie a hair outside, where nothing is ever rendered.
        const bool isWithin = to > metre::Frames(0) && from < clip.time().length;
        allRendered = allRendered && (c.isRendered || !isWithin);
        return c.extent;
    });
    if (allRendered || !r.scene.isPlaced() || first >= last) return;
    // Being fitted: a dotted line along the foot until it is ready, as on the bars.
    p.setPen(QPen(t.brass, 2, Qt::DotLine));
    p.drawLine(QPointF(first + 2, l.lower().bottom() - 1), QPointF(last - 2, l.lower().bottom() - 1));
}

void paintUpperBeats(QPainter& p, const StillRails& r) {
    const Tokens& t = tokens();
    const RailsLayout& l = r.layout;
    if (!r.scene.hasBeats()) return;
    const double perBeat = l.perSecond * 60 / r.scene.beats().meanTempo().value;
    eachBeat(r.scene, l.at(0), l.at(l.size.width()), spacing(r.scene, perBeat), [&](Beats b) {
        const double x = std::floor(l.x(r.scene.beats().secondsAt(b)));
        p.fillRect(QRectF(x, l.upper().top(), 1, l.upper().height()),
                   isBarLine(r.scene, b) ? t.ruleStrong : t.rule);
    });
}

// The first downbeat over all of the rail, what comes before it as the pick-up that it is.
void paintDownbeat(QPainter& p, const StillRails& r) {
    const Tokens& t = tokens();
    const RailsLayout& l = r.layout;
    if (!r.scene.hasBeats()) return;
    const Seconds zero = r.scene.beats().secondsAt(Beats(0));
    const double x = std::floor(l.x(zero));
    if (x >= -1 && x < l.size.width()) {
        p.fillRect(QRectF(x - 0.5, l.upper().top(), 2, l.upper().height()), t.verdigris);
        p.setFont(textFont(sizes::label, QFont::DemiBold));
        const QString text = QObject::tr("1 first downbeat");
        QRectF box = p.fontMetrics().boundingRect(text).toRectF();
        box.moveTopLeft({x + 5, l.upper().top() + 1.0});
        QColor ground = t.sheet;
        ground.setAlpha(210);
        p.fillRect(box.adjusted(-2, 0, 3, 0), ground);
        p.setPen(t.verdigris);
        p.drawText(box.adjusted(0, 0, 4, 0), Qt::AlignVCenter, text);
    }
    const auto& onsets = r.scene.onsets();
    const bool pickUp = !onsets.empty() && onsets.front() < zero - Seconds(0.03);
    const double begins = pickUp ? std::max(0.0, l.x(onsets.front())) : x;
    if (!pickUp || x - begins < 46) return;
    p.setFont(textFont(sizes::label));
    p.setPen(t.inkSoft);
    p.drawText(QRectF(begins, l.upper().top(), x - begins - 4, 14), Qt::AlignRight | Qt::AlignVCenter,
               QObject::tr("pick-up"));
}

void paintOnsets(QPainter& p, const StillRails& r) {
    const Tokens& t = tokens();
    const RailsLayout& l = r.layout;
    const QRect foot = l.onsets();
    const auto ticks = [&](const std::vector<Seconds>& list, const QColor& colour, double height) {
        auto at = std::lower_bound(list.begin(), list.end(), l.at(-1));
        double last = -10;
        p.setPen(QPen(colour, 1.5));
        for (; at != list.end() && *at <= l.at(l.size.width() + 1); ++at) {
            const double x = l.x(*at);
            if (x - last < 1) continue;
            last = x;
            p.drawLine(QPointF(x, foot.bottom() - height), QPointF(x, foot.bottom()));
        }
    };
    ticks(r.scene.allOnsets(), t.rule, 4);
    ticks(r.scene.onsets(), t.brass, 7);
    if (!r.tried) return;
    // The click that is tried: small triangles hanging from the rail.
    const double perBeat = l.perSecond * 60 / r.tried->meanTempo().value;
    if (perBeat < roomForALine) return;
    p.setPen(Qt::NoPen);
    p.setBrush(t.ink);
    p.setRenderHint(QPainter::Antialiasing);
    const double last = r.tried->beatAt(std::min(l.at(l.size.width()), r.scene.source()->length())).value;
    for (double b = std::ceil(r.tried->beatAt(std::max(l.at(0), Seconds(0))).value); b <= last; ++b) {
        const double x = l.x(r.tried->secondsAt(Beats(b)));
        p.drawPolygon(QPolygonF({{x - 3.5, foot.top() + 0.0}, {x + 3.5, foot.top() + 0.0}, {x, foot.top() + 5.0}}));
    }
    p.setRenderHint(QPainter::Antialiasing, false);
}

bool isPicked(const StillRails& r, Beats beat) {
    const auto at = std::lower_bound(r.picked.begin(), r.picked.end(), beat - Beats(1e-6));
    return at != r.picked.end() && *at < beat + Beats(1e-6);
}

void paintRungs(QPainter& p, const StillRails& r) {
    const Tokens& t = tokens();
    const RailsLayout& l = r.layout;
    if (!r.scene.hasBeats() || !l.two) return;
    const QRect field = l.rungs();
    p.save();
    p.setClipRect(field.adjusted(0, -1, 0, 1));
    p.setRenderHint(QPainter::Antialiasing);
    const double perBeat = l.perSecond * 60 / r.scene.beats().meanTempo().value;
    // One may begin to the left of the view and end within it.
    const Seconds left = std::min(l.at(0), r.scene.recordedAt(l.heardAt(0)));
    const Seconds right = std::max(l.at(l.size.width()), r.scene.recordedAt(l.heardAt(l.size.width())));
    p.setPen(QPen(t.ruleStrong, 1));
    eachBeat(r.scene, left, right, spacing(r.scene, perBeat), [&](Beats b) {
        const Seconds at = r.scene.beats().secondsAt(b);
        p.drawLine(QPointF(l.x(at), l.upperKnobY()), QPointF(l.xHeard(r.scene.heardAt(at)), l.lowerKnobY()));
    });
    // Hits of a tightened clip: from where each was played to where it is drawn; below, where it would have come
    // out.
    for (const Seconds hit : r.scene.onsets()) {
        if (hit < left || hit > right) continue;
        const auto loosely = r.scene.heardLooselyAt(hit);
        if (!loosely) break;
        const double x = l.xHeard(r.scene.heardAt(hit));
        const double before = l.xHeard(*loosely);
        p.setPen(QPen(t.brass, 0.8));
        p.drawLine(QPointF(l.x(hit), l.upperKnobY()), QPointF(x, l.lowerKnobY()));
        if (std::abs(x - before) < 0.75) continue;
        p.setPen(QPen(t.inkSoft, 0.8, Qt::DotLine));
        p.drawLine(QPointF(l.x(hit), l.upperKnobY()), QPointF(before, l.lowerKnobY()));
    }
    const double radius = RailsLayout::knob;
    double lastUpper = -100;
    p.setFont(textFont(sizes::label, QFont::DemiBold));
    for (const project::SourcePin& pin : r.scene.pins()) {
        if (pin.at < left || pin.at > right) continue;
        const QPointF upper(l.x(pin.at), l.upperKnobY());
        const QPointF lower(l.xHeard(r.scene.heardAt(pin.at)), l.lowerKnobY());
        const bool picked = isPicked(r, pin.beat);
        // Crowded ones are strokes; those that somebody set, and the picked ones, are whole.
        const bool crowded = upper.x() - lastUpper < 2 * radius && !pin.byHand && !picked && pin.name.empty();
        if (crowded && upper.x() - lastUpper < 1) continue;
        lastUpper = upper.x();
        const QColor colour = picked ? t.ink : t.brass;
        p.setPen(QPen(colour, picked ? 2.5 : 2));
        p.drawLine(upper, lower);
        if (crowded) continue;
        p.setPen(QPen(colour, 2));
        p.setBrush(pin.byHand ? colour : t.sheet);
        p.drawEllipse(upper, radius - 0.5, radius - 0.5);
        p.drawRect(QRectF(lower.x() - radius + 0.5, lower.y() - radius + 0.5, 2 * radius - 1, 2 * radius - 1));
        if (pin.locked) { // a bar across: it does not give
            const QPointF middle = (upper + lower) / 2;
            p.drawLine(middle - QPointF(5, 0), middle + QPointF(5, 0));
        }
    }
    // Names over all knobs.
    for (const project::SourcePin& pin : r.scene.pins()) {
        if (pin.name.empty() || pin.at < left || pin.at > right) continue;
        const double x = l.xHeard(r.scene.heardAt(pin.at));
        const QString name = p.fontMetrics().elidedText(qt(pin.name), Qt::ElideRight, 110);
        const QRectF box(x + radius + 3, l.lowerKnobY() - 9, p.fontMetrics().horizontalAdvance(name) + 10, 16);
        p.setPen(QPen(t.brass, 1));
        p.setBrush(t.band(4));
        p.drawRoundedRect(box.adjusted(0.5, 0.5, -0.5, -0.5), 3, 3);
        p.setPen(t.ink);
        p.drawText(box, Qt::AlignCenter, name);
    }
    p.restore();
}

void paintBars(QPainter& p, const StillRails& r) {
    const Tokens& t = tokens();
    const RailsLayout& l = r.layout;
    const project::Project& project = r.scene.project();
    const QRect ruler = l.lowerRuler();
    p.fillRect(ruler, t.bar);
    p.fillRect(l.lower(), t.sheet);
    const Beats from = project.tempo.beatAt(l.heardAt(0));
    const Beats to = project.tempo.beatAt(l.heardAt(l.size.width()));
    const double perBeat = l.size.width() / std::max(1e-9, (to - from).value);
    // Lines between beats, beats, and bars, as far as there is room for them.
    const double lines = linesPerBeat(r.grid);
    if (perBeat / lines >= roomForALine)
        for (double n = std::ceil(from.value * lines); n <= to.value * lines; ++n)
            p.fillRect(QRectF(std::floor(l.xHeard(project.tempo.secondsAt(Beats(n / lines)))), l.lower().top(), 1,
                              l.lower().height()),
                       t.rule);
    const int first = project.metre.barAt(from);
    const int last = project.metre.barAt(to);
    const double perBar = l.size.width() / std::max(1.0, double(last - first + 1));
    int every = 1;
    while (perBar * every < 30)
        every *= 2;
    p.setFont(figureFont(13));
    for (int bar = first; bar <= last; ++bar) {
        const double x = std::floor(l.xHeard(project.tempo.secondsAt(project.metre.startOfBar(bar))));
        if (x < -1) continue;
        const bool numbered = (bar - 1) % every == 0;
        if (!numbered && perBar < roomForALine) continue;
        p.fillRect(QRectF(x, ruler.top() + (numbered ? 2 : 9), 1, ruler.height()), t.ruleStrong);
        p.fillRect(QRectF(x, l.lower().top(), 1, l.lower().height()), t.ruleStrong);
        p.setPen(t.ink);
        if (numbered && bar >= 1)
            p.drawText(QRectF(x + 4, ruler.top(), 60, ruler.height()), Qt::AlignVCenter, QString::number(bar));
    }
}

// Two flags in the ruler with the stretch between them: so many beats lie there.
void paintMarks(QPainter& p, const StillRails& r) {
    const Tokens& t = tokens();
    const double a = r.layout.x(r.marks.from);
    const double b = r.layout.x(r.marks.to);
    const QColor colour = r.scene.source()->marks ? t.brass : t.ruleStrong;
    const int foot = r.layout.upperRuler().bottom() + 1;
    p.fillRect(QRectF(a, foot - 3, b - a, 3), colour);
    p.setRenderHint(QPainter::Antialiasing);
    p.setPen(Qt::NoPen);
    p.setBrush(colour);
    p.drawPolygon(QPolygonF({{a, foot - 11.0}, {a + 7, foot - 3.0}, {a, foot - 3.0}}));
    p.drawPolygon(QPolygonF({{b, foot - 11.0}, {b - 7, foot - 3.0}, {b, foot - 3.0}}));
    p.setRenderHint(QPainter::Antialiasing, false);
    if (!r.scene.source()->marks) return;
    QColor wash = t.brass;
    wash.setAlpha(22);
    p.fillRect(QRectF(a, r.layout.upper().top(), b - a, r.layout.upper().height()), wash);
}

} // namespace

project::Marks shownMarks(const project::Source& source) {
    if (source.marks) return *source.marks;
    if (!source.beats) return {Seconds(0), source.length()};
    return {std::max(Seconds(0), source.beats->secondsAt(Beats(0))),
            std::min(source.length(), source.beats->secondsAt(source.endBeat()))};
}

QString beatNumber(Beats beat) {
    const double counted = beat.value >= -1e-9 ? beat.value + 1 : beat.value;
    return QString::number(counted, 'g', 6).replace('-', QChar(0x2212));
}

QString missText(const RailsScene::Miss& miss, const project::Project& project) {
    const QString line = qt(metre::positionLabel(project.metre.positionAt(miss.line)));
    if (std::abs(miss.ms) < 0.05) return QObject::tr("on %1").arg(line);
    return (miss.ms > 0 ? QObject::tr("%1 ms late of %2") : QObject::tr("%1 ms early of %2"))
        .arg(std::abs(miss.ms), 0, 'f', 1)
        .arg(line);
}

void paintRails(QPainter& p, const StillRails& r) {
    const Tokens& t = tokens();
    const RailsLayout& l = r.layout;
    p.fillRect(QRect(QPoint(0, 0), l.size), t.paper);
    p.fillRect(l.upper(), t.sheet);
    paintSeconds(p, r);
    paintUpperBeats(p, r);
    paintUpperWave(p, r);
    paintDownbeat(p, r);
    paintMarks(p, r);
    paintOnsets(p, r);
    if (!l.two) return;
    paintBars(p, r);
    paintLowerWave(p, r);
    paintRungs(p, r);
    paintStrip(p, r);
}

void paintNoRails(QPainter& p, const QRect& all) {
    const Tokens& t = tokens();
    p.setPen(t.rule);
    p.drawRect(all.adjusted(0, 0, -1, -1));
    p.setPen(t.inkSoft);
    p.setFont(textFont(sizes::text));
    p.drawText(
        all, Qt::AlignCenter,
        QObject::tr("Select a clip, or a source on the shelf:\nits recording, its beats and where they land are "
                    "shown here."));
}

void paintLine(QPainter& p, const RailsScene& scene, const RailsLayout& l, Seconds here, const LineLooks& looks) {
    const QColor& colour = looks.colour;
    const double width = looks.isStrong ? 2 : 1;
    const double upper = l.x(here);
    if (upper >= 0 && upper <= l.size.width()) {
        p.fillRect(QRectF(upper - width / 2, 0, width, l.onsets().bottom()), colour);
        if (looks.saysTime) {
            const QString text = QObject::tr("%1 s").arg(here.value, 0, 'f', 3);
            p.setFont(textFont(sizes::label, QFont::DemiBold));
            const QRect ruler = l.upperRuler();
            QRect box(static_cast<int>(upper) + 3, ruler.top() + 1, p.fontMetrics().horizontalAdvance(text) + 8,
                      ruler.height() - 2);
            if (box.right() > l.size.width() - 2) box.moveRight(static_cast<int>(upper) - 3);
            p.fillRect(box, tokens().sheet);
            p.setPen(tokens().brassText);
            p.drawText(box, Qt::AlignCenter, text);
        }
    }
    if (!l.two) return;
    const double lower = l.xHeard(scene.heardAt(here));
    if (lower >= 0 && lower <= l.size.width())
        p.fillRect(
            QRectF(lower - width / 2, l.lowerRuler().top(), width, l.lower().bottom() - l.lowerRuler().top()),
            colour);
}

void paintBand(QPainter& p, const RailsLayout& l, double from, double to) {
    QColor wash = tokens().brass;
    p.setPen(QPen(wash, 1));
    wash.setAlpha(40);
    p.setBrush(wash);
    p.drawRect(
        QRectF(QPointF(std::min(from, to), l.rungs().top()), QPointF(std::max(from, to), l.rungs().bottom())));
}

void paintTold(QPainter& p, const QRect& all, const QPointF& at, const QString& text, bool wrong) {
    const Tokens& t = tokens();
    p.setFont(textFont(sizes::label, QFont::DemiBold));
    const int most = std::min(360, all.width() - 8);
    const QRect needed = p.fontMetrics().boundingRect(QRect(0, 0, most, 200), Qt::TextWordWrap, text);
    QRectF box(at.x() + 12, at.y() - needed.height() - 14, needed.width() + 14, needed.height() + 6);
    if (box.right() > all.right() - 2) box.moveRight(std::max(box.width(), at.x() - 8));
    if (box.top() < 2) box.moveTop(at.y() + 14);
    box.moveLeft(std::clamp<double>(box.left(), 2, std::max(2.0, all.width() - box.width() - 2)));
    p.fillRect(box, wrong ? t.wax : t.ink);
    p.setPen(wrong ? QColor(Qt::white) : t.onInk);
    p.drawText(box.adjusted(7, 3, -7, -3), static_cast<int>(Qt::AlignLeft | Qt::AlignVCenter) | Qt::TextWordWrap,
               text);
}

} // namespace app
