#include "app/shelf/library_page.h"

#include "app/session/session.h"
#include "app/shelf/filter_strip.h"
#include "app/shelf/search_field.h"
#include "app/shelf/shelf_list.h"
#include "app/widgets/controls.h"
#include "app/widgets/file_dialog.h"
#include "app/widgets/text.h"
#include "app/widgets/tokens.h"

#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <QScrollBar>
#include <QVBoxLayout>

namespace app {

namespace {

// The project's tempo and key where it stands: what "near" and "related" are measured against.
std::optional<hear::Key> keyHere(Session& session) {
    const project::Project& p = session.now();
    return p.keys.keyAt(p.metre.barAt(session.player().position()));
}
metre::Bpm tempoHere(Session& session) {
    return session.now().tempo.tempoAt(session.player().position());
}

} // namespace

LibraryPage::LibraryPage(Session& session, QWidget* parent) : QWidget(parent), session_(session) {
    buildParts();
    auto* said = new QHBoxLayout;
    said->setContentsMargins(12, 0, 12, 0);
    said->addWidget(empty_);
    auto* head = new QHBoxLayout;
    head->setContentsMargins(10, 8, 10, 6);
    head->addWidget(words_);
    auto* foot = new QHBoxLayout;
    foot->setContentsMargins(10, 4, 10, 6);
    foot->setSpacing(4);
    foot->addWidget(count_, 1);
    foot->addWidget(again_);
    foot->addWidget(add_);
    auto* all = new QVBoxLayout(this);
    all->setContentsMargins(0, 0, 0, 0);
    all->setSpacing(0);
    all->addLayout(head);
    all->addWidget(filter_);
    all->addLayout(said);
    all->addWidget(list_, 1);
    all->addLayout(foot);
    connectParts();
    refresh();
    search();
}

void LibraryPage::buildParts() {
    words_ = new QLineEdit(this);
    words_->setObjectName("librarySearch");
    words_->setAccessibleName(tr("Search the library"));
    words_->setPlaceholderText(tr("Search name, tag, key, kind"));
    words_->setClearButtonEnabled(true);
    filter_ = new FilterStrip(this);
    model_ = new EntryModel(session_.library(), this);
    list_ = new ShelfList(tr("Files in the library"), this);
    list_->setObjectName("libraryList");
    list_->setModel(model_);
    count_ = label({}, this);
    count_->setObjectName("libraryCount");
    add_ = button(tr("Add folder…"), tr("A folder of loops and samples, looked through with all that lies in it"),
                  this);
    add_->setObjectName("libraryAdd");
    again_ = button(tr("Scan again"), tr("Read what is new or changed in the library's folders"), this);
    again_->setObjectName("libraryScan");
    for (QPushButton* b : {add_, again_})
        b->setStyleSheet("QPushButton { padding: 2px 7px; }");
    empty_ =
        label(tr("Name a folder of loops and samples: each file in it is listened to once, and then found here by "
                 "name, tempo, key and kind."),
              this);
    empty_->setWordWrap(true);
}

void LibraryPage::connectParts() {
    soon_.setSingleShot(true);
    soon_.setInterval(60);
    connect(&soon_, &QTimer::timeout, this, &LibraryPage::search);
    connect(words_, &QLineEdit::textChanged, &soon_, qOverload<>(&QTimer::start));
    joinSearch(words_, list_);
    connect(filter_, &FilterStrip::changed, this, &LibraryPage::search);
    connect(&session_.library(), &LibraryDesk::changed, this, [this] {
        refresh();
        search();
    });
    // What is near or related is another with another tempo or key.
    connect(&session_, &Session::changed, this, [this] {
        if (tempo_ != std::optional(tempoHere(session_)) || key_ != keyHere(session_)) soon_.start();
    });
    connect(add_, &QPushButton::clicked, this, &LibraryPage::askFolder);
    connect(again_, &QPushButton::clicked, this, [this] { session_.library().scan(); });
}

void LibraryPage::focusSearch() {
    words_->setFocus();
    words_->selectAll();
}

void LibraryPage::openLimits() {
    filter_->openLimits();
}

void LibraryPage::askFolder() {
    QFileDialog* dialog =
        fileDialog(this, "libraryDialog", tr("A folder for the library; all within it is looked through"),
                   QFileDialog::Directory);
    connect(dialog, &QFileDialog::fileSelected, this,
            [this](const QString& name) { session_.library().addFolder(pathOf(name)); });
    dialog->open();
}

void LibraryPage::refresh() {
    const bool any = !session_.library().folders().empty();
    empty_->setVisible(!any && session_.library().size() == 0);
    again_->setVisible(any);
    filter_->setTags(session_.library().tags());
}

void LibraryPage::search() {
    soon_.stop();
    tempo_ = tempoHere(session_);
    key_ = keyHere(session_);
    shelf::Query query = filter_->query(tempo_, key_);
    query.words = words_->text().toStdString();
    const bool all = query.words.empty() && filter_->isEmpty();
    session_.library().search(query, [this, all](LibraryDesk::Found found) {
        const int n = static_cast<int>(found.ids.size());
        count_->setText(!all ? tr("%1 found").arg(n) : n == 1 ? tr("1 file") : tr("%1 files").arg(n));
        if (model_->isSame(found.ids)) { // nothing moves under the hand; what is known of them may be more
            model_->renew(found.first);
            return;
        }
        std::vector<EntryModel::Row> rows(found.ids.size());
        for (std::size_t i = 0; i < rows.size(); ++i)
            rows[i].id = found.ids[i];
        std::size_t at = 0;
        for (shelf::Entry& e : found.first) {
            while (at < rows.size() && rows[at].id != e.id)
                ++at;
            if (at < rows.size()) rows[at].entry = std::make_shared<const shelf::Entry>(std::move(e));
        }
        // What was current stays it, where it is still there.
        const EntryModel::Row* row = model_->row(list_->currentIndex());
        const std::int64_t current = row != nullptr ? row->id : 0;
        const int scroll = list_->verticalScrollBar()->value();
        model_->setRows(std::move(rows));
        const auto& now = model_->rows();
        for (std::size_t i = 0; current != 0 && i < now.size(); ++i)
            if (now[i].id == current) {
                const QSignalBlocker quiet(list_);
                list_->setCurrentIndex(model_->index(static_cast<int>(i)));
                list_->verticalScrollBar()->setValue(scroll);
                break;
            }
    });
}

} // namespace app
