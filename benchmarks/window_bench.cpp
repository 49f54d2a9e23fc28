// The window, offscreen: opening the demo until it is painted whole, memory then; scrolling the page Bars with 200
// and with 500 clips; and what the edit of one clip of 500 costs on the interface thread, with a ramp under them
// all.
#include "app/bars/bars_view.h"
#include "app/widgets/tokens.h"
#include "app/window/main_window.h"
#include "base/memory.h"
#include "play/simulated_output.h"
#include "project/save.h"

#include <QApplication>
#include <QElapsedTimer>
#include <QKeyEvent>
#include <QMouseEvent>
#include <QTimer>
#include <algorithm>
#include <fmt/format.h>
#include <fstream>
#include <string>
#include <vector>

namespace {

double memoryMegabytes() {
    std::ifstream in("/proc/self/status");
    std::string line;
    while (std::getline(in, line))
        if (line.rfind("VmRSS:", 0) == 0) return std::stod(line.substr(6)) / 1024;
    return 0;
}

} // namespace

int main(int argc, char** argv) {
    base::giveBackLargePieces(); // as the application does
    qputenv("QT_QPA_PLATFORM", "offscreen");
    QElapsedTimer clock;
    clock.start();
    QApplication application(argc, argv);
    QApplication::setStyle("Fusion");
    app::loadFonts();
    app::setTheme(app::Theme::Paper);
    app::MainWindow window(
        {std::make_unique<play::SimulatedOutput>(48000, play::SimulatedOutput::Pace::RealTime), ""});
    window.resize(1280, 800);
    window.show();
    window.grab();
    fmt::print("the empty window painted after {} ms\n", clock.elapsed());
    window.session().files().open(std::filesystem::path(PM_SOURCE_DIR) / "demo" / "canal_journey");
    // As it waits for its user: asleep, but for a look every few milliseconds.
    const auto spin = [&](const std::function<bool()>& until) {
        QTimer looking;
        looking.start(2);
        while (!until())
            QApplication::processEvents(QEventLoop::WaitForMoreEvents);
    };
    spin([&] { return !window.session().jobs().isBusy(); });
    window.grab();
    fmt::print("the demo painted after {} ms, {:.0f} MB\n", clock.elapsed(), memoryMegabytes());
    spin([&] { return window.session().player().pendingRenders() == 0; });
    window.grab();
    fmt::print("all of it fitted after {} ms, {:.0f} MB\n", clock.elapsed(), memoryMegabytes());

    const auto scrolling = [&](std::size_t count) {
        project::Project p = window.session().now();
        const auto sources = p.sources;
        for (int i = 0; project::allClips(p).size() < count; ++i) {
            const auto& track = p.tracks[static_cast<std::size_t>(i) % p.tracks.size()];
            p = project::place(p, sources[static_cast<std::size_t>(i) % 4]->id, track->id,
                               metre::Beats(64.0 + 8 * (i / 9)))
                    ->project;
        }
        window.session().edit("Clips", p);
        spin([&] { return window.session().player().pendingRenders() == 0; });
        QImage canvas(window.bars().viewport()->size(), QImage::Format_ARGB32_Premultiplied);
        std::vector<double> each;
        for (int i = 0; i < 200; ++i) {
            clock.restart();
            window.bars().scrollTo(i);
            window.bars().viewport()->render(&canvas);
            each.push_back(double(clock.nsecsElapsed()) * 1e-6);
        }
        std::sort(each.begin(), each.end());
        fmt::print("{} clips, scrolling: median {:.2f}, p95 {:.2f} ms a frame at {}x{}\n", count, each[100],
                   each[190], canvas.width(), canvas.height());
    };
    scrolling(200);
    scrolling(500);

    // An hour of timeline, zoomed in and out, and a clip dragged about by the hand.
    {
        project::Project p = window.session().now();
        p = project::place(p, p.sources[0]->id, p.tracks[0]->id, metre::Beats(3600 * 104 / 60))->project;
        window.session().edit("Far", p);
        window.session().document().select({window.session().now().tracks[0]->clips[0].id});
        QImage canvas(window.bars().viewport()->size(), QImage::Format_ARGB32_Premultiplied);
        std::vector<double> zoomed;
        for (int i = 0; i < 100; ++i) {
            clock.restart();
            window.bars().zoomBy(i < 50 ? 1.08 : 1 / 1.08, 600);
            window.bars().viewport()->render(&canvas);
            zoomed.push_back(double(clock.nsecsElapsed()) * 1e-6);
        }
        std::sort(zoomed.begin(), zoomed.end());
        fmt::print("zooming an hour with 500 clips: median {:.2f}, p95 {:.2f} ms a frame\n", zoomed[50],
                   zoomed[95]);
        window.bars().zoomToAll();
        window.bars().zoomBy(20, 200);
        window.bars().scrollTo(0);
        QWidget* page = window.bars().viewport();
        const project::LaidClip& held = window.session().laid()->clips().front();
        const QPoint from = window.bars().layout().clip(held).center().toPoint();
        QMouseEvent press(QEvent::MouseButtonPress, from, page->mapToGlobal(from), Qt::LeftButton, Qt::LeftButton,
                          Qt::NoModifier);
        QApplication::sendEvent(page, &press);
        std::vector<double> dragged;
        for (int i = 0; i < 100; ++i) {
            clock.restart();
            const QPoint to = from + QPoint(3 * i, i % 40);
            QMouseEvent move(QEvent::MouseMove, to, page->mapToGlobal(to), Qt::NoButton, Qt::LeftButton,
                             Qt::NoModifier);
            QApplication::sendEvent(page, &move);
            page->render(&canvas);
            dragged.push_back(double(clock.nsecsElapsed()) * 1e-6);
        }
        QKeyEvent escape(QEvent::KeyPress, Qt::Key_Escape, Qt::NoModifier);
        QApplication::sendEvent(&window.bars(), &escape);
        std::sort(dragged.begin(), dragged.end());
        fmt::print("dragging a clip among 500: median {:.2f}, p95 {:.2f} ms a frame\n", dragged[50], dragged[95]);
    }

    // A ramp under all of it, and one clip moved and turned again and again.
    auto map = metre::TempoMap::make({{metre::Beats(0), metre::Bpm(100), metre::TempoPoint::Shape::Ramp},
                                      {metre::Beats(500), metre::Bpm(112), metre::TempoPoint::Shape::Hold}});
    clock.restart();
    window.session().edit("Ramp", project::setTempoMap(window.session().now(), *map));
    fmt::print("a ramp under 500 clips: {:.1f} ms\n", double(clock.nsecsElapsed()) * 1e-6);
    const auto clips = project::allClips(window.session().now());
    std::vector<double> each;
    for (int i = 0; i < 200; ++i) {
        const project::Project p = window.session().now();
        const project::ClipId id = clips[static_cast<std::size_t>(i * 37) % clips.size()];
        clock.restart();
        window.session().edit("Move clip", project::moveClips(p, {id}, metre::Beats(i % 2 == 0 ? 1 : -1), 0));
        each.push_back(double(clock.nsecsElapsed()) * 1e-6);
        QApplication::processEvents();
    }
    std::sort(each.begin(), each.end());
    fmt::print("an edit of one clip of 500: median {:.2f}, p95 {:.2f} ms on the interface thread\n", each[100],
               each[190]);
    std::vector<double> looped;
    for (int i = 0; i < 100; ++i) {
        const project::Project p = window.session().now();
        clock.restart();
        window.session().edit("Loop range", project::setLoop(p, {metre::Beats(0), metre::Beats(4.0 + i)}));
        looped.push_back(double(clock.nsecsElapsed()) * 1e-6);
    }
    std::sort(looped.begin(), looped.end());
    fmt::print("moving the loop range: median {:.2f}, p95 {:.2f} ms\n", looped[50], looped[95]);
    fmt::print("memory at the end: {:.0f} MB\n", memoryMegabytes());

    // A project of 200 clips, saved and opened.
    {
        auto loaded = project::loadProject(std::filesystem::path(PM_SOURCE_DIR) / "demo" / "canal_journey");
        project::Project p = loaded->project;
        for (int i = 0; project::allClips(p).size() < 200; ++i)
            p = project::place(p, p.sources[static_cast<std::size_t>(i) % 4]->id,
                               p.tracks[static_cast<std::size_t>(i) % p.tracks.size()]->id,
                               metre::Beats(64.0 + 8 * (i / 9)))
                    ->project;
        const auto folder = std::filesystem::temp_directory_path() / "patient-metre-bench";
        std::filesystem::remove_all(folder);
        // What was asked for above is over.
        spin([&] { return window.session().player().pendingRenders() == 0; });
        if (project::saveProject(p, folder, true)) {
            // The second time its recordings are known.
            for (const char* time : {"first", "second"}) {
                clock.restart();
                window.session().files().open(folder);
                spin([&] { return !window.session().jobs().isBusy(); });
                window.grab();
                fmt::print("a project of 200 clips opened and painted, the {} time, after {} ms\n", time,
                           clock.elapsed());
            }
        }
        std::filesystem::remove_all(folder);
    }
    return 0;
}
