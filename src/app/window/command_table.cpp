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

namespace {

QList<QKeySequence> keys(QKeyCombination combination) {
    return {QKeySequence(combination)};
}
QList<QKeySequence> standard(QKeySequence::StandardKey key) {
    return {QKeySequence(key)};
}

const QList<std::pair<const char*, project::TimeRule>>& rules() {
    static const QList<std::pair<const char*, project::TimeRule>> all = {{"stretch", project::TimeRule::Stretch},
                                                                         {"slices", project::TimeRule::Slices},
                                                                         {"place", project::TimeRule::Place},
                                                                         {"fixed", project::TimeRule::Fixed}};
    return all;
}

// Names of actions that are made in a loop must live as long as the table.
const char* kept(const std::string& name) {
    static std::set<std::string> names;
    return names.insert(name).first->c_str();
}

} // namespace

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

void MainWindow::askNumber(const QString& title, const QString& what, double value, double low, double high,
                           int decimals, const std::function<void(double)>& take) {
    auto* dialog = new QInputDialog(this);
    dialog->setObjectName("numberDialog");
    dialog->setAttribute(Qt::WA_DeleteOnClose);
    dialog->setWindowTitle(title);
    dialog->setLabelText(what);
    dialog->setInputMode(decimals == 0 ? QInputDialog::IntInput : QInputDialog::DoubleInput);
    if (decimals == 0) {
        dialog->setIntRange(static_cast<int>(low), static_cast<int>(high));
        dialog->setIntValue(static_cast<int>(std::lround(value)));
        connect(dialog, &QInputDialog::intValueSelected, this, [take](int n) { take(n); });
    } else {
        dialog->setDoubleDecimals(decimals);
        dialog->setDoubleRange(low, high);
        dialog->setDoubleValue(value);
        connect(dialog, &QInputDialog::doubleValueSelected, this, [take](double v) { take(v); });
    }
    dialog->open();
}

