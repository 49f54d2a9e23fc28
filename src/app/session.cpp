#include "app/session.h"

#include "app/text.h"
#include "metre/tempo.h"
#include "project/import.h"
#include "project/recovery.h"
#include "project/save.h"
#include "project/settle.h"
#include "sound/tag_file.h"

#include <QStandardPaths>
#include <algorithm>
#include <fmt/format.h>
#include <future>
#include <thread>

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
        autosaveTask_.start<metre::Result<void>>(
            tr("Autosaving"),
            [p = now(), folder = folder_](const sound::Progress&) {
                return project::autosave(p, folder, recoveryFolder());
            },
            [this](const metre::Result<void>& done) {
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

bool Session::edit(const QString& name, metre::Result<project::Project> next, const QString& gesture) {
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

namespace {

struct ImportOutcome {
    QStringList problems;
    QStringList warnings;
    bool cancelled = false;
};

// Reads files side by side and hands each on as soon as those before it are done.
ImportOutcome importAll(const std::vector<fs::path>& files, int rate, const shelf::Memory* memory,
                        const sound::Progress& progress,
                        const std::function<void(project::ImportedSource, std::size_t)>& arrived) {
    using Result = metre::Result<project::ImportedSource>;
    const std::size_t abreast = std::clamp<std::size_t>(std::thread::hardware_concurrency(), 1, 8);
    ImportOutcome out;
    std::vector<std::future<Result>> running;
    std::size_t next = 0;
    for (std::size_t i = 0; i < files.size(); ++i) {
        for (; next < files.size() && next < i + abreast; ++next)
            running.push_back(std::async(std::launch::async, [&, file = files[next]] {
                return project::importFile(file, rate, {}, {{}, progress.stop});
            }));
        Result imported = running[i].get();
        progress.at(double(i + 1) / double(files.size()));
        if (progress.stopped()) {
            out.cancelled = true;
            continue; // the others stop by themselves
        }
        if (!imported) {
            out.problems << qt(imported.error().text);
            continue;
        }
        for (const std::string& w : imported->warnings)
            out.warnings << qt(w);
        if (memory != nullptr)
            if (const auto settled = memory->recall(imported->source.content))
                shelf::recallInto(imported->source, *settled);
        arrived(std::move(*imported), i);
    }
    return out;
}

} // namespace

void Session::bringIn(project::ImportedSource imported, std::optional<TrackId> track, Beats at,
                      const QString& gesture) {
    project::Added added = project::addSources(now(), {std::move(imported.source)});
    auto placed = project::placeSources(added.project, added.ids, track, at);
    if (!placed)
        say(qt(placed.error().text));
    else if (edit(tr("Import"), std::move(placed->project), gesture))
        say(qt(project::toldOf(now(), added.ids.front())));
}

void Session::importFiles(std::vector<fs::path> files, std::optional<TrackId> track, Beats at) {
    if (files.empty() || !isFree()) return;
    const int rate = now().rate;
    const auto count = static_cast<int>(files.size());
    const QString what =
        count == 1 ? tr("Importing %1").arg(qt(sound::shownName(files.front()))) : tr("Importing and listening");
    // All of one import is undone at once.
    const QString gesture = QStringLiteral("import %1").arg(++imports_);
    const auto before = now().sources.size();
    task_.start<ImportOutcome>(
        what,
        [this, files = std::move(files), rate, track, at, gesture, memory = memory_](const sound::Progress& p) {
            bool first = true;
            return importAll(files, rate, memory.get(), p, [&](project::ImportedSource imported, std::size_t) {
                auto one = std::make_shared<project::ImportedSource>(std::move(imported));
                const auto onto = first ? track : std::nullopt;
                first = false;
                QMetaObject::invokeMethod(
                    this, [this, one, onto, at, gesture] { bringIn(std::move(*one), onto, at, gesture); });
            });
        },
        [this, before](const ImportOutcome& out) {
            endGesture();
            QStringList lines = out.problems + out.warnings;
            const QString more = out.cancelled ? tr(" The rest was cancelled.") : QString();
            const project::Project p = now();
            std::vector<ClipId> clips;
            int n = 0;
            for (std::size_t i = before; i < p.sources.size(); ++i, ++n) {
                lines << qt(project::toldOf(p, p.sources[i]->id));
                for (const project::TrackPtr& t : p.tracks)
                    for (const project::Clip& c : t->clips)
                        if (c.source == p.sources[i]->id) clips.push_back(c.id);
            }
            if (n == 0) {
                if (out.cancelled) say(tr("The import was cancelled; nothing came in."));
                if (!lines.isEmpty()) emit told(tr("Nothing came in"), lines, true);
                return;
            }
            select(clips);
            say(n == 1 ? lines.back() + more : tr("%1 sources came in.").arg(n) + more);
            emit broughtIn(tr("%1 came in").arg(n) +
                               (out.problems.isEmpty() ? QString() : tr(", %1 did not").arg(out.problems.size())) +
                               more,
                           lines, !out.problems.isEmpty());
        },
        count);
}

void Session::remember(const project::Project& before) {
    if (!memory_) return;
    for (const project::SourcePtr& s : now().sources) {
        const project::SourcePtr old = project::sourceOf(before, s->id);
        if (!old || old == s || s->content.empty()) continue;
        if (old->beats == s->beats && old->loopBeats == s->loopBeats && old->chosen == s->chosen) continue;
        const auto settled = shelf::settledOf(*s);
        const auto done = settled ? memory_->remember(s->content, *settled) : memory_->forget(s->content);
        if (!done) say(qt(done.error().text));
    }
}

namespace {

struct HeardAgain {
    std::vector<project::Source> sources;
};

} // namespace

void Session::listenAgain(const std::vector<SourceId>& sources, hear::Window window) {
    if (!isFree()) return;
    std::vector<project::Source> copies;
    for (const SourceId id : sources)
        if (const project::SourcePtr s = project::sourceOf(now(), id); s && s->sound) copies.push_back(*s);
    if (copies.empty()) return;
    const auto pieces = static_cast<int>(copies.size());
    const QString what = pieces == 1 ? tr("Listening to %1").arg(qt(copies.front().name)) : tr("Listening again");
    task_.start<HeardAgain>(
        what,
        [copies = std::move(copies), window](const sound::Progress& progress) {
            HeardAgain out;
            const auto n = static_cast<double>(copies.size());
            for (project::Source s : copies) {
                const auto done = static_cast<double>(out.sources.size());
                s.window = window;
                project::listenTo(s, progress.part(done / n, (done + 1) / n));
                if (progress.stopped()) break;
                out.sources.push_back(std::move(s));
            }
            return out;
        },
        [this](const HeardAgain& heard) {
            project::Project p = now();
            for (const project::Source& s : heard.sources)
                if (auto next = project::setHeard(p, s.id, s, true)) p = std::move(*next);
            if (heard.sources.empty() || !edit(tr("Listen again"), p)) return;
            const project::SourcePtr s = project::sourceOf(now(), heard.sources.front().id);
            say(heard.sources.size() > 1 ? tr("Listened to %1 sources again").arg(heard.sources.size())
                : s && s->beats
                    ? tr("%1 is heard at %2 BPM").arg(qt(s->name), qt(metre::tempoLabel(s->beats->meanTempo())))
                    : tr("No beat is heard between these tempos."));
        },
        pieces);
}

void Session::writeIntoFiles(const std::vector<SourceId>& sources) {
    if (!isFree()) return;
    struct Job {
        fs::path file;
        sound::Tags tags;
        sound::LoopInfo loop;
    };
    std::vector<Job> jobs;
    for (const SourceId id : sources) {
        const project::SourcePtr s = project::sourceOf(now(), id);
        if (!s || !s->beats) continue;
        Job job{s->file, {}, {}};
        job.tags.bpm = s->beats->meanTempo();
        if (s->key) {
            job.tags.key = hear::keyTag(*s->key);
            job.loop.rootNote = 60 + s->key->root;
        }
        const auto at = [&](double seconds) {
            return metre::toFrames(metre::Seconds(std::clamp(seconds, 0.0, s->length().value)), s->facts.rate);
        };
        if (const auto beats = s->wholeBeats()) {
            job.loop.bpm = job.tags.bpm;
            job.loop.beats = *beats;
            job.loop.loop = {at(s->beats->secondsAt(Beats(0)).value), at(s->beats->secondsAt(Beats(*beats)).value)};
        }
        jobs.push_back(std::move(job));
    }
    if (jobs.empty()) {
        say(tr("None of these has a tempo to write."));
        return;
    }
    task_.start<QStringList>(
        tr("Writing tempos into files"),
        [jobs](const sound::Progress& progress) {
            QStringList problems;
            for (std::size_t i = 0; i < jobs.size() && !progress.stopped(); ++i) {
                if (const auto done = sound::tagFile(jobs[i].file, jobs[i].tags, jobs[i].loop); !done)
                    problems << qt(done.error().text);
                progress.at(double(i + 1) / double(jobs.size()));
            }
            return problems;
        },
        [this, n = static_cast<int>(jobs.size())](const QStringList& problems) {
            if (!problems.isEmpty()) complain(tr("Some tempos were not written"), problems);
            const int written = n - static_cast<int>(problems.size());
            say(written == 1 ? tr("The tempo was written into one file; its audio is unchanged.")
                             : tr("Tempos were written into %1 files; their audio is unchanged.").arg(written));
        },
        static_cast<int>(jobs.size()));
}

void Session::forgetSettled(const std::vector<SourceId>& sources) {
    if (!memory_) return;
    int forgotten = 0;
    for (const SourceId id : sources)
        if (const project::SourcePtr s = project::sourceOf(now(), id))
            if (memory_->recall(s->content) && memory_->forget(s->content)) ++forgotten;
    say(forgotten == 0 ? tr("Nothing was remembered of these.")
                       : tr("Forgotten what was settled for %1 sources.").arg(forgotten));
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
    task_.start<metre::Result<project::Loaded>>(
        tr("Opening %1").arg(qt(sound::shownName(path))),
        [path](const sound::Progress& p) { return project::loadProject(path, p); },
        [this, path](metre::Result<project::Loaded> loaded) {
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
            say(tr("%1 opened").arg(qt(sound::shownName(folder))));
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
            [p = r.project](const sound::Progress& progress) mutable {
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
    task_.start<metre::Result<project::Project>>(
        tr("Saving %1").arg(qt(sound::shownName(folder))),
        [p = now(), folder](const sound::Progress& progress) {
            return project::saveProject(p, folder, true, progress);
        },
        [this, folder, afterwards = std::move(afterwards),
         version = history_.version()](metre::Result<project::Project> saved) {
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
            say(tr("%1 saved").arg(qt(sound::shownName(folder))));
            if (afterwards) afterwards();
        });
}

void Session::deliver(const deliver::LoopOptions& options, std::vector<deliver::PlannedLoop> plan) {
    if (plan.empty() || !isFree()) return;
    const auto count = static_cast<int>(plan.size());
    task_.start<deliver::Delivered>(
        tr("Delivering %n loops", nullptr, count),
        [p = now(), options, plan = std::move(plan)](const sound::Progress& progress) {
            return deliver::deliverLoops(p, plan, options, progress);
        },
        [this, options, count](const deliver::Delivered& out) {
            const auto n = static_cast<int>(out.written.size());
            QString sentence =
                tr("%1 of %2 loops written to %3").arg(n).arg(count).arg(qt(sound::shownPath(options.folder)));
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
