#include "app/bars/bars_titles.h"

#include <algorithm>

namespace app {

void TitleCache::draw(QPainter& p, const QRectF& area, const QString& name, const QString& change,
                      const QColor& soft) {
    int width = static_cast<int>(area.width());
    if (width < 20) return;
    constexpr int gap = 9;
    if (set_.size() > most || advances_.size() > most) clear();
    const auto advanceOf = [&](const QString& text) {
        const auto [at, isNew] = advances_.try_emplace(text, 0);
        if (isNew) at->second = p.fontMetrics().horizontalAdvance(text);
        return at->second;
    };
    // More room than both need makes no difference, and a pixel hardly any: zooming sets few titles anew.
    const int all = advanceOf(name) + gap + advanceOf(change);
    width = width >= all ? all : width - width % 4;
    const auto [at, isNew] = set_.try_emplace(name + QChar(0x1F) + change + QChar(0x1F) + QString::number(width));
    Set& set = at->second;
    if (isNew) {
        const QFontMetrics metrics = p.fontMetrics();
        const int room = width - advanceOf(change) - gap;
        set.both = room >= std::min(80, advanceOf(name));
        // A name that fits is left alone: rounded to pixels its room may be a hair less than it takes.
        const QString shown =
            set.both && room >= advanceOf(name)
                ? name
                : metrics.elidedText(name, set.both ? Qt::ElideMiddle : Qt::ElideRight, set.both ? room : width);
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
