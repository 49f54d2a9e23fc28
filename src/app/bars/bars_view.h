// The page Bars: ruler, tempo lane, tracks and clips, under the hand.
#pragma once

#include "app/bars/bars_layout.h"
#include "app/bars/bars_paint.h"

#include <QAbstractScrollArea>

namespace app {

class BarsView : public QAbstractScrollArea {
    Q_OBJECT
  public:
    explicit BarsView(Session& session, QWidget* parent = nullptr);

    const BarsLayout& layout() const { return layout_; }
    void zoomBy(double factor, double aroundX);
    void zoomToAll();
    void scrollTo(double leftBeat);
    // Moves the selected clips by grid steps and tracks.
    void nudge(int steps, int tracks);

  protected:
    void paintEvent(QPaintEvent*) override;
    void resizeEvent(QResizeEvent*) override;
    void mousePressEvent(QMouseEvent*) override;
    void mouseMoveEvent(QMouseEvent*) override;
    void mouseReleaseEvent(QMouseEvent*) override;
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

  private:
    enum class Grip { None, Clip, Band, Ruler };

    const project::Clip* clipAt(const QPointF& at, std::size_t* track = nullptr) const;
    bool pressHeader(const QPointF& at);
    void updateScrollBars();
    void followPlayPosition();
    void dragClips(const QPointF& at);
    void dragBand(const QPointF& at);
    void dragRuler(const QPointF& at, bool release);
    void cancelDrag();
    void showLanding(const QPointF& at);
    void selectNeighbour(int direction);

    Session& session_;
    BarsLayout layout_;
    BarsDrag drag_;
    Grip grip_ = Grip::None;
    QPointF pressedAt_;
    Beats pressedBeat_;
    project::ClipId pressedClip_;
    Beats pressedClipAt_;
    std::size_t pressedTrack_ = 0;
    int paintedX_ = -1; // of the play position
};

} // namespace app
