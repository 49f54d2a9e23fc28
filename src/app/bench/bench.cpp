#include "app/bench/bench.h"

#include "app/bench/readings_list.h"
#include "app/bench/selection_list.h"
#include "app/bench/source_view.h"
#include "app/card/card.h"
#include "app/session/session.h"
#include "app/widgets/controls.h"
#include "app/widgets/figure.h"
#include "app/widgets/text.h"
#include "app/widgets/tokens.h"
#include "app/widgets/words.h"
#include "base/number.h"
#include "base/utf8.h"
#include "metre/tempo.h"
#include "project/sets.h"
#include "project/settle.h"
#include "prove/strain.h"

#include <QEvent>
#include <QHBoxLayout>
#include <QLabel>
#include <QPainter>
#include <QPushButton>
#include <QScrollArea>
#include <QSplitter>
#include <QTimer>
#include <QVBoxLayout>
#include <algorithm>
#include <chrono>
#include <cmath>
#include <numeric>

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
    view_ = new SourceView(this);
    viewTitle_ = label(tr("As recorded – seconds"), this);
    raw_ = toggle(tr("Hear as recorded"), tr("Plays the source unstretched; with the click if that is on"), this);
    raw_->setObjectName("hearRaw");
    card_ = new Card(session_, this);

    head_ = new QWidget(this);
    head_->setObjectName("benchLine");
    head_->setCursor(Qt::PointingHandCursor);
    head_->setToolTip(tr("Click: fold the Bench, or open it (B)"));
    head_->installEventFilter(this);
    foldHint_ = label({}, this);
    auto* head = new QHBoxLayout(head_);
    head->setContentsMargins(0, 0, 0, 0);
    head->setSpacing(10);
    head->addWidget(title);
    head->addWidget(name_, 1);
    head->addWidget(facts_);
    head->addWidget(foldHint_);

    auto* left = new QVBoxLayout;
    left->setSpacing(4);
    left->addWidget(label(tr("Readings – pick what the source is"), this));
    left->addWidget(readings_);
    left->addSpacing(2);
    left->addLayout(buttonRow());
    left->addLayout(listenRow());
    left->addLayout(beatsRow());
    left->addStretch(1);

    auto* middle = new QVBoxLayout;
    middle->setSpacing(4);
    auto* viewHead = new QHBoxLayout;
    viewHead->addWidget(viewTitle_, 1);
    viewHead->addWidget(raw_);
    middle->addLayout(viewHead);
    middle->addWidget(view_, 1);
    many_ = new SelectionList(this);
    middle->addWidget(many_, 1);

    body_ = new QWidget(this);
    auto* body = new QHBoxLayout(body_);
    body->setContentsMargins(0, 0, 0, 0);
    body->setSpacing(18);
    auto* leftBox = new QWidget(this);
    leftBox->setFixedWidth(200);
    left->setContentsMargins(0, 0, 0, 0);
    leftBox->setLayout(left);
    body->addWidget(leftBox);
    body->addLayout(middle, 1);
    // All that the Card says has no room at once: it scrolls.
    auto* cardRoom = new QScrollArea(this);
    cardRoom->setObjectName("cardRoom");
    cardRoom->setAccessibleName(tr("Card: settings of the selection"));
    cardRoom->setFrameShape(QFrame::NoFrame);
    cardRoom->setWidgetResizable(true);
    cardRoom->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    cardRoom->setFixedWidth(262);
    cardRoom->setWidget(card_);
    cardRoom->viewport()->setAutoFillBackground(false);
    card_->setAutoFillBackground(false);
    body->addWidget(cardRoom);

    auto* all = new QVBoxLayout(this);
    all->setContentsMargins(12, 8, sizes::margin, 8);
    all->setSpacing(6);
    all->addWidget(head_);
    all->addWidget(body_, 1);

    connect(readings_, &ReadingsList::picked, this, [this](hear::Witness by) {
        if (const auto id = session_.selection().source)
            session_.settle(tr("Pick reading"), project::chooseReading(session_.now(), *id, by));
    });
    connect(readings_, &ReadingsList::pickedOther, this, &Bench::pickOther);
    connect(readings_, &ReadingsList::typingAsked, this, &Bench::typeTempo);
    connect(raw_, &QPushButton::clicked, this, &Bench::playRaw);
    connect(view_, &SourceView::marksAsked, this, [this](double from, double to) {
        if (const auto id = session_.selection().source)
            session_.edit(tr("Marks"),
                          project::setMarks(session_.now(), *id, metre::Seconds(from), metre::Seconds(to)),
                          {"marks", id->value, view_->press()});
    });
    connect(&session_, &Session::ticked, this, [this] {
        play::Player& player = session_.player();
        const project::SourcePtr s = selected();
        if (player.isPlayingRaw() && (!s || player.rawPosition() > s->length())) player.stopRaw();
        raw_->setChecked(player.isPlayingRaw());
        view_->showPosition(player.isPlayingRaw() ? player.rawPosition().value : -1);
    });
    connect(round_, &QPushButton::clicked, this, &Bench::roundTempo);
    connect(tap_, &QPushButton::pressed, this, &Bench::tap);
    connect(half_, &QPushButton::clicked, this, [this] { scaleTempo(0.5); });
    connect(twice_, &QPushButton::clicked, this, [this] { scaleTempo(2); });
    connect(view_, &SourceView::downbeatAsked, this, [this](double seconds) {
        if (const auto id = session_.selection().source)
            session_.settle(tr("First downbeat"),
                            project::setFirstDownbeat(session_.now(), *id, metre::Seconds(seconds)));
    });
    connect(&session_, &Session::changed, this, &Bench::refresh);
    connect(&session_, &Session::selectionChanged, this, &Bench::refresh);
    refresh();
}

