// How the recording plays around its beats: the bar's places across, milliseconds up, each hit a faint point and
// the median of each place a mark.
#pragma once

#include "hear/feel.h"
#include "project/project.h"

#include <QWidget>
#include <optional>
#include <vector>

namespace app {

class FeelPlot : public QWidget {
    Q_OBJECT
  public:
    explicit FeelPlot(QWidget* parent = nullptr);
    void show(const project::SourcePtr& source);
    QSize sizeHint() const override { return {200, 74}; }
    QSize minimumSizeHint() const override { return {120, 74}; }

  protected:
    void paintEvent(QPaintEvent*) override;
    bool event(QEvent*) override;

  private:
    struct Point {
        int place = 0;
        double late = 0; // ms
    };
    QRectF field() const;
    double x(double place) const;
    double y(double ms) const;
    void paintGrid(QPainter& p) const;

    project::SourcePtr source_;
    std::optional<hear::Feel> feel_;
    QString why_; // there is none
    std::vector<Point> hits_;
    double most_ = 10; // ms, at the upper edge
};

} // namespace app
