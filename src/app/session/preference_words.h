// What is preferred, in words.
#pragma once

#include "app/session/preferences.h"

#include <QObject>
#include <QString>
#include <utility>
#include <vector>

namespace app {

inline std::vector<std::pair<QString, NewSources>> newSourceWays() {
    return {{QObject::tr("keep project time"), NewSources::KeepTime},
            {QObject::tr("stay as recorded"), NewSources::AsRecorded},
            {QObject::tr("lead"), NewSources::Lead}};
}

} // namespace app
