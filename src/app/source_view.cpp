#include "app/source_view.h"

#include "app/text.h"
#include "app/tokens.h"

#include <QMouseEvent>
#include <QPainter>
#include <cmath>

namespace app {

namespace {
constexpr int ruler = 18;
constexpr int foot = 16; // for the attacks
} // namespace

SourceView::SourceView(QWidget* parent) : QWidget(parent) {
    setAccessibleName(tr("The source as recorded, in seconds"));
    setToolTip(tr("As recorded. Double click beside an attack: the first downbeat is there."));
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

void SourceView::mouseDoubleClickEvent(QMouseEvent* event) {
    if (!source_ || !source_->sound) return;
    double best = event->position().x() / width() * source_->length().value;
    double distance = 12; // pixels
    for (const metre::Frames a : source_->sound->attacks) {
        const double at = metre::toSeconds(a, rate_).value;
        if (const double d = std::abs(xOf(at) - event->position().x()); d < distance) {
            distance = d;
            best = at;
        }
    }
    emit downbeatAsked(best);
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
                   tr("The audio is missing:\n%1").arg(qt(sound::shownPath(source_->file))));
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
}

} // namespace app
