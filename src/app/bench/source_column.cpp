#include "app/bench/source_column.h"

#include "app/bench/by_ear.h"
#include "app/bench/feel_plot.h"
#include "app/bench/source_figures.h"
#include "app/session/session.h"
#include "app/session/several_sources.h"
#include "app/widgets/controls.h"
#include "app/widgets/figure.h"
#include "app/widgets/text.h"
#include "app/widgets/tokens.h"
#include "app/widgets/words.h"
#include "base/number.h"
#include "metre/tempo.h"
#include "project/edit_pins.h"
#include "project/edit_sources.h"
#include "project/settle.h"

#include <QGridLayout>
#include <QHBoxLayout>
#include <QLabel>
#include <QPushButton>
#include <QSlider>
#include <QVBoxLayout>
#include <algorithm>
#include <array>
#include <cmath>

namespace app {

namespace {

// Metres of a source, in the order in which the wheel goes through them.
constexpr std::array<metre::Metre, 15> metres = {{{2, 4},
                                                  {3, 4},
                                                  {4, 4},
                                                  {5, 4},
                                                  {6, 4},
                                                  {7, 4},
                                                  {8, 4},
                                                  {9, 4},
                                                  {10, 4},
                                                  {11, 4},
                                                  {12, 4},
                                                  {6, 8},
                                                  {7, 8},
                                                  {9, 8},
                                                  {12, 8}}};

} // namespace

SourceColumn::SourceColumn(Session& session, ByEar& byEar, QWidget* parent)
    : QWidget(parent), session_(session), byEar_(byEar) {
    figures_ = new SourceFigures(session_, this);
    buildButtons();
    straighten_ =
        button(tr("Straighten…"), tr("Finds the beats, and lays the playing on them as strictly as you say"), this);
    straighten_->setObjectName("straighten");
    lead_ = button(tr("Let this source lead…"),
                   tr("The beats of this recording become the project's tempo, and it plays as recorded"), this);
    lead_->setObjectName("letItLead");
    take_ = button(tr("Take project time here"),
                   tr("For a recording that was played to this project: its beats become the project's here, and "
                      "follow from then on"),
                   this);
    take_->setObjectName("takeTime");

    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 10, 0);
    column->setSpacing(4);
    column->addWidget(figures_);
    feel_ = new FeelPlot(this);
    column->addWidget(feel_);
    column->addLayout(roundRow());
    column->addLayout(listenRow());
    column->addLayout(betweenRow());
    column->addLayout(barRow());
    column->addLayout(onsetRow());
    column->addLayout(followRow());
    for (QPushButton* b : {straighten_, lead_, take_})
        column->addWidget(b);
    column->addStretch(1);

    connect(straighten_, &QPushButton::clicked, this,
            [this] { emit straightenAsked(straighten_->mapToGlobal(QPoint(0, straighten_->height()))); });
    connect(lead_, &QPushButton::clicked, this,
            [this] { emit leadAsked(lead_->mapToGlobal(QPoint(0, lead_->height()))); });
    connect(take_, &QPushButton::clicked, this, &SourceColumn::takeTimeAsked);
}

// Beside the readings: two rows, as high as these.
void SourceColumn::buildButtons() {
    quick_ = new QWidget(this);
    half_ = button(QStringLiteral("½"), tr("Half the tempo (Alt+−)"), quick_);
    half_->setObjectName("halfTempo");
    twice_ = button(QStringLiteral("×2"), tr("Twice the tempo (Alt++)"), quick_);
    twice_->setObjectName("twiceTempo");
    tap_ = button(tr("Tap"),
                  tr("Tap while the recording plays alone (Shift+T): the tempo stands among the readings"), quick_);
    tap_->setObjectName("tapSource");
    auto* grid = new QGridLayout(quick_);
    grid->setContentsMargins(0, 0, 0, 3);
    grid->setSpacing(3);
    for (QPushButton* b : {half_, twice_, tap_}) {
        b->setProperty("narrow", true);
        b->setFixedHeight(20);
    }
    half_->setFixedWidth(31);
    twice_->setFixedWidth(31);
    grid->addWidget(half_, 0, 0);
    grid->addWidget(twice_, 0, 1);
    grid->addWidget(tap_, 1, 0, 1, 2);
    connect(tap_, &QPushButton::pressed, &byEar_, &ByEar::tap);
    connect(half_, &QPushButton::clicked, this, [this] {
        if (source_) scaleTempos(session_, {source_->id}, 0.5);
    });
    connect(twice_, &QPushButton::clicked, this, [this] {
        if (source_) scaleTempos(session_, {source_->id}, 2);
    });
}

