// The product's words for values of the document, as they are shown.
#pragma once

#include "hear/kind.h"
#include "hear/reading.h"
#include "project/project.h"
#include "prove/strain.h"

#include <QObject>
#include <QString>

namespace app {

inline QString ruleWord(project::TimeRule rule) {
    return QObject::tr(project::entryOf(rule).label);
}

// "Heard", as a title; and within a sentence, "heard".
inline QString witnessText(hear::Witness witness) {
    return QObject::tr(hear::witnessLabel(witness));
}
inline QString witnessInText(hear::Witness witness) {
    return QObject::tr(hear::witnessWord(witness));
}
inline QString kindText(hear::Kind kind) {
    return QObject::tr(hear::kindLabel(kind));
}
inline QString verdictText(prove::Verdict verdict) {
    return QObject::tr(prove::verdictWord(verdict));
}

// Where a rule comes from.
inline QString ruleFromWord(project::RuleFrom from) {
    switch (from) {
    case project::RuleFrom::Clip:
        return QObject::tr("the clip's own");
    case project::RuleFrom::Track:
        return QObject::tr("from its track");
    case project::RuleFrom::Project:
        return QObject::tr("from the project");
    case project::RuleFrom::Lead:
        return QObject::tr("it leads");
    case project::RuleFrom::Source:
        break;
    }
    return QObject::tr("no beat found");
}

inline QString channelsWord(project::Channels channels) {
    switch (channels) {
    case project::Channels::Mono:
        return QObject::tr("mono");
    case project::Channels::Left:
        return QObject::tr("left");
    case project::Channels::Right:
        return QObject::tr("right");
    case project::Channels::Swapped:
        return QObject::tr("swapped");
    case project::Channels::Stereo:
        break;
    }
    return QObject::tr("stereo");
}

} // namespace app
