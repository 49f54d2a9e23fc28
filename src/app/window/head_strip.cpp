#include "app/window/head_strip.h"

#include "app/session/session.h"
#include "app/shelf/in_project_page.h"
#include "app/widgets/controls.h"
#include "app/widgets/dropped_files.h"
#include "app/widgets/figure.h"
#include "app/widgets/meter.h"
#include "app/widgets/text.h"
#include "app/widgets/tokens.h"
#include "app/window/proof_summary.h"
#include "metre/tempo.h"
#include "prove/meeting.h"

#include <QDragEnterEvent>
#include <QHBoxLayout>
#include <QLabel>
#include <QPainter>
#include <QPushButton>
#include <QWheelEvent>

namespace app {

HeadStrip::HeadStrip(Session& session, QWidget* parent) : QWidget(parent), session_(session) {
    setObjectName("headStrip");
    setAcceptDrops(true);

    buildFigures();
    buildTransport();
    layOut();
    connectFigures();
    connectTransport();
    refresh();
}

void HeadStrip::buildFigures() {
    tempo_ = new Figure(tr("Project tempo"), sizes::largeFigure, this);
    tempo_->setObjectName("projectTempo");
    tempo_->setRoomFor("000.00");
    tempo_->setToolTip(tr("Project tempo in beats a minute. Wheel: ±1, with Shift ±0.1. Double click: type it."));
    led_ = button({}, tr("What sets the tempo: the project itself, or one recording that everything else follows"),
                  this);
    led_->setObjectName("ledBy");
    led_->setAccessibleName(tr("Led by"));
    led_->setMinimumWidth(78);
    led_->setMaximumWidth(112);
    metre_ = new Figure(tr("Metre"), 22, this);
    metre_->setObjectName("metre");
    metre_->setRoomFor("12/8");
    metre_->setToolTip(tr("Metre. Wheel: beats in a bar. Double click: type it, such as 3/4."));
    key_ = new Figure(tr("Key"), 22, this);
    key_->setObjectName("projectKey");
    key_->setRoomFor("F# min");
    key_->setToolTip(
        tr("Key of the project. Wheel: by semitones. Double click: type it, such as D minor; “none” ends it."));
    gain_ = new Figure(tr("Output gain"), sizes::strong, this);
    gain_->setObjectName("outputGain");
    gain_->setRoomFor(QStringLiteral("−00.0 dB"));
    gain_->setAlignment(Qt::AlignRight);
    gain_->setToolTip(tr("Gain of the output: on all that is heard, not on what is delivered."));

    meeting_ = new QLabel(this);
    meeting_->setObjectName("meetingTempo");
    meeting_->setFont(figureFont(22));
    meeting_->setMinimumWidth(QFontMetrics(figureFont(22)).horizontalAdvance("000.0"));
    meet_ = button(tr("Use"), {}, this);
    meet_->setObjectName("useMeetingTempo");
    proof_ = new ProofSummary(this);
}

void HeadStrip::buildTransport() {
    back_ = button(QStringLiteral("|◂"), tr("Back to the beginning (Home)"), this);
    play_ = button(QStringLiteral("▶"), tr("Play or stop (Space)"), this);
    play_->setObjectName("play");
    play_->setProperty("primary", true);
    play_->setMinimumWidth(44);
    stop_ = button(QStringLiteral("■"), tr("Stop; again: back to the beginning"), this);
    loop_ = toggle(tr("Loop"), tr("Repeat the loop range (L)"), this);
    loop_->setObjectName("loop");
    click_ = toggle(tr("Click"), tr("Click on every beat (C)"), this);
    click_->setObjectName("click");
    click_->setToolTip(tr("Click on every beat (C). Wheel: how loud."));
    click_->installEventFilter(this);
    tap_ = button(tr("Tap"), tr("Tap the tempo (T)"), this);
    tap_->setObjectName("tap");
    for (QPushButton* b : {back_, play_, stop_, loop_, click_, tap_})
        b->setFixedHeight(28);
    for (QPushButton* b : {loop_, click_, tap_})
        b->setMinimumWidth(b->sizeHint().width());
    back_->setFixedWidth(32);
    stop_->setFixedWidth(32);

    position_ = new QLabel(this);
    position_->setObjectName("position");
    position_->setAccessibleName(tr("Play position"));
    position_->setFont(figureFont(28));
    position_->setMinimumWidth(QFontMetrics(figureFont(28)).horizontalAdvance("000 · 0 · 00"));
    meter_ = new Meter(this);
    output_ = label({}, this);
    output_->setObjectName("outputTold");
}

void HeadStrip::layOut() {
    transport_ = new QHBoxLayout;
    transport_->setSpacing(5);
    for (QPushButton* b : {back_, play_, stop_, loop_, click_, tap_})
        transport_->addWidget(b);

    auto* right = new QVBoxLayout;
    right->setSpacing(2);
    right->addWidget(meter_, 0, Qt::AlignRight);
    auto* below = new QHBoxLayout;
    below->setSpacing(6);
    below->addStretch(1);
    below->addWidget(output_);
    below->addWidget(gain_);
    right->addLayout(below);
    right->addStretch(1);

    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(sizes::margin, 8, sizes::margin, 6);
    row->setSpacing(14);
    row->addLayout(column(tr("Project tempo"), tempo_));
    row->addLayout(column(tr("Led by"), led_));
    row->addLayout(column(tr("Metre"), metre_));
    row->addLayout(column(tr("Key"), key_));
    auto* meeting = new QHBoxLayout;
    meeting->setContentsMargins(0, 0, 0, 0);
    meeting->setSpacing(5);
    meeting->addWidget(meeting_);
    meeting->addWidget(meet_);
    auto* meetingBox = new QWidget(this);
    meetingBox->setLayout(meeting);
    row->addLayout(column(tr("Sources meet at"), meetingBox));
    row->addStretch(1);
    row->addLayout(transport_);
    row->addLayout(column(tr("Bar · beat · part"), position_));
    row->addStretch(1);
    row->addLayout(column(tr("Proof"), proof_));
    row->addLayout(right);
}

void HeadStrip::connectFigures() {
    connect(tempo_, &Figure::turned, this, [this](int steps, bool fine) {
        const double now = session_.now().tempo.points().front().bpm.value;
        setTempo(now + steps * (fine ? 0.1 : 1.0), {"turn tempo", 0, tempo_->turn()});
    });
    connect(tempo_, &Figure::typed, this, [this](const QString& text) {
        const auto bpm = metre::parseTempo(text.toStdString());
        if (!bpm)
            session_.say(translated(bpm.error().text));
        else
            setTempo(bpm->value, {});
    });
    connect(led_, &QPushButton::clicked, this,
            [this] { emit leadersAsked(led_->mapToGlobal(QPoint(0, led_->height()))); });
    connect(metre_, &Figure::typed, this, [this](const QString& text) {
        const auto m = metre::parseMetre(text.toStdString());
        if (!m)
            session_.say(translated(m.error().text));
        else
            session_.edit(tr("Metre"), project::setMetre(session_.now(), *m));
    });
    connect(metre_, &Figure::turned, this, [this](int steps, bool) {
        metre::Metre m = session_.now().metre.points().front().metre;
        m.beats = std::clamp(m.beats + steps, 1, 32);
        session_.edit(tr("Metre"), project::setMetre(session_.now(), m), {"turn metre", 0, metre_->turn()});
    });
    connect(key_, &Figure::typed, this, [this](const QString& text) {
        const QString word = text.trimmed().toLower();
        const bool none = word.isEmpty() || word == tr("none") || word == QStringLiteral("–");
        const auto key = none ? std::nullopt : hear::parseKey(text.trimmed().toStdString());
        if (!none && !key)
            session_.say(tr("“%1” is not a key. Type one such as D minor, F# or Eb major.").arg(text));
        else
            session_.edit(tr("Key"), project::setKeyAt(session_.now(), 1, key));
    });
    connect(key_, &Figure::turned, this, [this](int steps, bool) {
        hear::Key key = session_.now().keys.points().front().key.value_or(hear::Key{0, false});
        key.root = ((key.root + steps) % 12 + 12) % 12;
        session_.edit(tr("Key"), project::setKeyAt(session_.now(), 1, key), {"turn key", 0, key_->turn()});
    });
    connect(gain_, &Figure::turned, this, [this](int steps, bool fine) {
        session_.document().setOutputGain(std::clamp(session_.now().view.outputDb + steps * (fine ? 0.1 : 0.5),
                                                     project::quietestDb, project::loudestDb));
    });
    connect(gain_, &Figure::typed, this, [this](const QString& text) {
        if (const auto db = numberIn(text))
            session_.document().setOutputGain(*db);
        else
            session_.say(tr("“%1” is not a gain in decibels.").arg(text));
    });
}

void HeadStrip::connectTransport() {
    connect(meet_, &QPushButton::clicked, &session_.tempoTaking(), &TempoTaking::meet);
    connect(proof_, &QAbstractButton::clicked, this, &HeadStrip::worstAsked);
    connect(&session_, &Session::proven, this, [this] { proof_->show(session_.proofs()); });
    connect(&session_, &Session::preferred, this, &HeadStrip::refreshMeeting);
    connect(back_, &QPushButton::clicked, this, [this] { session_.transport().locate(Beats(0)); });
    connect(play_, &QPushButton::clicked, &session_.transport(), &Transport::toggle);
    connect(stop_, &QPushButton::clicked, &session_.transport(), &Transport::stop);
    connect(loop_, &QPushButton::clicked, this, [this](bool on) { session_.document().setLooping(on); });
    connect(click_, &QPushButton::clicked, this, [this](bool on) { session_.document().setClick(on); });
    connect(tap_, &QPushButton::pressed, this, &HeadStrip::tap);
    connect(&session_, &Session::changed, this, &HeadStrip::refresh);
    connect(&session_, &Session::opened, this, &HeadStrip::refresh);
    connect(&session_, &Session::ticked, this, &HeadStrip::refreshPosition);
    connect(&session_.together(), &Together::struck, this, [this](double at) { tapAt(metre::Seconds(at)); });
}

// The wheel over the button of the click turns how loud it is.
bool HeadStrip::eventFilter(QObject* object, QEvent* event) {
    if (object != click_ || event->type() != QEvent::Wheel) return QWidget::eventFilter(object, event);
    const auto* wheel = static_cast<QWheelEvent*>(event);
    const int turn = wheel->angleDelta().y() != 0 ? wheel->angleDelta().y() : wheel->angleDelta().x();
    const double step = wheel->modifiers().testFlag(Qt::ShiftModifier) ? 0.1 : 0.5;
    const double db = std::clamp(session_.now().view.clickDb + (turn > 0 ? step : -step), project::quietestDb,
                                 project::loudestDb);
    session_.document().setClickGain(db);
    session_.say(tr("Click %1 dB").arg(QString::number(db, 'f', 1).replace('-', QChar(0x2212))));
    return true;
}

void HeadStrip::typeTempo() {
    tempo_->beginTyping();
}

void HeadStrip::tap() {
    tapAt(metre::Seconds(play::steadyNow()));
}

void HeadStrip::tapAt(metre::Seconds at) {
    taps_.tap(at);
    if (taps_.count() == 1) ++tapping_; // they begin anew
    if (const auto bpm = taps_.tempo()) {
        // Tapped tempos are meant to a tenth at best.
        setTempo(std::round(bpm->value * 10) / 10, {"tap tempo", 0, tapping_});
        session_.say(tr("Tapped %1 BPM · %2 taps").arg(qt(metre::tempoLabel(*bpm))).arg(taps_.count()));
    }
}

void HeadStrip::setTempo(double bpm, const Gesture& gesture) {
    const double clamped = std::clamp(bpm, metre::slowestTempo.value, metre::fastestTempo.value);
    const auto& points = session_.now().tempo.points();
    const double ratio = clamped / points.front().bpm.value;
    const bool several = points.size() > 1;
    if (!session_.edit(tr("Project tempo"), project::setTempo(session_.now(), Bpm(clamped)), gesture)) return;
    const QString figure = qt(metre::tempoFigure(Bpm(clamped)));
    // Of a map of several, all are scaled.
    session_.say(several ? tr("Project tempo %1 BPM: all tempos × %2").arg(figure, QString::number(ratio, 'f', 2))
                         : tr("Project tempo %1 BPM").arg(figure));
}

void HeadStrip::refresh() {
    const project::Project& p = session_.now();
    tempo_->setText(qt(metre::tempoFigure(p.tempo.points().front().bpm)));
    refreshLead();
    metre_->setText(qt(metre::metreLabel(p.metre.points().front().metre)));
    const auto key = p.keys.points().front().key;
    key_->setText(key ? qt(hear::keyLabel(*key)) : QStringLiteral("–"));
    gain_->setText(QString::number(p.view.outputDb, 'f', 1).replace('-', QChar(0x2212)) + " dB");
    loop_->setChecked(p.view.looping);
    click_->setChecked(p.view.click);
    output_->setText(session_.player().output().isSimulated() ? tr("no device") : QString());
    output_->setToolTip(session_.device().told());
    proof_->show(session_.proofs());
    refreshMeeting();
    refreshPosition();
}

// A recording, another program, or the project itself.
void HeadStrip::refreshLead() {
    const project::Project& p = session_.now();
    const project::SourcePtr leader = p.lead ? project::sourceOf(p, p.lead->source) : nullptr;
    const QString other = session_.together().ledBy();
    const auto midi = session_.together().midiTempo();
    const QString reading = midi ? qt(metre::tempoFigure(*midi)) : QString();
    QString name = leader ? qt(leader->name) : !other.isEmpty() ? other : tr("Project");
    if (!other.isEmpty() && leader) name = other + QStringLiteral(" · ") + name;
    const bool isClock = session_.preferences().together.ledBy == LedBy::Midi && !other.isEmpty();
    if (isClock && midi && !leader) name += QStringLiteral(" ") + reading;
    led_->setText(led_->fontMetrics().elidedText(name, Qt::ElideRight, 78) + QStringLiteral(" ▾"));
    QStringList told;
    if (leader) told << tr("%1 leads: the tempo is its own, and everything follows it").arg(qt(leader->name));
    if (!other.isEmpty()) told << tr("%1 says when the project plays, and where").arg(other);
    if (midi) told << tr("The MIDI clock that comes in has %1 BPM: this menu takes it").arg(reading);
    if (told.isEmpty())
        told << tr("What sets the tempo: the project itself, or one recording that everything else follows");
    led_->setToolTip(told.join('\n'));
}

void HeadStrip::refreshMeeting() {
    const project::Project& p = session_.now();
    const Bpm now = p.tempo.points().front().bpm;
    const auto all = prove::strainedIn(*session_.laid());
    const prove::Comfort& comfort = session_.preferences().comfort;
    // Most edits change none of that.
    MetBy by{all, comfort, now, p.lead.has_value()};
    if (metBy_ == by) return;
    metBy_ = std::move(by);
    const auto at = prove::meetingTempo(all, {}, comfort, now);
    meeting_->setText(at ? QString::number(at->value, 'f', 1) : QStringLiteral("–"));
    meet_->setEnabled(at && !p.lead && std::abs(at->value - now.value) >= 0.05);
    const QString tip =
        !at ? tr("The tempo at which all sources together are stretched least: none is stretched yet")
        : p.lead
            ? tr("The tempo at which all sources together are stretched least. A recording leads: stop leading "
                 "first.")
            : tr("The tempo at which all sources together are stretched least: strained %1 % together there, %2 % "
                 "now")
                  .arg(prove::strainTogether(all, *at, comfort), 0, 'f', 1)
                  .arg(prove::strainTogether(all, now, comfort), 0, 'f', 1);
    meeting_->setToolTip(tip);
    meet_->setToolTip(tip);
    meet_->setAccessibleName(at ? tr("Use the meeting tempo, %1").arg(meeting_->text())
                                : tr("Use the meeting tempo"));
}

void HeadStrip::refreshPosition() {
    play::Player& player = session_.player();
    const QString at = qt(metre::positionLabel(session_.now().metre.positionAt(player.position())));
    if (position_->text() != at) position_->setText(at);
    const QString mark = player.isPlaying() ? QStringLiteral("❚❚") : QStringLiteral("▶");
    if (play_->text() != mark) play_->setText(mark);
    const float left = player.takePeak(0);
    meter_->feed(left, player.takePeak(1));
}

void HeadStrip::dragEnterEvent(QDragEnterEvent* event) {
    if (event->mimeData()->hasUrls() || event->mimeData()->hasFormat(InProjectPage::sourceMime)) event->accept();
}

// Onto the tempo: the project takes that of what is dropped. Elsewhere on the strip nothing is to be dropped.
void HeadStrip::dragMoveEvent(QDragMoveEvent* event) {
    event->setAccepted(tempo_->geometry().adjusted(-10, -20, 10, 10).contains(event->position().toPoint()));
}

void HeadStrip::dropEvent(QDropEvent* event) {
    if (event->mimeData()->hasFormat(InProjectPage::sourceMime)) {
        const SourceId id{event->mimeData()->data(InProjectPage::sourceMime).toLongLong()};
        const project::SourcePtr source = project::sourceOf(session_.now(), id);
        if (source && source->beats)
            setTempo(source->beats->meanTempo().value, {});
        else
            session_.say(tr("No beat found in it: the project's tempo stays."));
    } else if (const auto files = filesIn(*event->mimeData()); !files.empty()) {
        session_.tempoTaking().fromFile(files.front());
    }
    event->acceptProposedAction();
}

// In a narrow window, and in a language of long words, everything moves closer; the meeting tempo is used from its
// menu then, and from its page.
void HeadStrip::resizeEvent(QResizeEvent*) {
    constexpr int roomy = 1240;
    const auto arrange = [this](bool narrow) {
        layout()->setSpacing(narrow ? 7 : 14);
        transport_->setSpacing(narrow ? 3 : 5);
        position_->setMinimumWidth(
            QFontMetrics(figureFont(28)).horizontalAdvance(narrow ? "00 · 0 · 00" : "000 · 0 · 00"));
        proof_->setNarrow(narrow);
        meet_->setVisible(!narrow);
        layout()->invalidate();
    };
    arrange(width() < roomy);
    if (width() >= roomy && layout()->minimumSize().width() > width()) arrange(true);
}

void HeadStrip::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.fillRect(rect(), tokens().paper);
    p.fillRect(QRect(0, height() - 2, width(), 2), tokens().ink);
}

} // namespace app
