#include "app/window/import_report.h"

#include "app/widgets/controls.h"
#include "app/widgets/elided_label.h"
#include "app/widgets/text.h"
#include "app/widgets/tokens.h"
#include "app/widgets/words.h"
#include "metre/tempo.h"
#include "project/arriving.h"
#include "project/import.h"
#include "project/sets.h"
#include "project/settle.h"

#include <QKeyEvent>
#include <QLabel>
#include <QPainter>
#include <QPushButton>
#include <QScrollArea>
#include <QVBoxLayout>

namespace app {

namespace {

constexpr int rowHeight = 26;
constexpr int fewLines = 3;  // that stand at once
constexpr int manyLines = 9; // once all are asked for
constexpr std::size_t mostOffers = 2;
constexpr std::size_t mostRows = 200; // beyond, the page Sources has them

// The likeliest reading that says another tempo than the one that is used: neither the same nor its half or double.
const hear::Reading* otherChoice(const project::Source& s) {
    if (!s.beats) return nullptr;
    const double now = s.beats->meanTempo().value;
    const hear::Reading* best = nullptr;
    for (const hear::Reading& r : s.readings) {
        if (!r.bpm || r.by == s.chosen) continue;
        const double ratio = r.bpm->value / now;
        if (std::abs(ratio - 1) < 0.002 || std::abs(ratio - 2) < 0.004 || std::abs(ratio - 0.5) < 0.001) continue;
        if (best == nullptr || r.sureness > best->sureness) best = &r;
    }
    return best;
}

std::vector<ClipId> clipsOf(const project::Project& p, SourceId source) {
    std::vector<ClipId> clips;
    for (const project::TrackPtr& t : p.tracks)
        for (const project::Clip& c : t->clips)
            if (c.source == source) clips.push_back(c.id);
    return clips;
}

} // namespace

ImportReport::ImportReport(Session& session, QWidget* parent) : QWidget(parent), session_(session) {
    setObjectName("importReport");
    title_ = new QLabel(this);
    title_->setFont(textFont(sizes::text, QFont::DemiBold));
    title_->setFixedHeight(rowHeight);
    list_ = new QWidget;
    rows_ = new QVBoxLayout(list_);
    rows_->setContentsMargins(0, 0, 0, 0);
    rows_->setSpacing(0);
    area_ = new QScrollArea(this);
    area_->setObjectName("reportRows");
    area_->setAccessibleName(tr("What was imported, file by file"));
    area_->setFrameShape(QFrame::NoFrame);
    area_->setFocusPolicy(Qt::NoFocus); // its rows are reached, and scroll with them
    area_->setWidgetResizable(true);
    area_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    area_->setStyleSheet("QScrollArea, QScrollArea > QWidget > QWidget { background: transparent; }");
    area_->setWidget(list_);
    auto* readings = button(tr("Change readings"), tr("All readings of all sources, on their page"), this);
    readings->setObjectName("reportReadings");
    all_ = toggle({}, tr("Shows all lines, or the first three"), this);
    all_->setObjectName("reportAll");
    connect(all_, &QPushButton::clicked, this, &ImportReport::takeHeight);
    auto* close_ = button(tr("Close"), tr("Close this message (Escape)"), this);
    close_->setObjectName("reportClose");
    for (QPushButton* b : {all_, readings, close_})
        b->setSizePolicy(QSizePolicy::Fixed, QSizePolicy::Fixed);
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(sizes::margin, 6, sizes::margin, 6);
    row->setSpacing(16);
    row->addWidget(title_, 0, Qt::AlignTop);
    row->addWidget(area_, 1);
    row->addWidget(all_, 0, Qt::AlignTop);
    row->addWidget(readings, 0, Qt::AlignTop);
    row->addWidget(close_, 0, Qt::AlignTop);
    connect(close_, &QPushButton::clicked, this, &QWidget::hide);
    connect(readings, &QPushButton::clicked, this, [this] {
        hide();
        emit sourcesAsked();
    });
    connect(&session_, &Session::changed, this, &ImportReport::refresh);
    hide();
}

void ImportReport::show(const BroughtIn& brought) {
    qDeleteAll(list_->findChildren<QWidget*>(QString(), Qt::FindDirectChildrenOnly));
    shown_.clear();
    offers_.clear();
    problems_ = brought.problems;
    mayLead_ = brought.mayLead;
    generation_ = session_.document().generation();
    isProblem_ = !brought.problems.isEmpty();
    title_->setText(brought.title);
    for (const QString& problem : brought.problems)
        addLine(problem, true);
    for (std::size_t i = 0; i < brought.likelySets.size() && i < mostOffers; ++i)
        addOffer(brought.likelySets[i]);
    for (std::size_t i = 0; i < brought.sources.size() && i < mostRows; ++i)
        addRow(brought.sources[i]);
    if (brought.sources.size() > mostRows)
        addLine(tr("and %1 more, on the page Sources").arg(brought.sources.size() - mostRows), false);
    all_->setChecked(false);
    takeHeight();
    setAccessibleName(brought.title);
    QWidget::show();
    update();
}

// Three lines; all of them, as many as there is room for, once they are asked for.
void ImportReport::takeHeight() {
    const auto lines = static_cast<int>(shown_.size() + offers_.size()) + static_cast<int>(problems_.size());
    all_->setVisible(lines > fewLines);
    all_->setText(tr("All %1").arg(lines));
    setFixedHeight(std::clamp(lines, 1, all_->isChecked() ? manyLines : fewLines) * rowHeight + 14);
}

void ImportReport::addLine(const QString& text, bool isProblem) {
    auto* line = new ElidedLabel(Qt::ElideMiddle, list_);
    line->setText(text);
    line->setToolTip(text);
    line->setFixedHeight(rowHeight);
    if (isProblem) {
        QPalette p = line->palette();
        p.setColor(line->foregroundRole(), tokens().wax);
        line->setPalette(p);
    }
    rows_->addWidget(line);
}

// Files of one length may be the stems of one song.
void ImportReport::addOffer(const std::vector<SourceId>& equallyLong) {
    auto* row = new QWidget(list_);
    row->setFixedHeight(rowHeight);
    auto* layout = new QHBoxLayout(row);
    layout->setContentsMargins(0, 1, 0, 1);
    layout->setSpacing(4);
    auto* text = new ElidedLabel(Qt::ElideRight, row);
    const project::SourcePtr first = project::sourceOf(session_.now(), equallyLong.front());
    const project::SourcePtr second = project::sourceOf(session_.now(), equallyLong[1]);
    const auto others = static_cast<int>(equallyLong.size()) - 2;
    const QString names = others > 0 ? tr("%1, %2 and %3 more").arg(qt(first->name), qt(second->name)).arg(others)
                                     : tr("%1 and %2").arg(qt(first->name), qt(second->name));
    text->setText(tr("%1: equally long, %2 s. Recorded together?")
                      .arg(names, QString::number(first->length().value, 'f', 1)));
    text->setToolTip(text->text());
    text->setFont(textFont(sizes::text, QFont::DemiBold));
    auto* keep =
        button(tr("Make a set"),
               tr("One beat map, heard on their sum, for all of them; they stay together to the sample"), row);
    keep->setObjectName("reportSet");
    keep->setStyleSheet("QPushButton { padding: 1px 7px; }");
    keep->setSizePolicy(QSizePolicy::Fixed, QSizePolicy::Fixed);
    connect(keep, &QPushButton::clicked, this, [this, equallyLong] { session_.listening().makeSet(equallyLong); });
    layout->addWidget(text, 1);
    layout->addWidget(keep);
    rows_->addWidget(row);
    offers_.emplace_back(equallyLong, row);
}

void ImportReport::addRow(SourceId source) {
    Row row;
    row.source = source;
    row.widget = new QWidget(list_);
    row.widget->setFixedHeight(rowHeight);
    new QHBoxLayout(row.widget);
    row.widget->layout()->setContentsMargins(0, 1, 0, 1);
    row.widget->layout()->setSpacing(4);
    rows_->addWidget(row.widget);
    shown_.push_back(row);
    fill(shown_.back());
}

// What is said of a source now, and what one click makes of it.
void ImportReport::fill(Row& row) {
    const project::Project& p = session_.now();
    const project::SourcePtr s = project::sourceOf(p, row.source);
    qDeleteAll(row.widget->findChildren<QWidget*>(QString(), Qt::FindDirectChildrenOnly));
    auto* layout = static_cast<QHBoxLayout*>(row.widget->layout());
    row.text = new ElidedLabel(Qt::ElideRight, row.widget);
    row.text->setText(s ? translated(project::toldOf(p, row.source)) : tr("undone"));
    row.text->setToolTip(row.text->text());
    layout->addWidget(row.text, 1);
    if (!s) return;
    const auto offer = [&](const QString& text, const QString& tip, const char* name, std::function<void()> act) {
        QPushButton* b = button(text, tip, row.widget);
        b->setObjectName(name);
        b->setStyleSheet("QPushButton { padding: 1px 7px; }");
        b->setSizePolicy(QSizePolicy::Fixed, QSizePolicy::Fixed);
        // After the click has ended: it takes this row's buttons away.
        connect(b, &QPushButton::clicked, this, std::move(act), Qt::QueuedConnection);
        layout->addWidget(b);
    };
    const SourceId id = row.source;
    if (const hear::Reading* other = otherChoice(*s))
        offer(tr("%1 by %2").arg(qt(metre::tempoLabel(*other->bpm)), witnessInText(other->by)),
              tr("Use this reading instead"), "reportOther", [this, id, by = other->by] {
                  session_.settle(tr("Choose reading"), project::chooseReading(session_.now(), id, by));
              });
    if (s->beats) {
        const auto scale = [this, id](double factor) {
            const project::SourcePtr now = project::sourceOf(session_.now(), id);
            if (now && now->beats)
                session_.settle(factor < 1 ? tr("Half tempo") : tr("Double tempo"),
                                project::setSourceTempo(session_.now(), id,
                                                        Bpm(now->beats->meanTempo().value * factor),
                                                        hear::Witness::Typed));
        };
        offer(QStringLiteral("½"), tr("Half the tempo"), "reportHalf", [scale] { scale(0.5); });
        offer(QStringLiteral("×2"), tr("Twice the tempo"), "reportDouble", [scale] { scale(2); });
    }
    const std::vector<ClipId> clips = clipsOf(p, id);
    if (clips.empty() || !s->beats) return;
    if (mayLead_ == id)
        offer(tr("Let this source lead"), tr("The project takes the tempo of this source, which plays as recorded"),
              "reportLead", [this, clip = clips.front()] { session_.tempoTaking().leadAsItIsPlayed(clip); });
    if (session_.laid()->find(clips.front())->time().stretched)
        offer(tr("As recorded"), tr("Keep the source's own tempo and pitch"), "reportAsRecorded",
              [this, clips] { session_.edit(tr("As recorded"), project::setAsRecorded(session_.now(), clips)); });
    else
        offer(tr("Fit"), tr("Stretch the source to the project's tempo"), "reportFit", [this, clips] {
            session_.edit(tr("Fit"), project::setRule(session_.now(), clips, project::TimeRule::Stretch));
        });
}

void ImportReport::refresh() {
    if (!isVisible()) return;
    if (generation_ != session_.document().generation()) {
        hide();
        return;
    }
    for (const auto& [sources, row] : offers_)
        row->setVisible(project::mayBeSet(session_.now(), sources).has_value());
    for (Row& row : shown_) {
        const project::SourcePtr s = project::sourceOf(session_.now(), row.source);
        const QString text = s ? translated(project::toldOf(session_.now(), row.source)) : tr("undone");
        if (text != row.text->text()) fill(row);
    }
}

QStringList ImportReport::lines() const {
    QStringList all = problems_;
    for (const Row& row : shown_)
        all << row.text->text();
    return all;
}

void ImportReport::keyPressEvent(QKeyEvent* event) {
    if (event->key() == Qt::Key_Escape)
        hide();
    else
        QWidget::keyPressEvent(event);
}

void ImportReport::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.fillRect(rect(), tokens().sheet);
    p.fillRect(QRect(0, 0, 4, height()), isProblem_ ? tokens().wax : tokens().verdigris);
    p.fillRect(QRect(0, height() - 1, width(), 1), tokens().rule);
}

} // namespace app
