// Deliver: which loops, where to, under which names.
#pragma once

#include <QDialog>

class QCheckBox;
class QComboBox;
class QLabel;
class QLineEdit;
class QPlainTextEdit;
class QPushButton;

#include "deliver/loops.h"

namespace app {

class Session;

// Not modal: the project can be played and changed while it is open.
class DeliverDialog : public QDialog {
    Q_OBJECT
  public:
    explicit DeliverDialog(Session& session, QWidget* parent = nullptr);

  private:
    void refresh();
    void deliver();
    deliver::LoopOptions options() const;

    Session& session_;
    QLabel* which_;
    QLineEdit* folder_;
    QLineEdit* pattern_;
    QComboBox* depth_;
    QPlainTextEdit* names_;
    QCheckBox* replace_;
    QLabel* trouble_;
    QPushButton* deliver_;
};

} // namespace app