QHBoxLayout* SourceColumn::roundRow() {
    round_ = button(tr("Round the tempo"), tr("To the whole number next to it (Alt+R)"), this);
    round_->setObjectName("roundTempo");
    connect(round_, &QPushButton::clicked, this, [this] {
        if (source_) roundTempos(session_, {source_->id});
    });
    auto* row = new QHBoxLayout;
    row->addWidget(round_);
    row->addStretch(1);
    return row;
}

QHBoxLayout* SourceColumn::listenRow() {
    low_ = new Figure(tr("Listen for tempos from"), sizes::strong, this);
    low_->setObjectName("listenLow");
    high_ = new Figure(tr("Listen for tempos up to"), sizes::strong, this);
    high_->setObjectName("listenHigh");
    for (Figure* f : {low_, high_}) {
        f->setRoomFor("300");
        f->setToolTip(tr("Listens between these tempos; one octave, 70 to 140 say, settles half and double"));
    }
    const auto turned = [](const Figure* figure, int steps) {
        return QString::number(base::typedNumber(figure->text().toStdString()).value_or(0) + 5 * steps);
    };
    connect(low_, &Figure::typed, this, [this](const QString& text) { listenBetween(text, high_->text()); });
    connect(high_, &Figure::typed, this, [this](const QString& text) { listenBetween(low_->text(), text); });
    connect(low_, &Figure::turned, this,
            [this, turned](int steps, bool) { listenBetween(turned(low_, steps), high_->text()); });
    connect(high_, &Figure::turned, this,
            [this, turned](int steps, bool) { listenBetween(low_->text(), turned(high_, steps)); });
    auto* row = new QHBoxLayout;
    row->setSpacing(6);
    row->addWidget(label(tr("Listen between"), this));
    row->addWidget(low_);
    row->addWidget(label(tr("and"), this));
    row->addWidget(high_);
    row->addStretch(1);
    return row;
}

QHBoxLayout* SourceColumn::betweenRow() {
    beats_ = new Figure(tr("Beats between the marks"), sizes::strong, this);
    beats_->setObjectName("beatsBetween");
    bars_ = new Figure(tr("Bars between the marks"), sizes::strong, this);
    bars_->setObjectName("barsBetween");
    for (Figure* f : {beats_, bars_}) {
        f->setRoomFor("128");
        f->setToolTip(tr("How many lie between the marks in the ruler of the recording: its tempo follows"));
        const bool isBars = f == bars_;
        connect(f, &Figure::typed, this, [this, isBars](const QString& text) { unitsBetween(text, isBars); });
        connect(f, &Figure::turned, this, [this, f, isBars](int steps, bool) {
            const auto now = base::typedNumber(f->text().toStdString()).value_or(0);
            unitsBetween(QString::number(std::max(1, static_cast<int>(std::lround(now)) + steps)), isBars);
        });
    }
    auto* row = new QHBoxLayout;
    row->setSpacing(5);
    row->addWidget(label(tr("Marked"), this));
    row->addWidget(beats_);
    row->addWidget(label(tr("beats"), this));
    row->addWidget(bars_);
    row->addWidget(label(tr("bars"), this));
    row->addStretch(1);
    return row;
}

QHBoxLayout* SourceColumn::barRow() {
    metre_ = new Figure(tr("Metre of the source"), sizes::strong, this);
    metre_->setObjectName("sourceMetre");
    metre_->setRoomFor("12/8");
    metre_->setToolTip(
        tr("Metre of the recording: 2 to 12 beats in a bar, or 6/8, 7/8, 9/8, 12/8. Wheel, or type it."));
    connect(metre_, &Figure::turned, this, [this](int steps, bool) { turnMetre(steps); });
    connect(metre_, &Figure::typed, this, [this](const QString& text) {
        if (!source_) return;
        const QString full = text.contains('/') ? text : text + "/4";
        const auto m = metre::parseMetre(full.toStdString());
        if (!m)
            session_.say(translated(m.error().text));
        else
            session_.edit(tr("Metre of the source"), project::setSourceMetre(session_.now(), source_->id, *m));
    });
    auto* row = new QHBoxLayout;
    row->setSpacing(6);
    row->addWidget(label(tr("Metre"), this));
    row->addWidget(metre_);
    row->addStretch(1);
    tapBars_ = toggle(tr("Tap bars"), tr("Taps are on bars, not on beats"), this);
    tapBars_->setObjectName("tapBars");
    connect(tapBars_, &QPushButton::clicked, &byEar_, &ByEar::tapBars);
    row->addWidget(tapBars_);
    return row;
}

