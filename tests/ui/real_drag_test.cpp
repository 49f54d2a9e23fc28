// A drag from the shelf to the bars with a real pointer, on a virtual display. Run through xvfb-run; see
// tests/CMakeLists.txt. Each step of the hand is one call of xdotool, made from the event loop.
#include "ui/window.h"

#include <QGuiApplication>
#include <QListView>
#include <QProcess>
#include <QTimer>

namespace {

using metre::Beats;
using namespace ui;

TEST(RealDrag, ASourceIsDraggedFromTheShelfOntoTheBars) {
    ASSERT_EQ(QGuiApplication::platformName(), "xcb");
    Window w;
    w.import({shaker()});
    auto* list = w.child<QListView>("shelfList");
    const QPoint from = list->viewport()->mapToGlobal(list->visualRect(list->model()->index(0, 0)).center());
    const auto& l = w.bars().layout();
    const QPoint to = w.bars().viewport()->mapToGlobal(QPoint(static_cast<int>(l.x(Beats(12))) + 3, l.top() + 90));

    std::vector<QStringList> steps = {{"mousemove", QString::number(from.x()), QString::number(from.y())},
                                      {"mousedown", "1"}};
    for (int i = 1; i <= 12; ++i) {
        const QPoint at = from + (to - from) * i / 12;
        steps.push_back({"mousemove", QString::number(at.x()), QString::number(at.y())});
    }
    steps.push_back({"mousemove_relative", "1", "0"});
    steps.push_back({"mouseup", "1"});
    std::size_t next = 0;
    QTimer hand;
    QObject::connect(&hand, &QTimer::timeout, [&] {
        if (next < steps.size())
            QProcess::startDetached("xdotool", steps[next++]);
        else
            hand.stop();
    });
    hand.start(60);
    ASSERT_TRUE(waitFor([&] { return project::allClips(w.now()).size() == 2; }));
    const project::Clip& c = *project::clipOf(w.now(), project::allClips(w.now()).back());
    EXPECT_EQ(c.at, Beats(12)) << "snapped to the beat";
    EXPECT_EQ(w.now().tracks.size(), 2U) << "below the last track a new one is made";
}

} // namespace
