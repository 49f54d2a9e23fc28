#include "app/bench/readings_list.h"

#include "app/widgets/text.h"
#include "app/widgets/tokens.h"
#include "metre/tempo.h"

#include <QContextMenuEvent>
#include <QHelpEvent>
#include <QKeyEvent>
#include <QMenu>
#include <QMouseEvent>
#include <QPainter>
#include <QToolTip>
#include <algorithm>

namespace app {

namespace {
constexpr int rowHeight = 30;
}

ReadingsList::ReadingsList(QWidget* parent) : QWidget(parent) {
    setObjectName("readings");
    setAccessibleName(tr("Readings of the source's tempo"));
    setFocusPolicy(Qt::StrongFocus);
    setSizePolicy(QSizePolicy::Preferred, QSizePolicy::Fixed);
    show({}, {});
}

QSize ReadingsList::sizeHint() const {
    return {190, static_cast<int>(rows_.size()) * rowHeight};
}

void ReadingsList::show(const std::vector<hear::Reading>& readings, std::optional<hear::Witness> chosen) {
    empty_ = readings.empty();
    chosen_ = chosen;
    QStringList said;
    for (std::size_t i = 0; i < rows_.size(); ++i) {
        rows_[i] = {};
        rows_[i].by = static_cast<hear::Witness>(i);
        for (const hear::Reading& r : readings)
            if (r.by == rows_[i].by) rows_[i] = r;
        if (rows_[i].evidence.empty() && !empty_) {
            if (rows_[i].by == hear::Witness::Tapped) rows_[i].evidence = tr("not tapped yet").toStdString();
            if (rows_[i].by == hear::Witness::Typed) rows_[i].evidence = tr("click to type it").toStdString();
        }
        said << QStringLiteral("%1 %2").arg(hear::witnessLabel(rows_[i].by),
                                            rows_[i].bpm ? qt(metre::tempoLabel(*rows_[i].bpm)) : tr("nothing"));
    }
    setAccessibleDescription(said.join(", "));
    update();
}

void ReadingsList::paintEvent(QPaintEvent*) {
    QPainter p(this);
    const Tokens& t = tokens();
    for (std::size_t i = 0; i < rows_.size(); ++i) {
        const hear::Reading& r = rows_[i];
        const QRect row(0, static_cast<int>(i) * rowHeight, width(), rowHeight);
        const bool chosen = chosen_ == r.by && !empty_;
        if (chosen) {
            p.fillRect(row, t.band(4));
            p.fillRect(QRect(row.left(), row.top(), 3, row.height()), t.brass);
        }
        p.fillRect(QRect(row.left(), row.bottom(), row.width(), 1), t.rule);
        const QRect inner = row.adjusted(9, 2, -8, -2);
        const QString figure = r.bpm ? qt(metre::tempoFigure(*r.bpm)) : empty_ ? QString() : QStringLiteral("–");
        p.setPen(r.bpm ? t.ink : t.inkSoft);
        p.setFont(figureFont(17));
        const int figureWidth = r.bpm ? p.fontMetrics().horizontalAdvance(figure) : 12;
        p.drawText(inner.adjusted(0, -5, 0, -6), Qt::AlignRight | Qt::AlignVCenter, figure);
        p.setPen(empty_ ? t.inkSoft : t.ink);
        p.setFont(textFont(sizes::text, chosen ? QFont::DemiBold : QFont::Normal));
        p.drawText(QRect(inner.left(), inner.top(), inner.width() - figureWidth, 14),
                   Qt::AlignLeft | Qt::AlignVCenter, hear::witnessLabel(r.by));
        p.setFont(textFont(sizes::label));
        p.setPen(t.inkSoft);
        p.drawText(QRect(inner.left(), inner.top() + 13, inner.width(), 14), Qt::AlignLeft | Qt::AlignVCenter,
                   p.fontMetrics().elidedText(qt(r.evidence), Qt::ElideRight, inner.width()));
        if (hasFocus() && static_cast<int>(i) == current_) {
            p.setPen(QPen(t.brass, 1));
            p.setBrush(Qt::NoBrush);
            p.drawRect(row.adjusted(0, 0, -1, -2));
        }
    }
}

void ReadingsList::pick(int row) {
    if (row < 0 || row >= static_cast<int>(rows_.size()) || empty_) return;
    current_ = row;
    update();
    const hear::Reading& r = rows_[static_cast<std::size_t>(row)];
    if (r.bpm)
        emit picked(r.by);
    else if (r.by == hear::Witness::Typed)
        emit typingAsked();
}

void ReadingsList::offerOthers(int row, const QPoint& at) {
    if (row < 0 || row >= static_cast<int>(rows_.size())) return;
    const hear::Reading r = rows_[static_cast<std::size_t>(row)];
    if (r.others.size() < 2) return;
    auto* menu = new QMenu(this);
    menu->setObjectName("otherTempos");
    menu->setAttribute(Qt::WA_DeleteOnClose);
    for (std::size_t i = 0; i < std::min<std::size_t>(r.others.size(), 12); ++i) {
        const hear::Candidate& c = r.others[i];
        QString text = qt(metre::tempoFigure(c.bpm));
        if (c.beats > 0) text += tr("  ·  %1 beats").arg(c.beats);
        text += tr("  ·  weight %1").arg(c.weight, 0, 'f', 2);
        menu->addAction(text, this, [this, by = r.by, i] { emit pickedOther(by, static_cast<int>(i)); });
    }
    menu->popup(at);
}

void ReadingsList::mousePressEvent(QMouseEvent* event) {
    if (event->button() == Qt::LeftButton) pick(static_cast<int>(event->position().y()) / rowHeight);
}

void ReadingsList::contextMenuEvent(QContextMenuEvent* event) {
    const bool byKey = event->reason() == QContextMenuEvent::Keyboard;
    const int row = byKey ? current_ : event->pos().y() / rowHeight;
    offerOthers(row, byKey ? mapToGlobal(QPoint(20, (row + 1) * rowHeight)) : event->globalPos());
}

bool ReadingsList::event(QEvent* event) {
    if (event->type() == QEvent::ToolTip) {
        auto* help = static_cast<QHelpEvent*>(event);
        const int row = help->pos().y() / rowHeight;
        QString tip;
        if (row >= 0 && row < static_cast<int>(rows_.size()) && !empty_) {
            const hear::Reading& r = rows_[static_cast<std::size_t>(row)];
            tip = qt(r.evidence);
            if (r.bpm) tip += tr("\nSure %1. A click uses it.").arg(r.sureness, 0, 'f', 2);
            if (r.others.size() > 1) tip += tr(" A right click offers its other tempos.");
        }
        QToolTip::showText(help->globalPos(), tip, this);
        return true;
    }
    return QWidget::event(event);
}

void ReadingsList::keyPressEvent(QKeyEvent* event) {
    const int last = static_cast<int>(rows_.size()) - 1;
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
