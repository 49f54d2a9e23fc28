// The bench: the work place for one source. Readings left, the source as recorded in the middle, the Card right.
#pragma once

#include "hear/tapped.h"
#include "project/project.h"

#include <QWidget>

class QHBoxLayout;
class QLabel;
class QPushButton;

namespace app {

class Card;
class Figure;
class ReadingsList;
class Session;
class SourceView;

class Bench : public QWidget {
    Q_OBJECT
  public:
    explicit Bench(Session& session, QWidget* parent = nullptr);
    // Of the selected source.
    void scaleTempo(double factor); // ½, ×2
    void roundTempo();
    void tap();
    void typeTempo();
    void swapCompared(); // A|B
    void playRaw(bool on);

  protected:
    void paintEvent(QPaintEvent*) override;
    void resizeEvent(QResizeEvent*) override;

  private:
    void refresh();
    void refreshBelow(const project::SourcePtr& s);
    project::SourcePtr selected() const;
    void pickOther(hear::Witness by, int which);
    void listenBetween(const QString& low, const QString& high);
    void beatsBetween(const QString& text);
    QHBoxLayout* buttonRow();
    QHBoxLayout* listenRow();
    QHBoxLayout* beatsRow();

    Session& session_;
    QLabel* name_;
    QLabel* facts_;
    ReadingsList* readings_;
    SourceView* view_;
    QLabel* viewTitle_;
    QPushButton* half_;
    QPushButton* twice_;
    QPushButton* round_;
    QPushButton* tap_;
    QPushButton* raw_;
    Figure* low_;
    Figure* high_;
    Figure* beats_;
    hear::Tapping tapping_;
    std::optional<project::SourceId> tapped_; // whose taps they are
    std::int64_t taps_ = 0;                   // a fresh number for each time somebody begins to tap
    Card* card_;
    // What is heard of the recording: another tempo of it moves the click, another source ends it.
    struct RawTiming {
        project::SourceId source;
        std::optional<metre::BeatMap> beats;
        bool click = false;
        bool operator==(const RawTiming&) const = default;
    };
    std::optional<RawTiming> raws_;
};

} // namespace app
