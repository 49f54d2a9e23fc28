#include "app/card/card.h"

#include "app/card/compare_row.h"
#include "app/card/shared.h"
#include "app/session/session.h"
#include "app/widgets/controls.h"
#include "app/widgets/figure.h"
#include "app/widgets/text.h"
#include "app/widgets/tokens.h"
#include "base/number.h"
#include "metre/tempo.h"
#include "project/edit_clips.h"
#include "project/edit_sources.h"
#include "project/laid.h"
#include "project/sets.h"
#include "prove/strain.h"

#include <QGridLayout>
#include <QHBoxLayout>
#include <QLabel>
#include <QPushButton>
#include <cmath>
#include <set>

namespace app {

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
    auto* grid = new QGridLayout(this);
    grid->setContentsMargins(0, 0, 0, 0);
    grid->setHorizontalSpacing(12);
    grid->setVerticalSpacing(5);
    int row = 0;
    const auto add = [&](const QString& title, QWidget* w) {
        grid->addWidget(label(title, this), row, 0, Qt::AlignLeft | Qt::AlignVCenter);
        grid->addWidget(w, row++, 1, Qt::AlignLeft | Qt::AlignVCenter);
    };
    const auto addWide = [&](const QString& title, QWidget* w) {
        auto* line = new QHBoxLayout;
        line->setSpacing(8);
        line->addWidget(label(title, this));
        line->addStretch(1);
        line->addWidget(w);
        grid->addLayout(line, row++, 0, 1, 2);
    };
    const auto figure = [&](const char* name, const QString& title, const QString& tip, const QString& room) {
        auto* f = new Figure(title, 16, this);
        f->setObjectName(name);
        f->setToolTip(tip);
        f->setRoomFor(room);
        return f;
    };
    auto* methodRow = new QWidget(this);
    auto* methodLayout = new QGridLayout(methodRow);
    methodLayout->setContentsMargins(0, 0, 0, 0);
    methodLayout->setSpacing(5);
    for (const stretch::Method m : stretch::methods()) {
        QPushButton* b = toggle(QString::fromLatin1(stretch::methodLabel(m)),
                                QString::fromLatin1(stretch::methodPurpose(m)), this);
        b->setObjectName(QStringLiteral("method-") + stretch::methodWord(m));
        connect(b, &QPushButton::clicked, this, [this, m] {
            const auto& clips = session_.selection().clips;
            session_.edit(tr("Method"), project::setMethod(session_.now(), clips, m));
            refresh();
        });
        const auto place = static_cast<int>(methods_.size());
        methodLayout->addWidget(b, place / 3, place % 3, Qt::AlignLeft);
        methods_.emplace_back(m, b);
    }
    methodLayout->setColumnStretch(3, 1);
    purpose_ = label({}, this);
    purpose_->setObjectName("methodPurpose");
    purpose_->setWordWrap(true);
    purpose_->setFixedHeight(2 * QFontMetrics(textFont(sizes::label)).lineSpacing() + 2);
    purpose_->setAlignment(Qt::AlignLeft | Qt::AlignTop);
    grid->addWidget(label(tr("Method"), this), row++, 0, 1, 2);
    grid->addWidget(methodRow, row++, 0, 1, 2);
    grid->addWidget(purpose_, row++, 0, 1, 2);
    compare_ = new CompareRow(session_, this);
    addWide(tr("Compare"), compare_);
    addRuleRows(grid, row);
    tempo_ = figure("sourceTempo", tr("Tempo of the source"),
                    tr("Tempo of the source in BPM. Wheel: ±1, with Shift ±0.1."), "000.00");
    beats_ = figure("sourceBeats", tr("Beats in the source"),
                    tr("Beats from the first downbeat to the end: says the tempo from the length."), "0000");
    downbeat_ = figure("firstDownbeat", tr("First downbeat, in seconds"),
                       tr("First downbeat, in seconds into the recording"), "00.000 s");
    key_ = figure("sourceKey", tr("Key of the source"), tr("Key of the source, such as Dm; empty: it has none"),
                  QStringLiteral("D# min"));
    transpose_ =
        figure("transpose", tr("Transpose, in semitones"),
               tr("Up or down by semitones; with Shift, by cents. 1.5, 1 st 50 ct or 150 ct can be typed."),
               QStringLiteral("−00 st −00.0 ct"));
    gain_ = figure("clipGain", tr("Gain of the clip"), tr("Gain in decibels"), QStringLiteral("−00.0 dB"));
    auto* tempoRow = new QWidget(this);
    auto* tempoLayout = new QHBoxLayout(tempoRow);
    tempoLayout->setContentsMargins(0, 0, 0, 0);
    tempoLayout->setSpacing(3);
    tempoLayout->addWidget(tempo_);
    tempoLayout->addWidget(beats_);
    tempoLayout->addWidget(label(tr("beats"), this));
    add(tr("Tempo"), tempoRow);
    add(tr("First downbeat"), downbeat_);
    add(tr("Its key"), key_);
    add(tr("Transpose"), transpose_);
    formants_ = toggle(tr("Keep formants"), tr("A voice that is transposed keeps its colour; not on Tape"), this);
    formants_->setObjectName("formants");
    connect(formants_, &QPushButton::clicked, this, [this](bool on) {
        session_.edit(tr("Formants"), project::setFormants(session_.now(), session_.selection().clips, on));
        refresh();
    });
    add({}, formants_);
    add(tr("Gain"), gain_);
    addLevelRows(grid, row);
    addLoopRows(grid, row);
    addMarkRows(grid, row);
    strain_ = new QLabel(this);
    strain_->setObjectName("strain");
    strain_->setFont(textFont(sizes::text));
    strain_->setToolTip(tr("By how much of its length a clip is stretched, and what becomes of its tempo, where it "
                           "begins"));
    addWide(tr("Strain"), strain_);
    grid->setRowStretch(row, 1);
    grid->setColumnStretch(1, 1);

