// The figures of a recording: its tempo, beats, first downbeat and key, for all its clips.
#pragma once

#include "project/project.h"

#include <QWidget>

namespace app {

class Figure;
class Session;

class SourceFigures : public QWidget {
    Q_OBJECT
  public:
    explicit SourceFigures(Session& session, QWidget* parent = nullptr);
    // A null source: with several of them selected, those; else none.
    void show(const project::SourcePtr& source);

  private:
    void connectTempo();
    void connectOthers();
    void turnTempo(int steps, bool fine);
    std::vector<project::SourceId> sources() const;

    Session& session_;
    project::SourcePtr source_;
    Figure* tempo_;
    Figure* beats_;
    Figure* downbeat_;
    Figure* key_;
};

} // namespace app
