// Stems in the real window: offered as a set, kept together, corrected on one, parted; and kept on disk.
#include "ui/window.h"

#include "app/sources/sources_model.h"
#include "app/window/import_report.h"
#include "project/sets.h"
#include "sound/audio_store.h"
#include "sound/mapped.h"
#include "support/audio.h"

#include <QPushButton>
#include <QTabBar>
#include <QTableView>
#include <sndfile.h>

namespace {

namespace fs = std::filesystem;
using metre::Beats;
using namespace ui;

// Eight bars at 112: drums, and two stems of which no beat can be heard.
std::vector<fs::path> stems(const support::Folder& folder) {
    const double seconds = 32 * 60 / 112.0;
    const auto save = [&](const char* name, const sound::Audio& audio) {
        support::writeSound(folder / name, audio, SF_FORMAT_WAV | SF_FORMAT_PCM_24);
        return folder / name;
    };
    return {save("lock_drums.wav", support::drumLoop(support::steadyBeats(112, 32), seconds, 4, 48000)),
            save("lock_pad.wav", support::sine(220, seconds, 48000, 2, 0.1)),
            save("lock_air.wav", support::noise(seconds, 48000, 1, 4, 0.05))};
}

std::vector<app::SourceId> sourcesOf(const project::Project& p) {
    std::vector<app::SourceId> ids;
    for (const auto& s : p.sources)
        ids.push_back(s->id);
    return ids;
}

bool isOneSet(const project::Project& p) {
    return !p.sources.empty() && p.sources[0]->set &&
           std::all_of(p.sources.begin(), p.sources.end(),
                       [&](const auto& s) { return s->set == p.sources[0]->set; });
}

TEST(SetsInTheWindow, EquallyLongFilesAreOfferedAndOneClickKeepsThemTogether) {
    Window w;
    const support::Folder folder;
    w.import(stems(folder));
    auto* keep = w.child<QPushButton>("reportSet");
    ASSERT_TRUE(keep->isVisible());
    QTest::mouseClick(keep, Qt::LeftButton);
    ASSERT_TRUE(waitFor([&] { return isOneSet(w.now()); }));
    EXPECT_FALSE(keep->isVisible()) << "what is taken up is no longer offered";
    w.settle();
    for (const auto& s : w.now().sources)
        EXPECT_NEAR(s->beats->meanTempo().value, 112, 0.05) << s->name;
    for (const project::LaidClip& c : w.session().laid()->clips()) {
        EXPECT_TRUE(c.time().stretched) << c.name();
        EXPECT_EQ(c.time().startFrame, w.session().laid()->clips()[0].time().startFrame);
    }
    w.session().document().undo();
    EXPECT_FALSE(isOneSet(w.now()));
    EXPECT_EQ(w.now().sources.size(), 3U) << "the import stays";
}

TEST(SetsInTheWindow, FilesOfOtherLengthsAreNotOffered) {
    Window w;
    w.import({hands(), bass()});
    EXPECT_EQ(w.window->findChild<QPushButton*>("reportSet"), nullptr);
}

TEST(SetsInTheWindow, OnTheSourcesPageTheyAreTiedCorrectedAndParted) {
    Window w;
    const support::Folder folder;
    w.import(stems(folder));
    w.key(Qt::Key_2, Qt::ControlModifier);
    auto* table = w.child<QTableView>("sourcesTable");
    auto* button = w.child<QPushButton>("rowsSet");
    table->selectAll();
    EXPECT_EQ(button->text(), "Make a set");
    QTest::mouseClick(button, Qt::LeftButton);
    ASSERT_TRUE(waitFor([&] { return isOneSet(w.now()); }));
    for (int row = 0; row < 3; ++row)
        EXPECT_TRUE(table->model()->index(row, 0).data(app::SourcesModel::SetRole).isValid());
    // All rows are selected: half is half, not an eighth.
    table->selectAll();
    QTest::mouseClick(w.child<QPushButton>("rowsHalf"), Qt::LeftButton);
    for (const auto& s : w.now().sources)
        EXPECT_NEAR(s->beats->meanTempo().value, 56, 0.05) << s->name;
    EXPECT_EQ(button->text(), "Dissolve");
    QTest::mouseClick(button, Qt::LeftButton);
    ASSERT_TRUE(waitFor([&] { return !w.now().sources[0]->set; }));
    table->selectRow(0);
    QTest::mouseClick(w.child<QPushButton>("rowsTwice"), Qt::LeftButton);
    EXPECT_NEAR(w.now().sources[0]->beats->meanTempo().value, 112, 0.05);
    EXPECT_NEAR(w.now().sources[1]->beats->meanTempo().value, 56, 0.05);
    w.settle();
}

TEST(SetsInTheWindow, ListeningAgainHearsTheSum) {
    Window w;
    const support::Folder folder;
    w.import(stems(folder));
    w.session().listening().makeSet(sourcesOf(w.now()));
    ASSERT_TRUE(waitFor([&] { return isOneSet(w.now()); }));
    w.session().listening().again({w.now().sources[1]->id}, {metre::Bpm(40), metre::Bpm(75)});
    ASSERT_TRUE(waitFor([&] { return std::abs(w.now().sources[0]->beats->meanTempo().value - 56) < 0.05; }));
    EXPECT_NEAR(w.now().sources[2]->beats->meanTempo().value, 56, 0.05);
    w.settle();
}

TEST(SetsInTheWindow, WhatCannotBeASetIsToldInWords) {
    Window w;
    w.import({hands(), bass()});
    QString said;
    QObject::connect(&w.session(), &app::Session::said, [&](const QString& s) { said = s; });
    w.session().listening().makeSet(sourcesOf(w.now()));
    EXPECT_TRUE(said.contains("equally long")) << said.toStdString();
    w.session().listening().makeSet({w.now().sources[0]->id});
    EXPECT_TRUE(said.contains("two sources")) << said.toStdString();
    w.session().listening().partSets(sourcesOf(w.now()));
    EXPECT_FALSE(said.isEmpty());
    EXPECT_FALSE(isOneSet(w.now()));
}

// Long material lies on disk; the folder may be emptied while it plays.
TEST(LongMaterial, PlaysOnWhenItsFilesAreRemovedAndOpensFromThemTheNextTime) {
    const support::Folder folder;
    const fs::path file = folder / "long.wav";
    support::writeSound(file, support::drumLoop(support::steadyBeats(96, 128), 80, 4, 48000),
                        SF_FORMAT_WAV | SF_FORMAT_PCM_16);
    {
        Window w;
        w.import({file});
        EXPECT_TRUE(w.now().sources[0]->sound->audio.channels[0].isView());
        ASSERT_TRUE(waitFor([&] { return w.session().player().pendingRenders() == 0; }));
        w.session().files().save(folder / "journey");
        w.settle();
        w.session().transport().toggle();
        ASSERT_TRUE(waitFor([&] { return w.session().player().position() > Beats(1); }));
        w.session().store().settle();
        EXPECT_GT(w.session().store().bytes(), 25'000'000) << "the recording and its rendering";
        w.session().store().clear();
        const Beats here = w.session().player().position();
        ASSERT_TRUE(waitFor([&] { return w.session().player().position() > here + Beats(2); }));
        EXPECT_FALSE(w.session().player().hasFailures());
        w.session().transport().toggle();
        w.session().files().open(folder / "journey");
        w.settle();
        w.session().store().settle();
    }
    Window again;
    again.session().files().open(folder / "journey");
    again.settle();
    ASSERT_EQ(again.now().sources.size(), 1U);
    EXPECT_TRUE(again.now().sources[0]->sound->audio.channels[0].isView());
    EXPECT_NEAR(again.now().sources[0]->beats->meanTempo().value, 96, 0.05);
}

// Forty seconds, which then lie on disk.
void importReach(Window& w, const support::Folder& folder) {
    support::writeSound(folder / "reach.wav", support::noise(40, 48000, 2, 2, 0.2),
                        SF_FORMAT_WAV | SF_FORMAT_PCM_16);
    w.import({folder / "reach.wav"});
    w.session().store().settle();
}

TEST(LongMaterial, WhatWasCutShortOnDiskIsSilentAndSaidOnce) {
    Window w;
    const support::Folder folder;
    importReach(w, folder);
    int told = 0;
    QString line;
    QObject::connect(&w.session(), &app::Session::told, [&](const QString&, const QStringList& lines, bool) {
        ++told;
        line = lines.join(' ');
    });
    for (const auto& each : fs::directory_iterator(w.session().store().folder()))
        if (each.path().extension() == ".audio") fs::resize_file(each.path(), 3 * 4096);
    sound::releaseMappedBut({});
    w.session().transport().toggle();
    ASSERT_TRUE(waitFor([&] { return w.session().player().position() > Beats(2); }));
    EXPECT_EQ(told, 1);
    EXPECT_TRUE(line.contains("cut short")) << line.toStdString();
    w.session().transport().toggle();
    // Opened again, it is read anew.
    w.session().files().save(folder / "journey");
    w.settle();
    w.session().files().open(folder / "journey");
    w.settle();
    const auto& samples = w.now().sources[0]->sound->audio.channels[0];
    EXPECT_GT(std::count_if(samples.begin() + 1'000'000, samples.end(), [](float s) { return s != 0; }), 800'000);
}

TEST(LongMaterial, PreferencesSayWhatIsKeptAndEmptyIt) {
    Window w;
    const support::Folder folder;
    importReach(w, folder);
    ASSERT_GT(w.session().store().bytes(), 10'000'000);
    w.key(Qt::Key_Comma, Qt::ControlModifier);
    auto* empty = w.child<QPushButton>("emptyStore");
    empty->click();
    ASSERT_TRUE(waitFor([&] { return w.session().store().bytes() == 0; }));
    EXPECT_FALSE(empty->isEnabled());
    w.key(Qt::Key_Escape);
    w.settle();
}

} // namespace
