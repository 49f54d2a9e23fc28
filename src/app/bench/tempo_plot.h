// The tempo as it was played, beat by beat, over the rails and on their time scale: what strays is seen, and pinned
// by a double click.
#pragma once

#include <QWidget>

namespace app {

class RailsView;

class TempoPlot : public QWidget {
    Q_OBJECT
  public:
    explicit TempoPlot(RailsView& rails, QWidget* parent = nullptr);
    QSize sizeHint() const override { return {300, 40}; }
    QSize minimumSizeHint() const override { return {100, 40}; }

  protected:
    void paintEvent(QPaintEvent*) override;
    void mouseMoveEvent(QMouseEvent*) override;
    void mouseDoubleClickEvent(QMouseEvent*) override;
    void leaveEvent(QEvent*) override;

  private:
    struct Range {
        double low = 60;
        double high = 120;
    };
    Range range() const;
    double y(double bpm, Range range) const;
    void paintPlayed(QPainter& p, Range r) const;
    void paintWords(QPainter& p, Range r) const;
    void paintPointed(QPainter& p, Range r) const;

    RailsView& rails_;
    double pointer_ = -1; // x; negative: none
};

} // namespace app
