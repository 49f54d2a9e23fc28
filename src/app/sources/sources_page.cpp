#include "app/sources/sources_page.h"

#include "app/session/session.h"
#include "app/session/several_sources.h"
#include "app/sources/sources_delegate.h"
#include "app/sources/sources_model.h"
#include "app/sources/write_into_files.h"
#include "app/widgets/controls.h"
#include "app/widgets/name_column.h"
#include "app/widgets/text.h"
#include "app/widgets/tokens.h"
#include "app/widgets/words.h"
#include "metre/tempo.h"
#include "project/sets.h"
#include "project/settle.h"

#include <QHBoxLayout>
#include <QHeaderView>
#include <QLabel>
#include <QLineEdit>
#include <QPainter>
#include <QPushButton>
#include <QSortFilterProxyModel>
#include <QTableView>
#include <QVBoxLayout>

namespace app {

namespace {

constexpr int nameColumn = 0;

// Finds every word of the filter somewhere in the row: in the name, the key, the kind, a tempo.
class Rows : public QSortFilterProxyModel {
  public:
    using QSortFilterProxyModel::QSortFilterProxyModel;
    void setWords(const QString& text) {
        words_ = text.split(' ', Qt::SkipEmptyParts);
        invalidateFilter();
    }

  protected:
    bool filterAcceptsRow(int row, const QModelIndex& parent) const override {
        if (words_.empty()) return true;
        QString all;
        for (int c = 0; c < sourceModel()->columnCount(parent); ++c)
            all += sourceModel()->index(row, c, parent).data().toString() + ' ';
        return std::all_of(words_.begin(), words_.end(),
                           [&](const QString& w) { return all.contains(w, Qt::CaseInsensitive); });
    }

