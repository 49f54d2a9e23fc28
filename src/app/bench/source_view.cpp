#include "app/bench/source_view.h"

#include "app/widgets/text.h"
#include "app/widgets/tokens.h"
#include "base/utf8.h"

#include <QMouseEvent>
#include <QPainter>
#include <algorithm>
#include <cmath>

namespace app {

namespace {
constexpr int ruler = 18;
constexpr int foot = 16; // for the attacks
} // namespace

SourceView::SourceView(QWidget* parent) : QWidget(parent) {
    setAccessibleName(tr("The source as recorded, in seconds"));
    setToolTip(tr("As recorded. Double click beside an attack: the first downbeat is there. Drag the marks in the "
                  "ruler, then say how many beats lie between them."));
    setMinimumSize(200, 110);
    setSizePolicy(QSizePolicy::Expanding, QSizePolicy::Expanding);
}

void SourceView::show(project::SourcePtr source, int rate) {
    source_ = std::move(source);
    rate_ = rate;
    update();
}

double SourceView::xOf(double seconds) const {
    return seconds / std::max(1e-9, source_->length().value) * (width() - 1);
}

double SourceView::secondsAt(double x) const {
    double best = std::clamp(x / std::max(1, width() - 1), 0.0, 1.0) * source_->length().value;
    if (!source_->sound) return best;
    double distance = 12; // pixels
    for (const metre::Frames a : source_->sound->attacks) {
        const double at = metre::toSeconds(a, rate_).value;
        if (const double d = std::abs(xOf(at) - x); d < distance) {
            distance = d;
            best = at;
        }
    }
    return best;
}

// Those that were set; else from the first downbeat to the end of the loop.
std::pair<double, double> SourceView::marks() const {
    if (dragged_ != 0) return dragging_;
    if (source_->marks) return {source_->marks->from.value, source_->marks->to.value};
    if (!source_->beats) return {0, source_->length().value};
    return {source_->beats->secondsAt(metre::Beats(0)).value,
            std::min(source_->length().value, source_->beats->secondsAt(source_->endBeat()).value)};
}

void SourceView::mouseDoubleClickEvent(QMouseEvent* event) {
    if (!source_ || !source_->sound || event->position().y() < ruler) return;
    emit downbeatAsked(secondsAt(event->position().x()));
}

void SourceView::mousePressEvent(QMouseEvent* event) {
    ++press_;
    if (!source_ || event->button() != Qt::LeftButton || event->position().y() >= ruler) return;
    const auto [from, to] = marks();
    const double x = event->position().x();
    const double toFirst = std::abs(xOf(from) - x);
    const double toSecond = std::abs(xOf(to) - x);
    if (std::min(toFirst, toSecond) > 9) return;
    dragging_ = {from, to};
    dragged_ = toFirst <= toSecond ? 1 : 2;
}

void SourceView::mouseMoveEvent(QMouseEvent* event) {
    if (dragged_ == 0) return;
    const double at = secondsAt(event->position().x());
    if (dragged_ == 1)
        dragging_.first = std::min(at, dragging_.second - 0.02);
    else
        dragging_.second = std::max(at, dragging_.first + 0.02);
    update();
}

void SourceView::mouseReleaseEvent(QMouseEvent*) {
    if (dragged_ == 0) return;
    const auto [from, to] = dragging_;
    dragged_ = 0;
    emit marksAsked(from, std::min(to, source_->length().value));
    update();
}

void SourceView::showPosition(double seconds) {
    if (seconds == position_) return;
    position_ = seconds;
    update();
}

// Two flags in the ruler with the stretch between them: so many beats lie there.
void SourceView::paintMarks(QPainter& p) const {
    const Tokens& t = tokens();
    const auto [from, to] = marks();
    const bool set = dragged_ != 0 || source_->marks.has_value();
    const double a = xOf(from);
    const double b = std::min(xOf(to), width() - 1.0);
    p.fillRect(QRectF(a, ruler - 3, b - a, 3), set ? t.brass : t.ruleStrong);
    p.setRenderHint(QPainter::Antialiasing);
    p.setPen(Qt::NoPen);
    p.setBrush(set ? t.brass : t.ruleStrong);
    p.drawPolygon(QPolygonF({{a, ruler - 11.0}, {a + 7, ruler - 3.0}, {a, ruler - 3.0}}));
    p.drawPolygon(QPolygonF({{b, ruler - 11.0}, {b - 7, ruler - 3.0}, {b, ruler - 3.0}}));
    p.setRenderHint(QPainter::Antialiasing, false);
    if (dragged_ == 0) return;
    const QString text = tr("%1 to %2 s").arg(from, 0, 'f', 3).arg(to, 0, 'f', 3);
    p.setFont(textFont(sizes::label, QFont::DemiBold));
    const QRectF box(std::clamp((dragged_ == 1 ? a : b) - 60, 0.0, width() - 120.0), ruler + 4, 120, 18);
    p.fillRect(box, t.ink);
    p.setPen(t.onInk);
    p.drawText(box, Qt::AlignCenter, text);
}

void SourceView::paintEvent(QPaintEvent*) {
    QPainter p(this);
    const Tokens& t = tokens();
    if (!source_) {
        p.setPen(t.rule);
        p.drawRect(rect().adjusted(0, 0, -1, -1));
        p.setPen(t.inkSoft);
        p.setFont(textFont(sizes::text));
        p.drawText(
            rect(), Qt::AlignCenter,
            tr("Select a clip, or a source on the shelf:\nits recording, attacks and beats are shown here."));
        return;
    }
    p.fillRect(rect(), t.sheet);
    p.fillRect(QRect(0, 0, width(), ruler), t.bar);
    const double length = source_->length().value;
    // Seconds, as many as have room.
    double step = 0.1;
    for (const double s : {0.1, 0.2, 0.5, 1.0, 2.0, 5.0, 10.0, 30.0, 60.0, 300.0, 600.0}) {
        step = s;
        if (xOf(s) >= 46) break;
    }
    p.setFont(figureFont(13));
    for (int i = 0; i * step <= length; ++i) {
        const int x = static_cast<int>(xOf(i * step));
        p.fillRect(QRect(x, 4, 1, ruler - 4), t.ruleStrong);
        p.setPen(t.ink);
        if (x + 30 < width())
            p.drawText(QRect(x + 4, 0, 60, ruler), Qt::AlignVCenter,
                       QString::number(i * step, 'f', step < 1 ? 1 : 0));
    }
    const QRect field(0, ruler, width(), height() - ruler - foot);
    if (source_->beats) {
        const double end = source_->beats->beatAt(source_->length()).value;
        const double perBeat = xOf(source_->beats->secondsAt(metre::Beats(1)).value) -
                               xOf(source_->beats->secondsAt(metre::Beats(0)).value);
        const int every = perBeat < 4 ? 4 : 1;
        for (int b = static_cast<int>(std::ceil(source_->beats->beatAt(metre::Seconds(0)).value)); b <= end; ++b) {
            if (b % every != 0) continue;
            const int x = static_cast<int>(xOf(source_->beats->secondsAt(metre::Beats(b)).value));
            p.fillRect(QRect(x, field.top(), b == 0 ? 2 : 1, field.height()), b == 0       ? t.verdigris
                                                                              : b % 4 == 0 ? t.ruleStrong
                                                                                           : t.rule);
        }
    }
    if (!source_->sound) {
        p.setPen(t.wax);
        p.setFont(textFont(sizes::text));
        p.drawText(field, static_cast<int>(Qt::AlignCenter) | Qt::TextWordWrap,
                   tr("The audio is missing:\n%1").arg(qt(base::shownPath(source_->file))));
        return;
    }
    const auto frames = static_cast<double>(source_->sound->audio.frames().value);
    const double middle = field.center().y();
    QVector<QLineF> lines;
    lines.reserve(width());
    for (int x = 0; x < width(); ++x) {
        const auto from = metre::Frames(static_cast<std::int64_t>(frames * x / width()));
        const auto to = metre::Frames(static_cast<std::int64_t>(frames * (x + 1) / width()));
        const sound::Extent e = source_->sound->peaks.over(from, to);
        lines.append(QLineF(x + 0.5, middle - e.high * field.height() / 2 - 0.4, x + 0.5,
                            middle - e.low * field.height() / 2 + 0.4));
    }
    p.setPen(QPen(t.ink, 1));
    p.drawLines(lines);
    // Attacks: small uprights at the foot.
    p.setPen(QPen(t.brass, 1.5));
    for (const metre::Frames a : source_->sound->attacks) {
        const double x = xOf(metre::toSeconds(a, rate_).value);
        p.drawLine(QPointF(x, height() - foot + 4), QPointF(x, height() - 3));
    }
    if (source_->beats) {
        const double x = xOf(source_->beats->secondsAt(metre::Beats(0)).value);
        p.setFont(textFont(sizes::label, QFont::DemiBold));
        p.setPen(t.verdigris);
        p.drawText(QPointF(x + 6, field.top() + 12), tr("1 first downbeat"));
    }
    paintMarks(p);
    if (position_ >= 0) p.fillRect(QRectF(xOf(position_), 0, 1.5, height()), t.wax);
}

} // namespace app
