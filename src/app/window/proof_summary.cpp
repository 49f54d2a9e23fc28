#include "app/window/proof_summary.h"

#include "app/widgets/landing_mark.h"
#include "app/widgets/text.h"
#include "app/widgets/tokens.h"

#include <QPainter>
#include <QStyle>
#include <cmath>

namespace app {

namespace {

constexpr int markWidth = 14;
constexpr int summaryGap = 10;
constexpr int summaryRow = 17;

} // namespace

ProofSummary::ProofSummary(QWidget* parent) : QAbstractButton(parent) {
    setObjectName("proofSummary");
    setFocusPolicy(Qt::TabFocus);
    setCursor(Qt::PointingHandCursor);
    setFont(textFont(sizes::strong, QFont::DemiBold));
}

// The words that count anything.
std::vector<ProofSummary::Word> ProofSummary::words() const {
    std::vector<Word> list;
    for (const prove::Landing landing : prove::landings)
        if (const int n = summary_.count(landing); n > 0)
            list.push_back({landing, tr("%1 %2").arg(n).arg(landingLabel(landing))});
    return list;
}

void ProofSummary::show(const Proofs& proofs) {
    summary_ = proofs.summary();
    QStringList told;
    for (const Word& word : words())
        told << word.text;
    if (summary_.waiting > 0) told << tr("%1 being measured").arg(summary_.waiting);
    setAccessibleName(tr("Proof: %1").arg(told.isEmpty() ? tr("nothing yet") : told.join(QStringLiteral(", "))));
    const auto worst = proofs.worst();
    setToolTip(worst ? tr("%1. The hit that is farthest off is %2: press to go there.")
                           .arg(told.join(QStringLiteral(", ")), offText(*worst->hit.off))
                     : tr("Measured: how the rendered clips lie on the grid"));
    updateGeometry();
    update();
}

void ProofSummary::setNarrow(bool narrow) {
    if (narrow == narrow_) return;
    narrow_ = narrow;
    updateGeometry();
    update();
}

QSize ProofSummary::sizeHint() const {
    return {narrow_ ? 96 : 158, 2 * summaryRow + 2};
}

int ProofSummary::rowsOf(const std::vector<Word>& list, const QFontMetrics& metrics) const {
    int rows = 1;
    int x = 0;
    for (const Word& word : list) {
        const int width = markWidth + metrics.horizontalAdvance(word.text);
        if (x > 0 && x + width > this->width()) {
            x = 0;
            ++rows;
        }
        x += width + summaryGap;
    }
    return rows;
}

void ProofSummary::paintEvent(QPaintEvent*) {
    const Tokens& t = tokens();
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    int x = 0;
    int y = 0;
    const auto put = [&](const QString& text, const QColor& colour, const QFont& font,
                         std::optional<prove::Landing> landing) {
        p.setFont(font);
        const int width = (landing ? markWidth : 0) + p.fontMetrics().horizontalAdvance(text);
        if (x > 0 && x + width > this->width()) {
            x = 0;
            y += summaryRow;
        }
        if (landing) paintLanding(p, QPointF(x + 5, y + summaryRow / 2.0), *landing, 4);
        p.setPen(colour);
        p.drawText(QRect(x + (landing ? markWidth : 0), y, width, summaryRow), Qt::AlignVCenter, text);
        x += width + summaryGap;
    };
    const QFont strong = textFont(sizes::strong, QFont::DemiBold);
    std::vector<Word> list = words();
    // What has no room on two rows is told by its number and its mark alone; the tooltip has the words.
    if (rowsOf(list, QFontMetrics(strong)) > 2)
        for (Word& word : list)
            word.text = QString::number(summary_.count(word.landing));
    for (const Word& word : list)
        put(word.text, landingText(word.landing), strong, word.landing);
    if (summary_.waiting > 0)
        put((narrow_ ? tr("%1 waiting") : tr("%1 being measured")).arg(summary_.waiting), t.inkSoft,
            textFont(sizes::text), {});
    else if (list.empty())
        put(tr("nothing yet"), t.inkSoft, textFont(sizes::text), {});
    if (hasFocus()) {
        p.setRenderHint(QPainter::Antialiasing, false);
        p.setPen(QPen(t.brass, 1));
        p.setBrush(Qt::NoBrush);
        p.drawRect(rect().adjusted(0, 0, -1, -1));
    }
}

} // namespace app
