// The sound of sources: at the project's rate, found again where it is missing, parted, kept on disk.
#pragma once

#include "app/session/part.h"

#include <filesystem>

namespace app {

class Sounds : public Part {
    Q_OBJECT
  public:
    explicit Sounds(const Common& common) : Part(common) {}

    // Reads all audio anew at another rate, and plays at it.
    void setRate(int rate);
    // Looks in a folder, and all within it, for the audio that is missing: by what it sounds like, whatever it is
    // called now.
    void findMissing(const std::filesystem::path& folder);
    // Makes the part that the selected clip plays a recording of its own, in the project's folder, and lets the
    // clip play that; the source stays whole.
    void extractPart();
    // Removes what was decoded and fitted from the disk; what is in use is heard as before.
    void emptyStore();
    // After each change of the document: a source that came in, or was found, while the rate was changed is there
    // at the rate of before, and is read anew. What could not be read is not tried again until something else comes
    // in, or the rate is changed.
    void readAtRate();
    // Another document takes the place of this one.
    void begin() { readingAtRate_ = false; }
    // To be called often: what could not be read from the disk any more is silent, and is said once.
    void watch();

  private:
    bool readingAtRate_ = false;
    std::int64_t unread_ = 0; // pages of the store
};

} // namespace app
