// The jobs of a day's work in the real window, by mouse and keys, each with the number of steps that it takes: a
// click, a key, a drag or a line typed is one; a command of a menu is one for each menu and one for itself. The
// numbers may fall, and not rise.
#include "project/counted.h"
#include "project/edit_clips.h"
#include "project/edit_time.h"
#include "project/pins.h"
#include "project/settle.h"
#include "project/timing.h"
#include "ui/work_day.h"

#include <QAction>
#include <QCheckBox>
#include <QComboBox>
#include <QInputDialog>
#include <QListView>
#include <QMenu>
#include <QMenuBar>
#include <QPushButton>
#include <QTreeWidget>

#include "app/shelf/entry_model.h"
#include "app/widgets/figure.h"

namespace {

using app::ClipId;
using metre::Beats;
using metre::Bpm;
using metre::Seconds;
using ui::waitFor;

struct Day : ui::WorkDay {
    int steps = 0;

    ~Day() { testing::Test::RecordProperty("steps", steps); }

    void press(Qt::Key k, Qt::KeyboardModifiers m = Qt::NoModifier) {
        ++steps;
        key(k, m);
    }
    // A line typed where the keys go, and taken.
    void write(const QString& text) {
        ++steps;
        type(text);
        key(Qt::Key_Return);
    }
    void click(QWidget* w, QPoint at = {}, Qt::KeyboardModifiers m = Qt::NoModifier) {
        ASSERT_NE(w, nullptr);
        ++steps;
        QTest::mouseClick(w, Qt::LeftButton, m, at.isNull() ? w->rect().center() : at);
    }
    void clickOn(const char* name) { click(child<QWidget>(name)); }
    void clickClip(ClipId id, Qt::KeyboardModifiers m = Qt::NoModifier) {
        click(bars().viewport(), middleOf(id), m);
    }
    // A figure typed: a double click begins, Return takes.
    void figure(const char* name, const QString& text) {
        auto* f = child<app::Figure>(name);
        ASSERT_NE(f, nullptr);
        ASSERT_TRUE(f->isVisible()) << name;
        ++steps;
        QTest::mouseDClick(f, Qt::LeftButton);
        write(text);
    }
    // From the menu bar: the menu, the menu in it where there is one, and the entry.
    void choose(const char* name) {
        auto* action = child<QAction>(name);
        ASSERT_NE(action, nullptr);
        ASSERT_TRUE(action->isEnabled()) << name;
        steps += 2;
        for (QMenu* menu : window->menuBar()->findChildren<QMenu*>())
            if (menu->actions().contains(action) && qobject_cast<QMenu*>(menu->parent()) != nullptr) ++steps;
        action->trigger();
    }
    // Asked for in a small sheet.
    void answer(const QString& text) {
        QInputDialog* dialog = nullptr;
        ASSERT_TRUE(waitFor([&] {
            dialog = window->findChild<QInputDialog*>();
            return dialog != nullptr && dialog->isVisible();
        }));
        ++steps;
        if (dialog->inputMode() == QInputDialog::IntInput)
            dialog->setIntValue(text.toInt());
        else if (dialog->inputMode() == QInputDialog::DoubleInput)
            dialog->setDoubleValue(text.toDouble());
        else
            dialog->setTextValue(text);
        const QPointer<QInputDialog> open(dialog);
        dialog->accept();
        ASSERT_TRUE(waitFor([&] { return open.isNull() || !open->isVisible(); }));
        activate();
    }
    void bring(const std::vector<std::filesystem::path>& files) {
        steps += 2; // the key, and the names
        import(files);
    }
    void pull(QPoint from, QPoint to, Qt::KeyboardModifiers m = Qt::NoModifier) {
        ++steps;
        drag(from, to, m);
    }

