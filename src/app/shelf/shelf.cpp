#include "app/shelf/shelf.h"

#include "app/session/session.h"
#include "app/shelf/audition_panel.h"
#include "app/shelf/folders_page.h"
#include "app/shelf/in_project_page.h"
#include "app/shelf/library_page.h"
#include "app/shelf/own_words_editor.h"
#include "app/shelf/shelf_list.h"
#include "app/widgets/dropped_files.h"
#include "app/widgets/tokens.h"

#include <QDragEnterEvent>
#include <QMenu>
#include <QMimeData>
#include <QPainter>
#include <QStackedWidget>
#include <QTabBar>
#include <QVBoxLayout>

namespace app {

namespace fs = std::filesystem;

Shelf::Shelf(Session& session, QWidget* parent) : QWidget(parent), session_(session) {
    setAcceptDrops(true);
    tabs_ = new QTabBar(this);
    tabs_->setObjectName("shelfTabs");
    tabs_->setAccessibleName(tr("Where audio comes from"));
    tabs_->setDrawBase(false);
    tabs_->setExpanding(false);
    tabs_->addTab(tr("Library"));
    tabs_->addTab(tr("Folders"));
    tabs_->addTab(tr("In project"));
    pages_ = new QStackedWidget(this);
    library_ = new LibraryPage(session_, pages_);
    folders_ = new FoldersPage(session_, pages_);
    inProject_ = new InProjectPage(session_, pages_);
    pages_->addWidget(library_);
    pages_->addWidget(folders_);
    pages_->addWidget(inProject_);
    words_ = new OwnWordsEditor(this);
    audition_ = new AuditionPanel(session_, this);
    auto* head = new QHBoxLayout;
    head->setContentsMargins(10, 6, 10, 2);
    head->addWidget(tabs_);
    head->addStretch(1);
    auto* all = new QVBoxLayout(this);
    all->setContentsMargins(0, 0, 1, 0);
    all->setSpacing(0);
    all->addLayout(head);
    all->addWidget(pages_, 1);
    all->addWidget(words_);
    all->addWidget(audition_);
    connect(tabs_, &QTabBar::currentChanged, pages_, &QStackedWidget::setCurrentIndex);
    connect(inProject_, &InProjectPage::placeAsked, this, &Shelf::placeAsked);
    connect(inProject_, &InProjectPage::picked, this, [this](qint64 id) {
        if (const auto source = project::sourceOf(session_.now(), SourceId{id})) session_.audition().pick(source);
    });
    connect(folders_, &FoldersPage::addAsked, this, &Shelf::addFolder);
    connect(words_, &OwnWordsEditor::kept, this, [this](const auto& of) { session_.library().setOwn(of); });
    serve(library_->list(), library_->model());
    serve(folders_->list(), folders_->model());
    // A project that is opened with sources shows them.
    connect(&session_, &Session::opened, this, [this] {
        if (!session_.now().sources.empty() && session_.library().size() == 0) tabs_->setCurrentIndex(2);
    });
}

namespace {
std::vector<fs::path> selectedFiles(const ShelfList& list, const EntryModel& model) {
    std::vector<fs::path> files;
    QModelIndexList rows = list.selectionModel()->selectedIndexes();
    std::sort(rows.begin(), rows.end());
    for (const QModelIndex& index : rows)
        if (const EntryModel::Row* row = model.row(index); row != nullptr && !row->file().empty())
            files.push_back(row->file());
    return files;
}

std::vector<shelf::Entry> selectedEntries(const ShelfList& list, const EntryModel& model) {
    std::vector<shelf::Entry> entries;
    for (const QModelIndex& index : list.selectionModel()->selectedIndexes())
        if (const EntryModel::Row* row = model.row(index); row != nullptr && row->entry && row->entry->isRead())
            entries.push_back(*row->entry);
    return entries;
}
} // namespace

void Shelf::serve(ShelfList* list, EntryModel& model) {
    connect(list, &ShelfList::picked, this, [this, &model](const QModelIndex& index) {
        if (const EntryModel::Row* row = model.row(index); row != nullptr && !row->file().empty())
            session_.audition().pick(row->file(), session_.now().rate);
    });
    // Pressed again, what has fallen silent is heard again.
    connect(list, &ShelfList::clicked, this, [this, &model](const QModelIndex& index) {
        const EntryModel::Row* row = model.row(index);
        Audition& audition = session_.audition();
        if (row != nullptr && row->file() == audition.file() && audition.ways().automatic && !audition.isHeard())
            audition.hear();
    });
    connect(list, &ShelfList::stopAsked, &session_.audition(), &Audition::stop);
    connect(list, &ShelfList::bringInAsked, this, [this, list, &model] { bringIn(selectedFiles(*list, model)); });
    connect(list, &ShelfList::menuAsked, this,
            [this, list, &model](const QPoint& at) { offerMenu(list, model, at); });
}

// What is auditioned is on the page then, and heard there.
void Shelf::bringIn(const std::vector<fs::path>& files) {
    if (files.empty()) return;
    if (session_.audition().isHeard()) session_.audition().stop();
    emit importAsked(files);
}

void Shelf::offerMenu(ShelfList* list, EntryModel& model, const QPoint& at) {
    const std::vector<fs::path> files = selectedFiles(*list, model);
    const std::vector<shelf::Entry> entries = selectedEntries(*list, model);
    if (files.empty()) return;
    QMenu menu(this);
    menu.setObjectName("shelfMenu");
    menu.addAction(session_.audition().isHeard() ? tr("Stop the audition\tA") : tr("Audition\tA"), this,
                   &Shelf::toggleHearing);
    menu.addAction(tr("Import at the play position\tEnter"), this, [this, files] { bringIn(files); });
    menu.addAction(tr("Set the project to this tempo"), this,
                   [this, file = files.front()] { session_.tempoTaking().fromFile(file); });
    QAction* lend = menu.addAction(tr("Lend its feel to the selected clips"), this,
                                   [this, file = files.front()] { session_.listening().lendFeel(file); });
    lend->setEnabled(!session_.selection().clips.empty());
    menu.addSeparator();
    const bool favourite = !entries.empty() && entries.front().own.favourite;
    QAction* mark = menu.addAction(favourite ? tr("No longer a favourite") : tr("A favourite"), this,
                                   [this, entries, favourite] {
                                       std::map<std::string, shelf::OwnWords> of;
                                       for (const shelf::Entry& e : entries) {
                                           of[e.content] = e.own;
                                           of[e.content].favourite = !favourite;
                                       }
                                       session_.library().setOwn(of);
                                   });
    QAction* words = menu.addAction(tr("Tags and notes…"), this, [this, entries] { words_->ask(entries); });
    mark->setEnabled(!entries.empty());
    words->setEnabled(!entries.empty());
    if (pages_->currentWidget() == library_)
        menu.addAction(tr("Show in its folder"), this, [this, file = files.front()] {
            tabs_->setCurrentIndex(1);
            folders_->show(file.parent_path(), file);
        });
    menu.exec(at);
}

void Shelf::search() {
    show();
    tabs_->setCurrentIndex(0);
    library_->focusSearch();
}

void Shelf::searchWithin() {
    search();
    library_->openLimits();
}

void Shelf::toggleHearing() {
    audition_->toggleHearing();
}

void Shelf::addFolder() {
    library_->askFolder();
}

// Folders from the file manager become the library's.
void Shelf::dragEnterEvent(QDragEnterEvent* event) {
    if (event->mimeData()->hasUrls() && event->source() == nullptr) event->acceptProposedAction();
}

void Shelf::dropEvent(QDropEvent* event) {
    for (const fs::path& file : filesIn(*event->mimeData())) {
        std::error_code error;
        if (fs::is_directory(file, error))
            session_.library().addFolder(file);
        else
            session_.library().addFolder(file.parent_path());
    }
    event->acceptProposedAction();
}

void Shelf::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.fillRect(rect(), tokens().panel);
    p.fillRect(QRect(width() - 1, 0, 1, height()), tokens().rule);
}

} // namespace app
