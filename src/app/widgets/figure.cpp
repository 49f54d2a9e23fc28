#include "app/widgets/figure.h"

#include "app/widgets/tokens.h"

#include <QKeyEvent>
#include <QLineEdit>
#include <QPainter>
#include <QStyle>
#include <QWheelEvent>

namespace app {

Figure::Figure(const QString& accessibleName, int pixels, QWidget* parent)
    : QWidget(parent), pixels_(pixels), edit_(new QLineEdit(this)) {
    setAccessibleName(accessibleName);
    setFocusPolicy(Qt::StrongFocus);
    setCursor(Qt::SizeVerCursor);
    setSizePolicy(QSizePolicy::Fixed, QSizePolicy::Fixed);
    edit_->setAccessibleName(accessibleName);
    edit_->setFont(figureFont(pixels_));
    edit_->hide();
    edit_->installEventFilter(this);
}

void Figure::setText(const QString& text) {
    if (text == text_) return;
    text_ = text;
    setAccessibleDescription(text);
    updateGeometry();
    update();
}

void Figure::setRoomFor(const QString& text) {
    room_ = text;
    updateGeometry();
}

void Figure::setAlignment(Qt::Alignment alignment) {
    alignment_ = alignment;
    update();
}

void Figure::setLocked(bool locked) {
    if (locked == isLocked_) return;
    isLocked_ = locked;
    if (locked) tip_ = toolTip();
    setToolTip(locked ? tr("locked: unlock the clip to change it") : tip_);
    setAccessibleDescription(locked ? tr("locked") : QString());
    update();
}

bool Figure::isTyping() const {
    return edit_->isVisible();
}

QSize Figure::sizeHint() const {
    const QFontMetrics metrics(figureFont(pixels_));
    const int width = std::max(metrics.horizontalAdvance(text_), metrics.horizontalAdvance(room_)) + 6;
    return {std::max(width, 24), static_cast<int>(pixels_ * 1.25)};
}

void Figure::paintEvent(QPaintEvent*) {
    QPainter p(this);
    const Tokens& t = tokens();
    if (underMouse() || hasFocus()) {
        p.setPen(QPen(hasFocus() ? t.brass : t.rule, hasFocus() ? 2 : 1));
        p.drawLine(0, height() - 1, width(), height() - 1);
    }
    p.setFont(figureFont(pixels_));
    p.setPen(isEnabled() && !isLocked_ ? t.ink : t.inkSoft);
    p.drawText(rect().adjusted(1, 0, -2, 0), static_cast<int>(alignment_ | Qt::AlignVCenter), text_);
}

void Figure::enterEvent(QEnterEvent*) {
    freshTurn();
    update();
}
// Digits and a minus sign begin to type it, whatever they mean in the window.
bool Figure::event(QEvent* event) {
    if (event->type() == QEvent::ShortcutOverride) {
        const auto* key = static_cast<QKeyEvent*>(event);
        const QString text = key->text();
        const bool plain = (key->modifiers() & ~(Qt::ShiftModifier | Qt::KeypadModifier)) == Qt::NoModifier;
        if (plain && text.size() == 1 && (text[0].isDigit() || text[0] == '-')) {
            event->accept();
            return true;
        }
    }
    return QWidget::event(event);
}

void Figure::leaveEvent(QEvent*) {
    update();
}

void Figure::freshTurn() {
    static std::int64_t last = 0;
    turn_ = ++last;
}

void Figure::emitTurned(int steps, bool fine) {
    constexpr int pause = 1500; // milliseconds
    if (turn_ == 0 || !lastTurn_.isValid() || lastTurn_.elapsed() > pause) freshTurn();
    lastTurn_.start();
    emit turned(steps, fine);
}

void Figure::focusInEvent(QFocusEvent* event) {
    freshTurn();
    QWidget::focusInEvent(event);
    update();
}

void Figure::wheelEvent(QWheelEvent* event) {
    // Shift makes some systems report the wheel as horizontal.
    const QPoint delta = event->angleDelta();
    wheel_ += delta.y() != 0 ? delta.y() : delta.x();
    const int steps = wheel_ / 120;
    wheel_ -= steps * 120;
    if (steps != 0) emitTurned(steps, event->modifiers().testFlag(Qt::ShiftModifier));
    event->accept();
}

void Figure::mouseDoubleClickEvent(QMouseEvent*) {
    beginTyping();
}

void Figure::keyPressEvent(QKeyEvent* event) {
    const bool fine = event->modifiers().testFlag(Qt::ShiftModifier);
    const QString typedText = event->text();
    if (event->key() == Qt::Key_Up)
        emitTurned(1, fine);
    else if (event->key() == Qt::Key_Down)
        emitTurned(-1, fine);
    else if (event->key() == Qt::Key_Return || event->key() == Qt::Key_Enter || event->key() == Qt::Key_F2)
        beginTyping();
    else if (typedText.size() == 1 && (typedText[0].isDigit() || typedText[0] == '-'))
        beginTyping(typedText);
    else
        QWidget::keyPressEvent(event);
}

void Figure::resizeEvent(QResizeEvent*) {
    edit_->setGeometry(rect());
}

void Figure::beginTyping(const QString& initial) {
    edit_->setText(initial.isEmpty() ? text_ : initial);
    edit_->setGeometry(rect().adjusted(0, 0, 8, 0));
    edit_->show();
    edit_->setFocus();
    if (initial.isEmpty()) edit_->selectAll();
}

void Figure::endTyping(bool take) {
    if (!edit_->isVisible()) return;
    const QString entered = edit_->text();
    edit_->hide();
    setFocus();
    if (take && entered != text_) emit typed(entered);
}

bool Figure::eventFilter(QObject* object, QEvent* event) {
    if (event->type() == QEvent::KeyPress) {
        const int key = static_cast<QKeyEvent*>(event)->key();
        if (key == Qt::Key_Escape || key == Qt::Key_Return || key == Qt::Key_Enter) {
            endTyping(key != Qt::Key_Escape);
            return true;
        }
    }
    // Single-letter shortcuts of the window must not swallow what is typed here.
    if (event->type() == QEvent::ShortcutOverride) event->accept();
    if (event->type() == QEvent::FocusOut) endTyping(true);
    return QWidget::eventFilter(object, event);
}

std::vector<SpokenAction> Figure::spokenActions() {
    return {{tr("Type"), [this] { beginTyping(); }},
            {tr("More"), [this] { emitTurned(1, false); }},
            {tr("Less"), [this] { emitTurned(-1, false); }}};
}

} // namespace app
