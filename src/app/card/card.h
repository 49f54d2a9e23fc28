// The Card: the settings of the selection, wherever it was made.
#pragma once

#include <QWidget>
#include <vector>

#include "stretch/method.h"

class QLabel;
class QPushButton;

namespace app {

class CompareRow;
class Figure;
class Session;

class Card : public QWidget {
    Q_OBJECT
  public:
    explicit Card(Session& session, QWidget* parent = nullptr);
    void typeTempo();
    void swapCompared();

  private:
    void refresh();
    void turnTempo(int steps, bool fine);
    std::int64_t selectedObject() const;
    void changeGain(double db, bool relative);
    void changeTranspose(double semitones, bool relative);

    Session& session_;
    std::vector<std::pair<stretch::Method, QPushButton*>> methods_;
    QLabel* purpose_; // what the chosen method is good for
    CompareRow* compare_;
    QPushButton* formants_;
    QPushButton* stretchRule_;
    QPushButton* placeRule_;
    Figure* tempo_;
    Figure* beats_;
    Figure* downbeat_;
    Figure* transpose_;
    Figure* gain_;
    QLabel* strain_;
};

} // namespace app