void Bench::setSplitter(QSplitter* splitter) {
    splitter_ = splitter;
    refreshFold();
}

void Bench::setFolded(bool on) {
    folded_ = on;
    refreshFold();
}

bool Bench::eventFilter(QObject* object, QEvent* event) {
    if (object == head_ && event->type() == QEvent::MouseButtonRelease) setFolded(!folded_);
    return QWidget::eventFilter(object, event);
}

void Bench::refreshFold() {
    if (splitter_ == nullptr) return;
    const bool nothing = session_.selection().clips.empty() && !session_.selection().source;
    const bool line = folded_ || nothing;
    foldHint_->setText(nothing ? QString() : folded_ ? tr("B opens") : tr("B folds"));
    if (line == isLine_) return;
    if (line) openHeight_ = std::max(height(), 200);
    isLine_ = line;
    body_->setVisible(!line);
    takeHeight();
}

// From the page above, or back to it.
void Bench::takeHeight() {
    const QList<int> sizes = splitter_->sizes();
    const int all = std::accumulate(sizes.begin(), sizes.end(), 0);
    const int wanted = isLine_ ? head_->sizeHint().height() + 16 : openHeight_;
    setMinimumHeight(isLine_ ? wanted : 0);
    setMaximumHeight(isLine_ ? wanted : QWIDGETSIZE_MAX);
    if (all > wanted) splitter_->setSizes({all - wanted, wanted});
}

// Before it is shown a splitter has no sizes to share out.
void Bench::showEvent(QShowEvent*) {
    if (splitter_ != nullptr) QTimer::singleShot(0, this, [this] { takeHeight(); });
}

// The selection in one sentence: "winch_hands_112bpm.wav 112 (name) → 104 · Struck · +7.7 % gentle".
QString Bench::sentence() const {
    const auto& clips = session_.selection().clips;
    if (clips.size() > 1) return tr("%1 clips selected").arg(clips.size());
    const project::SourcePtr s = selected();
    if (!s) return tr("Nothing is selected");
    QString text = qt(base::shownName(s->file));
    if (s->beats) {
        text += " " + qt(metre::tempoLabel(s->beats->meanTempo()));
        if (s->chosen) text += tr(" (%1)").arg(QString::fromLatin1(hear::witnessLabel(*s->chosen)).toLower());
    } else {
        text += tr(", no beat is known");
    }
    const project::LaidClip* clip = clips.empty() ? nullptr : session_.laid()->find(clips.front());
    if (clip == nullptr) return text;
    if (clip->time().stretched) {
        const prove::Strain strain = prove::strainOf(*clip);
        text += QStringLiteral(" → %1 · %2 · %3%4 % %5")
                    .arg(qt(metre::tempoLabel(clip->time().tempo)),
                         clip->rule == project::TimeRule::Slices ? ruleWord(clip->rule)
                                                                 : stretch::methodLabel(clip->clip->stretch.method),
                         strain.percent > 0 ? QStringLiteral("+") : QString(),
                         QString::number(strain.percent, 'f', 1).replace('-', QChar(0x2212)),
                         tr(prove::verdictWord(strain.verdict)));
    } else {
        text += QStringLiteral(" · %1").arg(ruleWord(clip->rule));
    }
    return text;
}

