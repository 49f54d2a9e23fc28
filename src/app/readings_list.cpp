#include "app/readings_list.h"

#include "app/text.h"
#include "app/tokens.h"
#include "metre/tempo.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <algorithm>

namespace app {

namespace {
constexpr int rowHeight = 34;
}

ReadingsList::ReadingsList(QWidget* parent) : QWidget(parent) {
    setAccessibleName(tr("Readings of the source's tempo"));
    setFocusPolicy(Qt::StrongFocus);
    setSizePolicy(QSizePolicy::Preferred, QSizePolicy::Fixed);
}

QSize ReadingsList::sizeHint() const {
    return {190, std::max(1, static_cast<int>(readings_.size())) * rowHeight};
}

void ReadingsList::show(const std::vector<hear::Reading>& readings, std::optional<hear::Witness> chosen) {
    readings_ = readings;
    chosen_ = chosen;
    current_ = std::clamp(current_, 0, std::max(0, static_cast<int>(readings_.size()) - 1));
    QStringList said;
    for (const hear::Reading& r : readings_)
        said << QStringLiteral("%1 %2").arg(hear::witnessLabel(r.by),
                                            r.bpm ? qt(metre::tempoLabel(*r.bpm)) : tr("nothing"));
    setAccessibleDescription(said.join(", "));
    updateGeometry();
    update();
}

void ReadingsList::paintEvent(QPaintEvent*) {
    QPainter p(this);
    const Tokens& t = tokens();
    for (std::size_t i = 0; i < readings_.size(); ++i) {
        const hear::Reading& r = readings_[i];
        const QRect row(0, static_cast<int>(i) * rowHeight, width(), rowHeight);
        const bool chosen = chosen_ == r.by;
        if (chosen) {
            p.fillRect(row, t.band(4));
            p.fillRect(QRect(row.left(), row.top(), 3, row.height()), t.brass);
        }
        p.fillRect(QRect(row.left(), row.bottom(), row.width(), 1), t.rule);
        const QRect inner = row.adjusted(9, 3, -8, -3);
        const QString figure = r.bpm ? qt(metre::tempoFigure(*r.bpm)) : QStringLiteral("–");
        p.setPen(t.ink);
        p.setFont(figureFont(sizes::figure));
        p.drawText(inner.adjusted(0, -4, 0, -6), Qt::AlignRight | Qt::AlignVCenter, figure);
        p.setFont(textFont(sizes::text, chosen ? QFont::DemiBold : QFont::Normal));
        p.drawText(QRect(inner.left(), inner.top(), inner.width(), 15), Qt::AlignLeft | Qt::AlignVCenter,
                   hear::witnessLabel(r.by));
        p.setFont(textFont(sizes::label));
        p.setPen(t.inkSoft);
        p.drawText(QRect(inner.left(), inner.top() + 15, inner.width(), 14), Qt::AlignLeft | Qt::AlignVCenter,
                   p.fontMetrics().elidedText(qt(r.evidence), Qt::ElideRight, inner.width()));
        if (hasFocus() && static_cast<int>(i) == current_) {
            p.setPen(QPen(t.brass, 1));
            p.drawRect(row.adjusted(0, 0, -1, -2));
        }
    }
}

void ReadingsList::pick(int row) {
    if (row < 0 || row >= static_cast<int>(readings_.size())) return;
    current_ = row;
    update();
    if (readings_[static_cast<std::size_t>(row)].bpm) emit picked(readings_[static_cast<std::size_t>(row)].by);
}

void ReadingsList::mousePressEvent(QMouseEvent* event) {
    pick(static_cast<int>(event->position().y()) / rowHeight);
}

void ReadingsList::keyPressEvent(QKeyEvent* event) {
    const int last = static_cast<int>(readings_.size()) - 1;
    if (event->key() == Qt::Key_Up)
        current_ = std::max(0, current_ - 1);
    else if (event->key() == Qt::Key_Down)
        current_ = std::min(last, current_ + 1);
    else if (event->key() == Qt::Key_Return || event->key() == Qt::Key_Enter)
        pick(current_);
    else
        QWidget::keyPressEvent(event);
    update();
}

} // namespace app
