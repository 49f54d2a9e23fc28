#include "project/timing.h"
#include "ui/window.h"

#include "app/card/card.h"
#include "app/shelf/shelf.h"
#include "app/widgets/figure.h"
#include "app/widgets/text.h"
#include "app/window/import_report.h"
#include "base/user_folders.h"
#include "project/recovery.h"
#include "project/save.h"
#include "support/audio.h"

#include <QAbstractButton>
#include <QCheckBox>
#include <QComboBox>
#include <QDropEvent>
#include <QLabel>
#include <QListView>
#include <QMenu>
#include <QMenuBar>
#include <QMessageBox>
#include <QMimeData>
#include <QPlainTextEdit>
#include <QPushButton>
#include <QScrollBar>
#include <QTemporaryDir>
#include <QUrl>
#include <QWheelEvent>
#include <sndfile.h>

namespace {

using metre::Beats;
using metre::Bpm;
using namespace ui;

void wheel(QWidget* w, int steps, Qt::KeyboardModifiers m = Qt::NoModifier, QPoint at = {}) {
    if (at.isNull()) at = w->rect().center();
    QWheelEvent event(at, w->mapToGlobal(at), {}, {0, 120 * steps}, Qt::NoButton, m, Qt::NoScrollPhase, false);
    QApplication::sendEvent(w, &event);
}

void drop(QWidget* on, QPoint at, const std::vector<std::filesystem::path>& files) {
    QMimeData data;
    QList<QUrl> urls;
    for (const auto& f : files)
        urls << QUrl::fromEncoded("file://" + QByteArray::fromStdString(f.string()).toPercentEncoding("/"));
    data.setUrls(urls);
    QDragEnterEvent enter(at, Qt::CopyAction, &data, Qt::LeftButton, Qt::NoModifier);
    QApplication::sendEvent(on, &enter);
    ASSERT_TRUE(enter.isAccepted());
    QDropEvent event(at, Qt::CopyAction, &data, Qt::LeftButton, Qt::NoModifier);
    QApplication::sendEvent(on, &event);
}

TEST(Head, TheTempoIsTurnedTypedTappedAndTakenBack) {
    Window w;
    auto* tempo = w.child<app::Figure>("projectTempo");
    wheel(tempo, 3);
    EXPECT_EQ(w.now().tempo.points()[0].bpm, Bpm(123));
    wheel(tempo, -2, Qt::ShiftModifier);
    EXPECT_NEAR(w.now().tempo.points()[0].bpm.value, 122.8, 1e-9);
    w.key(Qt::Key_Z, Qt::ControlModifier);
    EXPECT_EQ(w.now().tempo.points()[0].bpm, Bpm(120)) << "one gesture, one step";

    QTest::mouseDClick(tempo, Qt::LeftButton);
    w.type("97,5");
    w.key(Qt::Key_Return);
    EXPECT_EQ(w.now().tempo.points()[0].bpm, Bpm(97.5));
    EXPECT_EQ(tempo->text(), "97.50");
    QTest::mouseDClick(tempo, Qt::LeftButton);
    w.type("200");
    w.key(Qt::Key_Escape);
    EXPECT_EQ(w.now().tempo.points()[0].bpm, Bpm(97.5)) << "Escape takes it back";

    for (const char* bad : {"fast", "0", "-5", "1e9"}) {
        QTest::mouseDClick(tempo, Qt::LeftButton);
        w.type(bad);
        w.key(Qt::Key_Return);
        EXPECT_EQ(w.now().tempo.points()[0].bpm, Bpm(97.5));
        EXPECT_TRUE(w.status().contains("tempo")) << w.status().toStdString();
    }
    auto* tap = w.child<QPushButton>("tap");
    // Six taps a quarter of a second apart, as the clock allows: about 240 BPM.
    for (int i = 0; i < 6; ++i) {
        QTest::mouseClick(tap, Qt::LeftButton);
        QTest::qWait(250);
    }
    EXPECT_GT(w.now().tempo.points()[0].bpm, Bpm(150));
    EXPECT_LT(w.now().tempo.points()[0].bpm, Bpm(260));
}

TEST(Head, TheMetreIsTyped) {
    Window w;
    auto* metreFigure = w.child<app::Figure>("metre");
    metreFigure->setFocus();
    w.key(Qt::Key_Return);
    w.type("6/8");
    w.key(Qt::Key_Return);
    EXPECT_EQ(w.now().metre.points()[0].metre, (metre::Metre{6, 8}));
    w.key(Qt::Key_Return);
    w.type("waltz");
    w.key(Qt::Key_Return);
    EXPECT_EQ(w.now().metre.points()[0].metre, (metre::Metre{6, 8}));
    EXPECT_TRUE(w.status().contains("waltz"));
}

TEST(Head, SaysThatThereIsNoSoundDevice) {
    Window w;
    EXPECT_EQ(w.child<QLabel>("outputTold")->text(), "no device");
}

TEST(Transport, SpacePlaysStopsAndTheLoopRangeIsDragged) {
    Window w;
    w.bars().setFocus();
    w.key(Qt::Key_Space);
    EXPECT_TRUE(waitFor([&] { return w.session().player().position() > Beats(0.1); }));
    w.key(Qt::Key_Space);
    EXPECT_FALSE(w.session().player().isPlaying());
    w.key(Qt::Key_Home);
    EXPECT_TRUE(waitFor([&] { return w.session().player().position() == Beats(0); }));

    const auto& l = w.bars().layout();
    w.drag({static_cast<int>(l.x(Beats(4))) + 1, app::BarsLayout::overview + 10},
           {static_cast<int>(l.x(Beats(12))), 8});
    EXPECT_TRUE(w.now().view.looping);
    EXPECT_EQ(w.now().loop.from, Beats(4));
    EXPECT_EQ(w.now().loop.to, Beats(12));
    QTest::mouseClick(w.bars().viewport(), Qt::LeftButton, {},
                      {static_cast<int>(l.x(Beats(6))) + 1, app::BarsLayout::overview + 10});
    EXPECT_TRUE(waitFor([&] { return w.session().player().position() == Beats(6); }))
        << "a click on the ruler goes there";
    w.key(Qt::Key_L);
    EXPECT_FALSE(w.now().view.looping);
}

TEST(Import, AFileThatIsDroppedLandsWhereItWasDropped) {
    Window w;
    const auto& l = w.bars().layout();
    drop(w.bars().viewport(), {static_cast<int>(l.x(Beats(8.2))), w.bars().layout().top() + 20}, {hands()});
    w.settle();
    ASSERT_EQ(w.now().tracks.size(), 1U);
    EXPECT_EQ(project::startOf(w.now(), w.now().tracks[0]->clips[0]), Beats(8)) << "snapped to the beat";
    // Another onto the same track, a bar further; a third below makes a track.
    drop(w.bars().viewport(), {static_cast<int>(l.x(Beats(28))), w.bars().layout().top() + 20}, {shaker()});
    w.settle();
    EXPECT_EQ(w.now().tracks.size(), 1U);
    drop(w.bars().viewport(), {static_cast<int>(l.x(Beats(0.1))), w.bars().layout().top() + 100}, {bass()});
    w.settle();
    EXPECT_EQ(w.now().tracks.size(), 2U);
    EXPECT_TRUE(w.status().contains("96 by its name")) << w.status().toStdString();
}

TEST(Import, BadFilesAreNamedWithTheReasonAndTheOthersComeIn) {
    Window w;
    const support::Folder folder;
    support::writeBytes(folder / "shopping.wav", "milk");
    support::writeBytes(folder / "empty.flac", "");
    const std::string odd = "odd \xff name 100bpm.wav";
    std::filesystem::copy_file(shaker(), folder / odd);
    drop(w.bars().viewport(), {400, 200},
         {folder / "shopping.wav", folder / odd, folder / "empty.flac", folder / "gone.wav"});
    w.settle();
    ASSERT_EQ(w.now().sources.size(), 1U);
    auto* report = w.child<app::ImportReport>("importReport");
    const QString told = report->lines().join('\n');
    for (const char* part : {"shopping.wav could not be read: it is not an audio file",
                             "empty.flac could not be read: the file is empty",
                             "gone.wav could not be read: there is no such file", "name says 100", "heard 124"})
        EXPECT_TRUE(told.contains(part)) << told.toStdString();
    EXPECT_TRUE(report->isVisible());
    QTest::keyClick(w.child<QPushButton>("reportClose"), Qt::Key_Escape);
    EXPECT_FALSE(report->isVisible());
}

TEST(Import, CanBeCancelled) {
    Window w;
    std::vector<std::filesystem::path> many;
    for (int i = 0; i < 200; ++i)
        many.push_back(support::demoAudio("heron_whistle.mp3"));
    drop(w.bars().viewport(), {400, 200}, many);
    auto* cancel = w.child<QPushButton>("cancelWork");
    ASSERT_TRUE(waitFor([&] { return cancel->isVisible(); }));
    EXPECT_TRUE(w.child<QLabel>("statusWork")->text().contains("200"));
    QTest::mouseClick(cancel, Qt::LeftButton);
    w.settle();
    EXPECT_LT(w.now().sources.size(), 200U);
    EXPECT_TRUE(w.status().contains("cancelled")) << w.status().toStdString();
}

struct Loaded : Window {
    app::ClipId first;
    Loaded() {
        import({hands(), bass()});
        first = now().tracks[0]->clips[0].id;
        bars().setFocus();
    }
};

TEST(Bars, ClipsAreSelectedMovedDeletedAndAllOfItTakenBack) {
    Loaded w;
    QTest::mouseClick(w.bars().viewport(), Qt::LeftButton, {}, w.middleOf(w.first));
    ASSERT_EQ(w.session().selection().clips, std::vector<app::ClipId>{w.first});
    const QPoint from = w.middleOf(w.first);
    w.drag(from, from + QPoint(static_cast<int>(4.3 * w.bars().layout().perBeat), 0));
    EXPECT_EQ(project::clipOf(w.now(), w.first)->at, Beats(4));
    w.drag(w.middleOf(w.first), w.middleOf(w.first) + QPoint(0, w.bars().layout().heightOf(0)));
    EXPECT_EQ(project::trackOfClip(w.now(), w.first)->id, w.now().tracks[1]->id);
    w.key(Qt::Key_Z, Qt::ControlModifier);
    w.key(Qt::Key_Z, Qt::ControlModifier);
    EXPECT_EQ(project::clipOf(w.now(), w.first)->at, Beats(0));
    w.key(Qt::Key_Z, Qt::ControlModifier | Qt::ShiftModifier);
    EXPECT_EQ(project::clipOf(w.now(), w.first)->at, Beats(4));

    // Escape in the middle of a drag leaves everything as it was.
    QTest::mousePress(w.bars().viewport(), Qt::LeftButton, {}, w.middleOf(w.first));
    QTest::mouseMove(w.bars().viewport(), w.middleOf(w.first) + QPoint(200, 0));
    w.key(Qt::Key_Escape);
    QTest::mouseRelease(w.bars().viewport(), Qt::LeftButton, {}, w.middleOf(w.first) + QPoint(200, 0));
    EXPECT_EQ(project::clipOf(w.now(), w.first)->at, Beats(4));

    w.key(Qt::Key_A, Qt::ControlModifier);
    EXPECT_EQ(w.session().selection().clips.size(), 2U);
    w.key(Qt::Key_Delete);
    EXPECT_TRUE(project::allClips(w.now()).empty());
    w.key(Qt::Key_Z, Qt::ControlModifier);
    EXPECT_EQ(project::allClips(w.now()).size(), 2U);
}

TEST(Bars, TheKeyboardAloneIsEnough) {
    Loaded w;
    w.key(Qt::Key_Escape);
    w.key(Qt::Key_Right, Qt::ControlModifier);
    EXPECT_EQ(w.session().selection().clips, std::vector<app::ClipId>{w.first});
    w.key(Qt::Key_Right, Qt::AltModifier);
    w.key(Qt::Key_Right, Qt::AltModifier);
    EXPECT_EQ(project::clipOf(w.now(), w.first)->at, Beats(2));
    w.key(Qt::Key_Left, Qt::AltModifier);
    EXPECT_EQ(project::clipOf(w.now(), w.first)->at, Beats(1));
    w.key(Qt::Key_Down, Qt::AltModifier);
    EXPECT_EQ(project::trackOfClip(w.now(), w.first)->id, w.now().tracks[1]->id);
    w.key(Qt::Key_Right);
    EXPECT_TRUE(waitFor([&] { return w.session().player().position() == Beats(1); }));
}

TEST(Bars, ARubberBandSelects) {
    Loaded w;
    w.drag({w.bars().viewport()->width() - 20, w.bars().layout().top() + 115},
           {static_cast<int>(w.bars().layout().x(Beats(1))), w.bars().layout().top() + 70});
    ASSERT_EQ(w.session().selection().clips.size(), 1U);
    EXPECT_NE(w.session().selection().clips[0], w.first);
}

TEST(Bars, ZoomKeepsTheBeatUnderThePointer) {
    Loaded w;
    const QPoint at(600, 200);
    const double before = w.bars().layout().beat(600).value;
    wheel(w.bars().viewport(), 3, Qt::ControlModifier, at);
    EXPECT_NEAR(w.bars().layout().beat(600).value, before, 0.2);
    w.key(Qt::Key_0, Qt::ControlModifier);
    EXPECT_EQ(w.bars().layout().leftBeat, 0);
}

TEST(Bars, SnapIsChosenOnThePage) {
    Loaded w;
    auto* snap = w.child<QComboBox>("snap");
    snap->setFocus();
    QTest::keyClick(snap, Qt::Key_Up); // from beat to bar
    EXPECT_EQ(w.now().view.snap, metre::Snap::Bar);
    const QPoint from = w.middleOf(w.first);
    w.drag(from, from + QPoint(static_cast<int>(5 * w.bars().layout().perBeat), 0));
    EXPECT_EQ(project::clipOf(w.now(), w.first)->at, Beats(4));
}

TEST(Bars, MuteAndSoloAreInTheTracksHeader) {
    Loaded w;
    QTest::mouseClick(w.bars().viewport(), Qt::LeftButton, {}, app::muteRect(w.bars().layout(), 0).center());
    EXPECT_TRUE(w.now().tracks[0]->mute);
    QTest::mouseClick(w.bars().viewport(), Qt::LeftButton, {}, app::soloRect(w.bars().layout(), 1).center());
    EXPECT_TRUE(w.now().tracks[1]->solo);
    wheel(w.bars().viewport(), 2, Qt::NoModifier, app::gainRect(w.bars().layout(), 0).center());
    EXPECT_EQ(w.now().tracks[0]->gainDb, -2) << "two notches of half a decibel";
    // A wheel event without movement, as some devices send at the end of a turn, turns nothing.
    wheel(w.bars().viewport(), 0, Qt::NoModifier, app::gainRect(w.bars().layout(), 0).center());
    EXPECT_EQ(w.now().tracks[0]->gainDb, -2);
}

TEST(Card, TempoBeatsMethodAndGainOfTheSelection) {
    Loaded w;
    w.openBench();
    w.session().document().select({w.first});
    auto* tempo = w.child<app::Figure>("sourceTempo");
    EXPECT_EQ(tempo->text(), "112.00");
    tempo->setFocus();
    w.key(Qt::Key_Return);
    w.type("56");
    w.key(Qt::Key_Return);
    EXPECT_NEAR(project::endOf(w.now(), *project::clipOf(w.now(), w.first)).value, 8, 1e-9);
    EXPECT_EQ(w.child<app::Figure>("sourceBeats")->text(), "8");
    auto* beats = w.child<app::Figure>("sourceBeats");
    beats->setFocus();
    w.key(Qt::Key_Return);
    w.type("32");
    w.key(Qt::Key_Return);
    EXPECT_NEAR(project::sourceOf(w.now(), w.now().sources[0]->id)->beats->meanTempo().value, 224, 0.01);
    QTest::mouseClick(w.child<QPushButton>("halfTempo"), Qt::LeftButton);
    EXPECT_NEAR(w.now().sources[0]->beats->meanTempo().value, 112, 0.01);
    QTest::mouseClick(w.child<QPushButton>("method-tape"), Qt::LeftButton);
    EXPECT_EQ(project::clipOf(w.now(), w.first)->stretch.method, stretch::Method::Tape);
    EXPECT_FALSE(w.child<QPushButton>("method-struck")->isChecked());
    auto* gain = w.child<app::Figure>("clipGain");
    wheel(gain, -4);
    EXPECT_EQ(project::clipOf(w.now(), w.first)->gainDb, -2);
    QTest::mouseClick(w.child<QPushButton>("rule-place"), Qt::LeftButton);
    EXPECT_EQ(project::clipOf(w.now(), w.first)->rule, project::TimeRule::Place);
    w.settle();
}

TEST(Card, TheKeyOfASourceIsCorrected) {
    Window w;
    w.import({hands()});
    w.openBench();
    w.session().document().select({project::allClips(w.now())[0]});
    auto* key = w.child<app::Figure>("sourceKey");
    const auto typed = [&](const char* text) {
        key->setFocus();
        w.key(Qt::Key_Return);
        w.type(text);
        w.key(Qt::Key_Return);
    };
    typed("Gm");
    EXPECT_EQ(w.now().sources[0]->key, (hear::Key{7, true}));
    EXPECT_EQ(key->text(), "G min");
    typed("boat");
    EXPECT_EQ(w.now().sources[0]->key, (hear::Key{7, true})) << "what is no key changes nothing";
    EXPECT_TRUE(w.status().contains("boat"));
    w.session().document().undo();
    EXPECT_FALSE(w.now().sources[0]->key);
}

TEST(Card, ComparesMethodsAndTheSourceAsRecordedWhilePlaying) {
    Loaded w;
    w.session().document().select({w.first});
    auto* hear = w.child<QPushButton>("hearOther");
    auto* with = w.child<QComboBox>("compareWith");
    const project::Project before = w.now();
    w.bars().setFocus();
    w.key(Qt::Key_Space);
    QTest::mouseClick(hear, Qt::LeftButton);
    EXPECT_TRUE(waitFor([&] { return w.session().player().hearsOther(); })) << "as recorded";
    EXPECT_TRUE(waitFor([&] { return w.status().contains("as loud"); }));
    with->setCurrentText("Held");
    emit with->activated(with->currentIndex());
    EXPECT_TRUE(waitFor([&] { return w.session().player().hearsOther(); }));
    EXPECT_EQ(w.session().player().comparison()->with, stretch::Method::Held);
    // Back by the key.
    w.bars().setFocus();
    w.key(Qt::Key_X);
    EXPECT_FALSE(hear->isChecked());
    EXPECT_FALSE(w.session().player().hearsOther());
    w.key(Qt::Key_X);
    EXPECT_TRUE(waitFor([&] { return w.session().player().hearsOther(); }));
    EXPECT_TRUE(w.session().player().isPlaying()) << "all the while";
    EXPECT_EQ(w.now().tracks, before.tracks) << "comparing changes nothing";
    w.session().document().select({});
    EXPECT_FALSE(w.session().player().comparison());
    EXPECT_FALSE(hear->isChecked() || hear->isEnabled());
    w.settle();
}

TEST(Card, TransposesBySemitonesAndCentsAndSaysTheStrain) {
    Loaded w;
    w.session().document().select({w.first});
    auto* transpose = w.child<app::Figure>("transpose");
    const auto typed = [&](const char* text) {
        transpose->setFocus();
        w.key(Qt::Key_Return);
        w.type(text);
        w.key(Qt::Key_Return);
        return project::clipOf(w.now(), w.first)->stretch.semitones;
    };
    EXPECT_EQ(typed("3 st 25 ct"), 3.25);
    EXPECT_EQ(transpose->text(), "3 st 25 ct");
    EXPECT_EQ(typed("-40 ct"), -0.4);
    EXPECT_EQ(transpose->text(), QString::fromUtf8("0 st −40 ct"));
    EXPECT_EQ(typed("-1.5"), -1.5);
    EXPECT_EQ(transpose->text(), QString::fromUtf8("−1 st −50 ct"));
    EXPECT_EQ(typed("25"), -1.5) << "beyond two octaves";
    EXPECT_TRUE(w.status().contains("24"));
    EXPECT_EQ(typed("nonsense"), -1.5);
    EXPECT_EQ(typed("-24"), -24);
    // 112 BPM at the project's tempo: how far, by how much, and whether it will be heard.
    const double to = w.now().tempo.points().front().bpm.value;
    const QString strain = w.child<QLabel>("strain")->text();
    const QString more = w.child<QLabel>("strain")->toolTip();
    EXPECT_TRUE(more.contains(QString::number(std::abs(to - 112), 'f', 1) + " BPM")) << more.toStdString();
    EXPECT_TRUE(strain.contains(QString::number(std::abs(112 / to - 1) * 100, 'f', 1) + " %"))
        << strain.toStdString();
    w.settle();
}

TEST(Card, DifferentValuesShowAsMixedAndAreSetTogether) {
    Loaded w;
    w.session().document().select({w.first});
    wheel(w.child<app::Figure>("clipGain"), -2);
    w.key(Qt::Key_A, Qt::ControlModifier);
    EXPECT_EQ(w.child<app::Figure>("clipGain")->text(), "mixed");
    EXPECT_EQ(w.child<app::Figure>("sourceTempo")->text(), "mixed");
    auto* gain = w.child<app::Figure>("clipGain");
    gain->setFocus();
    w.key(Qt::Key_Return);
    w.type("-6 dB");
    w.key(Qt::Key_Return);
    for (const app::ClipId id : project::allClips(w.now()))
        EXPECT_EQ(project::clipOf(w.now(), id)->gainDb, -6);
    w.settle();
}

TEST(Shelf, ListsWhatCameInAndPlacesItAgain) {
    Loaded w;
    w.shelfPage(2);
    auto* list = w.child<QListView>("shelfList");
    ASSERT_EQ(list->model()->rowCount(), 2);
    const QRect row = list->visualRect(list->model()->index(1, 0));
    QTest::mouseClick(list->viewport(), Qt::LeftButton, {}, row.center());
    EXPECT_EQ(w.session().selection().source, w.now().sources[1]->id);
    w.session().transport().locate(Beats(16));
    QTest::mouseDClick(list->viewport(), Qt::LeftButton, {}, row.center());
    list->setFocus();
    QTest::keyClick(list, Qt::Key_Return);
    ASSERT_GE(project::allClips(w.now()).size(), 3U);
    EXPECT_EQ(project::clipOf(w.now(), project::allClips(w.now()).back())->at, Beats(16));
}

TEST(Document, IsSavedOpenedAndAskedAboutBeforeItIsLost) {
    Loaded w;
    const support::Folder folder;
    w.key(Qt::Key_S, Qt::ControlModifier);
    w.typeInto("saveDialog", QString::fromStdString((folder / "journey").string()));
    w.settle();
    EXPECT_TRUE(std::filesystem::exists(folder / "journey" / "project.json"));
    EXPECT_FALSE(w.window->isWindowModified());
    w.session().document().select({w.first});
    w.bars().setFocus();
    w.key(Qt::Key_Delete);
    EXPECT_TRUE(w.window->isWindowModified());
    w.window->close();
    auto* box = w.window->findChild<QMessageBox*>("unsavedBox");
    ASSERT_NE(box, nullptr);
    EXPECT_TRUE(w.window->isVisible());
    QTest::keyClick(box, Qt::Key_Escape);
    EXPECT_TRUE(w.window->isVisible());
    w.session().document().undo();
    EXPECT_FALSE(w.window->isWindowModified());
    w.key(Qt::Key_O, Qt::ControlModifier);
    w.typeInto("openDialog", QString::fromStdString((folder / "journey" / "project.json").string()));
    w.settle();
    EXPECT_EQ(project::allClips(w.now()).size(), 2U);
    EXPECT_FALSE(w.session().document().history().canUndo());
}

TEST(Document, ADamagedProjectIsRefusedAndTheOneThatIsOpenStays) {
    Loaded w;
    const support::Folder folder;
    support::cutFile(support::demoFolder() / "project.json", folder / "project.json", 0.5);
    w.session().files().open(folder / "project.json");
    w.settle();
    EXPECT_EQ(project::allClips(w.now()).size(), 2U);
    EXPECT_TRUE(w.child<QPlainTextEdit>("messageLines")->toPlainText().contains("damaged"));
}

TEST(Document, APartThatACrashLeftInAFolderDeliveredToIsClearedAway) {
    const support::Folder delivered;
    const auto part = delivered / ".patient-metre-part-abc-1.wav";
    support::writeBytes(part, "half of a file");
    const auto notes = base::cacheFolder() / "unfinished";
    std::filesystem::create_directories(notes);
    support::writeBytes(notes / "part-abc-2", part.native());
    Window w;
    w.settle();
    EXPECT_FALSE(std::filesystem::exists(part));
    EXPECT_FALSE(std::filesystem::exists(notes / "part-abc-2"));
}

TEST(Document, WhatACrashLeftIsOffered) {
    const auto recovery = base::recoveryFolder();
    std::filesystem::create_directories(recovery);
    project::Project p = *project::setTempo({}, Bpm(93));
    support::writeBytes(recovery / "autosave-999999998.json", "\n" + project::toJson(p, {}));
    Window w;
    QPushButton* offer = nullptr;
    for (auto* b : w.window->findChildren<QPushButton*>())
        if (b->text() == "Recover it") offer = b;
    ASSERT_NE(offer, nullptr);
    QTest::mouseClick(offer, Qt::LeftButton);
    w.settle();
    EXPECT_EQ(w.now().tempo.points()[0].bpm, Bpm(93));
    EXPECT_TRUE(w.window->isWindowModified()) << "it is not saved yet";
    // It goes once what was recovered has been written anew.
    EXPECT_TRUE(ui::waitFor([&] { return !std::filesystem::exists(recovery / "autosave-999999998.json"); }));
    EXPECT_TRUE(w.session().autosave().isUpToDate());
}

TEST(Deliver, AsksBeforeItReplaces) {
    Loaded w;
    const support::Folder folder;
    support::writeBytes(folder / "winch_hands_120bpm.wav", "mine");
    w.key(Qt::Key_D, Qt::ControlModifier);
    auto* where = w.child<QLineEdit>("deliverFolder");
    where->selectAll();
    QTest::keyClicks(where, QString::fromStdString(folder.path().string()));
    auto* go = w.child<QPushButton>("deliverButton");
    EXPECT_FALSE(go->isEnabled());
    EXPECT_TRUE(w.child<QLabel>("deliverTrouble")->text().contains("taken"));
    QTest::mouseClick(w.child<QCheckBox>("deliverReplace"), Qt::LeftButton, {}, QPoint(8, 8));
    EXPECT_TRUE(go->isEnabled());
    QTest::mouseClick(go, Qt::LeftButton);
    w.settle();
    EXPECT_NE(support::readBytes(folder / "winch_hands_120bpm.wav"), "mine");
}

TEST(Deliver, AFolderThatCannotBeWrittenIsNamed) {
    Loaded w;
    const support::Folder folder;
    support::writeBytes(folder / "in the way", "");
    w.key(Qt::Key_D, Qt::ControlModifier);
    auto* where = w.child<QLineEdit>("deliverFolder");
    where->selectAll();
    QTest::keyClicks(where, QString::fromStdString((folder / "in the way" / "x").string()));
    QTest::mouseClick(w.child<QPushButton>("deliverButton"), Qt::LeftButton);
    w.settle();
    EXPECT_TRUE(w.child<QPlainTextEdit>("messageLines")->toPlainText().contains("in the way"));
}

TEST(Look, EveryTextColourStandsOutFromItsGround) {
    for (const app::Theme theme : {app::Theme::Paper, app::Theme::Lamp, app::Theme::Ink}) {
        const app::Tokens& t = app::tokensOf(theme);
        for (const QColor& ground : {t.paper, t.sheet, t.panel, t.bar})
            for (const QColor& text : {t.ink, t.inkSoft, t.brassText})
                EXPECT_GE(app::contrast(text, ground), 4.5)
                    << text.name().toStdString() << " on " << ground.name().toStdString();
        for (const QColor& ground : {t.paper, t.sheet, t.panel})
            EXPECT_GE(app::contrast(t.wax, ground), 4.5);
        EXPECT_GE(app::contrast(t.onInk, t.ink), 4.5);
        for (int i = 0; i < 8; ++i)
            for (const QColor& text : {t.ink, t.inkSoft, t.brassText})
                EXPECT_GE(app::contrast(text, t.band(i)), 4.5) << text.name().toStdString() << " on band " << i;
        EXPECT_GE(app::contrast(t.verdigris, t.sheet), 4.5);
        for (const QColor& ground : {t.paper, t.sheet, t.panel})
            for (const QColor& tint : t.tints)
                EXPECT_GE(app::contrast(app::readable(tint, ground), ground), 4.5) << tint.name().toStdString();
        EXPECT_EQ(app::readable(t.ink, t.paper), t.ink) << "what can be read stays";
    }
    EXPECT_NEAR(app::contrast(Qt::black, Qt::white), 21, 1e-6);
}

// WCAG 2.1, 1.4.11: what is seen as a mark, and the borders of controls, 3 to 1.
TEST(Look, EveryMarkStandsOutFromItsGround) {
    for (const app::Theme theme : {app::Theme::Paper, app::Theme::Lamp, app::Theme::Ink}) {
        const app::Tokens& t = app::tokensOf(theme);
        for (const QColor& ground : {t.paper, t.sheet})
            for (const QColor& mark : {t.brass, t.verdigris, t.amber, t.plum, t.wax, t.ruleStrong})
                EXPECT_GE(app::contrast(mark, ground), 3)
                    << mark.name().toStdString() << " on " << ground.name().toStdString();
    }
    const app::Tokens& ink = app::tokensOf(app::Theme::Ink);
    for (const QColor& text : {ink.ink, ink.inkSoft, ink.brassText, ink.wax, ink.verdigris})
        EXPECT_GE(app::contrast(text, ink.sheet), 7) << "1.4.6, enhanced: " << text.name().toStdString();
    for (const QColor& tint : ink.tints)
        EXPECT_GE(app::contrast(tint, ink.sheet), 3) << tint.name().toStdString();
}

TEST(Look, TheThemeIsKept) {
    app::Preferences p;
    p.theme = app::Theme::Ink;
    app::savePreferences(p);
    EXPECT_EQ(app::loadPreferences().theme, app::Theme::Ink);
    p.theme = app::Theme::Paper;
    app::savePreferences(p);
    EXPECT_EQ(app::loadPreferences().theme, app::Theme::Paper);
}

TEST(Look, TheFontsAreOurOwn) {
    EXPECT_EQ(QFontInfo(app::textFont(12)).family(), "Inter");
    EXPECT_EQ(QFontInfo(app::figureFont(20)).family(), "Metre Figures");
    const QFontMetricsF m(app::figureFont(40));
    for (const char c : QByteArray("123456789"))
        EXPECT_DOUBLE_EQ(m.horizontalAdvance(QChar(c)), m.horizontalAdvance('0')) << "figures are tabular";
}

TEST(Look, EverythingInteractiveHasAName) {
    Loaded w;
    int checked = 0;
    for (QWidget* widget : w.window->findChildren<QWidget*>()) {
        if (!widget->isVisible() || widget->focusPolicy() == Qt::NoFocus || widget->inherits("QMenuBar") ||
            widget->objectName().startsWith("qt_"))
            continue;
        if (widget->inherits("QScrollBar") || widget->inherits("QSplitterHandle")) continue;
        EXPECT_FALSE(widget->accessibleName().isEmpty())
            << widget->metaObject()->className() << " " << widget->objectName().toStdString();
        ++checked;
    }
    EXPECT_GT(checked, 15);
}

TEST(Look, NoShortcutIsGivenTwice) {
    Window w;
    QStringList seen;
    for (QMenu* menu : w.window->menuBar()->findChildren<QMenu*>())
        for (QAction* a : menu->actions())
            for (const QKeySequence& k : a->shortcuts()) {
                EXPECT_FALSE(k.isEmpty()) << a->objectName().toStdString();
                EXPECT_FALSE(seen.contains(k.toString())) << k.toString().toStdString();
                seen << k.toString();
            }
    EXPECT_GT(seen.size(), 15);
}

TEST(Look, ItFitsItsSmallestSizeAndEveryTheme) {
    Loaded w;
    w.window->resize(1100, 700);
    for (const app::Theme theme : {app::Theme::Lamp, app::Theme::Ink, app::Theme::Paper}) {
        app::setTheme(theme);
        QApplication::processEvents();
        const QImage shot = w.window->grab().toImage();
        EXPECT_EQ(shot.width(), 1100);
        EXPECT_EQ(QColor(shot.pixel(6, 690)), app::tokens().bar);
    }
    for (const char* name : {"play", "loop", "click", "tap"}) {
        auto* b = w.child<QPushButton>(name);
        EXPECT_GE(b->width(), b->fontMetrics().horizontalAdvance(b->text()) + 8) << name;
        EXPECT_TRUE(w.window->rect().contains(QRect(b->mapTo(w.window.get(), QPoint()), b->size()))) << name;
    }
}

} // namespace
