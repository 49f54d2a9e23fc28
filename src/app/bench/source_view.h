// One source as recorded: ruler in seconds, its sound, its attacks and its beat lines.
#pragma once

#include "project/project.h"

#include <QWidget>
#include <utility>

class QPainter;

namespace app {

class SourceView : public QWidget {
    Q_OBJECT
  public:
    explicit SourceView(QWidget* parent = nullptr);
    void show(project::SourcePtr source, int rate);
    // Where it is being played as recorded; negative: it is not.
    void showPosition(double seconds);

    // The press that is under way, or was last: a fresh number for each.
    std::int64_t press() const { return press_; }

  signals:
    void downbeatAsked(double seconds);      // by double click, on the attack next to it
    void marksAsked(double from, double to); // by dragging a mark in the ruler

  protected:
    void paintEvent(QPaintEvent*) override;
    void mouseDoubleClickEvent(QMouseEvent*) override;
    void mousePressEvent(QMouseEvent*) override;
    void mouseMoveEvent(QMouseEvent*) override;
    void mouseReleaseEvent(QMouseEvent*) override;

  private:
    double xOf(double seconds) const;
    double secondsAt(double x) const; // on the attack within reach, if there is one
    std::pair<double, double> marks() const;
    void paintMarks(QPainter& p) const;

    project::SourcePtr source_;
    int rate_ = 48000;
    std::int64_t press_ = 0;
    int dragged_ = 0; // 1: the first mark, 2: the second
    std::pair<double, double> dragging_;
    double position_ = -1;
};

} // namespace app
