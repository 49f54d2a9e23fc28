// Small sheets that ask for a figure or a line of text.
#pragma once

#include <QString>
#include <functional>

class QWidget;

namespace app {

struct AskedNumber {
    QString title;
    QString question;
    double value = 0; // at first
    double low = 0;
    double high = 0;
    int decimals = 0;
};
// What is typed is handed on; nothing is where it was cancelled. Interface thread; returns at once.
void askNumber(QWidget& parent, const AskedNumber& asked, std::function<void(double)> take);
void askText(QWidget& parent, const QString& title, const QString& question, const QString& initial,
             std::function<void(const QString&)> take);

} // namespace app
