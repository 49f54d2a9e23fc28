#include "app/strain/key_plot.h"

#include "app/widgets/text.h"
#include "app/widgets/tokens.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <algorithm>

namespace app {

namespace {
constexpr int titleHeight = 22;
constexpr int namesHeight = 36; // of the keys, and what is said of one
constexpr int leftMargin = 44;
} // namespace

KeyPlot::KeyPlot(QWidget* parent) : QWidget(parent) {
    setObjectName("keyPlot");
    setLayoutDirection(Qt::LeftToRight);
    setAccessibleName(tr("Transposition of all sources for every project key"));
    setFocusPolicy(Qt::StrongFocus);
    setMouseTracking(true);
    setMaximumHeight(158);
    setSizePolicy(QSizePolicy::Preferred, QSizePolicy::Preferred);
}

void KeyPlot::show(const prove::KeyMeeting& meeting, std::optional<hear::Key> now) {
    meeting_ = meeting;
    now_ = now;
    update();
}

QRectF KeyPlot::column(int root) const {
    const double step = (width() - leftMargin - 16) / 12.0;
    return {leftMargin + root * step + step * 0.15, titleHeight, step * 0.7,
            double(height() - titleHeight - namesHeight)};
}

std::optional<int> KeyPlot::rootAt(double x) const {
    const double step = (width() - leftMargin - 16) / 12.0;
    const auto root = static_cast<int>(std::floor((x - leftMargin) / step));
    return root >= 0 && root < 12 && !meeting_.sources.empty() ? std::optional(root) : std::nullopt;
}

// "D minor: 7 semitones in all, 2 of 5 transposed: whistle −3, kalimba +4".
QString KeyPlot::told(int root) const {
    const auto& shifts = meeting_.shifts[static_cast<std::size_t>(root)];
    QStringList moved;
    for (std::size_t i = 0; i < shifts.size(); ++i)
        if (shifts[i] != 0)
            moved << QStringLiteral("%1 %2%3").arg(qt(meeting_.sources[i].name),
                                                   shifts[i] > 0 ? QStringLiteral("+") : QString(QChar(0x2212)),
                                                   QString::number(std::abs(shifts[i])));
    const QString key = qt(hear::keyLabel({root, meeting_.minor}));
    if (moved.isEmpty()) return tr("%1: no source is transposed").arg(key);
    return tr("%1: %2 of %3 transposed, %4")
               .arg(key)
               .arg(moved.size())
               .arg(shifts.size())
               .arg(moved.mid(0, 3).join(QStringLiteral(", "))) +
           (moved.size() > 3 ? tr(" and others") : QString());
}

void KeyPlot::paintEvent(QPaintEvent*) {
    const Tokens& t = tokens();
    QPainter p(this);
    p.fillRect(rect(), t.paper);
    constexpr int least = 96; // below it there is nothing to compare
    if (height() < least) return;
    p.setFont(textFont(sizes::label));
    p.setPen(t.inkSoft);
    p.drawText(QRectF(8, 0, width() - 16, titleHeight), Qt::AlignVCenter,
               tr("Key: how far the sources with a known key are transposed, in semitones, by the shorter way"));
    int most = 1;
    for (int root = 0; root < 12; ++root)
        most = std::max(most, meeting_.sum(root));
    for (int root = 0; root < 12; ++root) {
        const QRectF box = column(root);
        p.fillRect(box, t.sheet);
        const double perSemitone = (box.height() - 18) / most;
        double top = box.bottom();
        const auto& shifts = meeting_.shifts[static_cast<std::size_t>(root)];
        for (std::size_t i = 0; i < shifts.size(); ++i) {
            const double high = std::abs(shifts[i]) * perSemitone;
            top -= high;
            p.fillRect(QRectF(box.left(), top, box.width(), high), t.tint(meeting_.sources[i].tint));
        }
        const bool isBest = meeting_.best == root;
        const bool isNow = now_ && now_->root == root && now_->minor == meeting_.minor;
        p.setPen(t.ink);
        p.setFont(figureFont(14));
        p.drawText(QRectF(box.left(), top - 18, box.width(), 17), Qt::AlignCenter,
                   QString::number(meeting_.sum(root)));
        p.setPen(isBest ? t.brassText : t.ink);
        p.setFont(textFont(sizes::text, isBest ? QFont::DemiBold : QFont::Normal));
        const QString name = qt(hear::keyLabel({root, meeting_.minor}));
        p.drawText(QRectF(box.left() - 12, box.bottom() + 2, box.width() + 24, 16), Qt::AlignCenter,
                   name.section(' ', 0, 0));
        p.setFont(textFont(sizes::label));
        p.setPen(isBest ? t.brassText : t.wax);
        const QString word = isBest && isNow ? tr("all meet, now")
                             : isBest        ? tr("all meet")
                             : isNow         ? tr("now")
                                             : QString();
        p.drawText(QRectF(box.left() - 20, box.bottom() + 17, box.width() + 40, 15), Qt::AlignCenter, word);
        if (isBest || pointed_ == root) {
            p.setBrush(Qt::NoBrush);
            p.setPen(QPen(isBest ? t.brass : t.ruleStrong, isBest ? 2 : 1));
            p.drawRect(box.adjusted(-3, -2, 3, 2));
        }
    }
    if (hasFocus()) {
        p.setBrush(Qt::NoBrush);
        p.setPen(QPen(t.brass, 1));
        p.drawRect(rect().adjusted(0, 0, -1, -1));
    }
}

void KeyPlot::mouseMoveEvent(QMouseEvent* event) {
    const auto root = rootAt(event->position().x());
    if (root == pointed_) return;
    pointed_ = root;
    update();
    emit hinted(root ? told(*root) + tr(" · a click sets the project's key") : QString());
}

void KeyPlot::mousePressEvent(QMouseEvent* event) {
    const auto root = rootAt(event->position().x());
    if (event->button() == Qt::LeftButton && root) emit keyAsked(*root, meeting_.minor);
}

// The arrow keys point, Enter sets.
void KeyPlot::keyPressEvent(QKeyEvent* event) {
    const int step = event->key() == Qt::Key_Right ? 1 : event->key() == Qt::Key_Left ? -1 : 0;
    if (step != 0 && !meeting_.sources.empty()) {
        pointed_ = (pointed_.value_or(meeting_.best.value_or(0) - step) + step + 12) % 12;
        update();
        spokenChanged(*this);
        emit hinted(told(*pointed_));
    } else if ((event->key() == Qt::Key_Return || event->key() == Qt::Key_Enter) && pointed_) {
        emit keyAsked(*pointed_, meeting_.minor);
    } else {
        QWidget::keyPressEvent(event);
    }
}

void KeyPlot::leaveEvent(QEvent*) {
    pointed_.reset();
    update();
    emit hinted({});
}

QString KeyPlot::spokenCursor() const {
    return pointed_ ? QStringLiteral("key %1").arg(*pointed_) : QString();
}

std::vector<SpokenItem> KeyPlot::spoken() {
    std::vector<SpokenItem> list;
    if (meeting_.sources.empty()) return list;
    for (int root = 0; root < 12; ++root) {
        QString name = told(root);
        if (meeting_.best == root) name += QStringLiteral(", ") + tr("all meet");
        if (now_ && now_->root == root && now_->minor == meeting_.minor) name += QStringLiteral(", ") + tr("now");
        SpokenItem item{QStringLiteral("key %1").arg(root), QAccessible::ListItem, name};
        item.where = column(root).toRect();
        item.isSelected = pointed_ == root;
        item.reach = [this, root] {
            pointed_ = root;
            update();
            spokenChanged(*this);
        };
        item.actions = {{tr("Use this key"), [this, root] { emit keyAsked(root, meeting_.minor); }}};
        list.push_back(std::move(item));
    }
    return list;
}

} // namespace app
