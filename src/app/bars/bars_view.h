// The page Bars: ruler, tempo lane, tracks and clips, under the hand.
#pragma once

#include "app/bars/bars_layout.h"
#include "app/bars/bars_paint.h"
#include "app/bars/bars_tool.h"
#include "app/window/commands.h"

#include <QAbstractScrollArea>
#include <QElapsedTimer>
#include <memory>

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

  signals:
    void menuAsked(Offer place, const QPoint& at); // on the screen

  protected:
    void contextMenuEvent(QContextMenuEvent*) override;
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
    const project::LaidClip* clipAt(const QPointF& at) const;
    bool pressHeader(const QPointF& at);
    void freshAfterPause();
    void turnGain(std::size_t track, int steps, bool fine);
    void updateScrollBars();
    void followPlayPosition();
    void cancelDrag();
    void showLanding(const QPointF& at);
    void selectNeighbour(int direction);

    Session& session_;
    BarsLayout layout_;
    BarsDrag drag_;
    std::unique_ptr<BarsTool> tool_; // while a button is held
    QPointF pressedAt_;
    bool moved_ = false;
    std::int64_t press_ = 0; // a fresh number for each press, and for each turn of a wheel after a pause
    QElapsedTimer lastTurn_;
    int wheel_ = 0;     // eighths of a degree not yet turned
    int paintedX_ = -1; // of the play position
};

} // namespace app
