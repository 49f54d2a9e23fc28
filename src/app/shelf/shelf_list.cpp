#include "app/shelf/shelf_list.h"

#include "app/shelf/entry_model.h"
#include "app/widgets/tokens.h"

#include <QContextMenuEvent>
#include <QDrag>
#include <QKeyEvent>
#include <QMimeData>
#include <QMouseEvent>
#include <QPainter>
#include <QScrollBar>
#include <QStyledItemDelegate>

namespace app {

namespace {

constexpr int rowHeight = 36;

class ShelfDelegate : public QStyledItemDelegate {
  public:
    using QStyledItemDelegate::QStyledItemDelegate;
    QSize sizeHint(const QStyleOptionViewItem&, const QModelIndex&) const override { return {100, rowHeight}; }
    void paint(QPainter* p, const QStyleOptionViewItem& option, const QModelIndex& index) const override {
        const auto row = index.data(EntryModel::RowRole).value<ShelfRow>();
        const Tokens& t = tokens();
        const QRect r = option.rect;
        if (option.state.testFlag(QStyle::State_Selected)) {
            p->fillRect(r, t.sheet);
            p->fillRect(QRect(r.left(), r.top(), 3, r.height()), t.brass);
        }
        p->fillRect(QRect(r.left(), r.bottom(), r.width(), 1), t.rule);
        const QRect inner = r.adjusted(10, 3, -10, -3);
        const QRect top(inner.left(), inner.top(), inner.width(), 17);
        const QRect bottom(inner.left(), inner.top() + 16, inner.width(), 14);
        // Figures are set large to be compared; words are not.
        const QFont tempoFont = row.isFigure ? figureFont(17) : textFont(sizes::label);
        p->setFont(tempoFont);
        p->setPen(row.isFigure ? t.ink : t.inkSoft);
        const int tempoWidth = row.tempo.isEmpty() ? 0 : QFontMetrics(tempoFont).horizontalAdvance(row.tempo) + 10;
        p->drawText(top.adjusted(0, -1, 0, 2), Qt::AlignRight | Qt::AlignVCenter, row.tempo);
        p->setFont(textFont(sizes::text));
        p->setPen(row.isPale ? t.inkSoft : t.ink);
        QRect place = top.adjusted(0, 0, -tempoWidth, 0);
        if (row.isFavourite) {
            drawMark(*p, QPointF(place.left() + 4, place.center().y() + 1), t.brass);
            place.setLeft(place.left() + 13);
        }
        p->setPen(row.isPale ? t.inkSoft : t.ink);
        p->drawText(place, Qt::AlignLeft | Qt::AlignVCenter,
                    QFontMetrics(p->font()).elidedText(row.name, Qt::ElideMiddle, place.width()));
        p->setFont(textFont(sizes::label));
        p->setPen(t.inkSoft);
        const int byWidth = row.by.isEmpty() ? 0 : QFontMetrics(p->font()).horizontalAdvance(row.by) + 8;
        p->drawText(bottom, Qt::AlignLeft | Qt::AlignVCenter,
                    QFontMetrics(p->font()).elidedText(row.detail, Qt::ElideRight, bottom.width() - byWidth));
        p->drawText(bottom, Qt::AlignRight | Qt::AlignVCenter, row.by);
        if (option.state.testFlag(QStyle::State_HasFocus)) {
            p->setPen(QPen(t.brass, 1));
            p->drawRect(r.adjusted(0, 0, -1, -1));
        }
    }