    const auto source = [this] { return session_.selection().source; };
    connect(tempo_, &Figure::typed, this, [this, source](const QString& text) {
        const auto bpm = metre::parseTempo(text.toStdString());
        if (!bpm)
            session_.say(qt(bpm.error().text));
        else if (source())
            session_.settle(tr("Tempo of the source"),
                            project::setSourceTempo(session_.now(), *source(), *bpm, hear::Witness::Typed));
        else
            setTempos(*bpm);
    });
    connect(tempo_, &Figure::turned, this, &Card::turnTempo);
    connect(beats_, &Figure::typed, this, [this, source](const QString& text) {
        bool ok = false;
        const int n = text.trimmed().toInt(&ok);
        if (!ok)
            session_.say(tr("“%1” is not a number of beats.").arg(text));
        else if (source())
            session_.settle(tr("Beats"), project::setSourceBeats(session_.now(), *source(), n));
    });
    connect(beats_, &Figure::turned, this, [this, source](int steps, bool) {
        const project::SourcePtr s = source() ? project::sourceOf(session_.now(), *source()) : nullptr;
        if (!s) return;
        const int now = s->beats ? static_cast<int>(std::lround(s->endBeat().value)) : 0;
        session_.settle(tr("Beats"), project::setSourceBeats(session_.now(), s->id, std::max(1, now + steps)),
                        {"turn beats", s->id.value, beats_->turn()});
    });
    connect(downbeat_, &Figure::typed, this, [this, source](const QString& text) {
        const auto v = numberIn(text);
        if (!v)
            session_.say(tr("“%1” is not a time in seconds.").arg(text));
        else if (source())
            session_.settle(tr("First downbeat"),
                            project::setFirstDownbeat(session_.now(), *source(), metre::Seconds(*v)));
    });
    connect(downbeat_, &Figure::turned, this, [this, source](int steps, bool fine) {
        const project::SourcePtr s = source() ? project::sourceOf(session_.now(), *source()) : nullptr;
        if (!s || !s->beats) return;
        const double at = s->beats->secondsAt(Beats(0)).value + steps * (fine ? 0.001 : 0.01);
        session_.settle(tr("First downbeat"),
                        project::setFirstDownbeat(session_.now(), s->id, metre::Seconds(std::max(0.0, at))),
                        {"turn downbeat", s->id.value, downbeat_->turn()});
    });
    connect(key_, &Figure::typed, this, [this, source](const QString& text) {
        const auto key = hear::parseKey(text.trimmed().toStdString());
        if (!text.trimmed().isEmpty() && !key)
            session_.say(tr("“%1” is no key.").arg(text));
        else if (source())
            session_.edit(tr("Key of the source"), project::setSourceKey(session_.now(), *source(), key));
    });
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
    connect(&session_, &Session::changed, this, &Card::refresh);
    connect(&session_, &Session::selectionChanged, this, &Card::refresh);
    refresh();
}

void Card::swapCompared() {
    compare_->swap();
}

void Card::typeTempo() {
    tempo_->setFocus();
    tempo_->beginTyping();
}

