// One source as recorded: ruler in seconds, its sound, its attacks and its beat lines.
#pragma once

#include "project/project.h"

#include <QWidget>

namespace app {

class SourceView : public QWidget {
    Q_OBJECT
  public:
    explicit SourceView(QWidget* parent = nullptr);
    void show(project::SourcePtr source, int rate);

  signals:
    void downbeatAsked(double seconds); // by double click, on the attack next to it

  protected:
    void paintEvent(QPaintEvent*) override;
    void mouseDoubleClickEvent(QMouseEvent*) override;

  private:
    double xOf(double seconds) const;

    project::SourcePtr source_;
    int rate_ = 48000;
};

} // namespace app
