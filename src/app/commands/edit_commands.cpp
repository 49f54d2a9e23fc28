// The menu of undoing, of copying and of selecting.
#include "app/bars/bars_view.h"
#include "app/commands/command.h"
#include "app/widgets/text.h"

#include <QAbstractItemView>
#include <QApplication>
#include <algorithm>
#include <set>

namespace app {

namespace {

// What is picked in the lanes; else the selected clips.
void deleteChosen(Reach& r) {
    const LanePick::What picked = r.bars.picked().what;
    if (picked != LanePick::What::Nothing && picked != LanePick::What::TempoRange) {
        r.bars.removePicked();
        return;
    }
    const QString name = nameOfChosen(r);
    const auto& clips = chosenClips(r);
    if (r.session.edit(clips.size() == 1 ? words("Delete clip") : words("Delete clips"),
                       project::removeClips(r.session.now(), clips)))
        r.session.say(words("%1 deleted").arg(name));
}

// In the list that has the focus, where one has.
void selectEverything(Reach& r) {
    if (auto* list = qobject_cast<QAbstractItemView*>(QApplication::focusWidget()))
        list->selectAll();
    else
        r.session.document().select(project::allClips(r.session.now()));
}

void selectTheOthers(Reach& r) {
    const std::set<ClipId> chosen(chosenClips(r).begin(), chosenClips(r).end());
    selectWhere(r, [&](const project::LaidClip& c) { return chosen.count(c.id()) == 0; });
}

void selectTheTracks(Reach& r) {
    std::set<std::size_t> tracks;
    for (const ClipId id : chosenClips(r))
        if (const project::LaidClip* c = r.session.laid()->find(id)) tracks.insert(c->trackIndex);
    selectWhere(r, [&](const project::LaidClip& c) { return tracks.count(c.trackIndex) > 0; });
}

void selectTheSources(Reach& r) {
    const std::vector<SourceId> sources = sourcesOfChosen(r);
    selectWhere(r, [&](const project::LaidClip& c) {
        return std::find(sources.begin(), sources.end(), c.clip->source) != sources.end();
    });
}

} // namespace

CommandMenu editCommands() {
    const AtPointer copying{OnClip, Among::Most};
    const auto selecting = [](unsigned places) { return AtPointer{places, Among::Rest, words("Select")}; };
    return {words("&Edit"),
            {{{},
              {{"undo", words("&Undo"), "Ctrl+Z", Needs::Undo, [](Reach& r) { r.session.document().undo(); }},
               // Desktops differ in which of the two they use; both are free here.
               {"redo", words("&Redo"), "Ctrl+Shift+Z; Ctrl+Y", Needs::Redo,
                [](Reach& r) { r.session.document().redo(); }}}},
             {{},
              {{"cut",
                words("Cu&t"),
                "Ctrl+X",
                Needs::Clips,
                [](Reach& r) { r.session.clipboard().cut(); },
                {},
                copying},
               {"copy",
                words("&Copy"),
                "Ctrl+C; Ctrl+Ins",
                Needs::Clips,
                [](Reach& r) { r.session.clipboard().copy(); },
                {},
                copying},
               {"paste",
                words("&Paste at the play position"),
                "Ctrl+V; Shift+Ins",
                Needs::Nothing,
                [](Reach& r) { r.session.clipboard().paste(); },
                {},
                {OnPage, Among::Most}},
               {"delete",
                words("&Delete"),
                "Del",
                Needs::Nothing,
                deleteChosen,
                {},
                {OnClip | OnTempo | OnSection | OnMetre, Among::Most}}}},
             {{},
              {{"selectAll", words("Select &all"), "Ctrl+A", Needs::Nothing, selectEverything, {}, {OnPage}},
               {"selectOthers",
                words("Select all &others"),
                "Ctrl+Shift+A",
                Needs::Nothing,
                selectTheOthers,
                {},
                {OnPage}},
               {"selectTrack",
                words("Select all on the same trac&k"),
                "",
                Needs::Clips,
                selectTheTracks,
                {},
                selecting(OnClip)},
               {"selectSource",
                words("Select all of the same &source"),
                "Ctrl+Alt+A",
                Needs::Clips,
                selectTheSources,
                {},
                selecting(OnClip)}}}}};
}

} // namespace app