  private:
    // A favourite: a brass lozenge.
    static void drawMark(QPainter& p, const QPointF& at, const QColor& colour) {
        p.save();
        p.setRenderHint(QPainter::Antialiasing);
        p.setPen(Qt::NoPen);
        p.setBrush(colour);
        const QPointF points[] = {at + QPointF(0, -4.5), at + QPointF(4, 0), at + QPointF(0, 4.5),
                                  at + QPointF(-4, 0)};
        p.drawPolygon(points, 4);
        p.restore();
    }
};

} // namespace

QAbstractItemDelegate* shelfDelegate(QObject* parent) {
    return new ShelfDelegate(parent);
}

ShelfList::ShelfList(const QString& name, QWidget* parent) : QListView(parent) {
    setAccessibleName(name);
    setItemDelegate(shelfDelegate(this));
    setFrameShape(QFrame::NoFrame);
    setEditTriggers(NoEditTriggers);
    setSelectionMode(ExtendedSelection);
    setDragEnabled(true);
    setUniformItemSizes(true);
    setVerticalScrollMode(ScrollPerPixel);
    setStyleSheet("QListView { background: transparent; }");
    connect(verticalScrollBar(), &QScrollBar::valueChanged, this, &ShelfList::scrolled);
}

void ShelfList::currentChanged(const QModelIndex& now, const QModelIndex& before) {
    QListView::currentChanged(now, before);
    if (now.isValid() && !quiet_) emit picked(now);
}

void ShelfList::focusInEvent(QFocusEvent* event) {
    // The first row would become the current one then; nobody has picked it.
    const bool none = !currentIndex().isValid();
    quiet_ = true;
    QListView::focusInEvent(event);
    if (none) selectionModel()->clearCurrentIndex();
    quiet_ = false;
}

namespace {
// What goes on with the search: letters, digits and the like, by themselves. Space plays.
bool isTyped(const QKeyEvent& event) {
    const QString text = event.text();
    return (event.modifiers() & ~(Qt::ShiftModifier | Qt::KeypadModifier)) == 0 && !text.isEmpty() &&
           text.front().isPrint() && !text.front().isSpace();
}
} // namespace

// Commands of a single letter do not fire here.
bool ShelfList::event(QEvent* event) {
    if (event->type() == QEvent::ShortcutOverride && isTyped(*static_cast<QKeyEvent*>(event))) {
        event->accept();
        return true;
    }
    return QListView::event(event);
}

// A right click selects, and is not heard.
void ShelfList::mousePressEvent(QMouseEvent* event) {
    quiet_ = event->button() == Qt::RightButton;
    QListView::mousePressEvent(event);
    quiet_ = false;
}

void ShelfList::keyPressEvent(QKeyEvent* event) {
    if (event->key() == Qt::Key_Return || event->key() == Qt::Key_Enter) {
        if (currentIndex().isValid()) emit bringInAsked();
        return;
    }
    if (event->key() == Qt::Key_Escape) {
        emit stopAsked();
        return;
    }
    if (isTyped(*event)) {
        emit typedOn(event->text());
        return;
    }
    if (event->key() == Qt::Key_Up && currentIndex().row() <= 0) {
        emit leftUpwards();
        return;
    }
    QListView::keyPressEvent(event);
}

void ShelfList::mouseDoubleClickEvent(QMouseEvent* event) {
    if (event->button() == Qt::LeftButton && indexAt(event->pos()).isValid())
        emit bringInAsked();
    else
        QListView::mouseDoubleClickEvent(event);
}

void ShelfList::contextMenuEvent(QContextMenuEvent* event) {
    const bool byKey = event->reason() == QContextMenuEvent::Keyboard;
    const QModelIndex at = byKey ? currentIndex() : indexAt(event->pos());
    if (!at.isValid()) return;
    quiet_ = true;
    if (!selectionModel()->isSelected(at)) setCurrentIndex(at);
    quiet_ = false;
    emit menuAsked(byKey ? viewport()->mapToGlobal(visualRect(at).center()) : event->globalPos());
}

void ShelfList::startDrag(Qt::DropActions) {
    const QModelIndexList rows = selectionModel()->selectedIndexes();
    if (rows.isEmpty()) return;
    auto* drag = new QDrag(this);
    drag->setMimeData(model()->mimeData(rows));
    drag->exec(Qt::CopyAction);
}

// Without rows nothing else says where the keyboard is.
void ShelfList::paintEvent(QPaintEvent* event) {
    QListView::paintEvent(event);
    if (!hasFocus() || currentIndex().isValid()) return;
    QPainter p(viewport());
    p.setPen(QPen(tokens().brass, 1));
    p.drawRect(viewport()->rect().adjusted(0, 0, -1, -1));
}

void ShelfList::resizeEvent(QResizeEvent* event) {
    QListView::resizeEvent(event);
    emit scrolled(); // other rows are in view
}

} // namespace app
