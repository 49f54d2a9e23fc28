// A hand in a window of its own, to be killed.
//   harsh_hand work FOLDER    edits every fifth of a second; says "edit N MICROSECONDS" once each is made, for ever
//   harsh_hand look FOLDER    what the next start finds: recovers what is offered, saves, delivers, and ends
#include "app/widgets/tokens.h"
#include "harsh/hand/work.h"
#include "play/simulated_output.h"

#include <QApplication>
#include <QPushButton>
#include <QTest>
#include <chrono>
#include <cstdio>
#include <cstring>

namespace {

std::unique_ptr<app::MainWindow> windowOf() {
    auto window = std::make_unique<app::MainWindow>(
        play::OpenedOutput{std::make_unique<play::SimulatedOutput>(48000, play::SimulatedOutput::Pace::RealTime, 1),
                           "Playing silently."});
    window->resize(1280, 800);
    window->show();
    return window;
}

void say(const char* form, long long a, long long b) {
    std::printf(form, a, b);
    std::fflush(stdout);
}

int work(const harsh::Place& place) {
    const auto window = windowOf();
    int edit = 0;
    QTimer timer;
    QObject::connect(&timer, &QTimer::timeout, [&] {
        harsh::workOnce(*window, place, ++edit);
        const auto now = std::chrono::system_clock::now().time_since_epoch();
        say("edit %lld %lld\n", edit, std::chrono::duration_cast<std::chrono::microseconds>(now).count());
    });
    timer.start(200);
    return QApplication::exec();
}

int look(const harsh::Place& place) {
    const auto window = windowOf();
    app::Session& session = window->session();
    const auto until = [](const std::function<bool()>& holds) { return QTest::qWaitFor(holds, 60'000); };
    if (!until([&] { return !session.jobs().isBusy(); })) return 3; // what was left behind is looked for
    QPushButton* offer = nullptr;
    for (QPushButton* button : window->findChildren<QPushButton*>())
        if (button->isVisible() && button->text() == "Recover it") offer = button;
    if (offer != nullptr) {
        QTest::mouseClick(offer, Qt::LeftButton);
        // A project that nobody has edited has another tempo.
        const int unedited = harsh::editOf({});
        if (!until([&] { return harsh::editOf(session.now()) != unedited; })) return 3;
    }
    say("offered %lld %lld\n", offer != nullptr ? 1 : 0, offer != nullptr ? harsh::editOf(session.now()) : 0);
    if (offer == nullptr) {
        if (!std::filesystem::exists(place.journey() / "project.json")) return 0;
        session.files().open(place.journey());
    }
    if (!until([&] { return !session.jobs().isBusy(); })) return 3;
    session.files().save(place.journey());
    harsh::workOnce(*window, place, 7 + 13); // delivers
    if (!until([&] { return !session.jobs().isBusy(); })) return 3;
    session.files().save(place.journey());
    return until([&] { return !session.jobs().isBusy() && !session.document().isUnsaved(); }) ? 0 : 3;
}

} // namespace

int main(int argc, char** argv) {
    QApplication application(argc, argv);
    QApplication::setApplicationName("patient-metre");
    QApplication::setStyle("Fusion");
    if (argc != 3 || !app::loadFonts()) return 2;
    app::setTheme(app::Theme::Paper);
    const harsh::Place place{argv[2]};
    return std::strcmp(argv[1], "work") == 0 ? work(place) : look(place);
}
