#include "app/window/head_strip.h"

#include "app/session/session.h"
#include "app/widgets/controls.h"
#include "app/widgets/figure.h"
#include "app/widgets/meter.h"
#include "app/widgets/text.h"
#include "app/widgets/tokens.h"
#include "metre/tempo.h"

#include <QHBoxLayout>
#include <QLabel>
#include <QPainter>
#include <QPushButton>

namespace app {

HeadStrip::HeadStrip(Session& session, QWidget* parent) : QWidget(parent), session_(session) {
    setObjectName("headStrip");
    clock_.start();

    tempo_ = new Figure(tr("Project tempo"), sizes::largeFigure, this);
    tempo_->setObjectName("projectTempo");
    tempo_->setRoomFor("000.00");
    tempo_->setToolTip(tr("Project tempo in beats a minute. Wheel: ±1, with Shift ±0.1. Double click: type it."));
    metre_ = new Figure(tr("Metre"), 22, this);
    metre_->setObjectName("metre");
    metre_->setRoomFor("12/8");
    metre_->setToolTip(tr("Metre. Wheel: beats in a bar. Double click: type it, such as 3/4."));
    key_ = new QLabel(this);
    key_->setFont(figureFont(22));

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
    tap_ = button(tr("Tap"), tr("Tap the tempo (T)"), this);
    tap_->setObjectName("tap");
    for (QPushButton* b : {back_, play_, stop_, loop_, click_, tap_})
        b->setFixedHeight(28);
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

    auto* transport = new QHBoxLayout;
    transport->setSpacing(5);
    for (QPushButton* b : {back_, play_, stop_, loop_, click_, tap_})
        transport->addWidget(b);

    auto* right = new QVBoxLayout;
    right->setSpacing(2);
    right->addWidget(meter_, 0, Qt::AlignRight);
    right->addWidget(output_, 0, Qt::AlignRight);
    right->addStretch(1);

    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(sizes::margin, 8, sizes::margin, 6);
    row->setSpacing(26);
    row->addLayout(column(tr("Project tempo"), tempo_));
    row->addLayout(column(tr("Metre"), metre_));
    row->addLayout(column(tr("Key"), key_));
    row->addStretch(1);
    row->addLayout(transport);
    row->addLayout(column(tr("Bar · beat · part"), position_));
    row->addStretch(1);
    row->addLayout(right);

    connect(tempo_, &Figure::turned, this, [this](int steps, bool fine) {
        const double now = session_.now().tempo.points().front().bpm.value;
        setTempo(now + steps * (fine ? 0.1 : 1.0), {"turn tempo", 0, tempo_->turn()});
    });
    connect(tempo_, &Figure::typed, this, [this](const QString& text) {
        const auto bpm = metre::parseTempo(text.toStdString());
        if (!bpm)
            session_.say(qt(bpm.error().text));
        else
            setTempo(bpm->value, {});
    });
    connect(metre_, &Figure::typed, this, [this](const QString& text) {
        const auto m = metre::parseMetre(text.toStdString());
        if (!m)
            session_.say(qt(m.error().text));
        else
            session_.edit(tr("Metre"), project::setMetre(session_.now(), *m));
    });
    connect(metre_, &Figure::turned, this, [this](int steps, bool) {
        metre::Metre m = session_.now().metre.points().front().metre;
        m.beats = std::clamp(m.beats + steps, 1, 32);
        session_.edit(tr("Metre"), project::setMetre(session_.now(), m), {"turn metre", 0, metre_->turn()});
    });
    connect(back_, &QPushButton::clicked, this, [this] { session_.locate(Beats(0)); });
    connect(play_, &QPushButton::clicked, &session_, &Session::togglePlay);
    connect(stop_, &QPushButton::clicked, &session_, &Session::stop);
    connect(loop_, &QPushButton::clicked, this, [this](bool on) { session_.document().setLooping(on); });
    connect(click_, &QPushButton::clicked, this, [this](bool on) { session_.document().setClick(on); });
    connect(tap_, &QPushButton::pressed, this, &HeadStrip::tap);
    connect(&session_, &Session::changed, this, &HeadStrip::refresh);
    connect(&session_, &Session::opened, this, &HeadStrip::refresh);
    connect(&session_, &Session::ticked, this, &HeadStrip::refreshPosition);
    refresh();
}

void HeadStrip::typeTempo() {
    tempo_->beginTyping();
}

void HeadStrip::tap() {
    taps_.tap(metre::Seconds(static_cast<double>(clock_.nsecsElapsed()) * 1e-9));
    if (taps_.count() == 1) ++tapping_; // they begin anew
    if (const auto bpm = taps_.tempo()) {
        // Tapped tempos are meant to a tenth at best.
        setTempo(std::round(bpm->value * 10) / 10, {"tap tempo", 0, tapping_});
        session_.say(tr("Tapped %1 BPM · %2 taps").arg(qt(metre::tempoLabel(*bpm))).arg(taps_.count()));
    }
}

void HeadStrip::setTempo(double bpm, const Gesture& gesture) {
    const double clamped = std::clamp(bpm, metre::slowestTempo.value, metre::fastestTempo.value);
    if (session_.edit(tr("Project tempo"), project::setTempo(session_.now(), Bpm(clamped)), gesture))
        session_.say(tr("Project tempo %1 BPM").arg(qt(metre::tempoFigure(Bpm(clamped)))));
}

void HeadStrip::refresh() {
    const project::Project& p = session_.now();
    tempo_->setText(qt(metre::tempoFigure(p.tempo.points().front().bpm)));
    metre_->setText(qt(metre::metreLabel(p.metre.points().front().metre)));
    key_->setText(p.key ? qt(hear::keyLabel(*p.key)) : QStringLiteral("–"));
    loop_->setChecked(p.loop.on);
    click_->setChecked(p.click);
    output_->setText(session_.player().output().isSimulated() ? tr("no sound device") : QString());
    output_->setToolTip(session_.outputTold());
    refreshPosition();
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

void HeadStrip::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.fillRect(rect(), tokens().paper);
    p.fillRect(QRect(0, height() - 2, width(), 2), tokens().ink);
}

} // namespace app