// Of several sources, each by the same step.
void Card::turnTempos(int steps, bool fine) {
    std::set<project::SourceId> sources;
    for (const ClipId id : session_.selection().clips)
        if (const project::LaidClip* c = session_.laid()->find(id)) sources.insert(c->clip->source);
    Edit next = session_.now();
    for (const project::SourceId id : project::oneOfEachSet(session_.now(), {sources.begin(), sources.end()})) {
        const project::SourcePtr s = next ? project::sourceOf(*next, id) : nullptr;
        if (!s || !s->beats) continue;
        const double bpm = std::clamp(s->beats->meanTempo().value + steps * (fine ? 0.1 : 1.0),
                                      metre::slowestTempo.value, metre::fastestTempo.value);
        next = project::setSourceTempo(*next, id, Bpm(bpm), hear::Witness::Typed);
    }
    session_.settle(tr("Tempo of the sources"), std::move(next),
                    {"turn source tempos", selectedObject(), tempo_->turn()});
}

void Card::turnTempo(int steps, bool fine) {
    const auto id = session_.selection().source;
    const project::SourcePtr s = id ? project::sourceOf(session_.now(), *id) : nullptr;
    if (!s) {
        turnTempos(steps, fine);
        return;
    }
    const double now = s->beats ? s->beats->meanTempo().value : session_.now().tempo.points().front().bpm.value;
    const double next =
        std::clamp(now + steps * (fine ? 0.1 : 1.0), metre::slowestTempo.value, metre::fastestTempo.value);
    session_.settle(tr("Tempo of the source"),
                    project::setSourceTempo(session_.now(), *id, Bpm(next), hear::Witness::Typed),
                    {"turn source tempo", id->value, tempo_->turn()});
}

void Card::setTempos(Bpm bpm) {
    std::set<project::SourceId> sources;
    for (const ClipId id : session_.selection().clips)
        if (const project::LaidClip* c = session_.laid()->find(id)) sources.insert(c->clip->source);
    Edit next = session_.now();
    for (const project::SourceId id : sources)
        if (next) next = project::setSourceTempo(*next, id, bpm, hear::Witness::Typed);
    session_.settle(tr("Tempo of the sources"), std::move(next));
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
    const project::Project& p = session_.now();
    const Selection& selection = session_.selection();
    const project::SourcePtr source = selection.source ? project::sourceOf(p, *selection.source) : nullptr;
    const bool anyClip = !selection.clips.empty();
    const QString mixed = tr("mixed");
    const QString none = QStringLiteral("–");

    const project::Laid& laid = *session_.laid();
    const auto method = shared(laid, selection.clips, [](const auto& c) { return c.clip->stretch.method; });
    for (const auto& [m, b] : methods_) {
        b->setEnabled(anyClip);
        b->setChecked(method == m);
    }
    refreshMore();
    const bool severalSources = anyClip && !source;
    tempo_->setEnabled(source != nullptr || severalSources);
    for (Figure* f : {beats_, downbeat_, key_})
        f->setEnabled(source != nullptr);
    const bool beats = source && source->beats;
    tempo_->setText(beats ? qt(metre::tempoFigure(source->beats->meanTempo())) : severalSources ? mixed : none);
    beats_->setText(beats            ? QString::number(source->endBeat().value, 'f', source->wholeBeats() ? 0 : 2)
                    : severalSources ? mixed
                                     : none);
    downbeat_->setText(beats ? QStringLiteral("%1 s").arg(source->beats->secondsAt(Beats(0)).value, 0, 'f', 3)
                       : severalSources ? mixed
                                        : none);
    key_->setText(source && source->key ? qt(hear::keyLabel(*source->key)) : severalSources ? mixed : none);
    const auto gain = shared(laid, selection.clips, [](const auto& c) { return c.clip->gainDb; });
    gain_->setEnabled(anyClip);
    gain_->setText(!anyClip ? none : gain ? signedNumber(*gain, 1) + " dB" : mixed);
    const auto semitones = shared(laid, selection.clips, [](const auto& c) { return c.clip->stretch.semitones; });
    transpose_->setEnabled(anyClip);
    transpose_->setText(!anyClip ? none : semitones ? semitonesText(*semitones) : mixed);

    const auto formants = shared(laid, selection.clips, [](const auto& c) { return c.clip->stretch.formants; });
    formants_->setEnabled(anyClip && !(method && stretch::entryOf(*method).pitchFollows));
    formants_->setChecked(formants.value_or(false));
    purpose_->setText(!anyClip ? QString() : method ? tr(stretch::methodPurpose(*method)) : tr("Several methods"));

    const auto strain = shared(laid, selection.clips,
                               [&](const auto& c) { return prove::strainOf(c, session_.preferences().comfort); });
    const auto plus = [](double v) { return (v > 0 ? "+" : "") + signedNumber(v, 1); };
    if (!anyClip)
        strain_->setText(none);
    else if (!strain)
        strain_->setText(mixed);
    else
        strain_->setText(plus(strain->percent) + " % · " + plus(strain->bpm) + " BPM · " +
                         tr(prove::verdictWord(strain->verdict)));
}

} // namespace app
