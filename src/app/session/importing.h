// Bringing files in: read side by side, placed in their order, heard behind.
#pragma once

#include "app/session/library_desk.h"
#include "app/session/part.h"
#include "app/session/remembered.h"

#include <QStringList>
#include <filesystem>
#include <optional>
#include <vector>

namespace app {

// What an import brought.
struct BroughtIn {
    QString title;
    std::vector<SourceId> sources;
    QStringList problems;                          // files that did not come in, and warnings
    std::vector<std::vector<SourceId>> likelySets; // equally long
    std::optional<SourceId> mayLead;               // the first, where the project was empty before
    bool isAll = false;                            // that is on the page
};

class Importing : public Part {
    Q_OBJECT
  public:
    Importing(const Common& common, LibraryDesk& library, Remembered& remembered);

    // Files, and folders for the audio in them: each on a track of its own, or on the track that is said, one after
    // the other, from `at` on. What is short comes in heard; what is long stands on the page as soon as it is
    // decoded, and is heard behind. Tempo maps among them are handed on by mapComes().
    void bringIn(std::vector<std::filesystem::path> files, std::optional<TrackId> track, Beats at);
    // A clip of a source that is there already, on a track of its own.
    void placeAgain(SourceId source, Beats at);

  signals:
    void mapComes(const std::filesystem::path& file);
    void broughtIn(const BroughtIn& brought);

  private:
    struct Import; // one that is under way
    void readAll(const std::shared_ptr<Import>& import, const std::vector<std::filesystem::path>& files,
                 const base::Progress& progress);
    void onInterface(const std::shared_ptr<Import>& import, std::function<void()> act);
    void place(Import& import, std::size_t file, project::Source source);
    void heardOf(Import& import, std::size_t file, project::Source heard);
    void ended(Import& import, bool cancelled);

    LibraryDesk& library_;
    Remembered& remembered_;
    std::int64_t imports_ = 0;
};

} // namespace app
