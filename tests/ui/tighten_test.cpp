// Feel and tightening by mouse and keys.
#include "app/sources/source_columns.h"
#include "app/widgets/figure.h"
#include "project/feel_file.h"
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
