#include "app/commands/asking.h"

#include <QInputDialog>
#include <cmath>

namespace app {

namespace {

QInputDialog* inputDialog(QWidget& parent, const char* name, const QString& title, const QString& question) {
    auto* dialog = new QInputDialog(&parent);
    dialog->setObjectName(QString::fromLatin1(name));
    dialog->setAttribute(Qt::WA_DeleteOnClose);
    dialog->setWindowTitle(title);
    dialog->setLabelText(question);
    return dialog;
}

} // namespace

void askNumber(QWidget& parent, const AskedNumber& asked, std::function<void(double)> take) {
    QInputDialog* dialog = inputDialog(parent, "numberDialog", asked.title, asked.question);
    dialog->setInputMode(asked.decimals == 0 ? QInputDialog::IntInput : QInputDialog::DoubleInput);
    if (asked.decimals == 0) {
        dialog->setIntRange(static_cast<int>(asked.low), static_cast<int>(asked.high));
        dialog->setIntValue(static_cast<int>(std::lround(asked.value)));
        QObject::connect(dialog, &QInputDialog::intValueSelected, &parent,
                         [take = std::move(take)](int n) { take(n); });
    } else {
        dialog->setDoubleDecimals(asked.decimals);
        dialog->setDoubleRange(asked.low, asked.high);
        dialog->setDoubleValue(asked.value);
        QObject::connect(dialog, &QInputDialog::doubleValueSelected, &parent,
                         [take = std::move(take)](double v) { take(v); });
    }
    dialog->open();
}

void askText(QWidget& parent, const QString& title, const QString& question, const QString& initial,
             std::function<void(const QString&)> take) {
    QInputDialog* dialog = inputDialog(parent, "textDialog", title, question);
    dialog->setTextValue(initial);
    QObject::connect(dialog, &QInputDialog::textValueSelected, &parent,
                     [take = std::move(take)](const QString& t) { take(t); });
    dialog->open();
}

} // namespace app
