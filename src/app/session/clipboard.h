// Clips that were copied or cut, kept for pasting into the same document.
#pragma once

#include "app/session/transport.h"

namespace app {

class Clipboard : public Part {
    Q_OBJECT
  public:
    Clipboard(const Common& common, const Transport& transport) : Part(common), transport_(transport) {}

    // The selected clips; pasted at the play position, they are selected.
    void copy();
    void cut();
    void paste();
    bool canPaste() const { return !taken_.empty(); }

  private:
    const Transport& transport_;
    std::vector<project::Taken> taken_;
    std::int64_t takenFrom_ = 0; // the document's generation
};

} // namespace app
