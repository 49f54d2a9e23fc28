// The window, offscreen: opening the demo until it is painted whole, memory then; scrolling the page Bars with 200
// and with 500 clips; and what the edit of one clip of 500 costs on the interface thread, with a ramp under them
// all.
#include "app/bars/bars_view.h"
#include "app/widgets/tokens.h"
#include "app/window/main_window.h"
#include "play/simulated_output.h"

#include <QApplication>
#include <QElapsedTimer>
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
    window.session().open(std::filesystem::path(PM_SOURCE_DIR) / "demo" / "canal_journey");
    const auto spin = [&](const std::function<bool()>& until) {
        while (!until())
            QApplication::processEvents(QEventLoop::WaitForMoreEvents, 5);
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
        window.session().edit("Loop range", project::setLoop(p, {metre::Beats(0), metre::Beats(4.0 + i), true}));
        looped.push_back(double(clock.nsecsElapsed()) * 1e-6);
    }
    std::sort(looped.begin(), looped.end());
    fmt::print("moving the loop range: median {:.2f}, p95 {:.2f} ms\n", looped[50], looped[95]);
    fmt::print("memory at the end: {:.0f} MB\n", memoryMegabytes());
    return 0;
}