QHBoxLayout* SourceColumn::onsetRow() {
    onsets_ = new QSlider(Qt::Horizontal, this);
    onsets_->setObjectName("onsetSensitivity");
    onsets_->setAccessibleName(tr("Which onsets count"));
    onsets_->setToolTip(
        tr("Which onsets count: the strongest alone on the left, all that were found on the right. Knobs, "
           "marks and steps hold to these."));
    onsets_->setRange(0, 100);
    connect(onsets_, &QSlider::sliderPressed, this, [this] { ++slides_; });
    connect(onsets_, &QSlider::valueChanged, this, [this](int value) {
        if (!source_) return;
        if (session_.edit(tr("Which onsets count"),
                          project::setOnsetSensitivity(session_.now(), source_->id, value / 100.0),
                          {"onsets", source_->id.value, slides_})) {
            const std::size_t n =
                source_ && source_->sound ? project::sliceStarts(*source_->sound, value / 100.0).size() : 0;
            session_.say(n == 1 ? tr("One onset counts") : tr("%1 onsets count").arg(n));
        }
    });
    auto* row = new QHBoxLayout;
    row->setSpacing(8);
    row->addWidget(label(tr("Onsets"), this));
    row->addWidget(onsets_, 1);
    return row;
}

QHBoxLayout* SourceColumn::followRow() {
    follow_ = new Figure(tr("Strictness of straightening"), sizes::strong, this);
    follow_->setObjectName("followPlaying");
    follow_->setRoomFor(QStringLiteral("100 %"));
    follow_->setAlignment(Qt::AlignRight);
    follow_->setToolTip(
        tr("How strictly the playing is laid on its beats: 0 % keeps it as it was played, at one tempo. "
           "Wheel: ±5 %."));
    connect(follow_, &Figure::turned, this, [this](int steps, bool fine) {
        if (source_) followBy(source_->straight.percent + steps * (fine ? 1 : 5));
    });
    connect(follow_, &Figure::typed, this, [this](const QString& text) {
        if (const auto percent = numberIn(text))
            followBy(*percent);
        else
            session_.say(tr("“%1” is not a percentage.").arg(text));
    });
    auto* row = new QHBoxLayout;
    row->setSpacing(6);
    followLabel_ = label(tr("Follow the playing"), this);
    row->addWidget(followLabel_);
    row->addStretch(1);
    row->addWidget(follow_);
    return row;
}

void SourceColumn::followBy(double percent) {
    if (!source_) return;
    project::Straightness straight = source_->straight;
    straight.percent = std::clamp(percent, 0.0, 100.0);
    if (session_.edit(tr("Follow the playing"), project::setStraightness(session_.now(), source_->id, straight),
                      {"follow playing", source_->id.value, follow_->turn()}))
        session_.say(straight.percent == 0 ? tr("As it was played, at one tempo")
                                           : tr("Straightened to %1 %").arg(straight.percent));
}

void SourceColumn::turnMetre(int steps) {
    if (!source_) return;
    const auto now = std::find(metres.begin(), metres.end(), source_->metre());
    const std::ptrdiff_t at = now == metres.end() ? 2 : now - metres.begin();
    const auto to = std::clamp<std::ptrdiff_t>(at + steps, 0, static_cast<std::ptrdiff_t>(metres.size()) - 1);
    session_.edit(tr("Metre of the source"),
                  project::setSourceMetre(session_.now(), source_->id, metres[static_cast<std::size_t>(to)]),
                  {"source metre", source_->id.value, metre_->turn()});
}

void SourceColumn::pick(hear::Witness by) {
    if (!source_) return;
    const QString name = qt(source_->name);
    if (!session_.settle(tr("Use a reading"), project::chooseReading(session_.now(), source_->id, by))) return;
    const project::SourcePtr now = project::sourceOf(session_.now(), source_->id);
    if (now && now->beats)
        session_.say(
            tr("%1: %2 BPM, %3").arg(name, qt(metre::tempoLabel(now->beats->meanTempo())), witnessInText(by)));
}

void SourceColumn::typeTempo(const QString& text) {
    if (!source_) return;
    const QString name = qt(source_->name);
    const auto bpm = metre::parseTempo(text.toStdString());
    if (!bpm)
        session_.say(translated(bpm.error().text));
    else if (session_.settle(tr("Tempo of the recording"),
                             project::setSourceTempo(session_.now(), source_->id, *bpm, hear::Witness::Typed)))
        session_.say(tr("%1: %2 BPM, typed").arg(name, qt(metre::tempoLabel(*bpm))));
}

