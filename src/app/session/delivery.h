// Handing on: files that are delivered, loops for the library or another program, tags of the sources' own files.
#pragma once

#include "app/session/library_desk.h"
#include "app/session/part.h"
#include "app/session/proofs.h"
#include "app/session/remembered.h"
#include "deliver/deliver.h"

#include <filesystem>
#include <functional>
#include <vector>

namespace app {

class Delivery : public Part {
    Q_OBJECT
  public:
    Delivery(const Common& common, const play::Player& player, const Proofs& proofs, Remembered& remembered,
             LibraryDesk& library);

    // Writes what was planned of the project as it is now; its number among the jobs, which say when it has ended.
    // Says of each file when it is done.
    std::int64_t deliver(const deliver::Order& order, std::vector<deliver::Planned> plan);
    // Writes the selected clips as fitted loops into a folder of their own, so that they can be handed to another
    // program, and then calls `ready` with the files.
    void handOut(std::function<void(const std::vector<std::filesystem::path>&)> ready);
    // Writes the selected clips as fitted loops into a folder of the library's own, with tempo, key and beats in
    // their tags, and takes them into it.
    void addToLibrary();
    // Writes tempo, key, and for loops the root note and loop points into the sources' own files.
    void writeIntoFiles(const std::vector<SourceId>& sources);

  signals:
    void fileDone(qint64 job, int file, bool written); // by its place in the plan

  private:
    deliver::Known known() const;

    const play::Player& player_;
    const Proofs& proofs_;
    Remembered& remembered_;
    LibraryDesk& library_;
};

} // namespace app
