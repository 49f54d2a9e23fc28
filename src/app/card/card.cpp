#include "app/card/card.h"

#include "app/card/compare_row.h"
#include "app/card/shared.h"
#include "app/card/strain_bar.h"
#include "app/card/tightening.h"
#include "app/session/recordings_tempo.h"
#include "app/session/session.h"
#include "app/widgets/controls.h"
#include "app/widgets/elided_label.h"
#include "app/widgets/figure.h"
#include "app/widgets/text.h"
#include "app/widgets/tokens.h"
#include "app/widgets/words.h"
#include "metre/position.h"
#include "metre/tempo.h"
#include "project/counted.h"
#include "project/edit_arrange.h"
#include "project/edit_clips.h"
#include "project/laid.h"
#include "prove/strain.h"

#include <QGridLayout>
#include <QHBoxLayout>
#include <QLabel>
#include <QPushButton>
#include <QVBoxLayout>
#include <algorithm>
#include <cmath>

namespace app {

using project::Project;
using Clips = std::vector<ClipId>;

namespace {

// A number with a real minus sign, as it is set; and back from what a person types.
QString signedNumber(double v, int decimals) {
    return QString::number(v, 'f', decimals).replace('-', QChar(0x2212));
}

// Whole semitones, and what is left in cents.
QString semitonesText(double semitones) {
    const double cents = std::round(semitones * 1000) / 10;
    const double whole = std::trunc(cents / 100);
    const double rest = cents - 100 * whole;
    QString text = signedNumber(whole, 0) + " st";
    // Below one semitone down there is no whole number to carry the sign.
    if (rest != 0) text += ' ' + signedNumber(rest, rest == std::round(rest) ? 0 : 1) + " ct";
    return text;
}

// From "1.5", "2 st", "1 st 50 ct" or "−30 ct".
std::optional<double> semitonesFrom(QString text) {
    text = text.trimmed().replace(QChar(0x2212), '-').replace(',', '.');
    double sum = 0;
    bool cents = false;
    if (text.endsWith("ct")) {
        cents = true;
        text.chop(2);
    }
    const int st = static_cast<int>(text.indexOf("st"));
    const QString last = st < 0 ? text : text.mid(st + 2).trimmed();
    if (st >= 0) {
        const auto whole = numberIn(text.left(st));
        if (!whole || (cents && last.isEmpty())) return std::nullopt;
        sum = *whole;
    }
    if (!last.isEmpty()) {
        const auto v = numberIn(last);
        if (!v || (st >= 0 && !cents)) return std::nullopt;
        sum += cents ? *v / 100 : *v;
    } else if (st < 0) {
        return std::nullopt;
    }
    return std::abs(sum) <= 24 ? std::optional(sum) : std::nullopt;
}

} // namespace

Card::Card(Session& session, QWidget* parent) : QWidget(parent), session_(session) {
    setObjectName("card");
    auto* all = new QVBoxLayout(this);
    all->setContentsMargins(0, 0, 6, 0);
    all->setSpacing(4);
    all->addLayout(buildMethods());
    purpose_ = new ElidedLabel(Qt::ElideRight, this);
    purpose_->setProperty("soft", true);
    purpose_->setFont(textFont(sizes::label));
    purpose_->setObjectName("methodPurpose");
    all->addWidget(purpose_);
    all->addLayout(buildRules());
    all->addLayout(buildStrain());
    auto* ten = new QGridLayout;
    ten->setContentsMargins(0, 0, 0, 0);
    ten->setHorizontalSpacing(6);
    ten->setVerticalSpacing(5);
    buildTen(*ten);
    all->addLayout(ten);
    all->addStretch(1);
    compare_ = new CompareRow(session_, this);
    more_ = toggle(tr("More"), tr("The rarer settings of the selected clips"), this);
    more_->setObjectName("cardMore");
    auto* foot = new QHBoxLayout;
    foot->setSpacing(6);
    foot->addWidget(compare_, 1);
    foot->addWidget(more_);
    all->addLayout(foot);
    rest_ = new QWidget(this);
    rest_->setObjectName("cardRest");
    auto* rest = new QGridLayout(rest_);
    rest->setContentsMargins(0, 4, 0, 0);
    rest->setHorizontalSpacing(10);
    rest->setVerticalSpacing(4);
    rest->setColumnStretch(1, 1);
    buildMore(*rest);
    rest_->hide();
    all->addWidget(rest_);
    connect(more_, &QPushButton::clicked, rest_, &QWidget::setVisible);

    connectTime();
    connectSound();
    connect(&session_, &Session::changed, this, &Card::refresh);
    connect(&session_, &Session::selectionChanged, this, &Card::refresh);
    refresh();
}

QLayout* Card::buildMethods() {
    auto* row = new QHBoxLayout;
    row->setSpacing(4);
    for (const stretch::Method m : stretch::methods()) {
        QPushButton* b = toggle(QString::fromLatin1(stretch::methodLabel(m)),
                                QString::fromLatin1(stretch::methodPurpose(m)), this);
        b->setObjectName(QStringLiteral("method-") + stretch::methodWord(m));
        b->setProperty("narrow", true);
        b->setFixedHeight(24);
        b->setMinimumWidth(0);
        b->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Fixed);
        connect(b, &QPushButton::clicked, this, [this, m] {
            session_.edit(tr("Method"), project::setMethod(session_.now(), session_.selection().clips, m));
            refresh();
        });
        row->addWidget(b, 1);
        methods_.emplace_back(m, b);
    }
    return row;
}