    // What is there before the job begins.
    ClipId loopThere(double bpm = 104, int beats = 16, const char* name = "pole") {
        import({madeLoop(name, bpm, beats)});
        window->findChild<QAction*>("zoomAll")->trigger();
        return lastClip();
    }
    ClipId takeThere() {
        import({madeTake()});
        return lastClip();
    }
    QPoint edgeOf(ClipId id, double share) {
        const QRectF r = bars().layout().clip(laid(id));
        return QPointF(r.right() - 2, r.top() + share * r.height()).toPoint();
    }
};

TEST(Steps, BringInALoopAndFitIt) {
    Day d;
    d.bring({ui::hands()});
    ASSERT_EQ(project::allClips(d.now()).size(), 1U);
    EXPECT_TRUE(d.laid(project::allClips(d.now()).front()).time().follows);
    EXPECT_LE(d.steps, 2);
}

TEST(Steps, RefitByTheProjectsTempo) {
    Day d;
    const ClipId id = d.loopThere();
    d.press(Qt::Key_T, Qt::ControlModifier);
    d.write("96");
    EXPECT_EQ(d.now().tempo.points().front().bpm, Bpm(96));
    EXPECT_NEAR(metre::toSeconds(d.laid(id).time().length, 48000).value, 16 * 60 / 96.0, 0.001);
    EXPECT_LE(d.steps, 2);
}

TEST(Steps, RefuseFitting) {
    Day d;
    const ClipId id = d.loopThere(112);
    d.clickClip(id);
    d.clickOn("rule-place");
    EXPECT_FALSE(d.laid(id).time().stretched);
    EXPECT_LE(d.steps, 2);
}

TEST(Steps, CorrectAHalfTempo) {
    Day d;
    const ClipId id = d.loopThere(104);
    d.clickClip(id);
    d.press(Qt::Key_Minus, Qt::AltModifier);
    EXPECT_NEAR(d.recordingOf(id).beats->meanTempo().value, 52, 0.1);
    EXPECT_LE(d.steps, 2);
}

TEST(Steps, SettleByTapping) {
    Day d;
    const ClipId id = d.loopThere(100, 32);
    d.clickClip(id);
    d.press(Qt::Key_Space, Qt::ShiftModifier);
    ASSERT_TRUE(waitFor([&] { return d.session().player().isPlayingRaw(); }));
    ++d.steps; // the taps: a rhythm, and no way to get shorter
    for (int tap = 1; tap <= 5; ++tap) {
        ASSERT_TRUE(waitFor([&] { return d.session().player().rawPosition() >= Seconds(0.6 * tap); }));
        d.key(Qt::Key_T, Qt::ShiftModifier);
    }
    d.press(Qt::Key_Space, Qt::ShiftModifier);
    const hear::Reading* tapped = project::readingBy(d.recordingOf(id), hear::Witness::Tapped);
    ASSERT_NE(tapped, nullptr);
    EXPECT_NEAR(tapped->bpm->value, 100, 8);
    EXPECT_LE(d.steps, 4);
}

TEST(Steps, SettleByTheTrialClick) {
    Day d;
    const ClipId id = d.loopThere(100, 32);
    d.clickClip(id);
    d.press(Qt::Key_Space, Qt::ShiftModifier);
    d.click(&d.rails(), QPoint(d.rails().width() / 3, int(d.rails().layout().upper().center().y())));
    d.press(Qt::Key_Up, Qt::ControlModifier);
    d.press(Qt::Key_U, Qt::ControlModifier);
    EXPECT_NEAR(d.recordingOf(id).beats->meanTempo().value, 101, 0.05);
    EXPECT_LE(d.steps, 5);
}

TEST(Steps, SettleByMarksAndANumberOfBeats) {
    Day d;
    const ClipId id = d.loopThere(100, 32);
    d.clickClip(id);
    d.openBench();
    d.session().document().select({id});
    const auto x = [&](double s) { return static_cast<int>(std::lround(d.rails().layout().x(Seconds(s)))); };
    ++d.steps;
    QTest::mousePress(&d.rails(), Qt::LeftButton, {}, QPoint(x(2.4) + 2, 6));
    for (int i = 1; i <= 8; ++i)
        QTest::mouseMove(&d.rails(), QPoint(x(2.4) + (x(7.2) - x(2.4)) * i / 8, 6));
    QTest::mouseRelease(&d.rails(), Qt::LeftButton, {}, QPoint(x(7.2) - 2, 6));
    ASSERT_TRUE(d.recordingOf(id).marks);
    d.figure("sourceBeats", "8");
    EXPECT_NEAR(d.recordingOf(id).beats->meanTempo().value, 100, 0.3);
    EXPECT_LE(d.steps, 4);
}

TEST(Steps, SetBeatOne) {
    Day d;
    const ClipId id = d.loopThere(100, 32);
    d.clickClip(id);
    d.press(Qt::Key_Period, Qt::AltModifier);
    EXPECT_NEAR(d.recordingOf(id).beats->secondsAt(Beats(0)).value, 0.6, 0.005);
    EXPECT_LE(d.steps, 2);
}

TEST(Steps, PinADriftingTake) {
    Day d;
    const ClipId id = d.takeThere();
    d.clickClip(id);
    d.click(&d.rails(), QPoint(d.rails().width() / 2, int(d.rails().layout().upper().center().y())));
    d.press(Qt::Key_Period);
    d.press(Qt::Key_P);
    const auto pins = project::pinsOf(d.recordingOf(id));
    EXPECT_TRUE(std::any_of(pins.begin(), pins.end(), [](const project::SourcePin& p) { return p.byHand; }));
    EXPECT_LE(d.steps, 4);
}

TEST(Steps, NameASection) {
    Day d;
    d.loopThere();
    d.press(Qt::Key_M, Qt::ControlModifier);
    d.write("lock");
    ASSERT_EQ(d.now().sections.size(), 1U);
    EXPECT_EQ(d.now().sections.front().name, "lock");
    EXPECT_LE(d.steps, 2);
}

TEST(Steps, LetATakeLeadHoldItLetItGoAndScaleIt) {
    Day d;
    const ClipId id = d.takeThere();
    d.clickClip(id);
    d.choose("leadBeats");
    ASSERT_TRUE(d.now().lead);
    d.choose("holdTempo");
    EXPECT_EQ(d.now().tempo.points().size(), 1U);
    d.press(Qt::Key_Z, Qt::ControlModifier);
    ASSERT_TRUE(d.now().lead);
    d.choose("scaleLead");
    d.answer("110");
    EXPECT_FALSE(d.now().lead);
    d.press(Qt::Key_Z, Qt::ControlModifier);
    ASSERT_TRUE(d.now().lead);
    d.choose("letGo");
    EXPECT_FALSE(d.now().lead);
    EXPECT_LE(d.steps, 16);
}

TEST(Steps, TakeProjectTime) {
    Day d;
    const ClipId id = d.takeThere();
    d.clickClip(id);
    d.choose("takeTime");
    EXPECT_TRUE(d.laid(id).time().follows);
    EXPECT_TRUE(d.laid(id).time().job()->map.isIdentity());
    EXPECT_LE(d.steps, 3);
}

TEST(Steps, KeepBarOneAndBarFourOfALoop) {
    Day d;
    const ClipId id = d.loopThere(104, 16);
    const auto at = [&](double beat) { d.session().transport().locate(Beats(beat)); };
    d.clickClip(id);
    ++d.steps; // a click in the ruler
    at(4);
    d.press(Qt::Key_Slash);
    ++d.steps;
    at(12);
    d.press(Qt::Key_Slash);
    const auto clips = project::allClips(d.now());
    ASSERT_EQ(clips.size(), 3U);
    d.clickClip(clips[1]);
    d.press(Qt::Key_Delete);
    EXPECT_EQ(project::allClips(d.now()).size(), 2U);
    EXPECT_LE(d.steps, 7);
}

TEST(Steps, SliceInEightAndReverse) {
    Day d;
    const ClipId id = d.loopThere(104, 16);
    d.clickClip(id);
    d.choose("sliceEqually");
    d.answer("8");
    ASSERT_EQ(project::allClips(d.now()).size(), 8U);
    d.choose("reverseOrder");
    EXPECT_LE(d.steps, 8);
}

TEST(Steps, StretchOneClipByItsEdgeByBarsAndByPercentage) {
    Day d;
    const ClipId id = d.loopThere(104, 16);
    d.clickClip(id);
    const QPoint from = d.edgeOf(id, 5.0 / 6);
    d.pull(from, from - QPoint(60, 0));
    EXPECT_TRUE(d.laid(id).clip->countsAs);
    d.press(Qt::Key_F);
    if (d.window->findChild<QInputDialog*>() != nullptr) d.answer("4");
    EXPECT_NEAR(project::barsFilled(d.now(), id).value_or(0), 4, 1e-6);
    d.choose("stretchPercent");
    d.answer("80");
    EXPECT_LE(d.steps, 7);
}

TEST(Steps, ChangeTwentyClipsMethodAndGain) {
    Day d;
    const ClipId id = d.loopThere(104, 4);
    project::Project p = d.now();
    for (int i = 1; i < 20; ++i)
        p = project::place(p, d.laid(id).clip->source, p.tracks[0]->id, Beats(4.0 * i))->project;
    d.session().edit("Clips", p);
    d.bars().setFocus();
    d.press(Qt::Key_A, Qt::ControlModifier);
    ASSERT_EQ(d.session().selection().clips.size(), 20U);
    d.clickOn("method-held");
    d.figure("clipGain", "-6");
    for (const ClipId each : project::allClips(d.now())) {
        EXPECT_EQ(d.laid(each).clip->stretch.method, stretch::Method::Held);
        EXPECT_EQ(d.laid(each).clip->gainDb, -6);
    }
    EXPECT_LE(d.steps, 4);
}

TEST(Steps, FollowAKey) {
    Day d;
    d.import({ui::bass()});
    const ClipId id = project::allClips(d.now()).front();
    d.press(Qt::Key_M, Qt::ControlModifier | Qt::ShiftModifier);
    d.write("Em");
    ASSERT_TRUE(d.now().keys.points().front().key);
    d.clickClip(id);
    d.choose("followsKey");
    EXPECT_TRUE(d.laid(id).clip->followsKey);
    EXPECT_NE(d.laid(id).time().keyShift.value_or(0), 0);
    EXPECT_LE(d.steps, 6);
}

TEST(Steps, CompareMethods) {
    Day d;
    const ClipId id = d.loopThere(112);
    d.clickClip(id);
    auto* with = d.child<QComboBox>("compareWith");
    ++d.steps;
    with->setFocus();
    QTest::keyClick(with, Qt::Key_Down);
    d.settle();
    d.press(Qt::Key_X);
    EXPECT_LE(d.steps, 3);
}

TEST(Steps, MakeALoopAndAddItToTheLibraryWithTags) {
    Day d;
    const ClipId id = d.loopThere(104, 16);
    d.clickClip(id);
    d.session().transport().locate(Beats(8));
    ++d.steps; // a click in the ruler
    d.press(Qt::Key_BracketRight);
    d.choose("addToLibrary");
    auto* list = d.child<QListView>("libraryList");
    ASSERT_TRUE(waitFor([&] { return list->model()->rowCount() == 1; }));
    d.steps += 2; // the right button, and the entry
    d.fromMenu(list->viewport(), list->visualRect(list->model()->index(0, 0)).center(), QContextMenuEvent::Mouse,
               "Tags and notes");
    ASSERT_TRUE(d.child<QLineEdit>("ownTags")->hasFocus());
    d.write("lock gates");
    EXPECT_TRUE(waitFor([&] {
        const auto* row = qobject_cast<app::EntryModel*>(list->model())->row(list->model()->index(0, 0));
        return row != nullptr && row->entry && row->entry->own.tags == std::vector<std::string>{"lock gates"};
    }));
    EXPECT_LE(d.steps, 9);
}

TEST(Steps, FindByTempoAndKey) {
    Day d;
    d.session().library().addFolder(ui::bass().parent_path());
    d.settle();
    auto* list = d.child<QListView>("libraryList");
    ASSERT_TRUE(waitFor([&] { return list->model()->rowCount() > 3; }));
    d.press(Qt::Key_F, Qt::ControlModifier | Qt::ShiftModifier);
    auto* low = d.child<QLineEdit>("filterLow");
    d.click(low, QPoint(10, low->height() / 2));
    d.write("95");
    auto* high = d.child<QLineEdit>("filterHigh");
    d.click(high, QPoint(10, high->height() / 2));
    d.write("96.2");
    auto* key = d.child<QComboBox>("filterKey");
    ++d.steps;
    key->setCurrentText("D min");
    emit key->activated(key->currentIndex());
    ASSERT_TRUE(waitFor([&] { return list->model()->rowCount() == 1; }));
    EXPECT_LE(d.steps, 6);
}

TEST(Steps, DeliverLoopsStemsAndMap) {
    Day d;
    d.import({ui::hands(), ui::bass()});
    d.press(Qt::Key_D, Qt::ControlModifier);
    auto* where = d.child<QLineEdit>("deliverFolder");
    where->setFocus();
    where->selectAll();
    ++d.steps;
    QTest::keyClicks(where, QString::fromStdString((d.folder / "out").string()));
    for (const char* what : {"deliver-stems", "deliver-map"})
        d.click(d.child<QCheckBox>(what), QPoint(8, 8));
    const int files = d.child<QTreeWidget>("deliverFiles")->topLevelItemCount();
    d.clickOn("deliverButton");
    d.settle();
    int written = 0;
    for (const auto& entry : std::filesystem::directory_iterator(d.folder / "out"))
        written += entry.is_regular_file();
    EXPECT_EQ(written, files);
    EXPECT_GE(files, 5);
    EXPECT_LE(d.steps, 5);
}

} // namespace
