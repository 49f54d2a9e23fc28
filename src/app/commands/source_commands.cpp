// The menu of the selected source: what holds for the recording, wherever it is placed.
#include "app/bench/bench.h"
#include "app/bench/by_ear.h"
#include "app/commands/command.h"
#include "app/session/several_sources.h"
#include "app/sources/write_into_files.h"
#include "app/widgets/text.h"
#include "metre/tempo.h"
#include "project/edit_sources.h"
#include "project/sets.h"

#include <algorithm>

namespace app {

namespace {

std::vector<SourceId> oneSource(const Reach& r) {
    return {*r.session.selection().source};
}

void countBy(Reach& r, double factor) {
    const project::SourcePtr s = chosenSource(r);
    if (s && r.session.settle(words("Other counting"), project::scaleBeats(r.session.now(), s->id, factor)))
        r.session.say(words("%1: %2 → %3 BPM")
                          .arg(qt(s->name), qt(metre::tempoLabel(s->beats->meanTempo())),
                               qt(metre::tempoLabel(Bpm(s->beats->meanTempo().value * factor)))));
}

void selectTheSet(Reach& r) {
    const auto ids = project::togetherWith(r.session.now(), oneSource(r).front());
    selectWhere(r, [&ids](const project::LaidClip& c) {
        return std::find(ids.begin(), ids.end(), c.clip->source) != ids.end();
    });
}

} // namespace

CommandMenu sourceCommands() {
    const AtPointer tempo{OnSource, Among::Most};
    const AtPointer playing{OnSource, Among::Sound};
    const auto sets = [](unsigned places) { return AtPointer{places, Among::Recording, words("Recording")}; };
    return {words("&Source"),
            {{{},
              {{"half",
                words("&Half tempo"),
                "Alt+-",
                Needs::Sources,
                [](Reach& r) { scaleTempos(r.session, sourcesMeant(r), 0.5); },
                {},
                tempo},
               {"double",
                words("&Double tempo"),
                "Alt++",
                Needs::Sources,
                [](Reach& r) { scaleTempos(r.session, sourcesMeant(r), 2); },
                {},
                tempo},
               {"round",
                words("&Round the tempo"),
                "Alt+R",
                Needs::Sources,
                [](Reach& r) { roundTempos(r.session, sourcesMeant(r)); },
                {},
                tempo},
               {"tapSourceKey",
                words("Ta&p the source's tempo"),
                "Shift+T",
                Needs::Source,
                [](Reach& r) { r.bench.byEar().tap(); },
                {},
                tempo}}},
             {words("&Other counting"),
              {{"dotted", words("Count &dotted beats (×1½)"), "", Needs::Source, [](Reach& r) { countBy(r, 1.5); }},
               {"undotted", words("Count &plain beats (×⅔)"), "", Needs::Source,
                [](Reach& r) { countBy(r, 2.0 / 3); }}}},
             {{},
              {{"hearRecorded",
                words("Play the recording &alone"),
                "Shift+Space",
                Needs::Source,
                [](Reach& r) { r.bench.byEar().hear(!r.session.player().isPlayingRaw()); },
                {},
                playing},
               {"sourceFollows",
                words("&Follow the project's tempo"),
                "",
                Needs::Sources,
                [](Reach& r) { toggleFollowing(r.session, sourcesMeant(r)); },
                [](const Reach& r) {
                    const auto ids = sourcesMeant(r);
                    const project::SourcePtr s =
                        ids.empty() ? nullptr : project::sourceOf(r.session.now(), ids.front());
                    return s && s->following;
                },
                {OnSource, Among::Fit}},
               {"listenAgain",
                words("&Listen again"),
                "",
                Needs::Sources,
                [](Reach& r) { listenAgain(r.session, sourcesMeant(r)); },
                {},
                {OnSource, Among::Recording}}}},
             {words("&Set"),
              {{"makeSet",
                words("&Make a set of the selected"),
                "",
                Needs::Clips,
                [](Reach& r) { r.session.listening().makeSet(sourcesOfChosen(r)); },
                {},
                sets(OnClip)},
               {"partSet",
                words("&Dissolve the set"),
                "",
                Needs::Set,
                [](Reach& r) { r.session.listening().partSets(oneSource(r)); },
                {},
                sets(OnSource | OnClip)},
               {"selectSet",
                words("Select &all of the set"),
                "",
                Needs::Set,
                selectTheSet,
                {},
                sets(OnSource | OnClip)}}},
             {{},
              {{"forgetSettled",
                words("F&orget the settled tempo"),
                "",
                Needs::Sources,
                [](Reach& r) { r.session.remembered().forget(sourcesMeant(r)); },
                {},
                {OnSource, Among::Recording}},
               {"writeTempo",
                words("&Write tempo as a tag…"),
                "",
                Needs::Sources,
                [](Reach& r) { askToWriteIntoFiles(&r.frame.widget(), r.session, sourcesMeant(r)); },
                {},
                {OnSource, Among::Rest}},
               {"benchMore", words("Rarer f&igures and feel"), "Shift+B", Needs::Nothing,
                [](Reach& r) { r.bench.setShowsMore(!r.bench.showsMore()); },
                [](const Reach& r) { return r.bench.showsMore(); }}}}}};
}

} // namespace app
