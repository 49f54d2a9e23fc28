// The Bench with long pieces that were played free, offscreen.
//   bench_rails straighten    ten minutes: from the drop until it is fitted and heard
//   bench_rails drag          a knob dragged in them: milliseconds a frame, the edit and the painting together
//   bench_rails long          ninety minutes with 10,000 beats: zooming, scrolling and dragging
#include "app/bench/rails_view.h"
#include "app/widgets/tokens.h"
#include "app/window/main_window.h"
#include "play/simulated_output.h"
#include "project/edit_clips.h"
#include "sound/write.h"
#include "support/free_playing.h"

#include <QApplication>
#include <QElapsedTimer>
#include <QMouseEvent>
#include <QTemporaryDir>
#include <QWheelEvent>
#include <algorithm>
#include <cmath>
#include <fmt/format.h>
#include <string>
#include <vector>

namespace {

void spin(const std::function<bool()>& until) {
    while (!until())
        QApplication::processEvents(QEventLoop::WaitForMoreEvents, 2);
}

void say(const char* what, std::vector<double> each) {
    std::sort(each.begin(), each.end());
    fmt::print("{}: median {:.1f}, p95 {:.1f}, worst {:.1f} ms ({})\n", what, each[each.size() / 2],
               each[each.size() * 95 / 100], each.back(), each.size());
}

class Window {
  public:
    Window() : window({std::make_unique<play::SimulatedOutput>(48000, play::SimulatedOutput::Pace::RealTime), ""}) {
        window.resize(1280, 800);
        window.show();
        rails = window.findChild<app::RailsView*>("rails");
    }
    double painted(const std::function<void()>& act) {
        canvas = QImage(rails->size(), QImage::Format_ARGB32_Premultiplied);
        clock.restart();
        act();
        rails->render(&canvas);
        return double(clock.nsecsElapsed()) * 1e-6;
    }
    void mouse(QEvent::Type type, const QPointF& at) {
        QMouseEvent event(type, at, rails->mapToGlobal(at), Qt::LeftButton, Qt::LeftButton, Qt::NoModifier);
        QApplication::sendEvent(rails, &event);
    }
    void wheel(int by, Qt::KeyboardModifiers m) {
        const QPointF at(rails->width() / 2.0, 60);
        QWheelEvent event(at, rails->mapToGlobal(at), {}, {0, by}, Qt::NoButton, m, Qt::NoScrollPhase, false);
        QApplication::sendEvent(rails, &event);
    }
    // A knob in the middle of the view, to and fro.
    void drag(const char* what, int steps) {
        const app::RailsScenePtr scene = rails->scene();
        const app::RailsLayout& layout = rails->layout();
        const project::SourcePin* pin = nullptr;
        for (const project::SourcePin& p : scene->pins())
            if (layout.x(p.at) > rails->width() * 0.3 && layout.x(p.at) < rails->width() * 0.7) pin = &p;
        if (pin == nullptr) return;
        const QPointF from(layout.x(pin->at), layout.upperKnobY());
        mouse(QEvent::MouseButtonPress, from);
        std::vector<double> each;
        for (int i = 0; i < steps; ++i) {
            const QPointF to = from + QPointF(4 + 6 * std::sin(i * 0.2), 0);
            each.push_back(painted([&] { mouse(QEvent::MouseMove, to); }));
            QApplication::processEvents();
        }
        mouse(QEvent::MouseButtonRelease, from);
        say(what, each);
    }

    app::MainWindow window;
    app::RailsView* rails;
    QImage canvas;
    QElapsedTimer clock;
};

void straightened(Window& w, const std::filesystem::path& file) {
    w.clock.start();
    w.window.session().importing().bringIn({file}, {}, metre::Beats(0));
    app::Session& session = w.window.session();
    spin([&] {
        return !session.now().sources.empty() && session.now().sources.front()->beats.has_value() &&
               !session.jobs().isBusy();
    });
    const double heard = double(w.clock.nsecsElapsed()) * 1e-9;
    const app::ClipId clip = project::allClips(session.now()).front();
    session.transport().toggle();
    spin([&] { return session.player().isPlaying() && session.player().position() > metre::Beats(0.2); });
    const double first = double(w.clock.nsecsElapsed()) * 1e-9;
    spin([&] { return session.player().isRendered(clip); });
    fmt::print(
        "ten minutes played free: its beats known after {:.1f} s ({} pins), heard on the grid after {:.1f} s, "
        "all of it fitted after {:.1f} s\n",
        heard, session.now().sources.front()->beats->pins().size(), first, double(w.clock.nsecsElapsed()) * 1e-9);
    session.transport().stop();
}

} // namespace

int main(int argc, char** argv) {
    qputenv("QT_QPA_PLATFORM", "offscreen");
    QTemporaryDir home;
    for (const char* name : {"PATIENT_METRE_DATA", "XDG_CACHE_HOME", "XDG_CONFIG_HOME"})
        qputenv(name, home.path().toLocal8Bit());
    QApplication application(argc, argv);
    QApplication::setStyle("Fusion");
    app::loadFonts();
    app::setTheme(app::Theme::Paper);
    const std::string what = argc > 1 ? argv[1] : "straighten";
    support::FreePlaying how;
    how.bpm = what == "long" ? 111.2 : 100;
    how.bars = what == "long" ? 2500 : 250;
    how.drums = false;
    how.seed = 7;
    const support::FreePiece piece = support::played(how);
    Window w;
    app::Session& session = w.window.session();
    const std::filesystem::path file = std::filesystem::path(home.path().toStdString()) / "towpath.wav";
    if (what != "long") {
        if (!sound::write(file, piece.audio, sound::Depth::Int16, {}, base::Existing::Refuse)) return 1;
        straightened(w, file);
        session.document().select(project::allClips(session.now()));
    } else {
        // As if every beat had been pinned.
        project::Source s;
        s.name = s.content = "towpath";
        s.facts = {44100, 1, piece.audio.frames(), "WAV"};
        std::vector<metre::Pin> pins;
        std::vector<hear::Onset> onsets;
        for (std::size_t i = 0; i < piece.beats.size(); ++i) {
            pins.push_back({metre::Seconds(piece.beats[i]), metre::Beats(double(i))});
            onsets.push_back({metre::Frames(std::llround(piece.beats[i] * 44100)), 0.5});
        }
        s.sound = std::make_shared<const project::Sound>(piece.audio, onsets);
        s.beats = *metre::BeatMap::make(pins);
        project::Project p;
        p.rate = 44100;
        project::Added added = project::addSources(p, {std::move(s)});
        auto placed = project::place(added.project, added.ids.front(), {}, metre::Beats(0));
        session.edit("Place", placed->project);
        session.document().select({placed->id});
    }
    QApplication::processEvents();
    if (what == "straighten") return 0;
    fmt::print("{:.0f} minutes, {} pins\n", session.now().sources.front()->length().value / 60,
               w.rails->scene()->pins().size());
    std::vector<double> each;
    for (int i = 0; i < 120; ++i)
        each.push_back(w.painted([&] { w.wheel(i % 60 < 30 ? 120 : -120, Qt::NoModifier); }));
    say("zooming in and out", each);
    for (int i = 0; i < 12; ++i)
        w.wheel(120, Qt::NoModifier);
    each.clear();
    for (int i = 0; i < 120; ++i)
        each.push_back(w.painted([&] { w.wheel(i < 60 ? -120 : 120, Qt::ShiftModifier); }));
    say("scrolling", each);
    w.drag("dragging a knob", 100);
    session.transport().stop();
    return 0;
}
