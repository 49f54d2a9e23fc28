// The Bench by mouse and keys: two rails, pins, beat one, by ear, and what leads.
#include "app/bench/bench.h"
#include "app/bench/by_ear.h"
#include "app/bench/rails_paint.h"
#include "app/bench/rails_view.h"
#include "app/bench/readings_strip.h"
#include "app/bench/tempo_plot.h"
#include "app/widgets/figure.h"
#include "app/widgets/text.h"
#include "project/edit_pins.h"
#include "project/settle.h"
#include "project/timing.h"
#include "support/audio.h"
#include "support/free_playing.h"
#include "ui/window.h"

#include <QAction>
#include <QInputDialog>
#include <QMenu>
#include <QPushButton>
#include <QScrollBar>
#include <QSlider>
#include <QTimer>
#include <QWheelEvent>
#include <cmath>
#include <sndfile.h>

namespace {

using metre::Beats;
using metre::Bpm;
using metre::Seconds;
using namespace ui;

struct Rails : Window {
    support::Folder folder;
    Rails() {
        session().remembered().forget({});
        openBench();
    }

    // A loop at one tempo, its strokes on every half beat.
    void bringLoop(double bpm, int beats = 16) {
        auto audio = support::drumLoop(support::steadyBeats(bpm, beats), beats * 60 / bpm);
        static int made = 0;
        audio.channels[0].back() = static_cast<float>(++made) * 1e-3F; // content that no other test has settled
        const auto file = folder / "pole.wav";
        support::writeSound(file, audio, SF_FORMAT_WAV | SF_FORMAT_PCM_16);
        import({file});
    }
    support::FreePiece bringFree() {
        support::FreePlaying how;
        how.bpm = 97;
        how.bars = 8;
        how.seed = 4;
        support::FreePiece piece = support::played(how);
        const auto file = folder / "towpath.wav";
        support::writeSound(file, piece.audio, SF_FORMAT_WAV | SF_FORMAT_FLOAT);
        import({file});
        return piece;
    }
    app::RailsView& rails() { return *child<app::RailsView>("rails"); }
    const app::RailsLayout& lay() { return rails().layout(); }
    const app::RailsScene& scene() { return *rails().scene(); }
    const project::Source& source() { return *now().sources.front(); }
    Seconds at(double beat) { return source().beats->secondsAt(Beats(beat)); }
    std::vector<project::SourcePin> pins() { return project::pinsOf(source()); }
    const project::SourcePin* pin(double beat) {
        static std::vector<project::SourcePin> now_;
        now_ = pins();
        for (const auto& p : now_)
            if (std::abs(p.beat.value - beat) < 1e-6) return &p;
        return nullptr;
    }
    QPoint upperEnd(double beat) { return QPointF(lay().x(at(beat)), lay().upperKnobY()).toPoint(); }
    QPoint lowerEnd(double beat) {
        return QPointF(lay().xHeard(scene().heardAt(at(beat))), lay().lowerKnobY()).toPoint();
    }
    void pull(QPoint from, QPoint to, Qt::KeyboardModifiers m = Qt::NoModifier) {
        QTest::mousePress(&rails(), Qt::LeftButton, m, from);
        for (int i = 1; i <= 8; ++i) {
            // Held keys come with each move as they do from a hand.
            const QPointF place = from + (to - from) * i / 8;
            QMouseEvent move(QEvent::MouseMove, place, rails().mapToGlobal(place), Qt::LeftButton, Qt::LeftButton,
                             m);
            QApplication::sendEvent(&rails(), &move);
        }
    }
    void letGo(QPoint at, Qt::KeyboardModifiers m = Qt::NoModifier) {
        QTest::mouseRelease(&rails(), Qt::LeftButton, m, at);
    }
    void trigger(const char* command) { child<QAction>(command)->trigger(); }
    void undo() { key(Qt::Key_Z, Qt::ControlModifier); }
    QImage picture() { return rails().grab().toImage(); }
};

// How much of a colour a pixel's neighbourhood holds: lines are drawn smoothed.
double nearness(const QImage& image, QPointF at, const QColor& colour) {
    double best = 1e9;
    for (int dy = -1; dy <= 1; ++dy)
        for (int dx = -1; dx <= 1; ++dx) {
            const int x = static_cast<int>(std::lround(at.x())) + dx;
            const int y = static_cast<int>(std::lround(at.y())) + dy;
            if (!image.valid(x, y)) continue;
            const QColor c = image.pixelColor(x, y);
            best = std::min<double>(best, std::abs(c.red() - colour.red()) + std::abs(c.green() - colour.green()) +
                                              std::abs(c.blue() - colour.blue()));
        }
    return best;
}

// Both ends of every rung are where they are computed to be, here the long way round: from the beat map above, from
// the project's tempo below.
TEST(Rails, RungsEndWhereTheyAreComputedToTheirPixel) {
    Rails w;
    w.bringFree();
    // Without the column beside them the rungs are far enough apart to be told from each other.
    auto* bench = w.child<app::Bench>("bench");
    bench->setShowsMore(false);
    qobject_cast<QSplitter*>(bench->parentWidget())->setSizes({300, 320});
    QApplication::processEvents();
    const auto& tempo = w.now().tempo;
    const project::Clip& clip = *project::clipOf(w.now(), project::allClips(w.now()).front());
    const QImage image = w.picture();
    const double ratio = image.devicePixelRatio();
    ASSERT_EQ(ratio, 1);
    ASSERT_TRUE(w.lay().two);
    int looked = 0;
    int beside = 0; // rungs that are far enough from the next for that to be looked at
    double leftmost = 1e9;
    for (int b = 0; b < 32; ++b) {
        const double upper = (w.at(b).value - w.lay().from) * w.lay().perSecond;
        const double heard = tempo.secondsAt(clip.at + Beats(b)).value;
        const double lower = (heard - w.lay().heardFrom) * w.lay().perSecond;
        leftmost = std::min(leftmost, lower);
        if (upper < 0 || upper >= image.width() || lower < 0 || lower >= image.width()) continue;
        ++looked;
        const QColor wanted = w.pin(b) != nullptr ? app::tokens().brass : app::tokens().ruleStrong;
        // A little inside of the ends, where knobs do not cover it.
        const double down = 9.0 / (w.lay().lowerKnobY() - w.lay().upperKnobY());
        const QPointF above(upper + (lower - upper) * down, w.lay().upperKnobY() + 9);
        const QPointF below(lower + (upper - lower) * down, w.lay().lowerKnobY() - 9);
        // Half of it, at least, where it falls between two pixels; where no rung is there is none of it.
        const double high = w.lay().lowerKnobY() - w.lay().upperKnobY();
        const double length = std::hypot(lower - upper, high);
        const QPointF across(6 * high / length, -6 * (lower - upper) / length);
        const double paper = nearness(image, above + across, wanted);
        EXPECT_LT(nearness(image, above, wanted), 160) << "beat " << b << " above";
        EXPECT_LT(nearness(image, below, wanted), 160) << "beat " << b << " below";
        if (w.lay().perSecond * (w.at(b + 1) - w.at(b)).value * high / length > 14) {
            ++beside;
            EXPECT_GT(paper, 165) << "beat " << b << ", beside it";
        }
    }
    EXPECT_GE(looked, 24);
    EXPECT_GE(beside, 4);
    // Both stand one over the other at the first downbeat.
    EXPECT_NEAR(w.lay().x(w.at(0)), w.lay().xHeard(tempo.secondsAt(clip.at)), 0.6);
    EXPECT_EQ(app::tokens().brass, app::tokensOf(app::Theme::Paper).brass);
}

TEST(Rails, AnUpperKnobIsDraggedOntoAnOnsetAndTheRungFollows) {
    Rails w;
    w.bringFree();
    const std::size_t steps = w.pins().size();
    ASSERT_GT(steps, 3U);
    // The rung of a beat, pin or not, is pulled to the stroke on the half beat after it, where one is played.
    double beat = 8;
    while (!w.scene().onsetNear(w.at(beat + 0.5), Seconds(0.03)))
        ++beat;
    const Seconds before = w.at(beat);
    const auto next = w.scene().onsetNear(w.at(beat + 0.5), Seconds(0.03));
    ASSERT_TRUE(next);
    const QPoint to(static_cast<int>(w.lay().x(*next)) + 3, w.upperEnd(beat).y());
    w.pull(w.upperEnd(beat), to);
    EXPECT_NEAR(w.at(beat).value, next->value, 1e-6) << "it snaps";
    EXPECT_TRUE(w.rails().told().contains("on an onset")) << w.rails().told().toStdString();
    w.letGo(to);
    ASSERT_NE(w.pin(beat), nullptr);
    EXPECT_TRUE(w.pin(beat)->byHand);
    w.undo();
    EXPECT_NEAR(w.at(beat).value, before.value, 1e-9) << "one step of undo";
    // Fine: a tenth of the way, and no onset attracts it.
    const QPoint from = w.upperEnd(beat);
    w.pull(from, from + QPoint(20, 0), Qt::ShiftModifier);
    w.letGo(from + QPoint(20, 0), Qt::ShiftModifier);
    EXPECT_NEAR((w.at(beat) - before).value, 2 / w.lay().perSecond, 1.2 / w.lay().perSecond);
}

TEST(Rails, GoingBackInADragBringsBackWhatGaveWay) {
    Rails w;
    w.bringFree();
    const auto before = w.pins();
    const QPoint from = w.upperEnd(9);
    w.pull(from, from + QPoint(60, 0));
    EXPECT_NE(w.pins(), before);
    // Back to where it was, without letting go.
    QMouseEvent back(QEvent::MouseMove, QPointF(from), w.rails().mapToGlobal(QPointF(from)), Qt::LeftButton,
                     Qt::LeftButton, Qt::ShiftModifier);
    QApplication::sendEvent(&w.rails(), &back);
    w.letGo(from, Qt::ShiftModifier);
    for (const auto& pin : before) {
        ASSERT_NE(w.pin(pin.beat.value), nullptr) << pin.beat.value;
        EXPECT_NEAR(w.pin(pin.beat.value)->at.value, pin.at.value, 1e-6);
    }
}

TEST(Rails, ALowerKnobIsDraggedToAnotherBeat) {
    Rails w;
    w.bringFree();
    const Seconds moment = w.at(12);
    const QPoint from = w.lowerEnd(12);
    const QPoint to = w.lowerEnd(13) + QPoint(2, 0);
    w.pull(from, to);
    EXPECT_TRUE(w.rails().told().startsWith("beat 14, at")) << w.rails().told().toStdString();
    w.letGo(to);
    EXPECT_NEAR(w.at(13).value, moment.value, 1e-9) << "that moment is the next beat now";
    ASSERT_NE(w.pin(13), nullptr);
    EXPECT_TRUE(w.pin(13)->byHand);
}

// Of a steady source every rung can be pulled, also the second, whose pin the line was heard by.
TEST(Rails, ALowerEndOfASteadySourceSaysAnotherBeat) {
    Rails w;
    w.bringLoop(100);
    const Seconds moment = w.at(1);
    const QPoint from = w.lowerEnd(1);
    const QPoint to = w.lowerEnd(2);
    w.pull(from, to);
    w.letGo(to);
    EXPECT_NEAR(w.at(2).value, moment.value, 1e-9) << w.status().toStdString();
    EXPECT_NEAR(w.source().beats->meanTempo().value, 200, 0.5);
}

TEST(Rails, WhatCannotBeIsRefusedAtTheKnob) {
    Rails w;
    w.bringFree();
    const Seconds moment = w.at(8);
    w.rails().goHere(w.at(8));
    w.key(Qt::Key_P);
    w.rails().goHere(w.at(16));
    w.key(Qt::Key_P);
    ASSERT_NE(w.pin(8), nullptr);
    // Past the other one.
    const QPoint to(w.upperEnd(18).x(), w.upperEnd(8).y());
    w.pull(w.upperEnd(8), to);
    EXPECT_TRUE(w.rails().told().contains("cannot cross") || w.rails().told().contains("BPM"))
        << w.rails().told().toStdString();
    const QImage image = w.picture();
    int wax = 0;
    for (int y = 0; y < image.height(); ++y)
        for (int x = 0; x < image.width(); ++x)
            wax += image.pixelColor(x, y) == app::tokens().wax;
    EXPECT_GT(wax, 300) << "said in the colour of errors, at the pointer";
    w.letGo(to);
    EXPECT_LT(w.at(8), w.at(16));
    // Undo in the middle of a drag ends it.
    w.pull(w.upperEnd(16), w.upperEnd(16) + QPoint(12, 0));
    w.undo();
    const auto now = w.now().sources;
    QTest::mouseMove(&w.rails(), w.upperEnd(20));
    EXPECT_EQ(w.now().sources, now);
    w.letGo(w.upperEnd(20));
    EXPECT_GT(w.at(9), moment);
}

TEST(Rails, PinsByKeysAlone) {
    Rails w;
    w.bringLoop(100);
    w.rails().setFocus();
    // Steps from onset to onset, and pins there.
    w.rails().goHere(Seconds(0));
    for (int i = 0; i < 5; ++i)
        w.key(Qt::Key_Period);
    const Seconds there = w.rails().here();
    EXPECT_NEAR(std::remainder(there.value, 0.3), 0, 0.004);
    w.key(Qt::Key_Comma);
    EXPECT_LT(w.rails().here(), there);
    w.key(Qt::Key_Comma);
    w.key(Qt::Key_P);
    ASSERT_EQ(w.rails().picked().size(), 1U);
    const double beat = w.rails().picked().front().value;
    ASSERT_NE(w.pin(beat), nullptr);
    EXPECT_TRUE(w.pin(beat)->byHand);
    const Seconds before = w.at(beat);
    w.rails().setFocus();
    w.key(Qt::Key_Right);
    EXPECT_NEAR((w.at(beat) - before).value, 0.001, 1e-9);
    w.key(Qt::Key_Left, Qt::ControlModifier);
    EXPECT_NEAR((w.at(beat) - before).value, -0.009, 1e-9);
    w.key(Qt::Key_Right, Qt::ShiftModifier);
    EXPECT_NEAR((w.at(beat) - before).value, -0.0089, 1e-9);
    w.key(Qt::Key_K, Qt::ControlModifier | Qt::ShiftModifier);
    EXPECT_TRUE(w.pin(beat)->locked);
    w.key(Qt::Key_Right);
    EXPECT_TRUE(w.status().contains("locked")) << w.status().toStdString();
    w.key(Qt::Key_K, Qt::ControlModifier | Qt::ShiftModifier);
    // Clips stay: the key is the rails' own.
    w.key(Qt::Key_Delete);
    EXPECT_EQ(project::allClips(w.now()).size(), 1U);
    EXPECT_EQ(w.pin(beat), nullptr);
    EXPECT_TRUE(w.rails().picked().empty());
}

TEST(Rails, ADoubleClickPinsAndOnAKnobNamesIt) {
    Rails w;
    w.bringFree();
    const Seconds onset = *w.scene().onsetNear(w.at(10), Seconds(0.05));
    const QPoint there(static_cast<int>(w.lay().x(onset)) + 2, w.lay().upper().center().y());
    QTest::mouseDClick(&w.rails(), Qt::LeftButton, {}, there);
    ASSERT_NE(w.pin(10), nullptr);
    EXPECT_EQ(w.pin(10)->at, onset);
    EXPECT_FALSE(w.session().player().isPlayingRaw()) << "it was no press to hear from";
    QTest::mouseDClick(&w.rails(), Qt::LeftButton, {}, w.upperEnd(10));
    QInputDialog* dialog = nullptr;
    ASSERT_TRUE(waitFor([&] { return (dialog = w.window->findChild<QInputDialog*>("pinName")) != nullptr; }));
    dialog->setTextValue("weir");
    dialog->accept();
    EXPECT_EQ(w.pin(10)->name, "weir");
    const auto sections = project::sectionsOf(w.now());
    ASSERT_EQ(sections.size(), 1U);
    EXPECT_EQ(sections.front().name, "weir");
    w.activate();
    w.bars().setFocus();
    w.key(Qt::Key_1, Qt::AltModifier);
    EXPECT_NEAR(w.session().player().position().value, sections.front().at.value, 1e-6) << "play goes there";
}

TEST(Rails, SeveralAreCaughtAndLaidStraight) {
    Rails w;
    w.bringFree();
    const QPoint from(2, w.lay().rungs().center().y());
    // From empty space beside the first rung to the end.
    w.pull(from, QPoint(w.lay().size.width() - 2, from.y()));
    w.letGo(QPoint(w.lay().size.width() - 2, from.y()));
    EXPECT_GT(w.rails().picked().size(), 3U);
    w.trigger("straightBetween");
    EXPECT_EQ(w.pins().size(), 2U);
    w.undo();
    EXPECT_GT(w.pins().size(), 3U);
    w.trigger("straightenSteady");
    w.settle();
    EXPECT_EQ(w.source().beats->pins().size(), 2U);
    EXPECT_EQ(w.source().window.playing, hear::Playing::Steady);
    w.trigger("straightenFree");
    w.settle();
    EXPECT_GT(w.source().beats->pins().size(), 4U);
}

TEST(Rails, HowStrictlyItFollowsIsTurnedAndHeard) {
    Rails w;
    w.bringFree();
    auto* figure = w.child<app::Figure>("followPlaying");
    EXPECT_EQ(figure->text(), "100 %");
    const auto before = w.session().laid()->clips().front().timing;
    figure->setFocus();
    for (int i = 0; i < 8; ++i)
        w.key(Qt::Key_Down);
    EXPECT_EQ(w.source().straight.percent, 60);
    EXPECT_NE(w.session().laid()->clips().front().timing, before);
    w.trigger("toPhrases");
    EXPECT_EQ(w.source().straight, (project::Straightness{project::Straightness::To::Phrase, 100}));
    EXPECT_EQ(figure->text(), "100 %");
    w.trigger("asPlayed");
    EXPECT_EQ(w.source().straight.percent, 0);
}

TEST(Rails, BeatOneByKeys) {
    Rails w;
    w.bringLoop(100);
    w.rails().goHere(Seconds(0.6));
    w.bars().setFocus();
    w.key(Qt::Key_D);
    EXPECT_NEAR(w.at(0).value, 0.6, 0.004);
    w.key(Qt::Key_Period, Qt::AltModifier);
    EXPECT_NEAR(w.at(0).value, 1.2, 0.004);
    w.key(Qt::Key_Comma, Qt::AltModifier);
    EXPECT_NEAR(w.at(0).value, 0.6, 0.004);
    auto* metre = w.child<app::Figure>("sourceMetre");
    metre->setFocus();
    w.key(Qt::Key_Return);
    w.type("6/8");
    w.key(Qt::Key_Return);
    EXPECT_EQ(w.source().metre(), (metre::Metre{6, 8}));
    w.key(Qt::Key_Return);
    w.type("5/8");
    w.key(Qt::Key_Return);
    EXPECT_EQ(w.source().metre(), (metre::Metre{6, 8}));
    EXPECT_TRUE(w.status().contains("6/8, 7/8")) << w.status().toStdString();
}

TEST(Rails, AnIntroductionOfBarsBeforeAMoment) {
    Rails w;
    w.bringLoop(100, 32);
    w.rails().goHere(Seconds(16 * 0.6 + 0.001));
    w.trigger("introduction");
    QInputDialog* dialog = nullptr;
    ASSERT_TRUE(waitFor([&] { return (dialog = w.window->findChild<QInputDialog*>("numberDialog")) != nullptr; }));
    dialog->setIntValue(4);
    dialog->accept();
    EXPECT_NEAR(w.at(16).value, 9.601, 1e-6);
    EXPECT_NEAR(w.at(0).value, 0, 0.01);
}

// By ear: the project does not know of it until it is used.
TEST(Rails, TheClickIsTriedByEarAndThenUsed) {
    Rails w;
    w.bringLoop(100, 32);
    const auto before = w.now().sources;
    w.rails().setFocus();
    w.rails().goHere(Seconds(0));
    w.key(Qt::Key_Space, Qt::ShiftModifier);
    auto& player = w.session().player();
    ASSERT_TRUE(player.isPlayingRaw());
    w.rails().setFocus();
    w.key(Qt::Key_Up, Qt::ControlModifier);
    w.key(Qt::Key_Up);
    w.key(Qt::Key_Down, Qt::ShiftModifier);
    EXPECT_EQ(w.child<app::Figure>("triedTempo")->text(), "101.09");
    w.key(Qt::Key_Up, Qt::ControlModifier | Qt::ShiftModifier);
    EXPECT_EQ(w.child<app::Figure>("triedTempo")->text(), "202.18");
    w.key(Qt::Key_Down, Qt::ControlModifier | Qt::ShiftModifier);
    EXPECT_EQ(w.now().sources, before) << "the project is left alone";
    EXPECT_TRUE(player.isPlayingRaw());
    // The click later, by dragging it in the foot of the rail.
    const QPoint foot(w.lay().size.width() / 2, w.lay().onsets().center().y());
    w.pull(foot, foot + QPoint(10, 0));
    w.letGo(foot + QPoint(10, 0));
    EXPECT_EQ(w.now().sources, before);
    const auto tried = w.child<QPushButton>("useTried");
    ASSERT_TRUE(tried->isVisible());
    QTest::mouseClick(tried, Qt::LeftButton);
    EXPECT_NEAR(w.source().beats->meanTempo().value, 101.09, 1e-6);
    EXPECT_NEAR(w.at(0).value, 10 / w.lay().perSecond, 2.0 / w.lay().perSecond);
    EXPECT_EQ(project::readingBy(w.source(), hear::Witness::Typed)->evidence, "by ear");
    EXPECT_FALSE(tried->isVisible());
    w.undo();
    EXPECT_NEAR(w.source().beats->meanTempo().value, 100, 0.05);
}

TEST(Rails, ALoopBetweenMarksIsAdjustedWhileItGoesRound) {
    Rails w;
    w.bringLoop(100, 32);
    const auto x = [&](double s) { return static_cast<int>(std::lround(w.lay().x(Seconds(s)))); };
    // Drawn in the ruler, from stroke to stroke: a bar.
    w.pull(QPoint(x(2.4) + 2, 6), QPoint(x(4.8) - 2, 6));
    w.letGo(QPoint(x(4.8) - 2, 6));
    ASSERT_TRUE(w.source().marks);
    EXPECT_NEAR(w.source().marks->from.value, 2.4, 0.003);
    EXPECT_NEAR(w.source().marks->to.value, 4.8, 0.003);
    w.bars().setFocus();
    w.key(Qt::Key_L, Qt::ControlModifier | Qt::ShiftModifier);
    auto& player = w.session().player();
    ASSERT_TRUE(player.isPlayingRaw());
    ASSERT_TRUE(waitFor([&] { return player.rawPosition().value > 3.0; }));
    // Its end comes to 3.6 while it loops: it never passes that again.
    w.pull(QPoint(x(4.8), 12), QPoint(x(3.6) + 1, 12));
    w.letGo(QPoint(x(3.6) + 1, 12));
    EXPECT_NEAR(w.source().marks->to.value, 3.6, 0.003);
    double last = 0;
    bool wentRound = false;
    ASSERT_TRUE(waitFor([&] {
        const double now = player.rawPosition().value;
        wentRound = wentRound || now < last;
        last = now;
        return wentRound;
    }));
    EXPECT_LT(last, 3.65);
    EXPECT_GE(last, 2.39);
    // "One bar", and the marked part alone.
    auto* bars = w.child<app::Figure>("barsBetween");
    bars->setFocus();
    w.key(Qt::Key_Return);
    w.type("1");
    w.key(Qt::Key_Return);
    EXPECT_NEAR(w.source().beats->meanTempo().value, 200, 0.6);
    w.trigger("playMarked");
    const project::Clip& clip = *project::clipOf(w.now(), project::allClips(w.now()).front());
    EXPECT_EQ(clip.from, w.source().marks->from);
    EXPECT_EQ(clip.to, w.source().marks->to);
    EXPECT_TRUE(clip.stretch.loop);
}

TEST(Rails, APressAboveHearsTheRecordingBelowWhatIsMadeOfIt) {
    Rails w;
    w.bringLoop(100, 32);
    const QPoint above(w.lay().size.width() / 2, w.lay().upper().center().y() + 5);
    QTest::mouseClick(&w.rails(), Qt::LeftButton, {}, above);
    auto& player = w.session().player();
    ASSERT_TRUE(player.isPlayingRaw());
    EXPECT_NEAR(player.rawPosition().value, w.lay().at(above.x()).value, 0.3);
    const QPoint below(w.lay().size.width() / 3, w.lay().lower().center().y());
    const Beats there = w.now().tempo.beatAt(w.lay().heardAt(below.x()));
    QTest::mouseClick(&w.rails(), Qt::LeftButton, {}, below);
    EXPECT_FALSE(player.isPlayingRaw());
    ASSERT_TRUE(waitFor([&] { return player.isPlaying() && player.position() > there; }));
    EXPECT_LT(player.position().value, there.value + 4);
}

TEST(Rails, OnsetsThatCountAreChosenAndSeenAtOnce) {
    Rails w;
    w.bringLoop(100);
    const std::size_t all = w.scene().onsets().size();
    auto* slider = w.child<QSlider>("onsetSensitivity");
    const QImage before = w.picture();
    slider->setFocus();
    for (int i = 0; i < 6; ++i)
        w.key(Qt::Key_PageDown);
    EXPECT_LT(w.source().sensitivity, 0.6);
    EXPECT_LT(w.scene().onsets().size(), all);
    EXPECT_GT(w.scene().onsets().size(), 0U);
    EXPECT_EQ(w.scene().allOnsets().size(), all);
    EXPECT_NE(w.picture(), before);
}

TEST(Rails, ZoomGoesFromAllOfItToSingleSamples) {
    Rails w;
    w.bringLoop(100);
    w.rails().setFocus();
    const double whole = w.lay().perSecond;
    QWheelEvent in(QPointF(100, 60), w.rails().mapToGlobal(QPointF(100, 60)), {}, {0, 120}, Qt::NoButton, {},
                   Qt::NoScrollPhase, false);
    const Seconds there = w.lay().at(100);
    QApplication::sendEvent(&w.rails(), &in);
    EXPECT_NEAR(w.lay().perSecond, whole * 1.25, 1e-6);
    EXPECT_NEAR(w.lay().x(there), 100, 0.01) << "around the pointer";
    w.rails().goHere(w.at(3));
    w.key(Qt::Key_Z, Qt::ShiftModifier);
    EXPECT_NEAR((w.lay().x(w.at(4)) - w.lay().x(w.at(3))), w.lay().size.width() * 0.6, 1);
    for (int i = 0; i < 60; ++i)
        w.key(Qt::Key_Plus);
    EXPECT_NEAR(w.lay().perSecond, 8.0 * w.now().rate, 1);
    EXPECT_FALSE(w.picture().isNull());
    auto* scroll = w.child<QScrollBar>("railsScroll");
    EXPECT_TRUE(scroll->isVisible());
    for (int i = 0; i < 30; ++i)
        w.key(Qt::Key_Minus);
    const double below = w.lay().heardFrom;
    const double above = w.lay().from;
    scroll->triggerAction(QAbstractSlider::SliderSingleStepAdd);
    EXPECT_GT(w.lay().from, above) << "both rails go along";
    EXPECT_GT(w.lay().heardFrom, below);
    w.key(Qt::Key_0, Qt::ControlModifier);
    EXPECT_NEAR(w.lay().perSecond, whole, 1e-6);
    EXPECT_FALSE(scroll->isVisible());
}

TEST(Rails, PointingAtAnOnsetReadsItsDistanceFromTheLine) {
    Rails w;
    w.bringLoop(100);
    w.trigger("linesQuarters");
    // The stroke between two beats is half a beat away from either.
    const auto onset = w.scene().onsetNear(w.at(4.5), Seconds(0.02));
    ASSERT_TRUE(onset);
    const auto half = w.scene().missOf(*onset, app::EyeGrid::Quarters);
    ASSERT_TRUE(half);
    EXPECT_NEAR(std::abs(half->ms), 250, 4) << "at 120";
    EXPECT_NEAR(w.scene().missOf(*onset, app::EyeGrid::Eighths)->ms, 0, 3);
    QTest::mouseMove(&w.rails(), QPoint(static_cast<int>(w.lay().x(*onset)), w.lay().upper().center().y()));
    EXPECT_TRUE(w.rails().told().contains("ms ")) << w.rails().told().toStdString();
    // The lines are chosen in the title.
    QTest::mouseClick(w.child<QPushButton>("gridTriplets"), Qt::LeftButton);
    EXPECT_EQ(w.rails().grid(), app::EyeGrid::Triplets);
}

TEST(Rails, TheTempoAsPlayedIsSeenAndPinned) {
    Rails w;
    w.bringFree();
    auto* plot = w.child<app::TempoPlot>("tempoPlot");
    ASSERT_TRUE(waitFor([&] { return plot->isVisible(); })) << "it was played free";
    const auto& played = w.scene().played();
    ASSERT_GE(played.size(), 31U);
    double low = 1e9;
    double high = 0;
    for (const auto& b : played) {
        low = std::min(low, b.bpm.value);
        high = std::max(high, b.bpm.value);
    }
    EXPECT_GT(high - low, 3);
    const auto unpinned = std::find_if(played.begin() + 2, played.end(),
                                       [&](const auto& b) { return w.pin(b.beat.value) == nullptr; });
    ASSERT_NE(unpinned, played.end());
    const double beat = unpinned->beat.value;
    QTest::mouseDClick(plot, Qt::LeftButton, {}, QPoint(static_cast<int>(w.lay().x(unpinned->at)), 20));
    ASSERT_NE(w.pin(beat), nullptr);
    EXPECT_TRUE(w.pin(beat)->byHand);
}

TEST(Rails, ASourceWithoutOnsetsCanStillBePinned) {
    Rails w;
    support::writeSound(w.folder / "drone.wav", support::sine(220, 8, 44100), SF_FORMAT_WAV | SF_FORMAT_FLOAT);
    w.import({w.folder / "drone.wav"});
    ASSERT_TRUE(w.rails().scene());
    w.rails().goHere(Seconds(2));
    w.bars().setFocus();
    w.key(Qt::Key_Period);
    w.key(Qt::Key_Period);
    EXPECT_TRUE(w.status().contains("No onset")) << w.status().toStdString();
    w.key(Qt::Key_P);
    EXPECT_TRUE(w.status().contains("tempo first")) << w.status().toStdString();
    w.session().settle("Tempo", project::setSourceTempo(w.now(), w.source().id, Bpm(60), hear::Witness::Typed));
    w.rails().goHere(Seconds(2.1));
    w.key(Qt::Key_P);
    EXPECT_EQ(w.at(w.rails().picked().front().value), Seconds(2.1));
    EXPECT_FALSE(w.picture().isNull());
}

// What was brought in goes on as it was heard, whatever has become of its file.
TEST(Rails, ARecordingReplacedOnDiskIsFoundAnewFromWhatWasBroughtIn) {
    Rails w;
    const support::FreePiece piece = w.bringFree();
    ASSERT_NE(w.now().rate, 44100) << "the file would be read again";
    support::writeSound(w.folder / "towpath.wav", support::noise(3, 44100), SF_FORMAT_WAV | SF_FORMAT_FLOAT);
    w.trigger("straightenFree");
    w.settle();
    ASSERT_TRUE(w.source().beats);
    for (std::size_t i = 2; i + 2 < piece.beats.size(); ++i) {
        const double beat = w.source().beats->beatAt(Seconds(piece.beats[i])).value;
        EXPECT_NEAR(beat, std::round(beat), 0.02);
    }
}

// ---- lead

// Picks an entry of the menu that opens next.
void chooseInMenu(const QString& text, const std::function<void()>& open) {
    bool found = false;
    QTimer::singleShot(0, [&] {
        auto* menu = qobject_cast<QMenu*>(QApplication::activePopupWidget());
        if (menu == nullptr) return;
        for (QAction* action : menu->actions())
            if (QString(action->text()).remove('&') == text) {
                menu->setActiveAction(action);
                found = true;
                QTest::keyClick(menu, Qt::Key_Return);
                return;
            }
        menu->close();
    });
    open();
    EXPECT_TRUE(found) << text.toStdString();
}

TEST(LeadInTheWindow, ASourceLeadsAndIsLetGo) {
    Rails w;
    const support::FreePiece piece = w.bringFree();
    w.import({hands()});
    auto* led = w.child<QPushButton>("ledBy");
    EXPECT_TRUE(led->text().startsWith("Project"));
    chooseInMenu("towpath", [&] { QTest::mouseClick(led, Qt::LeftButton); });
    ASSERT_TRUE(w.now().lead);
    EXPECT_EQ(w.now().lead->every, project::Lead::Every::Beat) << "it was played free";
    EXPECT_TRUE(led->text().startsWith("towpath"));
    EXPECT_TRUE(w.status().contains("leads")) << w.status().toStdString();
    EXPECT_GT(w.now().tempo.points().size(), 5U);
    const project::ClipId leader = w.session().laid()->clips().front().id();
    EXPECT_TRUE(w.session().laid()->find(leader)->time().job()->map.isIdentity());
    // How it leads is chosen there too, whatever is selected.
    w.session().document().select({w.session().laid()->clips().back().id()});
    chooseInMenu("Lead bar by bar", [&] { QTest::mouseClick(led, Qt::LeftButton); });
    EXPECT_EQ(w.now().lead->clip, leader);
    EXPECT_EQ(w.now().lead->every, project::Lead::Every::Bar);
    // The tempo is its own.
    const auto tempo = w.now().tempo;
    w.child<app::Figure>("projectTempo")->setFocus();
    w.key(Qt::Key_Up);
    EXPECT_EQ(w.now().tempo, tempo);
    EXPECT_TRUE(w.status().contains("towpath leads")) << w.status().toStdString();
    // Moved, the tempo goes along; let go, it stays.
    w.session().edit("Move", project::moveClips(w.now(), {leader}, Beats(4), 0));
    EXPECT_NE(w.now().tempo, tempo);
    const auto moved = w.now().tempo;
    w.trigger("letGo");
    EXPECT_FALSE(w.now().lead);
    EXPECT_EQ(w.now().tempo, moved);
    EXPECT_TRUE(led->text().startsWith("Project"));
    w.activate(); // the menu had the keys
    w.bars().setFocus();
    w.undo();
    EXPECT_EQ(w.status(), "Undone: Let go");
    EXPECT_TRUE(w.now().lead);
    w.trigger("holdTempo");
    EXPECT_TRUE(w.now().tempo.isSteady());
    // Deleted, it is told, and the tempo stays.
    w.undo();
    ASSERT_TRUE(w.now().lead);
    const auto last = w.now().tempo;
    w.session().document().select({leader});
    w.bars().setFocus();
    w.key(Qt::Key_Delete);
    EXPECT_FALSE(w.now().lead);
    EXPECT_EQ(w.now().tempo, last);
    EXPECT_TRUE(waitFor([&] { return w.status().contains("What led is gone"); })) << w.status().toStdString();
}

TEST(LeadInTheWindow, TheFirstSourceIsOfferedInAnEmptyProjectAndTheImportChoiceDoesTheSame) {
    Rails w;
    w.bringLoop(117);
    auto* offer = w.child<QPushButton>("reportLead");
    QTest::mouseClick(offer, Qt::LeftButton);
    ASSERT_TRUE(waitFor([&] { return w.now().lead.has_value(); }));
    EXPECT_NEAR(w.now().tempo.points().front().bpm.value, 117, 0.05);
    EXPECT_TRUE(w.now().tempo.isSteady());
    w.import({bass()});
    EXPECT_EQ(w.window->findChild<QPushButton*>("reportLead"), nullptr) << "it is not the first any more";
    // A new project, and the choice.
    app::Preferences p = w.session().preferences();
    p.newSources = app::NewSources::Lead;
    w.session().prefer(p);
    w.session().files().startNew();
    w.import({hands()});
    ASSERT_TRUE(w.now().lead);
    EXPECT_NEAR(w.now().tempo.points().front().bpm.value, 112, 1e-6);
    p.newSources = app::NewSources::KeepTime;
    w.session().prefer(p);
}

TEST(LeadInTheWindow, AClipTakesProjectTime) {
    Rails w;
    w.bringLoop(100);
    const auto id = project::allClips(w.now()).front();
    w.session().edit("As recorded", project::setAsRecorded(w.now(), {id}));
    w.session().edit("Move", project::moveClips(w.now(), {id}, Beats(2.3), 0));
    w.session().document().select({id});
    const auto start = w.session().laid()->find(id)->time().startFrame;
    QTest::mouseClick(w.child<QPushButton>("takeTime"), Qt::LeftButton);
    const project::LaidClip& clip = *w.session().laid()->find(id);
    EXPECT_TRUE(clip.time().follows);
    EXPECT_EQ(clip.time().startFrame, start);
    EXPECT_TRUE(clip.time().job()->map.isIdentity());
    EXPECT_NEAR(w.source().beats->meanTempo().value, 120, 1e-6);
    w.session().edit("Tempo", project::setTempo(w.now(), Bpm(90)));
    EXPECT_FALSE(w.session().laid()->find(id)->time().job()->map.isIdentity());
}

TEST(LeadInTheWindow, WhereSomethingLeadsLaterImportsFollow) {
    Rails w;
    app::Preferences p = w.session().preferences();
    p.newSources = app::NewSources::Lead;
    w.session().prefer(p);
    w.import({hands()});
    ASSERT_TRUE(w.now().lead);
    const auto leader = w.now().lead->source;
    w.import({bass()});
    EXPECT_EQ(w.now().lead->source, leader);
    EXPECT_NEAR(w.now().tempo.points().front().bpm.value, 112, 1e-6);
    p.newSources = app::NewSources::KeepTime;
    w.session().prefer(p);
}

// At some widths the outermost column of pixels lies a hair outside of the clip, where nothing is ever rendered.
TEST(Rails, NothingIsShownAsBeingFittedOnceItIs) {
    Rails w;
    w.bringLoop(112);
    for (int width = 1200; width < 1240; width += 3) {
        w.window->resize(width, 900);
        w.settle();
        QApplication::processEvents();
        const QRect lower = w.lay().lower();
        const QImage picture = w.picture();
        int dots = 0;
        for (int x = lower.left() + 4; x < lower.right() - 4; ++x)
            dots += picture.pixelColor(x, lower.bottom() - 1) == app::tokens().brass;
        EXPECT_LT(dots, 20) << width;
    }
}

TEST(RailsByKeys, TheFirstDownbeatIsTheOnsetThatWasToldThoughPlayingRunsOn) {
    Rails w;
    w.bringLoop(100);
    w.session().document().selectSource(w.source().id);
    w.rails().setFocus();
    QTest::mouseClick(&w.rails(), Qt::LeftButton, {},
                      QPoint(w.rails().width() / 3, int(w.lay().upper().center().y())));
    ASSERT_TRUE(waitFor([&] { return w.session().player().isPlayingRaw(); }));
    w.key(Qt::Key_Period);
    const Seconds told = w.rails().here();
    const Seconds then = w.session().player().rawPosition();
    ASSERT_TRUE(waitFor([&] { return w.session().player().rawPosition() > then + Seconds(0.2); }));
    EXPECT_EQ(w.rails().here(), told);
    w.key(Qt::Key_D);
    EXPECT_NEAR(w.source().beats->secondsAt(Beats(0)).value, told.value, 1e-9);
}

// The line of the place that was worked in last counts: the Bench's own after a step, the project's after it was
// moved.
TEST(RailsByKeys, TheLineOfThePlaceThatWasWorkedInLastCounts) {
    Rails w;
    w.bringLoop(100);
    w.session().document().select({project::allClips(w.now()).front()});
    w.session().transport().locate(Beats(8));
    EXPECT_FALSE(w.rails().isOwnLine());
    EXPECT_NEAR(w.rails().here().value, w.at(8).value, 0.001);
    w.rails().setFocus();
    w.key(Qt::Key_Comma);
    EXPECT_TRUE(w.rails().isOwnLine());
    const Seconds own = w.rails().here();
    EXPECT_NEAR(own.value, w.at(7.5).value, 0.01);
    // Playing the project moves its own line, and that counts from then on.
    w.key(Qt::Key_Space);
    EXPECT_FALSE(w.rails().isOwnLine());
    w.key(Qt::Key_Space);
    // A step while the project plays on stays where it was told.
    w.key(Qt::Key_Space);
    w.key(Qt::Key_Comma);
    const Seconds told = w.rails().here();
    const Beats then = w.session().player().position();
    ASSERT_TRUE(waitFor([&] { return w.session().player().position() > then + Beats(0.5); }));
    EXPECT_EQ(w.rails().here(), told);
}

TEST(RailsByKeys, AClipIsTrimmedToTheBenchsOwnLine) {
    Rails w;
    w.bringLoop(100);
    const auto id = project::allClips(w.now()).front();
    w.session().document().select({id});
    w.session().transport().locate(Beats(2));
    w.rails().setFocus();
    for (int i = 0; i < 5; ++i)
        w.key(Qt::Key_Period);
    const Seconds own = w.rails().here();
    w.trigger("trimStart");
    EXPECT_NEAR(project::clipOf(w.now(), id)->from.value, own.value, 0.002);
}

TEST(Rails, BothMarksAreDraggedTogether) {
    Rails w;
    w.bringLoop(100, 32);
    const auto x = [&](double s) { return static_cast<int>(std::lround(w.lay().x(Seconds(s)))); };
    w.pull(QPoint(x(2.4) + 2, 6), QPoint(x(4.8) - 2, 6));
    w.letGo(QPoint(x(4.8) - 2, 6));
    ASSERT_TRUE(w.source().marks);
    const Seconds span = w.source().marks->to - w.source().marks->from;
    w.pull(QPoint(x(3.6), 6), QPoint(x(6.0), 6));
    w.letGo(QPoint(x(6.0), 6));
    EXPECT_NEAR(w.source().marks->from.value, 4.8, 0.003);
    EXPECT_NEAR((w.source().marks->to - w.source().marks->from).value, span.value, 1e-9);
    // With Ctrl new ones are drawn between them.
    w.pull(QPoint(x(6.0), 6), QPoint(x(6.6), 6), Qt::ControlModifier);
    w.letGo(QPoint(x(6.6), 6), Qt::ControlModifier);
    EXPECT_NEAR(w.source().marks->from.value, 6.0, 0.003);
    EXPECT_NEAR(w.source().marks->to.value, 6.6, 0.003);
}

} // namespace