QHBoxLayout* Bench::buttonRow() {
    half_ = button(QStringLiteral("½"), tr("Half the tempo"), this);
    half_->setObjectName("halfTempo");
    twice_ = button(QStringLiteral("×2"), tr("Twice the tempo"), this);
    twice_->setObjectName("twiceTempo");
    round_ = button(tr("Round"), tr("To the whole number next to it"), this);
    round_->setObjectName("roundTempo");
    tap_ = button(tr("Tap"), tr("Tap the beats while the source plays as recorded"), this);
    tap_->setObjectName("tapSource");
    auto* row = new QHBoxLayout;
    row->setSpacing(5);
    for (QPushButton* b : {half_, twice_, round_, tap_})
        row->addWidget(b);
    row->addStretch(1);
    return row;
}

QHBoxLayout* Bench::listenRow() {
    low_ = new Figure(tr("Listen for tempos from"), sizes::strong, this);
    low_->setObjectName("listenLow");
    high_ = new Figure(tr("Listen for tempos up to"), sizes::strong, this);
    high_->setObjectName("listenHigh");
    for (Figure* f : {low_, high_}) {
        f->setRoomFor("300");
        f->setToolTip(tr("Listens between these tempos; one octave, 70 to 140 say, settles half and double"));
    }
    connect(low_, &Figure::typed, this, [this](const QString& text) { listenBetween(text, high_->text()); });
    connect(high_, &Figure::typed, this, [this](const QString& text) { listenBetween(low_->text(), text); });
    connect(low_, &Figure::turned, this, [this](int steps, bool) {
        listenBetween(QString::number(base::typedNumber(low_->text().toStdString()).value_or(0) + 5 * steps),
                      high_->text());
    });
    connect(high_, &Figure::turned, this, [this](int steps, bool) {
        listenBetween(low_->text(),
                      QString::number(base::typedNumber(high_->text().toStdString()).value_or(0) + 5 * steps));
    });
    auto* row = new QHBoxLayout;
    row->setSpacing(6);
    row->addWidget(label(tr("Listen between"), this));
    row->addWidget(low_);
    row->addWidget(label(tr("and"), this));
    row->addWidget(high_);
    row->addStretch(1);
    return row;
}

QHBoxLayout* Bench::beatsRow() {
    beats_ = new Figure(tr("Beats between the marks"), sizes::strong, this);
    beats_->setObjectName("beatsBetween");
    beats_->setRoomFor("1024");
    beats_->setToolTip(tr("How many beats lie between the marks in the ruler of the recording"));
    connect(beats_, &Figure::typed, this, &Bench::beatsBetween);
    connect(beats_, &Figure::turned, this, [this](int steps, bool) {
        beatsBetween(QString::number(
            std::max(1, static_cast<int>(std::lround(base::typedNumber(beats_->text().toStdString()).value_or(0))) +
                            steps)));
    });
    auto* row = new QHBoxLayout;
    row->setSpacing(6);
    row->addWidget(label(tr("Beats between marks"), this));
    row->addWidget(beats_);
    row->addStretch(1);
    return row;
}

project::SourcePtr Bench::selected() const {
    const auto id = session_.selection().source;
    return id ? project::sourceOf(session_.now(), *id) : nullptr;
}

