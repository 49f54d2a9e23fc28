// Long material through the real window, offscreen: how soon it stands and is heard, how soon it is there again,
// and what memory it takes.
//   bench_stems make FOLDER [stems] [minutes]    stereo stems, 24 bits at 48 kHz, from the demo's loops
//   bench_stems read FOLDER                      decodes and hears each, one after the other on one thread
//   bench_stems first FOLDER                     imports them, hears and fits them, plays with changes of tempo,
//   saves bench_stems second FOLDER                    opens what `first` saved, until the first sound
// PATIENT_METRE_DATA says where all that is kept lies; for `first` it should be empty.
#include "timed_output.h"

#include "app/widgets/tokens.h"
#include "app/window/main_window.h"
#include "base/memory.h"
#include "base/user_folders.h"
#include "play/simulated_output.h"
#include "project/edit_time.h"
#include "project/import.h"
#include "project/save.h"
#include "sound/write.h"

#include <QApplication>
#include <QElapsedTimer>
#include <QThread>
#include <algorithm>
#include <ctime>
#include <fmt/format.h>
#include <fstream>
#include <string>
#include <vector>

namespace {

namespace fs = std::filesystem;

double megabytes(const std::string& field) {
    std::ifstream in("/proc/self/status");
    std::string line;
    while (std::getline(in, line))
        if (line.rfind(field + ":", 0) == 0) return std::stod(line.substr(field.size() + 1)) / 1024;
    return 0;
}

double processorSeconds() {
    timespec t{};
    clock_gettime(CLOCK_PROCESS_CPUTIME_ID, &t);
    return double(t.tv_sec) + 1e-9 * double(t.tv_nsec);
}

void make(const fs::path& folder, int stems, int minutes) {
    fs::create_directories(folder);
    const auto demo = project::loadProject(fs::path(PM_SOURCE_DIR) / "demo" / "canal_journey");
    std::vector<project::SourcePtr> loops;
    for (const project::SourcePtr& s : demo->project.sources)
        if (s->wholeBeats() && s->sound) loops.push_back(s);
    for (int i = 0; i < stems; ++i) {
        const sound::Audio& loop = loops[static_cast<std::size_t>(i) % loops.size()]->sound->audio;
        sound::Audio all(48000, 2, metre::Frames(std::int64_t(48000) * 60 * minutes));
        const auto turn = static_cast<std::size_t>(loop.frames().value);
        std::uint32_t noise = 1 + static_cast<std::uint32_t>(i);
        for (std::size_t c = 0; c < 2; ++c)
            for (std::size_t k = 0; k < all.channels[c].size(); ++k) {
                noise = noise * 1664525 + 1013904223;
                all.channels[c][k] = 0.5F * loop.channels[c % loop.channels.size()][k % turn] +
                                     1e-4F * (static_cast<float>(noise >> 8) / 8388608 - 1);
            }
        const auto written = sound::write(folder / fmt::format("stem_{:02}.wav", i + 1), all, sound::Depth::Int24,
                                          {}, base::Existing::Replace);
        if (!written) fmt::print("{}\n", written.error().text);
    }
}

std::vector<fs::path> stemsIn(const fs::path& folder) {
    std::vector<fs::path> files;
    for (const auto& each : fs::directory_iterator(folder))
        if (each.path().extension() == ".wav") files.push_back(each.path());
    std::sort(files.begin(), files.end());
    return files;
}

void readEach(const fs::path& folder) {
    sound::AudioStore store(base::cacheFolder() / "read", std::int64_t(20) << 30);
    double decoding = 0;
    double hearing = 0;
    double length = 0;
    for (const fs::path& file : stemsIn(folder)) {
        const double begin = processorSeconds();
        auto read = project::decodeSource(file, {48000, &store});
        const double decoded = processorSeconds();
        if (!read || !project::findAttacks(*read) || !project::settledOf(file, *read)) continue;
        decoding += decoded - begin;
        hearing += processorSeconds() - decoded;
        length += read->facts.length().value;
    }
    fmt::print("decoding into the store: {:.0f} × real time, hearing: {:.0f} ×, both: {:.0f} × (processor time)\n",
               length / decoding, length / hearing, length / (decoding + hearing));
    store.clear();
}

void playThrough(const fs::path& folder, int seconds) {
    sound::AudioStore store(base::cacheFolder() / "audio", std::int64_t(20) << 30);
    auto loaded = project::loadProject(folder / "project", {}, &store);
    if (!loaded) return;
    play::OutputChoice choice;
    choice.block = 128;
    play::OpenedOutput opened = play::openOutput(48000, choice);
    auto timed = std::make_unique<bench::Timed>(std::move(opened.output));
    bench::Timed& out = *timed;
    play::Player player(
        std::move(timed), [] {}, &store);
    project::Project p = std::move(loaded->project);
    p.loop = {metre::Beats(0), metre::Beats(400)};
    p.view.looping = true;
    player.setProject(project::lay(p));
    player.play();
    double most = 0;
    const auto begin = std::chrono::steady_clock::now();
    for (int second = 0; second < seconds;) {
        player.tick();
        QThread::msleep(5);
        if (std::chrono::steady_clock::now() < begin + std::chrono::seconds(second + 1)) continue;
        ++second;
        most = std::max(most, megabytes("VmRSS"));
        if (second % 60 == 0) player.jump(metre::Beats(second % 120 == 0 ? 16 : 200), false);
    }
    out.say(seconds);
    fmt::print("  {:.0f} MB at most\n", most);
}

class Run {
  public:
    Run() : window_(opened()) {
        window_.resize(1280, 800);
        window_.show();
        window_.grab();
        clock_.start();
    }
    void first(const fs::path& folder) {
        const std::vector<fs::path> files = stemsIn(folder);
        project::Project p = *project::setTempo(session().now(), metre::Bpm(104));
        session().edit("Tempo", p);
        clock_.restart();
        const double worked = processorSeconds();
        session().importing().bringIn(files, {}, metre::Beats(0));
        until([&] { return session().now().sources.size() == files.size(); });
        say("all clips stand");
        const double length = session().now().sources.front()->length().value * double(files.size());
        until([&] { return !session().jobs().isBusy(); });
        say("all heard");
        const double work = processorSeconds() - worked;
        fmt::print("  {:.0f} × real time by the clock, {:.0f} × by processor seconds (some of it fitting)\n",
                   length / seconds(), length / work);
        play();
        until([&] { return session().player().pendingRenders() == 0; });
        say("all fitted, while playing");
        fmt::print("  {:.0f} processor seconds in all\n", processorSeconds() - worked);
        tempoChanges();
        session().player().stop();
        session().store().settle();
        fmt::print("  the store takes {:.1f} GB\n", double(session().store().bytes()) / 1e9);
        session().files().save(folder / "project");
        until([&] { return !session().jobs().isBusy(); });
        fmt::print("  {:.0f} MB at most\n", peak_);
    }
    void second(const fs::path& folder) {
        clock_.restart();
        session().files().open(folder / "project");
        until([&] { return !session().now().sources.empty() && !session().jobs().isBusy(); });
        say("opened");
        play();
        say("first sound");
        until([&] { return session().player().pendingRenders() == 0; });
        say("all fitted");
        const auto end = seconds() + 10;
        until([&] { return seconds() > end; });
        fmt::print("  {:.0f} MB at most\n", peak_);
    }

