// The page Bars by mouse and keys: lanes, edges, tracks, sections, many clips at once.
#include "ui/window.h"

#include "app/bars/bars_heads.h"
#include "app/bench/bench.h"
#include "app/widgets/figure.h"
#include "project/edit_arrange.h"
#include "project/edit_sources.h"

#include <QComboBox>
#include <QDialog>
#include <QInputDialog>
#include <QPushButton>
#include <QTableView>
#include <QWheelEvent>

namespace {

using namespace ui;
using app::Beats;
using app::Bpm;
using project::ClipId;

void turn(QWidget* w, const QPoint& at, int steps, Qt::KeyboardModifiers m = Qt::NoModifier) {
    QWheelEvent event(at, w->mapToGlobal(at), {}, {0, 120 * steps}, Qt::NoButton, m, Qt::NoScrollPhase, false);
    QApplication::sendEvent(w, &event);
}

struct BarsWindow : Window {
    ClipId first{};

    // Two loops, one after the other, on two tracks.
    BarsWindow() {
        session().edit("Tempo", project::setTempo(now(), Bpm(104)));
        import({support::demoAudio("winch_hands_112bpm.wav"), support::demoAudio("keel_bass_96.aiff")});
        first = now().tracks[0]->clips[0].id;
        session().document().select({first});
    }
    const app::BarsLayout& l() { return bars().layout(); }
    const project::LaidClip& laid(ClipId id) { return *session().laid()->find(id); }
    QRectF rect(ClipId id) { return l().clip(laid(id)); }
    QPoint inRect(ClipId id, double x, double y) {
        const QRectF r = rect(id);
        return {static_cast<int>(r.left() + x * r.width()), static_cast<int>(r.top() + y * r.height())};
    }
    // A place on the right edge: 1/6 repeats, 1/2 trims, 5/6 stretches.
    QPoint rightEdge(ClipId id, double y) {
        const QRectF r = rect(id);
        return {static_cast<int>(r.right()) - 3, static_cast<int>(r.top() + y * r.height())};
    }
    QPoint lane(const QRect& lane, Beats at) { return {static_cast<int>(l().x(at)), lane.center().y()}; }
    void dragTo(const QPoint& from, Beats to, int y) { drag(from, {static_cast<int>(l().x(to)), y}); }
    void typeLine(const QString& text) {
        auto* line = child<QLineEdit>("barsLine");
        ASSERT_TRUE(line->isVisible());
        line->setText(text);
        QTest::keyClick(line, Qt::Key_Return);
    }
    void doubleClick(const QPoint& at) { QTest::mouseDClick(bars().viewport(), Qt::LeftButton, {}, at); }
};

TEST(BarsEdges, UpperRepeatsMiddleTrimsLowerStretches) {
    BarsWindow w;
    ASSERT_NEAR(w.laid(w.first).time().end.value, 16, 1e-6);
    const QPoint top = w.rightEdge(w.first, 0.16);
    w.dragTo(top, Beats(24), top.y());
    EXPECT_NEAR(w.laid(w.first).time().end.value, 24, 1e-6);
    EXPECT_EQ(w.laid(w.first).time().parts.size(), 2U) << "one and a half times round";
    w.key(Qt::Key_Z, Qt::ControlModifier);
    EXPECT_NEAR(w.laid(w.first).time().end.value, 16, 1e-6);

    const QPoint middle = w.rightEdge(w.first, 0.5);
    w.dragTo(middle, Beats(12), middle.y());
    EXPECT_NEAR(w.laid(w.first).time().end.value, 12, 1e-6);
    w.key(Qt::Key_Z, Qt::ControlModifier);

    const double had = w.laid(w.first).source->beats->meanTempo().value;
    const QPoint low = w.rightEdge(w.first, 0.85);
    w.dragTo(low, Beats(20), low.y());
    EXPECT_NEAR(w.laid(w.first).time().end.value, 20, 1e-6);
    EXPECT_NEAR(w.laid(w.first).source->beats->meanTempo().value, had * 20 / 16, 1e-6);
    EXPECT_NEAR(w.laid(w.first).recording->beats->meanTempo().value, had, 1e-9) << "the clip alone";
    EXPECT_TRUE(w.status().contains("counts as")) << w.status().toStdString();
    w.key(Qt::Key_Z, Qt::ControlModifier);
    EXPECT_NEAR(w.laid(w.first).source->beats->meanTempo().value, had, 1e-9);
    w.settle();
}

TEST(BarsLanes, FoldIntoOneLineAndOpenByThemselvesWhenSomethingChanges) {
    BarsWindow w;
    EXPECT_FALSE(w.bars().showsLanes());
    const int folded = w.l().top();
    w.session().edit("Tempo point",
                     project::putTempoPoint(w.now(), {Beats(16), Bpm(120), metre::TempoPoint::Shape::Hold}));
    EXPECT_TRUE(w.bars().showsLanes());
    EXPECT_GT(w.l().top(), folded);
    w.key(Qt::Key_N);
    EXPECT_FALSE(w.bars().showsLanes()) << "the hand may fold them all the same";
    w.key(Qt::Key_N);
    w.session().document().undo();
    EXPECT_FALSE(w.bars().showsLanes()) << "with the last change";
    QTest::mouseClick(w.bars().viewport(), Qt::LeftButton, {}, w.l().sectionsHead().center());
    EXPECT_TRUE(w.bars().showsLanes());
}

TEST(BarsEdges, EscapeAndUndoInTheMiddleOfADragLeaveTheClip) {
    BarsWindow w;
    const project::Clip before = *w.laid(w.first).clip;
    const QPoint at = w.rightEdge(w.first, 0.5);
    QTest::mousePress(w.bars().viewport(), Qt::LeftButton, {}, at);
    QTest::mouseMove(w.bars().viewport(), at - QPoint(60, 0));
    w.key(Qt::Key_Escape);
    QTest::mouseRelease(w.bars().viewport(), Qt::LeftButton, {}, at - QPoint(60, 0));
    EXPECT_EQ(*w.laid(w.first).clip, before);
    QTest::mousePress(w.bars().viewport(), Qt::LeftButton, {}, at);
    QTest::mouseMove(w.bars().viewport(), at - QPoint(60, 0));
    w.key(Qt::Key_Z, Qt::ControlModifier); // takes the import back: the clip is gone under the hand
    QTest::mouseRelease(w.bars().viewport(), Qt::LeftButton, {}, at - QPoint(60, 0));
    EXPECT_TRUE(w.now().tracks.empty());
    w.settle();
}

TEST(BarsEdges, FadesAreDraggedByTheirGrips) {
    BarsWindow w;
    const QPointF grip = app::fadeGrip(w.l(), w.now(), w.laid(w.first), project::Side::Left);
    w.dragTo(grip.toPoint(), Beats(4), static_cast<int>(grip.y()));
    EXPECT_NEAR(w.laid(w.first).clip->fadeIn.length.value, 4 * 60 / 104.0, 0.08);
    EXPECT_EQ(w.laid(w.first).clip->fadeOut.length.value, 0);
    w.key(Qt::Key_Z, Qt::ControlModifier);
    EXPECT_EQ(w.laid(w.first).clip->fadeIn.length.value, 0) << "one drag is one step";
    w.settle();
}

TEST(BarsLanes, TempoPointsByDoubleClickDragAndWheel) {
    BarsWindow w;
    w.bars().setShowsLanes(true);
    const QRect lane = w.l().tempoLane(w.bars().viewport()->width());
    w.doubleClick(w.lane(lane, Beats(8)));
    w.typeLine("112");
    ASSERT_EQ(w.now().tempo.points().size(), 2U);
    EXPECT_EQ(w.now().tempo.points()[1].at, Beats(8));
    EXPECT_EQ(w.now().tempo.tempoAt(Beats(9)).value, 112);
    const auto pointAt = [&](std::size_t i) {
        const metre::TempoPoint p = w.now().tempo.points()[i];
        return QPoint(static_cast<int>(w.l().x(p.at)), static_cast<int>(app::tempoY(w.l(), w.now().tempo, p.bpm)));
    };
    const QPoint from = pointAt(1);
    w.drag(from, {static_cast<int>(w.l().x(Beats(12))), from.y()});
    EXPECT_EQ(w.now().tempo.points()[1].at, Beats(12));
    turn(w.bars().viewport(), pointAt(1), 2);
    EXPECT_EQ(w.now().tempo.points()[1].bpm.value, 114);
    w.child<QAction>("tempoRamp"); // it is in the table
    w.bars().pick({app::LanePick::What::TempoPoint, Beats(0), {}});
    w.child<QAction>("tempoRamp")->trigger();
    EXPECT_NEAR(w.now().tempo.tempoAt(Beats(6)).value, 109, 0.01);
    w.bars().pick({app::LanePick::What::TempoPoint, Beats(12), {}});
    w.bars().setFocus();
    w.key(Qt::Key_Delete);
    EXPECT_EQ(w.now().tempo.points().size(), 1U);
    EXPECT_EQ(w.now().tracks[0]->clips.size(), 1U) << "the point, not the clip";
    w.settle();
}

TEST(BarsLanes, ARangeOfTheTempoIsChangedAsAWhole) {
    BarsWindow w;
    w.bars().setShowsLanes(true);
    const QRect lane = w.l().tempoLane(w.bars().viewport()->width());
    w.drag(QPoint(static_cast<int>(w.l().x(Beats(4))), lane.bottom() - 3),
           QPoint(static_cast<int>(w.l().x(Beats(12))), lane.bottom() - 3));
    ASSERT_EQ(w.bars().picked().what, app::LanePick::What::TempoRange);
    w.bars().setFocus();
    w.key(Qt::Key_Return);
    w.typeLine("-6");
    EXPECT_EQ(w.now().tempo.tempoAt(Beats(3)).value, 104);
    EXPECT_EQ(w.now().tempo.tempoAt(Beats(4)).value, 98);
    EXPECT_EQ(w.now().tempo.tempoAt(Beats(12)).value, 104);
    w.settle();
}

TEST(BarsLanes, SectionsMetreAndKey) {
    BarsWindow w;
    const int width = w.bars().viewport()->width();
    w.bars().setShowsLanes(true);
    w.doubleClick(w.lane(w.l().sectionsLane(width), Beats(8)) + QPoint(2, 0));
    w.typeLine("towpath");
    ASSERT_EQ(w.now().sections.size(), 1U);
    EXPECT_EQ(w.now().sections[0].at, Beats(8));
    w.doubleClick(w.lane(w.l().metreLane(width), Beats(17)));
    w.typeLine("3/4 F major");
    EXPECT_EQ(w.now().metre.metreAt(Beats(17)).beats, 3);
    EXPECT_EQ(w.now().keys.keyAt(5), (hear::Key{5, false}));
    w.doubleClick(w.lane(w.l().metreLane(width), Beats(17)));
    w.typeLine("9/0");
    EXPECT_EQ(w.now().metre.points().size(), 2U) << "what is no metre changes nothing";
    // A section is gone to by its key; stopped, at once.
    w.bars().setFocus();
    w.key(Qt::Key_1);
    EXPECT_TRUE(waitFor([&] { return w.session().player().position() == Beats(8); }));
    const QPoint flag(static_cast<int>(w.l().x(Beats(8))) + 5, w.l().sectionsLane(width).center().y());
    w.drag(flag, QPoint(static_cast<int>(w.l().x(Beats(12))) + 5, flag.y()));
    EXPECT_EQ(w.now().sections[0].at, Beats(12));
    w.key(Qt::Key_N);
    EXPECT_FALSE(w.bars().showsLanes());
    w.settle();
}

TEST(BarsClips, SplitCopyCutAndPasteByKeys) {
    BarsWindow w;
    w.session().transport().locate(Beats(6));
    w.bars().setFocus();
    w.key(Qt::Key_Slash);
    ASSERT_EQ(w.now().tracks[0]->clips.size(), 2U);
    EXPECT_EQ(w.session().selection().clips.size(), 2U);
    w.key(Qt::Key_C, Qt::ControlModifier);
    w.session().transport().locate(Beats(20));
    w.key(Qt::Key_V, Qt::ControlModifier);
    ASSERT_EQ(w.now().tracks[0]->clips.size(), 4U);
    EXPECT_NEAR(w.laid(w.now().tracks[0]->clips[2].id).time().start.value, 20, 1e-6);
    w.key(Qt::Key_X, Qt::ControlModifier);
    EXPECT_EQ(w.now().tracks[0]->clips.size(), 2U);
    EXPECT_TRUE(w.session().clipboard().canPaste());
    w.settle();
}

TEST(BarsClips, CtrlDragCopiesAndAnEdgeAttracts) {
    BarsWindow w;
    w.bars().zoomBy(0.4, 200); // there is room behind it
    const QPoint from = w.inRect(w.first, 0.5, 0.6);
    const QPoint to = from + QPoint(static_cast<int>(16 * w.l().perBeat), 0);
    QTest::mousePress(w.bars().viewport(), Qt::LeftButton, Qt::ControlModifier, from);
    QMouseEvent move(QEvent::MouseMove, to, w.bars().viewport()->mapToGlobal(to), Qt::NoButton, Qt::LeftButton,
                     Qt::ControlModifier);
    QApplication::sendEvent(w.bars().viewport(), &move);
    QTest::mouseRelease(w.bars().viewport(), Qt::LeftButton, Qt::ControlModifier, to);
    ASSERT_EQ(w.now().tracks[0]->clips.size(), 2U);
    EXPECT_EQ(w.now().tracks[0]->clips[0].at, Beats(0));
    EXPECT_NEAR(w.now().tracks[0]->clips[1].at.value, 16, 1e-6);
    w.settle();
}

TEST(BarsTracks, HeadsRenameTurnReorderAndGrow) {
    BarsWindow w;
    QWidget* page = w.bars().viewport();
    w.doubleClick(app::nameRect(w.l(), 0).center());
    w.typeLine("Winch hands");
    EXPECT_EQ(w.now().tracks[0]->name, "Winch hands");
    turn(page, app::panRect(w.l(), 0).center(), -4);
    EXPECT_NEAR(w.now().tracks[0]->pan, -0.2, 1e-9);
    w.doubleClick(app::gainRect(w.l(), 0).center());
    w.typeLine("-8.5 dB");
    EXPECT_EQ(w.now().tracks[0]->gainDb, -8.5);
    turn(page, app::nameRect(w.l(), 0).center(), 1);
    EXPECT_EQ(w.now().view.heightOf(w.now().tracks[0]->id), 2);
    EXPECT_EQ(w.l().heightOf(0), app::BarsLayout::heights[2]);
    const auto second = w.now().tracks[1]->id;
    w.drag(app::nameRect(w.l(), 1).center(), app::nameRect(w.l(), 0).center() - QPoint(0, 8));
    EXPECT_EQ(w.now().tracks[0]->id, second);
    w.settle();
}

TEST(BarsTracks, TheNearestRuleCountsAndIsShown) {
    BarsWindow w;
    QTest::mouseClick(w.bars().viewport(), Qt::LeftButton, {}, app::nameRect(w.l(), 0).center());
    w.child<QAction>("trackRule-slices")->trigger();
    EXPECT_EQ(w.laid(w.first).rule, project::TimeRule::Slices);
    EXPECT_TRUE(w.child<QLabel>("ruleFrom")->text().contains("track"));
    EXPECT_TRUE(w.child<QPushButton>("rule-slices")->isChecked());
    QTest::mouseClick(w.child<QPushButton>("rule-fixed"), Qt::LeftButton);
    EXPECT_EQ(w.laid(w.first).ruleFrom, project::RuleFrom::Clip);
    QTest::mouseClick(w.child<QPushButton>("rule-fixed"), Qt::LeftButton);
    EXPECT_EQ(w.laid(w.first).rule, project::TimeRule::Slices) << "pressed again it is the track's once more";
    w.settle();
}

TEST(CardMany, EveryTurnMovesEachByTheSameStep) {
    BarsWindow w;
    const ClipId second = w.now().tracks[1]->clips[0].id;
    w.session().edit("Gain", project::setGain(w.now(), {second}, -4));
    w.session().document().select({w.first, second});
    auto* gain = w.child<app::Figure>("clipGain");
    EXPECT_EQ(gain->text(), "mixed");
    turn(gain, gain->rect().center(), -2);
    EXPECT_EQ(w.laid(w.first).clip->gainDb, -1);
    EXPECT_EQ(w.laid(second).clip->gainDb, -5);
    auto* fade = w.child<app::Figure>("fadeIn");
    turn(fade, fade->rect().center(), 2);
    EXPECT_NEAR(w.laid(w.first).clip->fadeIn.length.value, 0.1, 1e-9);
    EXPECT_NEAR(w.laid(second).clip->fadeIn.length.value, 0.1, 1e-9);
    auto* tempo = w.child<app::Figure>("sourceTempo");
    const double a = w.laid(w.first).source->beats->meanTempo().value;
    const double b = w.laid(second).source->beats->meanTempo().value;
    turn(tempo, tempo->rect().center(), 1);
    EXPECT_NEAR(w.laid(w.first).source->beats->meanTempo().value, a + 1, 1e-9);
    EXPECT_NEAR(w.laid(second).source->beats->meanTempo().value, b + 1, 1e-9);
    QTest::mouseClick(w.child<QPushButton>("flipLeft"), Qt::LeftButton);
    EXPECT_TRUE(w.laid(second).clip->flipLeft);
    QTest::mouseClick(w.child<QPushButton>("lockClip"), Qt::LeftButton);
    turn(gain, gain->rect().center(), 1);
    EXPECT_EQ(w.laid(second).clip->gainDb, -5) << "locked clips refuse";
    w.settle();
}

TEST(CardMany, ADigitTypesAFigureAndGoesToNoSection) {
    BarsWindow w;
    w.session().edit("Section", project::putSection(w.now(), Beats(8), "weir"));
    auto* gain = w.child<app::Figure>("clipGain");
    gain->setFocus();
    w.key(Qt::Key_1);
    ASSERT_TRUE(gain->isTyping());
    w.key(Qt::Key_Return);
    EXPECT_EQ(w.laid(w.first).clip->gainDb, 1);
    EXPECT_EQ(w.session().player().position(), Beats(0));
    w.settle();
}

TEST(CardMany, NormalisingMeasuresEachClip) {
    BarsWindow w;
    const ClipId second = w.now().tracks[1]->clips[0].id;
    w.session().document().select({w.first, second});
    QTest::mouseClick(w.child<QPushButton>("normalise-loudness"), Qt::LeftButton);
    ASSERT_TRUE(waitFor([&] { return w.laid(second).clip->normalise == project::Normalise::Loudness; }));
    EXPECT_NE(w.laid(w.first).clip->normaliseDb, w.laid(second).clip->normaliseDb);
    EXPECT_NEAR(w.laid(w.first).chain.clipDb, w.laid(w.first).clip->normaliseDb, 1e-9);
    w.settle();
}

TEST(BenchFold, ItFoldsByKeyByItsLineAndWithNothingSelected) {
    BarsWindow w;
    auto* bench = w.child<app::Bench>("bench");
    const int open = bench->height();
    EXPECT_GT(open, 200);
    w.bars().setFocus();
    w.key(Qt::Key_B);
    EXPECT_TRUE(waitFor([&] { return bench->height() < 60; }));
    w.key(Qt::Key_B);
    EXPECT_TRUE(waitFor([&] { return std::abs(bench->height() - open) < 4; })) << "to where it was left";
    w.session().document().select({});
    EXPECT_TRUE(waitFor([&] { return bench->height() < 60; }));
    w.session().document().select({w.first});
    EXPECT_TRUE(waitFor([&] { return bench->height() > 200; }));
    w.settle();
}

TEST(SourcesRows, CommandsOfTheRecordingReachAllOfTheSelectedClips) {
    Window w;
    w.import({ui::hands(), ui::bass()});
    w.session().document().select(project::allClips(w.now()));
    EXPECT_FALSE(w.session().selection().source);
    const auto tempos = [&] {
        std::vector<double> all;
        for (const project::SourcePtr& s : w.now().sources)
            all.push_back(s->beats->meanTempo().value);
        return all;
    };
    const std::vector<double> before = tempos();
    auto* half = w.child<QAction>("half");
    ASSERT_TRUE(half->isEnabled());
    half->trigger();
    for (std::size_t i = 0; i < before.size(); ++i)
        EXPECT_NEAR(tempos()[i], before[i] / 2, 1e-6);
    w.key(Qt::Key_Z, Qt::ControlModifier); // one step
    EXPECT_EQ(tempos(), before);
    w.session().document().select(project::allClips(w.now()));
    w.child<QAction>("sourceFollows")->trigger();
    for (const project::SourcePtr& s : w.now().sources)
        EXPECT_FALSE(s->following) << s->name;
}

TEST(CardMany, FiguresOfALockedClipSaySo) {
    Window w;
    w.import({ui::hands()});
    const auto id = project::allClips(w.now()).front();
    w.session().document().select({id});
    auto* gain = w.child<app::Figure>("clipGain");
    const QString tip = gain->toolTip();
    EXPECT_FALSE(tip.contains("locked"));
    w.key(Qt::Key_K, Qt::ControlModifier);
    EXPECT_TRUE(gain->toolTip().contains("locked"));
    EXPECT_EQ(gain->accessibleDescription(), "locked");
    w.key(Qt::Key_K, Qt::ControlModifier);
    EXPECT_EQ(gain->toolTip(), tip);
}

TEST(SourcesRows, ChosenSourcesStopFollowing) {
    BarsWindow w;
    w.child<QAction>("pageSources")->trigger();
    auto* table = w.child<QTableView>("sourcesTable");
    table->selectRow(0);
    QTest::mouseClick(w.child<QPushButton>("rowsFollow"), Qt::LeftButton);
    const auto length = w.laid(w.first).time().length;
    w.session().edit("Tempo", project::setTempo(w.now(), Bpm(90)));
    EXPECT_NEAR(double(w.laid(w.first).time().length.value), double(length.value), 1);
    EXPECT_TRUE(w.laid(w.now().tracks[1]->clips[0].id).time().follows);
    w.settle();
}

TEST(Import, AFolderStandsForTheFilesInIt) {
    const support::Folder folder;
    for (const char* name : {"winch_hands_112bpm.wav", "barge_bell.wav"})
        std::filesystem::copy(support::demoAudio(name), folder / name);
    std::filesystem::create_directories(folder / "within");
    support::writeBytes(folder / "notes.txt", "no audio");
    Window w;
    w.session().importing().bringIn({folder.path()}, {}, Beats(0));
    ASSERT_TRUE(waitFor([&] { return w.now().sources.size() == 2 && !w.session().jobs().isBusy(); }));
    w.session().importing().bringIn({folder / "within"}, {}, Beats(0));
    EXPECT_EQ(w.now().sources.size(), 2U) << "an empty one brings nothing";
    w.settle();
}

TEST(Preferences, TheRateOfAProjectIsChosenLater) {
    BarsWindow w;
    w.session().sounds().setRate(44100);
    ASSERT_TRUE(waitFor([&] { return w.now().rate == 44100; }));
    EXPECT_EQ(w.laid(w.first).source->sound->audio.rate, 44100);
    EXPECT_NEAR(double(w.laid(w.first).time().length.value), 16 * 60 / 104.0 * 44100, 1);
    w.bars().setFocus();
    w.key(Qt::Key_Z, Qt::ControlModifier);
    EXPECT_EQ(w.now().rate, 48000);
    w.settle();
}

TEST(Projects, MissingAudioIsFoundByWhatItHolds) {
    const support::Folder folder;
    std::filesystem::create_directories(folder / "moved");
    std::filesystem::copy(support::demoAudio("winch_hands_112bpm.wav"), folder / "loop.wav");
    {
        BarsWindow w;
        w.import({folder / "loop.wav"});
        w.session().files().save(folder / "p");
        ASSERT_TRUE(waitFor([&] { return w.session().document().folder() == folder / "p"; }));
        w.settle();
    }
    std::filesystem::rename(folder / "p" / "audio" / "loop.wav", folder / "moved" / "another name.wav");
    Window w;
    w.session().files().open(folder / "p");
    ASSERT_TRUE(waitFor([&] { return !w.now().sources.empty(); }));
    const auto missing = [&] {
        return std::count_if(w.now().sources.begin(), w.now().sources.end(),
                             [](const auto& s) { return !s->sound; });
    };
    ASSERT_EQ(missing(), 1);
    w.session().sounds().findMissing(folder / "moved");
    EXPECT_TRUE(waitFor([&] { return missing() == 0; }));
    EXPECT_EQ(w.now().sources.back()->file.filename(), "another name.wav");
    w.settle();
}

} // namespace
