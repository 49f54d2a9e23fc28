// What lies under the surface: gestures, saving, autosave, what is remembered, devices that go.
#include "ui/window.h"

#include "app/commands/commands.h"
#include "app/widgets/figure.h"
#include "base/disk.h"
#include "base/user_folders.h"
#include "project/recovery.h"
#include "project/save.h"
#include "shelf/memory.h"
#include "support/audio.h"

#include <QAction>
#include <QCloseEvent>
#include <QListView>
#include <QMenu>
#include <QMenuBar>
#include <QMessageBox>
#include <QPlainTextEdit>
#include <QPushButton>
#include <QWheelEvent>
#include <mutex>
#include <sndfile.h>

namespace {

using metre::Beats;
using metre::Bpm;
using namespace ui;

void wheel(QWidget* w, int eighths, QPoint at = {}) {
    if (at.isNull()) at = w->rect().center();
    QWheelEvent event(at, w->mapToGlobal(at), {}, {0, eighths}, Qt::NoButton, Qt::NoModifier, Qt::NoScrollPhase,
                      false);
    QApplication::sendEvent(w, &event);
}

struct TwoClips : Window {
    app::ClipId first;
    app::ClipId second;
    TwoClips() {
        import({hands(), shaker()});
        const auto clips = project::allClips(now());
        first = clips.at(0);
        second = clips.at(1);
    }
    double gainOf(app::ClipId id) { return project::clipOf(now(), id)->gainDb; }
};

TEST(Gesture, TurningTwoClipsIsTwoSteps) {
    TwoClips w;
    auto* gain = w.child<app::Figure>("clipGain");
    w.session().document().select({w.first});
    wheel(gain, 240);
    w.session().document().select({w.second});
    wheel(gain, 240);
    EXPECT_EQ(w.gainOf(w.first), 1);
    EXPECT_EQ(w.gainOf(w.second), 1);
    w.session().document().undo();
    EXPECT_EQ(w.gainOf(w.second), 0);
    EXPECT_EQ(w.gainOf(w.first), 1) << "the other clip's turn was another step";
    w.session().document().undo();
    EXPECT_EQ(w.gainOf(w.first), 0);
}

TEST(Gesture, AFocusBeginsAnother) {
    TwoClips w;
    auto* gain = w.child<app::Figure>("clipGain");
    auto* transpose = w.child<app::Figure>("transpose");
    w.session().document().select({w.first});
    gain->setFocus();
    QTest::keyClick(gain, Qt::Key_Up);
    QTest::keyClick(gain, Qt::Key_Up);
    transpose->setFocus();
    gain->setFocus();
    QTest::keyClick(gain, Qt::Key_Up);
    EXPECT_EQ(w.gainOf(w.first), 1.5);
    w.session().document().undo();
    EXPECT_EQ(w.gainOf(w.first), 1);
    w.session().document().undo();
    EXPECT_EQ(w.gainOf(w.first), 0) << "two turns of one focus were one step";
}

TEST(Edits, WhatChangesNothingIsNoStep) {
    TwoClips w;
    const auto steps = w.session().document().history().version();
    w.session().document().select({w.first});
    w.session().edit("Gain", project::setGain(w.now(), {w.first}, 0));
    EXPECT_EQ(w.session().document().history().version(), steps);
}

TEST(Edits, ALockedClipRefusesInWords) {
    TwoClips w;
    w.bars().setFocus();
    w.session().document().select({w.first});
    w.key(Qt::Key_K, Qt::ControlModifier);
    EXPECT_TRUE(project::clipOf(w.now(), w.first)->locked);
    const project::Project before = w.now();
    w.key(Qt::Key_Delete);
    w.drag(w.middleOf(w.first), w.middleOf(w.first) + QPoint(120, 0));
    wheel(w.child<app::Figure>("clipGain"), 120);
    EXPECT_EQ(project::toJson(w.now(), {}), project::toJson(before, {}));
    EXPECT_TRUE(w.status().contains("locked")) << w.status().toStdString();
    w.key(Qt::Key_K, Qt::ControlModifier);
    EXPECT_FALSE(project::clipOf(w.now(), w.first)->locked);
}

TEST(Bars, TakingAnImportBackWhileItsClipIsDraggedEndsTheDrag) {
    Window w;
    w.import({hands()});
    const auto clip = project::allClips(w.now()).at(0);
    const QPoint from = w.middleOf(clip);
    QWidget* v = w.bars().viewport();
    QTest::mousePress(v, Qt::LeftButton, {}, from);
    QTest::mouseMove(v, from + QPoint(40, 0));
    w.session().document().undo();
    ASSERT_TRUE(w.now().tracks.empty());
    QTest::mouseMove(v, from + QPoint(80, 30));
    QTest::mouseRelease(v, Qt::LeftButton, {}, from + QPoint(90, 30));
    EXPECT_TRUE(w.now().tracks.empty());
}

TEST(Bars, EscapeTakesALoopRangeBackThatIsBeingDragged) {
    Window w;
    const auto& l = w.bars().layout();
    const auto before = w.now().loop;
    QWidget* v = w.bars().viewport();
    w.bars().setFocus();
    QTest::mousePress(v, Qt::LeftButton, {}, {static_cast<int>(l.x(Beats(4))), app::BarsLayout::overview + 10});
    QTest::mouseMove(v, {static_cast<int>(l.x(Beats(10))), app::BarsLayout::overview + 10});
    QTest::mouseMove(v, {static_cast<int>(l.x(Beats(12))), app::BarsLayout::overview + 10});
    EXPECT_EQ(w.now().loop.to, Beats(12));
    w.key(Qt::Key_Escape);
    EXPECT_EQ(w.now().loop, before);
    QTest::mouseRelease(v, Qt::LeftButton, {}, {static_cast<int>(l.x(Beats(12))), app::BarsLayout::overview + 10});
    EXPECT_EQ(w.now().loop, before);
}

TEST(Head, AnotherMetreAtTheBeginningKeepsTheLaterOnes) {
    Window w;
    project::Project p = w.now();
    p.metre = *metre::MetreMap::make({{1, {4, 4}}, {9, {3, 4}}, {17, {6, 8}}});
    w.session().edit("Metres", p);
    auto* figure = w.child<app::Figure>("metre");
    figure->setFocus();
    w.key(Qt::Key_Return);
    w.type("5/4");
    w.key(Qt::Key_Return);
    ASSERT_EQ(w.now().metre.points().size(), 3U);
    EXPECT_EQ(w.now().metre.points()[0].metre, (metre::Metre{5, 4}));
    EXPECT_EQ(w.now().metre.points()[1], (metre::MetrePoint{9, {3, 4}}));
    EXPECT_EQ(w.now().metre.points()[2], (metre::MetrePoint{17, {6, 8}}));
}

std::optional<shelf::Settled> remembered(const std::string& content) {
    const auto memory = shelf::Memory::open(shelf::memoryFile());
    return memory ? (*memory)->recall(content) : std::nullopt;
}

// Saves, and waits until that is done.
void saveTo(Window& w, const std::filesystem::path& folder) {
    w.session().files().save(folder);
    w.settle();
    ASSERT_TRUE(waitFor([&] { return !w.session().document().isUnsaved(); }));
}

TEST(Remembered, OnlyWhatTheUserSettlesAndSavesAndUndoTakesItBack) {
    Window w;
    const support::Folder folder;
    w.import({hands()});
    const project::SourcePtr s = w.now().sources[0];
    w.openBench();
    auto* tempo = w.child<app::Figure>("sourceTempo");
    const auto typed = [&](const char* bpm) {
        tempo->setFocus();
        w.key(Qt::Key_Return);
        w.type(bpm);
        w.key(Qt::Key_Return);
    };
    const auto is = [&](std::optional<double> bpm) {
        return waitFor([&] {
            const auto r = remembered(s->content);
            return bpm ? r && std::abs(metre::BeatMap::make(r->pins)->meanTempo().value - *bpm) < 1e-9 : !r;
        });
    };
    saveTo(w, folder / "journey");
    EXPECT_FALSE(remembered(s->content)) << "an import settles nothing";
    typed("90");
    saveTo(w, folder / "journey");
    EXPECT_TRUE(is(90));
    typed("95");
    saveTo(w, folder / "journey");
    EXPECT_TRUE(is(95));
    w.session().document().undo();
    saveTo(w, folder / "journey");
    EXPECT_TRUE(is(90));
    w.session().document().undo();
    saveTo(w, folder / "journey");
    EXPECT_TRUE(is({})) << "what undo restored was never settled by the user";
    w.session().document().redo();
    saveTo(w, folder / "journey");
    EXPECT_TRUE(is(90));
    w.session().remembered().forget({s->id});
    EXPECT_TRUE(is({}));
}

TEST(Remembered, AProjectThatIsThrownAwayTeachesNothing) {
    Window w;
    const support::Folder folder;
    w.import({hands()});
    const project::SourcePtr s = w.now().sources[0];
    w.session().settle("Tempo", project::setSourceTempo(w.now(), s->id, Bpm(90), hear::Witness::Typed));
    w.session().files().startNew();
    // What is asked of the memory is done in order: once another content is there, this one has been through.
    w.import({shaker()});
    const project::SourcePtr other = w.now().sources[0];
    w.session().settle("Tempo", project::setSourceTempo(w.now(), other->id, Bpm(91), hear::Witness::Typed));
    saveTo(w, folder / "journey");
    ASSERT_TRUE(waitFor([&] { return remembered(other->content).has_value(); }));
    EXPECT_FALSE(remembered(s->content));
    w.session().remembered().forget({other->id});
}

TEST(Remembered, AnotherDocumentsUndoTakesNothingBackThatWasSettledBefore) {
    Window w;
    const support::Folder folder;
    w.import({hands()});
    const project::SourcePtr s = w.now().sources[0];
    w.session().settle("Tempo", project::setSourceTempo(w.now(), s->id, Bpm(90), hear::Witness::Typed));
    saveTo(w, folder / "first");
    ASSERT_TRUE(waitFor([&] { return remembered(s->content).has_value(); }));
    const auto version = w.session().document().history().version();
    w.session().files().startNew();
    while (w.session().document().history().version() < version)
        w.session().edit("Tempo", project::setTempo(w.now(), Bpm(w.now().tempo.points()[0].bpm.value + 1)));
    w.session().document().undo();
    w.import({shaker()});
    const project::SourcePtr other = w.now().sources[0];
    w.session().settle("Tempo", project::setSourceTempo(w.now(), other->id, Bpm(91), hear::Witness::Typed));
    saveTo(w, folder / "second");
    ASSERT_TRUE(waitFor([&] { return remembered(other->content).has_value(); }));
    EXPECT_TRUE(remembered(s->content).has_value());
    w.session().remembered().forget({other->id});
}

TEST(Autosave, FollowsAlsoWhatUndoLeavesAlone) {
    Window w;
    EXPECT_TRUE(w.session().autosave().isUpToDate());
    w.session().document().setClick(true);
    EXPECT_FALSE(w.session().autosave().isUpToDate());
    EXPECT_TRUE(waitFor([&] { return w.session().autosave().isUpToDate(); }));
    bool found = false;
    for (const auto& e : std::filesystem::directory_iterator(base::recoveryFolder()))
        if (e.path().extension() == ".json")
            found = support::readBytes(e.path()).find("\"click\": true") != std::string::npos;
    EXPECT_TRUE(found);
    EXPECT_TRUE(project::findRecoveries(base::recoveryFolder()).empty()) << "its owner lives";
}

// What waits for the disk waits until it is let go.
std::mutex busy;
int waitsForTheDisk(base::disk::Step step) {
    if (step == base::disk::Step::Sync) const std::lock_guard wait(busy);
    return 0;
}

TEST(Autosave, DoesNotWaitForADiskThatIsBusy) {
    Window w;
    w.settle();
    base::disk::setGate(waitsForTheDisk);
    {
        const std::lock_guard until(busy);
        for (const double bpm : {71.0, 72.0, 73.0}) {
            w.session().edit("Tempo", project::setTempo(w.now(), Bpm(bpm)));
            ASSERT_TRUE(waitFor([&] { return w.session().autosave().isUpToDate(); }));
        }
        // As a killed process leaves it: nobody holds its lock.
        const support::Folder copied;
        std::filesystem::copy(base::recoveryFolder(), copied.path());
        const auto found = project::findRecoveries(copied.path());
        ASSERT_EQ(found.size(), 1U);
        EXPECT_EQ(found[0].project.tempo.points()[0].bpm, Bpm(73));
    }
    w.window.reset();
    base::disk::setGate(nullptr);
    EXPECT_TRUE(std::filesystem::is_empty(base::recoveryFolder()));
}

TEST(Autosave, NothingIsLeftAtACleanEnd) {
    {
        Window w;
        w.session().edit("Tempo", project::setTempo(w.now(), Bpm(77)));
        ASSERT_TRUE(waitFor([&] { return w.session().autosave().isUpToDate(); }));
        w.session().edit("Tempo", project::setTempo(w.now(), Bpm(78))); // one more, not written yet
    }
    EXPECT_TRUE(std::filesystem::is_empty(base::recoveryFolder()));
}

TEST(Recovery, StaysUntilSomethingNewerIsSafeAndWhenItIsCancelled) {
    std::filesystem::create_directories(base::recoveryFolder());
    const auto file = base::recoveryFolder() / "autosave-of-a-crash.json";
    // With audio, so that recovering takes its time.
    const auto demo = project::loadProject(support::demoFolder());
    support::writeBytes(file, "\n" + project::toJson(*project::setTempo(demo->project, Bpm(93)), {}));
    Window w;
    w.session().files().recover(file);
    w.session().jobs().cancel(app::Lane::Document);
    w.settle();
    EXPECT_TRUE(std::filesystem::exists(file)) << "recovering was cancelled";
    w.session().files().recover(file);
    w.settle();
    EXPECT_EQ(w.now().tempo.points()[0].bpm, Bpm(93));
    EXPECT_TRUE(waitFor([&] { return !std::filesystem::exists(file); }));
    EXPECT_TRUE(w.session().autosave().isUpToDate()) << "it was written anew before it went";
}

TEST(Recovery, TheBarsButtonsKeepTheirSizeAndSelectIsRemembered) {
    std::filesystem::create_directories(base::recoveryFolder());
    support::writeBytes(base::recoveryFolder() / "autosave-of-a-crash.json", "\n" + project::toJson({}, {}));
    Window w;
    w.window->selectOnceThere("winch");
    auto* offer = w.child<QPushButton>("messageAction");
    ASSERT_TRUE(waitFor([&] { return offer->isVisible(); }));
    EXPECT_LT(offer->width(), 200);
    EXPECT_GT(offer->mapTo(w.window.get(), QPoint()).x(), 900) << "at the right";
    w.session().files().open(support::demoFolder());
    w.settle();
    EXPECT_TRUE(waitFor([&] { return w.session().selection().source.has_value(); }));
    EXPECT_EQ(project::sourceOf(w.now(), *w.session().selection().source)->name, "winch_hands_112bpm");
    project::removeRecovery(base::recoveryFolder() / "autosave-of-a-crash.json");
}

TEST(Save, WhatIsChangedMeanwhileIsAskedAboutAgain) {
    Window w;
    const support::Folder folder;
    w.import({hands()});
    w.session().files().save(folder / "journey");
    w.settle();
    w.session().edit("Tempo", project::setTempo(w.now(), Bpm(90)));
    QCloseEvent close;
    QApplication::sendEvent(w.window.get(), &close);
    ASSERT_FALSE(close.isAccepted());
    auto* box = w.child<QMessageBox>("unsavedBox");
    for (QAbstractButton* b : box->buttons())
        if (b->text() == "Save first") QTest::mouseClick(b, Qt::LeftButton);
    // While it is being saved, another edit.
    w.session().edit("Tempo", project::setTempo(w.now(), Bpm(91)));
    QMessageBox* again = nullptr;
    ASSERT_TRUE(waitFor([&] {
        for (auto* each : w.window->findChildren<QMessageBox*>("unsavedBox"))
            if (each->isVisible() && each != box) again = each;
        return again != nullptr;
    }));
    EXPECT_TRUE(w.window->isVisible()) << "nothing was lost";
    EXPECT_EQ(w.now().tempo.points()[0].bpm, Bpm(91));
    for (QAbstractButton* b : again->buttons())
        if (b->text() == "Stay") QTest::mouseClick(b, Qt::LeftButton);
    EXPECT_EQ(project::loadProject(folder / "journey")->project.tempo.points()[0].bpm, Bpm(90));
}

TEST(Jobs, SavingWaitsForNoImport) {
    Window w;
    const support::Folder folder;
    w.import({shaker()});
    support::writeSound(folder / "long_100bpm.wav", support::noise(180, 44100, 2),
                        SF_FORMAT_WAV | SF_FORMAT_PCM_16);
    w.session().importing().bringIn({folder / "long_100bpm.wav"}, {}, Beats(0));
    w.session().files().save(folder / "journey");
    EXPECT_EQ(w.session().jobs().shown().size(), 2U) << "side by side";
    ASSERT_TRUE(waitFor([&] { return !w.session().jobs().isBusy(app::Lane::Save); }));
    EXPECT_TRUE(std::filesystem::exists(folder / "journey" / "project.json"));
    EXPECT_TRUE(w.session().jobs().isBusy(app::Lane::Import)) << "the import goes on";
    w.session().jobs().cancel(app::Lane::Import);
    w.settle();
}

TEST(Jobs, OfOneLaneTheyFollowEachOtherAndEachCanBeCancelled) {
    Window w;
    app::Jobs& jobs = w.session().jobs();
    ASSERT_TRUE(waitFor([&] { return !jobs.isBusy(); })); // what a start brings with it
    std::vector<int> ended;
    const auto start = [&](int n) {
        return jobs.start<int>(
            app::Lane::Listen, "Work",
            [n](const base::Progress& p) {
                if (n == 1)
                    while (!p.stopped())
                        std::this_thread::yield();
                return n;
            },
            [&](int result) { ended.push_back(result); });
    };
    const auto first = start(1);
    const auto second = start(2);
    start(3);
    const auto shown = jobs.shown();
    ASSERT_EQ(shown.size(), 3U);
    EXPECT_FALSE(shown[0].queued);
    EXPECT_TRUE(shown[1].queued && shown[2].queued);
    jobs.cancel(second);
    jobs.cancel(first);
    ASSERT_TRUE(waitFor([&] { return !jobs.isBusy(); }));
    EXPECT_EQ(ended, (std::vector<int>{1, 3})) << "what was cancelled while it waited was never begun";
}

TEST(Jobs, AnExceptionBecomesASentenceAndTheDocumentStays) {
    TwoClips w;
    w.session().jobs().start<int>(
        app::Lane::Files, "Counting boats",
        [](const base::Progress&) -> int { throw std::runtime_error("the water is too low"); },
        [](int) { FAIL(); });
    w.settle();
    EXPECT_TRUE(w.child<QPlainTextEdit>("messageLines")->toPlainText().contains("the water is too low"));
    EXPECT_EQ(project::allClips(w.now()).size(), 2U);
    w.session().jobs().start<int>(
        app::Lane::Files, "Counting boats", [](const base::Progress&) -> int { throw std::bad_alloc(); },
        [](int) { FAIL(); });
    w.settle();
    EXPECT_TRUE(w.child<QPlainTextEdit>("messageLines")->toPlainText().contains("memory"));
}

// A device that can be made to go.
class Fragile : public play::SimulatedOutput {
  public:
    Fragile() : SimulatedOutput(48000, Pace::RealTime) {}
    bool isSimulated() const override { return false; }
    bool isAlive() override { return alive; }
    std::string description() const override { return "JACK: a boat's radio"; }
    bool alive = true;
};

TEST(Device, OneThatGoesIsNoticedAndCanBeTakenAgain) {
    setenv("PATIENT_METRE_OUTPUT", "simulated", 1);
    auto output = std::make_unique<Fragile>();
    Fragile* device = output.get();
    app::MainWindow window({std::move(output), ""});
    window.show();
    window.session().transport().toggle();
    ASSERT_TRUE(waitFor([&] { return window.session().player().position() > Beats(0.2); }));
    device->alive = false;
    ASSERT_TRUE(waitFor([&] { return window.session().player().output().isSimulated(); }));
    EXPECT_TRUE(window.session().player().isPlaying());
    const double at = window.session().player().position().value;
    EXPECT_TRUE(waitFor([&] { return window.session().player().position() > Beats(at + 0.2); }))
        << "it goes on, silently";
    EXPECT_TRUE(window.session().device().told().contains("a boat's radio"))
        << window.session().device().told().toStdString();
    auto* offer = window.findChild<QPushButton*>("messageAction");
    ASSERT_NE(offer, nullptr);
    EXPECT_EQ(offer->text(), "Reconnect the device");
    EXPECT_TRUE(offer->isVisible());
    QTest::mouseClick(offer, Qt::LeftButton);
    EXPECT_TRUE(window.session().player().output().isSimulated()) << "there is still none, and that is said";
}

TEST(Commands, OneTableFeedsMenusKeysAndTheMenuAtThePointer) {
    TwoClips w;
    auto* commands = w.window->findChild<app::Commands*>();
    ASSERT_NE(commands, nullptr);
    QStringList inBar;
    const std::function<void(const QMenu&)> list = [&](const QMenu& menu) {
        for (QAction* a : menu.actions())
            if (a->menu() != nullptr)
                list(*a->menu());
            else if (!a->isSeparator())
                inBar << a->objectName();
    };
    for (QAction* top : w.window->menuBar()->actions())
        list(*top->menu());
    QStringList keys;
    qsizetype count = 0;
    for (const app::CommandMenu& m : commands->menus())
        for (const app::CommandGroup& group : m.groups)
            for (const app::Command& c : group.commands) {
                ++count;
                EXPECT_EQ(inBar.count(c.name), 1) << c.name.toStdString();
                for (const QKeySequence& k : commands->action(c.name)->shortcuts()) {
                    EXPECT_FALSE(k.isEmpty()) << c.keys.toStdString();
                    keys << k.toString();
                }
                EXPECT_EQ(commands->action(c.name)->shortcuts().isEmpty(), c.keys.isEmpty())
                    << c.keys.toStdString();
            }
    EXPECT_EQ(inBar.size(), count);
    EXPECT_EQ(keys.removeDuplicates(), 0) << "each key means one thing";
    QMenu menu;
    commands->fill(menu, app::OnClip);
    EXPECT_TRUE(menu.actions().contains(commands->action("fitToBars")));
    EXPECT_FALSE(menu.actions().contains(commands->action("quit")));
    EXPECT_TRUE(commands->action("fitToBars")->isEnabled());
    w.session().document().select({});
    EXPECT_FALSE(commands->action("fitToBars")->isEnabled());
    const auto listed = commands->keys();
    EXPECT_EQ(std::count_if(listed.begin(), listed.end(), [](const auto& k) { return k.key == "Ctrl+K"; }), 1);
}

// At most fourteen entries in a menu, none twice, groups between lines; and nothing that can never be done.
TEST(Commands, EveryMenuIsShortEnoughToReadAndEveryEntryCanBeGivenSomewhere) {
    TwoClips w;
    auto* commands = w.window->findChild<app::Commands*>();
    constexpr int most = 14;
    const std::function<void(const QMenu&, const QString&)> walk = [&](const QMenu& menu, const QString& path) {
        int entries = 0;
        QStringList texts;
        bool lineBefore = true;
        for (QAction* a : menu.actions()) {
            if (a->isSeparator()) {
                EXPECT_FALSE(lineBefore) << path.toStdString() << " has a line that parts nothing";
                lineBefore = true;
                continue;
            }
            lineBefore = false;
            ++entries;
            texts << a->text().remove('&');
            if (a->menu() != nullptr) walk(*a->menu(), path + " > " + a->text());
        }
        EXPECT_FALSE(lineBefore && entries > 0) << path.toStdString() << " ends with a line";
        EXPECT_LE(entries, most) << path.toStdString();
        EXPECT_GT(entries, 0) << path.toStdString();
        EXPECT_EQ(texts.removeDuplicates(), 0) << path.toStdString() << " says something twice";
    };
    for (QAction* top : w.window->menuBar()->actions())
        walk(*top->menu(), top->text());
    QSet<QString> given;
    const auto note = [&] {
        for (const app::CommandMenu& m : commands->menus())
            for (const app::CommandGroup& group : m.groups)
                for (const app::Command& c : group.commands)
                    if (commands->action(c.name)->isEnabled()) given.insert(c.name);
    };
    const auto pointerMenus = [&](const char* when) {
        note();
        for (const app::Offer place : {app::OnClip, app::OnTrack, app::OnSource, app::OnPage, app::OnTempo,
                                       app::OnSection, app::OnMetre, app::OnRail, app::OnStraighten, app::OnLead}) {
            QMenu menu;
            commands->fill(menu, place);
            if (!menu.isEmpty()) walk(menu, QStringLiteral("%1, place %2").arg(when).arg(int(place)));
        }
    };
    w.session().document().select({w.first});
    pointerMenus("one clip");
    w.session().document().select({w.first, w.second});
    pointerMenus("two clips");
    w.session().listening().makeSet({w.now().sources[0]->id, w.now().sources[1]->id});
    w.settle();
    w.session().document().select({w.first});
    note();
    w.session().document().undo();
    note();
    w.window->bars().pick({app::LanePick::What::TempoPoint, app::Beats(0), {}});
    note();
    for (const app::CommandMenu& m : commands->menus())
        for (const app::CommandGroup& group : m.groups)
            for (const app::Command& c : group.commands)
                EXPECT_TRUE(given.contains(c.name) || c.needs == app::Needs::Pins || c.needs == app::Needs::Set)
                    << c.name.toStdString();
}

TEST(Commands, WhatCannotBeDoneIsNotOfferedAtThePointerButAmongWhatIsDoneMost) {
    TwoClips w;
    auto* commands = w.window->findChild<app::Commands*>();
    w.session().document().select({});
    QMenu menu;
    commands->fill(menu, app::OnClip);
    EXPECT_TRUE(menu.actions().contains(commands->action("cut"))) << "its absence would puzzle";
    EXPECT_FALSE(commands->action("cut")->isEnabled());
    EXPECT_FALSE(menu.actions().contains(commands->action("fitToBars")));
}

TEST(Commands, ARightClickOnAClipSelectsItAndOffersWhatCanBeDone) {
    TwoClips w;
    w.session().document().select({});
    bool seen = false;
    QTimer::singleShot(0, [&] {
        auto* menu = qobject_cast<QMenu*>(QApplication::activePopupWidget());
        seen = menu != nullptr && menu->objectName() == "pointerMenu";
        if (menu != nullptr) menu->close();
    });
    const QPoint at = w.middleOf(w.second);
    QContextMenuEvent event(QContextMenuEvent::Mouse, at, w.bars().viewport()->mapToGlobal(at));
    QApplication::sendEvent(w.bars().viewport(), &event);
    EXPECT_TRUE(seen);
    EXPECT_EQ(w.session().selection().clips, std::vector{w.second});
}

TEST(Commands, ASourceOnTheShelfHasItsMenuToo) {
    TwoClips w;
    w.session().document().select({});
    auto* list = w.child<QListView>("shelfList");
    QStringList offered;
    QTimer::singleShot(0, [&] {
        auto* menu = qobject_cast<QMenu*>(QApplication::activePopupWidget());
        if (menu == nullptr) return;
        for (QAction* a : menu->actions())
            offered << a->objectName();
        menu->close();
    });
    emit list->customContextMenuRequested(list->visualRect(list->model()->index(1, 0)).center());
    EXPECT_TRUE(offered.contains("half") && offered.contains("writeTempo")) << offered.join(' ').toStdString();
    ASSERT_TRUE(w.session().selection().source);
    EXPECT_EQ(*w.session().selection().source, w.now().sources[1]->id);
}

TEST(WriteTempo, AsksFirstAndLeavesWhatStandsInTheFile) {
    Window w;
    const support::Folder folder;
    const auto file = folder / "hands.wav";
    std::filesystem::copy_file(hands(), file);
    w.import({file});
    const std::string before = support::readBytes(file);
    const auto answered = [&](const char* text) {
        w.session().document().selectSource(w.now().sources[0]->id);
        w.window->findChild<QAction*>("writeTempo")->trigger();
        auto* box = w.child<QMessageBox>("writeBox");
        if (box == nullptr) return;
        EXPECT_TRUE(box->text().contains("hands.wav")) << box->text().toStdString();
        for (QAbstractButton* b : box->buttons())
            if (b->text() == text) QTest::mouseClick(b, Qt::LeftButton);
        w.activate();
        w.settle();
    };
    answered("Cancel");
    EXPECT_TRUE(support::readBytes(file) == before);
    answered("Write");
    ASSERT_TRUE(waitFor([&] { return support::readBytes(file) != before; }));
    EXPECT_NE(support::readBytes(file).find("TBPM"), std::string::npos);
}

} // namespace
