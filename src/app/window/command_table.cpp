// The table of commands. The menus of the bar stand in the order in which they are added.
#include "app/bars/bars_view.h"
#include "app/bench/bench.h"
#include "app/bench/by_ear.h"
#include "app/bench/source_column.h"
#include "app/deliver/deliver_sheet.h"
#include "app/shelf/shelf.h"
#include "app/sources/write_into_files.h"
#include "app/widgets/text.h"
#include "app/widgets/tokens.h"
#include "app/widgets/words.h"
#include "app/window/command_words.h"
#include "app/window/head_strip.h"
#include "app/window/main_window.h"
#include "metre/snap.h"
#include "project/sets.h"

#include <QInputDialog>
#include <QMenu>
#include <QTabBar>
#include <algorithm>
#include <cmath>
#include <numeric>
#include <random>
#include <set>

namespace app {

std::vector<Command> MainWindow::commandTable() {
    CommandList list;
    fileCommands(list);
    editCommands(list);
    sourceCommands(list);
    pinCommands(list);
    clipCommands(list);
    clipTimeCommands(list);
    trackCommands(list);
    tempoCommands(list);
    proofCommands(list);
    playCommands(list);
    viewCommands(list);
    return list.take();
}

// An edit that makes clips: they are selected.
void MainWindow::arrange(const QString& name, base::Result<project::Arranged> arranged) {
    if (!arranged) {
        session_.say(qt(arranged.error().text));
        return;
    }
    if (!session_.edit(name, std::move(arranged->project))) return;
    session_.document().select(arranged->clips);
    const auto n = static_cast<int>(arranged->clips.size());
    session_.say(n == 1 ? tr("%1: one clip").arg(name) : tr("%1: %2 clips").arg(name).arg(n));
}

void MainWindow::onTrack(
    const QString& what,
    const std::function<base::Result<project::Project>(const project::Project&, const project::Track&)>& change) {
    const auto id = bars_->track();
    const project::TrackPtr track = id ? project::trackOf(session_.now(), *id) : nullptr;
    if (track) session_.edit(what, change(session_.now(), *track));
}

void MainWindow::selectWhere(const std::function<bool(const project::LaidClip&)>& wanted) {
    std::vector<ClipId> clips;
    for (const project::LaidClip& c : session_.laid()->clips())
        if (wanted(c)) clips.push_back(c.id());
    const auto n = clips.size();
    session_.document().select(std::move(clips));
    session_.say(n == 1 ? tr("One clip selected") : tr("%1 clips selected").arg(n));
}

void MainWindow::fileCommands(CommandList& list) {
    list.menu(tr("&File"));
    list.add("new", tr("&New project"), standard(QKeySequence::New), Needs::Nothing, OnBar,
             [this] { whenSafe(tr("Starting anew"), [this] { session_.startNew(); }); });
    list.add("open", tr("&Open…"), standard(QKeySequence::Open), Needs::Nothing, OnBar,
             [this] { whenSafe(tr("Opening another project"), [this] { askOpen(); }); });
    list.add("recent", tr("Open a &recent one…"), keys(Qt::CTRL | Qt::SHIFT | Qt::Key_O), Needs::Nothing, OnBar,
             [this] { offerRecent(); });
    list.line();
    list.add("save", tr("&Save"), standard(QKeySequence::Save), Needs::Nothing, OnBar, [this] { saveThen({}); });
    list.add("saveAs", tr("Save &as…"), keys(Qt::CTRL | Qt::SHIFT | Qt::Key_S), Needs::Nothing, OnBar,
             [this] { askSaveAs({}); });
    list.add("addFolder", tr("Add a &folder to the library…"), {}, Needs::Nothing, OnBar,
             [this] { shelf_->addFolder(); });
    list.add("scanFolders", tr("Scan the &library's folders again"), {}, Needs::Nothing, OnBar,
             [this] { session_.library().scan(); });
    list.line();
    list.add("gather", tr("Bring all audio into the folder"), {}, Needs::Nothing, OnBar,
             [this] { saveThen([this] { session_.say(tr("All audio lies in the project's folder now.")); }); });
    list.add("findMissing", tr("Find &missing audio…"), {}, Needs::Nothing, OnBar, [this] { askMissing(); });
    list.line();
    list.add("addToLibrary", tr("Add to the li&brary"), {}, Needs::Clips, OnClip,
             [this] { session_.addToLibrary(); });
    list.add("takeMap", tr("Take a &tempo map (MIDI)…"), {}, Needs::Nothing, OnTempo, [this] { askMap(); });
    list.add("deliver", tr("&Deliver…"), keys(Qt::CTRL | Qt::Key_D), Needs::Nothing, OnClip, [this] {
        auto* dialog = new DeliverSheet(session_, this);
        dialog->setAttribute(Qt::WA_DeleteOnClose);
        dialog->show();
    });
    list.line();
    list.add("preferences", tr("&Preferences…"), keys(Qt::CTRL | Qt::Key_Comma), Needs::Nothing, OnBar,
             [this] { showPreferences(); });
    list.add("quit", tr("&Quit"), standard(QKeySequence::Quit), Needs::Nothing, OnBar, [this] { close(); });
}

void MainWindow::editCommands(CommandList& list) {
    Document& doc = session_.document();
    list.menu(tr("&Edit"));
    list.add("undo", tr("&Undo"), standard(QKeySequence::Undo), Needs::Undo, OnBar, [&doc] { doc.undo(); });
    // Desktops differ in which of the two they use; both are free here.
    list.add("redo", tr("&Redo"),
             {QKeySequence(Qt::CTRL | Qt::SHIFT | Qt::Key_Z), QKeySequence(Qt::CTRL | Qt::Key_Y)}, Needs::Redo,
             OnBar, [&doc] { doc.redo(); });
    list.line();
    list.add("cut", tr("Cu&t"), standard(QKeySequence::Cut), Needs::Clips, OnClip,
             [this] { session_.cutSelected(); });
    list.add("copy", tr("&Copy"), standard(QKeySequence::Copy), Needs::Clips, OnClip,
             [this] { session_.copySelected(); });
    list.add("paste", tr("&Paste at the play position"), standard(QKeySequence::Paste), Needs::Nothing, OnPage,
             [this] { session_.paste(); });
    list.add("delete", tr("&Delete"), standard(QKeySequence::Delete), Needs::Nothing,
             OnClip | OnTempo | OnSection | OnMetre, [this] {
                 if (bars_->picked().what != LanePick::What::Nothing &&
                     bars_->picked().what != LanePick::What::TempoRange) {
                     bars_->removePicked();
                     return;
                 }
                 const auto clips = session_.selection().clips;
                 const auto n = static_cast<int>(clips.size());
                 if (session_.edit(n == 1 ? tr("Delete clip") : tr("Delete clips"),
                                   project::removeClips(session_.now(), clips)))
                     session_.say(n == 1 ? tr("One clip deleted") : tr("%1 clips deleted").arg(n));
             });
    list.line();
    list.under(tr("Select"));
    list.add("selectAll", tr("Select &all clips"), standard(QKeySequence::SelectAll), Needs::Nothing, OnPage,
             [this, &doc] { doc.select(project::allClips(session_.now())); });
    list.add("selectOthers", tr("Select all &others"), keys(Qt::CTRL | Qt::SHIFT | Qt::Key_A), Needs::Nothing,
             OnPage, [this] {
                 const std::vector<ClipId> now = session_.selection().clips;
                 const std::set<ClipId> chosen(now.begin(), now.end());
                 selectWhere([&](const auto& c) { return chosen.count(c.id()) == 0; });
             });
    list.add("selectTrack", tr("Select what is on the same trac&k"), {}, Needs::Clips, OnClip, [this] {
        std::set<std::size_t> tracks;
        for (const ClipId id : session_.selection().clips)
            if (const project::LaidClip* c = session_.laid()->find(id)) tracks.insert(c->trackIndex);
        selectWhere([&](const auto& c) { return tracks.count(c.trackIndex) > 0; });
    });
    list.add("selectSource", tr("Select all of the same &source"), keys(Qt::CTRL | Qt::ALT | Qt::Key_A),
             Needs::Clips, OnClip, [this] {
                 std::set<SourceId> sources;
                 for (const ClipId id : session_.selection().clips)
                     if (const project::LaidClip* c = session_.laid()->find(id)) sources.insert(c->clip->source);
                 selectWhere([&](const auto& c) { return sources.count(c.clip->source) > 0; });
             });
}

void MainWindow::sourceCommands(CommandList& list) {
    const auto source_ = [this] { return std::vector<SourceId>{*session_.selection().source}; };
    list.menu(tr("&Source"));
    list.add("import", tr("&Import…"), keys(Qt::CTRL | Qt::Key_I), Needs::Nothing, OnPage, [this] { askImport(); });
    list.line();
    list.add("half", tr("&Half tempo"), keys(Qt::ALT | Qt::Key_Minus), Needs::Source, OnSource,
             [this] { bench_->column().scaleTempo(0.5); });
    list.add("double", tr("&Double tempo"), keys(Qt::ALT | Qt::Key_Plus), Needs::Source, OnSource,
             [this] { bench_->column().scaleTempo(2); });
    list.add("round", tr("&Round tempo"), keys(Qt::ALT | Qt::Key_R), Needs::Source, OnSource,
             [this] { bench_->column().roundTempo(); });
    list.add("tapSourceKey", tr("Ta&p its tempo"), keys(Qt::SHIFT | Qt::Key_T), Needs::Source, OnSource,
             [this] { bench_->byEar().tap(); });
    list.add("hearRecorded", tr("Hear it as &recorded"), keys(Qt::SHIFT | Qt::Key_Space), Needs::Source, OnSource,
             [this] { bench_->byEar().hear(!session_.player().isPlayingRaw()); });
    list.line();
    list.add(
        "sourceFollows", tr("&Follows the project's tempo"), {}, Needs::Source, OnSource,
        [this, source_] {
            const project::SourcePtr s = project::sourceOf(session_.now(), source_().front());
            if (s && session_.edit(s->following ? tr("Stop following") : tr("Follow"),
                                   project::setSourceFollowing(session_.now(), source_(), !s->following)))
                session_.say(s->following ? tr("%1 stays as long as it is now").arg(qt(s->name))
                                          : tr("%1 follows the project's tempo").arg(qt(s->name)));
        },
        [this] {
            const auto id = session_.selection().source;
            const project::SourcePtr s = id ? project::sourceOf(session_.now(), *id) : nullptr;
            return s && s->following;
        });
    list.line();
    list.add("makeSet", tr("&Keep together as a set"), {}, Needs::Clips, OnClip, [this] {
        std::vector<SourceId> ids;
        for (const ClipId id : session_.selection().clips)
            if (const project::LaidClip* c = session_.laid()->find(id);
                c != nullptr && std::find(ids.begin(), ids.end(), c->clip->source) == ids.end())
                ids.push_back(c->clip->source);
        session_.makeSet(ids);
    });
    list.add("partSet", tr("Part the s&et"), {}, Needs::Set, OnSource | OnClip,
             [this, source_] { session_.partSets(source_()); });
    list.add("selectSet", tr("Select all of its set"), {}, Needs::Set, OnSource | OnClip, [this, source_] {
        const auto ids = project::togetherWith(session_.now(), source_().front());
        selectWhere([&ids](const project::LaidClip& c) {
            return std::find(ids.begin(), ids.end(), c.clip->source) != ids.end();
        });
    });
    list.line();
    list.add("writeTempo", tr("&Write tempo into the file…"), {}, Needs::Source, OnSource,
             [this, source_] { askToWriteIntoFiles(this, session_, source_()); });
    list.add("forgetSettled", tr("F&orget what was settled"), {}, Needs::Source, OnSource,
             [this, source_] { session_.forgetSettled(source_()); });
}

void MainWindow::playCommands(CommandList& list) {
    Document& doc = session_.document();
    list.menu(tr("&Play"));
    list.add("play", tr("&Play or stop"), keys(Qt::Key_Space), Needs::Nothing, OnPage,
             [this] { session_.togglePlay(); });
    list.add("toStart", tr("Back to the &beginning"), keys(Qt::Key_Home), Needs::Nothing, OnBar,
             [this] { session_.locate(Beats(0)); });
    list.add(
        "loop", tr("&Loop the range"), keys(Qt::Key_L), Needs::Nothing, OnPage,
        [this, &doc] { doc.setLooping(!session_.now().view.looping); },
        [this] { return session_.now().view.looping; });
    list.add("loopSelection", tr("Loop range around the &selection"), keys(Qt::CTRL | Qt::Key_L), Needs::Nothing,
             OnClip, [this] { loopSelection(); });
    list.add("hearPicked", tr("He&ar what is picked on the shelf"), keys(Qt::Key_A), Needs::Nothing, OnBar,
             [this] { shelf_->toggleHearing(); });
    list.add("swapCompared", tr("Hear the &other way (A|B)"), keys(Qt::Key_X), Needs::Nothing, OnClip,
             [this] { bench_->swapCompared(); });
    list.line();
    list.add(
        "click", tr("&Click"), keys(Qt::Key_C), Needs::Nothing, OnPage,
        [this, &doc] { doc.setClick(!session_.now().view.click); }, [this] { return session_.now().view.click; });
    list.add(
        "countIn", tr("Count &in before playing"), keys(Qt::SHIFT | Qt::Key_C), Needs::Nothing, OnBar,
        [this, &doc] { doc.setCountIn(session_.now().view.countIn == 0 ? 1 : 0); },
        [this] { return session_.now().view.countIn > 0; });
    list.line();
    for (int n = 1; n <= 9; ++n) {
        const auto key = static_cast<Qt::Key>(Qt::Key_0 + n);
        list.add(kept("section-" + std::to_string(n)), tr("To section &%1").arg(n), keys(key), Needs::Nothing,
                 OnBar, [this, n] { session_.goToSection(n, false); });
        list.add(kept("sectionNow-" + std::to_string(n)), tr("To section %1 at once").arg(n), keys(Qt::ALT | key),
                 Needs::Nothing, OnBar, [this, n] { session_.goToSection(n, true); });
    }
    list.line();
    list.add("takeDevice", tr("Look for a sound &device again"), {}, Needs::Nothing, OnBar,
             [this] { session_.takeDevice(); });
}

void MainWindow::viewCommands(CommandList& list) {
    const double middle = 0.5;
    const auto zoom = [this, middle](double by) { bars_->zoomBy(by, bars_->viewport()->width() * middle); };
    list.menu(tr("&View"));
    list.add("pageBars", tr("Page B&ars"), keys(Qt::CTRL | Qt::Key_1), Needs::Nothing, OnBar,
             [this] { tabs_->setCurrentIndex(0); });
    list.add("pageSources", tr("Page So&urces"), keys(Qt::CTRL | Qt::Key_2), Needs::Nothing, OnBar,
             [this] { tabs_->setCurrentIndex(1); });
    list.add("pageStrain", tr("Page S&train"), keys(Qt::CTRL | Qt::Key_3), Needs::Nothing, OnBar,
             [this] { tabs_->setCurrentIndex(2); });
    list.line();
    list.add("zoomIn", tr("Zoom &in"), standard(QKeySequence::ZoomIn), Needs::Nothing, OnBar,
             [zoom] { zoom(1.25); });
    list.add("zoomOut", tr("Zoom &out"), standard(QKeySequence::ZoomOut), Needs::Nothing, OnBar,
             [zoom] { zoom(0.8); });
    list.add("zoomAll", tr("Show &all"), keys(Qt::CTRL | Qt::Key_0), Needs::Nothing, OnPage,
             [this] { bars_->zoomToAll(); });
    list.add("zoomSelection", tr("Show the selection"), keys(Qt::Key_Z), Needs::Nothing, OnClip,
             [this] { bars_->zoomToSelection(); });
    list.line();
    list.add(
        "follow", tr("&Follow the play position"), {}, Needs::Nothing, OnBar,
        [this] { bars_->setFollows(!bars_->follows()); }, [this] { return bars_->follows(); });
    list.add(
        "lanes", tr("&Lanes over the bars"), keys(Qt::Key_N), Needs::Nothing, OnPage,
        [this] { bars_->setShowsLanes(!bars_->showsLanes()); }, [this] { return bars_->showsLanes(); });
    list.add("searchShelf", tr("Search the li&brary"), standard(QKeySequence::Find), Needs::Nothing, OnBar,
             [this] { shelf_->search(); });
    list.add("searchLimits", tr("Search the library within li&mits"), keys(Qt::CTRL | Qt::SHIFT | Qt::Key_F),
             Needs::Nothing, OnBar, [this] { shelf_->searchWithin(); });
    list.add(
        "showShelf", tr("&Shelf"), {}, Needs::Nothing, OnBar, [this] { shelf_->setVisible(!shelf_->isVisible()); },
        [this] { return !shelf_->isHidden(); });
    list.add(
        "showBench", tr("&Bench"), keys(Qt::Key_B), Needs::Nothing, OnBar,
        [this] {
            if (session_.selection().clips.empty() && !session_.selection().source && !bench_->isFolded())
                session_.say(tr("Select a clip or a source: the Bench opens with it."));
            else
                bench_->setFolded(!bench_->isFolded());
        },
        [this] { return !bench_->isFolded(); });
    list.add(
        "lamp", tr("By &lamplight"), {}, Needs::Nothing, OnBar,
        [this] {
            setTheme(theme() == Theme::Lamp ? Theme::Paper : Theme::Lamp);
            for (QWidget* w : findChildren<QWidget*>())
                w->update();
        },
        [] { return theme() == Theme::Lamp; });
    list.menu(tr("&Help"));
    list.add("firstSteps", tr("&First steps"), standard(QKeySequence::HelpContents), Needs::Nothing, OnBar,
             [this] { showHelp(HelpPage::FirstSteps); });
    list.add("words", tr("&Words"), {}, Needs::Nothing, OnBar, [this] { showHelp(HelpPage::Words); });
    list.add("keys", tr("&Keys"), keys(Qt::SHIFT | Qt::Key_F1), Needs::Nothing, OnBar,
             [this] { showHelp(HelpPage::Keys); });
    list.add("about", tr("&About Patient Metre"), {}, Needs::Nothing, OnBar, [this] { showAbout(); });
}

} // namespace app
