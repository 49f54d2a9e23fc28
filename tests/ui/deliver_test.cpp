// Delivering, handing out and taking a tempo map in, in the real window.
#include "deliver/midi_map.h"
#include "sound/read.h"
#include "ui/window.h"

#include <QCheckBox>
#include <QComboBox>
#include <QMimeData>
#include <QPlainTextEdit>
#include <QPushButton>
#include <QSignalSpy>
#include <QTreeWidget>
#include <set>

namespace {

using metre::Beats;
using metre::Bpm;

struct Delivering : ui::Window {
    support::Folder folder;

    Delivering() { import({ui::hands(), ui::bass()}); }
    void open() {
        key(Qt::Key_D, Qt::ControlModifier);
        auto* where = child<QLineEdit>("deliverFolder");
        where->setFocus();
        where->selectAll();
        QTest::keyClicks(where, QString::fromStdString((folder / "out").string()));
    }
    void tick(const char* what) { QTest::mouseClick(child<QCheckBox>(what), Qt::LeftButton, {}, QPoint(8, 8)); }
    QTreeWidget& list() { return *child<QTreeWidget>("deliverFiles"); }
};

TEST(DeliverSheet, OneListSaysWhatWillBeWrittenAndFillsInAsItIs) {
    Delivering w;
    w.open();
    ASSERT_EQ(w.list().topLevelItemCount(), 2);
    for (const char* what : {"deliver-stems", "deliver-mix", "deliver-map", "deliver-proof"})
        w.tick(what);
    ASSERT_EQ(w.list().topLevelItemCount(), 8);
    auto* kind = w.child<QComboBox>("deliverKind");
    kind->setFocus();
    QTest::keyClick(kind, Qt::Key_Down);
    QTest::keyClick(kind, Qt::Key_Down);
    EXPECT_TRUE(w.list().topLevelItem(0)->text(0).endsWith(".flac"));
    auto* go = w.child<QPushButton>("deliverButton");
    EXPECT_EQ(go->text(), "Deliver 8 files");
    QTest::mouseClick(go, Qt::LeftButton);
    w.settle();
    for (int i = 0; i < 8; ++i) {
        EXPECT_EQ(w.list().topLevelItem(i)->text(2), "written") << i;
        EXPECT_TRUE(std::filesystem::exists(w.folder / "out" / w.list().topLevelItem(i)->text(0).toStdString()));
    }
    EXPECT_TRUE(w.status().startsWith("8 of 8 files written")) << w.status().toStdString();
    // What was ticked is remembered.
    EXPECT_EQ(w.session().preferences().delivery.what.size(), 5);
    EXPECT_EQ(w.session().preferences().delivery.kind, sound::FileKind::Flac);
}

TEST(DeliverSheet, SaysWhatStandsInTheWay) {
    Delivering w;
    w.open();
    auto* trouble = w.child<QLabel>("deliverTrouble");
    auto* go = w.child<QPushButton>("deliverButton");
    EXPECT_TRUE(go->isEnabled());
    auto* pattern = w.child<QLineEdit>("deliverPattern");
    pattern->setFocus();
    pattern->selectAll();
    QTest::keyClicks(pattern, "{colour}");
    EXPECT_TRUE(trouble->text().contains("{name}")) << trouble->text().toStdString();
    EXPECT_FALSE(go->isEnabled());
    w.tick("deliver-loops");
    EXPECT_FALSE(go->isEnabled());
    EXPECT_TRUE(trouble->text().contains("Tick"));
    // A kind that cannot hold the rate says at which it will be.
    w.tick("deliver-mix");
    auto* rate = w.child<QComboBox>("deliverRate");
    rate->setCurrentIndex(rate->findData(96000));
    auto* kind = w.child<QComboBox>("deliverKind");
    kind->setCurrentIndex(kind->findData(static_cast<int>(sound::FileKind::Opus)));
    EXPECT_TRUE(trouble->text().contains("48 kHz")) << trouble->text().toStdString();
    EXPECT_TRUE(go->isEnabled());
    EXPECT_FALSE(w.child<QComboBox>("deliverDepth")->isVisible());
    EXPECT_TRUE(w.child<QComboBox>("deliverQuality")->isVisible());
}

// Out of the window a clip is a file: it is written as a fitted loop and hangs on the pointer.
TEST(DeliverSheet, AClipDraggedOutOfTheWindowIsHandedOut) {
    Delivering w;
    const app::ClipId clip = project::allClips(w.now()).front();
    w.session().document().select({clip});
    const Beats at = project::clipOf(w.now(), clip)->at;
    QSignalSpy out(&w.bars(), &app::BarsView::handedOut);
    QWidget* v = w.bars().viewport();
    const QPoint from = w.middleOf(clip);
    QTest::mousePress(v, Qt::LeftButton, {}, from);
    QTest::mouseMove(v, from + QPoint(20, 0));
    QTest::mouseMove(v, v->mapFrom(w.window.get(), QPoint(600, w.window->height() + 60)));
    ASSERT_TRUE(ui::waitFor([&] { return out.count() == 1; }));
    QTest::mouseRelease(v, Qt::LeftButton, {}, from);
    const auto files = out.front().front().value<QList<QUrl>>();
    ASSERT_EQ(files.size(), 1);
    const auto read = sound::read(files.front().toLocalFile().toStdString(), 0);
    ASSERT_TRUE(read.has_value());
    EXPECT_EQ(read->audio.frames().value, std::llround(16 * 60 / 120.0 * 48000));
    EXPECT_EQ(project::clipOf(w.now(), clip)->at, at); // on the page it stays where it was
}

TEST(TempoMap, IsTakenFromAMidiFile) {
    Delivering w;
    const auto tempo = *metre::TempoMap::make({{Beats(0), Bpm(90), metre::TempoPoint::Shape::Hold},
                                               {Beats(12), Bpm(110), metre::TempoPoint::Shape::Hold}});
    const metre::MetreMap metres(metre::Metre{3, 4});
    const auto file = w.folder / "map.mid";
    support::writeBytes(file, deliver::midiMap(tempo, metres, Beats(40)));
    auto* action = w.window->findChild<QAction*>("takeMap");
    ASSERT_NE(action, nullptr);
    action->trigger();
    w.typeInto("mapDialog", QString::fromStdString(file.string()));
    w.settle();
    EXPECT_EQ(w.now().tempo.points().size(), 2U);
    EXPECT_NEAR(w.now().tempo.tempoAt(Beats(13)).value, 110, 1e-3);
    EXPECT_EQ(w.now().metre.points().front().metre, (metre::Metre{3, 4}));
    w.key(Qt::Key_Z, Qt::ControlModifier); // one step
    EXPECT_EQ(w.now().tempo.points().size(), 1U);
    EXPECT_EQ(w.now().metre.points().front().metre, (metre::Metre{4, 4}));
    // Damaged: named, and nothing is changed.
    support::writeBytes(file, "MThd and no more");
    w.session().tempoTaking().fromMap(file);
    w.settle();
    EXPECT_TRUE(w.child<QPlainTextEdit>("messageLines")->toPlainText().contains("map.mid"));
    EXPECT_EQ(w.now().tempo.points().size(), 1U);
}

} // namespace
