#include "app/sources/sources_delegate.h"

#include "app/sources/sources_model.h"
#include "app/widgets/landing_mark.h"
#include "app/widgets/text.h"
#include "app/widgets/tokens.h"

#include <QPainter>
#include <cmath>

namespace app {

namespace {

// The outline with the beat lines over it.
void paintThumbnail(QPainter& p, const QRect& r, const project::Source& s) {
    const Tokens& t = tokens();
    p.fillRect(r, t.sheet);
    if (!s.sound) return;
    const double length = std::max(1e-9, s.length().value);
    const auto frames = static_cast<double>(s.sound->audio.frames().value);
    const double middle = r.top() + r.height() / 2.0;
    p.setPen(t.inkSoft);
    for (int x = 0; x < r.width(); ++x) {
        const sound::Extent e =
            s.sound->peaks.over(metre::Frames(static_cast<std::int64_t>(frames * x / r.width())),
                                metre::Frames(static_cast<std::int64_t>(frames * (x + 1) / r.width())));
        p.drawLine(QPointF(r.left() + x, middle - e.high * r.height() / 2.0),
                   QPointF(r.left() + x, middle - e.low * r.height() / 2.0));
    }
    if (!s.beats) return;
    const double end = std::min(s.beats->beatAt(s.length()).value, s.endBeat().value);
    const double counted = s.metre().counted().value;
    const bool crowded = end / counted > r.width() / 4.0;
    for (int b = 0; b * counted <= end; ++b) {
        if (crowded && b % s.beatsInBar != 0) continue;
        const double x = r.left() + s.beats->secondsAt(metre::Beats(b * counted)).value / length * (r.width() - 1);
        if (x > r.right()) break;
        p.fillRect(QRectF(x, r.top(), 1, r.height()), b == 0                  ? t.verdigris
                                                      : b % s.beatsInBar == 0 ? t.brass
                                                                              : t.rule);
    }
}

// What was recorded together is tied at the left: a cord through the rows that follow each other, with knots.
void paintCord(QPainter& p, const QRect& r, const QModelIndex& index, project::SetId set) {
    const auto isIn = [&](int row) {
        const QVariant other = index.sibling(row, index.column()).data(SourcesModel::SetRole);
        return other.isValid() && other.toLongLong() == set.value;
    };
    const QPointF knot(r.left() + 6, r.center().y() - 0.5);
    p.save();
    p.setRenderHint(QPainter::Antialiasing);
    p.setPen(QPen(tokens().brass, 1.5));
    p.setBrush(tokens().brass);
    if (isIn(index.row() - 1)) p.drawLine(knot, QPointF(knot.x(), r.top()));
    if (isIn(index.row() + 1)) p.drawLine(knot, QPointF(knot.x(), r.bottom() + 1));
    p.drawEllipse(knot, 3, 3);
    p.restore();
}

} // namespace

SourcesDelegate::SourcesDelegate(const SourcesModel& model, QObject* parent)
    : QStyledItemDelegate(parent), model_(model) {}

void SourcesDelegate::paint(QPainter* p, const QStyleOptionViewItem& option, const QModelIndex& index) const {
    const Tokens& t = tokens();
    const QRect r = option.rect;
    const bool selected = option.state.testFlag(QStyle::State_Selected);
    using Looks = SourcesColumn::Looks;
    const auto looks = static_cast<Looks>(index.data(SourcesModel::LooksRole).toInt());
    if (selected) p->fillRect(r, t.sheet);
    if (selected && looks == Looks::Source) p->fillRect(QRect(r.left(), r.top(), 3, r.height()), t.brass);
    p->fillRect(QRect(r.left(), r.bottom(), r.width(), 1), t.rule);
    const QString text = index.data().toString();
    p->save();
    if (looks == Looks::Source) {
        project::SourcePtr s;
        for (int row = 0; row < model_.rowCount() && !s; ++row)
            if (model_.at(row)->id.value == index.data(SourcesModel::SourceRole).toLongLong()) s = model_.at(row);
        const int thumb = std::clamp(r.width() / 4, 44, 150);
        if (s && s->set) paintCord(*p, r, index, *s->set);
        if (s) paintThumbnail(*p, QRect(r.left() + 10, r.top() + 5, thumb, r.height() - 11), *s);
        p->setFont(textFont(sizes::text));
        p->setPen(t.ink);
        const QRect words = r.adjusted(thumb + 20, 0, -4, 0);
        p->drawText(words, Qt::AlignLeft | Qt::AlignVCenter,
                    p->fontMetrics().elidedText(text, Qt::ElideMiddle, words.width()));
    } else {
        const bool figure = index.data(SourcesModel::FigureRole).toBool();
        const bool chosen = index.data(SourcesModel::ChosenRole).toBool();
        const bool tempo = looks == Looks::Tempo;
        const bool none = text == QStringLiteral("–");
        QRect words = r.adjusted(6, 0, -8, 0);
        if (chosen) p->fillRect(r.adjusted(2, 6, -2, -7), t.band(4));
        const bool disagrees =
            looks == Looks::Sureness && !index.data(SourcesModel::DisagreeRole).toString().isEmpty();
        if (disagrees) { // a mark of its own, in shape as well as in colour
            p->setRenderHint(QPainter::Antialiasing);
            p->setPen(QPen(t.amber, 1.5));
            const double y = r.center().y();
            p->drawLine(QPointF(r.left() + 6, y - 3), QPointF(r.left() + 14, y - 3));
            p->drawLine(QPointF(r.left() + 6, y + 3), QPointF(r.left() + 14, y + 3));
            p->drawLine(QPointF(r.left() + 7, y + 6), QPointF(r.left() + 13, y - 6));
        }
        const QVariant landing = index.data(SourcesModel::LandingRole);
        if (landing.isValid()) {
            p->setRenderHint(QPainter::Antialiasing);
            paintLanding(*p, QPointF(r.left() + 11, r.center().y() + 0.5),
                         static_cast<prove::Landing>(landing.toInt()), 4);
        }
        p->setFont(figure && !none ? figureFont(tempo ? 18 : 15) : textFont(sizes::text));
        p->setPen(none ? t.inkSoft : tempo ? t.brassText : t.ink);
        p->drawText(words, (figure ? Qt::AlignRight : Qt::AlignLeft) | Qt::AlignVCenter,
                    p->fontMetrics().elidedText(text, Qt::ElideRight, words.width()));
    }
    p->restore();
    if (option.state.testFlag(QStyle::State_HasFocus)) {
        p->setPen(QPen(t.brass, 1));
        p->setBrush(Qt::NoBrush);
        p->drawRect(r.adjusted(0, 0, -1, -2));
    }
}

} // namespace app
