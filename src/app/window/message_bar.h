// What was done, or what went wrong, with its details: inside the window, never in the way.
#pragma once

#include <QStringList>
#include <QWidget>

class QLabel;
class QPlainTextEdit;
class QPushButton;

namespace app {

class MessageBar : public QWidget {
    Q_OBJECT
  public:
    explicit MessageBar(QWidget* parent = nullptr);

    // Shows a title and a sentence a line; replaces what was shown.
    void show(const QString& title, const QStringList& lines, bool isProblem);
    // Gives what is shown a button that does something and closes the message.
    void offer(const QString& actionText, std::function<void()> action);

  protected:
    void paintEvent(QPaintEvent*) override;
    void keyPressEvent(QKeyEvent*) override;

  private:
    QLabel* title_;
    QPlainTextEdit* lines_;
    QWidget* space_; // between a title that stands alone and the buttons
    QPushButton* action_;
    QPushButton* close_;
    std::function<void()> whenActed_;
    bool problem_ = false;
};

} // namespace app