QLayout* Card::buildRules() {
    auto* row = new QHBoxLayout;
    row->setSpacing(4);
    for (const project::TimeRuleEntry& entry : project::timeRules) {
        const project::TimeRule rule = entry.rule;
        QPushButton* b = toggle(ruleWord(rule), QObject::tr(entry.does), this);
        b->setObjectName(QStringLiteral("rule-") + entry.word);
        b->setProperty("narrow", true);
        b->setFixedHeight(24);
        b->setMinimumWidth(0);
        b->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Fixed);
        connect(b, &QPushButton::clicked, this, [this, rule] {
            // A click on a clip's own rule gives it its track's, or the project's, again.
            const auto own = shared(*session_.laid(), session_.selection().clips,
                                    [](const project::LaidClip& c) { return c.clip->rule; });
            const auto next = own && *own == rule ? std::nullopt : std::optional<project::TimeRule>(rule);
            change(tr("Time rule"), [&](const project::Project& p, const std::vector<ClipId>& ids) {
                return project::setRule(p, ids, next);
            });
        });
        row->addWidget(b, 1);
        rules_.emplace_back(rule, b);
    }
    return row;
}

QLayout* Card::buildStrain() {
    strainBar_ = new StrainBar(this);
    strain_ = new QLabel(this);
    strain_->setObjectName("strain");
    strain_->setFont(textFont(sizes::label));
    strain_->setAlignment(Qt::AlignRight | Qt::AlignVCenter);
    auto* row = new QHBoxLayout;
    row->setSpacing(8);
    row->addWidget(label(tr("Strain"), this));
    row->addWidget(strainBar_, 1);
    row->addWidget(strain_);
    return row;
}

// Two to a line.
void Card::buildTen(QGridLayout& grid) {
    int at = 0;
    const auto add = [&](const QString& title, QWidget* content) {
        const int row = at / 2;
        const int column = at % 2 * 3;
        grid.addWidget(label(title, this), row, column, Qt::AlignLeft | Qt::AlignVCenter);
        grid.addWidget(content, row, column + 1, Qt::AlignRight | Qt::AlignVCenter);
        ++at;
    };
    const auto pair = [&](QWidget* a, QWidget* b) {
        auto* box = new QWidget(this);
        auto* row = new QHBoxLayout(box);
        row->setContentsMargins(0, 0, 0, 0);
        row->setSpacing(2);
        row->addWidget(a);
        row->addWidget(b);
        return box;
    };
    grid.setColumnStretch(1, 1);
    grid.setColumnMinimumWidth(2, 8);
    grid.setColumnStretch(4, 1);
    buildFigures();
    add(tr("Counts as"), pair(countsAs_, forRecording_));
    add(tr("Bars"), bars_);
    add(tr("Begins"), begins_);
    add(tr("Offset"), offset_);
    add(tr("Transpose"), transpose_);
    add(tr("Repeats"), repeats_);
    add(tr("Gain"), gain_);
    add(tr("Fades, s"), pair(fadeIn_, fadeOut_));
    tightening_ = new Tightening(session_, this);
    connect(tightening_, &Tightening::changed, this, &Card::refresh);
    add(tr("Tighten"), tightening_->amount());
    add(tr("Feel"), tightening_->feel());
}

