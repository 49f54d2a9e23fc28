#include "app/window/status_line.h"

#include "app/session/session.h"
#include "app/widgets/controls.h"
#include "app/widgets/tokens.h"

#include <QHBoxLayout>
#include <QLabel>
#include <QPainter>
#include <QProgressBar>
#include <QPushButton>

namespace app {

StatusLine::StatusLine(Session& session, QWidget* parent) : QWidget(parent), session_(session) {
    sentence_ = new QLabel(this);
    sentence_->setObjectName("statusSentence");
    sentence_->setFont(textFont(sizes::label));
    sentence_->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Preferred);
    hint_ = label({}, this);
    work_ = label({}, this);
    work_->setObjectName("statusWork");
    progress_ = new QProgressBar(this);
    progress_->setTextVisible(false);
    progress_->setFixedWidth(120);
    progress_->setRange(0, 1000);
    progress_->setAccessibleName(tr("Progress"));
    cancel_ = button(tr("Cancel"), tr("Cancel what is under way"), this);
    cancel_->setObjectName("cancelWork");
    cancel_->setProperty("link", true);
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(sizes::margin, 0, sizes::margin, 0);
    row->setSpacing(12);
    row->addWidget(sentence_, 1);
    row->addWidget(work_);
    row->addWidget(progress_);
    row->addWidget(cancel_);
    row->addWidget(hint_);
    setFixedHeight(24);
    connect(&session_, &Session::said, this, [this](const QString& s) {
        sentence_->setText(s);
        sentence_->setToolTip(s);
    });
    connect(&session_.task(), &Task::runningChanged, this, [this] {
        done_ = 0;
        refreshWork();
    });
    connect(&session_.task(), &Task::progressed, this, [this](double f) {
        done_ = f;
        progress_->setValue(static_cast<int>(f * 1000));
        work_->setText(workText());
    });
    connect(&session_, &Session::rendered, this, &StatusLine::refreshWork);
    connect(cancel_, &QPushButton::clicked, this, [this] {
        if (session_.task().isRunning()) {
            session_.task().cancel();
            return;
        }
        session_.player().cancelRenders();
        session_.say(tr("Fitting was cancelled; playing or changing something goes on with it."));
        refreshWork();
    });
    refreshWork();
}

void StatusLine::setHint(const QString& hint) {
    hint_->setText(hint);
}

QString StatusLine::workText() const {
    const Task& t = session_.task();
    if (t.pieces() < 2) return t.what();
    return tr("%1: %2 of %3").arg(t.what()).arg(static_cast<int>(done_ * t.pieces() + 1e-6)).arg(t.pieces());
}

void StatusLine::refreshWork() {
    const bool task = session_.task().isRunning();
    const std::size_t pending = session_.player().pendingRenders();
    const std::size_t all = session_.player().wantedRenders();
    if (task)
        work_->setText(workText());
    else if (pending > 0) {
        work_->setText(tr("Fitting: %1 of %2 clips").arg(all - pending).arg(all));
        progress_->setValue(
            static_cast<int>(1000.0 * double(all - pending) / double(std::max<std::size_t>(1, all))));
    }
    if (task) progress_->setValue(static_cast<int>(done_ * 1000));
    work_->setVisible(task || pending > 0);
    progress_->setVisible(task || pending > 0);
    cancel_->setVisible(task || pending > 0);
    hint_->setVisible(!task && pending == 0);
}

void StatusLine::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.fillRect(rect(), tokens().bar);
    p.fillRect(QRect(0, 0, width(), 1), tokens().rule);
}

} // namespace app
