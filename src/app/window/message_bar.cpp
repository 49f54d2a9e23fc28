#include "app/window/message_bar.h"

#include "app/widgets/controls.h"
#include "app/widgets/tokens.h"

#include <QHBoxLayout>
#include <QKeyEvent>
#include <QLabel>
#include <QPainter>
#include <QPlainTextEdit>
#include <QPushButton>
#include <algorithm>

namespace app {

namespace {
constexpr std::size_t most = 20; // messages that lie on one another
}

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
    connect(close_, &QPushButton::clicked, this, &MessageBar::closeTop);
    connect(action_, &QPushButton::clicked, this, [this] {
        if (messages_.empty()) return;
        const auto act = messages_.back().action;
        closeTop();
        if (act) act();
    });
    hide();
}

void MessageBar::show(const QString& title, const QStringList& lines, bool isProblem) {
    put({title, lines, isProblem});
}

void MessageBar::offer(const QString& sentence, bool isProblem, const QString& actionText,
                       std::function<void()> action) {
    put({sentence, {}, isProblem, actionText, std::move(action)});
}

// The same again is not said twice; what was only told gives way to what comes after it.
void MessageBar::put(Message message) {
    std::erase_if(messages_, [&](const Message& m) {
        return (m.title == message.title && m.lines == message.lines) || (!m.isProblem && m.actionText.isEmpty());
    });
    messages_.push_back(std::move(message));
    if (messages_.size() > most) messages_.erase(messages_.begin());
    showTop();
}

void MessageBar::closeTop() {
    if (!messages_.empty()) messages_.pop_back();
    showTop();
}

void MessageBar::giveWay() {
    std::erase_if(messages_, [](const Message& m) { return m.actionText.isEmpty(); });
    showTop();
}

void MessageBar::showTop() {
    if (messages_.empty()) {
        hide();
        return;
    }
    const Message& m = messages_.back();
    title_->setText(m.title);
    lines_->setPlainText(m.lines.join('\n'));
    lines_->setVisible(!m.lines.isEmpty());
    space_->setVisible(m.lines.isEmpty()); // else the buttons would take the room
    action_->setText(m.actionText);
    action_->setAccessibleName(m.actionText);
    action_->setVisible(!m.actionText.isEmpty());
    const auto beneath = static_cast<int>(messages_.size()) - 1;
    close_->setText(beneath == 0 ? tr("Close") : tr("Close (%1 more)").arg(beneath));
    const int shown = std::clamp(static_cast<int>(m.lines.size()), 1, 5);
    setFixedHeight(std::max(40, shown * QFontMetrics(textFont(sizes::text)).lineSpacing() + 20));
    setAccessibleName(m.title);
    QWidget::show();
    update();
}

void MessageBar::keyPressEvent(QKeyEvent* event) {
    if (event->key() == Qt::Key_Escape)
        closeTop();
    else
        QWidget::keyPressEvent(event);
}

void MessageBar::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.fillRect(rect(), tokens().sheet);
    p.fillRect(QRect(0, 0, 4, height()),
               !messages_.empty() && messages_.back().isProblem ? tokens().wax : tokens().verdigris);
    p.fillRect(QRect(0, height() - 1, width(), 1), tokens().rule);
}

} // namespace app
