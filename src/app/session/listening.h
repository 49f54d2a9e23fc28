// Listening to sources again, alone or as sets.
#pragma once

#include "app/session/library_desk.h"
#include "app/session/part.h"
#include "app/session/remembered.h"
#include "hear/listen.h"

#include <filesystem>
#include <vector>

namespace app {

class Listening : public Part {
    Q_OBJECT
  public:
    Listening(const Common& common, LibraryDesk& library, Remembered& remembered);

    // Listens to sources again, between these tempos, and uses what then ranks highest.
    void again(const std::vector<SourceId>& sources, hear::Window window);
    // Listens to a source anew, or the sum of its set, as to one that was played so, and uses what is heard.
    void straighten(SourceId source, hear::Playing playing);
    // The selected clips take the feel of a file, which is listened to, off the interface thread. Says why where
    // that cannot be.
    void lendFeel(const std::filesystem::path& file);
    // Keeps sources together as a set: listens to their sum, off the interface thread, then one edit. Says why
    // where that cannot be.
    void makeSet(const std::vector<SourceId>& sources);
    // The sources of the sets that these belong to go their own ways again.
    void partSets(const std::vector<SourceId>& sources);
    // A project that was saved while a source was still listened to has it unheard: that goes on.
    void toWhatWasNotHeard();

  private:
    LibraryDesk& library_;
    Remembered& remembered_;
};

} // namespace app
