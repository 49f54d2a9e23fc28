// How the user delivers: kept from one time to the next.
#pragma once

#include "deliver/order.h"

#include <QString>
#include <QStringList>

namespace app {

struct DeliverWays {
    QStringList what{QStringLiteral("loops")};
    QString pattern = QString::fromLatin1(deliver::usualPattern);
    sound::FileKind kind = sound::FileKind::Wav;
    sound::Depth depth = sound::Depth::Int24;
    int quality = 6;
    int rate = 0; // Hz; 0: the project's
    deliver::Level level = deliver::Level::AsItIs;
    bool tags = true;
    bool operator==(const DeliverWays&) const = default;
};

} // namespace app
