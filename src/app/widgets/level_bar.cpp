#include "app/widgets/level_bar.h"

#include "app/widgets/tokens.h"
#include "sound/decibel.h"

#include <QKeyEvent>
#include <QPainter>
#include <algorithm>
#include <cmath>

namespace app {

namespace {
constexpr double levelFall = 0.5; // 30 dB a second
constexpr int knob = 5;           // its radius
} // namespace

LevelBar::LevelBar(const QString& name, double quietest, double loudest, double usual, QWidget* parent)
    : QWidget(parent), quietest_(quietest), loudest_(loudest), usual_(usual), db_(usual) {
    setAccessibleName(name);
    setFocusPolicy(Qt::StrongFocus);
    setSizePolicy(QSizePolicy::Expanding, QSizePolicy::Fixed);
    setLevel(usual);
}

void LevelBar::setLevel(double db) {
    db_ = std::clamp(db, quietest_, loudest_);
    const QString figure = QStringLiteral("%1 dB").arg(db_, 0, 'f', 1).replace('-', QChar(0x2212));
    setToolTip(tr("%1: %2. Drag or turn; a double click goes back").arg(accessibleName(), figure));
    setAccessibleDescription(figure);
    update();
}

void LevelBar::take(double db) {
    const double before = db_;
    setLevel(std::round(db * 2) / 2);
    if (db_ != before) emit levelChanged(db_);
}

void LevelBar::feed(float peak) {
    const double before = shown_;
    shown_ = std::max({sound::dbFromFactor(peak), shown_ - levelFall, sound::silenceDb});
    if (std::max(before, quietest_) != std::max(shown_, quietest_)) update();
}

double LevelBar::xOf(double db) const {
    const double share = (std::clamp(db, quietest_, loudest_) - quietest_) / (loudest_ - quietest_);
    return knob + share * (width() - 2 * knob);
}

void LevelBar::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    const Tokens& t = tokens();
    const double y = height() / 2.0;
    p.fillRect(QRectF(knob, y - 1.5, width() - 2 * knob, 3), t.rule);
    p.fillRect(QRectF(knob, y - 1.5, xOf(shown_) - knob, 3), shown_ > 0 ? t.wax : t.verdigris);
    p.setPen(Qt::NoPen);
    p.setBrush(t.brass);
    p.drawEllipse(QPointF(xOf(db_), y), knob - 0.5, knob - 0.5);
    if (hasFocus()) {
        p.setBrush(Qt::NoBrush);
        p.setPen(QPen(t.ink, 1));
        p.drawEllipse(QPointF(xOf(db_), y), knob + 1.5, knob + 1.5);
    }
}

void LevelBar::mousePressEvent(QMouseEvent* event) {
    if (event->button() == Qt::LeftButton) mouseMoveEvent(event);
}

void LevelBar::mouseMoveEvent(QMouseEvent* event) {
    if (!event->buttons().testFlag(Qt::LeftButton)) return;
    const double share = (event->position().x() - knob) / std::max(1, width() - 2 * knob);
    take(quietest_ + std::clamp(share, 0.0, 1.0) * (loudest_ - quietest_));
}

void LevelBar::mouseDoubleClickEvent(QMouseEvent*) {
    take(usual_);
}

void LevelBar::wheelEvent(QWheelEvent* event) {
    const double step = event->modifiers().testFlag(Qt::ShiftModifier) ? 0.5 : 1;
    take(db_ + (event->angleDelta().y() > 0 ? step : -step));
    event->accept();
}

void LevelBar::keyPressEvent(QKeyEvent* event) {
    switch (event->key()) {
    case Qt::Key_Left:
    case Qt::Key_Down:
        take(db_ - 1);
        break;
    case Qt::Key_Right:
    case Qt::Key_Up:
        take(db_ + 1);
        break;
    default:
        QWidget::keyPressEvent(event);
    }
}

} // namespace app