  private:
    QStringList words_;
};

bool isOneSet(const project::Project& p, const std::vector<project::SourceId>& ids) {
    return !ids.empty() && std::all_of(ids.begin(), ids.end(), [&](project::SourceId id) {
        const project::SourcePtr s = project::sourceOf(p, id);
        return s && s->set;
    });
}

} // namespace

SourcesPage::SourcesPage(Session& session, QWidget* parent) : QWidget(parent), session_(session) {
    setObjectName("sourcesPage");
    model_ = new SourcesModel(session_, this);
    sorted_ = new Rows(this);
    sorted_->setSourceModel(model_);
    sorted_->setSortRole(SourcesModel::SortRole);
    sorted_->setDynamicSortFilter(true);

    QLayout* tools = buildTools();
    buildTable();
    auto* all = new QVBoxLayout(this);
    all->setContentsMargins(0, 0, 0, 0);
    all->setSpacing(0);
    all->addLayout(tools);
    all->addWidget(empty_, 1);
    all->addWidget(table_, 1);
    connectTable();
    refresh();
}

// The filter, and what can be done with the selected rows.
QLayout* SourcesPage::buildTools() {
    filter_ = new QLineEdit(this);
    filter_->setObjectName("sourcesFilter");
    filter_->setAccessibleName(tr("Filter the sources"));
    filter_->setPlaceholderText(tr("Filter by name, key, kind, tempo"));
    filter_->setClearButtonEnabled(true);
    filter_->setMinimumWidth(130);
    filter_->setMaximumWidth(210);
    connect(filter_, &QLineEdit::textChanged, this, [this](const QString& text) {
        static_cast<Rows*>(sorted_)->setWords(text);
        refresh();
    });
    count_ = label({}, this);

    auto* half = button(QStringLiteral("½"), tr("Half the tempo of the selected rows"), this);
    auto* twice = button(QStringLiteral("×2"), tr("Twice the tempo of the selected rows"), this);
    auto* roundAll = button(tr("Round"), tr("The selected rows to the whole number next to each"), this);
    auto* again =
        button(tr("Listen again"), tr("Listens to the selected rows again and uses what ranks highest"), this);
    auto* write =
        button(tr("Write tags"),
               tr("Writes tempo and key into the selected rows' own files; the audio stays bit for bit"), this);
    auto* follow = button(
        tr("Follow"),
        tr("Whether the selected rows follow the project's tempo: off, they stay as long as they are"), this);
    follow->setObjectName("rowsFollow");
    half->setObjectName("rowsHalf");
    twice->setObjectName("rowsTwice");
    roundAll->setObjectName("rowsRound");
    again->setObjectName("rowsListen");
    write->setObjectName("rowsWrite");
    tempo_ = new QLineEdit(this);
    tempo_->setObjectName("rowsTempo");
    tempo_->setAccessibleName(tr("Tempo for the selected rows"));
    tempo_->setPlaceholderText(tr("tempo"));
    tempo_->setFixedWidth(64);
    set_ = button(tr("Make a set"), {}, this);
    set_->setObjectName("rowsSet");
    needRows_ = {half, twice, roundAll, follow, again, write, set_};
    connectTools(half, twice, roundAll, follow, again, write);
    auto* tools = new QHBoxLayout;
    tools->setContentsMargins(10, 0, sizes::margin, 6);
    tools->setSpacing(5);
    tools->addWidget(filter_);
    tools->addWidget(count_, 1);
    for (QPushButton* b : {half, twice, roundAll})
        tools->addWidget(b);
    tools->addWidget(tempo_);
    tools->addWidget(follow);
    tools->addWidget(set_);
    tools->addWidget(again);
    tools->addWidget(write);
    return tools;
}

void SourcesPage::connectTools(QPushButton* half, QPushButton* twice, QPushButton* roundAll, QPushButton* follow,
                               QPushButton* again, QPushButton* write) {
    connect(set_, &QPushButton::clicked, this, [this] {
        if (isOneSet(session_.now(), selected()))
            session_.listening().partSets(selected());
        else
            session_.listening().makeSet(selected());
    });
    connect(half, &QPushButton::clicked, this, [this] { scaleTempos(session_, selected(), 0.5); });
    connect(twice, &QPushButton::clicked, this, [this] { scaleTempos(session_, selected(), 2); });
    connect(roundAll, &QPushButton::clicked, this, [this] { roundTempos(session_, selected()); });
    connect(follow, &QPushButton::clicked, this, [this] { toggleFollowing(session_, selected()); });
    connect(again, &QPushButton::clicked, this, [this] { listenAgain(session_, selected()); });
    connect(write, &QPushButton::clicked, this, [this] { askToWriteIntoFiles(this, session_, selected()); });
    connect(tempo_, &QLineEdit::returnPressed, this, [this] { setTempo(tempo_->text(), selected()); });
}

void SourcesPage::buildTable() {
    table_ = new QTableView(this);
    table_->setObjectName("sourcesTable");
    table_->setAccessibleName(tr("Sources with their readings"));
    table_->setModel(sorted_);
    table_->setItemDelegate(new SourcesDelegate(*model_, table_));
    table_->setSortingEnabled(true);
    table_->sortByColumn(-1, Qt::AscendingOrder); // as they came in, until a header is clicked
    table_->setSelectionBehavior(QAbstractItemView::SelectRows);
    table_->setSelectionMode(QAbstractItemView::ExtendedSelection);
    table_->setEditTriggers(QAbstractItemView::DoubleClicked | QAbstractItemView::EditKeyPressed);
    table_->setShowGrid(false);
    table_->setFrameShape(QFrame::NoFrame);
    table_->setMouseTracking(true);
    table_->verticalHeader()->hide();
    table_->verticalHeader()->setDefaultSectionSize(40);
    table_->setHorizontalScrollMode(QAbstractItemView::ScrollPerPixel);
    QHeaderView* header = table_->horizontalHeader();
    header->setHighlightSections(false);
    header->setFont(textFont(sizes::label));
    header->setMinimumSectionSize(44);
    // In some languages a title is longer than what stands below it.
    const auto roomForTitle = [&](int c) {
        constexpr int sides = 24;
        const QString title = model_->headerData(c, Qt::Horizontal, Qt::DisplayRole).toString();
        return QFontMetrics(header->font()).horizontalAdvance(title) + sides;
    };
    for (int c = 0; c < model_->columnCount(); ++c) {
        const int width_ = sourceColumns()[static_cast<std::size_t>(c)].width;
        if (width_ == 0)
            header->setSectionResizeMode(c, QHeaderView::Stretch);
        else
            header->resizeSection(c, std::max(width_, roomForTitle(c)));
    }
    const int kind = sourceColumnAt("Kind");
    for (int k = 0; k <= static_cast<int>(hear::Kind::NoBeat); ++k) {
        constexpr int sides = 16;
        const int room =
            QFontMetrics(table_->font()).horizontalAdvance(kindText(static_cast<hear::Kind>(k))) + sides;
        header->resizeSection(kind, std::max(header->sectionSize(kind), room));
    }
    empty_ =
        label(tr("Every source gets a row here: what its name, its tag, the ear and its length say of its tempo, "
                 "side by side. Drop audio to begin."),
              this);
    empty_->setWordWrap(true);
    empty_->setAlignment(Qt::AlignCenter);
}

void SourcesPage::connectTable() {
    connect(table_->selectionModel(), &QItemSelectionModel::selectionChanged, this, [this] {
        refresh();
        const auto ids = selected();
        if (!following_ && ids.size() == 1) session_.document().selectSource(ids.front());
    });
    connect(model_, &SourcesModel::tempoTyped, this, [this](qlonglong source, const QString& text) {
        std::vector<project::SourceId> ids = selected();
        const project::SourceId typed{source};
        if (std::find(ids.begin(), ids.end(), typed) == ids.end()) ids = {typed};
        setTempo(text, ids);
    });
    connect(&session_, &Session::opened, this, &SourcesPage::chooseColumns);
    connect(&session_, &Session::changed, this, &SourcesPage::refresh);
    connect(&session_, &Session::selectionChanged, this, &SourcesPage::followSelection);
    // A click on a reading uses it.
    connect(table_, &QTableView::clicked, this, [this](const QModelIndex& index) {
        const SourcesColumn& column = sourceColumns()[static_cast<std::size_t>(index.column())];
        const project::SourceId id{index.data(SourcesModel::SourceRole).toLongLong()};
        const project::SourcePtr s = column.witness ? project::sourceOf(session_.now(), id) : nullptr;
        const auto by = s ? shownWitness(*s, *column.witness) : std::nullopt;
        const hear::Reading* reading = by ? project::readingBy(*s, *by) : nullptr;
        if (reading == nullptr || !reading->bpm || s->chosen == by) return;
        if (session_.settle(tr("Use a reading"), project::chooseReading(session_.now(), id, *by)))
            session_.say(
                tr("%1: %2 BPM, %3").arg(qt(s->name), qt(metre::tempoLabel(*reading->bpm)), witnessInText(*by)));
    });
}

std::vector<project::SourceId> SourcesPage::selected() const {
    std::vector<project::SourceId> ids;
    for (const QModelIndex& i : table_->selectionModel()->selectedRows())
        ids.push_back(project::SourceId{i.data(SourcesModel::SourceRole).toLongLong()});
    return ids;
}

void SourcesPage::followSelection() {
    const auto source = session_.selection().source;
    if (!source || selected() == std::vector{*source}) return;
    following_ = true;
    for (int row = 0; row < sorted_->rowCount(); ++row)
        if (sorted_->index(row, 0).data(SourcesModel::SourceRole).toLongLong() == source->value)
            table_->selectRow(row);
    following_ = false;
}

void SourcesPage::refresh() {
    if (!isVisible()) return; // it is refreshed when it is shown
    const int rows = sorted_->rowCount();
    const int all = model_->rowCount();
    const auto chosen = static_cast<int>(selected().size());
    int doubtful = 0;
    for (int row = 0; row < all; ++row)
        if (!model_->index(row, 0).data(SourcesModel::DisagreeRole).toString().isEmpty()) ++doubtful;
    QString text = rows == all ? (all == 1 ? tr("1 source") : tr("%1 sources").arg(all))
                               : tr("%1 of %2 sources").arg(rows).arg(all);
    if (doubtful > 0) text += tr(" · %1 disagree").arg(doubtful);
    if (chosen > 1) text += tr(" · %1 selected").arg(chosen);
    count_->setText(text);
    for (QPushButton* b : needRows_)
        b->setEnabled(chosen > 0);
    tempo_->setEnabled(chosen > 0);
    const bool parts = isOneSet(session_.now(), selected());
    set_->setText(parts ? tr("Dissolve") : tr("Make a set"));
    set_->setToolTip(parts ? tr("Each of the selected rows goes its own way again")
                           : tr("The selected rows were recorded together: one beat map for all of them"));
    set_->setEnabled(parts || chosen > 1);
    empty_->setVisible(all == 0);
    table_->setVisible(all > 0);
}

void SourcesPage::setTempo(const QString& text, const std::vector<project::SourceId>& ids) {
    const auto bpm = metre::parseTempo(text.toStdString());
    if (!bpm) {
        session_.say(translated(bpm.error().text));
        return;
    }
    project::Project p = session_.now();
    QString refused;
    for (const project::SourceId id : ids)
        if (auto next = project::setSourceTempo(p, id, *bpm, hear::Witness::Typed))
            p = std::move(*next);
        else
            refused = translated(next.error().text);
    if (!refused.isEmpty()) session_.say(refused);
    if (session_.settle(tr("Set tempo"), std::move(p)) && refused.isEmpty())
        session_.say(ids.size() == 1
                         ? tr("The source is now %1 BPM").arg(qt(metre::tempoLabel(*bpm)))
                         : tr("%1 sources are now %2 BPM").arg(ids.size()).arg(qt(metre::tempoLabel(*bpm))));
}

void SourcesPage::resizeEvent(QResizeEvent* event) {
    QWidget::resizeEvent(event);
    shareWidth();
}

void SourcesPage::shareWidth() {
    giveNamesTheRest(*table_->horizontalHeader(), nameColumn, width(), 176);
}

// Where nothing was said by hand the others have its room. Looked at when the page is shown, or another document
// is: nothing moves under the pointer in between.
void SourcesPage::chooseColumns() {
    const auto& sources = session_.now().sources;
    const bool isSaid = std::any_of(sources.begin(), sources.end(), [](const project::SourcePtr& s) {
        return shownWitness(*s, hear::Witness::Typed).has_value();
    });
    table_->setColumnHidden(sourceColumnAt("By hand"), !isSaid);
    shareWidth();
}

void SourcesPage::showEvent(QShowEvent* event) {
    QWidget::showEvent(event);
    model_->setShown(true);
    chooseColumns();
    refresh();
}

void SourcesPage::hideEvent(QHideEvent* event) {
    QWidget::hideEvent(event);
    model_->setShown(false);
}

void SourcesPage::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.fillRect(rect(), tokens().paper);
}

} // namespace app
