#include "app/session/document.h"

#include "app/widgets/text.h"
#include "project/view.h"

#include <algorithm>

namespace app {

Document::Document(QObject* parent) : QObject(parent), laid_(project::lay(now())) {}

// The present version with what is known of its sources, and as one works with it.
void Document::compose() {
    // What was given to something that was taken back is not given to another: it would be taken for the first.
    const std::int64_t nextId = now_.nextId;
    now_ = recordings_.in({history_.now(), view_});
    now_.nextId = std::max(now_.nextId, nextId);
    if (now_.sources != history_.now().sources) history_.refresh(now_);
}

void Document::layOut() {
    compose();
    laid_ = project::lay(now(), laid_);
    ++revision_;
    keepSelectionValid();
    emit changed();
}

void Document::keepSelectionValid() {
    Selection valid;
    for (const ClipId id : selection_.clips)
        if (laid_->find(id) != nullptr) valid.clips.push_back(id);
    if (selection_.source && project::sourceOf(now(), *selection_.source)) valid.source = selection_.source;
    if (valid == selection_) return;
    selection_ = valid;
    emit selectionChanged();
}

bool Document::push(const QString& name, base::Result<project::Project>&& next, const Gesture& gesture,
                    bool settles) {
    if (!next) {
        emit said(translated(next.error().text));
        return false;
    }
    const bool led = next->lead.has_value();
    *next = project::withLead(std::move(*next));
    const bool ends = led && !next->lead;
    recordings_.learn(*next);
    const bool sameView = next->view == view_;
    view_ = next->view;
    const project::Project before = now();
    if (static_cast<const project::Arrangement&>(*next) == before) {
        if (!sameView) layOut();
        return true;
    }
    const std::int64_t from = history_.version();
    const std::size_t forgotten = history_.forgotten();
    const bool grew = history_.push(std::move(*next), name.toStdString(), gesture);
    if (forgotten == 0 && history_.forgotten() > 0)
        QMetaObject::invokeMethod(
            this,
            [this] {
                emit said(tr("The oldest steps can no longer be undone: together they took more than %1 MB.")
                              .arg(project::History::mostBytes >> 20));
            },
            Qt::QueuedConnection);
    if (settles) {
        compose(); // who is told of it looks at what it is now
        emit settled(history_.version(), grew ? from : -1, before);
    }
    layOut();
    if (ends) // after what is said of the edit itself
        QMetaObject::invokeMethod(
            this, [this] { emit said(tr("What led is gone; the tempo stays as it was.")); }, Qt::QueuedConnection);
    return true;
}

bool Document::edit(const QString& name, base::Result<project::Project> next, const Gesture& gesture) {
    return push(name, std::move(next), gesture, false);
}

bool Document::settle(const QString& name, base::Result<project::Project> next, const Gesture& gesture) {
    return push(name, std::move(next), gesture, true);
}

void Document::undo() {
    if (!history_.canUndo()) return;
    const QString name = qt(history_.undoName());
    const std::int64_t version = history_.version();
    history_.undo();
    emit takenBack(version);
    layOut();
    emit said(tr("Undone: %1").arg(name));
}

void Document::redo() {
    if (!history_.canRedo()) return;
    const QString name = qt(history_.redoName());
    history_.redo();
    emit doneAgain(history_.version());
    layOut();
    emit said(tr("Redone: %1").arg(name));
}

void Document::look(base::Result<project::View> view) {
    if (!view) {
        emit said(translated(view.error().text));
        return;
    }
    if (*view == view_) return;
    view_ = std::move(*view);
    layOut();
}

void Document::setSnap(metre::Snap snap) {
    project::View view = view_;
    view.snap = snap;
    look(std::move(view));
}
void Document::setClick(bool on) {
    project::View view = view_;
    view.click = on;
    look(std::move(view));
}
void Document::setLooping(bool on) {
    project::View view = view_;
    view.looping = on;
    look(std::move(view));
}
void Document::setClickGain(double db) {
    look(project::setClickGain(view_, db));
}
void Document::setOutputGain(double db) {
    look(project::setOutputGain(view_, db));
}
void Document::setCountIn(int bars) {
    look(project::setCountIn(view_, bars));
}
void Document::setTrackHeight(std::optional<TrackId> track, int height) {
    std::vector<TrackId> tracks;
    for (const project::TrackPtr& t : now().tracks)
        if (!track || t->id == *track) tracks.push_back(t->id);
    look(project::setTrackHeights(view_, tracks, height));
}

void Document::select(std::vector<ClipId> clips) {
    Selection next{std::move(clips), {}};
    for (const ClipId id : next.clips) {
        const project::LaidClip* clip = laid_->find(id);
        if (clip == nullptr) continue;
        if (next.source && *next.source != clip->clip->source) {
            next.source.reset();
            break;
        }
        next.source = clip->clip->source;
    }
    if (next == selection_) return;
    selection_ = std::move(next);
    emit selectionChanged();
}

void Document::selectSource(SourceId source) {
    Selection next{{}, source};
    if (next == selection_) return;
    selection_ = std::move(next);
    emit selectionChanged();
}

std::vector<ClipId> Document::selectedOrAllClips() const {
    return selection_.clips.empty() ? project::allClips(now()) : selection_.clips;
}

void Document::replace(project::Project p, const std::filesystem::path& folder, bool saved) {
    now_ = {};
    recordings_ = {};
    recordings_.learn(p);
    view_ = savedView_ = p.view;
    savedRecordings_ = recordings_.revision();
    history_ = project::History(std::move(p));
    if (!saved) history_.push(history_.now(), tr("Recover").toStdString());
    folder_ = folder;
    selection_ = {};
    ++generation_;
    ++revision_;
    compose();
    laid_ = project::lay(now());
    emit opened();
    emit selectionChanged();
    emit changed();
}

bool Document::isUnsaved() const {
    return history_.isChanged() || recordings_.revision() != savedRecordings_ || view_ != savedView_;
}

Snapshot Document::snapshot() const {
    return {now_, folder_, generation_, history_.version(), recordings_.revision(), revision_};
}

bool Document::accept(const Snapshot& taken, const project::Patch& patch) {
    if (!isOf(taken)) return false;
    recordings_.take(patch);
    layOut();
    return true;
}

void Document::saved(const Snapshot& taken, const std::filesystem::path& folder, const project::Project& asSaved) {
    if (!isOf(taken)) return;
    folder_ = folder;
    history_.markSaved(taken.arrangement);
    savedView_ = taken.project.view;
    project::Patch moved;
    for (const project::SourcePtr& s : asSaved.sources)
        if (const project::SourcePtr was = project::sourceOf(taken.project, s->id); was && was->file != s->file)
            moved.push_back({.source = s->id, .file = s->file});
    const bool knewAll = taken.recordings == recordings_.revision();
    recordings_.take(moved);
    if (knewAll) savedRecordings_ = recordings_.revision();
    layOut();
}

} // namespace app
