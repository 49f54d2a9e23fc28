// What was done, or what went wrong, with its details: inside the window, never in the way. A message that comes
// while another is shown lies on it: closed, it lets the one before be seen again.
#pragma once

#include <QStringList>
#include <QWidget>
#include <functional>
#include <vector>

class QLabel;
class QPlainTextEdit;
class QPushButton;

namespace app {

class MessageBar : public QWidget {
    Q_OBJECT
  public:
    explicit MessageBar(QWidget* parent = nullptr);

    // Shows a title and a sentence a line.
    void show(const QString& title, const QStringList& lines, bool isProblem);
    // Shows a sentence with a button that does something and closes the message.
    void offer(const QString& sentence, bool isProblem, const QString& actionText, std::function<void()> action);
    // Closes what is shown, but for what offers something.
    void giveWay();

  protected:
    void paintEvent(QPaintEvent*) override;
    void keyPressEvent(QKeyEvent*) override;

  private:
    struct Message {
        QString title;
        QStringList lines;
        bool isProblem = false;
        QString actionText{}; // empty: it offers nothing
        std::function<void()> action{};
    };
    void put(Message message);
    void closeTop();
    void showTop();

    std::vector<Message> messages_; // the last is shown
    QLabel* title_;
    QPlainTextEdit* lines_;
    QWidget* space_; // between a title that stands alone and the buttons
    QPushButton* action_;
    QPushButton* close_;
};

} // namespace app
