// The line at the foot: the last thing done, and long work with its progress and a way to cancel it.
#pragma once

#include <QWidget>

class QLabel;
class QProgressBar;
class QPushButton;

namespace app {

class Session;

class StatusLine : public QWidget {
    Q_OBJECT
  public:
    explicit StatusLine(Session& session, QWidget* parent = nullptr);
    void setHint(const QString& hint);

  protected:
    void paintEvent(QPaintEvent*) override;

  private:
    void refreshWork();
    QString workText() const; // with its count

    Session& session_;
    double done_ = 0; // of the task, 0 to 1
    QLabel* sentence_;
    QLabel* hint_;
    QLabel* work_;
    QProgressBar* progress_;
    QPushButton* cancel_;
};

} // namespace app
