// The main window: menu bar, head strip, shelf, page, bench, status line.
#pragma once

#include "app/help/help_page.h"
#include "app/session/session.h"
#include "app/window/commands.h"

#include <QMainWindow>

class QComboBox;
class QLabel;
class QSplitter;
class QStackedWidget;
class QTabBar;

namespace app {

class BarsView;
class Bench;
class HeadStrip;
class ImportReport;
class MessageBar;
class Shelf;
class SourcesPage;
class StrainPage;
class StatusLine;

class MainWindow : public QMainWindow {
    Q_OBJECT
  public:
    explicit MainWindow(play::OpenedOutput output);
    ~MainWindow() override;

    Session& session() { return session_; }
    BarsView& bars() { return *bars_; }
    // Every key, as the help lists them.
    std::vector<HelpPage::Key> allKeys() const;
    // Where it stood and how it was divided the last time.
    void restoreWindow();
    // Selects the first clip whose source's name begins so, as soon as there is one.
    void selectOnceThere(const QString& prefix);

  protected:
    void closeEvent(QCloseEvent*) override;
    void dragEnterEvent(QDragEnterEvent*) override;
    void dropEvent(QDropEvent*) override;

  private:
    // The table of commands, menu by menu (command_table.cpp).
    std::vector<Command> commandTable();
    void fileCommands(CommandList& list);
    void editCommands(CommandList& list);
    void sourceCommands(CommandList& list);
    void clipCommands(CommandList& list);
    void clipTimeCommands(CommandList& list);
    void trackCommands(CommandList& list);
    void pinCommands(CommandList& list); // these two in command_table_pins.cpp
    void leadCommands(CommandList& list);
    void tempoCommands(CommandList& list);
    void proofCommands(CommandList& list); // command_table_proof.cpp
    void playCommands(CommandList& list);
    void viewCommands(CommandList& list);
    void loopSelection();
    // Asks for a number, or for a line of text; what is typed is handed on.
    void askNumber(const QString& title, const QString& what, double value, double low, double high, int decimals,
                   const std::function<void(double)>& take);
    void askText(const QString& title, const QString& what, const QString& initial,
                 std::function<void(const QString&)> take);
    void arrange(const QString& name, base::Result<project::Arranged> arranged);
    void
    onTrack(const QString& what,
            const std::function<base::Result<project::Project>(const project::Project&, const project::Track&)>&);
    void selectWhere(const std::function<bool(const project::LaidClip&)>& wanted);
    project::SourcePtr selectedSource() const;
    std::optional<ClipId> clipOfSelection() const;
    void straighten(project::Straightness::To to, double percent);
    void lead(project::Lead::Every every);
    void offerLeaders(const QPoint& at);
    std::optional<ClipId> ledBy_; // whose leading the open menu is about; else the selection's
    void takeTime();
    void goToWorst();
    void goToNextOff();
    void rememberWindow();
    void rememberRecent();
    void offerRecent();
    void showPreferences();
    void askMissing();
    void askMap();
    void offerMenu(Offer place, const QPoint& at);
    void refreshActions();
    void refreshTitle();

    void askImport();
    void askOpen();
    void saveThen(std::function<void()> afterwards);
    void askSaveAs(std::function<void()> afterwards);
    void whenSafe(const QString& what, std::function<void()> done);
    void showHelp(HelpPage::Part part);
    void showAbout();
    void offerRecovery(const std::filesystem::path& file, const QString& of);

    Session session_;
    HeadStrip* head_;
    MessageBar* message_;
    ImportReport* report_;
    Shelf* shelf_;
    BarsView* bars_;
    Bench* bench_;
    StatusLine* status_;
    QSplitter* sides_;
    QSplitter* levels_;
    QTabBar* tabs_;
    QStackedWidget* pages_;
    SourcesPage* sources_;
    StrainPage* strain_;
    HelpPage* help_ = nullptr; // while it is open
    QLabel* snapLabel_;
    QComboBox* snap_;
    QComboBox* newSources_;
    Commands* commands_ = nullptr;
    QString toSelect_;
    bool mayClose_ = false;
};

} // namespace app
