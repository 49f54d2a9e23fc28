#include "app/widgets/controls.h"

#include "app/widgets/elided_label.h"
#include "app/widgets/tokens.h"
#include "base/number.h"

#include <QLabel>
#include <QPushButton>
#include <QVBoxLayout>

namespace app {

QLabel* label(const QString& text, QWidget* parent) {
    auto* l = new QLabel(text, parent);
    l->setProperty("soft", true);
    l->setFont(textFont(sizes::label));
    return l;
}

QPushButton* button(const QString& text, const QString& tip, QWidget* parent) {
    auto* b = new QPushButton(text, parent);
    b->setToolTip(tip);
    b->setAccessibleName(tip.isEmpty() ? text : tip);
    b->setFont(textFont(sizes::text, QFont::Medium));
    return b;
}

QPushButton* toggle(const QString& text, const QString& tip, QWidget* parent) {
    auto* b = button(text, tip, parent);
    b->setCheckable(true);
    return b;
}

std::optional<double> numberIn(QString text) {
    text = text.trimmed().replace(QChar(0x2212), '-');
    for (const char* unit : {"dB", "db", "BPM", "bpm", "bars", "bar", "beats", "beat", "st", "s", "%", "×"})
        if (text.endsWith(QString::fromUtf8(unit))) {
            text.chop(static_cast<int>(QString::fromUtf8(unit).size()));
            break;
        }
    return base::typedNumber(text.trimmed().toStdString());
}

QVBoxLayout* column(const QString& title, QWidget* content) {
    auto* layout = new QVBoxLayout;
    layout->setSpacing(2);
    layout->setContentsMargins(0, 0, 0, 0);
    // Where there is little room, in a language of long words, what stands below has it.
    auto* says = new ElidedLabel(Qt::ElideRight);
    says->setText(title);
    says->setToolTip(title);
    says->setProperty("soft", true);
    says->setFont(textFont(sizes::label));
    says->setSizePolicy(QSizePolicy::Preferred, QSizePolicy::Fixed);
    layout->addWidget(says);
    layout->addWidget(content, 0, Qt::AlignLeft | Qt::AlignVCenter);
    layout->addStretch(1);
    return layout;
}

} // namespace app
