// Proof, strain and meeting tempo in the real window.
#include "app/bars/bars_layout.h"
#include "app/bench/rails_view.h"
#include "app/sources/sources_model.h"
#include "app/strain/strain_page.h"
#include "app/strain/strain_plot.h"
#include "app/widgets/figure.h"
#include "app/window/proof_summary.h"
#include "support/audio.h"
#include "ui/window.h"

#include <QAction>
#include <QListWidget>
#include <QPushButton>
#include <QTableView>
#include <cmath>
#include <sndfile.h>

namespace {

using metre::Beats;
using metre::Bpm;
using prove::Landing;

struct Proving : ui::Window {
    // Until every clip is measured.
    void measure() {
        settle();
        ASSERT_TRUE(ui::waitFor([&] { return session().proofs().summary().waiting == 0; }));
    }
    app::ProofSummary& words() { return *child<app::ProofSummary>("proofSummary"); }
    app::StrainPlot& plot() { return *child<app::StrainPlot>("strainPlot"); }
    void page(int index) {
        auto* tabs = child<QTabBar>("pages");
        QTest::mouseClick(tabs, Qt::LeftButton, {}, tabs->tabRect(index).center());
    }
    app::ClipId clip(std::size_t i) { return project::allClips(now())[i]; }
    QColor at(const QPointF& p) { return bars().viewport()->grab().toImage().pixelColor(p.toPoint()); }
};

bool isNear(const QColor& a, const QColor& b) {
    return std::abs(a.red() - b.red()) + std::abs(a.green() - b.green()) + std::abs(a.blue() - b.blue()) < 60;
}

// Strokes on half beats of 120, the later half of them late by so much.
std::filesystem::path lateHands(const support::Folder& folder, double late) {
    std::vector<std::int64_t> at;
    for (int i = 0; i < 32; ++i)
        at.push_back(std::llround((i * 0.25 + (i >= 16 ? late : 0)) * 48000));
    const auto file = folder / "late_hands_120bpm.wav";
    support::writeSound(file, support::strokes(at, 8, 48000), SF_FORMAT_WAV | SF_FORMAT_PCM_16);
    return file;
}

TEST(Proof, IsMeasuredAsSoonAsAClipIsFittedAndShownEverywhere) {
    Proving w;
    w.import({ui::hands(), ui::bass()});
    w.measure();
    const app::Proofs::Summary s = w.session().proofs().summary();
    EXPECT_EQ(s.count(prove::Landing::InTime), 2);
    EXPECT_EQ(s.count(prove::Landing::Early) + s.count(prove::Landing::Late) + s.count(prove::Landing::Unread) +
                  s.waiting,
              0);
    EXPECT_NE(w.words().accessibleName().indexOf("2 in time"), -1);
    // A round mark in the colour of what is in time at the foot of the clip, where the first hit is.
    const auto proof = w.session().proofs().of(w.clip(0));
    ASSERT_TRUE(proof);
    const project::LaidClip& clip = *w.session().laid()->find(w.clip(0));
    const QRectF r = w.bars().layout().clip(clip);
    const prove::Hit& hit = proof->hits[4];
    const double x =
        w.bars().layout().x(w.now().tempo.beatAt(metre::toSeconds(clip.time().startFrame + hit.at, w.now().rate)));
    EXPECT_TRUE(isNear(w.at({x, r.bottom() - 5}), app::tokens().verdigris));
    // And in the table of sources.
    auto* table = w.child<QTableView>("sourcesTable");
    const QString text = table->model()->index(0, app::sourceColumnAt("Proof")).data().toString();
    EXPECT_NE(text.indexOf("ms"), -1) << text.toStdString();
    EXPECT_EQ(table->model()->index(0, app::sourceColumnAt("Proof")).data(app::SourcesModel::LandingRole).toInt(),
              static_cast<int>(Landing::InTime));
}

TEST(Proof, WhatIsLateSaysSoAndIsGoneTo) {
    const support::Folder folder;
    Proving w;
    w.import({ui::bass(), lateHands(folder, 0.020)});
    w.measure();
    EXPECT_EQ(w.session().proofs().summary().count(prove::Landing::Late), 1);
    // Pressed, the words in the head strip lead to the worst hit.
    QTest::mouseClick(&w.words(), Qt::LeftButton);
    ASSERT_EQ(w.session().selection().clips.size(), 1U);
    EXPECT_EQ(w.session().selection().clips.front(), w.clip(1));
    EXPECT_GT(w.session().player().position().value, 7.9);
    EXPECT_NE(w.status().indexOf("ms late"), -1) << w.status().toStdString();
    // By key to the next that is off, which comes after it.
    const Beats before = w.session().player().position();
    w.bars().setFocus();
    w.key(Qt::Key_F4, Qt::ShiftModifier);
    EXPECT_NE(w.session().player().position(), before);
    // A wider tolerance, and all is in time, without being measured anew.
    app::Preferences p = w.session().preferences();
    p.tolerance = metre::Seconds(0.050);
    w.session().prefer(p);
    EXPECT_EQ(w.session().proofs().summary().waiting, 0);
    EXPECT_EQ(w.session().proofs().summary().count(prove::Landing::InTime), 2);
}

TEST(Proof, IsNeverStaleWithoutSayingSo) {
    Proving w;
    w.import({ui::hands(), ui::bass()});
    w.measure();
    const auto before = w.session().proofs().of(w.clip(0));
    ASSERT_TRUE(before);
    // Another tempo: what was measured is no proof of what is heard now.
    ASSERT_TRUE(w.session().edit("Tempo", project::setTempo(w.now(), Bpm(97))));
    EXPECT_EQ(w.session().proofs().of(w.clip(0)), nullptr);
    EXPECT_TRUE(w.session().proofs().isWaiting(w.clip(0)));
    EXPECT_EQ(w.session().proofs().summary().waiting, 2);
    EXPECT_NE(w.words().accessibleName().indexOf("being measured"), -1);
    w.measure();
    const auto after = w.session().proofs().of(w.clip(0));
    ASSERT_TRUE(after);
    EXPECT_NE(before, after);
    EXPECT_EQ(w.session().proofs().summary().count(prove::Landing::InTime), 2);
    // A wrong tempo shows: the loop runs away from the grid.
    const app::SourceId source = w.now().sources.front()->id;
    ASSERT_TRUE(
        w.session().edit("Tempo", project::setSourceTempo(w.now(), source, Bpm(112.3), hear::Witness::Typed)));
    w.measure();
    EXPECT_EQ(w.session().proofs().summary().count(prove::Landing::InTime), 1);
    EXPECT_GT(std::abs(w.session().proofs().of(w.clip(0))->sums.drift.value), 0.010);
    // Undone, the proof from before is there again at once.
    w.key(Qt::Key_Z, Qt::ControlModifier);
    w.measure();
    EXPECT_EQ(w.session().proofs().summary().count(prove::Landing::InTime), 2);
}

TEST(Proof, ProveAllMeasuresWithAJobAndSaysWhatItFound) {
    Proving w;
    w.import({ui::hands(), ui::bass(), support::demoAudio("reed_drone_D.wav")});
    w.key(Qt::Key_E, Qt::ControlModifier);
    w.measure();
    w.key(Qt::Key_E, Qt::ControlModifier);
    w.settle();
    EXPECT_EQ(w.status().left(6), "Proof:");
    EXPECT_NE(w.status().indexOf("2 in time"), -1) << w.status().toStdString();
    EXPECT_NE(w.status().indexOf("1 unread"), -1) << w.status().toStdString();
}

// What was asked for before the page changed does not take the place of what is proven now.
TEST(Proof, ALateAnswerDoesNotUndoANewerProof) {
    Proving w;
    w.import({ui::hands(), ui::bass(), ui::shaker()});
    w.measure();
    ASSERT_TRUE(w.session().edit("Tempo", project::setTempo(w.now(), Bpm(97))));
    w.session().proofs().proveAll(); // of this tempo, rendering what is not rendered
    w.session().document().undo();   // and back: that was measured before, and is known in a moment
    w.settle();
    ASSERT_TRUE(ui::waitFor([&] { return w.session().proofs().summary().waiting == 0; }));
    EXPECT_EQ(w.session().proofs().summary().count(prove::Landing::InTime), 3);
}

// Pointing at a hit in the strip of the Bench tells how it was and how it is; a press plays from it.
TEST(Proof, TheStripInTheBenchTellsBeforeAndAfter) {
    const support::Folder folder;
    Proving w;
    w.openBench();
    w.import({lateHands(folder, 0.020)});
    w.session().document().select({w.clip(0)});
    w.measure();
    auto* rails = w.window->findChild<app::RailsView*>();
    ASSERT_NE(rails, nullptr);
    ASSERT_GT(rails->layout().strip().height(), 20);
    const auto proof = w.session().proofs().of(w.clip(0));
    const prove::Hit& hit = proof->hits[20];
    const double x = rails->layout().xHeard(
        metre::toSeconds(w.session().laid()->find(w.clip(0))->time().startFrame + hit.at, w.now().rate));
    const QPoint at(static_cast<int>(x), rails->layout().strip().center().y());
    QTest::mouseMove(rails, at);
    ASSERT_TRUE(ui::waitFor([&] { return !rails->told().isEmpty(); }));
    EXPECT_NE(rails->told().indexOf("late"), -1) << rails->told().toStdString();
    EXPECT_NE(rails->told().indexOf("before"), -1) << rails->told().toStdString();
    QTest::mouseClick(rails, Qt::LeftButton, {}, at);
    EXPECT_TRUE(ui::waitFor([&] { return std::abs((w.session().player().position() - hit.place).value) < 1; }));
}

TEST(Strain, ThePlotShowsEverySourceAndSelectsInBothDirections) {
    Proving w;
    w.import({ui::hands(), ui::bass(), ui::shaker(), support::demoAudio("reed_drone_D.wav")});
    w.page(2);
    const auto& content = w.plot().content();
    ASSERT_EQ(content.sources.in.size(), 3U);
    ASSERT_TRUE(content.meeting.has_value());
    auto* list = w.child<QListWidget>("strainList");
    ASSERT_EQ(list->count(), 3);
    EXPECT_NE(w.child<QLabel>("strainOut")->text().indexOf("reed_drone_D (no tempo)"), -1);
    // On the bass's line, a little beside its lowest point.
    const prove::StrainedSource& bass = content.sources.in[1];
    const Bpm beside(bass.strained.bpm.value * 0.93);
    const QPoint on(static_cast<int>(w.plot().x(beside)),
                    static_cast<int>(w.plot().y(100 * std::log(bass.strained.bpm.value / beside.value))));
    QTest::mouseMove(&w.plot(), on);
    ASSERT_TRUE(ui::waitFor([&] { return !w.plot().told().isEmpty(); }));
    EXPECT_NE(w.plot().told().indexOf("keel_bass_96"), -1) << w.plot().told().toStdString();
    QTest::mouseClick(&w.plot(), Qt::LeftButton, {}, on);
    EXPECT_EQ(w.session().selection().source, bass.id);
    EXPECT_EQ(list->currentItem()->text(), "keel_bass_96");
    // And from the list.
    list->setFocus();
    list->setCurrentRow(0);
    EXPECT_EQ(w.plot().content().selected, w.session().selection().source);
    // Out to 40 to 240.
    EXPECT_FALSE(w.plot().isWide());
    w.plot().setFocus();
    w.key(Qt::Key_Minus);
    EXPECT_TRUE(w.plot().isWide());
}

TEST(Strain, TheUprightOfTheTempoNowIsDragged) {
    Proving w;
    w.import({ui::hands(), ui::bass()});
    w.page(2);
    const double now = w.now().tempo.points().front().bpm.value;
    const QPoint from(static_cast<int>(w.plot().x(Bpm(now))), static_cast<int>(w.plot().field().center().y()));
    const QPoint to(static_cast<int>(std::lround(w.plot().x(Bpm(100)))), from.y());
    QTest::mousePress(&w.plot(), Qt::LeftButton, {}, from);
    for (int i = 1; i <= 5; ++i)
        QTest::mouseMove(&w.plot(), from + (to - from) * i / 5);
    EXPECT_NE(w.plot().told().indexOf("BPM"), -1);
    QTest::mouseRelease(&w.plot(), Qt::LeftButton, {}, to);
    EXPECT_NEAR(w.now().tempo.points().front().bpm.value, 100, 1);
    // One gesture, one step.
    w.key(Qt::Key_Z, Qt::ControlModifier);
    EXPECT_EQ(w.now().tempo.points().front().bpm.value, now);
}

TEST(Strain, TheProjectGoesToTheMeetingTempoByOneClick) {
    Proving w;
    w.import({ui::hands(), ui::bass(), ui::shaker()});
    auto* label = w.child<QLabel>("meetingTempo");
    const double meeting = label->text().toDouble();
    EXPECT_GT(meeting, 96);
    EXPECT_LT(meeting, 124);
    auto* use = w.child<QPushButton>("useMeetingTempo");
    ASSERT_TRUE(use->isEnabled());
    QTest::mouseClick(use, Qt::LeftButton);
    EXPECT_NEAR(w.now().tempo.points().front().bpm.value, meeting, 0.051);
    EXPECT_NE(w.status().indexOf("All meet at"), -1) << w.status().toStdString();
    EXPECT_FALSE(use->isEnabled()); // there it is
    w.settle();
    // What held sounds bear may be said to be another; then they meet elsewhere.
    app::Preferences p = w.session().preferences();
    p.comfort.percent[static_cast<std::size_t>(stretch::Method::Sung)] = 1;
    w.session().prefer(p);
    EXPECT_NEAR(label->text().toDouble(), 96, 1);
}

// One that is half as fast is taken as double, by the same click.
TEST(Strain, MeetingCountsHalvesAndDoublesAndSaysSo) {
    const support::Folder folder;
    std::vector<std::int64_t> at;
    for (int i = 0; i < 16; ++i)
        at.push_back(std::llround(i * 60.0 / 56 * 48000));
    const auto slow = folder / "slow_56bpm.wav";
    support::writeSound(slow, support::strokes(at, 16 * 60.0 / 56, 48000), SF_FORMAT_WAV | SF_FORMAT_PCM_16);
    Proving w;
    w.import({ui::hands(), slow});
    EXPECT_NEAR(w.child<QLabel>("meetingTempo")->text().toDouble(), 112, 0.1);
    ASSERT_TRUE(w.session().edit("Tempo", project::setTempo(w.now(), Bpm(100))));
    QTest::mouseClick(w.child<QPushButton>("useMeetingTempo"), Qt::LeftButton);
    EXPECT_NEAR(w.now().sources[1]->beats->meanTempo().value, 112, 0.01);
    EXPECT_NE(w.status().indexOf("half or double"), -1) << w.status().toStdString();
    w.key(Qt::Key_Z, Qt::ControlModifier); // one step
    EXPECT_NEAR(w.now().sources[1]->beats->meanTempo().value, 56, 0.01);
    EXPECT_EQ(w.now().tempo.points().front().bpm, Bpm(100));
}

} // namespace
