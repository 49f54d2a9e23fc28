#include "app/bars/bars_titles.h"

#include <algorithm>

namespace app {

void TitleCache::draw(QPainter& p, const QRectF& area, const QString& name, const QString& change,
                      const QColor& soft) {
    const int width = static_cast<int>(area.width());
    if (width < 20) return;
    if (set_.size() > most) set_.clear();
    const auto [at, isNew] = set_.try_emplace(name + QChar(0x1F) + change + QChar(0x1F) + QString::number(width));
    Set& set = at->second;
    if (isNew) {
        const QFontMetrics metrics = p.fontMetrics();
        constexpr int gap = 9;
        const int room = width - metrics.horizontalAdvance(change) - gap;
        set.both = room >= std::min(80, metrics.horizontalAdvance(name));
        const QString shown =
            metrics.elidedText(name, set.both ? Qt::ElideMiddle : Qt::ElideRight, set.both ? room : width);
        for (QStaticText* text : {&set.name, &set.change}) {
            text->setTextFormat(Qt::PlainText);
            text->setPerformanceHint(QStaticText::AggressiveCaching);
        }
        set.name.setText(shown);
        set.name.prepare({}, p.font());
        if (set.both) {
            set.gap = metrics.horizontalAdvance(shown) + gap;
            set.change.setText(change);
            set.change.prepare({}, p.font());
        }
    }
    const double top = area.top() + (area.height() - set.name.size().height()) / 2;
    p.drawStaticText(QPointF(area.left(), top), set.name);
    if (!set.both) return;
    p.setPen(soft);
    p.drawStaticText(QPointF(area.left() + set.gap, top), set.change);
}

} // namespace app
