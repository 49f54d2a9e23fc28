#include "app/window/main_window.h"

#include "app/bars/bars_view.h"
#include "app/bars/empty_page.h"
#include "app/bench/bench.h"
#include "app/bench/rails_view.h"
#include "app/shelf/shelf.h"
#include "app/sources/sources_page.h"
#include "app/strain/strain_page.h"
#include "app/widgets/controls.h"
#include "app/widgets/dropped_files.h"
#include "app/widgets/spoken.h"
#include "app/widgets/text.h"
#include "app/widgets/tokens.h"
#include "app/window/button_keys.h"
#include "app/window/head_strip.h"
#include "app/window/import_report.h"
#include "app/window/message_bar.h"
#include "app/window/preferences_sheet.h"
#include "app/window/status_line.h"
#include "base/utf8.h"

#include <QAbstractItemView>
#include <QApplication>
#include <QCloseEvent>
#include <QComboBox>
#include <QCoreApplication>
#include <QDir>
#include <QLabel>
#include <QMenu>
#include <QMenuBar>
#include <QMimeData>
#include <QSplitter>
#include <QStackedWidget>
#include <QTabBar>
#include <QVBoxLayout>
#include <algorithm>

namespace app {

MainWindow::MainWindow(play::OpenedOutput output) : session_(std::move(output)), dialogs_(session_, *this) {
    setObjectName("mainWindow");
    resize(1280, 800);
    setMinimumSize(1000, 640);
    setAcceptDrops(true);
    speakCanvases();
    qApp->installEventFilter(new ButtonKeys(this));

    buildRooms();
    head_ = new HeadStrip(session_, centre_);
    message_ = new MessageBar(centre_);
    report_ = new ImportReport(session_, centre_);
    shelf_ = new Shelf(session_, sides_);
    bars_ = new BarsView(session_, pages_);
    bench_ = new Bench(session_, levels_);
    status_ = new StatusLine(session_, centre_);
    buildPage();
    buildCentre();

    reach_ = std::make_unique<Reach>(Reach{session_, *bars_, *bench_, *shelf_, dialogs_, *this, {}});
    commands_ = new Commands(allCommands(), *reach_);
    commands_->fill(*menuBar());
    connectPlaces();
    connectMenus();
    connectSession();
    showHint({});
    if (!session_.device().told().isEmpty()) session_.say(session_.device().told());
    refreshActions();
    session_.files().lookForRecovery();
    bars_->setFocus();
}

MainWindow::~MainWindow() {
    hide(); // while what its parts work with is still there: they are told
}

// What holds the places of the window. They are made within it: whatever moves into another widget is styled anew,
// with all that it holds.
void MainWindow::buildRooms() {
    centre_ = new QWidget(this);
    sides_ = new QSplitter(Qt::Horizontal, centre_);
    levels_ = new QSplitter(Qt::Vertical, sides_);
    pageRoom_ = new QWidget(levels_);
    pages_ = new QStackedWidget(pageRoom_);
}

void MainWindow::buildPage() {
    auto* layout = new QVBoxLayout(pageRoom_);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    sources_ = new SourcesPage(session_, pages_);
    strain_ = new StrainPage(session_, pages_);
    pages_->addWidget(bars_);
    pages_->addWidget(sources_);
    pages_->addWidget(strain_);
    layout->addLayout(buildPageHead());
    layout->addWidget(pages_, 1);
}

// The tabs of the pages, and beside them what new sources do and what is snapped to.
QLayout* MainWindow::buildPageHead() {
    auto* head = new QHBoxLayout;
    head->setContentsMargins(10, 4, sizes::margin, 4);
    tabs_ = new QTabBar(pageRoom_);
    tabs_->setObjectName("pages");
    tabs_->setAccessibleName(tr("Pages"));
    tabs_->setDrawBase(false);
    tabs_->setExpanding(false);
    tabs_->addTab(tr("Bars"));
    tabs_->addTab(tr("Sources"));
    tabs_->addTab(tr("Strain"));
    snap_ = new QComboBox(pageRoom_);
    snap_->setObjectName("snap");
    snap_->setAccessibleName(tr("Snap"));
    for (const auto& [text, snap] :
         {std::pair(tr("bar"), metre::Snap::Bar), std::pair(tr("beat"), metre::Snap::Beat),
          std::pair(tr("½ beat"), metre::Snap::HalfBeat), std::pair(tr("¼ beat"), metre::Snap::QuarterBeat),
          std::pair(tr("off"), metre::Snap::Off)})
        snap_->addItem(text, static_cast<int>(snap));
    newSources_ = new QComboBox(pageRoom_);
    newSources_->setObjectName("newSources");
    newSources_->setAccessibleName(tr("New sources"));
    newSources_->setToolTip(tr("What imported files do: follow the project's time, stay as recorded, or lead"));
    for (const auto& [text, way] : newSourceWays())
        newSources_->addItem(text, way);
    snapLabel_ = label(tr("Snap"), pageRoom_);
    head->addWidget(tabs_);
    head->addStretch(1);
    head->setSpacing(8);
    head->addWidget(snapLabel_);
    head->addWidget(snap_);
    head->addSpacing(6);
    head->addWidget(label(tr("New sources"), pageRoom_));
    head->addWidget(newSources_);
    return head;
}

void MainWindow::buildCentre() {
    sides_->addWidget(shelf_);
    levels_->addWidget(pageRoom_);
    levels_->addWidget(bench_);
    levels_->setStretchFactor(0, 1);
    levels_->setHandleWidth(1);
    levels_->setSizes({406, 266});
    levels_->setCollapsible(0, false);
    levels_->setCollapsible(1, false);
    bench_->setSplitter(levels_);
    sides_->addWidget(levels_);
    sides_->setStretchFactor(1, 1);
    sides_->setHandleWidth(1);
    sides_->setSizes({258, 1022});

    auto* all = new QVBoxLayout(centre_);
    all->setContentsMargins(0, 0, 0, 0);
    all->setSpacing(0);
    all->addWidget(head_);
    all->addWidget(message_);
    all->addWidget(report_);
    all->addWidget(sides_, 1);
    all->addWidget(status_);
    setCentralWidget(centre_);
}

void MainWindow::connectPlaces() {
    connect(tabs_, &QTabBar::currentChanged, this, [this](int page) {
        turnPage(page);
        snapLabel_->setVisible(page == 0);
        snap_->setVisible(page == 0);
    });
    connect(snap_, &QComboBox::activated, this, [this](int index) {
        session_.document().setSnap(static_cast<metre::Snap>(snap_->itemData(index).toInt()));
    });
    connect(newSources_, &QComboBox::activated, this, [this](int index) {
        Preferences p = session_.preferences();
        setPreference(p, "sources/new", newSources_->itemData(index));
        session_.prefer(p);
    });
    const auto showWay = [this] {
        newSources_->setCurrentIndex(newSources_->findData(preferenceOf(session_.preferences(), "sources/new")));
    };
    connect(&session_, &Session::preferred, this, showWay);
    showWay();
    connect(shelf_, &Shelf::placeAsked, this, [this](qint64 source) {
        session_.importing().placeAgain(SourceId{source}, session_.transport().snapped());
    });
    connect(shelf_, &Shelf::importAsked, this, [this](const std::vector<std::filesystem::path>& files) {
        session_.importing().bringIn(files, {}, session_.transport().snapped());
    });
    connect(report_, &ImportReport::sourcesAsked, this, [this] { showPage(Page::Sources); });
    connect(bars_, &BarsView::hinted, this, &MainWindow::showHint);
    connect(strain_, &StrainPage::hinted, this, &MainWindow::showHint);
    connect(&bench_->rails(), &RailsView::hinted, this, &MainWindow::showHint);
    connect(bars_, &BarsView::pickedChanged, this, &MainWindow::refreshActions);
    connect(&bench_->rails(), &RailsView::pickedChanged, this, &MainWindow::refreshActions);
    connect(&bench_->rails(), &RailsView::lineChanged, bars_, [this](bool own) { bars_->setLineStrong(!own); });
    connect(&bars_->emptyPage(), &EmptyPage::importAsked, this, [this] { commands_->action("import")->trigger(); });
    connect(&bars_->emptyPage(), &EmptyPage::folderAsked, this,
            [this] { commands_->action("addFolder")->trigger(); });
    connect(&bars_->emptyPage(), &EmptyPage::demoAsked, this,
            [this] { session_.files().open(demoFolder(), Files::As::Copy); });
    connect(&bars_->emptyPage(), &EmptyPage::recentAsked, this,
            [this](const QString& folder) { session_.files().open(pathKept(folder)); });
    connect(&session_, &Session::preferred, this, &MainWindow::refreshBeginning);
    refreshBeginning();
    connect(bars_, &BarsView::benchAsked, this, [this] { bench_->setFolded(false); });
    connect(head_, &HeadStrip::worstAsked, this, [this] { commands_->action("toWorst")->trigger(); });
    connect(bench_, &Bench::takeTimeAsked, this, [this] { commands_->action("takeTime")->trigger(); });
}

void MainWindow::connectMenus() {
    connect(bars_, &BarsView::menuAsked, this, &MainWindow::offerMenu);
    connect(bench_, &Bench::railMenuAsked, this, [this](const QPoint& at) { offerMenu(OnRail, at); });
    connect(bench_, &Bench::straightenAsked, this, [this](const QPoint& at) { offerMenu(OnStraighten, at); });
    connect(bench_, &Bench::leadAsked, this, [this](const QPoint& at) { offerMenu(OnLead, at); });
    connect(head_, &HeadStrip::leadersAsked, this, &MainWindow::offerLeaders);
    // A row of sources, on the shelf or on the page, is selected first.
    for (const char* name : {"shelfList", "sourcesTable"}) {
        auto* view = findChild<QAbstractItemView*>(name);
        view->setContextMenuPolicy(Qt::CustomContextMenu);
        connect(view, &QWidget::customContextMenuRequested, this, [this, view](const QPoint& at) {
            const QModelIndex row = view->indexAt(at);
            if (!row.isValid()) return;
            view->setFocus();
            if (!view->selectionModel()->isSelected(row)) view->setCurrentIndex(row);
            offerMenu(OnSource, view->viewport()->mapToGlobal(at));
        });
    }
}

void MainWindow::connectSession() {
    connect(&session_, &Session::told, message_, &MessageBar::show);
    connect(&session_.importing(), &Importing::broughtIn, this, [this](const BroughtIn& brought) {
        message_->giveWay();
        report_->show(brought);
    });
    connect(&session_.device(), &Device::lost, this, [this](const QString& sentence) {
        message_->offer(sentence, true, tr("Reconnect the device"), [this] { session_.device().take(); });
    });
    connect(&session_, &Session::changed, this, &MainWindow::refreshActions);
    connect(&session_, &Session::selectionChanged, this, &MainWindow::refreshActions);
    connect(&session_, &Session::opened, this, &MainWindow::refreshActions);
    connect(&session_.files(), &Files::recoverable, this, &MainWindow::offerRecovery);
}

void MainWindow::showHint(const QString& hint) {
    status_->setHint(hint.isEmpty() ? tr("Drop audio on the bars · Space plays · double click a figure to type it")
                                    : hint);
}

// The demo project beside the program, or where it is installed; empty where there is none.
std::filesystem::path MainWindow::demoFolder() {
    QDir above(QCoreApplication::applicationDirPath());
    constexpr int farthest = 5;
    for (int up = 0; up < farthest; ++up) {
        for (const char* at : {"demo/canal_journey", "share/patient-metre/demo/canal_journey"})
            if (above.exists(QString::fromLatin1(at) + "/project.json")) return pathOf(above.filePath(at));
        if (!above.cdUp()) break;
    }
    return {};
}

// What an empty page offers.
void MainWindow::refreshBeginning() {
    std::vector<std::filesystem::path> recent;
    for (const QString& name : session_.preferences().recent)
        recent.push_back(pathKept(name));
    bars_->emptyPage().setRecent(recent);
    bars_->emptyPage().setHasDemo(!demoFolder().empty());
}

// Each page remembers whether the Bench is folded.
void MainWindow::turnPage(int page) {
    const auto pages = static_cast<int>(benchFolded_.size());
    if (page_ < pages) benchFolded_[static_cast<std::size_t>(page_)] = bench_->isFolded();
    page_ = page;
    pages_->setCurrentIndex(page);
    if (page < pages) bench_->setFolded(benchFolded_[static_cast<std::size_t>(page)]);
}

void MainWindow::showPage(Page page) {
    tabs_->setCurrentIndex(static_cast<int>(page));
}

void MainWindow::typeTempo() {
    head_->typeTempo();
}

void MainWindow::tapTempo() {
    head_->tap();
}

void MainWindow::repaintAll() {
    for (QWidget* w : findChildren<QWidget*>())
        w->update();
}

// As it was left the last time, where that still fits a screen.
void MainWindow::restoreWindow() {
    const Preferences& p = session_.preferences();
    if (!p.window.isEmpty()) restoreGeometry(p.window);
    if (!p.sides.isEmpty()) sides_->restoreState(p.sides);
    if (!p.levels.isEmpty()) levels_->restoreState(p.levels);
}

// Within the screen that it is on, with its frame.
void MainWindow::fitScreen() {
    const QRect room = screen()->availableGeometry();
    const QRect frame = frameGeometry();
    if (room.contains(frame)) return;
    const QSize border = frame.size() - size();
    resize(size().boundedTo(room.size() - border));
    const QRect now(frame.topLeft(), size() + border);
    move(std::clamp(now.left(), room.left(), std::max(room.left(), room.right() + 1 - now.width())),
         std::clamp(now.top(), room.top(), std::max(room.top(), room.bottom() + 1 - now.height())));
}

void MainWindow::rememberWindow() {
    Preferences p = session_.preferences();
    p.window = saveGeometry();
    p.sides = sides_->saveState();
    p.levels = levels_->saveState();
    session_.prefer(p);
}

bool MainWindow::can(Needs needs) {
    switch (needs) {
    case Needs::Clips:
        return !session_.selection().clips.empty();
    case Needs::OneClip:
        return session_.selection().clips.size() == 1;
    case Needs::Track:
        return bars_->track().has_value();
    case Needs::Pick:
        return bars_->picked().what != LanePick::What::Nothing;
    case Needs::Pins:
        return !bench_->rails().picked().empty();
    case Needs::Source:
        return session_.selection().source.has_value();
    case Needs::Sources:
        return session_.selection().source.has_value() || !session_.selection().clips.empty();
    case Needs::Set: {
        const auto id = session_.selection().source;
        const project::SourcePtr s = id ? project::sourceOf(session_.now(), *id) : nullptr;
        return s && s->set;
    }
    case Needs::Undo:
        return session_.document().history().canUndo();
    case Needs::Redo:
        return session_.document().history().canRedo();
    case Needs::Nothing:
        break;
    }
    return true;
}

void MainWindow::refreshActions() {
    const project::History& h = session_.document().history();
    commands_->refresh([this](Needs needs) { return can(needs); }, qt(h.undoName()), qt(h.redoName()));
    const int snap = snap_->findData(static_cast<int>(session_.now().view.snap));
    if (snap != snap_->currentIndex()) snap_->setCurrentIndex(snap);
    refreshTitle();
}

void MainWindow::offerMenu(Offer place, const QPoint& at) {
    QMenu menu(this);
    menu.setObjectName("pointerMenu");
    refreshActions(); // what is on may have changed without the document
    commands_->fill(menu, place);
    menu.exec(at);
}

// Whatever can lead, by name, and what can be done with what leads.
void MainWindow::offerLeaders(const QPoint& at) {
    QMenu menu(this);
    menu.setObjectName("leadMenu");
    const auto& lead = session_.now().lead;
    QAction* own = menu.addAction(tr("Project"));
    own->setCheckable(true);
    own->setChecked(!lead);
    connect(own, &QAction::triggered, this, [this] { session_.tempoTaking().letGo(); });
    struct Leader {
        QString name;
        SourceId source;
        ClipId clip;
    };
    std::vector<Leader> leaders;
    for (const project::LaidClip& c : session_.laid()->clips()) {
        if (!c.source || !c.source->beats) continue;
        const bool known = std::any_of(leaders.begin(), leaders.end(),
                                       [&](const Leader& l) { return l.source == c.clip->source; });
        if (!known) leaders.push_back({qt(c.name()), c.clip->source, c.id()});
    }
    std::sort(leaders.begin(), leaders.end(),
              [](const Leader& a, const Leader& b) { return QString::localeAwareCompare(a.name, b.name) < 0; });
    constexpr std::size_t mostLeaders = 40;
    if (leaders.size() > mostLeaders) leaders.resize(mostLeaders);
    for (const Leader& leader : leaders) {
        QAction* action = menu.addAction(leader.name);
        action->setCheckable(true);
        action->setChecked(lead && lead->source == leader.source);
        connect(action, &QAction::triggered, this,
                [this, clip = leader.clip] { session_.tempoTaking().leadAsItIsPlayed(clip); });
    }
    QMenu* others = menu.addMenu(tr("Other programs"));
    for (const char* name : {"ledByProject", "ledByJack", "ledByJackGiven", "ledByMidi", "midiTempo"})
        others->addAction(commands_->action(name));
    reach_->ledBy = lead ? std::optional(lead->clip) : std::nullopt;
    refreshActions();
    if (lead) {
        menu.addSeparator();
        commands_->fill(menu, OnLead);
    }
    menu.exec(at);
    reach_->ledBy.reset();
}

void MainWindow::selectOnceThere(const QString& prefix) {
    toSelect_ = prefix;
    const auto look = [this] {
        if (toSelect_.isEmpty()) return;
        for (const project::LaidClip& clip : session_.laid()->clips()) {
            if (!clip.source || !qt(clip.source->name).startsWith(toSelect_)) continue;
            toSelect_.clear();
            session_.document().select({clip.id()});
            return;
        }
    };
    connect(&session_, &Session::changed, this, look, Qt::QueuedConnection);
    look();
}

void MainWindow::refreshTitle() {
    const auto& folder = session_.document().folder();
    const QString name = folder.empty() ? tr("Untitled") : qt(base::shownName(folder));
    setWindowTitle(QStringLiteral("%1[*] – Patient Metre").arg(name));
    setWindowModified(session_.document().isUnsaved());
}

void MainWindow::closeEvent(QCloseEvent* event) {
    if (mayClose_ || !session_.document().isUnsaved()) {
        rememberWindow();
        event->accept();
        return;
    }
    event->ignore();
    dialogs_.whenSafe(tr("Quitting"), [this] {
        mayClose_ = true;
        close();
    });
}

void MainWindow::showPreferences() {
    auto* sheet = findChild<PreferencesSheet*>();
    if (sheet == nullptr) sheet = new PreferencesSheet(session_, this);
    sheet->setAttribute(Qt::WA_DeleteOnClose);
    sheet->show();
    sheet->raise();
}

std::vector<HelpPage::Key> MainWindow::allKeys() const {
    std::vector<HelpPage::Key> all;
    for (const Commands::Keyed& key : commands_->keys())
        all.push_back({key.menu, key.key, key.does});
    const auto byHand = handKeys();
    all.insert(all.end(), byHand.begin(), byHand.end());
    return all;
}

// A page beside the others while it is open.
void MainWindow::showHelp(HelpPage::Part part) {
    if (help_ == nullptr) {
        help_ = new HelpPage(allKeys(), pages_);
        pages_->addWidget(help_);
        tabs_->addTab(tr("Help"));
        connect(help_, &HelpPage::closed, this, [this] {
            tabs_->setCurrentIndex(0);
            tabs_->removeTab(tabs_->count() - 1);
            pages_->removeWidget(help_);
            help_->deleteLater();
            help_ = nullptr;
            bars_->setFocus();
        });
    }
    tabs_->setCurrentIndex(tabs_->count() - 1);
    help_->show(part);
}

void MainWindow::showAbout() {
    message_->show(tr("Patient Metre %1").arg(PM_VERSION),
                   {tr("Brings loops, samples and stems to one tempo and one grid, and keeps their pitch."),
                    tr("Free software under the GNU General Public License, version 3 or later."),
                    tr("Fonts: Inter and Metre Figures (from Vollkorn), under the SIL Open Font License.")},
                   false);
}

void MainWindow::offerRecovery(const std::filesystem::path& file, const QString& of) {
    message_->offer(
        tr("Patient Metre ended unexpectedly while working on %1.").arg(of), false, tr("Recover it"),
        [this, file] { dialogs_.whenSafe(tr("Recovering"), [this, file] { session_.files().recover(file); }); });
}

void MainWindow::dragEnterEvent(QDragEnterEvent* event) {
    if (event->mimeData()->hasUrls()) event->acceptProposedAction();
}

void MainWindow::dropEvent(QDropEvent* event) {
    // Anywhere but on the bars, files come in as from the menu: at the play position.
    session_.importing().bringIn(filesIn(*event->mimeData()), {}, session_.transport().snapped());
    event->acceptProposedAction();
}

} // namespace app
