// Only what changed is painted anew: after any edit the screen shows what it would show, were all of it painted.
#include "ui/window.h"

#include "project/edit_arrange.h"
#include "project/edit_clips.h"
#include "project/edit_time.h"
#include "project/edit_tracks.h"

#include <QScreen>
#include <random>

namespace {

using metre::Beats;
using metre::Bpm;
using project::ClipId;
using project::Project;
using ui::Window;

// The bars as they are on the screen.
QImage shown(Window& w) {
    QWidget* page = w.bars().viewport();
    const QPoint at = page->mapTo(w.window.get(), QPoint());
    return QGuiApplication::primaryScreen()
        ->grabWindow(w.window->winId(), at.x(), at.y(), page->width(), page->height())
        .toImage()
        .convertToFormat(QImage::Format_RGB32);
}

QImage paintedWhole(Window& w) {
    return w.bars().viewport()->grab().toImage().convertToFormat(QImage::Format_RGB32);
}

// The corner of a frame may be rounded another way where the page lies elsewhere in its picture.
constexpr int corners = 40;

int different(const QImage& a, const QImage& b) {
    if (a.size() != b.size()) return a.width() * a.height();
    int count = 0;
    for (int y = 0; y < a.height(); ++y)
        for (int x = 0; x < a.width(); ++x)
            if (a.pixel(x, y) != b.pixel(x, y)) ++count;
    return count;
}

// What is to be seen is there once everything is rendered and measured.
void expectShownAsPaintedWhole(Window& w, const std::string& after) {
    w.settle();
    EXPECT_TRUE(QTest::qWaitFor([&] { return different(shown(w), paintedWhole(w)) <= corners; }, 5'000)) << after;
}

struct Edit {
    const char* name;
    std::function<base::Result<Project>(const Project&, ClipId, int)> make;
};

std::vector<Edit> edits() {
    return {
        {"a clip is moved", [](const Project& p, ClipId id,
                               int n) { return project::moveClips(p, {id}, Beats(n % 2 == 0 ? 3 : -1), 0); }},
        {"a clip goes to another track",
         [](const Project& p, ClipId id, int n) {
             return project::moveClips(p, {id}, Beats(0), n % 2 == 0 ? 1 : -1);
         }},
        {"a clip's gain is turned",
         [](const Project& p, ClipId id, int n) { return project::setGain(p, {id}, -1 - n % 5); }},
        {"a clip is muted",
         [](const Project& p, ClipId id, int n) { return project::setClipMute(p, {id}, n % 2 == 0); }},
        {"a clip is locked",
         [](const Project& p, ClipId id, int n) { return project::setLocked(p, {id}, n % 2 == 0); }},
        {"a clip is deleted", [](const Project& p, ClipId id, int) { return project::removeClips(p, {id}); }},
        {"the tempo changes",
         [](const Project& p, ClipId, int n) { return project::setTempo(p, Bpm(95 + n % 20)); }},
        {"a track is muted",
         [](const Project& p, ClipId id, int n) {
             return project::setMute(p, project::trackOfClip(p, id)->id, n % 2 == 0);
         }},
        {"a track is solo", [](const Project& p, ClipId id,
                               int n) { return project::setSolo(p, project::trackOfClip(p, id)->id, n % 2 == 0); }},
    };
}

TEST(Painting, AfterAnyEditTheScreenShowsWhatItWouldShowPaintedWhole) {
    Window w;
    w.session().files().open(std::filesystem::path(PM_SOURCE_DIR) / "demo" / "canal_journey");
    expectShownAsPaintedWhole(w, "opened");
    const std::vector<Edit> all = edits();
    std::mt19937 random(11);
    for (int n = 0; n < 60; ++n) {
        const std::vector<ClipId> clips = project::allClips(w.now());
        if (clips.empty()) break;
        const ClipId id = clips[random() % clips.size()];
        const Edit& edit = all[random() % all.size()];
        // What is refused changes nothing, and is said in the status line.
        w.session().edit(edit.name, edit.make(w.now(), id, n));
        if (random() % 4 == 0) w.session().document().select({id});
        if (random() % 6 == 0) w.session().document().undo();
        expectShownAsPaintedWhole(w, edit.name);
    }
}

TEST(Painting, AnEditOfOneClipPaintsNoMoreThanItsTrackAndTheOverview) {
    struct Painted : QObject {
        QRegion region;
        bool eventFilter(QObject*, QEvent* event) override {
            if (event->type() == QEvent::Paint) region += static_cast<QPaintEvent*>(event)->region();
            return false;
        }
    } painted;
    Window w;
    w.session().files().open(std::filesystem::path(PM_SOURCE_DIR) / "demo" / "canal_journey");
    expectShownAsPaintedWhole(w, "opened");
    // Nothing else comes in meanwhile and is painted.
    ASSERT_TRUE(ui::waitFor([&] {
        return w.session().player().pendingRenders() == 0 && w.session().proofs().summary().waiting == 0 &&
               !w.session().jobs().isBusy();
    }));
    // What came in last is painted: looked at in one turn of the events, asked for in the next, painted in a third.
    w.bars().viewport()->installEventFilter(&painted);
    do {
        painted.region = {};
        for (int turn = 0; turn < 4; ++turn)
            QCoreApplication::processEvents();
    } while (!painted.region.isEmpty());
    const auto& clips = w.session().laid()->clips();
    const auto free = std::find_if(clips.begin(), clips.end(), [](const auto& c) { return !c.source->set; });
    ASSERT_NE(free, clips.end());
    const ClipId id = free->id();
    const std::size_t track = free->trackIndex;
    w.session().edit("Gain", project::setGain(w.now(), {id}, -7));
    w.settle();
    ASSERT_TRUE(ui::waitFor([&] { return !painted.region.isEmpty(); }));
    const auto& layout = w.bars().layout();
    const QRegion may = QRegion(0, layout.y(track) - 3, 1280, layout.heightOf(track) + 6) +
                        QRegion(0, 0, 1280, app::BarsLayout::overview);
    EXPECT_TRUE((painted.region - may).isEmpty()) << "other tracks were painted too";
    w.bars().viewport()->removeEventFilter(&painted);
}

} // namespace
