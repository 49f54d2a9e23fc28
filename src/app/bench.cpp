#include "app/bench.h"

#include "app/card.h"
#include "app/controls.h"
#include "app/readings_list.h"
#include "app/session.h"
#include "app/source_view.h"
#include "app/text.h"
#include "app/tokens.h"
#include "metre/tempo.h"

#include <QHBoxLayout>
#include <QLabel>
#include <QPainter>
#include <QPushButton>
#include <QVBoxLayout>

namespace app {

Bench::Bench(Session& session, QWidget* parent) : QWidget(parent), session_(session) {
    setObjectName("bench");
    auto* title = new QLabel(tr("Bench"), this);
    title->setFont(textFont(sizes::strong, QFont::DemiBold));
    name_ = new QLabel(this);
    name_->setFont(textFont(sizes::text));
    name_->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Preferred);
    facts_ = label({}, this);

    readings_ = new ReadingsList(this);
    half_ = button(QStringLiteral("½"), tr("Half the tempo"), this);
    half_->setObjectName("halfTempo");
    twice_ = button(QStringLiteral("×2"), tr("Twice the tempo"), this);
    twice_->setObjectName("twiceTempo");
    view_ = new SourceView(this);
    viewTitle_ = label(tr("As recorded – seconds"), this);
    card_ = new Card(session_, this);

    auto* head = new QHBoxLayout;
    head->setSpacing(10);
    head->addWidget(title);
    head->addWidget(name_, 1);
    head->addWidget(facts_);

    auto* left = new QVBoxLayout;
    left->setSpacing(4);
    left->addWidget(label(tr("Readings – pick what the source is"), this));
    left->addWidget(readings_);
    auto* scale = new QHBoxLayout;
    scale->setSpacing(5);
    scale->setContentsMargins(0, 6, 0, 0);
    scale->addWidget(half_);
    scale->addWidget(twice_);
    scale->addStretch(1);
    left->addLayout(scale);
    left->addStretch(1);

    auto* middle = new QVBoxLayout;
    middle->setSpacing(4);
    middle->addWidget(viewTitle_);
    middle->addWidget(view_, 1);

    auto* body = new QHBoxLayout;
    body->setSpacing(18);
    auto* leftBox = new QWidget(this);
    leftBox->setFixedWidth(200);
    left->setContentsMargins(0, 0, 0, 0);
    leftBox->setLayout(left);
    body->addWidget(leftBox);
    body->addLayout(middle, 1);
    card_->setFixedWidth(226);
    body->addWidget(card_);

    auto* all = new QVBoxLayout(this);
    all->setContentsMargins(12, 8, sizes::margin, 8);
    all->setSpacing(6);
    all->addLayout(head);
    all->addLayout(body, 1);

    connect(readings_, &ReadingsList::picked, this, [this](hear::Witness by) {
        if (const auto id = session_.selection().source)
            session_.edit(tr("Pick reading"), project::chooseReading(session_.now(), *id, by));
    });
    connect(half_, &QPushButton::clicked, this, [this] { scaleTempo(0.5); });
    connect(twice_, &QPushButton::clicked, this, [this] { scaleTempo(2); });
    connect(view_, &SourceView::downbeatAsked, this, [this](double seconds) {
        if (const auto id = session_.selection().source)
            session_.edit(tr("First downbeat"),
                          project::setFirstDownbeat(session_.now(), *id, metre::Seconds(seconds)));
    });
    connect(&session_, &Session::changed, this, &Bench::refresh);
    connect(&session_, &Session::selectionChanged, this, &Bench::refresh);
    refresh();
}

void Bench::scaleTempo(double factor) {
    const auto id = session_.selection().source;
    const project::SourcePtr s = id ? project::sourceOf(session_.now(), *id) : nullptr;
    if (!s || !s->beats) {
        session_.say(tr("Select a source with a tempo first."));
        return;
    }
    const Bpm bpm(s->beats->meanTempo().value * factor);
    if (session_.edit(factor < 1 ? tr("Half tempo") : tr("Double tempo"),
                      project::setSourceTempo(session_.now(), *id, bpm, hear::Witness::Typed)))
        session_.say(tr("%1 is now %2 BPM").arg(qt(s->name), qt(metre::tempoLabel(bpm))));
}

void Bench::refresh() {
    const project::Project& p = session_.now();
    const auto id = session_.selection().source;
    const project::SourcePtr s = id ? project::sourceOf(p, *id) : nullptr;
    const auto clips = static_cast<int>(session_.selection().clips.size());
    view_->show(s, p.rate);
    half_->setEnabled(s && s->beats);
    twice_->setEnabled(s && s->beats);
    if (!s) {
        name_->setText(clips > 1 ? tr("%1 clips selected").arg(clips)
                                 : tr("Select a clip or a source to work on it here."));
        facts_->clear();
        readings_->show({}, {});
        return;
    }
    facts_->setText(tr("%1 · %2 kHz %3 · %4 s")
                        .arg(qt(s->facts.format), QString::number(s->facts.rate / 1000.0),
                             s->facts.channels == 1 ? tr("mono") : tr("stereo"),
                             QString::number(s->length().value, 'f', 3)) +
                    (s->key ? QStringLiteral(" · ") + qt(hear::keyLabel(*s->key)) : QString()));
    layout()->activate(); // the facts decide how much room the name has
    name_->setText(name_->fontMetrics().elidedText(qt(sound::shownName(s->file)), Qt::ElideMiddle, name_->width()));
    name_->setToolTip(qt(sound::shownPath(s->file)));
    readings_->show(s->readings, s->chosen);
}

void Bench::resizeEvent(QResizeEvent* event) {
    QWidget::resizeEvent(event);
    // The name is shortened to the room it has once the layout has given it that.
    QMetaObject::invokeMethod(this, &Bench::refresh, Qt::QueuedConnection);
}

void Bench::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.fillRect(rect(), tokens().paper);
    p.fillRect(QRect(0, 0, width(), 2), tokens().ink);
}

} // namespace app
