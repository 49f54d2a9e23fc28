#include "app/widgets/feel_text.h"

#include "app/widgets/text.h"
#include "metre/tempo.h"

#include <QObject>
#include <QStringList>

namespace app {

QString gridLabel(hear::FeelGrid grid) {
    switch (grid) {
    case hear::FeelGrid::Eighths:
        return QObject::tr("eighths");
    case hear::FeelGrid::EighthTriplets:
        return QObject::tr("eighth triplets");
    case hear::FeelGrid::Sixteenths:
        return QObject::tr("sixteenths");
    case hear::FeelGrid::SixteenthTriplets:
        break;
    }
    return QObject::tr("sixteenth triplets");
}

QString feelText(const hear::Feel& feel) {
    QStringList parts{QString::fromLatin1(hear::entryOf(feel.grid).word)};
    if (feel.swing) parts << QObject::tr("%1 %").arg(*feel.swing, 0, 'f', 0);
    parts << QObject::tr("± %1 ms").arg(feel.loose.value * 1000, 0, 'f', 0);
    return parts.join(QStringLiteral(" · "));
}

QString feelWords(const hear::Feel& feel) {
    QStringList parts{gridLabel(feel.grid)};
    if (feel.swing) parts << QObject::tr("swing %1 %").arg(*feel.swing, 0, 'f', 1);
    parts << QObject::tr("loose ± %1 ms").arg(feel.loose.value * 1000, 0, 'f', 1);
    parts << QObject::tr("%n hits", nullptr, feel.hits);
    return parts.join(QStringLiteral(", "));
}

QStringList fittedFirstText(const std::vector<project::FittedFirst>& fitted) {
    QStringList sentences;
    for (const project::FittedFirst& one : fitted)
        sentences << QObject::tr("%1 was fitted first: its hits run at %2 BPM, not at %3")
                         .arg(qt(one.name), qt(metre::tempoFigure(one.is)), qt(metre::tempoFigure(one.was)));
    return sentences;
}

} // namespace app
