#include "app/bench/selection_list.h"

#include "app/session/session.h"
#include "app/session/standing.h"
#include "app/widgets/landing_mark.h"
#include "app/widgets/name_column.h"
#include "app/widgets/text.h"
#include "app/widgets/tokens.h"
#include "app/widgets/words.h"
#include "metre/tempo.h"
#include "prove/strain.h"

#include <QHeaderView>
#include <cmath>

namespace app {

SelectionList::SelectionList(QWidget* parent) : QTreeWidget(parent) {
    setObjectName("selectionList");
    setAccessibleName(tr("Selected clips"));
    setRootIsDecorated(false);
    setUniformRowHeights(true);
    setFrameShape(QFrame::NoFrame);
    setSelectionMode(QAbstractItemView::NoSelection);
    setFont(textFont(sizes::text));
    setHeaderLabels({tr("Name"), tr("At"), tr("Tempo"), tr("Rule"), tr("Method"), tr("Strain"), tr("Proof")});
    header()->setSectionResizeMode(0, QHeaderView::Stretch);
    header()->setStretchLastSection(false);
    for (int c = 1; c < columnCount(); ++c)
        header()->setSectionResizeMode(c, QHeaderView::ResizeToContents);
    connect(header(), &QHeaderView::sectionResized, this, [this](int section) {
        if (section != 0) shareWidth();
    });
}

void SelectionList::resizeEvent(QResizeEvent* event) {
    QTreeWidget::resizeEvent(event);
    shareWidth();
}

void SelectionList::shareWidth() {
    giveNamesTheRest(*header(), 0, viewport()->width(), 120);
}

void SelectionList::show(const Session& session) {
    clear();
    const auto& clips = session.selection().clips;
    if (clips.size() < 2) return;
    QList<QTreeWidgetItem*> rows;
    for (const ClipId id : clips) {
        if (rows.size() >= most) break;
        const project::LaidClip* c = session.laid()->find(id);
        if (c == nullptr || !c->source) continue;
        const project::Timing& t = c->time();
        const QString tempo = standingOf(*c, session.now().tempo);
        QString strain = QStringLiteral("–");
        if (t.stretched) {
            const prove::Strain s = prove::strainOf(*c, session.preferences().comfort);
            strain =
                QStringLiteral("%1%2 % %3")
                    .arg(s.percent > 0 ? QStringLiteral("+") : QString(),
                         QString::number(s.percent, 'f', 1).replace('-', QChar(0x2212)), verdictText(s.verdict));
        }
        QString proof = session.proofs().isWaiting(id) ? QStringLiteral("…") : QStringLiteral("–");
        if (const auto proven = session.proofs().of(id)) {
            proof = landingLabel(proven->landing(session.proofs().tolerance()));
            if (!proven->deviations.empty())
                proof += tr(", worst %1 ms").arg(std::abs(proven->sums.worst.value) * 1000, 0, 'f', 1);
        }
        rows << new QTreeWidgetItem(
            {qt(c->name()), qt(metre::positionLabel(session.now().metre.positionAt(t.start))), tempo,
             ruleWord(c->rule), QString::fromLatin1(stretch::methodLabel(c->clip->stretch.method)), strain, proof});
    }
    if (static_cast<int>(clips.size()) > most)
        rows << new QTreeWidgetItem({tr("and %1 more").arg(static_cast<int>(clips.size()) - most)});
    addTopLevelItems(rows);
}

} // namespace app
