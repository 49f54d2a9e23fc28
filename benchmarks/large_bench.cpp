// A document of 500 clips and 2,000 sources in the window, offscreen: what an edit costs on the interface thread,
// how long a frame lasts at most while all of it is proven, with the bars in view and with the sources, and what a
// keystroke in the delivery sheet costs.
#include "app/deliver/deliver_sheet.h"
#include "app/widgets/tokens.h"
#include "app/window/main_window.h"
#include "base/memory.h"
#include "play/simulated_output.h"
#include "project/edit_clips.h"
#include "project/edit_sources.h"
#include "project/edit_time.h"
#include "project/edit_tracks.h"
#include "project/save.h"

#include <QAction>
#include <QApplication>
#include <QElapsedTimer>
#include <QKeyEvent>
#include <QLineEdit>
#include <algorithm>
#include <fmt/format.h>
#include <vector>

namespace {

constexpr std::size_t clipCount = 500;
constexpr std::size_t sourceCount = 2000;

// The demo's recordings again and again, each as one of its own, on forty tracks.
project::Project large(const project::Project& demo) {
    std::vector<project::Source> more;
    for (std::size_t i = demo.sources.size(); i < sourceCount; ++i) {
        project::Source copy = *demo.sources[i % demo.sources.size()];
        copy.id = {};
        copy.set.reset();
        copy.name += fmt::format("_{}", i);
        copy.content += fmt::format("-{}", i % 40); // forty that are measured anew
        more.push_back(std::move(copy));
    }
    auto added = project::addSources(demo, std::move(more));
    project::Project p = std::move(added.project);
    while (p.tracks.size() < 40)
        p = project::addTrack(p, {}).project;
    for (std::size_t i = 0; project::allClips(p).size() < clipCount; ++i)
        p = project::place(p, added.ids[i * 3 % added.ids.size()], p.tracks[i % p.tracks.size()]->id,
                           metre::Beats(16.0 * double(i / p.tracks.size())))
                ->project;
    return p;
}

void tell(const char* what, std::vector<double> ms) {
    std::sort(ms.begin(), ms.end());
    fmt::print("{}: median {:.2f}, p95 {:.2f}, worst {:.2f} ms\n", what, ms[ms.size() / 2],
               ms[ms.size() * 95 / 100], ms.back());
}

} // namespace

int main(int argc, char** argv) {
    base::giveBackLargePieces(); // as the application does
    qputenv("QT_QPA_PLATFORM", "offscreen");
    QApplication application(argc, argv);
    QApplication::setStyle("Fusion");
    app::loadFonts();
    app::setTheme(app::Theme::Paper);
    app::MainWindow window(
        {std::make_unique<play::SimulatedOutput>(48000, play::SimulatedOutput::Pace::RealTime), ""});
    window.resize(1280, 800);
    window.show();
    app::Session& session = window.session();
    session.files().open(std::filesystem::path(PM_SOURCE_DIR) / "demo" / "canal_journey");
    const auto spin = [&](const std::function<bool()>& until) {
        while (!until())
            QApplication::processEvents(QEventLoop::WaitForMoreEvents, 5);
    };
    spin([&] { return !session.jobs().isBusy(); });
    session.edit("Large", large(session.now()));
    spin([&] { return session.player().pendingRenders() == 0; });
    fmt::print("{} clips, {} sources, {} tracks\n", project::allClips(session.now()).size(),
               session.now().sources.size(), session.now().tracks.size());

    QElapsedTimer clock;
    const auto clips = project::allClips(session.now());
    const auto edits = [&](const char* what, const auto& edit) {
        std::vector<double> each;
        for (int i = 0; i < 200; ++i) {
            const project::Project p = session.now();
            const auto next = edit(p, clips[static_cast<std::size_t>(i * 37) % clips.size()], i);
            clock.restart();
            session.edit("Edit", next);
            each.push_back(double(clock.nsecsElapsed()) * 1e-6);
            QApplication::processEvents();
        }
        tell(what, std::move(each));
    };
    edits("moving a clip", [](const project::Project& p, project::ClipId id, int i) {
        return project::moveClips(p, {id}, metre::Beats(i % 2 == 0 ? 1 : -1), 0);
    });
    edits("the gain of a clip", [](const project::Project& p, project::ClipId id, int i) {
        return project::setGain(p, {id}, i % 2 == 0 ? -1 : -2);
    });

    const auto proving = [&](const char* page) {
        window.findChild<QAction*>(page)->trigger();
        // At another tempo nothing that was measured holds.
        session.edit("Tempo",
                     project::setTempo(session.now(), metre::Bpm(std::string(page) == "pageBars" ? 103 : 105)));
        session.proofs().proveAll();
        std::vector<double> frames;
        while (session.jobs().isBusy()) {
            clock.restart();
            QApplication::processEvents();
            frames.push_back(double(clock.nsecsElapsed()) * 1e-6);
        }
        tell(fmt::format("a turn of the event loop while all is proven, {}", page).c_str(), std::move(frames));
    };
    proving("pageBars");
    proving("pageSources");

    app::DeliverSheet sheet(session);
    sheet.show();
    QApplication::processEvents();
    auto* pattern = sheet.findChild<QLineEdit*>("deliverPattern");
    std::vector<double> strokes;
    for (int i = 0; i < 60; ++i) {
        const QString letter(QChar('a' + i % 26));
        QKeyEvent press(QEvent::KeyPress, Qt::Key_A, Qt::NoModifier, letter);
        clock.restart();
        QApplication::sendEvent(pattern, &press);
        strokes.push_back(double(clock.nsecsElapsed()) * 1e-6);
        QApplication::processEvents();
    }
    tell("a keystroke in the delivery sheet", std::move(strokes));
    return 0;
}