void Bench::scaleTempo(double factor) {
    const project::SourcePtr s = selected();
    if (!s || !s->beats) {
        session_.say(tr("Select a source with a tempo first."));
        return;
    }
    const Bpm bpm(s->beats->meanTempo().value * factor);
    if (session_.settle(factor < 1 ? tr("Half tempo") : tr("Double tempo"),
                        project::setSourceTempo(session_.now(), s->id, bpm, hear::Witness::Typed)))
        session_.say(tr("%1 is now %2 BPM").arg(qt(s->name), qt(metre::tempoLabel(bpm))));
}

void Bench::roundTempo() {
    const project::SourcePtr s = selected();
    const auto whole = s && s->beats ? hear::roundedTempo(s->beats->meanTempo()) : std::nullopt;
    if (!whole) {
        session_.say(tr("There is no whole number within 0.2 BPM."));
        return;
    }
    if (session_.settle(tr("Round tempo"),
                        project::setSourceTempo(session_.now(), s->id, *whole, hear::Witness::Typed)))
        session_.say(tr("%1 is now %2 BPM").arg(qt(s->name), qt(metre::tempoLabel(*whole))));
}

void Bench::tap() {
    const project::SourcePtr s = selected();
    if (!s) return;
    if (tapped_ != s->id) tapping_.clear();
    tapped_ = s->id;
    if (!session_.player().isPlayingRaw()) playRaw(true);
    const auto now = std::chrono::steady_clock::now().time_since_epoch();
    tapping_.tap(metre::Seconds(std::chrono::duration<double>(now).count()));
    if (tapping_.count() == 1) ++taps_;
    const auto result = tapping_.result();
    if (!result || result->taps < 4) {
        session_.say(tr("%1 taps; from the fourth on they count.").arg(tapping_.count()));
        return;
    }
    const hear::Reading* heard = project::readingBy(*s, hear::Witness::Heard);
    hear::Reading reading = hear::tappedReading(*result, heard != nullptr ? heard->bpm : std::nullopt);
    const QString said = qt(reading.evidence);
    if (session_.settle(tr("Tap tempo"), project::setSourceReading(session_.now(), s->id, std::move(reading)),
                        {"tap", s->id.value, taps_}))
        session_.say(tr("%1 tapped: %2 BPM · %3").arg(qt(s->name), qt(metre::tempoFigure(result->bpm)), said));
}

void Bench::swapCompared() {
    card_->swapCompared();
}

void Bench::typeTempo() {
    card_->typeTempo();
}

void Bench::playRaw(bool on) {
    const project::SourcePtr s = selected();
    if (!on || !s || !s->sound) {
        session_.player().stopRaw();
    } else {
        const sound::AudioPtr audio(s->sound, &s->sound->audio);
        session_.player().playRaw(audio, s->beats, session_.now().click);
        raws_ = RawTiming{s->id, s->beats, session_.now().click};
        session_.say(tr("%1 as recorded").arg(qt(s->name)));
    }
    emit session_.ticked();
}

void Bench::pickOther(hear::Witness by, int which) {
    const project::SourcePtr s = selected();
    const hear::Reading* r = s ? project::readingBy(*s, by) : nullptr;
    if (r == nullptr || which >= static_cast<int>(r->others.size())) return;
    const hear::Candidate c = r->others[static_cast<std::size_t>(which)];
    hear::Reading picked = *r;
    picked.bpm = c.bpm;
    picked.beats = c.beats > 0 ? std::optional(Beats(c.beats)) : std::nullopt;
    if (which > 0) picked.pins.clear(); // those lie on the beats of its first
    if (session_.settle(tr("Pick tempo"), project::setSourceReading(session_.now(), s->id, std::move(picked))))
        session_.say(tr("%1 is now %2 BPM").arg(qt(s->name), qt(metre::tempoLabel(c.bpm))));
}

void Bench::listenBetween(const QString& low, const QString& high) {
    const project::SourcePtr s = selected();
    if (!s) return;
    const auto from = metre::parseTempo(low.toStdString());
    const auto to = metre::parseTempo(high.toStdString());
    if (!from || !to || *from >= *to) {
        session_.say(tr("Listen between two tempos, the lower one first: 70 and 140, say."));
        refresh();
        return;
    }
    session_.listenAgain({s->id}, {*from, *to});
}