  private:
    play::OpenedOutput opened() {
        auto output = std::make_unique<play::SimulatedOutput>(48000, play::SimulatedOutput::Pace::RealTime, 3);
        output_ = output.get();
        return {std::move(output), ""};
    }
    app::Session& session() { return window_.session(); }
    double seconds() const { return double(clock_.elapsed()) / 1000; }
    void until(const std::function<bool()>& there) {
        while (!there()) {
            QApplication::processEvents();
            QThread::msleep(2);
            if (looked_.isValid() && looked_.elapsed() < 50) continue;
            looked_.start();
            peak_ = std::max(peak_, megabytes("VmRSS"));
        }
    }
    void say(const char* what) {
        window_.grab();
        fmt::print("{}: {:.2f} s, {:.0f} MB now ({:.0f} of files), {:.0f} at most\n", what, seconds(),
                   megabytes("VmRSS"), megabytes("RssFile"), peak_);
        std::fflush(stdout);
    }
    bool isHeard() const {
        const std::vector<float> last = output_->taken();
        return std::any_of(last.begin(), last.end(), [](float s) { return std::abs(s) > 1e-3F; });
    }
    void play() {
        session().transport().toggle();
        until([&] { return isHeard(); });
    }
    // From the edit until the player plays at that tempo.
    void tempoChanges() {
        std::vector<double> waits;
        for (int i = 0; i < 30; ++i) {
            const auto p = project::setTempo(session().now(), metre::Bpm(100 + i * 37 % 41 * 0.25));
            QElapsedTimer wait;
            wait.start();
            session().edit("Tempo", p);
            until([&] { return !session().player().isWaiting(); });
            waits.push_back(double(wait.nsecsElapsed()) * 1e-6);
            const auto rest = seconds() + 0.5;
            until([&] { return seconds() > rest; });
        }
        std::sort(waits.begin(), waits.end());
        fmt::print("another tempo: median {:.0f}, p95 {:.0f}, worst {:.0f} ms\n", waits[15], waits[28], waits[29]);
    }

    play::SimulatedOutput* output_ = nullptr;
    app::MainWindow window_;
    QElapsedTimer clock_;
    QElapsedTimer looked_;
    double peak_ = 0;
};

} // namespace

int main(int argc, char** argv) {
    base::giveBackLargePieces(); // as the application does
    const std::string what = argc > 1 ? argv[1] : "";
    if (argc < 3) {
        fmt::print("bench_stems make|read|first|second|play FOLDER\n");
        return 2;
    }
    if (what == "make") {
        make(argv[2], argc > 3 ? std::atoi(argv[3]) : 32, argc > 4 ? std::atoi(argv[4]) : 5);
        return 0;
    }
    if (what == "read") {
        readEach(argv[2]);
        return 0;
    }
    if (what == "play") {
        playThrough(argv[2], argc > 3 ? std::atoi(argv[3]) : 600);
        return 0;
    }
    qputenv("QT_QPA_PLATFORM", "offscreen");
    QApplication application(argc, argv);
    QApplication::setStyle("Fusion");
    app::loadFonts();
    app::setTheme(app::Theme::Paper);
    Run run;
    if (what == "first")
        run.first(argv[2]);
    else
        run.second(argv[2]);
    return 0;
}
