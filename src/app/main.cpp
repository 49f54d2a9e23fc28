// patient-metre: the application.
#include "app/main_window.h"

#include "app/bars_view.h"
#include "app/text.h"
#include "app/tokens.h"

#include <CLI/CLI.hpp>
#include <QApplication>
#include <QTimer>
#include <cstdio>

namespace {

struct Arguments {
    std::string project;
    std::vector<std::string> audio;
    std::string shot;
    std::string size = "1280x800";
    std::string select;
    bool lamp = false;
};

// Writes a picture of the window once everything that was asked for is there, and ends.
class Shot : public QObject {
  public:
    Shot(app::MainWindow& window, QString file, QString select)
        : window_(window), file_(std::move(file)), select_(std::move(select)) {
        connect(&timer_, &QTimer::timeout, this, &Shot::look);
        timer_.start(50);
    }

  private:
    void look() {
        app::Session& s = window_.session();
        if (s.task().isRunning() || s.player().pendingRenders() > 0) return;
        if (!select_.isEmpty()) {
            for (const app::ClipId id : project::allClips(s.now())) {
                const auto source = project::sourceOf(s.now(), project::clipOf(s.now(), id)->source);
                if (app::qt(source->name).startsWith(select_)) {
                    s.select({id});
                    break;
                }
            }
            select_.clear();
            return; // once more round, so that it is painted
        }
        timer_.stop();
        const bool ok = window_.grab().save(file_, "PNG");
        std::fprintf(stderr, ok ? "%s written\n" : "%s could not be written\n", qPrintable(file_));
        QCoreApplication::exit(ok ? 0 : 1);
    }

    app::MainWindow& window_;
    QString file_;
    QString select_;
    QTimer timer_;
};

} // namespace

int main(int argc, char** argv) {
    Arguments arguments;
    CLI::App parser("Patient Metre: loops, samples and stems, in time.");
    parser.name("patient-metre");
    parser.add_option("project", arguments.project, "A project folder, or the project.json in it");
    parser.add_option("--import", arguments.audio, "Audio files to bring in");
    parser.add_option("--shot", arguments.shot, "Write a PNG of the window and end");
    parser.add_option("--size", arguments.size, "Size of the window")->type_name("WxH")->capture_default_str();
    parser.add_option("--select", arguments.select, "Select the first clip whose source's name begins so");
    parser.add_flag("--lamp", arguments.lamp, "Dark: by lamplight");
    try {
        parser.parse(argc, argv);
    } catch (const CLI::ParseError& e) {
        return parser.exit(e) == 0 ? 0 : 2;
    }

    QApplication application(argc, argv);
    QApplication::setApplicationName("patient-metre");
    QApplication::setApplicationVersion(PM_VERSION);
    QApplication::setApplicationDisplayName("Patient Metre");
    QApplication::setStyle("Fusion");
    app::loadFonts();
    app::setTheme(arguments.lamp ? app::Theme::Lamp : app::Theme::Paper);

    app::MainWindow window(play::openOutput(project::Project{}.rate));
    const auto cross = arguments.size.find('x');
    if (cross != std::string::npos)
        window.resize(std::max(640, std::atoi(arguments.size.c_str())),
                      std::max(400, std::atoi(arguments.size.c_str() + cross + 1)));
    window.show();
    if (!arguments.project.empty()) window.session().open(arguments.project);
    if (!arguments.audio.empty()) {
        std::vector<std::filesystem::path> files(arguments.audio.begin(), arguments.audio.end());
        const auto bringIn = [&window, files] { window.session().importFiles(files, {}, app::Beats(0)); };
        if (arguments.project.empty())
            bringIn();
        else
            QObject::connect(&window.session(), &app::Session::opened, &window, bringIn,
                             Qt::ConnectionType(Qt::QueuedConnection | Qt::SingleShotConnection));
    }
    std::unique_ptr<Shot> shot;
    if (!arguments.shot.empty())
        shot = std::make_unique<Shot>(window, app::qt(arguments.shot), app::qt(arguments.select));
    return QApplication::exec();
}