void Bench::beatsBetween(const QString& text) {
    const project::SourcePtr s = selected();
    bool ok = false;
    const int beats = text.toInt(&ok);
    if (!s) return;
    if (!ok) {
        session_.say(tr("“%1” is not a number of beats.").arg(text));
        return;
    }
    if (session_.settle(tr("Beats between marks"), project::setSourceBeats(session_.now(), s->id, beats),
                        {"beats between", s->id.value, beats_->turn()})) {
        const project::SourcePtr now = selected();
        session_.say(tr("%1: %2 beats between the marks are %3 BPM")
                         .arg(qt(now->name))
                         .arg(beats)
                         .arg(qt(metre::tempoFigure(now->beats->meanTempo()))));
    }
}

void Bench::refreshBelow(const project::SourcePtr& s) {
    const bool beats = s && s->beats;
    half_->setEnabled(beats);
    twice_->setEnabled(beats);
    round_->setEnabled(beats && hear::roundedTempo(s->beats->meanTempo()).has_value());
    tap_->setEnabled(s != nullptr && s->sound);
    raw_->setEnabled(s != nullptr && s->sound);
    for (Figure* f : {low_, high_, beats_})
        f->setEnabled(s != nullptr && s->sound);
    low_->setText(s ? qt(metre::tempoLabel(s->window.low)) : QString());
    high_->setText(s ? qt(metre::tempoLabel(s->window.high)) : QString());
    if (!beats)
        beats_->setText(s ? QStringLiteral("–") : QString());
    else if (s->marks)
        beats_->setText(
            QString::number((s->beats->beatAt(s->marks->to) - s->beats->beatAt(s->marks->from)).value, 'g', 4));
    else
        beats_->setText(QString::number(s->endBeat().value, 'g', 4));
}

void Bench::refresh() {
    const project::Project& p = session_.now();
    const auto id = session_.selection().source;
    const project::SourcePtr s = id ? project::sourceOf(p, *id) : nullptr;
    const auto clips = static_cast<int>(session_.selection().clips.size());
    view_->show(s, p.rate);
    many_->show(session_);
    const bool several = clips > 1;
    many_->setVisible(several);
    view_->setVisible(!several);
    viewTitle_->setText(several ? tr("Selected") : tr("As recorded – seconds"));
    raw_->setVisible(!several);
    refreshBelow(s);
    refreshFold();
    if (isLine_) {
        const QString text = sentence();
        name_->setText(name_->fontMetrics().elidedText(text, Qt::ElideMiddle, std::max(200, width() - 180)));
        name_->setToolTip(text);
        facts_->clear();
    }
    if (!s) {
        if (!isLine_)
            name_->setText(several ? tr("%1 clips selected").arg(clips)
                                   : tr("Select a clip or a source to work on it here."));
        facts_->clear();
        session_.player().stopRaw();
        readings_->show({}, {});
        return;
    }
    readings_->show(s->readings, s->chosen);
    if (!isLine_)
        facts_->setText(tr("%1 · %2 kHz %3 · %4 s")
                            .arg(qt(s->facts.format), QString::number(s->facts.rate / 1000.0),
                                 s->facts.channels == 1 ? tr("mono") : tr("stereo"),
                                 QString::number(s->length().value, 'f', 3)) +
                        (s->key ? QStringLiteral(" · ") + qt(hear::keyLabel(*s->key)) : QString()) +
                        QStringLiteral(" · ") + QString::fromLatin1(hear::kindLabel(s->kind)) +
                        (s->set
                             ? tr(" · set of %n", nullptr, static_cast<int>(project::togetherWith(p, s->id).size()))
                             : QString()));
    if (!isLine_) {
        layout()->activate(); // the facts decide how much room the name has
        name_->setText(
            name_->fontMetrics().elidedText(qt(base::shownName(s->file)), Qt::ElideMiddle, name_->width()));
        name_->setToolTip(qt(base::shownPath(s->file)));
    }
    if (session_.player().isPlayingRaw() && raws_ == RawTiming{s->id, s->beats, p.click}) return;
    if (session_.player().isPlayingRaw() && raws_ && raws_->source == s->id)
        session_.player().retimeRaw(s->beats, p.click);
    else
        session_.player().stopRaw();
    raws_ = RawTiming{s->id, s->beats, p.click};
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
