#include "app/session/recordings_tempo.h"

#include "app/session/session.h"
#include "app/widgets/text.h"
#include "metre/tempo.h"
#include "project/counted.h"

#include <algorithm>

namespace app {

void makeRecordingsTempo(Session& session) {
    const std::vector<ClipId> clips = session.selection().clips;
    if (!session.settle(QObject::tr("Set the recording's tempo"), project::countForRecording(session.now(), clips)))
        return;
    const project::LaidClip* c = clips.empty() ? nullptr : session.laid()->find(clips.front());
    if (c == nullptr || !c->recording || !c->recording->beats) return;
    const auto& all = session.laid()->clips();
    const auto n = std::count_if(all.begin(), all.end(), [&](const project::LaidClip& each) {
        return each.clip->source == c->clip->source;
    });
    session.say(QObject::tr("%1: %2 BPM, %3")
                    .arg(qt(c->recording->name), qt(metre::tempoLabel(c->recording->beats->meanTempo())),
                         counted(n, QObject::tr("its only clip"), QObject::tr("all %1 clips"))));
}

} // namespace app
