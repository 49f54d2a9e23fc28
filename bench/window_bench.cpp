// The window, offscreen: opening the demo until it is painted whole, memory then, and scrolling the page Bars with
// 200 clips.
#include "app/bars_view.h"
#include "app/main_window.h"
#include "app/tokens.h"
#include "play/simulated_output.h"

#include <QApplication>
#include <QElapsedTimer>
#include <fmt/format.h>
#include <fstream>
#include <string>

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
    spin([&] { return !window.session().task().isRunning(); });
    window.grab();
    fmt::print("the demo painted after {} ms, {:.0f} MB\n", clock.elapsed(), memoryMegabytes());
    spin([&] { return window.session().player().pendingRenders() == 0; });
    window.grab();
    fmt::print("all of it fitted after {} ms, {:.0f} MB\n", clock.elapsed(), memoryMegabytes());

    project::Project p = window.session().now();
    const auto sources = p.sources;
    for (int i = 0; project::allClips(p).size() < 200; ++i) {
        const auto& track = p.tracks[static_cast<std::size_t>(i) % p.tracks.size()];
        p = project::place(p, sources[static_cast<std::size_t>(i) % 4]->id, track->id,
                           metre::Beats(64.0 + 8 * (i / 9)))
                ->project;
    }
    window.session().edit("200 clips", p);
    spin([&] { return window.session().player().pendingRenders() == 0; });
    constexpr int frames = 200;
    QImage canvas(window.bars().viewport()->size(), QImage::Format_ARGB32_Premultiplied);
    clock.restart();
    for (int i = 0; i < frames; ++i) {
        window.bars().scrollTo(i);
        window.bars().viewport()->render(&canvas);
    }
    fmt::print("200 clips, scrolling: {:.2f} ms a frame at {}x{}\n", double(clock.nsecsElapsed()) * 1e-6 / frames,
               canvas.width(), canvas.height());
    return 0;
}
