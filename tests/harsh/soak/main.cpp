// Hours of work in the real window, with what it costs in memory and whether the sound was ever late.
//   harsh_soak FOLDER MINUTES   plays the demo and 32 stems there, an edit a second; prints a line a minute and a
//   verdict
#include "app/widgets/tokens.h"
#include "app/window/main_window.h"
#include "base/memory.h"
#include "harsh/hand/edits.h"
#include "play/simulated_output.h"
#include "project/edit_clips.h"
#include "project/edit_time.h"

#include <QAction>
#include <QApplication>
#include <QTabBar>
#include <QTest>
#include <algorithm>
#include <chrono>
#include <cstdio>
#include <cstdlib>
#include <malloc.h>

namespace {

using Clock = std::chrono::steady_clock;

// What the process holds of its own, in megabytes: not what is mapped from files.
double ownMegabytes() {
    double anonymous = 0;
    if (std::FILE* file = std::fopen("/proc/self/status", "r")) {
        char line[256];
        while (std::fgets(line, sizeof line, file) != nullptr) {
            long kilobytes = 0;
            if (std::sscanf(line, "RssAnon: %ld kB", &kilobytes) == 1) anonymous = double(kilobytes) / 1024;
        }
        std::fclose(file);
    }
    return anonymous;
}

// What of it the allocator has given out, in megabytes: the rest is room between pieces.
double inUseMegabytes() {
    const struct mallinfo2 info = mallinfo2();
    return double(info.uordblks + info.hblkhd) / 1024 / 1024;
}

double medianOf(std::vector<double> values) {
    if (values.empty()) return 0;
    const auto middle = values.begin() + static_cast<std::ptrdiff_t>(values.size() / 2);
    std::nth_element(values.begin(), middle, values.end());
    return *middle;
}

struct Soak {
    app::MainWindow& window;
    harsh::Place place;
    int edits = 0;

    app::Session& session() { return window.session(); }
    void act(const char* command) {
        if (auto* action = window.findChild<QAction*>(command)) action->trigger();
    }
    // A second's work.
    void second(int n) {
        app::Session& s = session();
        const auto clips = project::allClips(s.now());
        if (clips.empty()) return;
        const app::ClipId clip = clips[std::size_t(n) % clips.size()];
        switch (n % 10) {
        case 0:
            s.edit("Tempo", project::setTempo(s.now(), metre::Bpm(90 + n % 37)));
            break;
        case 1:
            s.edit("Move", project::moveClips(s.now(), {clip}, metre::Beats(n % 2 == 0 ? 4 : -4), 0));
            break;
        case 2:
            s.document().select({clip});
            break;
        case 3:
            act(n % 20 == 3 ? "pageSources" : "pageStrain");
            break;
        case 4:
            act("pageBars");
            break;
        case 5:
        case 6:
            act("undo");
            break;
        case 7:
            s.transport().locate(metre::Beats(n % 64));
            break;
        case 8:
            s.document().selectSource(s.now().sources[std::size_t(n) % s.now().sources.size()]->id);
            act("playRaw");
            break;
        default:
            if (!s.player().isPlaying()) s.transport().toggle();
            break;
        }
        ++edits;
    }
};

} // namespace

int main(int argc, char** argv) {
    base::giveBackLargePieces(); // as the application does
    if (std::getenv("QT_QPA_PLATFORM") == nullptr) setenv("QT_QPA_PLATFORM", "offscreen", 1);
    QApplication application(argc, argv);
    QApplication::setApplicationName("patient-metre");
    QApplication::setStyle("Fusion");
    if (argc != 3 || !app::loadFonts()) return 2;
    app::setTheme(app::Theme::Paper);
    const harsh::Place place{argv[1]};
    const double minutes = std::atof(argv[2]);
    auto simulated = std::make_unique<play::SimulatedOutput>(48000, play::SimulatedOutput::Pace::RealTime, 1);
    const play::SimulatedOutput& output = *simulated;
    app::MainWindow window(play::OpenedOutput{std::move(simulated), "Playing silently."});
    window.resize(1280, 800);
    window.show();
    Soak soak{window, place};
    soak.session().files().open(place.journey());
    if (!QTest::qWaitFor([&] { return !soak.session().now().tracks.empty() && !soak.session().jobs().isBusy(); },
                         120'000))
        return 3;
    std::vector<std::filesystem::path> stems;
    for (const auto& entry : std::filesystem::directory_iterator(place.loops()))
        stems.push_back(entry.path());
    std::sort(stems.begin(), stems.end());
    soak.session().importing().bringIn(stems, {}, metre::Beats(0));
    if (!QTest::qWaitFor([&] { return !soak.session().jobs().isBusy(); }, 600'000)) return 3;
    soak.session().transport().toggle();
    const auto begun = Clock::now();
    const auto now = [&] { return std::chrono::duration<double>(Clock::now() - begun).count() / 60; };
    // What is kept comes and goes from second to second: once it has settled, the middle value of the first half of
    // what is left is compared with that of the second. A leak shows there, a stretch under way does not.
    const double settled = std::min(10.0, minutes / 2);
    const double middle = (settled + minutes) / 2;
    std::vector<double> firstHalf;
    std::vector<double> secondHalf;
    double most = 0;
    int minute = 0;
    while (now() < minutes) {
        soak.second(soak.edits);
        QTest::qWait(1000);
        const double own = ownMegabytes();
        most = std::max(most, own);
        if (now() > settled) (now() < middle ? firstHalf : secondHalf).push_back(own);
        if (int(now()) > minute) {
            minute = int(now());
            std::printf("%3d min  %5d edits  %7.1f MB of its own  %7.1f MB in use\n", minute, soak.edits, own,
                        inUseMegabytes());
            std::fflush(stdout);
        }
    }
    const double before = medianOf(firstHalf);
    const double after = medianOf(secondHalf);
    const double growth = before > 0 ? 100 * (after / before - 1) : 0;
    const auto late = output.lateBlocks();
    std::printf(
        "soak: %d edits, %.1f MB until minute %.0f and %.1f MB until %.0f (%+.1f %%), at most %.1f MB, %lld "
        "callbacks late\n",
        soak.edits, before, middle, after, minutes, growth, most, static_cast<long long>(late));
    return growth <= 2 && late == 0 ? 0 : 1;
}
