#include "app/shelf/in_project_page.h"

#include "app/session/session.h"
#include "app/widgets/controls.h"
#include "app/widgets/text.h"
#include "app/widgets/tokens.h"
#include "base/utf8.h"
#include "metre/tempo.h"
#include "project/settle.h"

#include <QLabel>
#include <QMimeData>
#include <QPainter>
#include <QStandardItemModel>
#include <QStyledItemDelegate>
#include <QVBoxLayout>

namespace app {

namespace {

enum Role { IdRole = Qt::UserRole + 1, TempoRole, WitnessRole, BeatsRole, IsFigureRole };

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

// Two lines a source: its name and tempo, its beats and who says so.
class SourceDelegate : public QStyledItemDelegate {
  public:
    using QStyledItemDelegate::QStyledItemDelegate;
    QSize sizeHint(const QStyleOptionViewItem&, const QModelIndex&) const override { return {100, 36}; }
    void paint(QPainter* p, const QStyleOptionViewItem& option, const QModelIndex& index) const override {
        const Tokens& t = tokens();
        const QRect r = option.rect;
        const bool selected = option.state.testFlag(QStyle::State_Selected);
        if (selected) {
            p->fillRect(r, t.sheet);
            p->fillRect(QRect(r.left(), r.top(), 3, r.height()), t.brass);
        }
        p->fillRect(QRect(r.left(), r.bottom(), r.width(), 1), t.rule);
        const QRect inner = r.adjusted(10, 3, -10, -3);
        const QRect top(inner.left(), inner.top(), inner.width(), 17);
        const QRect bottom(inner.left(), inner.top() + 16, inner.width(), 14);
        const QString tempo = index.data(TempoRole).toString();
        // Figures are set large to be compared; words are not.
        const QFont tempoFont = index.data(IsFigureRole).toBool() ? figureFont(17) : textFont(sizes::label);
        p->setFont(tempoFont);
        p->setPen(index.data(IsFigureRole).toBool() ? t.ink : t.inkSoft);
        const int tempoWidth = QFontMetrics(tempoFont).horizontalAdvance(tempo) + 10;
        p->drawText(top.adjusted(0, -1, 0, 2), Qt::AlignRight | Qt::AlignVCenter, tempo);
        p->setFont(textFont(sizes::text));
        p->setPen(t.ink);
        const QString name = QFontMetrics(p->font()).elidedText(index.data(Qt::DisplayRole).toString(),
                                                                Qt::ElideMiddle, top.width() - tempoWidth);
        p->drawText(top, Qt::AlignLeft | Qt::AlignVCenter, name);
        p->setFont(textFont(sizes::label));
        p->setPen(t.inkSoft);
        p->drawText(bottom, Qt::AlignLeft | Qt::AlignVCenter, index.data(BeatsRole).toString());
        p->drawText(bottom, Qt::AlignRight | Qt::AlignVCenter, index.data(WitnessRole).toString());
        if (option.state.testFlag(QStyle::State_HasFocus)) {
            p->setPen(QPen(t.brass, 1));
            p->drawRect(r.adjusted(0, 0, -1, -1));
        }
    }
};

} // namespace

InProjectPage::InProjectPage(Session& session, QWidget* parent) : QWidget(parent), session_(session) {
    model_ = new SourceModel(this);
    list_ = new QListView(this);
    list_->setObjectName("shelfList");
    list_->setAccessibleName(tr("Sources in the project"));
    list_->setModel(model_);
    list_->setItemDelegate(new SourceDelegate(list_));
    list_->setFrameShape(QFrame::NoFrame);
    list_->setEditTriggers(QAbstractItemView::NoEditTriggers);
    list_->setDragEnabled(true);
    list_->setUniformItemSizes(true);
    list_->setStyleSheet("QListView { background: transparent; }");
    empty_ = label(tr("Every loop, sample or stem that you bring in is listed here, with its tempo and where that "
                      "is known from."),
                   this);
    empty_->setWordWrap(true);
    empty_->setContentsMargins(12, 10, 12, 0);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addWidget(empty_);
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
    const auto count = static_cast<int>(p.sources.size());
    if (model_->rowCount() > count) model_->removeRows(count, model_->rowCount() - count);
    for (int i = 0; i < count; ++i) {
        const project::Source& s = *p.sources[static_cast<std::size_t>(i)];
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
        item->setData(missing ? tr("missing") : tempo, TempoRole);
        item->setData(!missing && s.beats.has_value(), IsFigureRole);
        item->setData(s.chosen ? QString::fromLatin1(hear::witnessWord(*s.chosen)) : QString(), WitnessRole);
        item->setData(beats, BeatsRole);
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
