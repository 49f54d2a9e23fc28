// What the window works on: the document with its history, the selection, the player, and long work.
#pragma once

#include "app/session/task.h"
#include "deliver/loops.h"
#include "play/player.h"
#include "project/edit.h"
#include "project/history.h"
#include "project/import.h"
#include "shelf/memory.h"

#include <QObject>
#include <QStringList>
#include <QTimer>
#include <filesystem>
#include <memory>
#include <optional>
#include <vector>

namespace app {

using metre::Beats;
using metre::Bpm;
using project::ClipId;
using project::SourceId;
using project::TrackId;

// What is selected: clips on the page, or a source on the shelf.
struct Selection {
    std::vector<ClipId> clips;
    std::optional<SourceId> source; // of the single selected clip, or as picked on the shelf
    bool operator==(const Selection&) const = default;
};

class Session : public QObject {
    Q_OBJECT
  public:
    explicit Session(play::OpenedOutput output, QObject* parent = nullptr);
    ~Session() override;

    // Valid until the next edit: whoever edits and reads on takes a copy, which is cheap.
    const project::Project& now() const { return history_.now(); }
    const project::History& history() const { return history_; }
    play::Player& player() { return *player_; }
    Task& task() { return task_; }
    const Selection& selection() const { return selection_; }
    const std::filesystem::path& folder() const { return folder_; } // empty until saved
    QString outputTold() const { return outputTold_; }

    // Makes an edit, or says why it cannot be. Edits with the same gesture, one after the other, are undone at
    // once.
    bool edit(const QString& name, base::Result<project::Project> next, const QString& gesture = {});
    void endGesture() { history_.endGesture(); }
    void amend(const std::function<void(project::Project&)>& change);
    void undo();
    void redo();

    void select(std::vector<ClipId> clips);
    void selectSource(SourceId source);
    std::vector<ClipId> selectedOrAllClips() const;

    void togglePlay();
    void stop(); // a second stop goes back to the beginning
    void locate(Beats to);

    // Long work; each says in the end what it did. One at a time: refused, in words, while another runs.
    void importFiles(std::vector<std::filesystem::path> files, std::optional<TrackId> track, Beats at);
    void open(const std::filesystem::path& path);
    void save(const std::filesystem::path& folder, std::function<void()> afterwards = {});
    void deliver(const deliver::LoopOptions& options, std::vector<deliver::PlannedLoop> plan);
    void startNew();
    void recover(const std::filesystem::path& autosaved);
    // Listens to sources again, between these tempos, and uses what then ranks highest.
    void listenAgain(const std::vector<SourceId>& sources, hear::Window window);
    // Writes tempo, key, and for loops the root note and loop points into the sources' own files.
    void writeIntoFiles(const std::vector<SourceId>& sources);
    // No longer remembers what was settled for these.
    void forgetSettled(const std::vector<SourceId>& sources);

    void say(const QString& sentence);                             // the status line
    void complain(const QString& title, const QStringList& lines); // the message bar

    static std::filesystem::path recoveryFolder();

  signals:
    void changed(); // the document
    void selectionChanged();
    void rendered(); // what is heard, or how much of it is ready
    void ticked();   // about 60 times a second while playing, else a few times
    void said(const QString& sentence);
    void told(const QString& title, const QStringList& lines, bool isProblem);
    // What an import brought, a line a file; `problem` when something did not come in.
    void broughtIn(const QString& title, const QStringList& lines, bool isProblem);
    void opened(); // another document

  private:
    void documentChanged();
    void bringIn(project::ImportedSource imported, std::optional<TrackId> track, Beats at, const QString& gesture);
    void remember(const project::Project& before);
    void tick();
    bool isFree();
    void replaceDocument(project::Project p, const std::filesystem::path& folder, bool saved);
    void keepSelectionValid();

    project::History history_;
    Selection selection_;
    std::filesystem::path folder_;
    QString outputTold_;
    QTimer timer_;
    QTimer autosaveTimer_;
    bool unsavedSinceAutosave_ = false;
    std::size_t lastPending_ = 0;
    std::unique_ptr<play::Player> player_;
    std::shared_ptr<shelf::Memory> memory_; // null where it could not be opened
    std::int64_t imports_ = 0;
    Task autosaveTask_;
    Task task_; // last: ends before what it uses
};

} // namespace app
