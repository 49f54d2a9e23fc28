#include "app/session/session.h"

#include "app/widgets/landing_mark.h"
#include "app/widgets/text.h"
#include "base/safe_file.h"
#include "base/user_folders.h"
#include "base/utf8.h"
#include "metre/snap.h"
#include "project/pins.h"
#include "project/recovery.h"
#include "project/save.h"

#include <algorithm>

namespace app {

namespace fs = std::filesystem;

namespace {

constexpr std::int64_t mostStored = std::int64_t(20) << 30; // bytes of decoded and rendered audio on disk

} // namespace

Session::Session(play::OpenedOutput output, QObject* parent)
    : QObject(parent), autosave_(document_), remembered_(document_), preferences_(loadPreferences()),
      outputTold_(qt(output.told)) {
    store_ = std::make_unique<sound::AudioStore>(base::cacheFolder() / "audio", mostStored);
    player_ = std::make_unique<play::Player>(
        std::move(output.output), [this] { mailbox_.post([this] { tick(); }); }, store_.get());
    if (!player_->outputProblem().empty()) outputTold_ = qt(player_->outputProblem());
    player_->setProject(laid());
    library_ = std::make_unique<LibraryDesk>(jobs_, remembered_.memory());
    audition_ = std::make_unique<Audition>(*player_, *library_, *store_);
    audition_->setWays(preferences_.audition);
    connect(audition_.get(), &Audition::changed, this, [this] {
        if (preferences_.audition == audition_->ways()) return;
        Preferences p = preferences_;
        p.audition = audition_->ways();
        prefer(p);
    });
    proofs_ = std::make_unique<Proofs>(document_, *player_, jobs_);
    proofs_->setTolerance(preferences_.tolerance);
    connect(proofs_.get(), &Proofs::changed, this, &Session::proven);
    connect(proofs_.get(), &Proofs::said, this, &Session::say);
    connect(&remembered_, &Remembered::kept, library_.get(), &LibraryDesk::settled);
    connect(library_.get(), &LibraryDesk::said, this, &Session::say);
    connect(library_.get(), &LibraryDesk::complained, this, &Session::complain);
    connect(&document_, &Document::changed, this, [this] {
        toldFailure_ = false;
        player_->setProject(laid());
        audition_->setRate(now().rate);
        readAtRate();
        emit changed();
        emit rendered();
        proofs_->look();
    });
    connect(&document_, &Document::selectionChanged, this, &Session::selectionChanged);
    connect(&document_, &Document::opened, this, &Session::opened);
    connect(&document_, &Document::said, this, &Session::say);
    connect(&autosave_, &Autosave::failed, this, &Session::say);
    connect(&remembered_, &Remembered::said, this, &Session::say);
    connect(&jobs_, &Jobs::broke, this, [this](const QString& what, const QString& reason) {
        complain(tr("%1 could not be done").arg(what), {reason});
    });
    connect(&timer_, &QTimer::timeout, this, &Session::tick);
    timer_.start(16);
}

Session::~Session() {
    timer_.stop();
    audition_.reset();
    proofs_.reset();
    player_->stop();
    player_.reset(); // first: its workers call back into this
}

void Session::say(const QString& sentence) {
    emit said(sentence);
}
void Session::complain(const QString& title, const QStringList& lines) {
    emit told(title, lines, true);
}

void Session::togglePlay() {
    if (player_->isPlaying()) {
        player_->stop();
    } else {
        watchDevice();
        player_->play();
    }
    emit ticked();
}

void Session::stop() {
    if (player_->isPlaying())
        player_->stop();
    else if (player_->isAuditioning())
        audition_->stop();
    else
        locate(now().view.looping ? now().loop.from : Beats(0));
    emit ticked();
}

void Session::locate(Beats to) {
    player_->locate(std::max(to, now().metre.startOfBar(-3)));
    emit ticked();
}

void Session::goTo(Beats to, bool atOnce) {
    const bool later = player_->isPlaying() && !atOnce;
    player_->jump(to, atOnce);
    const QString place = qt(metre::positionLabel(now().metre.positionAt(to)));
    say(later ? tr("From the next bar line on at %1").arg(place) : tr("At %1").arg(place));
    emit ticked();
}

void Session::goTo(const Proofs::Place& place) {
    document_.select({place.clip});
    const project::LaidClip* clip = laid()->find(place.clip);
    locate(place.hit.place);
    say(tr("%1 · %2 · %3")
            .arg(qt(clip->name()), qt(metre::positionLabel(now().metre.positionAt(place.hit.place))),
                 offText(*place.hit.off)));
}

void Session::goToSection(int n, bool atOnce) {
    const auto sections = project::sectionsOf(now());
    if (n < 1 || n > static_cast<int>(sections.size())) {
        say(sections.empty() ? tr("There are no sections yet: double click in their lane makes one.")
                             : tr("There are %1 sections.").arg(sections.size()));
        return;
    }
    goTo(sections[static_cast<std::size_t>(n) - 1].at, atOnce);
}

void Session::copySelected() {
    if (selection().clips.empty()) {
        say(tr("Nothing is selected."));
        return;
    }
    taken_ = project::take(now(), selection().clips);
    takenFrom_ = document_.generation();
    say(taken_.size() == 1 ? tr("One clip copied") : tr("%1 clips copied").arg(taken_.size()));
}

void Session::cutSelected() {
    const std::vector<ClipId> clips = selection().clips;
    auto removed = project::removeClips(now(), clips);
    if (!removed) {
        say(qt(removed.error().text));
        return;
    }
    copySelected();
    if (edit(tr("Cut"), std::move(removed)))
        say(clips.size() == 1 ? tr("One clip cut") : tr("%1 clips cut").arg(clips.size()));
}

void Session::paste() {
    if (takenFrom_ != document_.generation()) taken_.clear();
    const Beats at = metre::snapped(player_->position(), now().view.snap, now().metre);
    auto pasted = project::paste(now(), taken_, at);
    if (!pasted) {
        say(qt(pasted.error().text));
        return;
    }
    if (!edit(tr("Paste"), std::move(pasted->project))) return;
    document_.select(pasted->clips);
    say(tr("Pasted at %1").arg(qt(metre::positionLabel(now().metre.positionAt(at)))));
}

void Session::tick() {
    player_->tick();
    const std::size_t pending = player_->pendingRenders();
    if (pending != lastPending_) {
        lastPending_ = pending;
        watchRenders();
        emit rendered();
    }
    if (renderChanges_ != player_->renderChanges()) {
        renderChanges_ = player_->renderChanges();
        proofs_->look();
    }
    watchDevice();
    watchStore();
    emit ticked();
}

// What could not be read from the disk any more is silent, and is said once.
void Session::watchStore() {
    const std::int64_t unread = sound::unreadPages();
    if (unread == unread_) return;
    if (unread_ == 0)
        complain(tr("Audio could not be read from the disk"),
                 {tr("Part of what lies in %1 was cut short, or its disk went; it is silent now. Open the project "
                     "again to read it anew.")
                      .arg(qt(base::shownPath(store_->folder())))});
    unread_ = unread;
}

// A rendering that fails is named once, and shown on its clip.
void Session::watchRenders() {
    if (toldFailure_ || !player_->hasFailures()) return;
    toldFailure_ = true;
    QStringList lines;
    for (const project::LaidClip& clip : laid()->clips())
        if (const std::string problem = player_->problemWith(clip.id());
            clip.source && !clip.time().parts.empty() && !problem.empty())
            lines << qt(clip.source->name + ": " + problem);
    complain(tr("Not everything could be fitted; playing tries it again"), lines);
}

// A device that has gone is noticed, and what plays goes on silently until it is taken again.
void Session::watchDevice() {
    if (const QString problem = qt(player_->outputProblem()); !problem.isEmpty() && problem != outputTold_) {
        outputTold_ = problem; // it could not be opened at another rate
        say(outputTold_);
        emit deviceLost(outputTold_);
    }
    if (player_->output().isAlive()) return;
    const QString gone = qt(player_->output().description());
    player_->replaceOutput(play::silentOutput(now().rate));
    outputTold_ = tr("The sound device has gone (%1): playing silently.").arg(gone);
    say(outputTold_);
    emit deviceLost(outputTold_);
    emit changed();
}

void Session::takeDevice(bool isAsked) {
    jobs_.start<play::OpenedOutput>(
        Lane::Device, tr("Looking for a sound device"),
        [rate = now().rate, choice = preferences_.output](const base::Progress&) {
            return play::openOutput(rate, choice);
        },
        [this, isAsked](play::OpenedOutput opened) { deviceOpened(std::move(opened), isAsked); });
}

void Session::deviceOpened(play::OpenedOutput opened, bool isAsked) {
    outputTold_ = qt(opened.told);
    if (opened.output->isSimulated() && player_->output().isSimulated()) {
        say(outputTold_);
        if (isAsked && !preferences_.output.simulated) emit deviceLost(outputTold_);
        emit changed();
        return;
    }
    player_->replaceOutput(std::move(opened.output));
    if (!player_->outputProblem().empty()) outputTold_ = qt(player_->outputProblem());
    if (isAsked || !outputTold_.isEmpty())
        say(outputTold_.isEmpty() ? tr("Playing through %1").arg(qt(player_->output().description()))
                                  : outputTold_);
    emit changed();
}

void Session::prefer(const Preferences& preferences) {
    const bool otherOutput = !(preferences.output == preferences_.output);
    preferences_ = preferences;
    savePreferences(preferences_);
    proofs_->setTolerance(preferences_.tolerance);
    if (otherOutput) takeDevice();
    emit preferred();
}

void Session::replaceDocument(project::Project p, const fs::path& folder, bool saved) {
    // What was under way for the document before has nowhere to go.
    jobs_.cancel(Lane::Import);
    jobs_.cancel(Lane::Listen);
    readingAtRate_ = false;
    player_->stop();
    document_.replace(std::move(p), folder, saved);
    if (saved) autosave_.nothingToKeep();
    player_->locate(Beats(0));
}

void Session::startNew() {
    replaceDocument({}, {}, true);
}

void Session::open(const fs::path& path) {
    jobs_.cancel(Lane::Document);
    jobs_.start<base::Result<project::Loaded>>(
        Lane::Document, tr("Opening %1").arg(qt(base::shownName(path))),
        [path, store = store_.get()](const base::Progress& p) { return project::loadProject(path, p, store); },
        [this, path, taken = document_.snapshot()](base::Result<project::Loaded> loaded) {
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
            const auto there = std::make_shared<project::Loaded>(std::move(*loaded));
            const auto take = [this, folder, there] {
                replaceDocument(there->project, folder, true);
                say(tr("%1 opened").arg(qt(base::shownName(folder))));
                hearWhatWasNotHeard();
                QStringList lines;
                for (const std::string& w : there->warnings)
                    lines << qt(w);
                if (!lines.isEmpty()) complain(tr("The project opened, but not all of its audio"), lines);
            };
            // What was changed while it was read is not to go without a word.
            if (before_ && taken.revision != document_.revision())
                before_(tr("Opening %1").arg(qt(base::shownName(folder))), take);
            else
                take();
        });
}

void Session::lookForRecovery() {
    jobs_.start<std::vector<project::Recovery>>(
        Lane::Files, tr("Looking for unsaved work"),
        [](const base::Progress&) { return project::findRecoveries(base::recoveryFolder()); },
        [this](const std::vector<project::Recovery>& found) {
            if (found.empty()) return;
            const project::Recovery& r = found.front();
            emit recoverable(r.file, r.projectFolder.empty() ? tr("a project that was never saved")
                                                             : qt(base::shownName(r.projectFolder)));
        });
}

void Session::recover(const fs::path& autosaved) {
    struct Recovered {
        std::optional<project::Recovery> found;
        std::vector<std::string> warnings;
        bool cancelled = false;
    };
    jobs_.start<Recovered>(
        Lane::Document, tr("Recovering"),
        [autosaved, store = store_.get()](const base::Progress& progress) {
            Recovered out;
            for (project::Recovery& r : project::findRecoveries(base::recoveryFolder()))
                if (r.file == autosaved) out.found = std::move(r);
            if (out.found) out.warnings = project::loadAudio(out.found->project, progress, store);
            out.cancelled = progress.stopped();
            return out;
        },
        [this](Recovered recovered) {
            if (recovered.cancelled) {
                say(tr("Recovering was cancelled; it is offered again at the next start."));
                return;
            }
            if (!recovered.found) {
                say(tr("It is no longer there, or another window has it."));
                return;
            }
            replaceDocument(std::move(recovered.found->project), recovered.found->projectFolder, false);
            // What the crash left stays until this is written, or saved.
            autosave_.supersedes(recovered.found->file);
            say(tr("Recovered. Save it to keep it."));
            hearWhatWasNotHeard();
            QStringList lines;
            for (const std::string& w : recovered.warnings)
                lines << qt(w);
            if (!lines.isEmpty()) complain(tr("Recovered, but not all of its audio"), lines);
        });
}

void Session::save(const fs::path& folder, std::function<void()> afterwards) {
    const auto parted = std::make_shared<std::string>(); // what is to be said of other names of the file
    jobs_.start<base::Result<project::Project>>(
        Lane::Save, tr("Saving %1").arg(qt(base::shownName(folder))),
        [p = now(), folder, copies = preferences_.copyAudio, store = store_.get(),
         parted](const base::Progress& progress) {
            *parted = base::otherNamesNote(folder / project::projectFileName);
            return project::saveProject(p, folder, copies, progress, store);
        },
        [this, folder, parted, afterwards = std::move(afterwards),
         taken = document_.snapshot()](base::Result<project::Project> saved) {
            if (!saved) {
                if (saved.error().cancelled)
                    say(tr("Saving was cancelled."));
                else
                    complain(tr("The project was not saved"), {qt(saved.error().text)});
                return;
            }
            say(tr("%1 saved").arg(qt(base::shownName(folder))) +
                (parted->empty() ? QString() : " · " + qt(*parted)));
            if (!document_.isOf(taken)) return;
            const bool changedMeanwhile = taken.revision != document_.revision();
            document_.saved(taken, folder, *saved);
            remembered_.keep();
            emit this->saved();
            if (!changedMeanwhile) autosave_.nothingToKeep();
            if (afterwards) afterwards();
        });
}

} // namespace app
