// The pages of the guide (docs/guide), step by step in the real window: what a page says can be done, and has the
// effect that it says.
#include "project/pins.h"
#include "project/sets.h"
#include "project/settle.h"
#include "project/timing.h"
#include "support/audio.h"
#include "ui/work_day.h"

#include <QAction>
#include <QCheckBox>
#include <QListView>
#include <QPushButton>
#include <QWheelEvent>
#include <random>
#include <sndfile.h>

#include "app/strain/strain_plot.h"
#include "app/widgets/figure.h"
#include "app/window/import_report.h"

namespace {

using app::ClipId;
using metre::Beats;
using metre::Bpm;
using metre::Seconds;
using ui::waitFor;

struct Page : ui::WorkDay {

    void press(const char* name) {
        auto* button = child<QPushButton>(name);
        ASSERT_NE(button, nullptr) << name;
        ASSERT_TRUE(button->isVisible()) << name;
        QTest::mouseClick(button, Qt::LeftButton);
        settle();
    }
    void choose(const char* name) {
        auto* action = child<QAction>(name);
        ASSERT_NE(action, nullptr) << name;
        ASSERT_TRUE(action->isEnabled()) << name;
        action->trigger();
        settle();
    }
    void click(ClipId id) { QTest::mouseClick(bars().viewport(), Qt::LeftButton, {}, middleOf(id)); }
    void figure(const char* name, const QString& text) {
        auto* f = child<app::Figure>(name);
        ASSERT_TRUE(f != nullptr && f->isVisible()) << name;
        QTest::mouseDClick(f, Qt::LeftButton);
        type(text);
        key(Qt::Key_Return);
        settle();
    }
    void wheel(QWidget& over, int notches) {
        const QPointF at = over.rect().center();
        QWheelEvent event(at, over.mapToGlobal(at.toPoint()), {}, {0, 120 * notches}, Qt::NoButton, Qt::NoModifier,
                          Qt::NoScrollPhase, false);
        QApplication::sendEvent(&over, &event);
    }
    std::vector<ClipId> clips() { return project::allClips(now()); }
    double tempoOf(ClipId id) { return recordingOf(id).beats->meanTempo().value; }
    void proven() {
        ASSERT_TRUE(waitFor(
            [&] { return session().player().pendingRenders() == 0 && session().proofs().summary().waiting == 0; }));
    }
    void deliverTo(const std::filesystem::path& where, const std::vector<const char*>& what) {
        key(Qt::Key_D, Qt::ControlModifier);
        auto* line = child<QLineEdit>("deliverFolder");
        line->setFocus();
        line->selectAll();
        QTest::keyClicks(line, QString::fromStdString(where.string()));
        for (const char* each :
             {"deliver-loops", "deliver-stems", "deliver-mix", "deliver-click", "deliver-map", "deliver-proof"}) {
            auto* box = child<QCheckBox>(each);
            const bool wanted =
                std::any_of(what.begin(), what.end(), [&](const char* w) { return std::string(w) == each; });
            if (box->isChecked() != wanted) QTest::mouseClick(box, Qt::LeftButton, {}, QPoint(8, 8));
        }
        QTest::mouseClick(child<QPushButton>("deliverButton"), Qt::LeftButton);
        settle();
    }
    static int filesIn(const std::filesystem::path& where, const std::string& ending) {
        int n = 0;
        for (const auto& entry : std::filesystem::directory_iterator(where))
            n += entry.path().extension() == ending;
        return n;
    }
};

TEST(Guide, FirstLoops) {
    Page p;
    p.key(Qt::Key_T, Qt::ControlModifier);
    p.type("104");
    p.key(Qt::Key_Return);
    std::vector<std::filesystem::path> files;
    for (const int bpm : {92, 103, 113, 124, 131})
        files.push_back(p.madeLoop("boat_" + std::to_string(bpm), bpm));
    p.import(files);
    ASSERT_EQ(p.clips().size(), 5U);
    EXPECT_EQ(p.now().tracks.size(), 5U);
    EXPECT_FALSE(p.window->findChild<app::ImportReport*>()->isHidden()) << "the message above the page";
    for (const ClipId id : p.clips()) {
        EXPECT_TRUE(p.laid(id).time().follows);
        EXPECT_EQ(p.laid(id).time().start, Beats(0));
        EXPECT_NEAR(metre::toSeconds(p.laid(id).time().length, 48000).value, 16 * 60 / 104.0, 1e-3);
    }
    p.key(Qt::Key_C);
    p.key(Qt::Key_Space);
    EXPECT_TRUE(waitFor([&] { return p.session().player().isPlaying(); }));
    auto* tempo = p.child<app::Figure>("projectTempo");
    QTest::mouseClick(tempo, Qt::LeftButton);
    p.wheel(*tempo, 2);
    EXPECT_NEAR(p.now().tempo.points().front().bpm.value, 106, 1e-9) << "it is turned while it plays";
    p.key(Qt::Key_Space);
    p.proven();
    EXPECT_EQ(p.session().proofs().summary().count(prove::Landing::InTime), 5);
    // Arranged: a clip is dragged, split, and all of that is taken back.
    p.bars().zoomToAll();
    const ClipId first = p.clips().front();
    const QPoint from = p.middleOf(first);
    p.drag(from, from + QPoint(static_cast<int>(8 * p.bars().layout().perBeat), 0));
    EXPECT_EQ(p.laid(first).time().start, Beats(8));
    p.key(Qt::Key_Z, Qt::ControlModifier);
    EXPECT_EQ(p.laid(first).time().start, Beats(0));
}

TEST(Guide, AWrongTempo) {
    Page p;
    p.import({p.madeLoop("reed", 150)});
    const ClipId id = p.clips().front();
    p.click(id);
    const double heard = p.tempoOf(id);
    p.key(Qt::Key_Minus, Qt::AltModifier);
    EXPECT_NEAR(p.tempoOf(id), heard / 2, 0.1);
    p.key(Qt::Key_Plus, Qt::AltModifier);
    EXPECT_NEAR(p.tempoOf(id), heard, 0.1);
    // The downbeat, a beat later and back.
    const double before = p.recordingOf(id).beats->secondsAt(Beats(0)).value;
    p.key(Qt::Key_Period, Qt::AltModifier);
    EXPECT_NEAR(p.recordingOf(id).beats->secondsAt(Beats(0)).value, before + 60 / heard, 0.005);
    p.key(Qt::Key_Comma, Qt::AltModifier);
    EXPECT_NEAR(p.recordingOf(id).beats->secondsAt(Beats(0)).value, before, 0.005);
    // For this clip alone.
    p.figure("countsAs", "75");
    EXPECT_TRUE(p.laid(id).clip->countsAs);
    EXPECT_NEAR(p.tempoOf(id), heard, 0.1) << "the recording stays";
    // The page Sources has a row for it.
    p.key(Qt::Key_2, Qt::ControlModifier);
    EXPECT_TRUE(p.child<QWidget>("sourcesTable")->isVisible());
}

TEST(Guide, ASongPlayedFree) {
    Page p;
    p.import({p.madeTake()});
    const ClipId id = p.clips().front();
    EXPECT_GT(project::pinsOf(p.recordingOf(id)).size(), 2U) << "it is played free: it has pins";
    p.click(id);
    p.choose("leadBeats");
    ASSERT_TRUE(p.now().lead);
    EXPECT_TRUE(p.laid(id).time().job()->map.isIdentity()) << "it plays exactly as it was recorded";
    p.import({p.madeLoop("pole", 124)});
    EXPECT_TRUE(p.laid(p.clips().back()).time().follows) << "everything else goes with it";
    p.deliverTo(p.folder / "out", {"deliver-map"});
    EXPECT_EQ(Page::filesIn(p.folder / "out", ".mid"), 1);
}

TEST(Guide, Stems) {
    Page p;
    p.import({p.madeLoop("drums", 104), p.madeLoop("bass", 104), p.madeLoop("keys", 104)});
    p.press("reportSet");
    const auto& sources = p.now().sources;
    ASSERT_EQ(sources.size(), 3U);
    for (const project::SourcePtr& source : sources)
        EXPECT_EQ(project::togetherWith(p.now(), source->id).size(), 3U);
    // What is corrected on one is corrected on all.
    p.click(p.clips().front());
    p.key(Qt::Key_Minus, Qt::AltModifier);
    for (const ClipId id : p.clips())
        EXPECT_NEAR(p.tempoOf(id), 52, 0.1);
    p.deliverTo(p.folder / "out", {"deliver-stems"});
    EXPECT_EQ(Page::filesIn(p.folder / "out", ".wav"), 3);
    p.click(p.clips().front());
    p.choose("partSet");
    EXPECT_LE(project::togetherWith(p.now(), sources.front()->id).size(), 1U);
}

TEST(Guide, Finding) {
    Page p;
    p.madeLoop("pole_92bpm", 92);
    p.madeLoop("pole_124bpm", 124);
    p.madeLoop("winch_104bpm", 104);
    p.session().library().addFolder(p.folder.path());
    p.settle();
    auto* list = p.child<QListView>("libraryList");
    ASSERT_TRUE(waitFor([&] { return list->model()->rowCount() == 3; }));
    p.key(Qt::Key_F, Qt::ControlModifier);
    p.type("pole");
    ASSERT_TRUE(waitFor([&] { return list->model()->rowCount() == 2; }));
    p.type(" 124");
    ASSERT_TRUE(waitFor([&] { return list->model()->rowCount() == 1; }));
    p.key(Qt::Key_Down);
    EXPECT_TRUE(waitFor([&] { return p.session().audition().isHeard(); })) << "what is picked is heard at once";
    p.key(Qt::Key_Return);
    ASSERT_TRUE(waitFor([&] { return p.clips().size() == 1; }));
    p.settle();
    EXPECT_NEAR(p.tempoOf(p.clips().front()), 124, 0.1);
}

TEST(Guide, Tightening) {
    Page p;
    std::mt19937 random(3);
    std::normal_distribution<double> off(0, 0.012);
    std::vector<std::int64_t> at;
    for (int step = 0; step < 64; ++step)
        at.push_back(std::llround((step * 0.125 + (step == 0 ? 0 : off(random))) * 48000));
    const auto file = p.folder / "loose_120bpm.wav";
    support::writeSound(file, support::strokes(at, 8, 48000), SF_FORMAT_WAV | SF_FORMAT_PCM_16);
    p.import({file});
    const ClipId id = p.clips().front();
    p.click(id);
    p.key(Qt::Key_B, Qt::ShiftModifier);
    EXPECT_TRUE(p.child<QWidget>("feelPlot")->isVisible());
    p.figure("tighten", "70");
    EXPECT_EQ(p.laid(id).clip->tighten.percent, 70);
    EXPECT_GT(p.laid(id).time().hitsDrawn, 30);
    p.key(Qt::Key_Z, Qt::ControlModifier);
    EXPECT_EQ(p.laid(id).time().hitsDrawn, 0) << "one turn is undone as one";
}

TEST(Guide, ProofAndStrain) {
    Page p;
    p.import({p.madeLoop("pole", 112), p.madeLoop("oars", 100)});
    p.proven();
    p.key(Qt::Key_F4);
    EXPECT_FALSE(p.status().isEmpty());
    EXPECT_FALSE(p.session().selection().clips.empty()) << "the clip with the hit farthest off is selected";
    p.key(Qt::Key_3, Qt::ControlModifier);
    p.settle();
    ASSERT_TRUE(p.child<app::StrainPlot>("strainPlot")->isVisible());
    p.press("strainUse");
    const double bpm = p.now().tempo.points().front().bpm.value;
    EXPECT_GT(bpm, 100);
    EXPECT_LT(bpm, 112) << "where both meet";
    p.key(Qt::Key_1, Qt::ControlModifier);
    p.click(p.clips().front());
    p.key(Qt::Key_X);
    EXPECT_TRUE(p.status().contains("as recorded")) << p.status().toStdString();
}

TEST(Guide, HandingOn) {
    Page p;
    p.import({p.madeLoop("pole", 112)});
    const auto out = p.folder / "out";
    p.deliverTo(out,
                {"deliver-loops", "deliver-stems", "deliver-mix", "deliver-click", "deliver-map", "deliver-proof"});
    EXPECT_EQ(Page::filesIn(out, ".wav"), 4) << "a loop, a stem, the mix and the click";
    EXPECT_EQ(Page::filesIn(out, ".mid"), 1);
    EXPECT_EQ(Page::filesIn(out, ".html"), 1);
    EXPECT_EQ(Page::filesIn(out, ".csv"), 1);
}

} // namespace
