// The menu of the project's time: tempo, metre, sections.
#include "app/bars/bars_view.h"
#include "app/commands/command.h"
#include "app/widgets/text.h"
#include "app/widgets/words.h"
#include "metre/tempo.h"

namespace app {

namespace {

using Shape = metre::TempoPoint::Shape;

void shapePoint(Reach& r, Shape to) {
    const LanePick& pick = r.bars.picked();
    if (pick.what != LanePick::What::TempoPoint) {
        r.session.say(words("Select a point in the tempo lane first."));
        return;
    }
    if (r.session.edit(words("Tempo point"), project::setTempoShape(r.session.now(), pick.at, to)))
        r.session.say(to == Shape::Hold ? words("The tempo holds from here")
                                        : words("The tempo glides to the next"));
}

bool isPointShaped(const Reach& r, Shape shape) {
    if (r.bars.picked().what != LanePick::What::TempoPoint) return false;
    for (const metre::TempoPoint& p : r.session.now().tempo.points())
        if (p.at == r.bars.picked().at) return p.shape == shape;
    return false;
}

void letClipsFollow(Reach& r) {
    const bool on = !r.session.now().following;
    if (r.session.edit(on ? words("Follow the tempo") : words("Stop following"),
                       project::setFollowing(r.session.now(), on)))
        r.session.say(on ? words("Clips fill their beats at every tempo")
                         : words("Clips stay as long as they are now, at every tempo"));
}

std::vector<Command> projectRuleCommands() {
    std::vector<Command> list;
    list.reserve(std::size(project::timeRules));
    for (const project::TimeRuleEntry& entry : project::timeRules)
        list.push_back({QStringLiteral("projectRule-") + entry.word, ruleWord(entry.rule), "", Needs::Nothing,
                        [rule = entry.rule](Reach& r) {
                            if (r.session.edit(words("Time rule"), project::setProjectRule(r.session.now(), rule)))
                                r.session.say(words("The project's time rule is %1").arg(ruleWord(rule)));
                        },
                        [rule = entry.rule](const Reach& r) { return r.session.now().rule == rule; }});
    return list;
}

} // namespace

CommandMenu tempoCommands() {
    const AtPointer tempo{OnTempo, Among::Most};
    CommandMenu menu{
        words("Te&mpo"),
        {{{},
          {{"typeTempo", words("T&ype the project tempo"), "Ctrl+T", Needs::Nothing,
            [](Reach& r) { r.frame.typeTempo(); }},
           {"tap", words("&Tap the project tempo"), "T", Needs::Nothing, [](Reach& r) { r.frame.tapTempo(); }},
           {"meet", words("Set the tempo where sources &meet"), "", Needs::Nothing,
            [](Reach& r) { r.session.tempoTaking().meet(); }}}},
         {{},
          {{"tempoPoint",
            words("Tempo &point here…"),
            "Ctrl+Shift+T",
            Needs::Nothing,
            [](Reach& r) { r.bars.typeTempoPoint(); },
            {},
            tempo},
           {"tempoHold", words("&Hold the tempo from here"), "", Needs::Pick,
            [](Reach& r) { shapePoint(r, Shape::Hold); },
            [](const Reach& r) { return isPointShaped(r, Shape::Hold); }, tempo},
           {"tempoRamp", words("&Glide to the next point"), "", Needs::Pick,
            [](Reach& r) { shapePoint(r, Shape::Ramp); },
            [](const Reach& r) { return isPointShaped(r, Shape::Ramp); }, tempo},
           {"tempoChange",
            words("&Scale the tempo map…"),
            "",
            Needs::Nothing,
            [](Reach& r) { r.bars.typeTempoChange(); },
            {},
            tempo}}},
         {{},
          {{"section",
            words("S&ection here…"),
            "Ctrl+M",
            Needs::Nothing,
            [](Reach& r) { r.bars.typeSection(); },
            {},
            {OnSection, Among::Most}},
           {"metreOrKey",
            words("Metre or &key here…"),
            "Ctrl+Shift+M",
            Needs::Nothing,
            [](Reach& r) { r.bars.typeMetreOrKey(); },
            {},
            {OnMetre, Among::Most}}}},
         {{},
          {{"following", words("Clips &follow the tempo"), "", Needs::Nothing, letClipsFollow,
            [](const Reach& r) { return r.session.now().following; }}}},
         {words("Time rule of the p&roject"), projectRuleCommands()}}};
    for (CommandGroup& group : ledByCommands())
        menu.groups.push_back(std::move(group));
    for (CommandGroup& group : proofCommands())
        menu.groups.push_back(std::move(group));
    return menu;
}

} // namespace app
