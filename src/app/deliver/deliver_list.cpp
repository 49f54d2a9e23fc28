#include "app/deliver/deliver_list.h"

#include "app/widgets/text.h"
#include "app/widgets/tokens.h"
#include "base/utf8.h"

#include <QHeaderView>
#include <algorithm>

namespace app {

namespace {

constexpr int mostListed = 1000;
constexpr Qt::Alignment right = Qt::AlignRight | Qt::AlignVCenter;

} // namespace

QString sizeText(std::int64_t bytes) {
    if (bytes < 100'000) return QObject::tr("%1 kB").arg(std::max<std::int64_t>(1, bytes / 1000));
    if (bytes < 1'000'000'000)
        return QObject::tr("%1 MB").arg(double(bytes) / 1e6, 0, 'f', bytes < 10'000'000 ? 1 : 0);
    return QObject::tr("%1 GB").arg(double(bytes) / 1e9, 0, 'f', 1);
}

DeliverList::DeliverList(QWidget* parent) : QTreeWidget(parent) {
    setObjectName("deliverFiles");
    setAccessibleName(tr("Files that will be written"));
    setRootIsDecorated(false);
    setUniformRowHeights(true);
    setSelectionMode(QAbstractItemView::NoSelection);
    setFont(textFont(sizes::text));
    setHeaderLabels({tr("File"), tr("Size"), {}});
    header()->setStretchLastSection(false);
    header()->setSectionResizeMode(0, QHeaderView::Stretch);
    header()->setSectionResizeMode(1, QHeaderView::Fixed);
    header()->setSectionResizeMode(2, QHeaderView::Fixed);
    header()->resizeSection(1, 80);
    header()->resizeSection(2, 150);
    headerItem()->setTextAlignment(1, right);
}

// Typing a pattern changes what stands in the rows, and seldom how many there are.
void DeliverList::plan(const std::vector<deliver::Planned>& files) {
    const auto all = static_cast<int>(files.size());
    const int count = std::min(all, mostListed) + (all > mostListed ? 1 : 0);
    while (topLevelItemCount() > count)
        delete takeTopLevelItem(topLevelItemCount() - 1);
    QList<QTreeWidgetItem*> more;
    while (topLevelItemCount() + more.size() < count) {
        more << new QTreeWidgetItem;
        more.back()->setTextAlignment(1, right);
        more.back()->setForeground(1, tokens().inkSoft);
    }
    addTopLevelItems(more);
    for (int i = 0; i < std::min(all, mostListed); ++i) {
        const deliver::Planned& file = files[static_cast<std::size_t>(i)];
        show(i, qt(base::shownName(file.file)), sizeText(file.bytes),
             file.exists ? tr("is there already") : QString());
    }
    if (count > mostListed) show(mostListed, tr("and %1 more").arg(all - mostListed), {}, {});
}

void DeliverList::show(int row, const QString& name, const QString& size, const QString& state) {
    QTreeWidgetItem& item = *topLevelItem(row);
    if (item.text(0) != name) item.setText(0, name);
    if (item.text(1) != size) item.setText(1, size);
    if (item.text(2) != state) showState(row, state, tokens().wax);
}

void DeliverList::showState(int row, const QString& state, const QColor& colour) {
    QTreeWidgetItem& item = *topLevelItem(row);
    item.setText(2, state);
    item.setForeground(2, colour);
}

void DeliverList::begin() {
    for (int i = 0; i < topLevelItemCount(); ++i)
        showState(i, tr("waits"), tokens().inkSoft);
}

void DeliverList::done(int file, bool written) {
    if (file < 0 || file >= topLevelItemCount()) return;
    showState(file, written ? tr("written") : tr("not written"), written ? tokens().verdigris : tokens().wax);
    scrollToItem(topLevelItem(file));
}

void DeliverList::end() {
    for (int i = 0; i < topLevelItemCount(); ++i)
        if (topLevelItem(i)->text(2) == tr("waits")) showState(i, tr("not written"), tokens().wax);
}

} // namespace app
