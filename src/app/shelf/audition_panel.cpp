#include "app/shelf/audition_panel.h"

#include "app/session/session.h"
#include "app/shelf/audition_wave.h"
#include "app/shelf/entry_model.h"
#include "app/widgets/controls.h"
#include "app/widgets/elided_label.h"
#include "app/widgets/level_bar.h"
#include "app/widgets/text.h"
#include "app/widgets/tokens.h"
#include "base/utf8.h"

#include <QHBoxLayout>
#include <QLabel>
#include <QPainter>
#include <QPushButton>

namespace app {

AuditionPanel::AuditionPanel(Session& session, QWidget* parent) : QWidget(parent), session_(session) {
    setObjectName("auditionPanel");
    buildParts();
    auto* first = new QHBoxLayout;
    first->setSpacing(4);
    for (QPushButton* b : {hear_, inTempo_, repeat_, automatic_})
        first->addWidget(b);
    first->addStretch(1);
    auto* second = new QHBoxLayout;
    second->setSpacing(4);
    second->addWidget(inKey_);
    second->addWidget(atOnce_);
    second->addWidget(level_, 1);
    auto* all = new QVBoxLayout(this);
    all->setContentsMargins(10, 9, 10, 9);
    all->setSpacing(5);
    all->addWidget(name_);
    all->addWidget(facts_);
    all->addWidget(wave_);
    all->addLayout(first);
    all->addLayout(second);
    connectParts();
    refresh();
}

void AuditionPanel::buildParts() {
    name_ = new ElidedLabel(Qt::ElideMiddle, this);
    name_->setObjectName("auditionName");
    name_->setFont(textFont(sizes::strong, QFont::DemiBold));
    facts_ = new ElidedLabel(Qt::ElideRight, this);
    facts_->setProperty("soft", true);
    facts_->setFont(textFont(sizes::label));
    facts_->setObjectName("auditionFacts");
    wave_ = new AuditionWave(this);
    wave_->setObjectName("auditionWave");
    hear_ = button(QStringLiteral("▶"), tr("Audition the selected file, or stop (A)"), this);
    hear_->setObjectName("auditionHear");
    hear_->setCheckable(true);
    inTempo_ = toggle(tr("In tempo"), tr("Fitted to the project's tempo; else as it was recorded"), this);
    inTempo_->setObjectName("auditionInTempo");
    repeat_ = toggle(tr("Repeat"), tr("Repeats until another file is selected"), this);
    automatic_ = toggle(tr("Auto"), tr("Plays a file as soon as it is selected"), this);
    automatic_->setObjectName("auditionAuto");
    inKey_ = toggle(tr("In key"), tr("In the project's key as well, where both keys are known"), this);
    atOnce_ = toggle(tr("Start at once"), tr("While the project plays: does not wait for the next bar line"), this);
    level_ = new LevelBar(tr("Level of the audition"), AuditionWays::quietest, AuditionWays::loudest,
                          AuditionWays().db, this);
    level_->setObjectName("auditionLevel");
    for (QPushButton* b : {hear_, inTempo_, repeat_, automatic_, inKey_, atOnce_}) {
        b->setSizePolicy(QSizePolicy::Maximum, QSizePolicy::Fixed);
        b->setStyleSheet("QPushButton { padding: 3px 7px; }");
    }
}

void AuditionPanel::connectParts() {
    Audition& audition = session_.audition();
    connect(hear_, &QPushButton::clicked, this, &AuditionPanel::toggleHearing);
    const auto way = [this, &audition](QPushButton* b, bool AuditionWays::*which) {
        connect(b, &QPushButton::clicked, this, [&audition, which](bool on) {
            AuditionWays ways = audition.ways();
            ways.*which = on;
            audition.setWays(ways);
        });
    };
    way(inTempo_, &AuditionWays::inTempo);
    way(repeat_, &AuditionWays::repeat);
    way(automatic_, &AuditionWays::automatic);
    way(inKey_, &AuditionWays::inKey);
    way(atOnce_, &AuditionWays::atOnce);
    connect(level_, &LevelBar::levelChanged, this, [&audition](double db) {
        AuditionWays ways = audition.ways();
        ways.db = db;
        audition.setWays(ways);
    });
    connect(wave_, &AuditionWave::pressedAt, this, [&audition](metre::Seconds at) { audition.hearFrom(at); });
    connect(&audition, &Audition::changed, this, &AuditionPanel::refresh);
    connect(&session_, &Session::ticked, this, &AuditionPanel::tick);
}

void AuditionPanel::toggleHearing() {
    Audition& audition = session_.audition();
    if (audition.isHeard())
        audition.stop();
    else
        audition.hear();
    refresh();
}

void AuditionPanel::refresh() {
    const Audition& audition = session_.audition();
    const AuditionWays& ways = audition.ways();
    const auto& source = audition.source();
    const bool any = !audition.file().empty();
    name_->setText(any ? qt(base::shownName(audition.file())) : tr("No file selected"));
    name_->setToolTip(any ? qt(base::shownPath(audition.file())) : QString());
    QString facts = tr("Select a file to hear it.");
    if (!audition.problem().isEmpty())
        facts = audition.problem();
    else if (source)
        facts = factsOf(*source) + (audition.isReading() ? tr(" · being read") : QString());
    else if (any)
        facts = tr("being read");
    facts_->setText(facts);
    facts_->setToolTip(facts);
    wave_->show(source);
    hear_->setEnabled(any);
    hear_->setChecked(audition.isHeard());
    hear_->setText(audition.isHeard() ? QStringLiteral("■") : QStringLiteral("▶"));
    inTempo_->setChecked(ways.inTempo);
    repeat_->setChecked(ways.repeat);
    automatic_->setChecked(ways.automatic);
    inKey_->setChecked(ways.inKey);
    atOnce_->setChecked(ways.atOnce);
    level_->setLevel(ways.db);
}

void AuditionPanel::tick() {
    wave_->showPosition(session_.audition().position());
    level_->feed(std::max(session_.player().takeAuditionPeak(0), session_.player().takeAuditionPeak(1)));
    if (session_.audition().isHeard() && !session_.audition().isReading() && !session_.player().isAuditioning())
        session_.audition().stop(); // it has ended, or the project was stopped
}

void AuditionPanel::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.fillRect(rect(), tokens().panel);
    p.fillRect(QRect(0, 0, width(), 1), tokens().rule);
}

} // namespace app
