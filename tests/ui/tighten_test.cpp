// Feel and tightening by mouse and keys.
#include "app/bars/bars_view.h"
#include "app/bench/rails_view.h"
#include "app/sources/source_columns.h"
#include "app/widgets/figure.h"
#include "project/edit_clips.h"
#include "project/edit_sources.h"
#include "project/feel_file.h"
#include "project/pins.h"
#include "project/tighten.h"
#include "support/audio.h"
#include "ui/window.h"

#include <QComboBox>
#include <QInputDialog>
#include <QMenu>
#include <QPushButton>
#include <QTableView>
#include <QWheelEvent>
#include <cmath>
#include <random>
#include <sndfile.h>

namespace {

using namespace ui;
using prove::Landing;

// Sixteenths at 120 for four bars, played loosely by so much.
std::filesystem::path looseHands(const support::Folder& folder, double loose,
                                 const char* name = "loose_120bpm.wav") {
    std::mt19937 random(3);
    std::normal_distribution<double> off(0, loose);
    std::vector<std::int64_t> at;
    for (int step = 0; step < 64; ++step)
        at.push_back(std::llround((step * 0.125 + (step == 0 ? 0 : off(random))) * 48000));
    const auto file = folder / name;
    support::writeSound(file, support::strokes(at, 8, 48000), SF_FORMAT_WAV | SF_FORMAT_PCM_16);
    return file;
}

struct Tightening : Window {
    support::Folder folder;
    app::Figure& amount() { return *child<app::Figure>("tighten"); }
    app::ClipId clip() { return project::allClips(now()).front(); }
    const project::Tighten& tighten() { return project::clipOf(now(), clip())->tighten; }
    void select() { QTest::mouseClick(bars().viewport(), Qt::LeftButton, {}, middleOf(clip())); }
    void measure() {
        ASSERT_TRUE(waitFor(
            [&] { return session().player().pendingRenders() == 0 && session().proofs().summary().waiting == 0; }));
    }
    Landing landing() {
        const auto proof = session().proofs().of(clip());
        return proof ? proof->landing(session().proofs().tolerance()) : Landing::Unread;
    }
    void typeInto(app::Figure& figure, const QString& text) {
        QTest::mouseDClick(&figure, Qt::LeftButton);
        type(text);
        key(Qt::Key_Return);
    }
    void turn(app::Figure& figure, int notches) {
        const QPointF at = figure.rect().center();
        QWheelEvent event(at, figure.mapToGlobal(at.toPoint()), {}, {0, 120 * notches}, Qt::NoButton,
                          Qt::NoModifier, Qt::NoScrollPhase, false);
        QApplication::sendEvent(&figure, &event);
    }
};

TEST(Tighten, WhatIsLooseSaysSoAndIsInTimeOnceItIsTightened) {
    Tightening w;
    w.import({looseHands(w.folder, 0.010)});
    w.measure();
    EXPECT_EQ(w.landing(), Landing::Loose);
    w.select();
    EXPECT_EQ(w.amount().text(), "0 %");
    w.typeInto(w.amount(), "100");
    EXPECT_EQ(w.tighten().percent, 100);
    w.measure();
    EXPECT_EQ(w.landing(), Landing::InTime);
    w.key(Qt::Key_Z, Qt::ControlModifier);
    EXPECT_EQ(w.tighten().percent, 0);
    w.measure();
    EXPECT_EQ(w.landing(), Landing::Loose);
}

TEST(Tighten, ATurnOfTheWheelIsOneStepAndIsHeard) {
    Tightening w;
    w.import({looseHands(w.folder, 0.008)});
    w.measure();
    w.select();
    const auto before = w.session().laid()->find(w.clip())->time().job()->key;
    for (int i = 0; i < 12; ++i)
        w.turn(w.amount(), 1);
    EXPECT_EQ(w.tighten().percent, 60);
    EXPECT_NE(w.session().laid()->find(w.clip())->time().job()->key, before);
    w.key(Qt::Key_Z, Qt::ControlModifier);
    EXPECT_EQ(w.tighten().percent, 0) << "a turn is undone as one";
}

TEST(Tighten, AFeelIsTakenKeptAndTakenAgain) {
    Tightening w;
    w.import({looseHands(w.folder, 0.004), ui::hands()});
    w.measure();
    w.select();
    auto* feel = w.child<QPushButton>("tightenFeel");
    const auto choose = [&](const QString& name) {
        QTest::mouseClick(feel, Qt::LeftButton);
        auto* menu = feel->findChild<QMenu*>();
        ASSERT_NE(menu, nullptr);
        ASSERT_TRUE(waitFor([&] { return menu->isVisible(); }));
        QList<QAction*> actions = menu->actions();
        for (QAction* a : menu->actions())
            if (a->menu() != nullptr) actions += a->menu()->actions();
        for (QAction* a : actions)
            if (a->text() == name) {
                a->trigger();
                menu->close();
                return;
            }
        menu->close();
        FAIL() << name.toStdString() << " is not offered";
    };
    choose("Light swing");
    EXPECT_EQ(w.tighten().feelName, "Light swing");
    EXPECT_EQ(w.tighten().percent, 100) << "it is meant to be heard";
    choose("winch_hands_112bpm");
    EXPECT_EQ(w.tighten().feelName, "winch_hands_112bpm");
    choose(QStringLiteral("Keep this feel…"));
    QInputDialog* dialog = nullptr;
    ASSERT_TRUE(waitFor([&] { return (dialog = w.window->findChild<QInputDialog*>("feelName")) != nullptr; }));
    dialog->setTextValue("mine");
    dialog->accept();
    EXPECT_TRUE(std::filesystem::exists(project::feelFolder() / "mine.feel.json")) << w.status().toStdString();
    w.activate();
    choose("mine");
    EXPECT_EQ(w.tighten().feelName, "mine");
    choose("Its own");
    EXPECT_FALSE(w.tighten().feel);
    std::filesystem::remove_all(project::feelFolder());
}

TEST(Tighten, WhatHasNoFeelIsRefusedWithTheReason) {
    Tightening w;
    w.import({support::demoAudio("barge_bell.wav")});
    w.measure();
    w.select();
    w.typeInto(w.amount(), "50");
    EXPECT_EQ(w.tighten().percent, 0);
    EXPECT_NE(w.status().indexOf("barge_bell"), -1) << w.status().toStdString();
    w.typeInto(w.amount(), "some");
    EXPECT_NE(w.status().indexOf("is not a percentage"), -1) << w.status().toStdString();
}

TEST(Tighten, WeakHitsAreLeftAndWhatHasNoRoomIsTold) {
    Tightening w;
    w.import({looseHands(w.folder, 0.034)});
    w.measure();
    w.select();
    w.child<QPushButton>("cardMore")->click();
    auto& weaker = *w.child<app::Figure>("tightenWeaker");
    w.typeInto(w.amount(), "100");
    EXPECT_NE(w.status().indexOf("have no room to be drawn"), -1) << w.status().toStdString();
    w.typeInto(weaker, "40");
    EXPECT_DOUBLE_EQ(w.tighten().weaker, 0.4);
    EXPECT_EQ(weaker.text(), "40 %");
    w.turn(weaker, -3);
    EXPECT_DOUBLE_EQ(w.tighten().weaker, 0.25);
    w.typeInto(weaker, "lots");
    EXPECT_NE(w.status().indexOf("is not a percentage"), -1);
}

TEST(Tighten, BeatsThatAreALittleOffAreFittedFirstAndItSaysSo) {
    Tightening w;
    // Ten bars, and a bit more, so that its length says nothing; the name says a little more than it runs at.
    std::mt19937 random(8);
    std::normal_distribution<double> off(0, 0.004);
    std::vector<std::int64_t> at;
    for (int step = 0; step < 160; ++step)
        at.push_back(std::llround((step * 15 / 119.7 + (step == 0 ? 0 : off(random))) * 48000));
    const auto file = w.folder / "towline_120bpm.wav";
    support::writeSound(file, support::strokes(at, 21.3, 48000), SF_FORMAT_WAV | SF_FORMAT_PCM_16);
    w.import({file});
    w.measure();
    w.select();
    const auto tempo = [&] { return w.now().sources.front()->beats->meanTempo().value; };
    ASSERT_NEAR(tempo(), 120, 1e-6) << "the name is believed";
    w.typeInto(w.amount(), "100");
    EXPECT_NEAR(tempo(), 119.7, 0.03);
    EXPECT_EQ(w.tighten().percent, 100);
    w.key(Qt::Key_Z, Qt::ControlModifier);
    EXPECT_NEAR(tempo(), 120, 1e-6) << "one step, undone at once";
    EXPECT_EQ(w.tighten().percent, 0);
}

TEST(Tighten, AHitIsDraggedToWhereItIsToSound) {
    Tightening w;
    w.openBench();
    w.import({looseHands(w.folder, 0.012)});
    w.measure();
    w.select();
    w.typeInto(w.amount(), "100");
    auto& rails = *w.child<app::RailsView>("rails");
    ASSERT_TRUE(
        waitFor([&] { return rails.scene() && rails.scene()->heardLooselyAt(app::Seconds(1)).has_value(); }));
    // One that lies between beats, where no rung is near.
    const app::RailsScene& scene = *rails.scene();
    const auto hit = scene.onsetNear(app::Seconds(1.625), app::Seconds(0.05));
    ASSERT_TRUE(hit);
    const double was = scene.heardAt(*hit).value;
    const QPoint from =
        QPointF(rails.layout().xHeard(scene.heardAt(*hit)), rails.layout().lowerKnobY() - 3).toPoint();
    const QPoint to = from + QPoint(6, 0);
    const double by = 6 / rails.layout().perSecond;
    QTest::mousePress(&rails, Qt::LeftButton, {}, from);
    for (const QPoint& place : {from + QPoint(4, 0), to}) {
        QMouseEvent move(QEvent::MouseMove, QPointF(place), rails.mapToGlobal(QPointF(place)), Qt::LeftButton,
                         Qt::LeftButton, Qt::NoModifier);
        QApplication::sendEvent(&rails, &move);
    }
    EXPECT_TRUE(rails.told().startsWith("this hit on beat")) << rails.told().toStdString();
    QTest::mouseRelease(&rails, Qt::LeftButton, {}, to);
    EXPECT_NEAR(rails.scene()->heardAt(*hit).value, was + by, 0.002);
    const auto pins = project::pinsOf(*w.now().sources.front());
    EXPECT_TRUE(std::any_of(pins.begin(), pins.end(),
                            [&](const auto& pin) { return pin.byHand && std::abs((pin.at - *hit).value) < 1e-6; }));
    // Its knob goes on as freely, and onto no beat.
    const QPoint knob =
        QPointF(rails.layout().xHeard(rails.scene()->heardAt(*hit)), rails.layout().lowerKnobY()).toPoint();
    QTest::mousePress(&rails, Qt::LeftButton, {}, knob);
    for (const QPoint& place : {knob + QPoint(4, 0), knob + QPoint(5, 0)}) {
        QMouseEvent move(QEvent::MouseMove, QPointF(place), rails.mapToGlobal(QPointF(place)), Qt::LeftButton,
                         Qt::LeftButton, Qt::NoModifier);
        QApplication::sendEvent(&rails, &move);
    }
    QTest::mouseRelease(&rails, Qt::LeftButton, {}, knob + QPoint(5, 0));
    EXPECT_NEAR(rails.scene()->heardAt(*hit).value, was + by + 5 / rails.layout().perSecond, 0.002);
    w.key(Qt::Key_Z, Qt::ControlModifier);
    w.key(Qt::Key_Z, Qt::ControlModifier);
    EXPECT_NEAR(rails.scene()->heardAt(*hit).value, was, 1e-6) << "undone as one";
}

TEST(Tighten, ATrackKeepsWhatItsNewClipsBeginWith) {
    Tightening w;
    w.import({looseHands(w.folder, 0.008)});
    w.measure();
    w.select();
    w.typeInto(w.amount(), "65");
    w.child<QAction>("trackTighten")->trigger();
    ASSERT_TRUE(w.now().tracks.front()->tighten);
    EXPECT_EQ(w.now().tracks.front()->tighten->percent, 65);
    EXPECT_NE(w.status().indexOf("new clips are tightened by 65 %"), -1) << w.status().toStdString();
    const auto more =
        project::place(w.now(), w.now().sources.front()->id, w.now().tracks.front()->id, project::Beats(32));
    ASSERT_TRUE(more);
    EXPECT_EQ(project::clipOf(more->project, more->id)->tighten.percent, 65);
}

TEST(Tighten, TheLibraryLendsAFeel) {
    Tightening w;
    w.import({looseHands(w.folder, 0.004)});
    w.measure();
    w.session().document().select({});
    w.session().listening().lendFeel(ui::hands());
    EXPECT_NE(w.status().indexOf("Select the clips"), -1) << w.status().toStdString();
    w.select();
    w.session().listening().lendFeel(ui::hands());
    ASSERT_TRUE(waitFor([&] { return w.tighten().feel.has_value(); })) << w.status().toStdString();
    EXPECT_EQ(w.tighten().feelName, "winch_hands_112bpm");
    EXPECT_EQ(w.tighten().percent, 100);
    w.session().listening().lendFeel(support::demoAudio("barge_bell.wav"));
    EXPECT_TRUE(waitFor([&] { return w.status().indexOf("barge_bell") != -1; })) << w.status().toStdString();
    EXPECT_EQ(w.tighten().feelName, "winch_hands_112bpm") << "what has no feel lends none";
}

TEST(Feel, OfAMarkedPartIsShown) {
    Tightening w;
    w.openBench();
    w.import({looseHands(w.folder, 0.006)});
    w.measure();
    w.select();
    auto* plot = w.child<QWidget>("feelPlot");
    const QString whole = plot->accessibleDescription();
    const auto source = w.now().sources.front()->id;
    ASSERT_TRUE(
        w.session().edit("Marks", project::setMarks(w.now(), source, project::Seconds(0), project::Seconds(4))));
    EXPECT_TRUE(waitFor([&] { return plot->accessibleDescription() != whole; }));
    ASSERT_TRUE(
        w.session().edit("Marks", project::setMarks(w.now(), source, project::Seconds(0), project::Seconds(0.4))));
    EXPECT_TRUE(waitFor([&] {
        return plot->accessibleDescription().startsWith("This part of loose_120bpm has no feel");
    })) << plot->accessibleDescription().toStdString();
}

TEST(Feel, StandsOnTheSourcesPageAndInTheBench) {
    Tightening w;
    w.openBench();
    w.import({looseHands(w.folder, 0.006)});
    w.measure();
    w.select();
    auto* table = w.child<QTableView>("sourcesTable");
    const QString text = table->model()->index(0, app::sourceColumnAt("Feel")).data().toString();
    EXPECT_TRUE(text.startsWith("16 · ")) << text.toStdString();
    EXPECT_NE(text.indexOf(QStringLiteral(" · ± ")), -1) << text.toStdString();
    auto* plot = w.child<QWidget>("feelPlot");
    EXPECT_TRUE(plot->isVisible());
    EXPECT_NE(plot->accessibleDescription().indexOf("sixteenths, swing"), -1)
        << plot->accessibleDescription().toStdString();
}

} // namespace
