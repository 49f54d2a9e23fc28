// The shelf in the window, offscreen: a folder of 20,000 files listed and scrolled; and how long it takes from the
// key that walks to the next 4-bar loop until its first sound is played.
//   bench_shelf [FILES [PRESSES]]
#include "app/shelf/shelf_list.h"
#include "app/widgets/tokens.h"
#include "app/window/main_window.h"
#include "play/simulated_output.h"
#include "project/edit_time.h"
#include "shelf/library.h"

#include <QApplication>
#include <QElapsedTimer>
#include <QKeyEvent>
#include <QScrollBar>
#include <QTabBar>
#include <algorithm>
#include <fmt/format.h>
#include <fstream>

namespace {

namespace fs = std::filesystem;

void report(const char* what, std::vector<double> ms) {
    std::sort(ms.begin(), ms.end());
    fmt::print("{}: median {:.1f} ms, p95 {:.1f}, worst {:.1f} ({})\n", what, ms[ms.size() / 2],
               ms[ms.size() * 95 / 100], ms.back(), ms.size());
}

void press(QWidget* to, int key) {
    QKeyEvent down(QEvent::KeyPress, key, Qt::NoModifier);
    QApplication::sendEvent(to, &down);
}

} // namespace

int main(int argc, char** argv) {
    const int files = argc > 1 ? std::atoi(argv[1]) : 20000;
    const int presses = argc > 2 ? std::atoi(argv[2]) : 60;
    const fs::path folder = fs::temp_directory_path() / "patient-metre-bench-shelf";
    fs::remove_all(folder);
    fs::create_directories(folder / "many");
    fs::create_directories(folder / "loops");
    qputenv("PATIENT_METRE_DATA", (folder / "data").c_str());
    qputenv("QT_QPA_PLATFORM", "offscreen");
    for (int i = 0; i < files; ++i)
        std::ofstream(folder / "many" / fmt::format("loop_{}.wav", i)) << "x";
    // Loops of four bars: each a file of its own, so that none is heard twice.
    const fs::path demo = fs::path(PM_SOURCE_DIR) / "demo" / "canal_journey" / "audio";
    const std::vector<std::string> names = {"winch_hands_112bpm.wav", "pontoon_marimba.flac"};
    for (int i = 0; i < presses; ++i) {
        const fs::path name(names[std::size_t(i) % names.size()]);
        fs::copy_file(demo / name, folder / "loops" / fmt::format("{:03}_{}", i, name.string()));
    }
    QApplication application(argc, argv);
    QApplication::setStyle("Fusion");
    app::loadFonts();
    app::setTheme(app::Theme::Paper);
    auto simulated = std::make_unique<play::SimulatedOutput>(48000, play::SimulatedOutput::Pace::RealTime, 2);
    play::SimulatedOutput* output = simulated.get();
    app::MainWindow window({std::move(simulated), ""});
    window.resize(1280, 800);
    window.show();
    window.activateWindow();
    const auto spin = [&](const std::function<bool()>& until) {
        QElapsedTimer waited;
        waited.start();
        while (!until() && waited.elapsed() < 60000)
            QApplication::processEvents(QEventLoop::WaitForMoreEvents, 2);
    };
    window.session().library().addFolder(folder / "loops");
    auto* library = window.findChild<app::ShelfList*>("libraryList");
    spin([&] { return library->model()->rowCount() == presses && !window.session().jobs().isBusy(); });

    // Listing: the tree's entry is there, its files are not.
    auto* tabs = window.findChild<QTabBar*>("shelfTabs");
    auto* list = window.findChild<app::ShelfList*>("folderList");
    (*shelf::Library::open(shelf::libraryFile()))->addFolder(folder / "many");
    tabs->setCurrentIndex(1);
    spin([&] { return list->model()->rowCount() == presses; });
    QElapsedTimer clock;
    clock.start();
    window.session().library().removeFolder(folder / "loops"); // which leaves the other one, chosen
    spin([&] { return list->model()->rowCount() == files; });
    window.grab();
    fmt::print("{} files listed and painted after {} ms\n", files, clock.elapsed());
    std::vector<double> frames;
    QScrollBar* bar = list->verticalScrollBar();
    for (int i = 0; i < 300; ++i) {
        bar->setValue(int(double(bar->maximum()) * i / 300));
        QElapsedTimer frame;
        frame.start();
        list->viewport()->repaint();
        QApplication::processEvents();
        frames.push_back(double(frame.nsecsElapsed()) / 1e6);
    }
    report("a frame while scrolling, and all that the window does beside it", frames);
    window.session().library().readSoon({});

    // Auditioning, alone, at a tempo at which everything is stretched.
    tabs->setCurrentIndex(0);
    window.session().library().addFolder(folder / "loops");
    spin([&] { return library->model()->rowCount() == presses && !window.session().jobs().isBusy(); });
    window.session().edit("Tempo", project::setTempo(window.session().now(), metre::Bpm(104)));
    const auto sounds = [&] {
        const std::vector<float> all = output->taken();
        const std::size_t n = std::min<std::size_t>(all.size(), 2048);
        return std::any_of(all.end() - std::ptrdiff_t(n), all.end(), [](float s) { return std::abs(s) > 1e-4F; });
    };
    for (const bool again : {false, true}) {
        std::vector<double> waits;
        for (int i = 0; i < presses; ++i) {
            window.session().audition().stop();
            spin([&] { return !sounds(); });
            if (i == 0) library->setCurrentIndex({});
            QElapsedTimer wait;
            wait.start();
            if (i == 0)
                library->setCurrentIndex(library->model()->index(0, 0));
            else
                press(library, Qt::Key_Down);
            spin([&] { return sounds(); });
            waits.push_back(double(wait.nsecsElapsed()) / 1e6);
        }
        report(again ? "from the key to its sound, read before"
                     : "from the key to its sound, read for the first time",
               waits);
    }
    fs::remove_all(folder);
    return 0;
}
