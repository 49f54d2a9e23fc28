#include "app/window/button_keys.h"

#include <QAbstractButton>
#include <QDialog>
#include <QFocusEvent>
#include <QKeyEvent>

namespace app {

bool ButtonKeys::eventFilter(QObject* object, QEvent* event) {
    auto* button = qobject_cast<QAbstractButton*>(object);
    if (button == nullptr) return false;
    switch (event->type()) {
    case QEvent::FocusIn: {
        const Qt::FocusReason why = static_cast<QFocusEvent*>(event)->reason();
        byKeys_ = why == Qt::TabFocusReason || why == Qt::BacktabFocusReason ? button : nullptr;
        return false;
    }
    case QEvent::FocusOut:
        byKeys_ = nullptr;
        return false;
    case QEvent::ShortcutOverride: {
        // Else it would be the window's.
        const auto* key = static_cast<QKeyEvent*>(event);
        if (key->key() == Qt::Key_Space && key->modifiers() == Qt::NoModifier && byKeys_ == button) event->accept();
        return false;
    }
    case QEvent::KeyPress: {
        const auto* key = static_cast<QKeyEvent*>(event);
        const bool enters = key->key() == Qt::Key_Return || key->key() == Qt::Key_Enter;
        // A sheet has a button of its own for Enter.
        const bool inSheet = qobject_cast<QDialog*>(button->window()) != nullptr;
        if (!enters || inSheet || key->isAutoRepeat() || !button->isEnabled()) return false;
        button->click();
        return true;
    }
    default:
        return false;
    }
}

} // namespace app
