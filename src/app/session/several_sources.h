// Edits of one source or of several at once, as one step, that say what they came to.
#pragma once

#include "project/project.h"

#include <QString>
#include <functional>
#include <vector>

namespace app {

class Session;

using ChangeSource = std::function<base::Result<project::Project>(const project::Project&, const project::Source&)>;
// Of each set only the first is changed, and the others with it. Those that refuse stay, and the last of them says
// why. Interface thread.
void changeSources(Session& session, const std::vector<project::SourceId>& ids, const QString& what,
                   const ChangeSource& change);
void scaleTempos(Session& session, const std::vector<project::SourceId>& ids, double factor);
void roundTempos(Session& session, const std::vector<project::SourceId>& ids);
// What the first does not, all do from then on: following the project's tempo.
void toggleFollowing(Session& session, const std::vector<project::SourceId>& ids);
// Between the tempos that the first was listened to between.
void listenAgain(Session& session, const std::vector<project::SourceId>& ids);

} // namespace app
