#include "app/shelf/folders_page.h"

#include "app/session/session.h"
#include "app/shelf/search_field.h"
#include "app/shelf/shelf_list.h"
#include "app/widgets/controls.h"
#include "app/widgets/text.h"
#include "app/widgets/tokens.h"
#include "base/utf8.h"

#include <QComboBox>
#include <QEvent>
#include <QLabel>
#include <QLineEdit>
#include <QMenu>
#include <QPushButton>
#include <QScrollBar>
#include <QSplitter>
#include <QTreeWidget>
#include <QVBoxLayout>
#include <algorithm>
#include <unordered_map>

namespace app {

namespace fs = std::filesystem;

namespace {

enum class FileOrder { Name, Tempo, Key, Kind, Length };

constexpr int PathRole = Qt::UserRole + 1;

QByteArray bytesOf(const fs::path& path) {
    return QByteArray::fromStdString(path.native());
}
fs::path pathIn(const QTreeWidgetItem* item) {
    return item->data(0, PathRole).toByteArray().toStdString();
}

bool comesBefore(const EntryModel::Row& a, const EntryModel::Row& b, FileOrder order) {
    const auto number = [order](const EntryModel::Row& r) {
        if (!r.entry) return 1e9;
        const shelf::Entry& e = *r.entry;
        switch (order) {
        case FileOrder::Tempo:
            return e.bpm ? e.bpm->value : 1e8;
        case FileOrder::Key:
            return e.key ? hear::signatureOf(*e.key) + (e.key->minor ? 0.5 : 0.0) : 1e8;
        case FileOrder::Kind:
            return static_cast<double>(e.kind);
        case FileOrder::Length:
            return e.length.value;
        case FileOrder::Name:
            break;
        }
        return 0.0;
    };
    return number(a) < number(b);
}

} // namespace

FoldersPage::FoldersPage(Session& session, QWidget* parent) : QWidget(parent), session_(session) {
    buildParts();
    layOut();
    connectTree();
    connectFiles();
    refreshTree();
}

void FoldersPage::buildParts() {
    tree_ = new QTreeWidget(this);
    tree_->setObjectName("folderTree");
    tree_->setAccessibleName(tr("Folders"));
    tree_->setHeaderHidden(true);
    tree_->setIndentation(14);
    tree_->setFrameShape(QFrame::NoFrame);
    filter_ = new QLineEdit(this);
    filter_->setObjectName("folderFilter");
    filter_->setAccessibleName(tr("Show names containing this"));
    filter_->setPlaceholderText(tr("Only names with…"));
    filter_->setClearButtonEnabled(true);
    order_ = new QComboBox(this);
    order_->setObjectName("folderOrder");
    order_->setAccessibleName(tr("Order"));
    for (const QString& text : {tr("name"), tr("tempo"), tr("key"), tr("kind"), tr("length")})
        order_->addItem(text);
    model_ = new EntryModel(session_.library(), this);
    list_ = new ShelfList(tr("Files of the folder"), this);
    list_->setObjectName("folderList");
    list_->setModel(model_);
    count_ = label({}, this);
    count_->setObjectName("folderCount");
    add_ = button(tr("Add folder…"), tr("A folder of loops and samples, looked through with all that lies in it"),
                  this);
    add_->setStyleSheet("QPushButton { padding: 2px 7px; }");
}

// The tree above, the files of its folder below.
void FoldersPage::layOut() {
    auto* upper = new QWidget(this);
    auto* upperLayout = new QVBoxLayout(upper);
    upperLayout->setContentsMargins(4, 6, 0, 0);
    upperLayout->addWidget(tree_);
    auto* lower = new QWidget(this);
    auto* line = new QHBoxLayout;
    line->setContentsMargins(10, 6, 10, 6);
    line->setSpacing(6);
    line->addWidget(filter_, 1);
    line->addWidget(order_);
    auto* foot = new QHBoxLayout;
    foot->setContentsMargins(10, 4, 10, 6);
    foot->addWidget(count_, 1);
    foot->addWidget(add_);
    auto* lowerLayout = new QVBoxLayout(lower);
    lowerLayout->setContentsMargins(0, 0, 0, 0);
    lowerLayout->setSpacing(0);
    lowerLayout->addLayout(line);
    lowerLayout->addWidget(list_, 1);
    lowerLayout->addLayout(foot);
    auto* split = new QSplitter(Qt::Vertical, this);
    split->addWidget(upper);
    split->addWidget(lower);
    split->setHandleWidth(1);
    split->setSizes({110, 300});
    split->setStretchFactor(1, 1);
    auto* all = new QVBoxLayout(this);
    all->setContentsMargins(0, 0, 0, 0);
    all->addWidget(split);
}

void FoldersPage::connectTree() {
    connect(add_, &QPushButton::clicked, this, &FoldersPage::addAsked);
    connect(tree_, &QTreeWidget::currentItemChanged, this, [this](QTreeWidgetItem* item) {
        if (item != nullptr) show(pathIn(item), toSelect_);
    });
    connect(tree_, &QTreeWidget::itemExpanded, this, &FoldersPage::expand);
    tree_->setContextMenuPolicy(Qt::CustomContextMenu);
    connect(tree_, &QWidget::customContextMenuRequested, this, [this](const QPoint& at) {
        QTreeWidgetItem* item = tree_->itemAt(at);
        if (item == nullptr) return;
        const fs::path folder = pathIn(item);
        QMenu menu(this);
        menu.setObjectName("folderMenu");
        menu.addAction(tr("Scan again"), this, [this, folder] { session_.library().scan({folder}); });
        if (item->parent() == nullptr)
            menu.addAction(tr("Take out of the library"), this,
                           [this, folder] { session_.library().removeFolder(folder); });
        menu.exec(tree_->viewport()->mapToGlobal(at));
    });
    connect(&session_.library(), &LibraryDesk::changed, this, [this] {
        refreshTree();
        if (isVisible()) again_.start(); // a scan may have read what is shown
    });
}

void FoldersPage::connectFiles() {
    joinSearch(filter_, list_);
    connect(filter_, &QLineEdit::textChanged, this, &FoldersPage::arrange);
    connect(order_, &QComboBox::activated, this, &FoldersPage::arrange);
    connect(&session_.library(), &LibraryDesk::wasRead, this, [this](const shelf::Entry& entry) {
        for (EntryModel::Row& r : all_)
            if (r.listed.file.native() == entry.file.native())
                r.entry = std::make_shared<const shelf::Entry>(entry);
        refreshCount();
        if (session_.library().stillToRead() < 10) scrolled_.start();
    });
    scrolled_.setSingleShot(true);
    scrolled_.setInterval(80);
    connect(&scrolled_, &QTimer::timeout, this, &FoldersPage::readInView);
    connect(list_, &ShelfList::scrolled, &scrolled_, qOverload<>(&QTimer::start));
    again_.setSingleShot(true);
    again_.setInterval(300);
    connect(&again_, &QTimer::timeout, this, &FoldersPage::look);
    connect(&watcher_, &QFileSystemWatcher::directoryChanged, &again_, qOverload<>(&QTimer::start));
}

void FoldersPage::refreshTree() {
    const auto& folders = session_.library().folders();
    bool same = tree_->topLevelItemCount() == static_cast<int>(folders.size());
    for (int i = 0; same && i < tree_->topLevelItemCount(); ++i)
        same = pathIn(tree_->topLevelItem(i)) == folders[static_cast<std::size_t>(i)];
    if (!same) {
        tree_->clear();
        for (const fs::path& folder : folders) {
            auto* item = new QTreeWidgetItem(tree_, {qt(base::shownName(folder))});
            item->setData(0, PathRole, bytesOf(folder));
            item->setToolTip(0, qt(base::shownPath(folder)));
            item->setChildIndicatorPolicy(QTreeWidgetItem::ShowIndicator);
        }
        if (tree_->topLevelItemCount() > 0) tree_->setCurrentItem(tree_->topLevelItem(0));
    }
    if (folders.empty()) {
        folder_.clear();
        all_.clear();
        arrange();
    }
}

// The folders within one, as they are now.
void FoldersPage::expand(QTreeWidgetItem* item) {
    const fs::path folder = pathIn(item);
    session_.library().foldersIn(folder, [this, folder](const std::vector<fs::path>& folders) {
        // It may have gone meanwhile.
        QTreeWidgetItem* at = nullptr;
        for (QTreeWidgetItemIterator it(tree_); *it != nullptr; ++it)
            if (pathIn(*it) == folder) at = *it;
        if (at == nullptr) return;
        qDeleteAll(at->takeChildren());
        for (const fs::path& inner : folders) {
            auto* child = new QTreeWidgetItem(at, {qt(base::shownName(inner))});
            child->setData(0, PathRole, bytesOf(inner));
            child->setChildIndicatorPolicy(QTreeWidgetItem::ShowIndicator);
        }
        if (folders.empty()) at->setChildIndicatorPolicy(QTreeWidgetItem::DontShowIndicator);
    });
}

void FoldersPage::show(const fs::path& folder, const fs::path& file) {
    toSelect_ = file;
    if (!watcher_.directories().isEmpty()) watcher_.removePaths(watcher_.directories());
    folder_ = folder;
    watcher_.addPath(QString::fromLocal8Bit(bytesOf(folder)));
    look();
}

void FoldersPage::look() {
    if (folder_.empty()) return;
    session_.library().list(folder_, [this, folder = folder_](LibraryDesk::Listed listed) {
        if (folder != folder_) return;
        std::unordered_map<std::string, shelf::Entry*> known;
        for (shelf::Entry& e : listed.known)
            known.emplace(e.file.native(), &e);
        std::vector<EntryModel::Row> rows;
        rows.reserve(listed.content.files.size());
        for (sound::ListedFile& file : listed.content.files) {
            EntryModel::Row row;
            row.listed = std::move(file);
            if (const auto found = known.find(row.listed.file.native()); found != known.end())
                row.entry = std::make_shared<const shelf::Entry>(std::move(*found->second));
            rows.push_back(std::move(row));
        }
        all_ = std::move(rows);
        problem_ = translated(listed.content.problem);
        arrange();
    });
}

void FoldersPage::arrange() {
    std::vector<EntryModel::Row> rows;
    const std::string wanted = filter_->text().toLower().toStdString();
    for (const EntryModel::Row& r : all_)
        if (wanted.empty() ||
            qt(base::shownName(r.listed.file)).toLower().toStdString().find(wanted) != std::string::npos)
            rows.push_back(r);
    const auto order = static_cast<FileOrder>(std::max(0, order_->currentIndex()));
    if (order != FileOrder::Name)
        std::stable_sort(rows.begin(), rows.end(),
                         [order](const auto& a, const auto& b) { return comesBefore(a, b, order); });
    const EntryModel::Row* row = model_->row(list_->currentIndex());
    const fs::path current = !toSelect_.empty() ? toSelect_ : row != nullptr ? row->listed.file : fs::path();
    const int scroll = list_->verticalScrollBar()->value();
    model_->setRows(std::move(rows));
    if (const int at = model_->rowOf(current); at >= 0) {
        const QSignalBlocker quiet(list_);
        list_->setCurrentIndex(model_->index(at));
        if (toSelect_.empty()) list_->verticalScrollBar()->setValue(scroll);
    }
    if (!all_.empty()) toSelect_.clear();
    refreshCount();
    readInView();
}

// What is in view is read first, then the rest of the folder.
void FoldersPage::readInView() {
    if (!isVisible()) return;
    std::vector<sound::ListedFile> files;
    const QModelIndex top = list_->indexAt(QPoint(2, 2));
    const int first = top.isValid() ? top.row() : 0;
    const auto& rows = model_->rows();
    constexpr std::size_t atOnce = 200;
    const auto want = [&](std::size_t i) {
        if (files.size() < atOnce && rows[i].isUnread()) files.push_back(rows[i].listed);
    };
    for (std::size_t i = static_cast<std::size_t>(first); i < rows.size(); ++i)
        want(i);
    for (std::size_t i = 0; i < static_cast<std::size_t>(first) && i < rows.size(); ++i)
        want(i);
    session_.library().readSoon(std::move(files));
    refreshCount();
}

void FoldersPage::refreshCount() {
    if (!problem_.isEmpty()) {
        count_->setText(problem_);
        count_->setToolTip(problem_);
        return;
    }
    const auto unread = std::count_if(all_.begin(), all_.end(), [](const auto& r) { return r.isUnread(); });
    QString text = folder_.empty()    ? tr("No folder yet")
                   : all_.size() == 1 ? tr("1 file")
                                      : tr("%1 files").arg(all_.size());
    if (unread > 0) text += tr(" · %1 to read").arg(unread);
    count_->setText(text);
    count_->setToolTip({});
}

bool FoldersPage::event(QEvent* event) {
    // What changed on a disk that tells nobody shows when the window is come back to.
    if (event->type() == QEvent::WindowActivate && isVisible()) look();
    if (event->type() == QEvent::Show) readInView();
    if (event->type() == QEvent::Hide) session_.library().readSoon({});
    return QWidget::event(event);
}

} // namespace app
