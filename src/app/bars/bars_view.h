// The page Bars: overview, ruler, lanes, tracks and clips, under the hand.
#pragma once

#include "app/bars/bars_changes.h"
#include "app/bars/bars_layout.h"
#include "app/bars/bars_paint.h"
#include "app/bars/bars_tool.h"
#include "app/session/offer.h"
#include "app/widgets/spoken.h"

#include <QAbstractScrollArea>
#include <QElapsedTimer>
#include <QUrl>
#include <functional>
#include <memory>

class QLineEdit;

namespace app {

class EmptyPage;

class BarsView : public QAbstractScrollArea, public Spoken {
    Q_OBJECT
  public:
    explicit BarsView(Session& session, QWidget* parent = nullptr);

    const BarsLayout& layout() const { return layout_; }
    void zoomBy(double factor, double aroundX);
    void zoomToAll();
    // Scrolls, where that is needed, until a clip and a place in it are in view.
    void show(ClipId clip, Beats at);
    void zoomToSelection();
    // Scrolls, where that is needed, until a clip's track and a place in it are in view.
    void showPlace(ClipId clip, Beats at);
    void scrollTo(double leftBeat);
    // Whether the page goes along with the play position.
    bool follows() const { return follows_; }
    void setFollows(bool on) { follows_ = on; }
    bool showsLanes() const { return layout_.lanes; }
    void setShowsLanes(bool on);
    // Whether keys and commands act on the play position here, or on the Bench's own line.
    void setLineStrong(bool strong);
    // What stands there while there is no track.
    EmptyPage& emptyPage() { return *empty_; }
    // Of all tracks, lower or higher by a step.
    void stepHeights(int by);
    // Moves what is picked in the lanes by grid steps, where a track up is 1 BPM more (a tenth with `fine`); else
    // the selected clips, by grid steps and tracks.
    void nudge(int steps, int tracks, bool fine = false);
    // Moves an edge of the selected clips by grid steps.
    void nudgeEdge(project::Side side, int steps);

    std::vector<SpokenItem> spoken() override;
    QString spokenCursor() const override;
    QWidget& spokenSurface() override { return *viewport(); }

    // What is picked in the lanes, and what commands do with it.
    const LanePick& picked() const { return picked_; }
    void pick(const LanePick& pick);
    // Each asks for its figure or name in a line on the page, at what is picked or at the play position.
    void typeTempoPoint();
    void typeTempoChange(); // of the picked range, or of all of the map: "−6", "110 %"
    void typeSection();
    void typeMetreOrKey();
    void typeTrackName(TrackId track);
    void removePicked();
    // Whose head was pressed last, or the selected clips'.
    std::optional<TrackId> track() const;

  signals:
    void handedOut(const QList<QUrl>& files);      // written, and hanging on the pointer where that is still held
    void menuAsked(Offer place, const QPoint& at); // on the screen
    void hinted(const QString& hint);              // what the hand would do where it is
    void benchAsked();                             // a double click on a clip
    void pickedChanged();

  protected:
    void contextMenuEvent(QContextMenuEvent*) override;
    void paintEvent(QPaintEvent*) override;
    void resizeEvent(QResizeEvent*) override;
    void mousePressEvent(QMouseEvent*) override;
    void mouseMoveEvent(QMouseEvent*) override;
    void mouseReleaseEvent(QMouseEvent*) override;
    void mouseDoubleClickEvent(QMouseEvent*) override;
    void leaveEvent(QEvent*) override;
    void wheelEvent(QWheelEvent*) override;
    void keyPressEvent(QKeyEvent*) override;
    void focusInEvent(QFocusEvent*) override;
    void focusOutEvent(QFocusEvent*) override;
    void dragEnterEvent(QDragEnterEvent*) override;
    void dragMoveEvent(QDragMoveEvent*) override;
    void dragLeaveEvent(QDragLeaveEvent*) override;
    void dropEvent(QDropEvent*) override;
    void scrollContentsBy(int, int) override;
    bool viewportEvent(QEvent*) override;
    bool eventFilter(QObject*, QEvent*) override;

