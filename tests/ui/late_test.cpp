// Work that ends late, while something else is done: nothing is lost, nothing is mixed up, and it is said.
#include "ui/window.h"

#include "app/bench/selection_list.h"
#include "app/widgets/text.h"
#include "app/window/message_bar.h"
#include "project/arriving.h"
#include "project/save.h"
#include "support/audio.h"

#include <QAction>
#include <QMessageBox>
#include <QPushButton>
#include <QTimer>
#include <sndfile.h>

namespace {

namespace fs = std::filesystem;
using metre::Beats;
using metre::Bpm;
using namespace ui;

// Long enough to be placed before it is heard.
fs::path longDrums(const support::Folder& folder) {
    support::writeSound(folder / "weir.wav", support::drumLoop(support::steadyBeats(96, 128), 128 * 60 / 96.0),
                        SF_FORMAT_WAV | SF_FORMAT_PCM_16);
    return folder / "weir.wav";
}

// Does something once, in the moment in which a source stands on the page and is not heard yet.
void onceUnheard(Window& w, const std::function<void()>& act) {
    const auto done = std::make_shared<bool>(false);
    QObject::connect(&w.session(), &app::Session::changed, w.window.get(), [&w, act, done] {
        if (*done || w.now().sources.empty() || !project::isUnheard(*w.now().sources[0])) return;
        *done = true;
        act();
    });
}

// Something that holds a lane until it is cancelled.
std::int64_t hold(Window& w, app::Lane lane) {
    return w.session().jobs().start<int>(
        lane, "Waiting for the lock",
        [](const base::Progress& p) {
            while (!p.stopped())
                std::this_thread::yield();
            return 0;
        },
        [](int) {});
}

TEST(Late, WhatIsHeardAfterSavingIsUnsavedAndIsHeardAgainOnOpening) {
    const support::Folder folder;
    {
        Window w;
        onceUnheard(w, [&] { w.session().files().save(folder / "piece"); });
        w.session().importing().bringIn({longDrums(folder)}, {}, Beats(0));
        w.settle();
        ASSERT_FALSE(project::isUnheard(*w.now().sources[0]));
        const auto asSaved = project::loadProject(folder / "piece");
        ASSERT_TRUE(asSaved) << asSaved.error().text;
        ASSERT_TRUE(project::isUnheard(*asSaved->project.sources[0])) << "it was saved before it was heard";
        EXPECT_TRUE(w.session().document().isUnsaved()) << "closing would lose what was heard";
    }
    Window w;
    w.session().files().open(folder / "piece");
    w.settle();
    ASSERT_EQ(w.now().sources.size(), 1U);
    ASSERT_TRUE(w.now().sources[0]->beats) << "it is heard now";
    EXPECT_NEAR(w.now().sources[0]->beats->meanTempo().value, 96, 0.1);
    EXPECT_TRUE(w.session().document().isUnsaved());
    EXPECT_FALSE(w.session().document().history().canUndo()) << "it is no step";
}

TEST(Late, WhatIsEditedWhileAProjectIsOpenedIsAskedAbout) {
    Window w;
    w.session().files().open(support::demoFolder());
    ASSERT_TRUE(w.session().edit("Tempo", project::setTempo(w.now(), Bpm(133))));
    QMessageBox* box = nullptr;
    ASSERT_TRUE(waitFor([&] { return (box = w.window->findChild<QMessageBox*>("unsavedBox")) != nullptr; }));
    EXPECT_EQ(w.now().tempo.points()[0].bpm, Bpm(133)) << "it is still there";
    for (QAbstractButton* b : box->buttons())
        if (b->text() == "Stay") b->click();
    w.settle();
    EXPECT_EQ(w.now().tempo.points()[0].bpm, Bpm(133));
    EXPECT_TRUE(w.now().sources.empty());
}

TEST(Late, ARateThatChangesWhileAFileComesInLeavesNoSoundAtAnother) {
    Window w;
    const support::Folder folder;
    onceUnheard(w, [&] { w.session().sounds().setRate(44100); });
    w.session().importing().bringIn({longDrums(folder), hands()}, {}, Beats(0));
    w.settle();
    ASSERT_EQ(w.now().rate, 44100);
    ASSERT_EQ(w.now().sources.size(), 2U);
    for (const project::SourcePtr& s : w.now().sources) {
        ASSERT_TRUE(s->sound) << s->name;
        EXPECT_EQ(s->sound->audio.rate, 44100) << s->name;
        EXPECT_TRUE(s->beats) << s->name;
    }
    w.session().document().undo();
    w.settle();
    while (w.session().document().history().canUndo() && w.now().rate != 48000)
        w.session().document().undo();
    w.settle();
    for (const project::SourcePtr& s : w.now().sources) {
        ASSERT_TRUE(s->sound) << s->name;
        EXPECT_EQ(s->sound->audio.rate, w.now().rate) << s->name;
    }
}

TEST(Late, AFileThatIsGoneIsNotReadForEverAtTheNewRate) {
    Window w;
    const support::Folder folder;
    fs::copy_file(hands(), folder / "hands.wav");
    w.import({folder / "hands.wav"});
    fs::remove(folder / "hands.wav");
    w.session().sounds().emptyStore();
    w.settle();
    w.session().sounds().setRate(44100);
    w.settle(); // fails where reading goes on and on
    EXPECT_EQ(w.now().rate, 44100);
    EXPECT_FALSE(w.now().sources[0]->sound);
}

TEST(Late, WhatComesInAfterAnImportWasTakenBackIsItself) {
    Window w;
    w.import({hands()});
    w.session().document().undo();
    ASSERT_TRUE(w.now().sources.empty());
    w.import({shaker()});
    ASSERT_EQ(w.now().sources.size(), 1U);
    EXPECT_EQ(w.now().sources[0]->file.filename(), shaker().filename());
    const sound::Audio& audio = w.now().sources[0]->sound->audio;
    EXPECT_NEAR(double(audio.frames().value) / audio.rate, w.now().sources[0]->length().value, 0.001);
}

TEST(Late, WhatIsAuditionedIsReadAnewAtAnotherRate) {
    Window w;
    w.session().audition().pick(hands(), 48000);
    ASSERT_TRUE(waitFor([&] { return w.session().audition().source() && !w.session().audition().isReading(); }));
    w.session().sounds().setRate(44100);
    w.settle();
    ASSERT_TRUE(waitFor([&] {
        const auto& s = w.session().audition().source();
        return s && s->sound && s->sound->audio.rate == 44100;
    }));
}

TEST(Late, ADeliveryThatIsCancelledWhileItWaitsLetsTheSheetGo) {
    Window w;
    const support::Folder folder;
    w.import({hands()});
    const std::int64_t before = hold(w, app::Lane::Deliver);
    w.key(Qt::Key_D, Qt::ControlModifier);
    auto* deliver = w.child<QPushButton>("deliverButton");
    ASSERT_NE(deliver, nullptr);
    w.child<QLineEdit>("deliverFolder")->setText(QString::fromStdString((folder / "out").string()));
    QTest::mouseClick(deliver, Qt::LeftButton);
    auto* close = w.child<QPushButton>("deliverClose");
    EXPECT_EQ(close->text(), "Cancel");
    QTest::mouseClick(close, Qt::LeftButton);
    EXPECT_EQ(close->text(), "Close") << "it is not under way any more";
    w.session().jobs().cancel(before);
    w.settle();
    EXPECT_FALSE(fs::exists(folder / "out"));
}

TEST(Late, AnotherDeliveryDoesNotFillTheListOfTheSheet) {
    Window w;
    const support::Folder folder;
    w.import({hands()});
    deliver::Order order;
    order.clips = project::allClips(w.now());
    order.folder = folder / "other";
    auto plan = deliver::plan(*w.session().laid(), order);
    ASSERT_TRUE(plan);
    const std::int64_t before = hold(w, app::Lane::Deliver);
    w.session().delivery().deliver(order, *plan); // of another sheet
    w.key(Qt::Key_D, Qt::ControlModifier);
    w.child<QLineEdit>("deliverFolder")->setText(QString::fromStdString((folder / "out").string()));
    QTest::mouseClick(w.child<QPushButton>("deliverButton"), Qt::LeftButton);
    bool endedEarly = false;
    QObject::connect(&w.session().jobs(), &app::Jobs::ended, w.window.get(), [&] {
        if (fs::exists(folder / "other") && !fs::exists(folder / "out"))
            endedEarly = w.child<QPushButton>("deliverClose")->text() != "Cancel";
    });
    w.session().jobs().cancel(before);
    w.settle();
    EXPECT_FALSE(endedEarly) << "the end of the other is not the end of this";
    EXPECT_EQ(w.child<QPushButton>("deliverClose")->text(), "Close");
    EXPECT_TRUE(fs::exists(folder / "out"));
}

TEST(Late, AMessageDoesNotTakeTheOfferBeforeItAway) {
    Window w;
    auto* bar = w.child<app::MessageBar>("messageBar");
    bool taken = false;
    bar->offer("The winch was left running.", false, "Stop it", [&] { taken = true; });
    w.session().complain("The lock is shut", {"Nobody is there to open it."});
    auto* action = w.child<QPushButton>("messageAction");
    EXPECT_FALSE(action->isVisible()) << "the newest is shown";
    bar->setFocus();
    QTest::keyClick(bar, Qt::Key_Escape);
    ASSERT_TRUE(bar->isVisible());
    ASSERT_TRUE(action->isVisible());
    QTest::mouseClick(action, Qt::LeftButton);
    EXPECT_TRUE(taken);
    EXPECT_FALSE(bar->isVisible());
}

TEST(Late, PartingASetIsOfferedWhereThereIsOne) {
    Window w;
    w.import({hands()});
    w.session().document().select({project::allClips(w.now())[0]});
    EXPECT_FALSE(w.child<QAction>("partSet")->isEnabled());
    EXPECT_FALSE(w.child<QAction>("selectSet")->isEnabled());
}

TEST(Late, TheListOfTheSelectionSaysWhatWasMeasuredMeanwhile) {
    Window w;
    w.import({hands(), shaker()});
    const auto clips = project::allClips(w.now());
    ASSERT_EQ(clips.size(), 2U);
    w.session().document().select(clips);
    auto* list = w.child<app::SelectionList>("selectionList");
    ASSERT_TRUE(waitFor([&] { return w.session().proofs().of(clips[0]) && w.session().proofs().of(clips[1]); }));
    ASSERT_EQ(list->topLevelItemCount(), 2);
    for (int i = 0; i < 2; ++i)
        EXPECT_FALSE(list->topLevelItem(i)->text(list->columnCount() - 1).contains(QChar(0x2026)));
}

TEST(Late, FoldersOfAnyBytesAreRememberedAsTheyAre) {
    for (const std::string& name : {std::string("/boats/l\xc3\xa9vrier 50%"), std::string("/boats/l\xe9vrier"),
                                    std::string("/boats/bytes:41")})
        EXPECT_EQ(app::pathKept(app::keptPath(name)).native(), name);
}

TEST(Late, HowOneWorksIsUnsavedToo) {
    Window w;
    const support::Folder folder;
    w.session().files().save(folder / "piece");
    w.settle();
    EXPECT_FALSE(w.session().document().isUnsaved());
    w.session().document().setSnap(metre::Snap::Bar);
    EXPECT_TRUE(w.session().document().isUnsaved());
    EXPECT_FALSE(w.session().document().history().canUndo()) << "but it is no step";
    w.session().document().setSnap(metre::Snap::Beat);
    EXPECT_FALSE(w.session().document().isUnsaved()) << "as it was saved";
}

} // namespace
