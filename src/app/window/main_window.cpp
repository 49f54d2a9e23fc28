#include "app/window/main_window.h"

#include "app/bars/bars_view.h"
#include "app/bench/bench.h"
#include "app/bench/rails_view.h"
#include "app/session/preference_words.h"
#include "app/shelf/shelf.h"
#include "app/sources/sources_page.h"
#include "app/strain/strain_page.h"
#include "app/widgets/controls.h"
#include "app/widgets/dropped_files.h"
#include "app/widgets/text.h"
#include "app/widgets/tokens.h"
#include "app/window/head_strip.h"
#include "app/window/import_report.h"
#include "app/window/message_bar.h"
#include "app/window/preferences_sheet.h"
#include "app/window/status_line.h"
#include "base/user_folders.h"
#include "base/utf8.h"
#include "project/recovery.h"

#include <QAbstractItemView>
#include <QCloseEvent>
#include <QComboBox>
#include <QFileDialog>
#include <QLabel>
#include <QMenu>
#include <QMenuBar>
#include <QMessageBox>
#include <QMimeData>
#include <QPushButton>
#include <QSplitter>
#include <QStackedWidget>
#include <QTabBar>
#include <QVBoxLayout>

namespace app {

MainWindow::MainWindow(play::OpenedOutput output) : session_(std::move(output)) {
    setObjectName("mainWindow");
    resize(1280, 800);
    setMinimumSize(1000, 640);
    setAcceptDrops(true);

    head_ = new HeadStrip(session_, this);
    message_ = new MessageBar(this);
    report_ = new ImportReport(session_, this);
    shelf_ = new Shelf(session_, this);
    bars_ = new BarsView(session_, this);
    bench_ = new Bench(session_, this);
    status_ = new StatusLine(session_, this);

    auto* page = new QWidget(this);
    auto* pageLayout = new QVBoxLayout(page);
    pageLayout->setContentsMargins(0, 0, 0, 0);
    pageLayout->setSpacing(0);
    auto* pageHead = new QHBoxLayout;
    pageHead->setContentsMargins(10, 4, sizes::margin, 4);
    sources_ = new SourcesPage(session_, page);
    pages_ = new QStackedWidget(page);
    pages_->addWidget(bars_);
    pages_->addWidget(sources_);
    strain_ = new StrainPage(session_, page);
    pages_->addWidget(strain_);
    tabs_ = new QTabBar(page);
    tabs_->setObjectName("pages");
    tabs_->setAccessibleName(tr("Pages"));
    tabs_->setDrawBase(false);
    tabs_->setExpanding(false);
    tabs_->addTab(tr("Bars"));
    tabs_->addTab(tr("Sources"));
    tabs_->addTab(tr("Strain"));
    connect(tabs_, &QTabBar::currentChanged, this, [this](int page_) {
        pages_->setCurrentIndex(page_);
        snapLabel_->setVisible(page_ == 0);
        snap_->setVisible(page_ == 0);
    });
    snap_ = new QComboBox(page);
    snap_->setObjectName("snap");
    snap_->setAccessibleName(tr("Snap"));
    for (const auto& [text, snap] :
         {std::pair(tr("bar"), metre::Snap::Bar), std::pair(tr("beat"), metre::Snap::Beat),
          std::pair(tr("½ beat"), metre::Snap::HalfBeat), std::pair(tr("¼ beat"), metre::Snap::QuarterBeat),
          std::pair(tr("off"), metre::Snap::Off)})
        snap_->addItem(text, static_cast<int>(snap));
    pageHead->addWidget(tabs_);
    pageHead->addStretch(1);
    pageHead->setSpacing(8);
    newSources_ = new QComboBox(page);
    newSources_->setObjectName("newSources");
    newSources_->setAccessibleName(tr("New sources"));
    newSources_->setToolTip(tr("What a file that comes in does"));
    for (const auto& [text, way] : newSourceWays())
        newSources_->addItem(text, static_cast<int>(way));
    snapLabel_ = label(tr("Snap"), page);
    pageHead->addWidget(snapLabel_);
    pageHead->addWidget(snap_);
    pageHead->addSpacing(6);
    pageHead->addWidget(label(tr("New sources"), page));
    pageHead->addWidget(newSources_);
    pageLayout->addLayout(pageHead);
    pageLayout->addWidget(pages_, 1);

    sides_ = new QSplitter(Qt::Horizontal, this);
    sides_->addWidget(shelf_);
    levels_ = new QSplitter(Qt::Vertical, this);
    levels_->addWidget(page);
    levels_->addWidget(bench_);
    levels_->setStretchFactor(0, 1);
    levels_->setHandleWidth(1);
    levels_->setSizes({336, 336});
    levels_->setCollapsible(0, false);
    levels_->setCollapsible(1, false);
    bench_->setSplitter(levels_);
    sides_->addWidget(levels_);
    sides_->setStretchFactor(1, 1);
    sides_->setHandleWidth(1);
    sides_->setSizes({258, 1022});

    auto* centre = new QWidget(this);
    auto* all = new QVBoxLayout(centre);
    all->setContentsMargins(0, 0, 0, 0);
    all->setSpacing(0);
    all->addWidget(head_);
    all->addWidget(message_);
    all->addWidget(report_);
    all->addWidget(sides_, 1);
    all->addWidget(status_);
    setCentralWidget(centre);

    commands_ = new Commands(commandTable(), this);
    commands_->fill(*menuBar());
    connect(snap_, &QComboBox::activated, this, [this](int index) {
        const auto snap = static_cast<metre::Snap>(snap_->itemData(index).toInt());
        session_.document().setSnap(snap);
    });
    connect(newSources_, &QComboBox::activated, this, [this](int index) {
        Preferences p = session_.preferences();
        p.newSources = static_cast<NewSources>(newSources_->itemData(index).toInt());
        session_.prefer(p);
    });
    connect(&session_, &Session::preferred, this, [this] {
        newSources_->setCurrentIndex(newSources_->findData(static_cast<int>(session_.preferences().newSources)));
    });
    newSources_->setCurrentIndex(newSources_->findData(static_cast<int>(session_.preferences().newSources)));
    connect(shelf_, &Shelf::placeAsked, this, [this](qint64 source) {
        const Beats at =
            metre::snapped(session_.player().position(), session_.now().view.snap, session_.now().metre);
        auto placed = project::place(session_.now(), SourceId{source}, {}, at);
        if (!placed)
            session_.say(qt(placed.error().text));
        else if (session_.edit(tr("Place"), std::move(placed->project)))
            session_.document().select({placed->id});
    });
    connect(shelf_, &Shelf::importAsked, this, [this](const std::vector<std::filesystem::path>& files) {
        const Beats at =
            metre::snapped(session_.player().position(), session_.now().view.snap, session_.now().metre);
        session_.importFiles(files, {}, at);
    });
    connect(&session_, &Session::told, message_, &MessageBar::show);
    connect(&session_, &Session::broughtIn, this, [this](const BroughtIn& brought) {
        message_->giveWay();
        report_->show(brought);
    });
    connect(report_, &ImportReport::sourcesAsked, this, [this] { tabs_->setCurrentIndex(1); });
    connect(&session_, &Session::deviceLost, this, [this](const QString& sentence) {
        message_->offer(sentence, true, tr("Take it again"), [this] { session_.takeDevice(); });
    });
    connect(bars_, &BarsView::menuAsked, this, &MainWindow::offerMenu);
    connect(bench_, &Bench::railMenuAsked, this, [this](const QPoint& at) { offerMenu(OnRail, at); });
    connect(bench_, &Bench::straightenAsked, this, [this](const QPoint& at) { offerMenu(OnStraighten, at); });
    connect(bench_, &Bench::leadAsked, this, [this](const QPoint& at) { offerMenu(OnLead, at); });
    connect(bench_, &Bench::takeTimeAsked, this, &MainWindow::takeTime);
    connect(&bench_->rails(), &RailsView::pickedChanged, this, &MainWindow::refreshActions);
    connect(head_, &HeadStrip::leadersAsked, this, &MainWindow::offerLeaders);
    const auto hint = [this](const QString& text) {
        status_->setHint(
            text.isEmpty() ? tr("Drop audio on the bars · Space plays · double click a figure to type it") : text);
    };
    connect(bars_, &BarsView::hinted, this, hint);
    connect(strain_, &StrainPage::hinted, this, hint);
    connect(head_, &HeadStrip::worstAsked, this, &MainWindow::goToWorst);
    connect(&bench_->rails(), &RailsView::hinted, this, hint);
    connect(bars_, &BarsView::pickedChanged, this, &MainWindow::refreshActions);
    connect(bars_, &BarsView::benchAsked, this, [this] { bench_->setFolded(false); });
    connect(&session_, &Session::opened, this, &MainWindow::rememberRecent);
    connect(&session_, &Session::saved, this, &MainWindow::rememberRecent);
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
    session_.askBefore([this](const QString& what, const std::function<void()>& go) { whenSafe(what, go); });
    connect(&session_, &Session::changed, this, &MainWindow::refreshActions);
    connect(&session_, &Session::selectionChanged, this, &MainWindow::refreshActions);
    connect(&session_, &Session::opened, this, &MainWindow::refreshActions);
    hint({});
    if (!session_.outputTold().isEmpty()) session_.say(session_.outputTold());
    refreshActions();
    connect(&session_, &Session::recoverable, this, &MainWindow::offerRecovery);
    session_.lookForRecovery();
    bars_->setFocus();
}

MainWindow::~MainWindow() {
    hide(); // while what its parts work with is still there: they are told
}

// As it was left the last time, where that still fits a screen.
void MainWindow::restoreWindow() {
    const Preferences& p = session_.preferences();
    if (!p.window.isEmpty()) restoreGeometry(p.window);
    if (!p.sides.isEmpty()) sides_->restoreState(p.sides);
    if (!p.levels.isEmpty()) levels_->restoreState(p.levels);
}

void MainWindow::rememberWindow() {
    Preferences p = session_.preferences();
    p.window = saveGeometry();
    p.sides = sides_->saveState();
    p.levels = levels_->saveState();
    session_.prefer(p);
}

void MainWindow::goToWorst() {
    const auto worst = session_.proofs().worst();
    if (!worst) {
        session_.say(tr("No hit was measured yet."));
        return;
    }
    tabs_->setCurrentIndex(0);
    session_.goTo(*worst);
    bars_->showPlace(worst->clip, worst->hit.place);
}

void MainWindow::goToNextOff() {
    const auto next = session_.proofs().nextOff(session_.player().position());
    if (!next) {
        session_.say(tr("No hit is off by more than %1 ms.").arg(session_.proofs().tolerance().value * 1000));
        return;
    }
    tabs_->setCurrentIndex(0);
    session_.goTo(*next);
    bars_->showPlace(next->clip, next->hit.place);
}

void MainWindow::loopSelection() {
    project::LoopRange range{Beats(1e9), Beats(0)};
    for (const ClipId id : session_.document().selectedOrAllClips()) {
        const project::Timing& t = session_.laid()->find(id)->time();
        range.from = std::max(Beats(0), std::min(range.from, t.start));
        range.to = std::max(range.to, t.end);
    }
    session_.edit(tr("Loop range"), project::setLoop(session_.now(), range));
}

void MainWindow::refreshActions() {
    const project::History& h = session_.document().history();
    commands_->refresh(
        [&](Needs needs) {
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
            case Needs::Set: {
                const auto id = session_.selection().source;
                const project::SourcePtr s = id ? project::sourceOf(session_.now(), *id) : nullptr;
                return s && s->set;
            }
            case Needs::Undo:
                return h.canUndo();
            case Needs::Redo:
                return h.canRedo();
            case Needs::Nothing:
                break;
            }
            return true;
        },
        qt(h.undoName()), qt(h.redoName()));
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
    whenSafe(tr("Quitting"), [this] {
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
    message_->offer(tr("Patient Metre ended unexpectedly while working on %1.").arg(of), false, tr("Recover it"),
                    [this, file] { whenSafe(tr("Recovering"), [this, file] { session_.recover(file); }); });
}

void MainWindow::dragEnterEvent(QDragEnterEvent* event) {
    if (event->mimeData()->hasUrls()) event->acceptProposedAction();
}

void MainWindow::dropEvent(QDropEvent* event) {
    // Anywhere but on the bars, files come in as from the menu: at the play position.
    session_.importFiles(
        filesIn(*event->mimeData()), {},
        metre::snapped(session_.player().position(), session_.now().view.snap, session_.now().metre));
    event->acceptProposedAction();
}

} // namespace app
