#include "app/window/message_bar.h"

#include "app/widgets/controls.h"
#include "app/widgets/tokens.h"

#include <QHBoxLayout>
#include <QKeyEvent>
#include <QLabel>
#include <QPainter>
#include <QPlainTextEdit>
#include <QPushButton>

namespace app {

MessageBar::MessageBar(QWidget* parent) : QWidget(parent) {
    setObjectName("messageBar");
    title_ = new QLabel(this);
    title_->setFont(textFont(sizes::text, QFont::DemiBold));
    lines_ = new QPlainTextEdit(this);
    lines_->setObjectName("messageLines");
    lines_->setAccessibleName(tr("Details"));
    lines_->setReadOnly(true);
    lines_->setFrameShape(QFrame::NoFrame);
    lines_->setTabChangesFocus(true);
    lines_->setFont(textFont(sizes::text));
    lines_->setStyleSheet("background: transparent;");
    lines_->document()->setDocumentMargin(0);
    space_ = new QWidget(this);
    space_->setSizePolicy(QSizePolicy::Expanding, QSizePolicy::Preferred);
    action_ = button({}, {}, this);
    action_->setObjectName("messageAction");
    action_->setSizePolicy(QSizePolicy::Fixed, QSizePolicy::Fixed);
    close_ = button(tr("Close"), tr("Close this message (Escape)"), this);
    close_->setSizePolicy(QSizePolicy::Fixed, QSizePolicy::Fixed);
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(sizes::margin, 6, sizes::margin, 6);
    row->setSpacing(16);
    row->addWidget(title_, 0, Qt::AlignTop);
    row->addWidget(lines_, 1);
    row->addWidget(space_, 1);
    row->addWidget(action_, 0, Qt::AlignTop);
    row->addWidget(close_, 0, Qt::AlignTop);
    connect(close_, &QPushButton::clicked, this, &QWidget::hide);
    connect(action_, &QPushButton::clicked, this, [this] {
        hide();
        if (whenActed_) whenActed_();
    });
    hide();
}

void MessageBar::show(const QString& title, const QStringList& lines, bool isProblem) {
    problem_ = isProblem;
    title_->setText(title);
    lines_->setPlainText(lines.join('\n'));
    lines_->setVisible(!lines.isEmpty());
    space_->setVisible(lines.isEmpty()); // else the buttons would take the room
    action_->hide();
    const int shown = std::clamp(static_cast<int>(lines.size()), 1, 5);
    setFixedHeight(std::max(40, shown * QFontMetrics(textFont(sizes::text)).lineSpacing() + 20));
    setAccessibleName(title);
    QWidget::show();
    update();
}

void MessageBar::offer(const QString& actionText, std::function<void()> action) {
    action_->setText(actionText);
    action_->setAccessibleName(actionText);
    action_->show();
    whenActed_ = std::move(action);
}

void MessageBar::keyPressEvent(QKeyEvent* event) {
    if (event->key() == Qt::Key_Escape)
        hide();
    else
        QWidget::keyPressEvent(event);
}

void MessageBar::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.fillRect(rect(), tokens().sheet);
    p.fillRect(QRect(0, 0, 4, height()), problem_ ? tokens().wax : tokens().verdigris);
    p.fillRect(QRect(0, height() - 1, width(), 1), tokens().rule);
}

} // namespace app
