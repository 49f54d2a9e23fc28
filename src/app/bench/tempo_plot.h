// The tempo as it was played, beat by beat, over the rails and on their time scale: what strays is seen, and pinned
// by a double click. By keys: the arrows go from beat to beat, Enter pins.
#pragma once

#include "app/widgets/spoken.h"
#include "project/played.h"

#include <QWidget>
#include <optional>

namespace app {

class RailsView;

class TempoPlot : public QWidget, public Spoken {
    Q_OBJECT
  public:
    explicit TempoPlot(RailsView& rails, QWidget* parent = nullptr);
    QSize sizeHint() const override { return {300, 40}; }
    QSize minimumSizeHint() const override { return {100, 40}; }

    std::vector<SpokenItem> spoken() override;
    QString spokenCursor() const override;
    QWidget& spokenSurface() override { return *this; }

  protected:
    void paintEvent(QPaintEvent*) override;
    void mouseMoveEvent(QMouseEvent*) override;
    void mouseDoubleClickEvent(QMouseEvent*) override;
    void leaveEvent(QEvent*) override;
    void keyPressEvent(QKeyEvent*) override;
    void focusInEvent(QFocusEvent*) override;
    void focusOutEvent(QFocusEvent*) override;

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

    // The beat under the pointer or the keys.
    const project::PlayedBeat* pointed() const;
    QString told(const project::PlayedBeat& beat) const;
    void pin(const project::PlayedBeat& beat);
    void step(int by);

    RailsView& rails_;
    std::optional<project::PlayedBeat> reached_; // by keys
    double pointer_ = -1;                        // x; negative: none
};

} // namespace app