  private:
    // What lies under a place of the page, as the hand would take it.
    struct Under {
        enum class What {
            Nothing,
            Overview,
            Ruler,
            Head,
            Body,
            Edge,
            Fade,
            Point,
            Section,
            TempoLane,
            SectionLane,
            MetreLane
        };
        What what = What::Nothing;
        const project::LaidClip* clip = nullptr;
        project::Side side = project::Side::Right;
        EdgeUse use = EdgeUse::Trim;
        Beats at; // of a point or a section
        std::size_t track = 0;
    };
    Under under(const QPointF& at) const;
    std::optional<Under> handleOf(const project::LaidClip& clip, const QPointF& at) const;
    Under inLanes(const QPointF& at) const;
    const project::LaidClip* clipAt(const QPointF& at) const;
    BarsHand handAt(const QPointF& at);
    void pressHeader(const QPointF& at, std::size_t index);
    bool typeInHeader(const QPointF& at, std::size_t index);
    void pressClip(const Under& u, const BarsHand& hand, Qt::KeyboardModifiers modifiers);
    void selectTrack(std::size_t index);
    void showUnder(const Under& u);
    void freshAfterPause();
    bool turnAt(const QPointF& at, int steps, bool fine);
    void updateScrollBars();
    void paintChanges();
    void foldLanes();
    void placeEmptyPage();
    Beats firstBeat() const;
    void followPlayPosition();
    void takeLevels();
    void cancelDrag();
    bool leavesWindow(const QPointF& at) const; // with what is dragged
    void handOut();
    void carryOut(const QList<QUrl>& files);
    void showLanding(const QPointF& at, int files);
    // The keyboard's cursor is what is picked in the lanes, else the clip that was selected last, else a track.
    struct Row;
    std::vector<Row> rows() const;
    std::optional<std::size_t> rowAtCursor(const std::vector<Row>& rows) const;
    Beats beatAtCursor() const;
    std::optional<std::size_t> emptyTrackAtCursor() const;
    void goToRow(const Row& row, bool extend);
    void stepRow(int by, bool extend);
    void stepAlong(int by, bool extend);
    void pickInLane(LanePick::What lane, Beats near);
    std::vector<Beats> placesIn(LanePick::What lane) const;
    void goTo(ClipId clip, bool extend);
    void enterAtCursor();
    void nudgePicked(int steps, int bpm, bool fine);
    metre::Snap gridOr(metre::Snap coarsest) const;
    SpokenItem spokenSections();
    SpokenItem spokenTempo();
    SpokenItem spokenMetre();
    SpokenItem spokenTrack(std::size_t index);
    SpokenItem spokenClip(const project::LaidClip& clip);
    std::vector<SpokenItem> spokenEdges(const project::LaidClip& clip);
    // Asks for a line of text on the page.
    void ask(const QRect& where, const QString& initial, const QString& name,
             std::function<void(const QString&)> take);
    void endAsking(bool take);
    void setTempoAt(Beats at, const QString& text);
    void setMetreOrKeyAt(int bar, const QString& text);
    void changeTempo(const QString& text);
    std::pair<Beats, Beats> pickedRange() const;

    Session& session_;
    EmptyPage* empty_;
    bool timeChanges_ = false; // tempo, metre or key, over the piece
    BarsLayout layout_;
    BarsDrag drag_;
    LanePick picked_;
    std::unique_ptr<BarsTool> tool_; // while a button is held
    QPointF pressedAt_;
    bool moved_ = false;
    bool handingOut_ = false; // until the button is released
    QPointF lastMove_;
    std::int64_t press_ = 0; // a fresh number for each press, and for each turn of a wheel after a pause
    QElapsedTimer lastTurn_;
    int wheel_ = 0;     // eighths of a degree not yet turned
    int paintedX_ = -1; // of the play position
    int overviewX_ = -1;
    bool lineIsStrong_ = true;
    bool follows_ = true;
    std::vector<TrackLevel> levels_;
    BarsChanges changes_;
    bool willLook_ = false; // for changes, before the page is painted
    WaveCache waves_;
    TitleCache titles_;
    std::optional<ClipId> hovered_;
    std::optional<TrackId> headPressed_; // or reached by keys
    QLineEdit* line_;
    std::function<void(const QString&)> taken_;
};

} // namespace app
