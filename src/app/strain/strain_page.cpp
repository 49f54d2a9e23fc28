#include "app/strain/strain_page.h"

#include "app/session/session.h"
#include "app/strain/key_plot.h"
#include "app/strain/strain_plot.h"
#include "app/widgets/controls.h"
#include "app/widgets/text.h"
#include "app/widgets/tokens.h"
#include "app/widgets/words.h"
#include "metre/tempo.h"

#include <QHBoxLayout>
#include <QLabel>
#include <QListWidget>
#include <QPainter>
#include <QPushButton>
#include <QStyledItemDelegate>
#include <algorithm>
#include <cmath>

namespace app {

namespace {

enum StrainRole { IdRole = Qt::UserRole + 1, TintRole, ChangeRole, PercentRole, VerdictRole };

QColor verdictColour(prove::Verdict verdict) {
    const Tokens& t = tokens();
    return readable(verdict == prove::Verdict::Hard   ? t.wax
                    : verdict == prove::Verdict::Firm ? t.amber
                                                      : t.verdigris,
                    t.panel);
}

// A row: spine in the source's tint, its name over what becomes of its tempo, strain over verdict.
class StrainRow : public QStyledItemDelegate {
  public:
    using QStyledItemDelegate::QStyledItemDelegate;
    QSize sizeHint(const QStyleOptionViewItem&, const QModelIndex&) const override { return {100, 48}; }
    void paint(QPainter* p, const QStyleOptionViewItem& option, const QModelIndex& index) const override {
        const Tokens& t = tokens();
        const QRect r = option.rect;
        const bool selected = option.state.testFlag(QStyle::State_Selected);
        p->save();
        if (selected) p->fillRect(r, t.sheet);
        p->fillRect(QRect(r.left(), r.top() + 1, 4, r.height() - 3), t.tint(index.data(TintRole).toInt()));
        p->fillRect(QRect(r.left(), r.bottom(), r.width(), 1), t.rule);
        const auto verdict = static_cast<prove::Verdict>(index.data(VerdictRole).toInt());
        const QString percent = index.data(PercentRole).toString();
        p->setFont(figureFont(16));
        const int figures = p->fontMetrics().horizontalAdvance(percent);
        p->setPen(t.ink);
        const QRect upper(r.left() + 14, r.top() + 5, r.width() - 24, 20);
        const QRect lower(r.left() + 14, r.top() + 26, r.width() - 24, 16);
        p->drawText(upper, Qt::AlignRight | Qt::AlignVCenter, percent);
        p->setFont(textFont(sizes::strong, QFont::DemiBold));
        p->drawText(
            upper, Qt::AlignLeft | Qt::AlignVCenter,
            p->fontMetrics().elidedText(index.data().toString(), Qt::ElideMiddle, upper.width() - figures - 10));
        p->setFont(textFont(sizes::label));
        p->setPen(verdictColour(verdict));
        p->drawText(lower, Qt::AlignRight | Qt::AlignVCenter, verdictText(verdict));
        p->setPen(t.inkSoft);
        p->drawText(lower, Qt::AlignLeft | Qt::AlignVCenter, index.data(ChangeRole).toString());
        if (option.state.testFlag(QStyle::State_HasFocus) && selected) {
            p->setPen(QPen(t.brass, 1));
            p->drawRect(r.adjusted(0, 0, -1, -2));
        }
        p->restore();
    }
};

} // namespace

// Beside the plots: the sources by strain, and what is left out.
QWidget* StrainPage::buildSide() {
    auto* side = new QWidget(this);
    side->setObjectName("strainSide");
    side->setFixedWidth(240);
    at_ = label({}, side);
    at_->setObjectName("strainAt");
    list_ = new QListWidget(side);
    list_->setObjectName("strainList");
    list_->setAccessibleName(tr("Sources, the most strained first"));
    list_->setFrameShape(QFrame::NoFrame);
    list_->setItemDelegate(new StrainRow(list_));
    list_->setUniformItemSizes(true);
    list_->setVerticalScrollMode(QAbstractItemView::ScrollPerPixel);
    list_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    out_ = label({}, side);
    out_->setObjectName("strainOut");
    out_->setWordWrap(true);
    out_->hide();
    outCount_ = button({}, tr("Shows what is left out, and why"), side);
    outCount_->setObjectName("strainOutCount");
    outCount_->setProperty("link", true);
    connect(outCount_, &QPushButton::clicked, this, [this] {
        out_->setVisible(out_->isHidden());
        refresh();
    });
    auto* column = new QVBoxLayout(side);
    column->setContentsMargins(0, 8, 0, 8);
    column->setSpacing(6);
    at_->setContentsMargins(14, 0, 8, 0);
    out_->setContentsMargins(14, 4, 10, 0);
    column->addWidget(at_);
    column->addWidget(list_, 1);
    auto* counted_ = new QHBoxLayout;
    counted_->setContentsMargins(10, 0, 0, 0);
    counted_->addWidget(outCount_);
    counted_->addStretch(1);
    column->addLayout(counted_);
    column->addWidget(out_);
    return side;
}

StrainPage::StrainPage(Session& session, QWidget* parent) : QWidget(parent), session_(session) {
    setObjectName("strainPage");
    plot_ = new StrainPlot(this);
    keys_ = new KeyPlot(this);
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(0, 0, 0, 0);
    row->setSpacing(0);
    auto* plots = new QVBoxLayout;
    plots->setSpacing(0);
    plots->addWidget(plot_, 1);
    plots->addWidget(keys_);
    row->addLayout(plots, 1);
    row->addWidget(buildSide());
    connectParts();
    refresh();
}

void StrainPage::connectParts() {
    connect(plot_, &StrainPlot::sourcePressed, this,
            [this](qlonglong id) { session_.document().selectSource(SourceId{id}); });
    connect(plot_, &StrainPlot::tempoTried, this, [this](double bpm, qlonglong gesture) {
        if (session_.edit(tr("Project tempo"), project::setTempo(session_.now(), Bpm(bpm)),
                          {"try tempo", 0, gesture}))
            session_.say(tr("Project tempo %1 BPM").arg(qt(metre::tempoFigure(Bpm(bpm)))));
    });
    connect(keys_, &KeyPlot::hinted, this, &StrainPage::hinted);
    connect(keys_, &KeyPlot::keyAsked, this, [this](int root, bool minor) {
        const hear::Key key{root, minor};
        if (session_.edit(tr("Project key"), project::setKeyAt(session_.now(), 1, key)))
            session_.say(tr("Project key %1").arg(qt(hear::keyLabel(key))));
    });
    connect(plot_, &StrainPlot::useAsked, &session_.tempoTaking(), &TempoTaking::meet);
    connect(list_, &QListWidget::currentItemChanged, this, [this](QListWidgetItem* item) {
        if (!refreshing_ && item != nullptr)
            session_.document().selectSource(SourceId{item->data(IdRole).toLongLong()});
    });
    connect(&session_, &Session::changed, this, &StrainPage::refresh);
    connect(&session_, &Session::selectionChanged, this, &StrainPage::refresh);
    connect(&session_, &Session::opened, this, &StrainPage::refresh);
    connect(&session_, &Session::preferred, this, &StrainPage::refresh);
}

// While another page is shown there is nothing to work out.
void StrainPage::showEvent(QShowEvent*) {
    refresh();
}

void StrainPage::refresh() {
    if (!isVisible()) return;
    const project::Project& p = session_.now();
    StrainPlot::Content content;
    content.sources = prove::strainedSources(*session_.laid());
    content.comfort = session_.preferences().comfort;
    content.now = p.tempo.points().front().bpm;
    content.meeting = prove::meetingTempo(content.sources.strained(), {}, content.comfort, content.now);
    content.selected = session_.selection().source;
    content.mayChange = !p.lead;
    plot_->show(content);
    showRows(content);
    const auto key = p.keys.points().front().key;
    const prove::KeyMeeting meeting = prove::keyMeeting(*session_.laid(), key);
    keys_->setVisible(!meeting.sources.empty());
    keys_->show(meeting, key);
    QStringList out;
    for (const prove::LeftOut& left : content.sources.out)
        out << QStringLiteral("%1 (%2)").arg(qt(left.name), tr(left.why.c_str()));
    out_->setText(out.isEmpty() ? QString() : out.join(QStringLiteral(", ")));
    outCount_->setVisible(!out.isEmpty());
    outCount_->setText(counted(out.size(), tr("1 left out"), tr("%1 left out")) +
                       (out_->isHidden() ? QStringLiteral(" ▸") : QStringLiteral(" ▾")));
}

namespace {

struct Row {
    const prove::StrainedSource* source = nullptr;
    Bpm used;
    prove::Strain strain;
};

std::vector<Row> worstFirst(const StrainPlot::Content& content) {
    std::vector<Row> rows;
    rows.reserve(content.sources.in.size());
    for (const prove::StrainedSource& s : content.sources.in) {
        const Bpm used = prove::usedAt(s.strained, content.now);
        rows.push_back({&s, used, prove::strainOf(used, content.now, s.strained.method, content.comfort)});
    }
    std::stable_sort(rows.begin(), rows.end(), [](const Row& a, const Row& b) {
        return std::abs(a.strain.percent) > std::abs(b.strain.percent);
    });
    return rows;
}

void showRow(QListWidgetItem& item, const Row& row, Bpm now) {
    const QString percent =
        QStringLiteral("%1%2 %").arg(row.strain.percent > 0 ? QStringLiteral("+") : QString(),
                                     QString::number(row.strain.percent, 'f', 1).replace('-', QChar(0x2212)));
    QString change = QStringLiteral("%1 → %2").arg(qt(metre::tempoLabel(row.used)), qt(metre::tempoLabel(now)));
    if (row.used != row.source->strained.bpm)
        change += StrainPage::tr(" · %1 of it")
                      .arg(row.used < row.source->strained.bpm ? StrainPage::tr("half") : StrainPage::tr("double"));
    item.setText(qt(row.source->name));
    item.setData(IdRole, qlonglong(row.source->id.value));
    item.setData(TintRole, row.source->tint);
    item.setData(ChangeRole, change);
    item.setData(PercentRole, percent);
    item.setData(VerdictRole, static_cast<int>(row.strain.verdict));
    item.setData(
        Qt::AccessibleTextRole,
        QStringLiteral("%1, %2, %3, %4").arg(item.text(), change, percent, verdictText(row.strain.verdict)));
    item.setToolTip(qt(row.source->name));
}

} // namespace

void StrainPage::showRows(const StrainPlot::Content& content) {
    const std::vector<Row> rows = worstFirst(content);
    at_->setText(rows.empty() ? QString() : tr("At %1, worst first").arg(qt(metre::tempoLabel(content.now))));
    refreshing_ = true;
    while (list_->count() > static_cast<int>(rows.size()))
        delete list_->takeItem(list_->count() - 1);
    while (list_->count() < static_cast<int>(rows.size()))
        list_->addItem(QString());
    list_->setCurrentItem(nullptr);
    for (std::size_t i = 0; i < rows.size(); ++i) {
        QListWidgetItem* item = list_->item(static_cast<int>(i));
        const Row& row = rows[i];
        showRow(*item, row, content.now);
        if (content.selected == row.source->id) list_->setCurrentItem(item);
    }
    refreshing_ = false;
}

void StrainPage::enterEvent(QEnterEvent*) {
    emit hinted(
        tr("Point at a line to read it · click selects its source · drag the red line to try a tempo · wheel "
           "zooms"));
}

void StrainPage::leaveEvent(QEvent*) {
    emit hinted({});
}

void StrainPage::paintEvent(QPaintEvent*) {
    const Tokens& t = tokens();
    QPainter p(this);
    p.fillRect(rect(), t.panel);
    p.fillRect(QRect(plot_->geometry().right() + 1, 0, 1, height()), t.rule);
}

} // namespace app
