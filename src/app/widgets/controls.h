// Small parts that every panel is made of.
#pragma once

#include <QString>
#include <optional>

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

// The number that a person types: with a point or a comma, a minus sign of either kind, and one of the units behind
// it that figures are shown with (dB, st, s, %, BPM, bars, beats). Nothing else is a number.
std::optional<double> numberIn(QString text);

// A label above a widget, as the head strip is set.
QVBoxLayout* column(const QString& title, QWidget* content);

} // namespace app
