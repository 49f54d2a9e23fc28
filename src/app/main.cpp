// patient-metre: the application.
#include "app/session/preferences.h"
#include "app/widgets/text.h"
#include "app/widgets/tokens.h"
#include "app/window/main_window.h"
#include "app/window/shot.h"
#include "base/memory.h"

#include <CLI/CLI.hpp>
#include <QApplication>
#include <QIcon>
#include <QLocale>
#include <QTimer>
#include <QTranslator>
#include <cstdio>

namespace {

struct Arguments {
    std::string project;
    std::vector<std::string> audio;
    std::string shot;
    std::string size;
    std::string select;
    std::string dialog;
    bool lamp = false;
    bool printKeys = false;
};

// What was asked for. The status to end with, where there is nothing to start.
std::optional<int> parse(int argc, char** argv, Arguments& arguments) {
    CLI::App parser("Patient Metre: loops, samples and stems, in time.");
    parser.name("patient-metre");
    parser.add_option("project", arguments.project, "A project folder, or the project.json in it");
    parser.add_option("--import", arguments.audio, "Audio files to bring in");
    parser.add_option("--shot", arguments.shot, "Write a PNG of the window and end");
    parser.add_option("--size", arguments.size, "Size of the window")->type_name("WxH");
    parser.add_option("--select", arguments.select, "Select the first clip whose source's name begins so");
    parser.add_option("--dialog", arguments.dialog, "With --shot: the dialog to open and show, by its menu action");
    parser.add_flag("--print-keys", arguments.printKeys, "Print every key, as the help lists them, and end");
    parser.add_flag("--lamp", arguments.lamp, "Dark: by lamplight");
    try {
        parser.parse(argc, argv);
    } catch (const CLI::ParseError& e) {
        return parser.exit(e) == 0 ? 0 : 2;
    }
    return {};
}

// A translation beside the program, or where it is installed; the words of the product need none.
void loadTranslation(QTranslator& translator) {
    const QString beside = QCoreApplication::applicationDirPath();
    for (const QString& folder : {beside + "/translations", beside + "/../share/patient-metre/translations"})
        if (translator.load(QLocale(), "patient-metre", "_", folder)) {
            QCoreApplication::installTranslator(&translator);
            return;
        }
}

// Once the project is open, where there is one.
void bringIn(app::MainWindow& window, const Arguments& arguments) {
    std::vector<std::filesystem::path> files(arguments.audio.begin(), arguments.audio.end());
    const auto bring = [&window, files] { window.session().importing().bringIn(files, {}, app::Beats(0)); };
    if (arguments.project.empty())
        bring();
    else
        QObject::connect(&window.session(), &app::Session::opened, &window, bring,
                         Qt::ConnectionType(Qt::QueuedConnection | Qt::SingleShotConnection));
}

} // namespace

int main(int argc, char** argv) {
    base::giveBackLargePieces();
    Arguments arguments;
    if (const auto status = parse(argc, argv, arguments)) return *status;
    QApplication application(argc, argv);
    QApplication::setApplicationName("patient-metre");
    QApplication::setApplicationVersion(PM_VERSION);
    QApplication::setApplicationDisplayName("Patient Metre");
    QGuiApplication::setDesktopFileName("org.patientmetre.PatientMetre");
    QApplication::setWindowIcon(QIcon(":/patient-metre.png"));
    QApplication::setStyle("Fusion");
    app::loadFonts();
    const app::Preferences preferences = app::loadPreferences();
    app::setTheme(arguments.lamp ? app::Theme::Lamp : preferences.theme);

    QTranslator translator;
    loadTranslation(translator);
    app::MainWindow window({play::silentOutput(project::Project{}.rate), {}});
    if (arguments.printKeys) {
        std::fputs(app::keysAsMarkdown(window.allKeys()).toUtf8().constData(), stdout);
        return 0;
    }
    // A picture does not depend on how the window was left.
    if (arguments.size.empty() && arguments.shot.empty()) window.restoreWindow();
    const auto cross = arguments.size.find('x');
    if (cross != std::string::npos)
        window.resize(std::max(640, std::atoi(arguments.size.c_str())),
                      std::max(400, std::atoi(arguments.size.c_str() + cross + 1)));
    window.session().device().take(false);
    window.show();
    if (arguments.size.empty() && arguments.shot.empty())
        QTimer::singleShot(0, &window, [&window] { window.fitScreen(); });
    if (!arguments.project.empty()) window.session().files().open(arguments.project);
    if (!arguments.audio.empty()) bringIn(window, arguments);
    if (!arguments.select.empty()) window.selectOnceThere(app::qt(arguments.select));
    std::unique_ptr<app::Shot> shot;
    if (!arguments.shot.empty())
        shot = std::make_unique<app::Shot>(window,
                                           app::ShotOptions{app::qt(arguments.shot), app::qt(arguments.dialog)});
    return QApplication::exec();
}
