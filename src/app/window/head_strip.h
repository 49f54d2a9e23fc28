// The strip at the head of the window: the project's time, the transport, the level.
#pragma once

#include "metre/tap.h"
#include "project/history.h"
#include "prove/meeting.h"

#include <QWidget>
#include <optional>
#include <vector>

class QComboBox;
class QHBoxLayout;
class QLabel;
class QPushButton;

namespace app {

class Figure;
class Meter;
class Session;

class ProofSummary;

class HeadStrip : public QWidget {
    Q_OBJECT
  public:
    explicit HeadStrip(Session& session, QWidget* parent = nullptr);

    void tap();                    // one tap of the project's tempo, now
    void tapAt(metre::Seconds at); // on the steady clock
    void typeTempo();              // as after a double click on it

  signals:
    void leadersAsked(const QPoint& global); // the menu of what may lead
    void worstAsked();                       // the hit that is farthest off

  protected:
    void paintEvent(QPaintEvent*) override;
    void dragEnterEvent(QDragEnterEvent*) override;
    void dragMoveEvent(QDragMoveEvent*) override;
    void dropEvent(QDropEvent*) override;
    bool eventFilter(QObject*, QEvent*) override;
    void resizeEvent(QResizeEvent*) override;

  private:
    void buildFigures();
    void buildTransport();
    void layOut();
    void connectFigures();
    void connectTransport();
    void refresh();
    void refreshPosition();
    void refreshLead();
    void refreshMeeting();
    void setTempo(double bpm, const project::Gesture& gesture);

    Session& session_;
    Figure* tempo_;
    QPushButton* led_;
    Figure* metre_;
    Figure* key_;
    Figure* gain_; // of the output
    QPushButton* back_;
    QPushButton* play_;
    QPushButton* stop_;
    QPushButton* loop_;
    QPushButton* click_;
    QPushButton* tap_;
    QLabel* position_;
    QLabel* output_;
    QLabel* meeting_;
    QPushButton* meet_;
    ProofSummary* proof_;
    // What the meeting tempo was worked out from.
    struct MetBy {
        std::vector<prove::Strained> all;
        prove::Comfort comfort;
        metre::Bpm now;
        bool isLed = false;
        bool operator==(const MetBy&) const = default;
    };
    std::optional<MetBy> metBy_;
    QHBoxLayout* transport_;
    Meter* meter_;
    metre::Taps taps_;
    std::int64_t tapping_ = 1; // a fresh number for each time somebody begins to tap
};

} // namespace app
