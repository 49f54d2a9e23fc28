// The line at the foot: the last thing done, and long work with its progress and a way to cancel it.
#pragma once

#include <QWidget>
#include <vector>

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
    // One job: what it is, how far, and a cross to cancel it.
    struct Row {
        QWidget* box;
        QLabel* what;
        QProgressBar* progress;
        QPushButton* cancel;
        qint64 job = 0; // 0: fitting
    };
    static constexpr std::size_t rows = 3; // more wait unseen, and are counted

    Row makeRow(std::size_t index);
    void refreshWork();
    void cancel(std::size_t index);

    Session& session_;
    QLabel* sentence_;
    QLabel* hint_;
    QLabel* more_;
    std::vector<Row> rows_;
    std::size_t pending_ = 0; // clips still to be fitted, as shown
};

} // namespace app
