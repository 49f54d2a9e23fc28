// The shelf by mouse and keys: folders scanned, searched, heard, brought in.
#include "ui/window.h"

#include "app/shelf/audition_wave.h"
#include "app/widgets/level_bar.h"
#include "project/import.h"
#include "sound/decibel.h"
#include "support/audio.h"

#include <QComboBox>
#include <QListView>
#include <QMenu>
#include <QPushButton>
#include <QTimer>
#include <QTreeWidget>
#include <sndfile.h>

namespace {

namespace fs = std::filesystem;
using metre::Beats;
using metre::Bpm;
using namespace ui;

struct WithLibrary : Window {
    QListView* list = nullptr;
    QLineEdit* words = nullptr;
    WithLibrary() {
        // By the dialog, as a user names a folder.
        QTest::mouseClick(child<QPushButton>("libraryAdd"), Qt::LeftButton);
        typeInto("libraryDialog", QString::fromStdString((support::demoFolder() / "audio").string()));
        list = child<QListView>("libraryList");
        words = child<QLineEdit>("librarySearch");
        EXPECT_TRUE(waitFor([&] { return !session().jobs().isBusy() && list->model()->rowCount() == 10; }));
    }
    QModelIndex rowOf(const QString& name) const {
        for (int i = 0; i < list->model()->rowCount(); ++i)
            if (list->model()->index(i, 0).data().toString() == name) return list->model()->index(i, 0);
        return {};
    }
    void click(const QString& name) {
        list->scrollTo(rowOf(name));
        QTest::mouseClick(list->viewport(), Qt::LeftButton, {}, list->visualRect(rowOf(name)).center());
    }
    QStringList names() const {
        QStringList all;
        for (int i = 0; i < list->model()->rowCount(); ++i)
            all << list->model()->index(i, 0).data().toString();
        return all;
    }
    // The loudest sample of the last so many seconds of what was played.
    float peak(double seconds) const {
        const std::vector<float> all = output->taken();
        const auto n = std::min(all.size(), static_cast<std::size_t>(seconds * 2 * 48000));
        float loudest = 0;
        for (std::size_t i = all.size() - n; i < all.size(); ++i)
            loudest = std::max(loudest, std::abs(all[i]));
        return loudest;
    }
};

TEST(ShelfLibrary, IsScannedSearchedAndBroughtInByKeys) {
    WithLibrary w;
    EXPECT_EQ(w.names().front(), "barge_bell") << "in the order of names";
    EXPECT_TRUE(w.rowOf("winch_hands_112bpm").data(Qt::AccessibleTextRole).toString().contains("112 · name"));
    w.key(Qt::Key_F, Qt::ControlModifier);
    EXPECT_EQ(QApplication::focusWidget(), w.words);
    w.type("brush");
    ASSERT_TRUE(waitFor([&] { return w.names() == QStringList{"lock_gate_brushes"}; }));
    w.session().transport().locate(Beats(4));
    w.key(Qt::Key_Return); // to the list
    EXPECT_EQ(QApplication::focusWidget(), w.list);
    w.key(Qt::Key_Return); // bring it in
    ASSERT_TRUE(waitFor([&] { return project::allClips(w.now()).size() == 1; }));
    w.settle();
    const project::Clip& clip = *project::clipOf(w.now(), project::allClips(w.now())[0]);
    EXPECT_EQ(clip.at, Beats(4));
    EXPECT_EQ(w.now().sources[0]->beats->meanTempo(), Bpm(88));
}

TEST(ShelfLibrary, ChipsAndLimitsNarrowWhatIsFound) {
    WithLibrary w;
    const auto press = [&](const char* name) { QTest::mouseClick(w.child<QPushButton>(name), Qt::LeftButton); };
    press("filterKind_struck");
    ASSERT_TRUE(waitFor([&] { return w.names().size() == 3; })) << w.names().join(',').toStdString();
    press("filterKind_struck");
    ASSERT_TRUE(waitFor([&] { return w.names().size() == 10; }));
    w.session().edit("Tempo", project::setTempo(w.now(), Bpm(104)));
    press("filterNear"); // 96.3 to 112.3, their halves and doubles
    ASSERT_TRUE(waitFor([&] {
        return w.names().contains("winch_hands_112bpm") && w.names().contains("towpath_accordion") &&
               !w.names().contains("rope_shaker_124");
    }));
    press("filterNear");
    press("filterMore");
    w.child<QLineEdit>("filterLow")->setFocus();
    w.type("120");
    ASSERT_TRUE(waitFor([&] {
        return w.names() == QStringList({"kalimba_eddies", "rope_shaker_124"});
    })) << w.names().join(',').toStdString();
    w.child<QLineEdit>("filterLow")->clear();
    emit w.child<QLineEdit>("filterLow")->textEdited({});
    auto* order = w.child<QComboBox>("filterOrder");
    order->setFocus();
    w.key(Qt::Key_Down); // what goes with the project
    ASSERT_TRUE(waitFor([&] { return w.names().size() == 10 && w.names().front() == "towpath_accordion"; }))
        << w.names().join(',').toStdString();
}

TEST(ShelfLibrary, OwnTagsAreTypedAndFoundByAndMarkedAsFavourites) {
    WithLibrary w;
    w.click("towpath_accordion");
    const auto choose = [&](const QString& entry) {
        QTimer::singleShot(0, w.window.get(), [&] {
            auto* menu = w.window->findChild<QMenu*>("shelfMenu");
            ASSERT_NE(menu, nullptr);
            for (QAction* a : menu->actions())
                if (a->text() == entry) a->trigger();
            menu->close();
        });
        QContextMenuEvent event(QContextMenuEvent::Keyboard, QPoint(), QPoint());
        QApplication::sendEvent(w.list, &event);
        w.activate();
    };
    choose("Tags and notes…");
    w.child<QLineEdit>("ownTags")->setFocus();
    w.type("Reed, dusk");
    w.key(Qt::Key_Return);
    ASSERT_TRUE(waitFor([&] {
        return w.rowOf("towpath_accordion").data(Qt::AccessibleTextRole).toString().contains("dusk, reed");
    }));
    w.words->setFocus();
    w.type("reed");
    ASSERT_TRUE(waitFor([&] { return w.names() == QStringList({"reed_drone_D", "towpath_accordion"}); }));
    w.words->clear();
    ASSERT_TRUE(waitFor([&] { return w.names().size() == 10; }));
    w.click("keel_bass_96");
    choose("A favourite");
    w.settle();
    QTest::mouseClick(w.child<QPushButton>("filterFavourites"), Qt::LeftButton);
    ASSERT_TRUE(waitFor([&] { return w.names() == QStringList{"keel_bass_96"}; }));
}

TEST(ShelfLibrary, ALoopMadeHereIsAddedAndFoundByTempoKeyAndBeats) {
    Window w;
    w.session().edit("Tempo", project::setTempo(w.now(), Bpm(104)));
    w.import({bass()});
    for (QAction* a : w.window->findChildren<QAction*>())
        if (a->objectName() == "addToLibrary") a->trigger();
    auto* list = w.child<QListView>("libraryList");
    ASSERT_TRUE(waitFor([&] { return list->model()->rowCount() == 1; }));
    const QString row = list->model()->index(0, 0).data(Qt::AccessibleTextRole).toString();
    EXPECT_TRUE(row.contains("keel_bass")) << row.toStdString();
    EXPECT_TRUE(row.contains("104")) << row.toStdString();
    EXPECT_TRUE(row.contains("8 beats · D min")) << row.toStdString();
    w.settle();
    // Once more it is there already, and nothing is replaced.
    for (QAction* a : w.window->findChildren<QAction*>())
        if (a->objectName() == "addToLibrary") a->trigger();
    w.settle();
    EXPECT_EQ(list->model()->rowCount(), 1);
}

TEST(ShelfAudition, WhatIsClickedIsHeardAtItsLevelAndArrowKeysWalk) {
    WithLibrary w;
    w.click("pontoon_marimba");
    ASSERT_TRUE(waitFor([&] { return w.session().audition().position().has_value() && w.peak(0.3) > 0.01F; }));
    EXPECT_FALSE(w.session().player().isPlaying());
    EXPECT_EQ(w.child<QLabel>("auditionName")->text(), "pontoon_marimba.flac");
    EXPECT_TRUE(w.child<QLabel>("auditionFacts")->text().startsWith("118.50 heard · 16 beats"));
    const auto file = w.session().audition().file();
    const auto source = w.session().audition().source();
    float loudest = 0;
    for (const float s : source->sound->audio.channels[0])
        loudest = std::max(loudest, std::abs(s));
    // Rendered, peaks move a little; 12 dB lower is a quarter.
    EXPECT_LT(w.peak(1), 0.4 * loudest);
    w.list->setFocus();
    w.key(Qt::Key_Down);
    ASSERT_TRUE(
        waitFor([&] { return w.session().audition().file() != file && w.session().audition().position(); }));
    w.key(Qt::Key_Escape); // stops: letters go on with the search there
    ASSERT_TRUE(waitFor([&] { return !w.session().player().isAuditioning() && w.peak(0.2) == 0; }));
    QTest::mouseClick(w.child<QPushButton>("auditionAuto"), Qt::LeftButton);
    w.list->setFocus();
    w.key(Qt::Key_Down);
    ASSERT_TRUE(waitFor([&] { return !w.session().audition().isReading(); }));
    EXPECT_FALSE(w.session().audition().isHeard()) << "not unless asked";
    QTest::mouseClick(w.child<QPushButton>("auditionHear"), Qt::LeftButton);
    ASSERT_TRUE(waitFor([&] { return w.session().audition().position().has_value(); }));
    EXPECT_FALSE(w.session().preferences().audition.automatic) << "which is kept";
}

TEST(ShelfAudition, TheWaveformIsPressedToHearFromThereAndTheLevelIsTurned) {
    WithLibrary w;
    w.click("lock_gate_brushes");
    auto& audition = w.session().audition();
    ASSERT_TRUE(waitFor([&] { return audition.position().has_value() && !audition.isReading(); }));
    auto* wave = w.child<app::AuditionWave>("auditionWave");
    QTest::mouseClick(wave, Qt::LeftButton, {}, QPoint(wave->width() / 2, 10));
    const double middle = audition.source()->length().value / 2;
    ASSERT_TRUE(waitFor([&] { return audition.position() && audition.position()->value > middle - 0.2; }));
    EXPECT_LT(audition.position()->value, middle + 3);
    auto* level = w.child<app::LevelBar>("auditionLevel");
    level->setFocus();
    for (int i = 0; i < 6; ++i)
        w.key(Qt::Key_Right);
    EXPECT_EQ(audition.ways().db, -6);
}

TEST(ShelfAudition, ADamagedFileSaysWhyAndTheNextOneIsHeard) {
    const support::Folder folder;
    support::writeBytes(folder / "cut_off.wav", "nonsense");
    fs::copy_file(hands(), folder / "hands.wav");
    Window w;
    w.session().library().addFolder(folder.path());
    auto* list = w.child<QListView>("libraryList");
    ASSERT_TRUE(waitFor([&] { return list->model()->rowCount() == 2; }));
    QTest::mouseClick(list->viewport(), Qt::LeftButton, {}, list->visualRect(list->model()->index(0, 0)).center());
    ASSERT_TRUE(waitFor([&] { return w.child<QLabel>("auditionFacts")->text().contains("could not be read"); }));
    EXPECT_FALSE(w.session().audition().isHeard());
    list->setFocus();
    w.key(Qt::Key_Down);
    ASSERT_TRUE(waitFor([&] { return w.session().audition().position().has_value(); }));
}

TEST(ShelfFolders, ListAtOnceAreReadInTheBackgroundAndShowWhatChangesOnDisk) {
    const support::Folder folder;
    fs::create_directories(folder / "pack" / "inner");
    fs::copy_file(hands(), folder / "pack" / "hands.wav");
    fs::copy_file(bass(), folder / "pack" / "inner" / "bass.aiff");
    Window w;
    w.session().library().addFolder(folder.path());
    w.settle();
    w.shelfPage(1);
    auto* tree = w.child<QTreeWidget>("folderTree");
    auto* list = w.child<QListView>("folderList");
    ASSERT_TRUE(waitFor([&] { return tree->topLevelItemCount() == 1; }));
    tree->setFocus();
    w.key(Qt::Key_Right); // opens it
    ASSERT_TRUE(waitFor([&] { return tree->topLevelItem(0)->childCount() == 1; }));
    w.key(Qt::Key_Down);
    ASSERT_TRUE(waitFor([&] { return list->model()->rowCount() == 1; }));
    ASSERT_TRUE(waitFor(
        [&] { return list->model()->index(0, 0).data(Qt::AccessibleTextRole).toString().contains("heard"); }));
    // A file that the library has not met appears, unread at first, and is read.
    fs::copy_file(shaker(), folder / "pack" / "shaker_124.wav");
    ASSERT_TRUE(waitFor([&] { return list->model()->rowCount() == 2; }));
    ASSERT_TRUE(waitFor(
        [&] { return list->model()->index(1, 0).data(Qt::AccessibleTextRole).toString().contains("124 · name"); }));
    w.child<QLineEdit>("folderFilter")->setFocus();
    w.type("shak");
    EXPECT_EQ(list->model()->rowCount(), 1);
    w.child<QLineEdit>("folderFilter")->clear();
    fs::remove(folder / "pack" / "hands.wav");
    ASSERT_TRUE(waitFor([&] { return list->model()->rowCount() == 1; }));
}

TEST(ShelfFolders, AFolderOfThousandsIsListedWithoutStallingTheWindow) {
    const support::Folder folder;
    const int many = 5000;
    for (int i = 0; i < many; ++i)
        support::writeBytes(folder / ("n" + std::to_string(i) + ".wav"), "x");
    Window w;
    w.shelfPage(1);
    // Named, but not scanned: what is listed comes from the disk.
    auto library = shelf::Library::open(shelf::libraryFile());
    ASSERT_TRUE((*library)->addFolder(folder.path()));
    w.session().library().removeFolder("/nothing"); // takes stock
    auto* list = w.child<QListView>("folderList");
    ASSERT_TRUE(waitFor([&] { return list->model()->rowCount() == many; }));
    w.child<QLineEdit>("folderFilter")->setFocus();
    w.type("n499");
    EXPECT_EQ(list->model()->rowCount(), 11);
}

} // namespace
