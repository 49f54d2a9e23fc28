// By ear: the recording as it is, with a click at a tempo that is tried. Until it is used the project knows nothing
// of it.
#pragma once

#include "hear/tapped.h"
#include "metre/beat_map.h"
#include "play/player.h"
#include "project/project.h"

#include <QWidget>
#include <optional>

class QPushButton;

namespace app {

class Figure;
class RailsView;
class Session;

class ByEar : public QWidget {
    Q_OBJECT
  public:
    ByEar(Session& session, RailsView& rails, QWidget* parent = nullptr);

    // The source that the Bench shows; null: none.
    void show(const project::SourcePtr& source);
    void hear(bool on, std::optional<metre::Seconds> from = {});
    bool isHeard() const;
    // Round and round between the marks.
    void loopMarks(bool on);
    bool loopsMarks() const { return loops_; }
    void clicks(bool on);

    // What is tried: the tempo by so much, or by a factor; the click later by so many seconds.
    void turn(double byBpm);
    void scale(double factor);
    void shiftClick(double bySeconds);
    // What is tried; none: the source's own beats.
    const std::optional<metre::BeatMap>& tried() const { return tried_; }
    void use();
    void giveBack();

    // A tap while it plays as recorded, on a beat, or on a bar. It becomes a reading, to be picked.
    void tap();
    void tapBars(bool on) { bars_ = on; }
    bool tapsBars() const { return bars_; }

    // Marks while they are dragged: what loops follows them at once.
    void marksMove(std::optional<project::Marks> marks);

  private:
    void refresh();
    void hearAgain();
    project::Marks marks() const; // as they are, or are being dragged
    play::Player::RawHearing hearing() const;
    std::optional<metre::BeatMap> base() const;
    std::optional<metre::BeatMap> heardBeats() const;
    void tryWith(double factor, double shift);

    Session& session_;
    RailsView& rails_;
    project::SourcePtr source_;
    std::optional<metre::BeatMap> tried_;
    std::optional<project::Marks> moving_;
    bool loops_ = false;
    bool clicks_ = true;
    bool bars_ = false;
    QPushButton* hear_;
    QPushButton* click_;
    QPushButton* loop_;
    Figure* tempo_;
    QPushButton* use_;
    QPushButton* back_;
    hear::Tapping tapping_;
    std::optional<project::SourceId> tapped_; // whose taps they are
    std::int64_t taps_ = 0;                   // a fresh number for each time somebody begins to tap
};

} // namespace app
