#include "app/session/standing.h"

#include "app/widgets/text.h"
#include "metre/tempo.h"

#include <QObject>

namespace app {

QString standingOf(const project::LaidClip& clip, const metre::TempoMap& tempo) {
    if (!clip.source || !clip.source->sound) return QObject::tr("missing");
    if (clip.ruleFrom == project::RuleFrom::Lead) return QObject::tr("leads");
    if (!clip.time().stretched) return QObject::tr("as recorded");
    const QString now = qt(metre::tempoLabel(clip.time().tempo));
    if (!clip.time().follows) return QObject::tr("held at %1").arg(now);
    QString text = QStringLiteral("%1 → %2").arg(qt(metre::tempoLabel(clip.source->beats->meanTempo())), now);
    if (!clip.time().steadyTempo)
        text +=
            QStringLiteral("…%1").arg(qt(metre::tempoLabel(tempo.tempoAt(clip.time().end - metre::Beats(1e-6)))));
    return clip.clip->countsAs ? QObject::tr("counts as %1").arg(text) : text;
}

} // namespace app
