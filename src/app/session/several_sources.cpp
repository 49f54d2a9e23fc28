#include "app/session/several_sources.h"

#include "app/session/session.h"
#include "app/widgets/text.h"
#include "metre/tempo.h"
#include "project/edit_sources.h"
#include "project/sets.h"

namespace app {

void changeSources(Session& session, const std::vector<project::SourceId>& ids, const QString& what,
                   const ChangeSource& change) {
    project::Project p = session.now();
    std::vector<project::SourceId> reached;
    QString refused;
    for (const project::SourceId id : project::oneOfEachSet(p, ids)) {
        const project::SourcePtr s = project::sourceOf(p, id);
        if (!s) continue;
        auto next = change(p, *s);
        if (!next) {
            refused = translated(next.error().text);
            continue;
        }
        p = std::move(*next);
        reached.push_back(id);
    }
    if (reached.empty()) {
        if (!refused.isEmpty()) session.say(refused);
        return;
    }
    if (!session.settle(what, std::move(p))) return;
    const project::SourcePtr one =
        reached.size() == 1 ? project::sourceOf(session.now(), reached.front()) : nullptr;
    if (one && one->beats && refused.isEmpty())
        session.say(
            QObject::tr("%1 is now %2 BPM").arg(qt(one->name), qt(metre::tempoLabel(one->beats->meanTempo()))));
    else
        session.say(refused.isEmpty()
                        ? QObject::tr("%1: %2 sources").arg(what).arg(reached.size())
                        : QObject::tr("%1: %2 sources. %3").arg(what).arg(reached.size()).arg(refused));
}

void scaleTempos(Session& session, const std::vector<project::SourceId>& ids, double factor) {
    changeSources(session, ids, factor < 1 ? QObject::tr("Half tempo") : QObject::tr("Double tempo"),
                  [factor](const project::Project& p, const project::Source& s) -> base::Result<project::Project> {
                      if (!s.beats) return base::problem(s.name + " has no tempo yet.");
                      return project::setSourceTempo(p, s.id, Bpm(s.beats->meanTempo().value * factor),
                                                     hear::Witness::Typed);
                  });
}

void roundTempos(Session& session, const std::vector<project::SourceId>& ids) {
    changeSources(session, ids, QObject::tr("Round tempo"),
                  [](const project::Project& p, const project::Source& s) -> base::Result<project::Project> {
                      const auto whole = s.beats ? hear::roundedTempo(s.beats->meanTempo()) : std::nullopt;
                      if (!whole) return base::problem(s.name + " is not within 0.2 BPM of another whole number.");
                      return project::setSourceTempo(p, s.id, *whole, hear::Witness::Typed);
                  });
}

void toggleFollowing(Session& session, const std::vector<project::SourceId>& ids) {
    const project::SourcePtr first = ids.empty() ? nullptr : project::sourceOf(session.now(), ids.front());
    if (!first) return;
    const bool on = !first->following;
    if (!session.edit(on ? QObject::tr("Follow") : QObject::tr("Stop following"),
                      project::setSourceFollowing(session.now(), ids, on)))
        return;
    if (ids.size() == 1)
        session.say(
            (on ? QObject::tr("%1 follows the project's tempo") : QObject::tr("%1 stays as long as it is now"))
                .arg(qt(first->name)));
    else
        session.say((on ? QObject::tr("%1 sources follow the project's tempo")
                        : QObject::tr("%1 sources stay as long as they are now"))
                        .arg(ids.size()));
}

void listenAgain(Session& session, const std::vector<project::SourceId>& ids) {
    const project::SourcePtr first = ids.empty() ? nullptr : project::sourceOf(session.now(), ids.front());
    if (first) session.listening().again(ids, first->window);
}

} // namespace app