void Card::buildFigures() {
    const auto figure = [&](const char* name, const QString& title, const QString& tip, const QString& room) {
        auto* f = new Figure(title, sizes::strong, this);
        f->setObjectName(name);
        f->setToolTip(tip);
        f->setRoomFor(room);
        f->setAlignment(Qt::AlignRight);
        return f;
    };
    countsAs_ = figure("countsAs", tr("Counts as, in BPM"),
                       tr("The tempo that the selected clips alone count as. Wheel: ±1, with Shift ±0.1. Empty: "
                          "their recording's own."),
                       "000.00");
    forRecording_ = button(tr("for all"), {}, this);
    forRecording_->setObjectName("forRecording");
    forRecording_->setProperty("link", true);
    bars_ =
        figure("clipBars", tr("Bars filled"),
               tr("How many bars each selected clip fills; of what loops, one turn. Wheel: ±1. Whole bars can be "
                  "typed (F)."),
               "000.00");
    begins_ =
        figure("clipBegins", tr("Begins at bar, beat and part"),
               tr("Where the first of the selected clips begins: bar · beat · part. Wheel: a beat, with Shift a "
                  "sixteenth."),
               QStringLiteral("000 · 0 · 00"));
    offset_ = figure("offset", tr("Offset, in beats of the recording"),
                     tr("Which beat of the recording the clip begins with; the clip stays where it is"), "000.00");
    transpose_ =
        figure("transpose", tr("Transpose, in semitones"),
               tr("Up or down by semitones; with Shift, by cents. 1.5, 1 st 50 ct or 150 ct can be typed."),
               QStringLiteral("−00 st −00 ct"));
    repeats_ = figure("repeats", tr("Repeats"), tr("How many times the clip plays"), "0000.00");
    gain_ = figure("clipGain", tr("Gain of the clip"), tr("Gain in decibels"), QStringLiteral("−00.0 dB"));
    fadeIn_ = figure("fadeIn", tr("Fade in, in seconds"), tr("Fade in, in seconds; wheel: 0.05 s"), "0.00");
    fadeOut_ = figure("fadeOut", tr("Fade out, in seconds"), tr("Fade out, in seconds; wheel: 0.05 s"), "0.00");
}

void Card::connectTime() {
    connectCountsAs();
    connectBars();
    connectBegins();
}

void Card::connectCountsAs() {
    connect(countsAs_, &Figure::typed, this, [this](const QString& text) {
        if (text.trimmed().isEmpty()) {
            change(tr("Counts as"),
                   [](const Project& p, const Clips& ids) { return project::setCountsAs(p, ids, std::nullopt); });
            return;
        }
        const auto bpm = metre::parseTempo(text.toStdString());
        if (!bpm)
            session_.say(translated(bpm.error().text));
        else
            change(tr("Counts as"),
                   [&](const Project& p, const Clips& ids) { return project::setCountsAs(p, ids, *bpm); });
    });
    connect(countsAs_, &Figure::turned, this, [this](int steps, bool fine) {
        const project::LaidPtr laid = session_.laid();
        const double by = steps * (fine ? 0.1 : 1.0);
        change(tr("Counts as"),
               [&](const Project& p, const Clips& ids) {
                   Edit next = p;
                   for (const ClipId id : ids) {
                       const project::LaidClip* c = laid->find(id);
                       if (!next || c == nullptr || !c->source || !c->source->beats) continue;
                       const double bpm = std::clamp(c->source->beats->meanTempo().value + by,
                                                     metre::slowestTempo.value, metre::fastestTempo.value);
                       if (auto moved = project::setCountsAs(*next, {id}, Bpm(bpm))) next = std::move(moved);
                   }
                   return next;
               },
               {"turn counts as", selectedObject(), countsAs_->turn()});
    });
    connect(forRecording_, &QPushButton::clicked, this, [this] { makeRecordingsTempo(session_); });
}

