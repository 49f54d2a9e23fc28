#include "app/shelf/in_project_page.h"

#include "app/session/session.h"
#include "app/shelf/entry_model.h"
#include "app/shelf/shelf_list.h"
#include "app/widgets/controls.h"
#include "app/widgets/text.h"
#include "app/widgets/words.h"
#include "base/utf8.h"
#include "metre/tempo.h"
#include "project/sets.h"
#include "project/settle.h"

#include <QHBoxLayout>
#include <QLabel>
#include <QMimeData>
#include <QStandardItemModel>
#include <QVBoxLayout>
#include <utility>

namespace app {

namespace {

constexpr int IdRole = EntryModel::RowRole + 1;

class SourceModel : public QStandardItemModel {
  public:
    using QStandardItemModel::QStandardItemModel;
    QMimeData* mimeData(const QModelIndexList& indexes) const override {
        if (indexes.isEmpty()) return nullptr;
        auto* data = new QMimeData;
        data->setData(InProjectPage::sourceMime, QByteArray::number(indexes.front().data(IdRole).toLongLong()));
        return data;
    }
    QStringList mimeTypes() const override { return {InProjectPage::sourceMime}; }
};

} // namespace

InProjectPage::InProjectPage(Session& session, QWidget* parent) : QWidget(parent), session_(session) {
    model_ = new SourceModel(this);
    list_ = new QListView(this);
    list_->setObjectName("shelfList");
    list_->setAccessibleName(tr("Sources in the project"));
    list_->setModel(model_);
    list_->setItemDelegate(shelfDelegate(list_));
    list_->setFrameShape(QFrame::NoFrame);
    list_->setEditTriggers(QAbstractItemView::NoEditTriggers);
    list_->setDragEnabled(true);
    list_->setUniformItemSizes(true);
    list_->setStyleSheet("QListView { background: transparent; }");
    empty_ = label(tr("Every loop, sample or stem that you bring in is listed here, with its tempo and where that "
                      "is known from."),
                   this);
    empty_->setWordWrap(true);
    auto* said = new QHBoxLayout;
    said->setContentsMargins(12, 0, 12, 0);
    said->addWidget(empty_);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addLayout(said);
    layout->addWidget(list_, 1);
    connect(&session_, &Session::changed, this, &InProjectPage::refresh);
    connect(&session_, &Session::selectionChanged, this, &InProjectPage::refreshSelection);
    connect(list_, &QListView::clicked, this, [this](const QModelIndex& i) {
        session_.document().selectSource(SourceId{i.data(IdRole).toLongLong()});
        emit picked(i.data(IdRole).toLongLong());
    });
    connect(list_, &QListView::activated, this,
            [this](const QModelIndex& i) { emit placeAsked(i.data(IdRole).toLongLong()); });
    connect(list_->selectionModel(), &QItemSelectionModel::currentChanged, this, [this](const QModelIndex& i) {
        if (!i.isValid() || !list_->hasFocus()) return;
        session_.document().selectSource(SourceId{i.data(IdRole).toLongLong()});
        emit picked(i.data(IdRole).toLongLong());
    });
    refresh();
}

void InProjectPage::refresh() {
    const project::Project& p = session_.now();
    if (shown_.isSharedWith(p.sources) && model_->rowCount() > 0) {
        refreshSelection();
        return;
    }
    const auto count = static_cast<int>(p.sources.size());
    if (model_->rowCount() > count) model_->removeRows(count, model_->rowCount() - count);
    const base::SharedList<project::SourcePtr> before = std::exchange(shown_, p.sources);
    for (int i = 0; i < count; ++i) {
        const auto at = static_cast<std::size_t>(i);
        if (at < before.size() && before[at] == p.sources[at]) continue; // most edits leave most of them
        const project::Source& s = *p.sources[at];
        if (model_->rowCount() <= i) model_->appendRow(new QStandardItem);
        QStandardItem* item = model_->item(i);
        const bool missing = !s.sound;
        QString tempo = tr("no tempo");
        const hear::Reading* heard = project::readingBy(s, hear::Witness::Heard);
        const bool isFree = s.chosen == hear::Witness::Heard && heard != nullptr && !heard->steady;
        if (s.beats)
            tempo = (isFree ? QStringLiteral("~") : QString()) + qt(metre::tempoLabel(s.beats->meanTempo()));
        if (s.kind == hear::Kind::OneHit && !s.beats) tempo = tr("one hit");
        QString beats = QStringLiteral("%1 s").arg(s.length().value, 0, 'f', 2);
        if (isFree) beats = tr("played free · %1").arg(beats);
        if (const auto n = s.wholeBeats()) beats = tr("%1 beats · %2").arg(*n).arg(beats);
        item->setText(qt(s.name));
        item->setToolTip(qt(base::shownPath(s.file)));
        item->setData(qlonglong(s.id.value), IdRole);
        ShelfRow row;
        row.name = qt(s.name);
        row.tempo = missing ? tr("missing") : tempo;
        row.isFigure = !missing && s.beats.has_value();
        if (s.set)
            beats = tr("set of %n · ", nullptr, static_cast<int>(project::togetherWith(p, s.id).size())) + beats;
        row.detail = beats;
        if (s.chosen) row.by = witnessInText(*s.chosen);
        row.isPale = missing;
        item->setData(QVariant::fromValue(row), EntryModel::RowRole);
        item->setData(tr("%1, %2").arg(qt(s.name), tempo), Qt::AccessibleTextRole);
    }
    empty_->setVisible(count == 0);
    refreshSelection();
}

void InProjectPage::refreshSelection() {
    const auto source = session_.selection().source;
    if (!source) {
        list_->selectionModel()->clearSelection();
        return;
    }
    for (int i = 0; i < model_->rowCount(); ++i)
        if (model_->item(i)->data(IdRole).toLongLong() == source->value)
            list_->selectionModel()->setCurrentIndex(model_->index(i, 0), QItemSelectionModel::ClearAndSelect);
}

} // namespace app
