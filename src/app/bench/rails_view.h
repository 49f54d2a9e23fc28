// The rails: one source as recorded above and as it is heard below, on one time scale, with a rung from every beat
// to where it lands. A pin is a rung with a knob at each end: the upper one says where in the recording the beat
// is, the lower one which beat it is.
#pragma once

#include "app/bench/rails_layout.h"
#include "app/bench/rails_paint.h"
#include "app/bench/rails_scene.h"
#include "app/session/session.h"
#include "app/widgets/spoken.h"

#include <QPixmap>
#include <QWidget>
#include <utility>
#include <vector>

namespace app {

// Whether a beat is in a list. REQUIRES a list in order.
bool holds(const std::vector<Beats>& list, Beats beat);

class RailsView : public QWidget, public Spoken {
    Q_OBJECT
  public:
    explicit RailsView(Session& session, QWidget* parent = nullptr);

    // The selected source, by the selected clip, else by the first of its clips.
    void refresh();
    const RailsScenePtr& scene() const { return scene_; } // null: nothing is shown
    const RailsLayout& layout() const { return layout_; }

    // Two lines say where one is: the project's play position, as far as it is in the recording, and the Bench's
    // own, where the recording is heard by itself, or was stepped or pressed to. What keys and commands act on is
    // the line of the place that was worked in last; it is drawn strong.
    Seconds here() const;
    bool isOwnLine() const { return ownCounts_; }
    // The same as a place of the project; none where the clip is not heard there.
    std::optional<Beats> hereInProject() const;
    void goHere(Seconds at); // the own line; shows it too
    void stepOnset(bool forward);

    // What the beats of the click are while they are tried (by_ear.h); none: the source's own.
    void showTried(const std::optional<metre::BeatMap>& beats);

    // Pins that are picked, by their beats, in order.
    const std::vector<Beats>& picked() const { return picked_; }
    void pick(std::vector<Beats> beats);

    void markHere(bool isFirst); // one of the two marks of the recording, at the line
    void pinHere();
    void removePicked();
    void nudge(Seconds by);   // the picked pins, in the recording
    void nudgeBeat(Beats by); // the one picked pin, on the grid
    void lockPicked();
    void namePicked(); // asks for the picked pin's name, in place
    void straightBetween();
    void straightToEnd();
    void straightFrom();

    void zoomBy(double factor, double x);
    void zoomToAll();
    void zoomToPicked(); // what lies between the picked pins, else between the marks
    void zoomToBeat();
    void scrollTo(Seconds from);
    bool isWhole() const { return wholeView_; } // all of it is in view
    EyeGrid grid() const { return grid_; }
    void setGrid(EyeGrid grid);

    std::vector<SpokenItem> spoken() override;
    QString spokenCursor() const override;
    QWidget& spokenSurface() override { return *this; }

    // The press that is under way, or was last: a fresh number for each.
    std::int64_t press() const { return press_; }
    // What stands beside the pointer while something is dragged or pointed at; empty: nothing does.
    const QString& told() const { return told_; }

  signals:
    void rawAsked(double from);    // hear the recording from there
    void fittedAsked(double beat); // and what is made of it, at that beat of the project
    void marksAsked(double from, double to, bool isDone);
    void phaseAsked(double by, bool isDone); // the tried click, later by so many seconds
    void triedTurned(double byBpm);          // the tried tempo
    void triedScaled(double factor);
    void viewChanged();
    void lineChanged(bool isOwn); // which of the two lines counts
    void gridChanged();
    void pickedChanged();
    void hinted(const QString& hint); // what the hand can do here; empty: it has gone
    void menuAsked(const QPoint& global);

