#include "app/bench/feel_plot.h"

#include "app/widgets/feel_text.h"
#include "app/widgets/text.h"
#include "app/widgets/tokens.h"
#include "project/tighten.h"

#include <QHelpEvent>
#include <QKeyEvent>
#include <QPainter>
#include <QToolTip>
#include <algorithm>
#include <cmath>

namespace app {

namespace {
constexpr int wordsHeight = 15; // pixels above the field
constexpr std::size_t mostPoints = 1500;
} // namespace

FeelPlot::FeelPlot(QWidget* parent) : QWidget(parent) {
    setObjectName("feelPlot");
    setLayoutDirection(Qt::LeftToRight);
    setSizePolicy(QSizePolicy::Expanding, QSizePolicy::Fixed);
    setFocusPolicy(Qt::TabFocus);
    setAccessibleName(tr("Feel"));
}

void FeelPlot::show(const project::SourcePtr& source) {
    if (source == source_) return;
    source_ = source;
    feel_.reset();
    why_.clear();
    hits_.clear();
    if (source) {
        auto feel = project::markedFeel(*source);
        if (feel)
            feel_ = std::move(*feel);
        else
            why_ = translated(feel.error().text);
    }
    most_ = 10;
    if (feel_) {
        const hear::SwungGrid grid = feel_->swung();
        const int bar = feel_->stepsInBar();
        const auto all = project::markedHits(*source);
        const std::size_t stride = all.size() / mostPoints + 1;
        for (std::size_t i = 0; i < all.size(); i += stride) {
            const std::int64_t step = grid.stepNear(all[i].at);
            const double late = (all[i].at - grid.placeOf(step)).value * all[i].perBeat.value * 1000;
            hits_.push_back({static_cast<int>(((step % bar) + bar) % bar), late});
        }
        // All that is its playing; what is none of it lies at the edges.
        double most = 2500 * feel_->loose.value;
        for (const hear::FeelPlace& place : feel_->places)
            most = std::max(most, std::abs(place.offset.value) * 1000);
        most_ = std::clamp(std::ceil(most / 5) * 5, 5.0, 40.0);
    }
    reached_.reset();
    setAccessibleDescription(feel_ ? feelWords(*feel_) : why_);
    spokenChanged(*this);
    update();
}

QRectF FeelPlot::field() const {
    return QRectF(rect()).adjusted(0, wordsHeight + 2, 0, -1);
}

double FeelPlot::x(double place) const {
    const QRectF f = field();
    return f.left() + (place + 0.5) / feel_->stepsInBar() * f.width();
}

// What is late lies up.
double FeelPlot::y(double ms) const {
    const QRectF f = field();
    return f.center().y() - std::clamp(ms / most_, -1.0, 1.0) * (f.height() / 2 - 3);
}

void FeelPlot::paintGrid(QPainter& p) const {
    const Tokens& t = tokens();
    const QRectF f = field();
    p.fillRect(f, t.sheet);
    const int parts = hear::entryOf(feel_->grid).parts;
    for (int place = 0; place < feel_->stepsInBar(); ++place) {
        p.setPen(QPen(place % parts == 0 ? t.ruleStrong : t.rule, 1));
        const double at = std::floor(x(place)) + 0.5;
        p.drawLine(QPointF(at, f.top()), QPointF(at, f.bottom()));
    }
    p.setPen(QPen(t.ruleStrong, 1));
    p.drawLine(QPointF(f.left(), std::floor(y(0)) + 0.5), QPointF(f.right(), std::floor(y(0)) + 0.5));
    p.setBrush(Qt::NoBrush);
    p.drawRect(f.adjusted(0.5, 0.5, -0.5, -0.5));
}

void FeelPlot::paintEvent(QPaintEvent*) {
    const Tokens& t = tokens();
    QPainter p(this);
    p.setFont(textFont(sizes::label));
    p.setPen(t.inkSoft);
    const QRect words(0, 0, width(), wordsHeight);
    if (!feel_) {
        const QString text = source_ ? why_ : QString();
        p.drawText(rect(), Qt::AlignLeft | Qt::AlignTop | Qt::TextWordWrap, text);
        return;
    }
    p.drawText(words, Qt::AlignLeft | Qt::AlignVCenter, source_->marks ? tr("Feel, marked part") : tr("Feel"));
    p.setPen(t.ink);
    p.drawText(words, Qt::AlignRight | Qt::AlignVCenter, feelText(*feel_));
    paintGrid(p);
    p.setRenderHint(QPainter::Antialiasing);
    p.setPen(Qt::NoPen);
    QColor faint = t.ink;
    faint.setAlphaF(0.28F);
    p.setBrush(faint);
    for (const Point& hit : hits_)
        p.drawEllipse(QPointF(x(hit.place), y(hit.late)), 1.6, 1.6);
    p.setPen(QPen(t.brass, 2));
    const double half = std::clamp(field().width() / feel_->stepsInBar() / 2 - 1, 2.0, 6.0);
    for (const hear::FeelPlace& place : feel_->places) {
        const double at = y(place.offset.value * 1000);
        p.drawLine(QPointF(x(place.place) - half, at), QPointF(x(place.place) + half, at));
    }
    p.setRenderHint(QPainter::Antialiasing, false);
    if (hasFocus()) {
        p.setBrush(Qt::NoBrush);
        p.setPen(QPen(t.brass, 1));
        p.drawRect(field().adjusted(0.5, 0.5, -0.5, -0.5));
    }
    if (hasFocus() && reached_) {
        // Under the keys: its words in place of those of the whole.
        const hear::FeelPlace& place = feel_->places[*reached_];
        p.drawRect(QRectF(x(place.place) - half - 2, field().top() + 2.5, 2 * half + 4, field().height() - 5));
        p.fillRect(words, t.panel);
        p.setPen(t.ink);
        p.drawText(words, Qt::AlignLeft | Qt::AlignVCenter, told(place));
    }
    p.setPen(t.inkSoft);
    p.drawText(field().adjusted(3, 1, -3, -1), Qt::AlignRight | Qt::AlignTop, tr("+%1 ms").arg(most_, 0, 'f', 0));
}

QString FeelPlot::told(const hear::FeelPlace& known) const {
    const int parts = hear::entryOf(feel_->grid).parts;
    const double ms = known.offset.value * 1000;
    return tr("Beat %1, part %2: %3 ms %4, %n hits", nullptr, known.hits)
        .arg(known.place / parts + 1)
        .arg(known.place % parts + 1)
        .arg(std::abs(ms), 0, 'f', 1)
        .arg(ms < 0 ? tr("early") : tr("late"));
}

// What is known of the place under the pointer.
bool FeelPlot::event(QEvent* event) {
    if (event->type() != QEvent::ToolTip) return QWidget::event(event);
    const auto* help = static_cast<QHelpEvent*>(event);
    QString text = feel_ ? feelWords(*feel_) : why_;
    if (feel_ && field().contains(QPointF(help->pos()))) {
        const int place = static_cast<int>(help->pos().x() * feel_->stepsInBar() / std::max(1, width()));
        for (const hear::FeelPlace& known : feel_->places)
            if (known.place == place) text = told(known);
    }
    QToolTip::showText(help->globalPos(), text, this);
    return true;
}

void FeelPlot::keyPressEvent(QKeyEvent* event) {
    const int by = event->key() == Qt::Key_Left ? -1 : event->key() == Qt::Key_Right ? 1 : 0;
    if (by == 0 || !feel_ || feel_->places.empty()) return QWidget::keyPressEvent(event);
    const auto last = static_cast<std::ptrdiff_t>(feel_->places.size()) - 1;
    const std::ptrdiff_t at = reached_ ? static_cast<std::ptrdiff_t>(*reached_) + by : (by > 0 ? 0 : last);
    reached_ = static_cast<std::size_t>(std::clamp<std::ptrdiff_t>(at, 0, last));
    spokenChanged(*this);
    update();
}

void FeelPlot::focusInEvent(QFocusEvent*) {
    update();
}
void FeelPlot::focusOutEvent(QFocusEvent*) {
    reached_.reset();
    update();
}

QString FeelPlot::spokenCursor() const {
    return reached_ ? QStringLiteral("place %1").arg(feel_->places[*reached_].place) : QString();
}

std::vector<SpokenItem> FeelPlot::spoken() {
    std::vector<SpokenItem> list;
    if (!feel_) return list;
    for (std::size_t i = 0; i < feel_->places.size(); ++i) {
        const hear::FeelPlace& place = feel_->places[i];
        SpokenItem item{QStringLiteral("place %1").arg(place.place), QAccessible::ListItem, told(place)};
        const int at = static_cast<int>(x(place.place));
        item.where = QRect(at - 4, static_cast<int>(field().top()), 8, static_cast<int>(field().height()));
        item.isSelected = reached_ == i;
        item.reach = [this, i] {
            reached_ = i;
            update();
        };
        list.push_back(std::move(item));
    }
    return list;
}

} // namespace app
