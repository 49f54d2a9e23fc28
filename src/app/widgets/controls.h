// Small parts that every panel is made of.
#pragma once

#include <QString>

class QLabel;
class QPushButton;
class QVBoxLayout;
class QWidget;

namespace app {

// A soft label, 11 pixels.
QLabel* label(const QString& text, QWidget* parent = nullptr);

// A button that stays down while checked.
QPushButton* toggle(const QString& text, const QString& tip, QWidget* parent = nullptr);
QPushButton* button(const QString& text, const QString& tip, QWidget* parent = nullptr);

// A label above a widget, as the head strip is set.
QVBoxLayout* column(const QString& title, QWidget* content);

} // namespace app
