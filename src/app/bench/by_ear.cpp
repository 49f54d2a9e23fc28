#include "app/bench/by_ear.h"

#include "app/bench/rails_paint.h"
#include "app/bench/rails_view.h"
#include "app/session/session.h"
#include "app/widgets/controls.h"
#include "app/widgets/figure.h"
#include "app/widgets/text.h"
#include "app/widgets/tokens.h"
#include "metre/nearer_beats.h"
#include "metre/tempo.h"
#include "project/edit_pins.h"
#include "project/settle.h"

#include <QHBoxLayout>
#include <QLabel>
#include <QPushButton>
#include <chrono>
#include <cmath>

namespace app {

ByEar::ByEar(Session& session, RailsView& rails, QWidget* parent)
    : QWidget(parent), session_(session), rails_(rails) {
    hear_ = toggle(tr("Play alone"),
                   tr("Plays the recording alone, unstretched, from the brass line (Shift+Space)"), this);
    hear_->setObjectName("hearRaw");
    click_ = toggle(tr("Click"), tr("A click on the recording's beats while it plays alone"), this);
    click_->setObjectName("rawClick");
    loop_ = toggle(tr("Loop"), tr("Loops between the marks, which can be dragged meanwhile"), this);
    loop_->setObjectName("rawLoop");
    tempo_ = new Figure(tr("Tempo of the click"), sizes::strong, this);
    tempo_->setObjectName("triedTempo");
    tempo_->setRoomFor("000.00");
    tempo_->setAlignment(Qt::AlignRight);
    tempo_->setToolTip(
        tr("Tempo of the click, to be tried by ear: the project is left alone until it is used. Wheel: "
           "±0.1, with Shift ±0.01. In the rails: Up and Down, with Ctrl ±1, with both half and double."));
    use_ = button(tr("Use"), tr("Set the source to the click's tempo and beats"), this);
    use_->setObjectName("useTried");
    back_ = button(tr("Back"), tr("The click goes back to the source's own beats"), this);
    back_->setObjectName("triedBack");
    for (QPushButton* b : {hear_, click_, loop_, use_, back_})
        b->setFixedHeight(22);
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(0, 0, 0, 0);
    row->setSpacing(5);
    for (QWidget* w : std::initializer_list<QWidget*>{hear_, click_, loop_, tempo_, use_, back_})
        row->addWidget(w);

    connect(hear_, &QPushButton::clicked, this, [this](bool on) { hear(on); });
    connect(click_, &QPushButton::clicked, this, &ByEar::clicks);
    connect(loop_, &QPushButton::clicked, this, &ByEar::loopMarks);
    connect(tempo_, &Figure::turned, this, [this](int steps, bool fine) { turn(steps * (fine ? 0.01 : 0.1)); });
    connect(tempo_, &Figure::typed, this, [this](const QString& text) {
        const auto bpm = metre::parseTempo(text.toStdString());
        const auto now = heardBeats();
        if (!bpm)
            session_.say(translated(bpm.error().text));
        else if (now)
            tryWith(bpm->value / now->meanTempo().value, 0);
    });
    connect(use_, &QPushButton::clicked, this, &ByEar::use);
    connect(back_, &QPushButton::clicked, this, &ByEar::giveBack);
    connect(&session_, &Session::ticked, this, [this] {
        play::Player& player = session_.player();
        if (player.isPlayingRaw() && (!source_ || (!loops_ && player.rawPosition() > source_->length())))
            player.stopRaw();
        if (hear_->isChecked() != player.isPlayingRaw()) hear_->setChecked(player.isPlayingRaw());
    });
    refresh();
}

void ByEar::show(const project::SourcePtr& source) {
    const bool isOther = (source_ == nullptr) != (source == nullptr) || (source && source_->id != source->id);
    const bool beatsChanged = isOther || (source && source_->beats != source->beats);
    const bool marksChanged = isOther || (source && !(source_->marks == source->marks));
    source_ = source;
    if (isOther) {
        session_.player().stopRaw();
        loops_ = false;
    }
    if (beatsChanged) tried_.reset(); // it is about beats that are no more
    if (isOther || marksChanged) moving_.reset();
    if (beatsChanged || marksChanged) hearAgain();
    refresh();
}

bool ByEar::isHeard() const {
    return session_.player().isPlayingRaw();
}

std::optional<metre::BeatMap> ByEar::base() const {
    if (!source_) return std::nullopt;
    if (source_->beats) return source_->beats;
    // To begin with something where nothing is known: a usual tempo, from the first sound.
    const auto onsets = project::countedOnsets(*source_);
    return metre::BeatMap(metre::Bpm(100), onsets.empty() ? metre::Seconds(0) : onsets.front());
}

std::optional<metre::BeatMap> ByEar::heardBeats() const {
    return tried_ ? tried_ : base();
}

void ByEar::refresh() {
    const auto beats = heardBeats();
    const bool sounds = source_ && source_->sound;
    for (QWidget* w : std::initializer_list<QWidget*>{hear_, click_, loop_, tempo_})
        w->setEnabled(sounds);
    use_->setVisible(tried_.has_value());
    back_->setVisible(tried_.has_value());
    click_->setChecked(clicks_);
    loop_->setChecked(loops_);
    tempo_->setText(beats ? qt(metre::tempoFigure(beats->meanTempo())) : QString());
    rails_.showTried(tried_);
}

project::Marks ByEar::marks() const {
    return moving_ ? *moving_ : shownMarks(*source_);
}

play::Player::RawHearing ByEar::hearing() const {
    play::Player::RawHearing hearing{heardBeats(), source_->metre(), clicks_, {}};
    if (loops_) hearing.between = {marks().from, marks().to};
    return hearing;
}

void ByEar::hearAgain() {
    if (isHeard() && source_) session_.player().hearRaw(hearing());
}

void ByEar::hear(bool on, std::optional<metre::Seconds> from) {
    play::Player& player = session_.player();
    if (!on || !source_ || !source_->sound) {
        player.stopRaw();
    } else {
        metre::Seconds start = from ? *from : rails_.here();
        if (!from && start >= source_->length() - metre::Seconds(0.01)) start = metre::Seconds(0);
        if (loops_ && !from) start = marks().from;
        player.playRaw(source_->sound->shared(), hearing(), start);
        session_.say(tr("%1 as recorded").arg(qt(source_->name)));
    }
    emit session_.ticked();
}

void ByEar::clicks(bool on) {
    clicks_ = on;
    hearAgain();
    refresh();
}

void ByEar::loopMarks(bool on) {
    loops_ = on;
    if (on && !isHeard())
        hear(true);
    else
        hearAgain();
    refresh();
}

void ByEar::marksMove(std::optional<project::Marks> marks) {
    moving_ = marks;
    if (loops_) hearAgain();
}

// What is tried now, its beats nearer together by a factor around the first downbeat, and later by a shift.
void ByEar::tryWith(double factor, double shift) {
    const auto now = heardBeats();
    if (!now) return;
    auto map = metre::nearerBeats(*now, factor, metre::Seconds(shift));
    if (!map) {
        session_.say(translated(map.error().text));
        return;
    }
    tried_ = std::move(*map);
    hearAgain();
    refresh();
}

void ByEar::turn(double byBpm) {
    if (const auto now = heardBeats()) {
        const double bpm = now->meanTempo().value;
        // On hundredths, as it is shown.
        tryWith(std::round((bpm + byBpm) * 100) / 100 / bpm, 0);
    }
}

void ByEar::scale(double factor) {
    tryWith(factor, 0);
}

void ByEar::shiftClick(double bySeconds) {
    tryWith(1, bySeconds);
}

void ByEar::use() {
    if (!source_ || !tried_) return;
    const metre::BeatMap map = *tried_;
    if (session_.settle(tr("Tempo by ear"), project::setBeatsByEar(session_.now(), source_->id, map)))
        session_.say(tr("%1 is %2 BPM, by ear").arg(qt(source_->name), qt(metre::tempoFigure(map.meanTempo()))));
}

void ByEar::giveBack() {
    tried_.reset();
    hearAgain();
    refresh();
}

void ByEar::tap() {
    if (!source_ || !source_->sound) return;
    if (tapped_ != source_->id) tapping_.clear();
    tapped_ = source_->id;
    if (!isHeard()) hear(true);
    const auto now = std::chrono::steady_clock::now().time_since_epoch();
    tapping_.tap(metre::Seconds(std::chrono::duration<double>(now).count()));
    if (tapping_.count() == 1) ++taps_;
    auto result = tapping_.result();
    if (!result || result->taps < 4) {
        session_.say(tr("%1 taps; from the fourth on they count.").arg(tapping_.count()));
        return;
    }
    if (bars_) {
        const double beats = source_->metre().bar().value;
        result->bpm = metre::Bpm(result->bpm.value * beats);
        result->spread *= beats;
    }
    const hear::Reading* heard = project::readingBy(*source_, hear::Witness::Heard);
    hear::Reading reading = hear::tappedReading(*result, heard != nullptr ? heard->bpm : std::nullopt);
    const QString said = translated(reading.evidence);
    const project::SourceId id = source_->id;
    if (session_.edit(tr("Tap tempo"), project::noteReading(session_.now(), id, std::move(reading)),
                      {"tap", id.value, taps_}))
        session_.say(tr("%1 tapped: %2 BPM · %3. Pick it among the readings to use it.")
                         .arg(qt(source_->name), qt(metre::tempoFigure(result->bpm)), said));
}

} // namespace app
