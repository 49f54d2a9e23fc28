// Bringing in, in the real window: what is long, what it does, what is said of it, and one click for another
// choice.
#include "app/bench/bench.h"
#include "ui/window.h"

#include "app/window/import_report.h"
#include "app/window/preferences_sheet.h"
#include "project/arriving.h"
#include "support/audio.h"

#include <QComboBox>
#include <QMimeData>
#include <QPushButton>
#include <set>
#include <sndfile.h>

namespace {

namespace fs = std::filesystem;
using metre::Beats;
using metre::Bpm;
using namespace ui;

// A drum loop repeated to so many seconds: long enough to be placed before it is heard.
fs::path longDrums(const support::Folder& folder, const std::string& name, double bpm, int beats) {
    support::writeSound(folder / name, support::drumLoop(support::steadyBeats(bpm, beats), beats * 60 / bpm),
                        SF_FORMAT_WAV | SF_FORMAT_PCM_16);
    return folder / name;
}

void drop(QWidget* onto, const QPoint& at, const std::vector<fs::path>& files) {
    QList<QUrl> urls;
    for (const fs::path& f : files)
        urls << QUrl::fromLocalFile(QString::fromStdString(f.string()));
    QMimeData data;
    data.setUrls(urls);
    QDragEnterEvent enter(at, Qt::CopyAction, &data, Qt::LeftButton, Qt::NoModifier);
    QApplication::sendEvent(onto, &enter);
    QDropEvent dropped(at, Qt::CopyAction, &data, Qt::LeftButton, Qt::NoModifier);
    QApplication::sendEvent(onto, &dropped);
}

void choose(Window& w, const QString& way) {
    auto* box = w.child<QComboBox>("newSources");
    box->setCurrentIndex(box->findText(way));
    emit box->activated(box->currentIndex());
}

TEST(BringingIn, WhatIsLongStandsOnThePageFirstAndIsFittedOnceHeardAndUndoneAtOnce) {
    Window w;
    const support::Folder folder;
    const fs::path file = longDrums(folder, "weir.wav", 96, 128);
    bool stoodUnheard = false;
    QObject::connect(&w.session(), &app::Session::changed, [&] {
        if (!w.now().sources.empty() && project::isUnheard(*w.now().sources[0]) &&
            !project::allClips(w.now()).empty())
            stoodUnheard = true;
    });
    w.import({file});
    EXPECT_TRUE(stoodUnheard) << "it could be seen and played before it was heard";
    ASSERT_EQ(w.now().sources.size(), 1U);
    EXPECT_NEAR(w.now().sources[0]->beats->meanTempo().value, 96, 0.05);
    const app::ClipId clip = project::allClips(w.now())[0];
    EXPECT_TRUE(w.session().laid()->find(clip)->time().follows);
    EXPECT_NEAR(w.session().laid()->find(clip)->time().end.value, 128, 1e-6);
    w.session().document().undo();
    EXPECT_TRUE(w.now().sources.empty()) << "one step";
    w.session().document().redo();
    EXPECT_TRUE(w.session().laid()->find(clip)->time().follows) << "and fitted it comes back";
}

TEST(BringingIn, StayAsRecordedLeadAndBack) {
    Window w;
    choose(w, "stay as recorded");
    w.import({hands()});
    EXPECT_FALSE(w.session().laid()->clips()[0].time().stretched);
    EXPECT_TRUE(w.child<app::ImportReport>("importReport")->lines()[0].contains("as recorded"));
    EXPECT_EQ(w.now().tempo.tempoAt(Beats(0)), Bpm(120));
    QTest::mouseClick(w.child<QPushButton>("reportFit"), Qt::LeftButton);
    ASSERT_TRUE(waitFor([&] { return w.session().laid()->clips()[0].time().stretched; }));
    choose(w, "lead");
    w.import({bass(), shaker()});
    EXPECT_EQ(w.now().tempo.tempoAt(Beats(0)), Bpm(96)) << "of the first of them";
    EXPECT_EQ(w.session().preferences().newSources, app::NewSources::Lead) << "which is kept";
    w.session().document().undo();
    EXPECT_EQ(w.now().tempo.tempoAt(Beats(0)), Bpm(120)) << "with the import";
    choose(w, "keep project time");
    w.settle();
}

TEST(BringingIn, OneClickForHalfDoubleTheOtherReadingAndAsRecorded) {
    Window w;
    const support::Folder folder;
    fs::copy_file(shaker(), folder / "odd name 100bpm.wav");
    w.import({folder / "odd name 100bpm.wav"});
    auto* report = w.child<app::ImportReport>("importReport");
    const auto bpm = [&] { return w.now().sources[0]->beats->meanTempo().value; };
    EXPECT_NEAR(bpm(), 100, 1e-6);
    const auto press = [&](const char* name) {
        QTest::mouseClick(report->findChild<QPushButton*>(name), Qt::LeftButton);
    };
    press("reportOther");
    ASSERT_TRUE(waitFor([&] { return std::abs(bpm() - 124) < 0.05; })) << report->lines().join('\n').toStdString();
    EXPECT_TRUE(report->lines()[0].contains("124 as heard"));
    press("reportHalf");
    ASSERT_TRUE(waitFor([&] { return std::abs(bpm() - 62) < 0.05; }));
    press("reportDouble");
    ASSERT_TRUE(waitFor([&] { return std::abs(bpm() - 124) < 0.05; }));
    press("reportAsRecorded");
    ASSERT_TRUE(waitFor([&] { return !w.session().laid()->clips()[0].time().stretched; }));
    EXPECT_TRUE(report->lines()[0].contains("as recorded"));
    w.session().document().undo();
    ASSERT_TRUE(waitFor([&] { return w.session().laid()->clips()[0].time().stretched; }));
    w.settle();
}

TEST(BringingIn, SeveralOntoATrackComeOneAfterTheOtherAndElsewhereEachOnItsOwn) {
    Window w;
    w.import({hands()});
    const int line = w.bars().layout().top() + 20;
    drop(w.bars().viewport(), QPoint(static_cast<int>(w.bars().layout().x(Beats(16))) + 2, line),
         {bass(), shaker(), hands()});
    w.settle();
    ASSERT_EQ(w.now().tracks.size(), 1U);
    const auto clips = w.session().laid()->onTrack(0);
    ASSERT_EQ(clips.size(), 4U);
    EXPECT_EQ(clips[1].time().start, Beats(16));
    for (std::size_t i = 2; i < 4; ++i) {
        EXPECT_NEAR(clips[i].time().start.value, clips[i - 1].time().end.value, 1e-6)
            << "on the bar line where it ends";
        EXPECT_NEAR(std::fmod(clips[i].time().start.value, 4), 0, 1e-6);
    }
    w.child<app::Bench>("bench")->setFolded(true); // there is room below the track then
    drop(w.bars().viewport(), QPoint(500, w.bars().viewport()->height() - 20), {bass(), shaker()});
    w.settle();
    EXPECT_EQ(w.now().tracks.size(), 3U);
}

TEST(BringingIn, ReferredToAFileStaysWhereItLies) {
    Window w;
    app::Preferences p = w.session().preferences();
    p.copyAudio = false;
    w.session().prefer(p);
    w.import({hands()});
    const support::Folder folder;
    w.session().files().save(folder / "journey");
    w.settle();
    EXPECT_EQ(w.now().sources[0]->file, hands());
    EXPECT_FALSE(fs::exists(folder / "journey" / "audio" / "winch_hands_112bpm.wav"));
    p.copyAudio = true;
    w.session().prefer(p);
    w.session().files().save(folder / "journey");
    w.settle();
    EXPECT_TRUE(fs::exists(folder / "journey" / "audio" / "winch_hands_112bpm.wav"));
}

TEST(BringingIn, WhatMayBeCountedTwiceAsFastGoesByTheTemposOneWorksAt) {
    const support::Folder folder;
    // Strokes, one like the other: 85 BPM or 170.
    std::vector<std::int64_t> at;
    at.reserve(32);
    for (int i = 0; i < 32; ++i)
        at.push_back(std::llround(i * 60.0 / 170 * 48000));
    support::writeSound(folder / "mooring.wav", support::strokes(at, 32 * 60.0 / 170),
                        SF_FORMAT_WAV | SF_FORMAT_PCM_16);
    Window w;
    const auto heardAt = [&](const QString& tempos) {
        app::PreferencesSheet sheet(w.session(), nullptr);
        auto* box = sheet.findChild<QComboBox*>("preferTempos");
        const int row = box->findText(tempos);
        EXPECT_GE(row, 0);
        box->setCurrentIndex(row);
        emit box->activated(row);
        w.import({folder / "mooring.wav"});
        const double bpm = w.now().sources.back()->beats->meanTempo().value;
        w.session().document().undo();
        return bpm;
    };
    EXPECT_NEAR(heardAt("45 to 90 BPM"), 85, 0.1);
    EXPECT_NEAR(heardAt("100 to 200 BPM"), 170, 0.1);
    EXPECT_TRUE(waitFor([] { return app::loadPreferences().worksFrom == Bpm(100); })) << "which is kept";
    w.session().prefer({});
    w.settle();
}

TEST(Preferences, WhatTheTableHasIsReadWrittenAndKeptWithinItsLimits) {
    const std::vector<app::PreferenceEntry> table = app::preferenceTable();
    std::set<QString> keys;
    app::Preferences p;
    for (const app::PreferenceEntry& entry : table) {
        SCOPED_TRACE(entry.key.toStdString());
        EXPECT_TRUE(keys.insert(entry.key).second) << "it stands there once";
        ASSERT_TRUE(app::preferenceOf(p, entry.key).isValid());
        if (!entry.asked) continue;
        EXPECT_FALSE(entry.asked->title.isEmpty());
        for (const auto& [text, value] : entry.asked->choices) {
            app::setPreference(p, entry.key, value);
            EXPECT_EQ(app::preferenceOf(p, entry.key), value) << text.toStdString() << " can be chosen";
        }
    }
    EXPECT_GE(table.size(), 30U);
    const app::Preferences first;
    p = first;
    app::setPreference(p, "output/block", 1);
    EXPECT_EQ(p.output.block, 16) << "the least there is";
    app::setPreference(p, "sources/new", "what nobody wrote");
    app::setPreference(p, "comfort/struck", "no number");
    EXPECT_EQ(p.newSources, first.newSources);
    EXPECT_EQ(p.comfort, first.comfort);
}

} // namespace