void MainWindow::askText(const QString& title, const QString& what, const QString& initial,
                         std::function<void(const QString&)> take) {
    auto* dialog = new QInputDialog(this);
    dialog->setObjectName("textDialog");
    dialog->setAttribute(Qt::WA_DeleteOnClose);
    dialog->setWindowTitle(title);
    dialog->setLabelText(what);
    dialog->setTextValue(initial);
    connect(dialog, &QInputDialog::textValueSelected, this,
            [take = std::move(take)](const QString& t) { take(t); });
    dialog->open();
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
    list.add("partSet", tr("Part the s&et"), {}, Needs::Source, OnSource | OnClip,
             [this, source_] { session_.partSets(source_()); });
    list.add("selectSet", tr("Select all of its set"), {}, Needs::Source, OnSource | OnClip, [this, source_] {
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

void MainWindow::clipCommands(CommandList& list) {
    const auto clips = [this] { return session_.selection().clips; };
    const auto all = [this](const auto& is) {
        const auto& chosen = session_.selection().clips;
        return !chosen.empty() && std::all_of(chosen.begin(), chosen.end(), [this, &is](ClipId id) {
            const project::LaidClip* c = session_.laid()->find(id);
            return c != nullptr && is(*c);
        });
    };
    const auto allLocked = [all] { return all([](const auto& c) { return c.clip->locked; }); };
    const auto allMute = [all] { return all([](const auto& c) { return c.clip->mute; }); };
    list.menu(tr("&Clip"));
    list.add("split", tr("&Split at the play position"), keys(Qt::Key_Slash), Needs::Nothing, OnClip,
             [this, clips] {
                 std::vector<ClipId> which = clips();
                 if (which.empty()) // whatever goes on there
                     for (const project::LaidClip& c : session_.laid()->clips()) {
                         const Beats at = session_.player().position();
                         if (c.time().start < at && at < c.time().end && !c.clip->locked) which.push_back(c.id());
                     }
                 arrange(tr("Split"), project::split(session_.now(), which, session_.player().position()));
             });
    list.under(tr("Slice"));
    list.add("sliceEqually", tr("Slice into &parts…"), {}, Needs::Clips, OnClip, [this, clips] {
        askNumber(tr("Slice into parts"), tr("Into how many equal parts?"), 4, 2, 10000, 0,
                  [this, clips](double n) {
                      arrange(tr("Slice"), project::sliceEqually(session_.now(), clips(), static_cast<int>(n)));
                  });
    });
    list.add("sliceAtOnsets", tr("Slice at &onsets…"), {}, Needs::Clips, OnClip, [this, clips] {
        askNumber(tr("Slice at onsets"), tr("Sensitivity in per cent: 0 cuts at the strongest only, 100 at all"),
                  50, 0, 100, 0, [this, clips](double percent) {
                      arrange(tr("Slice"), project::sliceAtOnsets(session_.now(), clips(), percent / 100));
                  });
    });
    const auto reorder = [this, clips](const QString& name, bool shuffled) {
        std::vector<std::size_t> order(clips().size());
        std::iota(order.begin(), order.end(), std::size_t(0));
        if (shuffled)
            std::shuffle(order.begin(), order.end(), std::mt19937(std::random_device()()));
        else
            std::reverse(order.begin(), order.end());
        session_.edit(name, project::reorder(session_.now(), clips(), order));
    };
    list.add("reverseOrder", tr("Turn their order round"), {}, Needs::Clips, OnBar,
             [reorder] { reorder(tr("Turn round"), false); });
    list.add("shuffle", tr("Mix up their order"), {}, Needs::Clips, OnBar,
             [reorder] { reorder(tr("Mix up"), true); });
    list.under({});
    list.add("extract", tr("E&xtract as a source"), {}, Needs::OneClip, OnClip, [this] { session_.extractPart(); });
    list.line();
    list.add("repeats", tr("&Repeat…"), keys(Qt::Key_R), Needs::Clips, OnClip, [this, clips] {
        askNumber(tr("Repeat"), tr("How often does it go round?"), 2, 0.05, 10000, 2, [this, clips](double n) {
            session_.edit(tr("Repeat"), project::setRepeats(session_.now(), clips(), n));
        });
    });
    list.add(
        "goesRound", tr("Goes ro&und"), {}, Needs::Clips, OnBar,
        [this, clips, all] {
            const bool on = !all([](const auto& c) { return c.clip->stretch.loop; });
            session_.edit(tr("Go round"), project::setGoesRound(session_.now(), clips(), on));
        },
        [all] { return all([](const auto& c) { return c.clip->stretch.loop; }); });
    list.add("trimSilence", tr("Trim silence before it"), {}, Needs::Clips, OnClip | OnRail, [this, clips] {
        if (session_.edit(tr("Trim silence"), project::trimSilence(session_.now(), clips())))
            session_.say(tr("Begins where it begins to sound"));
    });
    const auto trimTo = [this, clips](project::Side side) {
        const project::LaidClip* c = clips().empty() ? nullptr : session_.laid()->find(clips().front());
        if (c == nullptr) return;
        const Beats edge = side == project::Side::Left ? c->time().start : c->time().end;
        session_.edit(tr("Trim"),
                      project::trim(session_.now(), clips(), side, session_.player().position() - edge));
    };
    list.add("trimStart", tr("Begin at the play position"), keys(Qt::Key_BracketLeft), Needs::Clips, OnBar,
             [trimTo] { trimTo(project::Side::Left); });
    list.add("trimEnd", tr("End at the play position"), keys(Qt::Key_BracketRight), Needs::Clips, OnBar,
             [trimTo] { trimTo(project::Side::Right); });
    list.line();
    const auto fade = [this, clips](bool in) {
        askNumber(in ? tr("Fade in") : tr("Fade out"), tr("Over how many seconds?"), 0.5, 0, 60, 3,
                  [this, clips, in](double s) {
                      const project::Fade to{metre::Seconds(s), project::Fade::Shape::EqualPower};
                      session_.edit(in ? tr("Fade in") : tr("Fade out"),
                                    in ? project::setFadeIn(session_.now(), clips(), to)
                                       : project::setFadeOut(session_.now(), clips(), to));
                  });
    };
    list.under(tr("Fade and level"));
    list.add("fadeIn", tr("Fade &in…"), {}, Needs::Clips, OnClip, [fade] { fade(true); });
    list.add("fadeOut", tr("Fade ou&t…"), {}, Needs::Clips, OnClip, [fade] { fade(false); });
    list.add("crossTouching", tr("Cross over where they touch…"), {}, Needs::Clips, OnClip, [this, clips] {
        askNumber(tr("Cross over"), tr("Over how many seconds?"), 0.05, 0.001, 60, 3, [this, clips](double s) {
            if (session_.edit(tr("Cross over"), project::crossTouching(session_.now(), clips(), metre::Seconds(s))))
                session_.say(tr("They cross over by equal power"));
        });
    });
    list.add("normalisePeak", tr("Normalise the peak to −1 dBTP"), {}, Needs::Clips, OnClip,
             [this] { session_.normalise(project::Normalise::Peak); });
    list.add("normaliseLoudness", tr("Normalise the loudness to −16 LUFS"), {}, Needs::Clips, OnClip,
             [this] { session_.normalise(project::Normalise::Loudness); });
    list.add("normaliseNo", tr("Take normalising back"), {}, Needs::Clips, OnClip,
             [this] { session_.normalise(project::Normalise::No); });
    list.under({});
    list.line();
    list.add(
        "lock", tr("Loc&k"), keys(Qt::CTRL | Qt::Key_K), Needs::Clips, OnClip,
        [this, clips, allLocked] {
            const bool lock = !allLocked();
            if (session_.edit(lock ? tr("Lock") : tr("Unlock"), project::setLocked(session_.now(), clips(), lock)))
                session_.say(lock ? tr("Locked: edits leave it as it is") : tr("Unlocked"));
        },
        allLocked);
    list.add(
        "muteClip", tr("&Mute"), keys(Qt::Key_M), Needs::Clips, OnClip,
        [this, clips, allMute] {
            session_.edit(tr("Mute"), project::setClipMute(session_.now(), clips(), !allMute()));
        },
        allMute);
    list.add("nameClip", tr("&Name…"), {}, Needs::Clips, OnClip, [this, clips] {
        const project::LaidClip* c = clips().empty() ? nullptr : session_.laid()->find(clips().front());
        askText(clips().size() == 1 ? tr("Name") : tr("Name and number them"),
                tr("Name; empty gives them their sources' names again"), c != nullptr ? qt(c->name()) : QString(),
                [this, clips](const QString& name) {
                    session_.edit(tr("Name"),
                                  project::setName(session_.now(), clips(), name.trimmed().toStdString()));
                });
    });
    list.add("tintClip", tr("Another &tint"), {}, Needs::Clips, OnClip, [this, clips] {
        const project::LaidClip* c = clips().empty() ? nullptr : session_.laid()->find(clips().front());
        if (c == nullptr) return;
        const int tint = (c->clip->tint.value_or(c->track->tint) + 1) % 8;
        // Its track's own is none of its own.
        session_.edit(tr("Tint"),
                      project::setTint(session_.now(), clips(),
                                       tint == c->track->tint ? std::nullopt : std::optional<int>(tint)));
    });
    list.line();
    list.add("bringHere", tr("Bring to the play position"), keys(Qt::Key_G), Needs::Clips, OnClip, [this, clips] {
        const Beats at = metre::snapped(session_.player().position(), session_.now().snap, session_.now().metre);
        if (session_.edit(tr("Bring here"), project::bringTo(session_.now(), clips(), at)))
            session_.say(tr("Moved to %1").arg(qt(metre::positionLabel(session_.now().metre.positionAt(at)))));
    });
    list.add("moveEarlier", tr("Move &earlier"), keys(Qt::ALT | Qt::Key_Left), Needs::Clips, OnBar,
             [this] { bars_->nudge(-1, 0); });
    list.add("moveLater", tr("Move &later"), keys(Qt::ALT | Qt::Key_Right), Needs::Clips, OnBar,
             [this] { bars_->nudge(1, 0); });
    list.add("moveUp", tr("Move to the track a&bove"), keys(Qt::ALT | Qt::Key_Up), Needs::Clips, OnBar,
             [this] { bars_->nudge(0, -1); });
    list.add("moveDown", tr("Move to the track belo&w"), keys(Qt::ALT | Qt::Key_Down), Needs::Clips, OnBar,
             [this] { bars_->nudge(0, 1); });
}

// How clips lie in time: a menu of their own.
void MainWindow::clipTimeCommands(CommandList& list) {
    const auto clips = [this] { return session_.selection().clips; };
    list.menu(tr("Fi&t"));
    list.add("fitToBars", tr("&Fit to bars…"), keys(Qt::Key_F), Needs::Clips, OnClip, [this, clips] {
        askNumber(tr("Fit to bars"), tr("How many bars shall the selected clips fill?"), 4, 1, 1024, 0,
                  [this, clips](double bars) {
                      if (session_.settle(tr("Fit to bars"),
                                          project::fitToBars(session_.now(), clips(), static_cast<int>(bars))))
                          session_.say(tr("Fitted to %1 bars").arg(bars));
                  });
    });
    list.under(tr("Fit otherwise"));
    list.add("stretchPercent", tr("Stretch by &percentage…"), {}, Needs::OneClip, OnClip, [this, clips] {
        askNumber(tr("Stretch"), tr("To how many per cent of its length as recorded?"), 100, 25, 400, 3,
                  [this, clips](double percent) {
                      if (!clips().empty())
                          session_.settle(tr("Stretch"),
                                          project::setStretch(session_.now(), clips().front(), percent));
                  });
    });
    list.add("asRecorded", tr("Back to as &recorded"), {}, Needs::Clips, OnClip, [this, clips] {
        if (session_.edit(tr("As recorded"), project::setAsRecorded(session_.now(), clips())))
            session_.say(tr("As recorded: neither stretched nor transposed"));
    });
    list.add("fitNow", tr("Fit to the project &now"), {}, Needs::Nothing, OnClip, [this] {
        if (session_.edit(tr("Fit now"), project::fitNow(session_.now(), session_.document().selectedOrAllClips())))
            session_.say(tr("Fitted to the project's tempo as it is now"));
    });
    list.line();
    list.under(tr("Time rule"));
    for (const auto& [word, rule] : rules()) {
        list.add(
            kept(std::string("clipRule-") + word), tr("%1 (time rule)").arg(ruleWord(rule)), {}, Needs::Clips,
            OnClip,
            [this, clips, rule = rule] {
                session_.edit(tr("Time rule"), project::setRule(session_.now(), clips(), rule));
            },
            [this, rule = rule] {
                const auto& chosen = session_.selection().clips;
                return !chosen.empty() && std::all_of(chosen.begin(), chosen.end(), [&](ClipId id) {
                    const project::LaidClip* c = session_.laid()->find(id);
                    return c != nullptr && c->rule == rule;
                });
            });
    }
    list.add("clipRule-inherit", tr("As its track says (time rule)"), {}, Needs::Clips, OnClip,
             [this, clips] { session_.edit(tr("Time rule"), project::setRule(session_.now(), clips(), {})); });
    list.line();
    list.under(tr("Key"));
    list.add(
        "followsKey", tr("Follow the &key"), {}, Needs::Clips, OnClip,
        [this, clips] {
            const project::LaidClip* c = clips().empty() ? nullptr : session_.laid()->find(clips().front());
            if (c == nullptr) return;
            const bool on = !c->clip->followsKey;
            if (!session_.edit(tr("Follow the key"), project::setFollowsKey(session_.now(), clips(), on))) return;
            const project::LaidClip* now = session_.laid()->find(clips().front());
            if (!on)
                session_.say(tr("In the key it was recorded in"));
            else if (!now->source || !now->source->key || !project::canFollowKey(now->source->kind))
                session_.say(tr("Struck sounds, and those without a key, do not follow one."));
            else
                session_.say(now->time().keyShift
                                 ? tr("Follows the key: %1 semitones here").arg(*now->time().keyShift)
                                 : tr("The project has no key here that it could follow."));
        },
        [this] {
            const auto& chosen = session_.selection().clips;
            return !chosen.empty() && std::all_of(chosen.begin(), chosen.end(), [this](ClipId id) {
                const project::LaidClip* c = session_.laid()->find(id);
                return c != nullptr && c->clip->followsKey;
            });
        });
    list.add(
        "toRelatives", tr("Also into the relative key"), {}, Needs::Clips, OnClip,
        [this, clips] {
            const project::LaidClip* c = clips().empty() ? nullptr : session_.laid()->find(clips().front());
            if (c != nullptr)
                session_.edit(tr("Relative keys"),
                              project::setToRelatives(session_.now(), clips(), !c->clip->toRelatives));
        },
        [this] {
            const auto& chosen = session_.selection().clips;
            return !chosen.empty() && std::all_of(chosen.begin(), chosen.end(), [this](ClipId id) {
                const project::LaidClip* c = session_.laid()->find(id);
                return c != nullptr && c->clip->toRelatives;
            });
        });
}

void MainWindow::trackCommands(CommandList& list) {
    const auto trackIs = [this](const auto& is) {
        const auto id = bars_->track();
        const project::TrackPtr t = id ? project::trackOf(session_.now(), *id) : nullptr;
        return t && is(*t);
    };
    list.menu(tr("T&rack"));
    list.add("newTrack", tr("&New track"), keys(Qt::CTRL | Qt::SHIFT | Qt::Key_N), Needs::Nothing, OnPage, [this] {
        const auto n = static_cast<int>(session_.now().tracks.size());
        session_.edit(tr("New track"),
                      project::addTrack(session_.now(), tr("track %1").arg(n + 1).toStdString()).project);
    });
    list.add("renameTrack", tr("&Rename…"), keys(Qt::Key_F2), Needs::Track, OnTrack,
             [this] { bars_->typeTrackName(*bars_->track()); });
    list.add("duplicateTrack", tr("&Duplicate"), {}, Needs::Track, OnTrack, [this] {
        auto made = project::duplicateTrack(session_.now(), *bars_->track());
        if (!made)
            session_.say(qt(made.error().text));
        else
            session_.edit(tr("Duplicate track"), std::move(made->project));
    });
    list.add("removeTrack", tr("Remo&ve"), {}, Needs::Track, OnTrack, [this] {
        onTrack(tr("Remove track"),
                [](const project::Project& p, const project::Track& t) { return project::removeTrack(p, t.id); });
    });
    const auto shift = [this](int by) {
        onTrack(tr("Move track"), [by](const project::Project& p, const project::Track& t) {
            const auto at =
                std::find_if(p.tracks.begin(), p.tracks.end(), [&](const auto& x) { return x->id == t.id; });
            const auto to = (at - p.tracks.begin()) + by;
            if (to < 0 || to >= static_cast<std::ptrdiff_t>(p.tracks.size()))
                return base::Result<project::Project>(p);
            return project::moveTrack(p, t.id, static_cast<std::size_t>(to));
        });
    };
    list.add("trackUp", tr("Move it &up"), keys(Qt::CTRL | Qt::ALT | Qt::Key_Up), Needs::Track, OnTrack,
             [shift] { shift(-1); });
    list.add("trackDown", tr("Move it do&wn"), keys(Qt::CTRL | Qt::ALT | Qt::Key_Down), Needs::Track, OnTrack,
             [shift] { shift(1); });
    list.line();
    list.add(
        "mute", tr("&Mute it"), {}, Needs::Track, OnTrack,
        [this] {
            onTrack(tr("Mute"), [](const project::Project& p, const project::Track& t) {
                return project::setMute(p, t.id, !t.mute);
            });
        },
        [trackIs] { return trackIs([](const project::Track& t) { return t.mute; }); });
    list.add(
        "solo", tr("&Solo it"), {}, Needs::Track, OnTrack,
        [this] {
            onTrack(tr("Solo"), [](const project::Project& p, const project::Track& t) {
                return project::setSolo(p, t.id, !t.solo);
            });
        },
        [trackIs] { return trackIs([](const project::Track& t) { return t.solo; }); });
    list.add("tintTrack", tr("Another &tint for it"), {}, Needs::Track, OnTrack, [this] {
        onTrack(tr("Tint"), [](const project::Project& p, const project::Track& t) {
            return project::setTrackTint(p, t.id, (t.tint + 1) % 8);
        });
    });
    list.line();
    list.under(tr("Time rule"));
    for (const auto& [word, rule] : rules())
        list.add(
            kept(std::string("trackRule-") + word), tr("%1 for all of it").arg(ruleWord(rule)), {}, Needs::Track,
            OnTrack,
            [this, rule = rule] {
                onTrack(tr("Time rule"), [rule](const project::Project& p, const project::Track& t) {
                    return project::setTrackRule(p, t.id, rule);
                });
            },
            [trackIs, rule = rule] { return trackIs([rule](const project::Track& t) { return t.rule == rule; }); });
    list.add(
        "trackRule-inherit", tr("As the project says"), {}, Needs::Track, OnTrack,
        [this] {
            onTrack(tr("Time rule"), [](const project::Project& p, const project::Track& t) {
                return project::setTrackRule(p, t.id, {});
            });
        },
        [trackIs] { return trackIs([](const project::Track& t) { return !t.rule; }); });
    list.under({});
    list.line();
    list.add("tracksLower", tr("All tracks &lower"), keys(Qt::CTRL | Qt::SHIFT | Qt::Key_Down), Needs::Nothing,
             OnBar, [this] { bars_->stepHeights(-1); });
    list.add("tracksHigher", tr("All tracks &higher"), keys(Qt::CTRL | Qt::SHIFT | Qt::Key_Up), Needs::Nothing,
             OnBar, [this] { bars_->stepHeights(1); });
}

void MainWindow::tempoCommands(CommandList& list) {
    Document& doc = session_.document();
    list.menu(tr("Te&mpo"));
    list.add("typeTempo", tr("T&ype the project tempo"), keys(Qt::CTRL | Qt::Key_T), Needs::Nothing, OnBar,
             [this] { head_->typeTempo(); });
    list.add("tap", tr("&Tap the project tempo"), keys(Qt::Key_T), Needs::Nothing, OnBar, [this] { head_->tap(); });
    list.line();
    list.add("tempoPoint", tr("Tempo &point here…"), keys(Qt::CTRL | Qt::SHIFT | Qt::Key_T), Needs::Nothing,
             OnTempo, [this] { bars_->typeTempoPoint(); });
    const auto shape = [this](metre::TempoPoint::Shape to) {
        const LanePick& pick = bars_->picked();
        if (pick.what == LanePick::What::TempoPoint)
            session_.edit(tr("Tempo point"), project::setTempoShape(session_.now(), pick.at, to));
        else
            session_.say(tr("Pick a point in the tempo's lane first."));
    };
    const auto isShape = [this](metre::TempoPoint::Shape shape_) {
        for (const metre::TempoPoint& p : session_.now().tempo.points())
            if (bars_->picked().what == LanePick::What::TempoPoint && p.at == bars_->picked().at)
                return p.shape == shape_;
        return false;
    };
    list.add(
        "tempoHold", tr("&Hold from it on"), {}, Needs::Pick, OnTempo,
        [shape] { shape(metre::TempoPoint::Shape::Hold); },
        [isShape] { return isShape(metre::TempoPoint::Shape::Hold); });
    list.add(
        "tempoRamp", tr("&Ramp to the next"), {}, Needs::Pick, OnTempo,
        [shape] { shape(metre::TempoPoint::Shape::Ramp); },
        [isShape] { return isShape(metre::TempoPoint::Shape::Ramp); });
    list.add("tempoChange", tr("Faster or &slower…"), {}, Needs::Nothing, OnTempo,
             [this] { bars_->typeTempoChange(); });
    list.line();
    list.add("section", tr("S&ection here…"), keys(Qt::CTRL | Qt::Key_M), Needs::Nothing, OnSection,
             [this] { bars_->typeSection(); });
    list.add("metreOrKey", tr("&Metre or key here…"), keys(Qt::CTRL | Qt::SHIFT | Qt::Key_M), Needs::Nothing,
             OnMetre, [this] { bars_->typeMetreOrKey(); });
    list.line();
    list.add(
        "following", tr("Clips &follow the tempo"), {}, Needs::Nothing, OnBar,
        [this, &doc] {
            const bool on = !session_.now().following;
            if (doc.edit(on ? tr("Follow the tempo") : tr("Stop following"),
                         project::setFollowing(session_.now(), on)))
                session_.say(on ? tr("Clips fill their beats at every tempo")
                                : tr("Clips stay as long as they are now, whatever the tempo does"));
        },
        [this] { return session_.now().following; });
    for (const auto& [word, rule] : rules())
        list.add(
            kept(std::string("projectRule-") + word), tr("%1, where nothing else is said").arg(ruleWord(rule)), {},
            Needs::Nothing, OnBar,
            [this, rule = rule] { session_.edit(tr("Time rule"), project::setProjectRule(session_.now(), rule)); },
            [this, rule = rule] { return session_.now().rule == rule; });
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
        [this, &doc] { doc.setLooping(!session_.now().loop.on); }, [this] { return session_.now().loop.on; });
    list.add("loopSelection", tr("Loop range around the &selection"), keys(Qt::CTRL | Qt::Key_L), Needs::Nothing,
             OnClip, [this] { loopSelection(); });
    list.add("hearPicked", tr("He&ar what is picked on the shelf"), keys(Qt::Key_A), Needs::Nothing, OnBar,
             [this] { shelf_->toggleHearing(); });
    list.add("swapCompared", tr("Hear the &other way (A|B)"), keys(Qt::Key_X), Needs::Nothing, OnClip,
             [this] { bench_->swapCompared(); });
    list.line();
    list.add(
        "click", tr("&Click"), keys(Qt::Key_C), Needs::Nothing, OnPage,
        [this, &doc] { doc.setClick(!session_.now().click); }, [this] { return session_.now().click; });
    list.add(
        "countIn", tr("Count &in before playing"), keys(Qt::SHIFT | Qt::Key_C), Needs::Nothing, OnBar,
        [this, &doc] { doc.setCountIn(session_.now().countIn == 0 ? 1 : 0); },
        [this] { return session_.now().countIn > 0; });
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
