// The readings of a source in the bench, and the page of all sources, by mouse and keys.
#include "app/window/import_report.h"
#include "project/timing.h"
#include "ui/window.h"

#include "app/bench/bench.h"
#include "app/bench/rails_view.h"
#include "app/bench/readings_strip.h"
#include "app/sources/sources_model.h"
#include "app/widgets/figure.h"
#include "app/widgets/text.h"
#include "project/settle.h"
#include "shelf/memory.h"
#include "sound/tags.h"
#include "support/audio.h"

#include <QMenu>
#include <QMessageBox>
#include <QPlainTextEdit>
#include <QPushButton>
#include <QTabBar>
#include <QTableView>
#include <QWheelEvent>
#include <cmath>
#include <sndfile.h>

namespace {

using hear::Witness;
using metre::Beats;
using metre::Bpm;
using namespace ui;

// A window with loops in it that are only here, so that nothing is remembered of them: each of its own rhythm.
struct Loops : Window {
    support::Folder folder;
    Loops() {
        session().remembered().forget({});
        window->show();
        openBench();
    }
    std::filesystem::path loop(const std::string& name, double bpm, int beats = 16) {
        const auto file = folder / name;
        auto audio = support::drumLoop(support::steadyBeats(bpm, beats), beats * 60 / bpm);
        // Content that no other test has settled.
        static int made = 0;
        audio.channels[0].back() = static_cast<float>(++made) * 1e-3F;
        support::writeSound(file, audio, SF_FORMAT_WAV | SF_FORMAT_PCM_16);
        return file;
    }
    const project::Source& source(std::size_t i = 0) { return *now().sources[i]; }
    double tempo(std::size_t i = 0) { return source(i).beats ? source(i).beats->meanTempo().value : 0; }
    void pick(std::size_t i) { session().document().selectSource(source(i).id); }
    // Clicks the row of a witness in the list of readings.
    void clickReading(Witness by, Qt::MouseButton button = Qt::LeftButton) {
        auto* strip = child<app::ReadingsStrip>("readings");
        QTest::mouseClick(strip, button, {}, strip->cell(by).center());
    }
    void typeFigure(const char* name, const QString& text) {
        auto* figure = child<app::Figure>(name);
        figure->setFocus();
        key(Qt::Key_Return);
        type(text);
        key(Qt::Key_Return);
        settle();
    }
};

TEST(Readings, AnUnnamedLoopIsHeardAndSaysOnWhatItRests) {
    Loops w;
    w.import({w.loop("towpath.wav", 117)});
    EXPECT_NEAR(w.tempo(), 117, 0.05);
    EXPECT_EQ(w.source().chosen, Witness::Heard);
    const auto clip = project::allClips(w.now()).at(0);
    EXPECT_NEAR(project::endOf(w.now(), *project::clipOf(w.now(), clip)).value, 16, 1e-6) << "fitted to the bars";
    const QString said = w.child<app::ReadingsStrip>("readings")->accessibleDescription();
    EXPECT_TRUE(said.contains("Heard 117")) << said.toStdString();
    EXPECT_TRUE(said.contains("Length 117")) << said.toStdString();
    EXPECT_TRUE(said.contains("Name nothing")) << said.toStdString();
    const QString told = w.child<app::ImportReport>("importReport")->lines().join('\n');
    EXPECT_TRUE(told.contains("towpath: 117 as heard, 16 beats, fitted to 120")) << told.toStdString();
    // One click from the message to where it can be changed.
    QTest::mouseClick(w.child<QPushButton>("reportReadings"), Qt::LeftButton);
    EXPECT_TRUE(w.child<QTableView>("sourcesTable")->isVisible());
}

TEST(Readings, AClickPicksAnotherAndTheClipsFollowAtOnce) {
    Loops w;
    w.import({w.loop("weir 97.wav", 130)});
    w.pick(0);
    const auto clip = project::allClips(w.now()).at(0);
    w.clickReading(Witness::Name);
    EXPECT_NEAR(w.tempo(), 97, 1e-9);
    EXPECT_EQ(w.source().chosen, Witness::Name);
    const double byName = project::endOf(w.now(), *project::clipOf(w.now(), clip)).value;
    w.clickReading(Witness::Heard);
    EXPECT_NEAR(w.tempo(), 130, 0.05);
    EXPECT_GT(project::endOf(w.now(), *project::clipOf(w.now(), clip)).value, byName + 1);
    w.clickReading(Witness::Tag);
    EXPECT_NEAR(w.tempo(), 130, 0.05) << "a reading without a tempo changes nothing";
    w.key(Qt::Key_Z, Qt::ControlModifier);
    EXPECT_EQ(w.source().chosen, Witness::Name);
}

TEST(Readings, TheListIsWorkedByKeysAlone) {
    Loops w;
    w.import({w.loop("weir 97.wav", 130)});
    w.pick(0);
    auto* list = w.child<app::ReadingsStrip>("readings");
    list->setFocus();
    for (int i = 0; i < 6; ++i)
        QTest::keyClick(list, Qt::Key_Up);
    QTest::keyClick(list, Qt::Key_Return);
    EXPECT_EQ(w.source().chosen, Witness::Name);
    QTest::keyClick(list, Qt::Key_Down);
    QTest::keyClick(list, Qt::Key_Down);
    QTest::keyClick(list, Qt::Key_Return);
    EXPECT_EQ(w.source().chosen, Witness::Heard);
    // Its other tempos, by the keyboard's own menu key.
    QContextMenuEvent menuKey(QContextMenuEvent::Keyboard, QPoint(5, 5), list->mapToGlobal(QPoint(5, 5)));
    QApplication::sendEvent(list, &menuKey);
    auto* menu = list->findChild<QMenu*>("otherTempos");
    ASSERT_NE(menu, nullptr);
    ASSERT_GE(menu->actions().size(), 3);
    menu->actions().at(1)->trigger();
    EXPECT_GT(std::abs(w.tempo() / 130 - 1), 0.1);
    menu->close();
}

TEST(Readings, HalfDoubleAndRound) {
    Loops w;
    w.import({w.loop("a.wav", 120.1)});
    w.pick(0);
    ASSERT_NEAR(w.tempo(), 120.1, 0.02);
    QTest::mouseClick(w.child<QPushButton>("roundTempo"), Qt::LeftButton);
    EXPECT_NEAR(w.tempo(), 120, 1e-9);
    EXPECT_FALSE(w.child<QPushButton>("roundTempo")->isEnabled()) << "it is round now";
    QTest::mouseClick(w.child<QPushButton>("halfTempo"), Qt::LeftButton);
    EXPECT_NEAR(w.tempo(), 60, 1e-9);
    QTest::mouseClick(w.child<QPushButton>("twiceTempo"), Qt::LeftButton);
    EXPECT_NEAR(w.tempo(), 120, 1e-9);
    w.key(Qt::Key_Minus, Qt::AltModifier);
    EXPECT_NEAR(w.tempo(), 60, 1e-9) << "by its key";
}

TEST(Readings, ListeningBetweenTwoTemposSettlesTheOctave) {
    Loops w;
    w.import({w.loop("a.wav", 128)});
    w.pick(0);
    w.typeFigure("listenHigh", "99");
    w.typeFigure("listenLow", "50");
    ASSERT_TRUE(waitFor([&] { return std::abs(w.tempo() - 64) < 0.05; })) << w.tempo();
    EXPECT_EQ(w.source().window, (hear::Window{Bpm(50), Bpm(99)}));
    w.typeFigure("listenLow", "200");
    EXPECT_TRUE(w.status().contains("lower one first")) << w.status().toStdString();
    EXPECT_EQ(w.child<app::Figure>("listenLow")->text(), "50");
}

TEST(Readings, BeatsBetweenMarksThatAreDragged) {
    Loops w;
    w.import({w.loop("a.wav", 100)});
    w.pick(0);
    auto* rails = w.child<app::RailsView>("rails");
    const auto x = [&](double seconds) { return static_cast<int>(rails->layout().x(metre::Seconds(seconds))); };
    // The second mark comes to the stroke on the ninth beat.
    QTest::mousePress(rails, Qt::LeftButton, {}, QPoint(x(9.6), 12));
    for (int i = 1; i <= 6; ++i)
        QTest::mouseMove(rails, QPoint(x(9.6 - i * 0.8), 12));
    QTest::mouseRelease(rails, Qt::LeftButton, {}, QPoint(x(4.8), 12));
    ASSERT_TRUE(w.source().marks);
    EXPECT_NEAR(w.source().marks->to.value, 4.8, 0.003) << "caught by the attack";
    EXPECT_EQ(w.child<app::Figure>("beatsBetween")->text(), "8");
    w.typeFigure("beatsBetween", "16");
    EXPECT_NEAR(w.tempo(), 200, 0.1);
    EXPECT_EQ(w.source().chosen, Witness::Typed);
    w.typeFigure("beatsBetween", "some");
    EXPECT_NEAR(w.tempo(), 200, 0.1);
    EXPECT_TRUE(w.status().contains("some")) << w.status().toStdString();
}

TEST(Readings, TappingWhileTheRecordingPlays) {
    Loops w;
    w.import({w.loop("a.wav", 150, 32)});
    w.pick(0);
    auto* tap = w.child<QPushButton>("tapSource");
    QTest::mouseClick(tap, Qt::LeftButton); // starts it, and is the first tap
    auto& player = w.session().player();
    ASSERT_TRUE(player.isPlayingRaw());
    EXPECT_FALSE(player.isPlaying()) << "the project does not play";
    // A tap on every second beat of the recording, as it comes.
    for (int i = 1; i <= 9; ++i) {
        ASSERT_TRUE(
            QTest::qWaitFor([&] { return !player.isPlayingRaw() || player.rawPosition().value >= i * 0.8; }, 5000));
        QTest::mouseClick(tap, Qt::LeftButton);
    }
    const hear::Reading* tapped = project::readingBy(w.source(), Witness::Tapped);
    ASSERT_NE(tapped, nullptr);
    EXPECT_NEAR(tapped->bpm->value, 75, 6) << tapped->evidence;
    EXPECT_NE(tapped->evidence.find("half of what is heard"), std::string::npos) << tapped->evidence;
    EXPECT_EQ(w.source().chosen, Witness::Heard) << "it is a reading, to be picked";
    EXPECT_TRUE(player.isPlayingRaw()) << "tapping changes nothing that is being played";
    w.clickReading(Witness::Tapped);
    EXPECT_EQ(w.source().chosen, Witness::Tapped);
    QTest::mouseClick(w.child<QPushButton>("hearRaw"), Qt::LeftButton);
    EXPECT_FALSE(player.isPlayingRaw());
}

TEST(Readings, TheRecordingIsHeardAsItIsAndItsClickFollowsItsTempo) {
    Loops w;
    w.import({w.loop("a.wav", 100, 32)});
    w.pick(0);
    const auto project = w.now();
    w.bars().setFocus();
    w.key(Qt::Key_Space, Qt::ShiftModifier);
    auto& player = w.session().player();
    ASSERT_TRUE(player.isPlayingRaw());
    ASSERT_TRUE(waitFor([&] { return player.rawPosition().value > 0.5; }));
    const double before = player.rawPosition().value;
    w.typeFigure("sourceTempo", "101");
    ASSERT_TRUE(player.isPlayingRaw());
    EXPECT_GE(player.rawPosition().value, before);
    EXPECT_LT(player.rawPosition().value, before + 3) << "it goes on from where it was";
    // Another source ends it.
    w.import({w.loop("b.wav", 90)});
    w.pick(1);
    EXPECT_FALSE(player.isPlayingRaw());
}

TEST(Sources, OneRowASourceWithEveryReading) {
    Loops w;
    w.import({w.loop("lock_128bpm.wav", 128), w.loop("weir 97.wav", 130), w.loop("c.wav", 88)});
    support::writeSound(w.folder / "rain.wav", support::noise(3), SF_FORMAT_WAV | SF_FORMAT_PCM_16);
    w.import({w.folder / "rain.wav"});
    w.key(Qt::Key_2, Qt::ControlModifier);
    auto* table = w.child<QTableView>("sourcesTable");
    ASSERT_TRUE(table->isVisible());
    const auto* model = table->model();
    ASSERT_EQ(model->rowCount(), 4);
    const auto text = [&](int row, int column) { return model->index(row, column).data().toString(); };
    EXPECT_EQ(text(0, app::sourceColumnAt("Name")), "128");
    EXPECT_EQ(text(0, app::sourceColumnAt("Heard")), "128");
    EXPECT_EQ(text(0, app::sourceColumnAt("Tempo")), "128");
    EXPECT_EQ(text(0, app::sourceColumnAt("Beats")), "16");
    EXPECT_EQ(text(0, app::sourceColumnAt("Kind")), "struck");
    EXPECT_TRUE(model->index(0, 0).data(app::SourcesModel::DisagreeRole).toString().isEmpty());
    EXPECT_TRUE(model->index(1, 0).data(app::SourcesModel::DisagreeRole).toString().contains("97"));
    EXPECT_EQ(text(3, app::sourceColumnAt("Tempo")), "–");
    EXPECT_EQ(text(3, app::sourceColumnAt("Kind")), "no beat");
}

TEST(Sources, TempoIsEditedInPlaceAndManyRowsAtOnce) {
    Loops w;
    w.import({w.loop("a.wav", 128), w.loop("b.wav", 90), w.loop("c.wav", 100)});
    w.key(Qt::Key_2, Qt::ControlModifier);
    auto* table = w.child<QTableView>("sourcesTable");
    const auto clickRow = [&](int row, Qt::KeyboardModifiers m = {}) {
        QTest::mouseClick(table->viewport(), Qt::LeftButton, m,
                          table->visualRect(table->model()->index(row, 8)).center());
    };
    const QRect cell = table->visualRect(table->model()->index(0, app::sourceColumnAt("Tempo")));
    const auto typeIn = [&](const QString& text) {
        // The editor of the time before is gone with the next turn of the event loop.
        ASSERT_TRUE(waitFor([&] { return table->viewport()->findChild<QLineEdit*>() == nullptr; }));
        QTest::mouseClick(table->viewport(), Qt::LeftButton, {}, cell.center());
        QTest::mouseDClick(table->viewport(), Qt::LeftButton, {}, cell.center());
        auto* editor = table->viewport()->findChild<QLineEdit*>();
        ASSERT_NE(editor, nullptr);
        editor->selectAll();
        QTest::keyClicks(editor, text);
        QTest::keyClick(editor, Qt::Key_Return);
        ASSERT_TRUE(waitFor([&] { return table->viewport()->findChild<QLineEdit*>() == nullptr; }));
    };
    typeIn("64");
    EXPECT_NEAR(w.tempo(0), 64, 1e-9);
    typeIn("fast");
    EXPECT_NEAR(w.tempo(0), 64, 1e-9) << "bad text changes nothing and says why";
    EXPECT_TRUE(w.status().contains("fast")) << w.status().toStdString();

    clickRow(1);
    clickRow(2, Qt::ShiftModifier);
    QTest::mouseClick(w.child<QPushButton>("rowsTwice"), Qt::LeftButton);
    EXPECT_NEAR(w.tempo(0), 64, 1e-9) << "not selected";
    EXPECT_NEAR(w.tempo(1), 180, 0.05);
    EXPECT_NEAR(w.tempo(2), 200, 0.05);
    w.window->findChild<QAction*>("undo")->trigger();
    EXPECT_NEAR(w.tempo(1), 90, 0.05) << "one step for all of them";
    EXPECT_NEAR(w.tempo(2), 100, 0.05);
    table->selectAll();
    auto* all = w.child<QLineEdit>("rowsTempo");
    all->setFocus();
    QTest::keyClicks(all, "111.5");
    QTest::keyClick(all, Qt::Key_Return);
    for (std::size_t i = 0; i < 3; ++i)
        EXPECT_NEAR(w.tempo(i), 111.5, 1e-9);
    w.settle();
}

TEST(Sources, RowsAreFilteredAndSorted) {
    Loops w;
    w.import({w.loop("barge 128bpm.wav", 128), w.loop("towpath.wav", 90), w.loop("lock.wav", 100)});
    w.key(Qt::Key_2, Qt::ControlModifier);
    auto* table = w.child<QTableView>("sourcesTable");
    auto* filter = w.child<QLineEdit>("sourcesFilter");
    filter->setFocus();
    QTest::keyClicks(filter, "struck 90");
    ASSERT_EQ(table->model()->rowCount(), 1);
    EXPECT_EQ(table->model()->index(0, 0).data().toString(), "towpath");
    filter->clear();
    table->sortByColumn(app::sourceColumnAt("Tempo"), Qt::AscendingOrder);
    EXPECT_EQ(table->model()->index(0, 0).data().toString(), "towpath");
    table->sortByColumn(app::sourceColumnAt("Tempo"), Qt::DescendingOrder);
    EXPECT_EQ(table->model()->index(0, 0).data().toString(), "barge 128bpm");
    // A row that is picked is the bench's source.
    QTest::mouseClick(table->viewport(), Qt::LeftButton, {},
                      table->visualRect(table->model()->index(2, 0)).center());
    ASSERT_TRUE(w.session().selection().source);
    EXPECT_EQ(project::sourceOf(w.now(), *w.session().selection().source)->name, "towpath");
}

TEST(Sources, TemposAreWrittenIntoTheFilesOnRequest) {
    Loops w;
    const auto file = w.loop("a.wav", 100);
    w.import({file});
    EXPECT_FALSE(sound::readTags(file).bpm) << "never unasked";
    const std::string content = w.source().content;
    w.key(Qt::Key_2, Qt::ControlModifier);
    w.child<QTableView>("sourcesTable")->selectAll();
    QTest::mouseClick(w.child<QPushButton>("rowsWrite"), Qt::LeftButton);
    EXPECT_FALSE(sound::readTags(file).bpm) << "asked first";
    for (QAbstractButton* b : w.child<QMessageBox>("writeBox")->buttons())
        if (b->text() == "Write") QTest::mouseClick(b, Qt::LeftButton);
    w.settle();
    ASSERT_TRUE(waitFor([&] { return w.status().contains("written into one file"); })) << w.status().toStdString();
    EXPECT_NEAR(sound::readTags(file).bpm->value, w.tempo(), 0.001);
    EXPECT_EQ(sound::read(file, 0)->content, content);
}

TEST(Memory, ASettledTempoIsKnownAgainInAnotherSessionAndCanBeForgotten) {
    const support::Folder folder;
    auto audio = support::drumLoop(support::steadyBeats(123, 16), 16 * 60 / 123.0);
    audio.channels[0].back() = 0.0777F;
    support::writeSound(folder / "a.wav", audio, SF_FORMAT_WAV | SF_FORMAT_PCM_16);
    {
        Window w;
        w.import({folder / "a.wav"});
        w.session().document().selectSource(w.now().sources[0]->id);
        QTest::mouseClick(w.child<QPushButton>("halfTempo"), Qt::LeftButton);
        EXPECT_NEAR(w.now().sources[0]->beats->meanTempo().value, 61.5, 0.02);
        w.session().files().save(folder / "journey"); // until then it teaches nothing
        w.settle();
    }
    std::filesystem::rename(folder / "a.wav", folder / "renamed_140bpm.wav");
    {
        Window w;
        w.import({folder / "renamed_140bpm.wav"});
        EXPECT_NEAR(w.now().sources[0]->beats->meanTempo().value, 61.5, 0.02);
        w.session().document().selectSource(w.now().sources[0]->id);
        w.window->findChild<QAction*>("forgetSettled")->trigger();
        EXPECT_GT(w.now().sources[0]->beats->meanTempo().value, 100) << "here it is as it is heard, too";
    }
    Window w;
    w.import({folder / "renamed_140bpm.wav"});
    EXPECT_GT(w.now().sources[0]->beats->meanTempo().value, 100);
}

TEST(Background, ManyFilesArriveRowByRowAndTheRestCanBeCancelled) {
    Loops w;
    std::vector<std::filesystem::path> files;
    for (int i = 0; i < 24; ++i)
        files.push_back(w.loop("loop" + std::to_string(i) + ".wav", 80 + 3 * i, 32));
    w.session().importing().bringIn(files, {}, Beats(0));
    // While the first are there the work goes on, and the window answers.
    ASSERT_TRUE(waitFor([&] { return w.now().sources.size() >= 2; }));
    const bool busy = w.session().jobs().isBusy();
    if (busy) {
        const QString work = w.child<QLabel>("statusWork")->text();
        EXPECT_TRUE(work.endsWith("of 24")) << work.toStdString();
    }
    w.key(Qt::Key_2, Qt::ControlModifier);
    EXPECT_GE(w.child<QTableView>("sourcesTable")->model()->rowCount(), 2);
    if (busy) QTest::mouseClick(w.child<QPushButton>("cancelWork"), Qt::LeftButton);
    w.settle();
    EXPECT_EQ(w.child<QTableView>("sourcesTable")->model()->rowCount(), static_cast<int>(w.now().sources.size()));
    EXPECT_LT(w.now().sources.size(), files.size()) << "the rest was cancelled";
    const auto came = w.now().sources.size();
    w.window->findChild<QAction*>("undo")->trigger();
    EXPECT_TRUE(w.now().sources.empty()) << came << " sources are one import";
}

} // namespace
