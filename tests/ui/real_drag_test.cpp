// A drag from the shelf to the bars with a real pointer, on a virtual display. Run through xvfb-run; see
// tests/CMakeLists.txt. Each step of the hand is one call of xdotool, made from the event loop.
#include "app/bench/rails_view.h"
#include "project/pins.h"
#include "sound/read.h"
#include "support/free_playing.h"
#include "ui/window.h"

#include <QDragEnterEvent>
#include <QGuiApplication>
#include <QListView>
#include <QMimeData>
#include <QProcess>
#include <QTimer>
#include <cmath>
#include <sndfile.h>
#include <utility>

namespace {

using metre::Beats;
using namespace ui;

// Begins a drag of the pointer, step by step from the event loop; whoever asks goes on with that.
// `lingers`: for so many steps it stays, moving a little, before the button is released.
void dragByHand(const QPoint& from, const QPoint& to, int lingers = 1) {
    struct Hand {
        std::vector<QStringList> steps;
        std::size_t next = 0;
        QTimer timer;
        QProcess step; // one ends before the next begins: on a busy machine they would overtake each other
    };
    static std::unique_ptr<Hand> hand;
    if (hand) hand->step.waitForFinished();
    hand = std::make_unique<Hand>();
    const auto move = [](const QPoint& at) {
        return QStringList{"mousemove", QString::number(at.x()), QString::number(at.y())};
    };
    hand->steps = {move(from), {"mousedown", "1"}};
    for (int i = 1; i <= 12; ++i)
        hand->steps.push_back(move(from + (to - from) * i / 12));
    for (int i = 0; i < lingers; ++i)
        hand->steps.push_back({"mousemove_relative", "--", i % 2 == 0 ? "1" : "-1", "0"});
    hand->steps.push_back({"mouseup", "1"});
    QObject::connect(&hand->timer, &QTimer::timeout, [h = hand.get()] {
        if (h->step.state() != QProcess::NotRunning) return;
        if (h->next < h->steps.size())
            h->step.start("xdotool", h->steps[h->next++]);
        else
            h->timer.stop();
    });
    hand->timer.start(60);
}

TEST(RealDrag, ASourceIsDraggedFromTheShelfOntoTheBars) {
    ASSERT_EQ(QGuiApplication::platformName(), "xcb");
    Window w;
    w.import({shaker()});
    w.shelfPage(2);
    auto* list = w.child<QListView>("shelfList");
    const QPoint from = list->viewport()->mapToGlobal(list->visualRect(list->model()->index(0, 0)).center());
    const auto& l = w.bars().layout();
    const QPoint to = w.bars().viewport()->mapToGlobal(QPoint(static_cast<int>(l.x(Beats(12))) + 3, l.top() + 90));

    dragByHand(from, to);
    ASSERT_TRUE(waitFor([&] { return project::allClips(w.now()).size() == 2; }));
    const project::Clip& c = *project::clipOf(w.now(), project::allClips(w.now()).back());
    EXPECT_EQ(c.at, Beats(12)) << "snapped to the beat";
    EXPECT_EQ(w.now().tracks.size(), 2U) << "below the last track a new one is made";
}

TEST(RealDrag, AFileOfTheLibraryIsDraggedOntoTheBarsAndOntoTheTempo) {
    Window w;
    w.session().library().addFolder(support::demoFolder());
    w.settle();
    auto* list = w.child<QListView>("libraryList");
    ASSERT_TRUE(waitFor([&] { return list->model()->rowCount() == 10 && !w.session().jobs().isBusy(); }));
    const auto rowOf = [&](const QString& name) {
        for (int i = 0; i < 10; ++i)
            if (list->model()->index(i, 0).data().toString() == name) return list->model()->index(i, 0);
        return QModelIndex();
    };
    list->scrollTo(rowOf("rope_shaker_124"));
    QPoint from = list->viewport()->mapToGlobal(list->visualRect(rowOf("rope_shaker_124")).center());
    const auto& l = w.bars().layout();
    dragByHand(from, w.bars().viewport()->mapToGlobal(QPoint(static_cast<int>(l.x(Beats(8))) + 3, l.top() + 30)));
    ASSERT_TRUE(waitFor([&] { return project::allClips(w.now()).size() == 1; }));
    EXPECT_EQ(project::clipOf(w.now(), project::allClips(w.now())[0])->at, Beats(8));
    w.settle();

    list->scrollTo(rowOf("lock_gate_brushes"));
    from = list->viewport()->mapToGlobal(list->visualRect(rowOf("lock_gate_brushes")).center());
    auto* tempo = w.child<QWidget>("projectTempo");
    dragByHand(from, tempo->mapToGlobal(tempo->rect().center()));
    ASSERT_TRUE(waitFor([&] { return w.now().tempo.tempoAt(Beats(0)) == metre::Bpm(88); }));
    EXPECT_EQ(project::allClips(w.now()).size(), 1U) << "only its tempo was taken";
    w.settle();
}

// Another window that takes files, as a desktop does.
class Taker : public QWidget {
  public:
    Taker() {
        setAcceptDrops(true);
        setGeometry(100, 680, 700, 110);
        show();
    }
    QList<QUrl> taken;

