#include "app/commands/reach.h"

#include "app/widgets/text.h"

#include <algorithm>

namespace app {

const std::vector<ClipId>& chosenClips(const Reach& reach) {
    return reach.session.selection().clips;
}

const project::LaidClip* firstChosen(const Reach& reach) {
    const auto& clips = chosenClips(reach);
    return clips.empty() ? nullptr : reach.session.laid()->find(clips.front());
}

bool areAll(const Reach& reach, const std::function<bool(const project::LaidClip&)>& so) {
    const auto& clips = chosenClips(reach);
    return !clips.empty() && std::all_of(clips.begin(), clips.end(), [&](ClipId id) {
        const project::LaidClip* c = reach.session.laid()->find(id);
        return c != nullptr && so(*c);
    });
}

project::SourcePtr chosenSource(const Reach& reach) {
    const auto id = reach.session.selection().source;
    return id ? project::sourceOf(reach.session.now(), *id) : nullptr;
}

std::optional<ClipId> chosenClip(const Reach& reach) {
    const Selection& selection = reach.session.selection();
    if (selection.clips.size() == 1) return selection.clips.front();
    for (const project::LaidClip& c : reach.session.laid()->clips())
        if (selection.source == c.clip->source) return c.id();
    return std::nullopt;
}

std::vector<SourceId> sourcesOfChosen(const Reach& reach) {
    std::vector<SourceId> ids;
    for (const ClipId id : chosenClips(reach))
        if (const project::LaidClip* c = reach.session.laid()->find(id);
            c != nullptr && std::find(ids.begin(), ids.end(), c->clip->source) == ids.end())
            ids.push_back(c->clip->source);
    return ids;
}

std::vector<SourceId> sourcesMeant(const Reach& reach) {
    const auto one = reach.session.selection().source;
    return one ? std::vector<SourceId>{*one} : sourcesOfChosen(reach);
}

QString nameOfChosen(const Reach& reach) {
    const project::LaidClip* first = firstChosen(reach);
    const auto n = static_cast<int>(chosenClips(reach).size());
    return n == 1 && first != nullptr ? qt(first->name()) : counted(n, words("1 clip"), words("%1 clips"));
}

bool editChosen(Reach& reach, const QString& step, base::Result<project::Project> next, const QString& sentence) {
    if (!reach.session.edit(step, std::move(next))) return false;
    reach.session.say(QStringLiteral("%1: %2").arg(nameOfChosen(reach), sentence));
    return true;
}

void arrange(Reach& reach, const QString& step, base::Result<project::Arranged> arranged) {
    if (!arranged) {
        reach.session.say(translated(arranged.error().text));
        return;
    }
    if (!reach.session.edit(step, std::move(arranged->project))) return;
    reach.session.document().select(arranged->clips);
    reach.session.say(QStringLiteral("%1: %2").arg(
        step, counted(static_cast<int>(arranged->clips.size()), words("1 clip"), words("%1 clips"))));
}

void selectWhere(Reach& reach, const std::function<bool(const project::LaidClip&)>& wanted) {
    std::vector<ClipId> clips;
    for (const project::LaidClip& c : reach.session.laid()->clips())
        if (wanted(c)) clips.push_back(c.id());
    const auto n = static_cast<int>(clips.size());
    reach.session.document().select(std::move(clips));
    reach.session.say(counted(n, words("1 clip selected"), words("%1 clips selected")));
}

} // namespace app
