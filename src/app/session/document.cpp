#include "app/session/document.h"

#include "app/widgets/text.h"

#include <algorithm>

namespace app {

namespace {

bool sameDocument(const project::Project& a, const project::Project& b) {
    return a.rate == b.rate && a.tempo == b.tempo && a.lead == b.lead && a.metre == b.metre && a.keys == b.keys &&
           a.sections == b.sections && a.rule == b.rule && a.following == b.following && a.snap == b.snap &&
           a.click == b.click && a.clickDb == b.clickDb && a.countIn == b.countIn && a.outputDb == b.outputDb &&
           a.loop == b.loop && a.sources == b.sources && a.tracks == b.tracks;
}

} // namespace

Document::Document(QObject* parent) : QObject(parent), laid_(project::lay(now())) {}

void Document::layOut() {
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
        emit said(qt(next.error().text));
        return false;
    }
    const bool led = next->lead.has_value();
    *next = project::withLead(std::move(*next));
    const bool ends = led && !next->lead;
    if (sameDocument(*next, now())) return true;
    const project::Project before = now();
    const std::int64_t from = history_.version();
    const std::size_t forgotten = history_.forgotten();
    const bool grew = history_.push(std::move(*next), name.toStdString(), gesture);
    if (forgotten == 0 && history_.forgotten() > 0)
        QMetaObject::invokeMethod(
            this,
            [this] {
                emit said(tr("The oldest steps can no longer be taken back: together they took more than %1 MB.")
                              .arg(project::History::mostBytes >> 20));
            },
            Qt::QueuedConnection);
    if (settles) emit settled(history_.version(), grew ? from : -1, before);
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
    emit said(tr("Taken back: %1").arg(name));
}

void Document::redo() {
    if (!history_.canRedo()) return;
    const QString name = qt(history_.redoName());
    history_.redo();
    emit doneAgain(history_.version());
    layOut();
    emit said(tr("Done again: %1").arg(name));
}

void Document::amend(const std::function<void(project::Project&)>& change) {
    history_.amend([&change](project::Project& p) {
        change(p);
        p = project::withLead(std::move(p));
    });
    layOut();
}

void Document::setSnap(metre::Snap snap) {
    amend([snap](project::Project& p) { p = project::setSnap(p, snap); });
}
void Document::setClick(bool on) {
    amend([on](project::Project& p) { p = project::setClick(p, on); });
}
void Document::setLooping(bool on) {
    amend([on](project::Project& p) { p = project::setLooping(p, on); });
}

void Document::amendOrSay(const std::function<base::Result<project::Project>(const project::Project&)>& change) {
    if (const auto tried = change(now()); !tried) {
        emit said(qt(tried.error().text));
        return;
    }
    amend([&change](project::Project& p) {
        if (auto next = change(p)) p = std::move(*next);
    });
}

void Document::setClickGain(double db) {
    amendOrSay([db](const project::Project& p) { return project::setClickGain(p, db); });
}
void Document::setOutputGain(double db) {
    amendOrSay([db](const project::Project& p) { return project::setOutputGain(p, db); });
}
void Document::setCountIn(int bars) {
    amendOrSay([bars](const project::Project& p) { return project::setCountIn(p, bars); });
}
void Document::setTrackHeight(std::optional<TrackId> track, int height) {
    amend([&](project::Project& p) { p = project::setTrackHeight(p, track, height); });
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
    history_ = project::History(std::move(p));
    if (!saved) history_.push(history_.now(), tr("Recover").toStdString());
    folder_ = folder;
    selection_ = {};
    ++generation_;
    ++revision_;
    laid_ = project::lay(now());
    emit opened();
    emit selectionChanged();
    emit changed();
}

void Document::heard(SourceId id, const project::Source& heard) {
    amend([&](project::Project& p) { p = project::withHeard(p, id, heard); });
}

void Document::found(const std::vector<project::Found>& list) {
    amend([&](project::Project& p) { p = project::withFound(p, list); });
}

void Document::saved(std::int64_t version, const std::filesystem::path& folder, const project::Project& asSaved) {
    folder_ = folder;
    std::vector<std::pair<SourceId, std::filesystem::path>> files;
    for (const project::SourcePtr& s : asSaved.sources)
        files.emplace_back(s->id, s->file);
    history_.markSaved(version);
    // Every version of the document learns where its audio lies now.
    amend([&](project::Project& p) { p = project::setFiles(p, files); });
}

} // namespace app