void Card::connectBars() {
    connect(bars_, &Figure::typed, this, [this](const QString& text) {
        bool ok = false;
        const int bars = text.trimmed().toInt(&ok);
        if (!ok)
            session_.say(tr("“%1” is not a whole number of bars.").arg(text));
        else
            change(tr("Fit to bars"),
                   [&](const Project& p, const Clips& ids) { return project::fitToBars(p, ids, bars); });
    });
    connect(bars_, &Figure::turned, this, [this](int steps, bool) {
        change(tr("Fit to bars"),
               [&](const Project& p, const Clips& ids) {
                   Edit next = p;
                   for (const ClipId id : ids) {
                       const auto now = next ? project::barsFilled(*next, id) : std::nullopt;
                       if (!now) continue;
                       const double whole =
                           steps > 0 ? std::floor(*now + 1e-6) + steps : std::ceil(*now - 1e-6) + steps;
                       if (auto fitted = project::fitToBars(*next, {id}, std::max(1, static_cast<int>(whole))))
                           next = std::move(fitted);
                   }
                   return next;
               },
               {"turn bars", selectedObject(), bars_->turn()});
    });
}

void Card::connectBegins() {
    connect(begins_, &Figure::typed, this, [this](const QString& text) {
        const auto place = metre::parsePosition(text.toStdString());
        if (!place)
            session_.say(translated(place.error().text));
        else
            change(tr("Move"), [&](const Project& p, const Clips& ids) {
                return project::bringTo(p, ids, p.metre.beatAt(*place));
            });
    });
    connect(begins_, &Figure::turned, this, [this](int steps, bool fine) {
        change(tr("Move"),
               [&](const Project& p, const Clips& ids) {
                   return project::moveClips(p, ids, Beats(steps * (fine ? 0.25 : 1.0)), 0);
               },
               {"turn begins", selectedObject(), begins_->turn()});
    });
}

void Card::connectSound() {
    connect(gain_, &Figure::typed, this, [this](const QString& text) {
        if (const auto v = numberIn(text))
            changeGain(*v, false);
        else
            session_.say(tr("“%1” is not a gain in decibels.").arg(text));
    });
    connect(gain_, &Figure::turned, this,
            [this](int steps, bool fine) { changeGain(steps * (fine ? 0.1 : 0.5), true); });
    connect(transpose_, &Figure::typed, this, [this](const QString& text) {
        if (const auto v = semitonesFrom(text))
            changeTranspose(*v, false);
        else
            session_.say(tr("“%1” is not a number of semitones between −24 and 24.").arg(text));
    });
    connect(transpose_, &Figure::turned, this,
            [this](int steps, bool fine) { changeTranspose(steps * (fine ? 0.01 : 1), true); });
    connectMoreFigures();
}

void Card::swapCompared() {
    compare_->swap();
}

// Several clips are one object as long as they are the same ones.
std::int64_t Card::selectedObject() const {
    std::int64_t object = 0;
    for (const ClipId id : session_.selection().clips)
        object = object * 1000003 + id.value;
    return object;
}

void Card::changeGain(double db, bool relative) {
    const auto& clips = session_.selection().clips;
    if (relative)
        session_.edit(tr("Gain"), project::turnGain(session_.now(), clips, db),
                      {"turn gain", selectedObject(), gain_->turn()});
    else
        session_.edit(tr("Gain"), project::setGain(session_.now(), clips, db));
}

void Card::changeTranspose(double semitones, bool relative) {
    const auto& clips = session_.selection().clips;
    if (relative)
        session_.edit(tr("Transpose"), project::turnTranspose(session_.now(), clips, semitones),
                      {"turn transpose", selectedObject(), transpose_->turn()});
    else
        session_.edit(tr("Transpose"), project::setTranspose(session_.now(), clips, semitones));
}

void Card::refresh() {
    refreshTime();
    refreshSound();
    refreshMore();
    tightening_->refresh();
    const auto& clips = session_.selection().clips;
    const auto isLocked = [this](ClipId id) {
        const project::LaidClip* c = session_.laid()->find(id);
        return c != nullptr && c->clip->locked;
    };
    const bool locked = std::any_of(clips.begin(), clips.end(), isLocked);
    for (Figure* f : findChildren<Figure*>())
        f->setLocked(locked);
    if (locked) purpose_->setText(tr("locked · %1").arg(purpose_->text()));
}

