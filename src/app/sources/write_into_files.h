// The question before tempos are written into files: nothing else ever changes a source.
#pragma once

#include "project/project.h"

#include <vector>

class QWidget;

namespace app {

class Session;

// Asks over `parent`, and has tempo, key and beats of these sources written into their files if that is wanted.
void askToWriteIntoFiles(QWidget* parent, Session& session, const std::vector<project::SourceId>& sources);

} // namespace app