  protected:
    void dragEnterEvent(QDragEnterEvent* event) override { event->acceptProposedAction(); }
    void dropEvent(QDropEvent* event) override {
        taken = event->mimeData()->urls();
        event->acceptProposedAction();
    }
};

TEST(RealDrag, AClipIsDraggedOutOfTheWindowAndArrivesAsAFittedFile) {
    Window w;
    w.window->resize(1200, 650);
    w.window->move(0, 0);
    Taker desktop;
    ASSERT_TRUE(QTest::qWaitForWindowExposed(&desktop));
    w.import({shaker()});
    const app::ClipId clip = project::allClips(w.now()).front();
    const Beats at = project::clipOf(w.now(), clip)->at;
    w.session().document().select({});
    dragByHand(w.bars().viewport()->mapToGlobal(w.middleOf(clip)), desktop.mapToGlobal(desktop.rect().center()),
               20);
    ASSERT_TRUE(waitFor([&] { return !desktop.taken.isEmpty(); }));
    ASSERT_EQ(desktop.taken.size(), 1);
    const auto read = sound::read(desktop.taken.front().toLocalFile().toStdString(), 0);
    ASSERT_TRUE(read.has_value());
    EXPECT_EQ(read->audio.frames().value, std::llround(8 * 60 / 120.0 * 48000));
    ASSERT_TRUE(waitFor([&] { return w.status().contains("exported"); })) << w.status().toStdString();
    EXPECT_EQ(project::clipOf(w.now(), clip)->at, at);
    w.settle();
}

TEST(RealDrag, AKnobIsPulledOntoAnOnsetAndMarksAreDrawn) {
    Window w;
    w.window->move(0, 0);
    support::Folder folder;
    support::FreePlaying how;
    how.bars = 6;
    how.seed = 5;
    support::writeSound(folder / "towpath.wav", support::played(how).audio, SF_FORMAT_WAV | SF_FORMAT_FLOAT);
    w.import({folder / "towpath.wav"});
    auto* rails = w.child<app::RailsView>("rails");
    // The Bench has laid itself out for the clip once the rails stay where they are.
    QRect place;
    ASSERT_TRUE(waitFor([&] {
        const QRect now(rails->mapToGlobal(QPoint(0, 0)), QSize(rails->width(), rails->height()));
        return std::exchange(place, now) == now;
    }));
    const auto source = [&] { return w.now().sources.front(); };
    const auto at = [&](double beat) { return source()->beats->secondsAt(Beats(beat)); };
    double beat = 6;
    while (!rails->scene()->onsetNear(at(beat + 0.5), metre::Seconds(0.03)))
        ++beat;
    const metre::Seconds onset = *rails->scene()->onsetNear(at(beat + 0.5), metre::Seconds(0.03));
    const auto& lay = rails->layout();
    const int y = static_cast<int>(lay.upperKnobY());
    const auto x = [&](metre::Seconds s) { return static_cast<int>(std::lround(lay.x(s))); };
    dragByHand(rails->mapToGlobal(QPoint(x(at(beat)), y)), rails->mapToGlobal(QPoint(x(onset) + 2, y)));
    ASSERT_TRUE(waitFor([&] { return at(beat) == onset && rails->told().isEmpty(); }));
    // And a region in the ruler.
    const metre::Seconds from = at(2);
    const metre::Seconds to = at(5);
    dragByHand(rails->mapToGlobal(QPoint(x(from), 6)), rails->mapToGlobal(QPoint(x(to), 6)));
    ASSERT_TRUE(waitFor([&] { return source()->marks.has_value(); }));
    EXPECT_NEAR(source()->marks->from.value, from.value, 0.06);
    EXPECT_NEAR(source()->marks->to.value, to.value, 0.06);
}

} // namespace