void Card::refreshTime() {
    const project::Laid& laid = *session_.laid();
    const project::Project& p = session_.now();
    const auto& clips = session_.selection().clips;
    const bool any = !clips.empty();
    const QString mixed = tr("mixed");
    const QString none = QStringLiteral("–");
    const auto tempo = shared(laid, clips, [](const project::LaidClip& c) {
        return c.source && c.source->beats ? c.source->beats->meanTempo() : Bpm(0);
    });
    countsAs_->setEnabled(any);
    countsAs_->setText(!any ? none : !tempo ? mixed : tempo->value > 0 ? qt(metre::tempoFigure(*tempo)) : none);
    const bool isOwn = std::any_of(clips.begin(), clips.end(), [&](ClipId id) {
        const project::LaidClip* c = laid.find(id);
        return c != nullptr && c->clip->countsAs;
    });
    const auto source = shared(laid, clips, [](const project::LaidClip& c) { return c.clip->source; });
    const auto all = std::count_if(laid.clips().begin(), laid.clips().end(),
                                   [&](const project::LaidClip& c) { return source && c.clip->source == *source; });
    forRecording_->setVisible(isOwn);
    forRecording_->setText(source && all > 1 ? tr("for all %1").arg(all) : tr("for all"));
    forRecording_->setToolTip(source ? counted(all, tr("Make this the tempo of the recording"),
                                               tr("Make this the tempo of the recording, for all its %1 clips"))
                                     : tr("Make these the tempos of the recordings, for all their clips"));
    const auto bars = shared(laid, clips, [&](const project::LaidClip& c) {
        return std::round(project::barsFilled(p, *c.clip, c.source).value_or(0) * 1000) / 1000;
    });
    bars_->setEnabled(any);
    bars_->setText(!any ? none : !bars ? mixed : *bars > 0 ? QString::number(*bars, 'g', 5) : none);
    const project::LaidClip* first = nullptr;
    for (const ClipId id : clips)
        if (const project::LaidClip* c = laid.find(id);
            c != nullptr && (first == nullptr || c->time().start < first->time().start))
            first = c;
    begins_->setEnabled(any);
    begins_->setText(first == nullptr ? none : qt(metre::positionLabel(p.metre.positionAt(first->time().start))));
    const auto strain = shared(laid, clips, [&](const project::LaidClip& c) {
        return prove::strainOf(c, session_.preferences().comfort);
    });
    const auto plus = [](double v) { return (v > 0 ? "+" : "") + signedNumber(v, 1); };
    strain_->setText(!any ? none : !strain ? mixed : plus(strain->percent) + " % " + verdictText(strain->verdict));
    strain_->setToolTip(!any || !strain
                            ? QString()
                            : tr("By how much of its length the clip is stretched where it begins: %1 % "
                                 "of its length, %2 BPM")
                                  .arg(plus(strain->percent), plus(strain->bpm)));
    const auto method = shared(laid, clips, [](const auto& c) { return c.clip->stretch.method; });
    strainBar_->show(any ? strain : std::nullopt,
                     method ? session_.preferences().comfort.of(*method) : prove::Comfort().of({}));
}

void Card::refreshSound() {
    const project::Laid& laid = *session_.laid();
    const auto& clips = session_.selection().clips;
    const bool any = !clips.empty();
    const QString mixed = tr("mixed");
    const QString none = QStringLiteral("–");
    const auto method = shared(laid, clips, [](const auto& c) { return c.clip->stretch.method; });
    for (const auto& [m, b] : methods_) {
        b->setEnabled(any);
        b->setChecked(method == m);
    }
    purpose_->setText(!any     ? QString()
                      : method ? QObject::tr(stretch::methodPurpose(*method))
                               : tr("Several methods"));
    purpose_->setToolTip(purpose_->text());
    const auto gain = shared(laid, clips, [](const auto& c) { return c.clip->gainDb; });
    gain_->setEnabled(any);
    gain_->setText(!any ? none : gain ? signedNumber(*gain, 1) + " dB" : mixed);
    const auto semitones = shared(laid, clips, [](const auto& c) { return c.clip->stretch.semitones; });
    transpose_->setEnabled(any);
    transpose_->setText(!any ? none : semitones ? semitonesText(*semitones) : mixed);
    const auto formants = shared(laid, clips, [](const auto& c) { return c.clip->stretch.formants; });
    formants_->setEnabled(any && !(method && stretch::entryOf(*method).pitchFollows));
    formants_->setChecked(formants.value_or(false));
}

} // namespace app
