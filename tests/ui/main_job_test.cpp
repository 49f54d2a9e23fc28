// The product's first job from end to end, with mouse and keys only: a project at 104, loops whose names say 112,
// 96 and 124, fitted, heard with the click, followed to another tempo, delivered and read back.
#include "project/timing.h"
#include "ui/window.h"

#include "sound/read.h"
#include "sound/tags.h"
#include "support/audio.h"

#include <QLabel>
#include <cmath>

namespace {

using metre::Beats;
using namespace ui;

TEST(MainJob, FromLoopsOnDiskToLoopsOnTheGrid) {
    Window w;
    // The tempo is typed.
    w.key(Qt::Key_T, Qt::ControlModifier);
    w.type("104");
    w.key(Qt::Key_Return);
    ASSERT_EQ(w.now().tempo.points().front().bpm, metre::Bpm(104));

    w.import({hands(), bass(), shaker()});
    ASSERT_EQ(w.now().tracks.size(), 3U);
    const int beats[] = {16, 8, 8};
    for (std::size_t i = 0; i < 3; ++i) {
        const project::Clip& c = w.now().tracks[i]->clips.at(0);
        EXPECT_EQ(project::startOf(w.now(), c), Beats(0));
        EXPECT_NEAR(project::endOf(w.now(), c).value, beats[i], 1e-9) << "fitted to the bars";
    }

    // Heard with the click.
    w.bars().setFocus();
    w.key(Qt::Key_C);
    EXPECT_TRUE(w.now().view.click);
    w.key(Qt::Key_Space);
    const auto frames = w.output->framesPlayed();
    ASSERT_TRUE(waitFor([&] { return w.output->framesPlayed() > frames + 24000; }));
    const auto played = w.output->taken();
    float loudest = 0;
    for (const float s : played)
        loudest = std::max(loudest, std::abs(s));
    EXPECT_GT(loudest, 0.05F);

    // Another tempo while playing: the bar position stays, the clips follow.
    const double before = w.session().player().position().value;
    w.key(Qt::Key_T, Qt::ControlModifier);
    w.type("108.5");
    w.key(Qt::Key_Return);
    ASSERT_TRUE(waitFor([&] { return w.session().player().pendingRenders() == 0; }));
    const double after = w.session().player().position().value;
    EXPECT_GE(after, before - 0.01);
    for (std::size_t i = 0; i < 3; ++i) {
        std::int64_t length = 0;
        for (const auto& piece : w.session().player().renderedClip(w.now().tracks[i]->clips[0].id))
            length += (piece.to - piece.from).value;
        EXPECT_EQ(length, std::llround(beats[i] * 60 / 108.5 * 48000));
    }
    w.bars().setFocus();
    w.key(Qt::Key_Space);

    // One clip is moved two bars on by hand.
    const app::ClipId bassClip = w.now().tracks[1]->clips[0].id;
    w.bars().zoomToAll(); // the page went along with what was played
    const QPoint from = w.middleOf(bassClip);
    w.drag(from, from + QPoint(static_cast<int>(8 * w.bars().layout().perBeat), 0));
    EXPECT_EQ(project::startOf(w.now(), *project::clipOf(w.now(), bassClip)), Beats(8));
    w.key(Qt::Key_Escape);

    // Delivered.
    const support::Folder folder;
    w.key(Qt::Key_D, Qt::ControlModifier);
    auto* where = w.child<QLineEdit>("deliverFolder");
    where->setFocus();
    where->selectAll();
    QTest::keyClicks(where, QString::fromStdString((folder / "fitted").string()));
    QTest::keyClick(where, Qt::Key_Return);
    w.settle();
    EXPECT_TRUE(w.status().startsWith("3 of 3 files written")) << w.status().toStdString();

    // Read back: length exact, tag right, every stroke on its beat.
    const std::pair<const char*, std::filesystem::path> delivered[] = {{"winch_hands_108.5bpm.wav", hands()},
                                                                       {"keel_bass_108.5bpm_Dm.wav", bass()},
                                                                       {"rope_shaker_108.5bpm.wav", shaker()}};
    const double tempos[] = {112, 96, 124};
    for (std::size_t i = 0; i < 3; ++i) {
        const auto path = folder / "fitted" / delivered[i].first;
        const auto out = sound::read(path, 0);
        ASSERT_TRUE(out) << out.error().text;
        EXPECT_EQ(out->audio.rate, 48000);
        const std::int64_t start =
            std::llround(project::startOf(w.now(), w.now().tracks[i]->clips[0]).value * 60 / 108.5 * 48000);
        const std::int64_t end =
            std::llround(project::endOf(w.now(), w.now().tracks[i]->clips[0]).value * 60 / 108.5 * 48000);
        EXPECT_EQ(out->audio.frames().value, end - start);
        ASSERT_TRUE(sound::readTags(path).bpm);
        EXPECT_NEAR(sound::readTags(path).bpm->value, 108.5, 1e-3);
        const auto source = sound::read(delivered[i].second, 48000);
        int compared = 0;
        for (int beat = 0; beat < beats[i]; ++beat) {
            const std::int64_t recorded = std::llround(beat * 60 / tempos[i] * 48000);
            const double quiet = support::energy(source->audio, recorded - 480, recorded) + 1e-9;
            if (support::energy(source->audio, recorded, recorded + 480) < 4 * quiet)
                continue; // no stroke on this beat
            const std::int64_t grid = std::llround(beat * 60 / 108.5 * 48000);
            EXPECT_LE(std::abs(support::lagOf(source->audio, recorded, out->audio, grid, 960, 480)), 48)
                << delivered[i].first << " beat " << beat;
            ++compared;
        }
        EXPECT_GE(compared, beats[i] / 2) << delivered[i].first;
    }

    // And all of it can be taken back.
    int steps = 0;
    while (w.session().document().history().canUndo() && steps < 50) {
        w.window->findChild<QAction*>("undo")->trigger();
        ++steps;
    }
    EXPECT_TRUE(w.now().tracks.empty());
    EXPECT_EQ(w.now().tempo.points().front().bpm, metre::Bpm(120));
}

} // namespace
