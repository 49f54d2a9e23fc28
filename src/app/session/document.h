// The document that the window works on: its history, how it is laid out, and what is selected.
#pragma once

#include "project/arriving.h"
#include "project/edit_arrange.h"
#include "project/edit_clips.h"
#include "project/edit_sources.h"
#include "project/edit_time.h"
#include "project/edit_tracks.h"
#include "project/history.h"
#include "project/laid.h"
#include "project/lead.h"
#include "project/missing.h"

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

class Document : public QObject {
    Q_OBJECT
  public:
    explicit Document(QObject* parent = nullptr);

    // Valid until the next edit: whoever edits and reads on takes a copy, which is cheap.
    const project::Project& now() const { return history_.now(); }
    const project::LaidPtr& laid() const { return laid_; }
    const project::History& history() const { return history_; }
    const Selection& selection() const { return selection_; }
    const std::filesystem::path& folder() const { return folder_; } // empty until saved
    // Counts up with every change, also with those that undo leaves alone.
    std::int64_t revision() const { return revision_; }
    // Which document this is: counts up when another takes its place.
    std::int64_t generation() const { return generation_; }

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
    // What was heard of a source after it was placed, in every version.
    void heard(SourceId id, const project::Source& heard);
    // Audio that was missing is there again, in every version.
    void found(const std::vector<project::Found>& found);
    // It was saved, as it was in that version, into that folder, where files of its sources lie now.
    void saved(std::int64_t version, const std::filesystem::path& folder, const project::Project& asSaved);

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
    void amend(const std::function<void(project::Project&)>& change);
    void amendOrSay(const std::function<base::Result<project::Project>(const project::Project&)>& change);
    void layOut();
    void keepSelectionValid();

    project::History history_;
    project::LaidPtr laid_;
    Selection selection_;
    std::filesystem::path folder_;
    std::int64_t revision_ = 0;
    std::int64_t generation_ = 0;
};

} // namespace app
