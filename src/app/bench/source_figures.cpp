#include "app/bench/source_figures.h"

#include "app/session/session.h"
#include "app/widgets/controls.h"
#include "app/widgets/figure.h"
#include "app/widgets/text.h"
#include "app/widgets/tokens.h"
#include "metre/tempo.h"
#include "project/edit_sources.h"
#include "project/sets.h"

#include <QGridLayout>
#include <QLabel>
#include <algorithm>
#include <cmath>
#include <set>

namespace app {

namespace {

// Several sources are one object as long as they are the same ones.
std::int64_t objectOf(const std::vector<project::SourceId>& sources) {
    std::int64_t object = 0;
    for (const project::SourceId id : sources)
        object = object * 1000003 + id.value;
    return object;
}

} // namespace

SourceFigures::SourceFigures(Session& session, QWidget* parent) : QWidget(parent), session_(session) {
    auto* grid = new QGridLayout(this);
    grid->setContentsMargins(0, 0, 0, 0);
    grid->setHorizontalSpacing(8);
    grid->setVerticalSpacing(3);
    grid->setColumnStretch(1, 1);
    const auto add = [&](const char* name, const QString& title, const QString& tip, const QString& room) {
        auto* f = new Figure(title, sizes::strong, this);
        f->setObjectName(name);
        f->setToolTip(tip);
        f->setRoomFor(room);
        f->setAlignment(Qt::AlignRight);
        const int row = grid->rowCount();
        grid->addWidget(label(title, this), row, 0, Qt::AlignLeft | Qt::AlignVCenter);
        grid->addWidget(f, row, 1, Qt::AlignRight | Qt::AlignVCenter);
        return f;
    };
    tempo_ =
        add("sourceTempo", tr("Tempo"), tr("Tempo of the recording in BPM. Wheel: ±1, with Shift ±0.1."), "000.00");
    beats_ = add("sourceBeats", tr("Beats"),
                 tr("Beats from the first downbeat to the end: this says the tempo from the length."), "0000.00");
    downbeat_ =
        add("firstDownbeat", tr("First downbeat"), tr("First downbeat, in seconds into the recording"), "00.000 s");
    key_ = add("sourceKey", tr("Key"), tr("Key of the recording, such as Dm; empty: it has none"),
               QStringLiteral("D# min"));
    connectTempo();
    connectOthers();
}

// Of several selected clips, their recordings; else the selected one.
std::vector<project::SourceId> SourceFigures::sources() const {
    if (source_) return {source_->id};
    std::set<project::SourceId> ids;
    for (const ClipId id : session_.selection().clips)
        if (const project::LaidClip* c = session_.laid()->find(id)) ids.insert(c->clip->source);
    return {ids.begin(), ids.end()};
}

void SourceFigures::connectTempo() {
    connect(tempo_, &Figure::typed, this, [this](const QString& text) {
        const auto bpm = metre::parseTempo(text.toStdString());
        if (!bpm) {
            session_.say(translated(bpm.error().text));
            return;
        }
        base::Result<project::Project> next = session_.now();
        for (const project::SourceId id : sources())
            if (next) next = project::setSourceTempo(*next, id, *bpm, hear::Witness::Typed);
        session_.settle(tr("Tempo of the recording"), std::move(next));
    });
    connect(tempo_, &Figure::turned, this, &SourceFigures::turnTempo);
}

// Of several, each by the same step.
void SourceFigures::turnTempo(int steps, bool fine) {
    const std::vector<project::SourceId> ids = project::oneOfEachSet(session_.now(), sources());
    base::Result<project::Project> next = session_.now();
    for (const project::SourceId id : ids) {
        const project::SourcePtr s = next ? project::sourceOf(*next, id) : nullptr;
        if (!s || (!s->beats && !source_)) continue;
        const double now = s->beats ? s->beats->meanTempo().value : session_.now().tempo.points().front().bpm.value;
        const double bpm =
            std::clamp(now + steps * (fine ? 0.1 : 1.0), metre::slowestTempo.value, metre::fastestTempo.value);
        next = project::setSourceTempo(*next, id, Bpm(bpm), hear::Witness::Typed);
    }
    session_.settle(tr("Tempo of the recording"), std::move(next),
                    {"turn source tempo", objectOf(ids), tempo_->turn()});
}

void SourceFigures::connectOthers() {
    connect(beats_, &Figure::typed, this, [this](const QString& text) {
        bool ok = false;
        const int n = text.trimmed().toInt(&ok);
        if (!ok)
            session_.say(tr("“%1” is not a number of beats.").arg(text));
        else if (source_)
            session_.settle(tr("Beats"), project::setSourceBeats(session_.now(), source_->id, n));
    });
    connect(beats_, &Figure::turned, this, [this](int steps, bool) {
        if (!source_) return;
        const int now = source_->beats ? static_cast<int>(std::lround(source_->endBeat().value)) : 0;
        session_.settle(tr("Beats"), project::setSourceBeats(session_.now(), source_->id, std::max(1, now + steps)),
                        {"turn beats", source_->id.value, beats_->turn()});
    });
    connect(downbeat_, &Figure::typed, this, [this](const QString& text) {
        const auto v = numberIn(text);
        if (!v)
            session_.say(tr("“%1” is not a time in seconds.").arg(text));
        else if (source_)
            session_.settle(tr("First downbeat"),
                            project::setFirstDownbeat(session_.now(), source_->id, metre::Seconds(*v)));
    });
    connect(downbeat_, &Figure::turned, this, [this](int steps, bool fine) {
        if (!source_ || !source_->beats) return;
        const double at = source_->beats->secondsAt(Beats(0)).value + steps * (fine ? 0.001 : 0.01);
        session_.settle(tr("First downbeat"),
                        project::setFirstDownbeat(session_.now(), source_->id, metre::Seconds(std::max(0.0, at))),
                        {"turn downbeat", source_->id.value, downbeat_->turn()});
    });
    connect(key_, &Figure::typed, this, [this](const QString& text) {
        const auto key = hear::parseKey(text.trimmed().toStdString());
        if (!text.trimmed().isEmpty() && !key)
            session_.say(tr("“%1” is not a key.").arg(text));
        else if (source_)
            session_.edit(tr("Key of the recording"), project::setSourceKey(session_.now(), source_->id, key));
    });
}

void SourceFigures::show(const project::SourcePtr& source) {
    source_ = source;
    const bool several = !source && sources().size() > 1;
    const QString otherwise = several ? tr("mixed") : QStringLiteral("–");
    tempo_->setEnabled(source || several);
    for (Figure* f : {beats_, downbeat_, key_})
        f->setEnabled(source != nullptr);
    const bool beats = source && source->beats;
    tempo_->setText(beats ? qt(metre::tempoFigure(source->beats->meanTempo())) : otherwise);
    beats_->setText(beats ? QString::number(source->endBeat().value, 'f', source->wholeBeats() ? 0 : 2)
                          : otherwise);
    downbeat_->setText(beats ? QStringLiteral("%1 s").arg(source->beats->secondsAt(Beats(0)).value, 0, 'f', 3)
                             : otherwise);
    key_->setText(source && source->key ? qt(hear::keyLabel(*source->key)) : otherwise);
}

} // namespace app
