// Asking for files and folders: the same dialog everywhere.
#pragma once

#include <QFileDialog>

namespace app {

// Not open yet, and goes when it is closed. `name` is for tests. Interface thread.
inline QFileDialog* fileDialog(QWidget* parent, const char* name, const QString& title, QFileDialog::FileMode mode,
                               const QStringList& filters = {}) {
    auto* dialog = new QFileDialog(parent, title);
    dialog->setObjectName(QString::fromLatin1(name));
    dialog->setAttribute(Qt::WA_DeleteOnClose);
    dialog->setOption(QFileDialog::DontUseNativeDialog);
    dialog->setFileMode(mode);
    if (!filters.isEmpty()) dialog->setNameFilters(filters);
    return dialog;
}

} // namespace app
