// The left of the Bench: what is known of a source's tempo, and what can be done about it.
#pragma once

#include "project/project.h"

#include <QWidget>

class QHBoxLayout;
class QLabel;
class QPushButton;
class QSlider;

namespace app {

class ByEar;
class Figure;
class ReadingsList;
class Session;

class SourceColumn : public QWidget {
    Q_OBJECT
  public:
    SourceColumn(Session& session, ByEar& byEar, QWidget* parent = nullptr);
    void show(const project::SourcePtr& source);

    void scaleTempo(double factor); // ½, ×2
    void roundTempo();

  signals:
    void typingAsked();
    void straightenAsked(const QPoint& global); // the menu of ways
    void leadAsked(const QPoint& global);
    void takeTimeAsked();

  private:
    void pickOther(hear::Witness by, int which);
    void listenBetween(const QString& low, const QString& high);
    void unitsBetween(const QString& text, bool bars);
    void turnMetre(int steps);
    void followBy(double percent);
    QHBoxLayout* buttonRow();
    QHBoxLayout* listenRow();
    QHBoxLayout* betweenRow();
    QHBoxLayout* barRow();
    QHBoxLayout* onsetRow();
    QHBoxLayout* followRow();

    Session& session_;
    ByEar& byEar_;
    project::SourcePtr source_;
    ReadingsList* readings_;
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