void SourceColumn::pickOther(hear::Witness by, int which) {
    const hear::Reading* r = source_ ? project::readingBy(*source_, by) : nullptr;
    if (r == nullptr || which >= static_cast<int>(r->others.size())) return;
    const hear::Candidate c = r->others[static_cast<std::size_t>(which)];
    hear::Reading picked = *r;
    picked.bpm = c.bpm;
    picked.beats = c.beats > 0 ? std::optional(Beats(c.beats)) : std::nullopt;
    if (which > 0) picked.pins.clear(); // those lie on the beats of its first
    const QString name = qt(source_->name);
    if (session_.settle(tr("Pick tempo"),
                        project::setSourceReading(session_.now(), source_->id, std::move(picked))))
        session_.say(tr("%1 is now %2 BPM").arg(name, qt(metre::tempoLabel(c.bpm))));
}

void SourceColumn::listenBetween(const QString& low, const QString& high) {
    if (!source_) return;
    const auto from = metre::parseTempo(low.toStdString());
    const auto to = metre::parseTempo(high.toStdString());
    if (!from || !to || *from >= *to) {
        session_.say(tr("Listen between two tempos, the lower one first: 70 and 140, say."));
        show(source_);
        return;
    }
    session_.listening().again({source_->id}, {*from, *to, source_->window.playing});
}

void SourceColumn::unitsBetween(const QString& text, bool bars) {
    bool ok = false;
    const int units = text.toInt(&ok);
    if (!source_) return;
    if (!ok) {
        session_.say(bars ? tr("“%1” is not a number of bars.").arg(text)
                          : tr("“%1” is not a number of beats.").arg(text));
        return;
    }
    const double beats = bars ? units * source_->metre().bar().value : units;
    const project::SourceId id = source_->id;
    const Figure* figure = bars ? bars_ : beats_;
    if (!session_.settle(tr("Beats between marks"), project::setSourceBeats(session_.now(), id, beats),
                         {"beats between", id.value, figure->turn()}))
        return;
    const project::SourcePtr now = project::sourceOf(session_.now(), id);
    session_.say(
        (bars ? tr("%1: %2 bars between the marks are %3 BPM") : tr("%1: %2 beats between the marks are %3 BPM"))
            .arg(qt(now->name))
            .arg(units)
            .arg(qt(metre::tempoFigure(now->beats->meanTempo()))));
}

void SourceColumn::show(const project::SourcePtr& s) {
    source_ = s;
    figures_->show(s);
    feel_->show(s);
    const bool beats = s && s->beats;
    const bool sounds = s && s->sound;
    half_->setEnabled(beats);
    twice_->setEnabled(beats);
    round_->setEnabled(beats && hear::roundedTempo(s->beats->meanTempo()).has_value());
    for (QWidget* w :
         std::initializer_list<QWidget*>{tap_, tapBars_, low_, high_, beats_, bars_, onsets_, straighten_, take_})
        w->setEnabled(sounds);
    tapBars_->setChecked(byEar_.tapsBars());
    for (QWidget* w : std::initializer_list<QWidget*>{metre_, follow_, lead_})
        w->setEnabled(beats);
    low_->setText(s ? qt(metre::tempoLabel(s->window.low)) : QString());
    high_->setText(s ? qt(metre::tempoLabel(s->window.high)) : QString());
    metre_->setText(s ? qt(metre::metreLabel(s->metre())) : QString());
    follow_->setText(beats ? QStringLiteral("%1 %").arg(s->straight.percent) : QStringLiteral("–"));
    const auto to = s ? s->straight.to : project::Straightness::To::Beat;
    followLabel_->setText(to == project::Straightness::To::Beat  ? tr("Follow the playing")
                          : to == project::Straightness::To::Bar ? tr("Follow by bars")
                                                                 : tr("Follow by phrases"));
    {
        const QSignalBlocker quiet(onsets_);
        onsets_->setValue(s ? static_cast<int>(std::lround(s->sensitivity * 100)) : 100);
    }
    const auto between = [&] {
        if (s->marks) return (s->beats->beatAt(s->marks->to) - s->beats->beatAt(s->marks->from)).value;
        return s->endBeat().value;
    };
    beats_->setText(beats ? QString::number(between(), 'g', 4) : s ? QStringLiteral("–") : QString());
    bars_->setText(beats ? QString::number(between() / s->metre().bar().value, 'g', 3)
                   : s   ? QStringLiteral("–")
                         : QString());
    const bool leads = s && session_.now().lead && session_.now().lead->source == s->id;
    lead_->setText(leads ? tr("Leads…") : tr("Let this source lead…"));
}

} // namespace app