  protected:
    void paintEvent(QPaintEvent*) override;
    void resizeEvent(QResizeEvent*) override;
    void mousePressEvent(QMouseEvent*) override;
    void mouseMoveEvent(QMouseEvent*) override;
    void mouseReleaseEvent(QMouseEvent*) override;
    void mouseDoubleClickEvent(QMouseEvent*) override;
    void wheelEvent(QWheelEvent*) override;
    void keyPressEvent(QKeyEvent*) override;
    void enterEvent(QEnterEvent*) override;
    void leaveEvent(QEvent*) override;
    void contextMenuEvent(QContextMenuEvent*) override;
    bool event(QEvent*) override;

  private:
    // What the pointer is on.
    struct Under {
        enum class What {
            Nothing,
            UpperRuler,
            Mark,
            Marks, // between the two that were set
            Upper,
            Onsets,
            UpperKnob,
            LowerKnob,
            Rung,
            Hit, // of a tightened clip
            Rungs,
            Lower,
            Strip
        };
        What what = What::Nothing;
        std::optional<Beats> beat; // of a knob or a rung
        bool isPin = false;
        int mark = 0; // 1 the first, 2 the second
        Seconds hit{};
    };
    struct Drag {
        enum class What { Nothing, Mark, Marks, NewMarks, Upper, Lower, Hit, Band, Phase };
        What what = What::Nothing;
        Beats beat; // as it was when it began
        Seconds hit{};
        bool isPin = false;
        QPointF began;
        bool moved = false;
        int mark = 0;
        project::Marks marks{};
        project::Marks grabbed{}; // as they were when it began
        project::Project before;  // each step is worked out from this, so that going back undoes what gave way
        std::int64_t revision = 0;
        bool fine = false;  // with Shift: a tenth of the way, from here on
        double pointer = 0; // where the pointer was then
        double knob = 0;    // and what is dragged
        double bandTo = 0;
    };

    Under under(const QPointF& at) const;
    void fit();
    void layOut();
    void changedByHand(const QString& name, const base::Result<project::Project>& next, const QPointF& at);
    void pressBeat(const Under& on, const QPointF& at, Qt::KeyboardModifiers modifiers);
    void pressFitted(const QPointF& at);
    std::optional<Seconds> projectLine() const; // none where it is not in the recording
    void setOwnCounts(bool own);
    void followPlaying();
    void pickNeighbour(int by, bool extend); // the pin before or after
    SpokenItem spokenPins();
    SpokenItem spokenRungs();
    void step(int by, Qt::KeyboardModifiers modifiers);       // what is picked, or all
    void turnTried(int way, Qt::KeyboardModifiers modifiers); // the tried tempo
    void dragUpper(QMouseEvent& event);
    void dragLower(QMouseEvent& event);
    void dragHit(QMouseEvent& event);
    std::optional<Seconds> hitUnder(const QPointF& at) const;
    void dragMarks(QMouseEvent& event);
    void endDrag();
    void tell(const QString& text, const QPointF& at, bool wrong = false);
    void pointAt(const QPointF& at);
    Seconds snapped(double x, bool fine) const;
    project::Marks marks() const;
    StillRails still() const; // REQUIRES scene_
    void paintStill();
    void paintLines(QPainter& p) const;
    void follow(Seconds at);
    void keepPicked();

    Session& session_;
    RailsScenePtr scene_;
    RailsLayout layout_;
    EyeGrid grid_ = EyeGrid::Eighths;
    bool wholeView_ = true; // shows all of it, whatever its width
    std::vector<Beats> picked_;
    std::optional<Seconds> own_;       // the Bench's own line
    std::optional<Seconds> announced_; // the onset that was told last, while the recording is heard and runs on
    bool ownCounts_ = false;
    bool wasRaw_ = false;
    Beats lastPosition_{-1e9};
    std::optional<metre::BeatMap> tried_;
    Drag drag_;
    std::int64_t press_ = 0;
    QString told_;
    QPointF toldAt_;
    bool toldWrong_ = false;
    QPixmap still_; // all but what moves
    bool stale_ = true;
    std::int64_t renderChanges_ = -1;
};

} // namespace app
