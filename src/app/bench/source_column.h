// The column of the Bench: the rarer figures of a recording, and what can be done about its beats.
#pragma once

#include "project/project.h"

#include <QWidget>

class QHBoxLayout;
class QLabel;
class QPushButton;
class QSlider;

namespace app {

class ByEar;
class FeelPlot;
class Figure;
class SourceFigures;
class Session;

class SourceColumn : public QWidget {
    Q_OBJECT
  public:
    SourceColumn(Session& session, ByEar& byEar, QWidget* parent = nullptr);
    void show(const project::SourcePtr& source);

    void pick(hear::Witness by);
    void pickOther(hear::Witness by, int which);
    void typeTempo(const QString& text);
    // ½, ×2 and Tap, which stand beside the readings.
    QWidget* quickButtons() { return quick_; }

  signals:
    void straightenAsked(const QPoint& global); // the menu of ways
    void leadAsked(const QPoint& global);
    void takeTimeAsked();

  private:
    void listenBetween(const QString& low, const QString& high);
    void unitsBetween(const QString& text, bool bars);
    void turnMetre(int steps);
    void followBy(double percent);
    void buildButtons();
    QHBoxLayout* roundRow();
    QHBoxLayout* listenRow();
    QHBoxLayout* betweenRow();
    QHBoxLayout* barRow();
    QHBoxLayout* onsetRow();
    QHBoxLayout* followRow();

    Session& session_;
    ByEar& byEar_;
    project::SourcePtr source_;
    SourceFigures* figures_;
    FeelPlot* feel_;
    QWidget* quick_;
    QPushButton* half_;
    QPushButton* twice_;
    QPushButton* round_;
    QPushButton* tap_;
    QPushButton* tapBars_;
    Figure* low_;
    Figure* high_;
    Figure* beats_;
    Figure* bars_;
    Figure* metre_;
    QSlider* onsets_;
    QLabel* followLabel_;
    Figure* follow_;
    QPushButton* straighten_;
    QPushButton* lead_;
    QPushButton* take_;
    std::int64_t slides_ = 0; // a fresh number for each time the slider is taken
};

} // namespace app
