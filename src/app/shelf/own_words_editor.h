// Own tags and notes of what is selected on the shelf, typed in place.
#pragma once

#include "shelf/library.h"

#include <QWidget>

class QLabel;
class QLineEdit;

namespace app {

class OwnWordsEditor : public QWidget {
    Q_OBJECT
  public:
    explicit OwnWordsEditor(QWidget* parent = nullptr);
    // Of these recordings; what they share stands there.
    void ask(const std::vector<shelf::Entry>& entries);

  signals:
    void kept(const std::map<std::string, shelf::OwnWords>& of); // by content

  protected:
    void keyPressEvent(QKeyEvent*) override;

  private:
    void keep();

    QLabel* title_;
    QLineEdit* tags_;
    QLineEdit* notes_;
    std::vector<std::pair<std::string, bool>> asked_; // content, and whether it is a favourite, which it stays
};

} // namespace app
