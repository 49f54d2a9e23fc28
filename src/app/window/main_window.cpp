#include "app/window/main_window.h"

#include "app/bars/bars_view.h"
#include "app/bench/bench.h"
#include "app/deliver/deliver_dialog.h"
#include "app/shelf/shelf.h"
#include "app/sources/sources_page.h"
#include "app/widgets/controls.h"
#include "app/widgets/text.h"
#include "app/widgets/tokens.h"
#include "app/window/head_strip.h"
#include "app/window/message_bar.h"
#include "app/window/status_line.h"
#include "base/utf8.h"
#include "project/recovery.h"

#include <QCloseEvent>
#include <QComboBox>
#include <QFileDialog>
#include <QInputDialog>
#include <QLabel>
#include <QMenuBar>
#include <QMessageBox>
#include <QMimeData>
#include <QPushButton>
#include <QSplitter>
#include <QStackedWidget>
#include <QTabBar>
#include <QUrl>
#include <QVBoxLayout>

namespace app {

MainWindow::MainWindow(play::OpenedOutput output) : session_(std::move(output)) {
    setObjectName("mainWindow");
    resize(1280, 800);
    setMinimumSize(1000, 640);
    setAcceptDrops(true);

    head_ = new HeadStrip(session_, this);
    message_ = new MessageBar(this);
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
    tabs_ = new QTabBar(page);
    tabs_->setObjectName("pages");
    tabs_->setAccessibleName(tr("Pages"));
    tabs_->setDrawBase(false);
    tabs_->setExpanding(false);
    tabs_->addTab(tr("Bars"));
    tabs_->addTab(tr("Sources"));
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
    snapLabel_ = label(tr("Snap"), page);
    pageHead->addWidget(snapLabel_);
    pageHead->addWidget(snap_);
    pageLayout->addLayout(pageHead);
    pageLayout->addWidget(pages_, 1);

    sides_ = new QSplitter(Qt::Horizontal, this);
    sides_->addWidget(shelf_);
    levels_ = new QSplitter(Qt::Vertical, this);
    levels_->addWidget(page);
    levels_->addWidget(bench_);
    levels_->setStretchFactor(0, 1);
    levels_->setHandleWidth(1);
    levels_->setSizes({324, 338});
    sides_->addWidget(levels_);
    sides_->setStretchFactor(1, 1);
    sides_->setHandleWidth(1);
    sides_->setSizes({240, 1040});

    auto* centre = new QWidget(this);
    auto* all = new QVBoxLayout(centre);
    all->setContentsMargins(0, 0, 0, 0);
    all->setSpacing(0);
    all->addWidget(head_);
    all->addWidget(message_);
    all->addWidget(sides_, 1);
    all->addWidget(status_);
    setCentralWidget(centre);

    buildMenus();
    connect(snap_, &QComboBox::activated, this, [this](int index) {
        const auto snap = static_cast<metre::Snap>(snap_->itemData(index).toInt());
        session_.amend([snap](project::Project& p) { p.snap = snap; });
    });
    connect(shelf_, &Shelf::placeAsked, this, [this](qint64 source) {
        const Beats at = metre::snapped(session_.player().position(), session_.now().snap, session_.now().metre);
        auto placed = project::place(session_.now(), SourceId{source}, {}, at);
        if (!placed)
            session_.say(qt(placed.error().text));
        else if (session_.edit(tr("Place"), std::move(placed->project)))
            session_.select({placed->id});
    });
    connect(&session_, &Session::told, message_, &MessageBar::show);
    connect(&session_, &Session::broughtIn, this,
            [this](const QString& title, const QStringList& lines, bool problem) {
                message_->show(title, lines, problem);
                message_->offer(tr("Change readings"), [this] { tabs_->setCurrentIndex(1); });
            });
    connect(&session_, &Session::changed, this, &MainWindow::refreshActions);
    connect(&session_, &Session::selectionChanged, this, &MainWindow::refreshActions);
    connect(&session_, &Session::opened, this, &MainWindow::refreshActions);
    status_->setHint(tr("Drop audio on the bars · Space plays · double click a figure to type it"));
    if (!session_.outputTold().isEmpty()) session_.say(session_.outputTold());
    refreshActions();
    offerRecovery();
    bars_->setFocus();
}

MainWindow::~MainWindow() = default;

QAction* MainWindow::act(QMenu* menu, const QString& text, const QKeySequence& keys, const char* name,
                         std::function<void()> done) {
    QAction* action = menu->addAction(text, this, std::move(done));
    action->setShortcut(keys);
    action->setObjectName(QString::fromLatin1(name));
    return action;
}

void MainWindow::buildMenus() {
    QMenu* file = menuBar()->addMenu(tr("&File"));
    act(file, tr("&New project"), QKeySequence::New, "new",
        [this] { whenSafe(tr("Starting anew"), [this] { session_.startNew(); }); });
    act(file, tr("&Open…"), QKeySequence::Open, "open",
        [this] { whenSafe(tr("Opening another project"), [this] { askOpen(); }); });
    save_ = act(file, tr("&Save"), QKeySequence::Save, "save", [this] { saveThen({}); });
    act(file, tr("Save &as…"), QKeySequence(Qt::CTRL | Qt::SHIFT | Qt::Key_S), "saveAs", [this] { askSaveAs({}); });
    file->addSeparator();
    act(file, tr("&Deliver loops…"), QKeySequence(Qt::CTRL | Qt::Key_D), "deliver", [this] {
        auto* dialog = new DeliverDialog(session_, this);
        dialog->setAttribute(Qt::WA_DeleteOnClose);
        dialog->show();
    });
    file->addSeparator();
    act(file, tr("&Quit"), QKeySequence::Quit, "quit", [this] { close(); });

    QMenu* edit = menuBar()->addMenu(tr("&Edit"));
    undo_ = act(edit, tr("&Undo"), QKeySequence::Undo, "undo", [this] { session_.undo(); });
    redo_ = act(edit, tr("&Redo"), QKeySequence::Redo, "redo", [this] { session_.redo(); });
    // Desktops differ in which of the two they use; both are free here.
    redo_->setShortcuts({QKeySequence(Qt::CTRL | Qt::SHIFT | Qt::Key_Z), QKeySequence(Qt::CTRL | Qt::Key_Y)});
    edit->addSeparator();
    act(edit, tr("Select &all clips"), QKeySequence::SelectAll, "selectAll",
        [this] { session_.select(project::allClips(session_.now())); });
    needClips_.push_back(act(edit, tr("&Delete"), QKeySequence::Delete, "delete", [this] {
        const auto n = static_cast<int>(session_.selection().clips.size());
        if (session_.edit(n == 1 ? tr("Delete clip") : tr("Delete clips"),
                          project::removeClips(session_.now(), session_.selection().clips)))
            session_.say(n == 1 ? tr("One clip deleted") : tr("%1 clips deleted").arg(n));
    }));

    QMenu* source = menuBar()->addMenu(tr("&Source"));
    act(source, tr("&Import…"), QKeySequence(Qt::CTRL | Qt::Key_I), "import", [this] { askImport(); });
    source->addSeparator();
    needSource_.push_back(act(source, tr("&Half tempo"), QKeySequence(Qt::ALT | Qt::Key_Minus), "half",
                              [this] { bench_->scaleTempo(0.5); }));
    needSource_.push_back(act(source, tr("&Double tempo"), QKeySequence(Qt::ALT | Qt::Key_Plus), "double",
                              [this] { bench_->scaleTempo(2); }));
    needSource_.push_back(act(source, tr("&Round tempo"), QKeySequence(Qt::ALT | Qt::Key_R), "round",
                              [this] { bench_->roundTempo(); }));
    needSource_.push_back(act(source, tr("Ta&p its tempo"), QKeySequence(Qt::SHIFT | Qt::Key_T), "tapSourceKey",
                              [this] { bench_->tap(); }));
    singleKeys_.push_back(needSource_.back());
    needSource_.push_back(act(source, tr("Hear it as &recorded"), QKeySequence(Qt::SHIFT | Qt::Key_Space),
                              "hearRecorded", [this] { bench_->playRaw(!session_.player().isPlayingRaw()); }));
    singleKeys_.push_back(needSource_.back());
    source->addSeparator();
    const auto one = [this] { return std::vector<SourceId>{*session_.selection().source}; };
    needSource_.push_back(act(source, tr("&Write tempo into the file"), {}, "writeTempo",
                              [this, one] { session_.writeIntoFiles(one()); }));
    needSource_.push_back(act(source, tr("F&orget what was settled"), {}, "forgetSettled",
                              [this, one] { session_.forgetSettled(one()); }));

    QMenu* clip = menuBar()->addMenu(tr("&Clip"));
    needClips_.push_back(
        act(clip, tr("&Fit to bars…"), QKeySequence(Qt::Key_F), "fitToBars", [this] { askBars(); }));
    singleKeys_.push_back(needClips_.back());
    clip->addSeparator();
    needClips_.push_back(act(clip, tr("Move &earlier"), QKeySequence(Qt::ALT | Qt::Key_Left), "moveEarlier",
                             [this] { bars_->nudge(-1, 0); }));
    needClips_.push_back(act(clip, tr("Move &later"), QKeySequence(Qt::ALT | Qt::Key_Right), "moveLater",
                             [this] { bars_->nudge(1, 0); }));
    needClips_.push_back(act(clip, tr("Move to the track a&bove"), QKeySequence(Qt::ALT | Qt::Key_Up), "moveUp",
                             [this] { bars_->nudge(0, -1); }));
    needClips_.push_back(act(clip, tr("Move to the track belo&w"), QKeySequence(Qt::ALT | Qt::Key_Down), "moveDown",
                             [this] { bars_->nudge(0, 1); }));
    clip->addSeparator();
    const auto trackOfSelection = [this]() -> std::optional<TrackId> {
        const auto& clips = session_.selection().clips;
        const project::TrackPtr t = clips.empty() ? nullptr : project::trackOfClip(session_.now(), clips.front());
        return t ? std::optional(t->id) : std::nullopt;
    };
    needClips_.push_back(act(clip, tr("&Mute its track"), {}, "mute", [this, trackOfSelection] {
        if (const auto id = trackOfSelection())
            session_.edit(tr("Mute"),
                          project::changeTrack(session_.now(), *id, [](project::Track& t) { t.mute = !t.mute; }));
    }));
    needClips_.push_back(act(clip, tr("S&olo its track"), {}, "solo", [this, trackOfSelection] {
        if (const auto id = trackOfSelection())
            session_.edit(tr("Solo"),
                          project::changeTrack(session_.now(), *id, [](project::Track& t) { t.solo = !t.solo; }));
    }));
    needClips_.push_back(act(clip, tr("&Remove its track"), {}, "removeTrack", [this, trackOfSelection] {
        if (const auto id = trackOfSelection())
            session_.edit(tr("Remove track"), project::removeTrack(session_.now(), *id));
    }));

    QMenu* tempo = menuBar()->addMenu(tr("&Tempo"));
    act(tempo, tr("T&ype the project tempo"), QKeySequence(Qt::CTRL | Qt::Key_T), "typeTempo",
        [this] { head_->typeTempo(); });
    singleKeys_.push_back(
        act(tempo, tr("&Tap the project tempo"), QKeySequence(Qt::Key_T), "tap", [this] { head_->tap(); }));

    QMenu* play = menuBar()->addMenu(tr("&Play"));
    singleKeys_.push_back(
        act(play, tr("&Play or stop"), QKeySequence(Qt::Key_Space), "play", [this] { session_.togglePlay(); }));
    act(play, tr("Back to the &beginning"), QKeySequence(Qt::Key_Home), "toStart",
        [this] { session_.locate(Beats(0)); });
    singleKeys_.push_back(act(play, tr("&Loop the range"), QKeySequence(Qt::Key_L), "loop",
                              [this] { session_.amend([](project::Project& p) { p.loop.on = !p.loop.on; }); }));
    singleKeys_.push_back(act(play, tr("Hear the &other way (A|B)"), QKeySequence(Qt::Key_X), "swapCompared",
                              [this] { bench_->swapCompared(); }));
    act(play, tr("Loop range around the &selection"), QKeySequence(Qt::CTRL | Qt::Key_L), "loopSelection", [this] {
        const project::Project& p = session_.now();
        project::LoopRange range{Beats(1e9), Beats(0), true};
        for (const ClipId id : session_.selectedOrAllClips()) {
            const project::Clip* c = project::clipOf(p, id);
            range.from = std::max(Beats(0), std::min(range.from, project::startOf(p, *c)));
            range.to = std::max(range.to, project::endOf(p, *c));
        }
        session_.edit(tr("Loop range"), project::setLoop(p, range));
    });
    singleKeys_.push_back(act(play, tr("&Click"), QKeySequence(Qt::Key_C), "click",
                              [this] { session_.amend([](project::Project& p) { p.click = !p.click; }); }));

    QMenu* view = menuBar()->addMenu(tr("&View"));
    act(view, tr("Page B&ars"), QKeySequence(Qt::CTRL | Qt::Key_1), "pageBars",
        [this] { tabs_->setCurrentIndex(0); });
    act(view, tr("Page So&urces"), QKeySequence(Qt::CTRL | Qt::Key_2), "pageSources",
        [this] { tabs_->setCurrentIndex(1); });
    view->addSeparator();
    act(view, tr("Zoom &in"), QKeySequence::ZoomIn, "zoomIn",
        [this] { bars_->zoomBy(1.25, bars_->viewport()->width() / 2.0); });
    act(view, tr("Zoom &out"), QKeySequence::ZoomOut, "zoomOut",
        [this] { bars_->zoomBy(0.8, bars_->viewport()->width() / 2.0); });
    act(view, tr("Show &all"), QKeySequence(Qt::CTRL | Qt::Key_0), "zoomAll", [this] { bars_->zoomToAll(); });
    view->addSeparator();
    for (auto [text, name, widget] : {std::tuple(tr("&Shelf"), "showShelf", static_cast<QWidget*>(shelf_)),
                                      std::tuple(tr("&Bench"), "showBench", static_cast<QWidget*>(bench_))}) {
        QAction* a = view->addAction(text);
        a->setObjectName(QString::fromLatin1(name));
        a->setCheckable(true);
        a->setChecked(true);
        connect(a, &QAction::toggled, widget, &QWidget::setVisible);
    }
    QAction* lamp = view->addAction(tr("By &lamplight"));
    lamp->setObjectName("lamp");
    lamp->setCheckable(true);
    lamp->setChecked(theme() == Theme::Lamp);
    connect(lamp, &QAction::toggled, this, [this](bool on) {
        setTheme(on ? Theme::Lamp : Theme::Paper);
        for (QWidget* w : findChildren<QWidget*>())
            w->update();
    });

    QMenu* help = menuBar()->addMenu(tr("&Help"));
    act(help, tr("&Keys"), QKeySequence::HelpContents, "keys", [this] { showShortcuts(); });
    act(help, tr("&About Patient Metre"), {}, "about", [this] { showAbout(); });
}

void MainWindow::refreshActions() {
    const project::History& h = session_.history();
    undo_->setEnabled(h.canUndo());
    undo_->setText(h.canUndo() ? tr("&Undo: %1").arg(qt(h.undoName())) : tr("&Undo"));
    redo_->setEnabled(h.canRedo());
    redo_->setText(h.canRedo() ? tr("&Redo: %1").arg(qt(h.redoName())) : tr("&Redo"));
    for (QAction* a : needClips_)
        a->setEnabled(!session_.selection().clips.empty());
    for (QAction* a : needSource_)
        a->setEnabled(session_.selection().source.has_value());
    const int snap = snap_->findData(static_cast<int>(session_.now().snap));
    if (snap != snap_->currentIndex()) snap_->setCurrentIndex(snap);
    refreshTitle();
}

void MainWindow::refreshTitle() {
    const auto& folder = session_.folder();
    const QString name = folder.empty() ? tr("Untitled") : qt(base::shownName(folder));
    setWindowTitle(QStringLiteral("%1[*] – Patient Metre").arg(name));
    setWindowModified(session_.history().isChanged());
}

void MainWindow::askImport() {
    auto* dialog = new QFileDialog(this, tr("Import audio"));
    dialog->setObjectName("importDialog");
    dialog->setAttribute(Qt::WA_DeleteOnClose);
    dialog->setOption(QFileDialog::DontUseNativeDialog);
    dialog->setFileMode(QFileDialog::ExistingFiles);
    dialog->setNameFilters({tr("Audio (*.wav *.aif *.aiff *.flac *.ogg *.oga *.opus *.mp3)"), tr("All files (*)")});
    connect(dialog, &QFileDialog::filesSelected, this, [this](const QStringList& names) {
        std::vector<std::filesystem::path> files;
        for (const QString& n : names)
            files.push_back(pathOf(n));
        const Beats at = metre::snapped(session_.player().position(), session_.now().snap, session_.now().metre);
        session_.importFiles(std::move(files), {}, at);
    });
    dialog->open();
}

void MainWindow::askOpen() {
    auto* dialog = new QFileDialog(this, tr("Open a project: its folder, or the project.json in it"));
    dialog->setObjectName("openDialog");
    dialog->setAttribute(Qt::WA_DeleteOnClose);
    dialog->setOption(QFileDialog::DontUseNativeDialog);
    dialog->setFileMode(QFileDialog::ExistingFile);
    dialog->setNameFilters({tr("Projects (project.json)"), tr("All files (*)")});
    connect(dialog, &QFileDialog::fileSelected, this, [this](const QString& name) { session_.open(pathOf(name)); });
    dialog->open();
}

void MainWindow::saveThen(std::function<void()> afterwards) {
    if (session_.folder().empty())
        askSaveAs(std::move(afterwards));
    else
        session_.save(session_.folder(), std::move(afterwards));
}

void MainWindow::askSaveAs(std::function<void()> afterwards) {
    auto* dialog = new QFileDialog(this, tr("Save the project as a folder"));
    dialog->setObjectName("saveDialog");
    dialog->setAttribute(Qt::WA_DeleteOnClose);
    dialog->setOption(QFileDialog::DontUseNativeDialog);
    dialog->setAcceptMode(QFileDialog::AcceptSave);
    dialog->setFileMode(QFileDialog::AnyFile);
    dialog->setLabelText(QFileDialog::FileName, tr("Folder:"));
    connect(dialog, &QFileDialog::fileSelected, this,
            [this, afterwards = std::move(afterwards)](const QString& name) {
                const std::filesystem::path folder = pathOf(name);
                std::error_code error;
                const bool foreign = std::filesystem::exists(folder, error) &&
                                     !std::filesystem::is_empty(folder, error) &&
                                     !std::filesystem::exists(folder / "project.json", error);
                if (foreign) {
                    session_.complain(tr("The project was not saved"),
                                      {tr("%1 holds other things already. Choose a new name; the project becomes a "
                                          "folder of that name.")
                                           .arg(name)});
                    return;
                }
                session_.save(folder, afterwards);
            });
    dialog->open();
}

void MainWindow::whenSafe(const QString& what, std::function<void()> done) {
    if (!session_.history().isChanged()) {
        done();
        return;
    }
    auto* box = new QMessageBox(QMessageBox::NoIcon, tr("Not saved yet"),
                                tr("%1 loses what was changed since the last save.").arg(what),
                                QMessageBox::NoButton, this);
    box->setObjectName("unsavedBox");
    box->setAttribute(Qt::WA_DeleteOnClose);
    QPushButton* saveButton = box->addButton(tr("Save first"), QMessageBox::AcceptRole);
    QPushButton* loseButton = box->addButton(tr("Lose changes"), QMessageBox::DestructiveRole);
    QPushButton* stayButton = box->addButton(tr("Stay"), QMessageBox::RejectRole);
    box->setDefaultButton(saveButton);
    box->setEscapeButton(stayButton);
    connect(box, &QMessageBox::buttonClicked, this,
            [this, box, saveButton, loseButton, done = std::move(done)](QAbstractButton* b) {
                box->close();
                if (b == saveButton)
                    saveThen(done);
                else if (b == loseButton)
                    done();
            });
    box->open();
}

void MainWindow::closeEvent(QCloseEvent* event) {
    if (mayClose_ || !session_.history().isChanged()) {
        event->accept();
        return;
    }
    event->ignore();
    whenSafe(tr("Quitting"), [this] {
        mayClose_ = true;
        close();
    });
}

void MainWindow::askBars() {
    bool ok = false;
    const int bars = QInputDialog::getInt(this, tr("Fit to bars"),
                                          tr("How many bars shall the selected clips fill?"), 4, 1, 1024, 1, &ok);
    if (ok &&
        session_.edit(tr("Fit to bars"), project::fitToBars(session_.now(), session_.selection().clips, bars)))
        session_.say(tr("Fitted to %1 bars").arg(bars));
}

void MainWindow::showShortcuts() {
    QStringList lines;
    for (QMenu* menu : menuBar()->findChildren<QMenu*>())
        for (QAction* a : menu->actions())
            if (!a->shortcut().isEmpty())
                lines << QStringLiteral("%1   %2").arg(a->shortcut().toString(QKeySequence::NativeText),
                                                       a->text().remove('&'));
    lines << tr("Left, Right   play position by one grid step")
          << tr("Ctrl+Left, Ctrl+Right   select the clip before or after")
          << tr("Alt while dragging   free of the grid") << tr("Wheel over a figure   turns it; with Shift finer")
          << tr("Ctrl+wheel on the bars   zoom; Shift+wheel   scroll sideways");
    message_->show(tr("Keys"), lines, false);
}

void MainWindow::showAbout() {
    message_->show(tr("Patient Metre %1").arg(PM_VERSION),
                   {tr("Brings loops, samples and stems to one tempo and one grid, and keeps their pitch."),
                    tr("Free software under the GNU General Public License, version 3 or later."),
                    tr("Fonts: Inter and Metre Figures (from Vollkorn), under the SIL Open Font License.")},
                   false);
}

void MainWindow::offerRecovery() {
    const auto found = project::findRecoveries(Session::recoveryFolder());
    if (found.empty()) return;
    const auto& r = found.front();
    const QString name =
        r.projectFolder.empty() ? tr("a project that was never saved") : qt(base::shownName(r.projectFolder));
    message_->show(tr("Patient Metre ended unexpectedly while working on %1.").arg(name), {}, false);
    message_->offer(tr("Recover it"), [this, file = r.file] { session_.recover(file); });
}

void MainWindow::dragEnterEvent(QDragEnterEvent* event) {
    if (event->mimeData()->hasUrls()) event->acceptProposedAction();
}

void MainWindow::dropEvent(QDropEvent* event) {
    // Anywhere but on the bars, files come in as from the menu: at the play position.
    std::vector<std::filesystem::path> files;
    for (const QUrl& url : event->mimeData()->urls())
        if (url.isLocalFile())
            files.emplace_back(
                QByteArray::fromPercentEncoding(url.path(QUrl::FullyEncoded).toLatin1()).toStdString());
    session_.importFiles(std::move(files), {},
                         metre::snapped(session_.player().position(), session_.now().snap, session_.now().metre));
    event->acceptProposedAction();
}

} // namespace app
