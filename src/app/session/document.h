// The document that the window works on: its history, how it is laid out, and what is selected.
#pragma once

#include "project/edit_arrange.h"
#include "project/edit_clips.h"
#include "project/edit_sources.h"
#include "project/edit_time.h"
#include "project/edit_tracks.h"
#include "project/history.h"
#include "project/laid.h"
#include "project/lead.h"
#include "project/recordings.h"

#include <QObject>
#include <filesystem>
#include <optional>
#include <vector>

namespace app {

using metre::Beats;
using metre::Bpm;
using project::ClipId;
using project::Gesture;
using project::SourceId;
using project::TrackId;

// What is selected: clips on the page, or a source on the shelf.
struct Selection {
    std::vector<ClipId> clips;
    std::optional<SourceId> source; // of the single selected clip, or as picked on the shelf
    bool operator==(const Selection&) const = default;
};

// The document as somebody took it away to work with, off the interface thread. What comes of that work is handed
// back with it, and is taken as far as it still fits.
struct Snapshot {
    project::Project project;
    std::filesystem::path folder;
    std::int64_t document = 0;    // which one it is of
    std::int64_t arrangement = 0; // which versions of its parts
    std::int64_t recordings = 0;
    std::int64_t revision = 0;
};

class Document : public QObject {
    Q_OBJECT
  public:
    explicit Document(QObject* parent = nullptr);

    // Valid until the next edit: whoever edits and reads on takes a copy, which is cheap.
    const project::Project& now() const { return now_; }
    const project::LaidPtr& laid() const { return laid_; }
    const project::History& history() const { return history_; }
    const Selection& selection() const { return selection_; }
    const std::filesystem::path& folder() const { return folder_; } // empty until saved
    // Counts up with every change, also with those that undo leaves alone.
    std::int64_t revision() const { return revision_; }
    // Which document this is: counts up when another takes its place.
    std::int64_t generation() const { return generation_; }
    // Whether something of it would be lost with it: what was decided, found out, or set for working.
    bool isUnsaved() const;

    Snapshot snapshot() const;
    bool isOf(const Snapshot& taken) const { return taken.document == generation_; }
    // What late work found out of sources, in every version, and no step of undo. Refused, false, where it was
    // begun for another document; of a source that is gone, nothing is taken.
    bool accept(const Snapshot& taken, const project::Patch& patch);

    // Makes an edit, as a step of undo, or says why it cannot be. An edit that changes nothing is no step. Edits of
    // one gesture, one after the other, are undone at once.
    bool edit(const QString& name, base::Result<project::Project> next, const Gesture& gesture = {});
    // The same of an edit by which the user says what a source is: it is to be remembered.
    bool settle(const QString& name, base::Result<project::Project> next, const Gesture& gesture = {});
    void endGesture() { history_.endGesture(); }
    void undo();
    void redo();

    // What undo leaves alone.
    void setSnap(metre::Snap snap);
    void setClick(bool on);
    void setLooping(bool on);
    void setClickGain(double db); // says why, where it cannot be
    void setOutputGain(double db);
    void setCountIn(int bars);
    void setTrackHeight(std::optional<TrackId> track, int height); // none: of all

    void select(std::vector<ClipId> clips);
    void selectSource(SourceId source);
    std::vector<ClipId> selectedOrAllClips() const;

    // Another document in the place of this one; `saved`: as it lies in its folder.
    void replace(project::Project p, const std::filesystem::path& folder, bool saved);
    // It was saved as it was then, into that folder, where files of its sources lie now. Nothing where it is
    // another document meanwhile.
    void saved(const Snapshot& taken, const std::filesystem::path& folder, const project::Project& asSaved);
    // Sources whose sound is known, but at another rate than the project's: they are silent until it is read.
    std::vector<project::SourcePtr> toRead() const { return recordings_.toReadIn(now_); }

  signals:
    void changed();
    void selectionChanged();
    void opened(); // another document
    void said(const QString& sentence);
    // What the user settled, as a version of its own; `from`: the version whose step it is part of, or −1.
    void settled(qint64 version, qint64 from, const project::Project& before);
    void takenBack(qint64 version); // a step, by undo
    void doneAgain(qint64 version);

  private:
    bool push(const QString& name, base::Result<project::Project>&& next, const Gesture& gesture, bool settles);
    void look(base::Result<project::View> view);
    void compose();
    void layOut();
    void keepSelectionValid();

    project::History history_;
    project::Recordings recordings_;
    project::View view_;
    project::Project now_; // composed of the three
    project::LaidPtr laid_;
    Selection selection_;
    std::filesystem::path folder_;
    std::int64_t revision_ = 0;
    std::int64_t generation_ = 0;
    std::int64_t savedRecordings_ = 0;
    project::View savedView_;
};

} // namespace app
