#include "app/window/status_line.h"

#include "app/session/session.h"
#include "app/widgets/controls.h"
#include "app/widgets/spoken.h"
#include "app/widgets/tokens.h"

#include <QHBoxLayout>
#include <QLabel>
#include <QPainter>
#include <QProgressBar>
#include <QPushButton>

namespace app {

StatusLine::Row StatusLine::makeRow(std::size_t index) {
    Row row{new QWidget(this), nullptr, nullptr, nullptr, 0};
    row.what = label({}, row.box);
    row.progress = new QProgressBar(row.box);
    row.progress->setTextVisible(false);
    row.progress->setFixedWidth(90);
    row.progress->setRange(0, 1000);
    row.progress->setAccessibleName(tr("Progress"));
    row.cancel = button(QStringLiteral("×"), tr("Cancel this job"), row.box);
    row.cancel->setAccessibleName(tr("Cancel"));
    row.cancel->setProperty("link", true);
    row.cancel->setStyleSheet("text-decoration: none;");
    row.cancel->setFixedWidth(18);
    if (index == 0) {
        row.what->setObjectName("statusWork");
        row.cancel->setObjectName("cancelWork");
    }
    auto* line = new QHBoxLayout(row.box);
    line->setContentsMargins(0, 0, 0, 0);
    line->setSpacing(8);
    line->addWidget(row.what);
    line->addWidget(row.progress);
    line->addWidget(row.cancel);
    connect(row.cancel, &QPushButton::clicked, this, [this, index] { cancel(index); });
    return row;
}

StatusLine::StatusLine(Session& session, QWidget* parent) : QWidget(parent), session_(session) {
    sentence_ = new QLabel(this);
    sentence_->setObjectName("statusSentence");
    sentence_->setFont(textFont(sizes::label));
    sentence_->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Preferred);
    hint_ = label({}, this);
    more_ = label({}, this);
    more_->setObjectName("statusMore");
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(sizes::margin, 0, sizes::margin, 0);
    row->setSpacing(14);
    row->addWidget(sentence_, 1);
    for (std::size_t i = 0; i < rows; ++i) {
        rows_.push_back(makeRow(i));
        row->addWidget(rows_.back().box);
    }
    row->addWidget(more_);
    row->addWidget(hint_);
    setFixedHeight(24);
    connect(&session_, &Session::said, this, [this](const QString& s) {
        sentence_->setText(s);
        sentence_->setToolTip(s);
        QAccessibleEvent heard(sentence_, QAccessible::Alert); // read out though it has no focus
        tellReaders(heard);
    });
    connect(&session_.jobs(), &Jobs::changed, this, &StatusLine::refreshWork);
    connect(&session_, &Session::rendered, this, &StatusLine::refreshWork);
    // What is fitted within a moment may be done before anybody tells that it was begun.
    connect(&session_, &Session::ticked, this, [this] {
        if (session_.player().pendingRenders() != pending_) refreshWork();
    });
    refreshWork();
}

void StatusLine::setHint(const QString& hint) {
    hint_->setText(hint);
}

void StatusLine::cancel(std::size_t index) {
    if (rows_[index].job != 0) {
        session_.jobs().cancel(rows_[index].job);
        return;
    }
    session_.player().cancelRenders();
    session_.say(tr("Fitting was cancelled; playing or changing something goes on with it."));
    refreshWork();
}

void StatusLine::refreshWork() {
    const auto jobs = session_.jobs().shown();
    std::size_t shown = 0;
    const auto show = [&](qint64 job, const QString& text, double fraction) {
        if (shown == rows) return;
        Row& row = rows_[shown++];
        row.job = job;
        row.what->setText(text);
        row.progress->setValue(static_cast<int>(1000 * fraction));
    };
    for (const Jobs::Shown& job : jobs) {
        QString text = job.what;
        if (job.queued)
            text = tr("%1: waits").arg(job.what);
        else if (job.pieces > 1)
            text = tr("%1: %2 of %3")
                       .arg(job.what)
                       .arg(static_cast<int>(job.fraction * job.pieces + 1e-6))
                       .arg(job.pieces);
        show(job.id, text, job.fraction);
    }
    const std::size_t pending = pending_ = session_.player().pendingRenders();
    const std::size_t all = session_.player().wantedRenders();
    if (pending > 0 && jobs.size() < rows)
        show(0, tr("Fitting: %1 of %2 clips").arg(all - pending).arg(all),
             double(all - pending) / double(std::max<std::size_t>(1, all)));
    for (std::size_t i = 0; i < rows; ++i)
        rows_[i].box->setVisible(i < shown);
    more_->setVisible(jobs.size() > rows);
    more_->setText(tr("and %1 more").arg(jobs.size() - std::min(jobs.size(), rows)));
    hint_->setVisible(shown == 0);
}

void StatusLine::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.fillRect(rect(), tokens().bar);
    p.fillRect(QRect(0, 0, width(), 1), tokens().rule);
}

} // namespace app
