// Bringing clips to a level.
#pragma once

#include "app/session/part.h"
#include "project/levels.h"

#include <vector>

namespace app {

class Levels : public Part {
    Q_OBJECT
  public:
    explicit Levels(const Common& common) : Part(common) {}

    // The selected clips: measured off the interface thread, then one edit.
    void normalise(project::Normalise how);

  private:
    void measured(project::Normalise how, const std::vector<ClipId>& clips, const std::vector<double>& gains);
};

} // namespace app
