#include "app/session/session.h"

#include "app/widgets/text.h"
#include "base/utf8.h"
#include "project/recovery.h"
#include "project/save.h"

#include <QStandardPaths>
#include <algorithm>
#include <fmt/format.h>

namespace app {

namespace fs = std::filesystem;

Session::Session(play::OpenedOutput output, QObject* parent) : QObject(parent), outputTold_(qt(output.told)) {
    player_ = std::make_unique<play::Player>(std::move(output.output),
                                             [this] { QMetaObject::invokeMethod(this, [this] { tick(); }); });
    if (!player_->outputProblem().empty()) outputTold_ = qt(player_->outputProblem());
    player_->setProject(now());
    if (auto memory = shelf::Memory::open(shelf::memoryFile()))
        memory_ = std::move(*memory);
    else
        QMetaObject::invokeMethod(
            this, [this, text = qt(memory.error().text)] { say(text); }, Qt::QueuedConnection);
    connect(&timer_, &QTimer::timeout, this, &Session::tick);
    timer_.start(16);
    connect(&autosaveTimer_, &QTimer::timeout, this, [this] {
        if (!unsavedSinceAutosave_ || autosaveTask_.isRunning()) return;
        unsavedSinceAutosave_ = false;
        autosaveTask_.start<base::Result<void>>(
            tr("Autosaving"),
            [p = now(), folder = folder_](const base::Progress&) {
                return project::autosave(p, folder, recoveryFolder());
            },
            [this](const base::Result<void>& done) {
                if (!done) say(qt(done.error().text));
            });
    });
    autosaveTimer_.start(10'000);
}

Session::~Session() {
    task_.cancel();
    autosaveTimer_.stop();
    player_->stop();
    player_.reset(); // first: its workers call back into this
    project::removeAutosave(project::autosaveFile(recoveryFolder()));
}

fs::path Session::recoveryFolder() {
    const QByteArray base = QStandardPaths::writableLocation(QStandardPaths::AppDataLocation).toLocal8Bit();
    return fs::path(base.toStdString()) / "recovery";
}

void Session::say(const QString& sentence) {
    emit said(sentence);
}
void Session::complain(const QString& title, const QStringList& lines) {
    emit told(title, lines, true);
}

void Session::documentChanged() {
    keepSelectionValid();
    unsavedSinceAutosave_ = history_.isChanged();
    player_->setProject(now());
    emit changed();
    emit rendered();
}

void Session::keepSelectionValid() {
    Selection valid;
    for (const ClipId id : selection_.clips)
        if (project::clipOf(now(), id) != nullptr) valid.clips.push_back(id);
    if (selection_.source && project::sourceOf(now(), *selection_.source)) valid.source = selection_.source;
    if (valid == selection_) return;
    selection_ = valid;
    emit selectionChanged();
}

bool Session::edit(const QString& name, base::Result<project::Project> next, const QString& gesture) {
    if (!next) {
        say(qt(next.error().text));
        return false;
    }
    const project::Project before = now();
    history_.push(std::move(*next), name.toStdString(), gesture.toStdString());
    remember(before);
    documentChanged();
    return true;
}

void Session::amend(const std::function<void(project::Project&)>& change) {
    history_.amend(change);
    player_->setProject(now());
    emit changed();
}

void Session::undo() {
    if (!history_.canUndo()) return;
    const QString name = qt(history_.undoName());
    const project::Project before = now();
    history_.undo();
    remember(before);
    documentChanged();
    say(tr("Taken back: %1").arg(name));
}

void Session::redo() {
    if (!history_.canRedo()) return;
    const QString name = qt(history_.redoName());
    const project::Project before = now();
    history_.redo();
    remember(before);
    documentChanged();
    say(tr("Done again: %1").arg(name));
}

void Session::select(std::vector<ClipId> clips) {
    Selection next{std::move(clips), {}};
    for (const ClipId id : next.clips) {
        const project::Clip* clip = project::clipOf(now(), id);
        if (clip == nullptr) continue;
        if (next.source && *next.source != clip->source) {
            next.source.reset();
            break;
        }
        next.source = clip->source;
    }
    if (next == selection_) return;
    selection_ = std::move(next);
    emit selectionChanged();
}

void Session::selectSource(SourceId source) {
    Selection next{{}, source};
    if (next == selection_) return;
    selection_ = std::move(next);
    emit selectionChanged();
}

std::vector<ClipId> Session::selectedOrAllClips() const {
    return selection_.clips.empty() ? project::allClips(now()) : selection_.clips;
}

void Session::togglePlay() {
    if (player_->isPlaying()) {
        player_->stop();
    } else {
        if (!player_->output().isAlive()) {
            play::OpenedOutput opened = play::openOutput(now().rate);
            outputTold_ = qt(opened.told);
            player_->replaceOutput(std::move(opened.output));
            say(tr("The sound device had gone; %1").arg(qt(player_->output().description())));
        }
        player_->play();
    }
    emit ticked();
}

void Session::stop() {
    if (player_->isPlaying())
        player_->stop();
    else
        locate(now().loop.on ? now().loop.from : Beats(0));
    emit ticked();
}

void Session::locate(Beats to) {
    player_->locate(std::max(to, now().metre.startOfBar(-3)));
    emit ticked();
}

void Session::tick() {
    player_->tick();
    const std::size_t pending = player_->pendingRenders();
    if (pending != lastPending_) {
        lastPending_ = pending;
        emit rendered();
    }
    emit ticked();
}

bool Session::isFree() {
    if (!task_.isRunning()) return true;
    say(tr("%1 is still under way; wait for it or cancel it.").arg(task_.what()));
    return false;
}

void Session::replaceDocument(project::Project p, const fs::path& folder, bool saved) {
    player_->stop();
    history_ = project::History(std::move(p));
    if (!saved) history_.push(history_.now(), tr("Recover").toStdString());
    folder_ = folder;
    selection_ = {};
    player_->setProject(now());
    player_->locate(Beats(0));
    emit opened();
    emit selectionChanged();
    documentChanged();
}

void Session::startNew() {
    if (isFree()) replaceDocument({}, {}, true);
}

void Session::open(const fs::path& path) {
    if (!isFree()) return;
    task_.start<base::Result<project::Loaded>>(
        tr("Opening %1").arg(qt(base::shownName(path))),
        [path](const base::Progress& p) { return project::loadProject(path, p); },
        [this, path](base::Result<project::Loaded> loaded) {
            if (!loaded) {
                if (loaded.error().cancelled)
                    say(tr("Opening was cancelled."));
                else
                    complain(tr("The project was not opened"), {qt(loaded.error().text)});
                return;
            }
            std::error_code error;
            fs::path folder = fs::absolute(path, error);
            if (!fs::is_directory(folder, error)) folder = folder.parent_path();
            replaceDocument(std::move(loaded->project), folder, true);
            say(tr("%1 opened").arg(qt(base::shownName(folder))));
            QStringList lines;
            for (const std::string& w : loaded->warnings)
                lines << qt(w);
            if (!lines.isEmpty()) complain(tr("The project opened, but not all of its audio"), lines);
        });
}

void Session::recover(const fs::path& autosaved) {
    if (!isFree()) return;
    for (project::Recovery& r : project::findRecoveries(recoveryFolder())) {
        if (r.file != autosaved) continue;
        using Recovered = std::pair<project::Project, std::vector<std::string>>;
        task_.start<Recovered>(
            tr("Recovering"),
            [p = r.project](const base::Progress& progress) mutable {
                auto warnings = project::loadAudio(p, progress);
                return Recovered{std::move(p), std::move(warnings)};
            },
            [this, file = r.file, folder = r.projectFolder](Recovered recovered) {
                replaceDocument(std::move(recovered.first), folder, false);
                project::removeAutosave(file);
                say(tr("Recovered. Save it to keep it."));
                QStringList lines;
                for (const std::string& w : recovered.second)
                    lines << qt(w);
                if (!lines.isEmpty()) complain(tr("Recovered, but not all of its audio"), lines);
            });
        return;
    }
}

void Session::save(const fs::path& folder, std::function<void()> afterwards) {
    if (!isFree()) return;
    task_.start<base::Result<project::Project>>(
        tr("Saving %1").arg(qt(base::shownName(folder))),
        [p = now(), folder](const base::Progress& progress) {
            return project::saveProject(p, folder, true, progress);
        },
        [this, folder, afterwards = std::move(afterwards),
         version = history_.version()](base::Result<project::Project> saved) {
            if (!saved) {
                if (saved.error().cancelled)
                    say(tr("Saving was cancelled."));
                else
                    complain(tr("The project was not saved"), {qt(saved.error().text)});
                return;
            }
            folder_ = folder;
            // Sources now lie in the project's folder; every version of the document learns it.
            history_.amend([&](project::Project& p) {
                for (project::SourcePtr& s : p.sources)
                    if (const project::SourcePtr now = project::sourceOf(*saved, s->id);
                        now && now->file != s->file) {
                        project::Source moved = *s;
                        moved.file = now->file;
                        s = std::make_shared<const project::Source>(std::move(moved));
                    }
            });
            history_.markSaved(version);
            unsavedSinceAutosave_ = history_.isChanged();
            project::removeAutosave(project::autosaveFile(recoveryFolder()));
            emit changed();
            say(tr("%1 saved").arg(qt(base::shownName(folder))));
            if (afterwards) afterwards();
        });
}

void Session::deliver(const deliver::LoopOptions& options, std::vector<deliver::PlannedLoop> plan) {
    if (plan.empty() || !isFree()) return;
    const auto count = static_cast<int>(plan.size());
    task_.start<deliver::Delivered>(
        tr("Delivering %n loops", nullptr, count),
        [p = now(), options, plan = std::move(plan)](const base::Progress& progress) {
            return deliver::deliverLoops(p, plan, options, progress);
        },
        [this, options, count](const deliver::Delivered& out) {
            const auto n = static_cast<int>(out.written.size());
            QString sentence =
                tr("%1 of %2 loops written to %3").arg(n).arg(count).arg(qt(base::shownPath(options.folder)));
            if (out.clipped > 0)
                sentence += tr(" · %1 samples were above full scale and were cut").arg(out.clipped);
            say(sentence);
            QStringList lines;
            for (const std::string& p : out.problems)
                lines << qt(p);
            if (!lines.isEmpty()) complain(sentence, lines);
        });
}

} // namespace app
