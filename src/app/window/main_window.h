// The main window: menu bar, head strip, shelf, page, bench, status line.
#pragma once

#include "app/commands/commands.h"
#include "app/commands/project_dialogs.h"

#include <QMainWindow>
#include <array>
#include <memory>

class QComboBox;
class QLayout;
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

class MainWindow : public QMainWindow, private Frame {
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
    void fitScreen(); // once it is shown
    // Selects the first clip whose source's name begins so, as soon as there is one.
    void selectOnceThere(const QString& prefix);

  protected:
    void closeEvent(QCloseEvent*) override;
    void dragEnterEvent(QDragEnterEvent*) override;
    void dropEvent(QDropEvent*) override;

  private:
    QWidget& widget() override { return *this; }
    void showPage(Page page) override;
    void showHelp(HelpPage::Part part) override;
    void showAbout() override;
    void showPreferences() override;
    void typeTempo() override;
    void tapTempo() override;
    void quit() override { close(); }
    void repaintAll() override;

    void buildRooms();
    void buildPage();
    QLayout* buildPageHead();
    void buildCentre();
    void connectPlaces();
    void connectMenus();
    void connectSession();
    void turnPage(int page);
    static std::filesystem::path demoFolder();
    void refreshBeginning();
    void showHint(const QString& hint);
    void offerMenu(Offer place, const QPoint& at);
    void offerLeaders(const QPoint& at);
    void refreshActions();
    void refreshTitle();
    bool can(Needs needs);
    void rememberWindow();
    void offerRecovery(const std::filesystem::path& file, const QString& of);

    Session session_;
    QWidget* centre_;
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
    QWidget* pageRoom_; // of all pages, and their tabs
    QStackedWidget* pages_;
    SourcesPage* sources_;
    StrainPage* strain_;
    HelpPage* help_ = nullptr; // while it is open
    QLabel* snapLabel_;
    QComboBox* snap_;
    QComboBox* newSources_;
    ProjectDialogs dialogs_;
    std::unique_ptr<Reach> reach_;
    Commands* commands_ = nullptr;
    QString toSelect_;
    std::array<bool, 3> benchFolded_{false, true, true}; // by page
    int page_ = 0;
    bool mayClose_ = false;
};

} // namespace app
