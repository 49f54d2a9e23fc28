#include "app/card/compare_row.h"

#include "app/session/session.h"
#include "app/widgets/controls.h"
#include "app/widgets/tokens.h"

#include <QComboBox>
#include <QHBoxLayout>
#include <QPushButton>
#include <cmath>

namespace app {

CompareRow::CompareRow(Session& session, QWidget* parent) : QWidget(parent), session_(session) {
    with_ = new QComboBox(this);
    with_->setObjectName("compareWith");
    with_->setFont(textFont(sizes::text));
    with_->setAccessibleName(tr("Compare with"));
    with_->setToolTip(tr("What the selected clips are compared with"));
    with_->addItem(tr("as recorded"));
    for (const stretch::Method m : stretch::methods())
        with_->addItem(QString::fromLatin1(stretch::methodLabel(m)));
    hear_ = toggle(QStringLiteral("A|B"), tr("Compare: the other, as loud as the clip (X)"), this);
    hear_->setObjectName("hearOther");
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(0, 0, 0, 0);
    row->setSpacing(5);
    row->addWidget(with_, 1);
    row->addWidget(hear_);
    connect(hear_, &QPushButton::clicked, this, &CompareRow::hearOther);
    connect(with_, &QComboBox::activated, this, [this] {
        if (hear_->isChecked()) hearOther(true);
    });
    connect(&session_, &Session::selectionChanged, this, [this] {
        session_.player().compare(std::nullopt);
        hear_->setChecked(false);
        refresh();
    });
    connect(&session_, &Session::changed, this, &CompareRow::refresh);
    connect(&session_, &Session::ticked, this, [this] {
        if (hear_->isChecked() && !told_ && session_.player().hearsOther()) tell();
    });
    refresh();
}

std::optional<stretch::Method> CompareRow::other() const {
    const int i = with_->currentIndex();
    return i < 1 ? std::nullopt : std::optional(stretch::methods()[static_cast<std::size_t>(i - 1)]);
}

void CompareRow::swap() {
    if (!hear_->isEnabled()) return;
    hear_->setChecked(!hear_->isChecked());
    hearOther(hear_->isChecked());
}

void CompareRow::hearOther(bool on) {
    play::Player& player = session_.player();
    told_ = false;
    if (on) player.compare(play::Player::Comparison{session_.selection().clips, other()});
    player.hearOther(on);
    if (!on)
        session_.say(tr("Hearing the clip as it is set"));
    else if (player.hearsOther())
        tell();
    else
        session_.say(tr("%1 is heard once it is rendered").arg(with_->currentText()));
}

void CompareRow::tell() {
    told_ = true;
    const double db = session_.player().otherGainDb();
    const QString by = QString::number(db, 'f', 1).replace('-', QChar(0x2212));
    session_.say(tr("Hearing %1, by %2 dB to be as loud").arg(with_->currentText(), by));
}

void CompareRow::refresh() {
    const bool any = !session_.selection().clips.empty();
    with_->setEnabled(any);
    hear_->setEnabled(any);
    if (!any) hear_->setChecked(false);
}

} // namespace app
