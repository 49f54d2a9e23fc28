// A day's work without the pointer: the jobs of steps_test.cpp by keys alone, on the page, the rails, the Bench,
// the Shelf and the sheets. What is selected is selected by keys, a menu's command by its keys in the menu bar.
#include "project/counted.h"
#include "project/edit_clips.h"
#include "project/pins.h"
#include "project/settle.h"
#include "project/timing.h"
#include "ui/work_day.h"

#include <QAction>
#include <QCheckBox>
#include <QComboBox>
#include <QInputDialog>
#include <QListView>
#include <QMenuBar>
#include <QPushButton>

#include "app/bench/tempo_plot.h"
#include "app/shelf/entry_model.h"
#include "app/widgets/figure.h"

namespace {

using app::ClipId;
using metre::Beats;
using metre::Bpm;
using metre::Seconds;
using ui::waitFor;

constexpr auto none = Qt::NoModifier;
constexpr auto ctrl = Qt::ControlModifier;
constexpr auto alt = Qt::AltModifier;
constexpr auto shift = Qt::ShiftModifier;

struct Keys : ui::WorkDay {
    void press(Qt::Key k, Qt::KeyboardModifiers m = none) {
        QWidget* to = QApplication::activePopupWidget() != nullptr ? QApplication::activePopupWidget()
                      : QApplication::activeModalWidget() != nullptr && QApplication::focusWidget() == nullptr
                          ? QApplication::activeModalWidget()
                          : nullptr;
        if (to != nullptr)
            QTest::keyClick(to, k, m);
        else
            key(k, m);
    }
    void write(const QString& text) {
        type(text);
        press(Qt::Key_Return);
    }
    // Goes on with Tab until a widget has the focus; fails where the whole round does not come by.
    void tabTo(QWidget* wanted) {
        ASSERT_NE(wanted, nullptr);
        // There is no window manager to do this.
        if (QApplication::activeWindow() != wanted->window()) QApplication::setActiveWindow(wanted->window());
        for (int i = 0; i < 400 && QApplication::focusWidget() != wanted; ++i)
            press(Qt::Key_Tab);
        ASSERT_EQ(QApplication::focusWidget(), wanted)
            << wanted->objectName().toStdString() << (wanted->isVisible() ? "" : ", which is hidden")
            << (wanted->isEnabled() ? "" : ", which is off");
    }
    // A figure turned to typing, and typed.
    void figure(const char* name, const QString& text) {
        auto* f = child<app::Figure>(name);
        ASSERT_NE(f, nullptr) << name;
        tabTo(f);
        press(Qt::Key_Return);
        write(text);
    }
    // From the menu bar, by the letters that are underlined there.
    void choose(const char* name) {
        auto* action = child<QAction>(name);
        ASSERT_NE(action, nullptr) << name;
        ASSERT_TRUE(action->isEnabled()) << name;
        activate(); // there is no window manager to do this when a menu closes
        std::vector<QAction*> way;
        std::function<bool(QList<QAction*>)> find = [&](const QList<QAction*>& actions) {
            for (QAction* a : actions) {
                way.push_back(a);
                if (a == action || (a->menu() != nullptr && find(a->menu()->actions()))) return true;
                way.pop_back();
            }
            return false;
        };
        ASSERT_TRUE(find(window->menuBar()->actions())) << name;
        const auto letter = [](const QAction* a) {
            const QString text = a->text();
            for (int i = 0; i + 1 < text.size(); ++i)
                if (text[i] == '&' && text[i + 1] != '&') return text[i + 1];
            return QChar();
        };
        for (const QAction* a : way)
            ASSERT_FALSE(letter(a).isNull()) << a->text().toStdString() << " has no letter";
        QTest::keyClick(window.get(), letter(way.front()).toUpper().toLatin1(), alt);
        for (std::size_t i = 1; i < way.size(); ++i) {
            QWidget* popup = way[i - 1]->menu();
            ASSERT_TRUE(waitFor([&] { return popup->isVisible(); })) << way[i - 1]->text().toStdString();
            // A letter that several have goes round among them.
            for (int tries = 0; tries < 12; ++tries) {
                QTest::keyClick(popup, letter(way[i]).toUpper().toLatin1());
                auto* menu = static_cast<QMenu*>(popup);
                if (!popup->isVisible() || (way[i]->menu() != nullptr && way[i]->menu()->isVisible())) break;
                if (menu->activeAction() == way[i]) {
                    QTest::keyClick(popup, Qt::Key_Return);
                    break;
                }
            }
        }
        settle();
        // As above.
        QApplication::setActiveWindow(window.get());
        if (QApplication::focusWidget() == nullptr) bars().setFocus();
    }
    void answer(const QString& text) {
        QInputDialog* dialog = nullptr;
        ASSERT_TRUE(waitFor([&] {
            dialog = window->findChild<QInputDialog*>();
            return dialog != nullptr && dialog->isVisible();
        }));
        const QPointer<QInputDialog> open(dialog);
        auto* line = dialog->findChild<QLineEdit*>();
        ASSERT_NE(line, nullptr);
        QTest::keyClick(line, Qt::Key_A, ctrl);
        QTest::keyClicks(line, text);
        QTest::keyClick(line, Qt::Key_Return);
        ASSERT_TRUE(waitFor([&] { return open.isNull() || !open->isVisible(); }));
        activate();
    }
    ClipId loopThere(double bpm = 104, int beats = 16, const char* name = "pole") {
        return bring(madeLoop(name, bpm, beats));
    }
    ClipId takeThere() { return bring(madeTake()); }
    ClipId bring(const std::filesystem::path& file) {
        import({file}); // by its key, and its name typed
        bars().setFocus();
        session().document().select({});
        return lastClip();
    }
    // The first clip, from nowhere.
    void selectFirst() {
        tabTo(&bars());
        press(Qt::Key_Right, ctrl);
        ASSERT_EQ(session().selection().clips.size(), 1U);
    }
};

TEST(Keyboard, ACursorGoesOverLanesTracksAndClips) {
    Keys k;
    const ClipId first = k.loopThere(104, 16, "pole");
    const ClipId second = k.loopThere(112, 16, "oars");
    k.tabTo(&k.bars());
    k.press(Qt::Key_M, ctrl);
    k.write("lock");
    ASSERT_EQ(k.now().sections.size(), 1U);
    k.press(Qt::Key_Escape);
    k.press(Qt::Key_Escape);
    k.press(Qt::Key_Down);
    EXPECT_EQ(k.bars().picked().what, app::LanePick::What::Section);
    k.press(Qt::Key_Down);
    EXPECT_EQ(k.session().selection().clips, std::vector<ClipId>{first});
    EXPECT_EQ(k.bars().picked().what, app::LanePick::What::Nothing);
    k.press(Qt::Key_Down, shift);
    EXPECT_EQ(k.session().selection().clips, (std::vector<ClipId>{first, second})) << "Shift takes it as well";
    k.press(Qt::Key_Down);
    EXPECT_EQ(k.session().selection().clips.back(), second) << "the last track is the end";
    k.press(Qt::Key_Up);
    EXPECT_EQ(k.session().selection().clips, std::vector<ClipId>{first});
    k.press(Qt::Key_Right, ctrl | shift);
    EXPECT_EQ(k.session().selection().clips.size(), 2U);
    k.press(Qt::Key_Return);
    EXPECT_FALSE(k.rails().isHidden()) << "Enter opens the Bench";
}

TEST(Keyboard, AnEmptyTrackIsReachedAndNamed) {
    Keys k;
    k.loopThere();
    k.tabTo(&k.bars());
    k.press(Qt::Key_N, ctrl | shift);
    ASSERT_EQ(k.now().tracks.size(), 2U);
    k.press(Qt::Key_Escape);
    k.press(Qt::Key_Up);
    k.press(Qt::Key_Down);
    k.press(Qt::Key_Down);
    EXPECT_EQ(k.bars().track(), k.now().tracks[1]->id);
    EXPECT_TRUE(k.session().selection().clips.empty());
    k.press(Qt::Key_Return);
    k.write("chorus");
    EXPECT_EQ(k.now().tracks[1]->name, "chorus");
}

// The track that commands mean is the selected clip's, however the clip was selected.
TEST(Keyboard, AClickGoesOnFromTheKeys) {
    Keys k;
    const ClipId first = k.loopThere(104, 16, "pole");
    const ClipId second = k.loopThere(112, 16, "oars");
    k.window->findChild<QAction*>("zoomAll")->trigger();
    k.selectFirst();
    ASSERT_EQ(k.session().selection().clips, std::vector<ClipId>{first});
    EXPECT_EQ(k.bars().track(), k.now().tracks[0]->id);
    QTest::mouseClick(k.bars().viewport(), Qt::LeftButton, {}, k.middleOf(second));
    EXPECT_EQ(k.bars().track(), k.now().tracks[1]->id);
    k.press(Qt::Key_Up);
    EXPECT_EQ(k.session().selection().clips, std::vector<ClipId>{first});
    EXPECT_EQ(k.bars().track(), k.now().tracks[0]->id);
}

// As Del deletes what is picked in a lane before clips, Alt moves that.
TEST(Keyboard, WhatIsPickedInALaneMovesBeforeClips) {
    Keys k;
    const ClipId id = k.loopThere();
    k.selectFirst();
    k.bars().pick({app::LanePick::What::TempoPoint, Beats(0), {}});
    const Bpm before = k.now().tempo.points().front().bpm;
    k.press(Qt::Key_Up, alt);
    EXPECT_NEAR(k.now().tempo.points().front().bpm.value, before.value + 1, 1e-9);
    EXPECT_EQ(k.laid(id).trackIndex, 0U);
}

TEST(Keyboard, EdgesMoveByTheGrid) {
    Keys k;
    const ClipId id = k.loopThere(104, 16);
    k.selectFirst();
    const auto end = [&] { return k.laid(id).time().end.value; };
    const double grid = metre::gridAfter(Beats(0), k.now().view.snap, k.now().metre).value;
    k.press(Qt::Key_Left, alt | shift);
    EXPECT_NEAR(end(), 16 - grid, 1e-6);
    k.press(Qt::Key_Right, alt | shift);
    EXPECT_NEAR(end(), 16, 1e-6);
    k.press(Qt::Key_Right, ctrl | alt);
    EXPECT_NEAR(k.laid(id).time().start.value, grid, 1e-6);
    k.press(Qt::Key_Z, ctrl);
    EXPECT_NEAR(k.laid(id).time().start.value, 0, 1e-6);
}

TEST(Keyboard, TempoPointsAndSectionsMove) {
    Keys k;
    k.loopThere();
    k.tabTo(&k.bars());
    for (int i = 0; i < 4; ++i)
        k.press(Qt::Key_Right); // the play position
    k.press(Qt::Key_T, ctrl | shift);
    k.write("126");
    ASSERT_EQ(k.now().tempo.points().size(), 2U);
    const Beats at = k.now().tempo.points()[1].at;
    k.press(Qt::Key_Up, alt);
    EXPECT_NEAR(k.now().tempo.points()[1].bpm.value, 127, 1e-9);
    k.press(Qt::Key_Down, alt | shift);
    EXPECT_NEAR(k.now().tempo.points()[1].bpm.value, 126.9, 1e-9);
    k.press(Qt::Key_Right, alt);
    EXPECT_GT(k.now().tempo.points()[1].at, at);
    k.press(Qt::Key_Left, ctrl);
    EXPECT_EQ(k.bars().picked().at, Beats(0)) << "along the lane";
    k.press(Qt::Key_Right, ctrl);
    k.press(Qt::Key_Delete);
    EXPECT_EQ(k.now().tempo.points().size(), 1U);
    k.press(Qt::Key_M, ctrl);
    k.write("lock");
    const Beats section = k.now().sections.front().at;
    k.press(Qt::Key_Right, alt);
    EXPECT_GT(k.now().sections.front().at, section);
}

TEST(Keyboard, PinsAreReachedExtendedMovedAndNamed) {
    Keys k;
    const ClipId id = k.takeThere();
    k.selectFirst();
    k.press(Qt::Key_Return);
    k.tabTo(&k.rails());
    k.press(Qt::Key_PageDown, ctrl);
    ASSERT_EQ(k.rails().picked().size(), 1U);
    k.press(Qt::Key_PageDown, ctrl | shift);
    EXPECT_EQ(k.rails().picked().size(), 2U);
    k.press(Qt::Key_Escape);
    k.press(Qt::Key_PageDown, ctrl);
    const Beats beat = k.rails().picked().front();
    const auto at = [&] { return k.recordingOf(id).beats->secondsAt(beat).value; };
    const double before = at();
    k.press(Qt::Key_Right, ctrl);
    EXPECT_NEAR(at(), before + 0.01, 1e-9);
    k.press(Qt::Key_Return);
    k.answer("upbeat");
    const auto pins = project::pinsOf(k.recordingOf(id));
    EXPECT_TRUE(std::any_of(pins.begin(), pins.end(), [](const auto& p) { return p.name == "upbeat"; }));
}

TEST(Keyboard, TheTempoPlotIsReadAndPinsByKeys) {
    Keys k;
    k.window->resize(1280, 1000);
    const ClipId id = k.takeThere();
    k.openBench();
    k.selectFirst();
    k.settle();
    auto* plot = k.child<app::TempoPlot>("tempoPlot");
    ASSERT_TRUE(waitFor([&] { return plot->isVisible(); }));
    k.tabTo(plot);
    k.press(Qt::Key_Right);
    k.press(Qt::Key_Right);
    k.press(Qt::Key_Right);
    k.press(Qt::Key_Return);
    const auto pins = project::pinsOf(k.recordingOf(id));
    EXPECT_TRUE(std::any_of(pins.begin(), pins.end(), [](const auto& p) { return p.byHand; }));
    // Keys of the window stay the window's.
    const Beats start = k.laid(id).time().start;
    k.press(Qt::Key_Right, alt);
    EXPECT_GT(k.laid(id).time().start, start);
}

// The jobs, in the order of steps_test.cpp.

TEST(Keyboard, BringInALoopAndFitIt) {
    Keys k;
    const ClipId id = k.loopThere(112);
    EXPECT_TRUE(k.laid(id).time().follows);
}

TEST(Keyboard, RefitByTheProjectsTempo) {
    Keys k;
    const ClipId id = k.loopThere();
    k.press(Qt::Key_T, ctrl);
    k.write("96");
    EXPECT_NEAR(metre::toSeconds(k.laid(id).time().length, 48000).value, 16 * 60 / 96.0, 0.001);
}

TEST(Keyboard, SpacePlaysButOnAButtonThatWasReachedByTab) {
    Keys k;
    const ClipId id = k.loopThere(112);
    k.selectFirst();
    auto* place = k.child<QPushButton>("rule-place");
    QTest::mouseClick(place, Qt::LeftButton);
    ASSERT_FALSE(k.laid(id).time().stretched);
    k.press(Qt::Key_Z, ctrl);
    place->setFocus(Qt::MouseFocusReason);
    k.press(Qt::Key_Space);
    EXPECT_TRUE(waitFor([&] { return k.session().player().isPlaying(); })) << "after a click it plays";
    EXPECT_TRUE(k.laid(id).time().stretched);
    k.press(Qt::Key_Space);
    k.tabTo(k.child<QWidget>("method-held"));
    k.press(Qt::Key_Return);
    EXPECT_EQ(k.laid(id).clip->stretch.method, stretch::Method::Held) << "Enter presses";
}

TEST(Keyboard, RefuseFitting) {
    Keys k;
    const ClipId id = k.loopThere(112);
    k.selectFirst();
    k.tabTo(k.child<QWidget>("rule-place"));
    k.press(Qt::Key_Space);
    EXPECT_FALSE(k.laid(id).time().stretched);
}

TEST(Keyboard, CorrectAHalfTempo) {
    Keys k;
    const ClipId id = k.loopThere(104);
    k.selectFirst();
    k.press(Qt::Key_Minus, alt);
    EXPECT_NEAR(k.recordingOf(id).beats->meanTempo().value, 52, 0.1);
}

TEST(Keyboard, SettleByTapping) {
    Keys k;
    const ClipId id = k.loopThere(100, 32);
    k.selectFirst();
    k.press(Qt::Key_Space, shift);
    ASSERT_TRUE(waitFor([&] { return k.session().player().isPlayingRaw(); }));
    for (int tap = 1; tap <= 5; ++tap) {
        ASSERT_TRUE(waitFor([&] { return k.session().player().rawPosition() >= Seconds(0.6 * tap); }));
        k.press(Qt::Key_T, shift);
    }
    k.press(Qt::Key_Space, shift);
    EXPECT_NE(project::readingBy(k.recordingOf(id), hear::Witness::Tapped), nullptr);
}

TEST(Keyboard, SettleByTheTrialClick) {
    Keys k;
    const ClipId id = k.loopThere(100, 32);
    k.selectFirst();
    k.press(Qt::Key_Return);
    k.press(Qt::Key_Space, shift);
    k.tabTo(&k.rails());
    k.press(Qt::Key_Up, ctrl);
    k.press(Qt::Key_U, ctrl);
    EXPECT_NEAR(k.recordingOf(id).beats->meanTempo().value, 101, 0.05);
}

TEST(Keyboard, SettleByMarksAndANumberOfBeats) {
    Keys k;
    const ClipId id = k.loopThere(100, 32);
    k.openBench();
    k.selectFirst();
    k.settle();
    k.tabTo(&k.rails());
    k.rails().goHere(Seconds(2.4)); // or by so many onsets
    k.press(Qt::Key_BracketLeft, ctrl);
    k.rails().goHere(Seconds(7.2));
    k.press(Qt::Key_BracketRight, ctrl);
    ASSERT_TRUE(k.recordingOf(id).marks);
    EXPECT_NEAR(k.recordingOf(id).marks->from.value, 2.4, 1e-9);
    EXPECT_NEAR(k.recordingOf(id).marks->to.value, 7.2, 1e-9);
    k.figure("sourceBeats", "8");
    EXPECT_NEAR(k.recordingOf(id).beats->meanTempo().value, 100, 0.3);
}

TEST(Keyboard, SetBeatOne) {
    Keys k;
    const ClipId id = k.loopThere(100, 32);
    k.selectFirst();
    k.press(Qt::Key_Period, alt);
    EXPECT_NEAR(k.recordingOf(id).beats->secondsAt(Beats(0)).value, 0.6, 0.005);
}

TEST(Keyboard, PinADriftingTake) {
    Keys k;
    const ClipId id = k.takeThere();
    k.selectFirst();
    k.press(Qt::Key_Return);
    for (int i = 0; i < 9; ++i)
        k.press(Qt::Key_Period);
    k.press(Qt::Key_P);
    const auto pins = project::pinsOf(k.recordingOf(id));
    EXPECT_TRUE(std::any_of(pins.begin(), pins.end(), [](const project::SourcePin& p) { return p.byHand; }));
}

TEST(Keyboard, LetATakeLeadHoldItAndScaleIt) {
    Keys k;
    k.takeThere();
    k.selectFirst();
    k.choose("leadBeats");
    ASSERT_TRUE(k.now().lead);
    k.choose("holdTempo");
    EXPECT_EQ(k.now().tempo.points().size(), 1U);
    k.press(Qt::Key_Z, ctrl);
    ASSERT_TRUE(k.now().lead);
    k.choose("scaleLead");
    k.answer("110");
    EXPECT_FALSE(k.now().lead);
    k.press(Qt::Key_Z, ctrl);
    k.choose("letGo");
    EXPECT_FALSE(k.now().lead);
}

TEST(Keyboard, TakeProjectTime) {
    Keys k;
    const ClipId id = k.takeThere();
    k.selectFirst();
    k.choose("takeTime");
    EXPECT_TRUE(k.laid(id).time().job()->map.isIdentity());
}

TEST(Keyboard, KeepBarOneAndBarFourOfALoop) {
    Keys k;
    k.loopThere(104, 16);
    k.selectFirst();
    const auto goTo = [&](double beat) {
        k.press(Qt::Key_Home);
        for (int i = 0; i < 200 && k.session().player().position().value < beat - 1e-6; ++i)
            k.press(Qt::Key_Right);
        ASSERT_NEAR(k.session().player().position().value, beat, 1e-6);
    };
    goTo(4);
    k.press(Qt::Key_Slash);
    goTo(12);
    k.press(Qt::Key_Slash);
    ASSERT_EQ(project::allClips(k.now()).size(), 3U);
    k.press(Qt::Key_Escape);
    k.press(Qt::Key_Right, ctrl);
    k.press(Qt::Key_Right, ctrl);
    k.press(Qt::Key_Delete);
    EXPECT_EQ(project::allClips(k.now()).size(), 2U);
}

TEST(Keyboard, SliceInEightAndReverse) {
    Keys k;
    k.loopThere(104, 16);
    k.selectFirst();
    k.choose("sliceEqually");
    k.answer("8");
    ASSERT_EQ(project::allClips(k.now()).size(), 8U);
    k.choose("reverseOrder");
    EXPECT_EQ(project::allClips(k.now()).size(), 8U);
}

TEST(Keyboard, StretchOneClipByBarsAndByPercentage) {
    Keys k;
    const ClipId id = k.loopThere(104, 16);
    k.selectFirst();
    k.choose("stretchPercent");
    k.answer("80");
    EXPECT_TRUE(k.laid(id).clip->countsAs);
    k.press(Qt::Key_F);
    if (k.window->findChild<QInputDialog*>() != nullptr) k.answer("4");
    EXPECT_NEAR(project::barsFilled(k.now(), id).value_or(0), 4, 1e-6);
}

TEST(Keyboard, ChangeTwentyClipsMethodAndGain) {
    Keys k;
    const ClipId id = k.loopThere(104, 4);
    project::Project p = k.now();
    for (int i = 1; i < 20; ++i)
        p = project::place(p, k.laid(id).clip->source, p.tracks[0]->id, Beats(4.0 * i))->project;
    k.session().edit("Clips", p);
    k.tabTo(&k.bars());
    k.press(Qt::Key_A, ctrl);
    ASSERT_EQ(k.session().selection().clips.size(), 20U);
    k.tabTo(k.child<QWidget>("method-held"));
    k.press(Qt::Key_Space);
    k.figure("clipGain", "-6");
    for (const ClipId each : project::allClips(k.now())) {
        EXPECT_EQ(k.laid(each).clip->stretch.method, stretch::Method::Held);
        EXPECT_EQ(k.laid(each).clip->gainDb, -6);
    }
}

TEST(Keyboard, FollowAKey) {
    Keys k;
    const ClipId id = k.bring(ui::bass());
    k.press(Qt::Key_M, ctrl | shift);
    k.write("Em");
    ASSERT_TRUE(k.now().keys.points().front().key);
    k.press(Qt::Key_Escape);
    k.selectFirst();
    k.choose("followsKey");
    EXPECT_TRUE(k.laid(id).clip->followsKey);
}

TEST(Keyboard, CompareMethods) {
    Keys k;
    k.loopThere(112);
    k.selectFirst();
    auto* with = k.child<QComboBox>("compareWith");
    k.tabTo(with);
    const int before = with->currentIndex();
    k.press(Qt::Key_Down);
    EXPECT_NE(with->currentIndex(), before);
    k.settle();
    k.press(Qt::Key_X);
}

TEST(Keyboard, MakeALoopAndAddItToTheLibraryWithTags) {
    Keys k;
    k.loopThere(104, 16);
    k.selectFirst();
    k.press(Qt::Key_Left, alt | shift);
    k.choose("addToLibrary");
    auto* list = k.child<QListView>("libraryList");
    ASSERT_TRUE(waitFor([&] { return list->model()->rowCount() == 1; }));
    k.tabTo(list);
    k.press(Qt::Key_Down);
    k.fromMenu(list, list->rect().center(), QContextMenuEvent::Keyboard, "Tags and notes");
    auto* tags = k.child<QLineEdit>("ownTags");
    ASSERT_TRUE(waitFor([&] { return tags->isVisible(); }));
    k.tabTo(tags);
    k.write("lock gates");
    EXPECT_TRUE(waitFor([&] {
        const auto* row = qobject_cast<app::EntryModel*>(list->model())->row(list->model()->index(0, 0));
        return row != nullptr && row->entry && row->entry->own.tags == std::vector<std::string>{"lock gates"};
    }));
}

TEST(Keyboard, FindByTempo) {
    Keys k;
    k.session().library().addFolder(ui::bass().parent_path());
    k.settle();
    auto* list = k.child<QListView>("libraryList");
    ASSERT_TRUE(waitFor([&] { return list->model()->rowCount() > 3; }));
    const int all = list->model()->rowCount();
    k.press(Qt::Key_F, ctrl | shift);
    k.tabTo(k.child<QLineEdit>("filterLow"));
    k.write("95");
    k.tabTo(k.child<QLineEdit>("filterHigh"));
    k.write("96.2");
    EXPECT_TRUE(waitFor([&] { return list->model()->rowCount() > 0 && list->model()->rowCount() < all; }));
}

TEST(Keyboard, DeliverLoopsStemsAndMap) {
    Keys k;
    k.bring(ui::hands());
    k.press(Qt::Key_D, ctrl);
    auto* where = k.child<QLineEdit>("deliverFolder");
    k.tabTo(where);
    k.press(Qt::Key_A, ctrl);
    k.type(QString::fromStdString((k.folder / "out").string()));
    for (const char* what : {"deliver-stems", "deliver-map"}) {
        auto* box = k.child<QCheckBox>(what);
        k.tabTo(box);
        k.press(Qt::Key_Space);
        EXPECT_TRUE(box->isChecked());
    }
    k.tabTo(k.child<QWidget>("deliverButton"));
    k.press(Qt::Key_Space);
    k.settle();
    int written = 0;
    for (const auto& entry : std::filesystem::directory_iterator(k.folder / "out"))
        written += entry.is_regular_file();
    EXPECT_GE(written, 3);
}

} // namespace
