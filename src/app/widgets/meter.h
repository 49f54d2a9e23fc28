// Output level: two bars and a figure.
#pragma once

#include <QWidget>
#include <array>

namespace app {

class Meter : public QWidget {
    Q_OBJECT
  public:
    explicit Meter(QWidget* parent = nullptr);
    // Peaks of left and right since last called, as factors; called at every tick.
    void feed(float left, float right);
    QSize sizeHint() const override { return {110, 44}; }

  protected:
    void paintEvent(QPaintEvent*) override;
    void mousePressEvent(QMouseEvent*) override; // forgets that it was over full scale

  private:
    std::array<double, 2> shown_{-120, -120}; // dB, falling
    double highest_ = -120;                   // the figure; falls after a while
    int holdTicks_ = 0;
    bool over_ = false;
};

} // namespace app
