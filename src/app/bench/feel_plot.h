// How the recording plays around its beats: the bar's places across, milliseconds up, each hit a faint point and
// the median of each place a mark. The arrows go from place to place.
#pragma once

#include "app/widgets/spoken.h"
#include "hear/feel.h"
#include "project/project.h"

#include <QWidget>
#include <optional>
#include <vector>

namespace app {

class FeelPlot : public QWidget, public Spoken {
    Q_OBJECT
  public:
    explicit FeelPlot(QWidget* parent = nullptr);
    void show(const project::SourcePtr& source);
    QSize sizeHint() const override { return {200, 74}; }
    QSize minimumSizeHint() const override { return {120, 74}; }

    std::vector<SpokenItem> spoken() override;
    QString spokenCursor() const override;
    QWidget& spokenSurface() override { return *this; }

  protected:
    void paintEvent(QPaintEvent*) override;
    bool event(QEvent*) override;
    void keyPressEvent(QKeyEvent*) override;
    void focusInEvent(QFocusEvent*) override;
    void focusOutEvent(QFocusEvent*) override;

  private:
    struct Point {
        int place = 0;
        double late = 0; // ms
    };
    QRectF field() const;
    double x(double place) const;
    double y(double ms) const;
    void paintGrid(QPainter& p) const;
    QString told(const hear::FeelPlace& place) const;

    project::SourcePtr source_;
    std::optional<hear::Feel> feel_;
    QString why_;                        // there is none
    std::optional<std::size_t> reached_; // of the places, by keys
    std::vector<Point> hits_;
    double most_ = 10; // ms, at the upper edge
};

} // namespace app
