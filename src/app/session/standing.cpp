#include "app/session/standing.h"

#include "app/widgets/text.h"
#include "metre/tempo.h"

#include <QObject>
#include <cmath>

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

QString barsText(const metre::MetreMap& map, metre::Beats from, metre::Beats to) {
    const metre::Metre m = map.metreAt(from);
    const double beats = (to - from).value / m.counted().value;
    const double bars = std::floor(beats / m.beats + 1e-6);
    const double rest = beats - bars * m.beats;
    const auto count = [](double n) { return QString::number(std::round(n * 100) / 100); };
    QString text;
    if (bars >= 1) text = bars == 1 ? QObject::tr("1 bar") : QObject::tr("%1 bars").arg(count(bars));
    if (rest > 0.005 || bars < 1)
        text += (text.isEmpty() ? QString() : QStringLiteral(" ")) +
                (std::abs(rest - 1) < 0.005 ? QObject::tr("1 beat") : QObject::tr("%1 beats").arg(count(rest)));
    return text;
}

} // namespace app
