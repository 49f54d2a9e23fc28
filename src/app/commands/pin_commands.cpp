// The menu of pins: what the Bench does with a source's beats.
#include "app/bench/bench.h"
#include "app/bench/by_ear.h"
#include "app/bench/rails_view.h"
#include "app/commands/asking.h"
#include "app/commands/command.h"
#include "app/widgets/text.h"
#include "project/edit_pins.h"

#include <cmath>
#include <tuple>

namespace app {

namespace {

// An edit that settles the beats of the selected source; says "NAME: SENTENCE".
void settleSource(Reach& r, const QString& step,
                  const std::function<base::Result<project::Project>(const project::Source&)>& change,
                  const QString& sentence) {
    const project::SourcePtr s = chosenSource(r);
    if (s && r.session.settle(step, change(*s))) r.session.say(QStringLiteral("%1: %2").arg(qt(s->name), sentence));
}

void firstDownbeatHere(Reach& r) {
    const metre::Seconds at = r.bench.rails().here();
    settleSource(
        r, words("First downbeat"),
        [&](const project::Source& s) { return project::setFirstDownbeat(r.session.now(), s.id, at); },
        words("first downbeat at %1 s").arg(at.value, 0, 'f', 3));
}

void shiftFirstDownbeat(Reach& r, int beats) {
    settleSource(
        r, words("First downbeat"),
        [&](const project::Source& s) { return project::shiftDownbeat(r.session.now(), s.id, beats); },
        beats > 0 ? words("first downbeat a beat later") : words("first downbeat a beat earlier"));
}

void introduce(Reach& r) {
    askNumber(r.frame.widget(),
              {words("Introduction"), words("How many bars come before this moment?"), 4, 0, 1000, 0},
              [&r](double n) {
                  settleSource(
                      r, words("Introduction"),
                      [&](const project::Source& s) {
                          return project::setIntroduction(r.session.now(), s.id, r.bench.rails().here(),
                                                          static_cast<int>(n));
                      },
                      counted(std::lround(n), words("1 bar of introduction"), words("%1 bars of introduction")));
              });
}

void playTheMarkedPart(Reach& r) {
    editChosen(r, words("The marked part alone"), project::playMarked(r.session.now(), chosenClips(r)),
               words("loops between the marks"));
}

void forgetThePins(Reach& r) {
    settleSource(
        r, words("Forget pins"),
        [&](const project::Source& s) { return project::forgetPins(r.session.now(), s.id); },
        words("back to the beats of the reading"));
}

using To = project::Straightness::To;

void straightenTo(Reach& r, To to, double percent) {
    const project::SourcePtr s = chosenSource(r);
    if (!s) return;
    if (!r.session.edit(words("Straighten"), project::setStraightness(r.session.now(), s->id, {to, percent})))
        return;
    const QString told = percent == 0     ? words("the playing stays, at one tempo")
                         : to == To::Beat ? words("every beat on the grid")
                         : to == To::Bar  ? words("every bar on the grid, the playing within stays")
                                          : words("every four bars on the grid, the playing within stays");
    r.session.say(QStringLiteral("%1: %2").arg(qt(s->name), told));
}

CommandGroup straighteningCommands() {
    const AtPointer most{OnStraighten, Among::Most};
    const AtPointer fit{OnStraighten, Among::Fit};
    CommandGroup group{
        words("Strai&ghten"),
        {{"straightenFree",
          words("Played &free: find every beat"),
          "",
          Needs::Source,
          [](Reach& r) { r.session.listening().straighten(*r.session.selection().source, hear::Playing::Free); },
          {},
          most},
         {"straightenSteady",
          words("Played to a &click: one tempo"),
          "",
          Needs::Source,
          [](Reach& r) { r.session.listening().straighten(*r.session.selection().source, hear::Playing::Steady); },
          {},
          most}}};
    for (const auto& [name, text, to] :
         {std::tuple("toBeats", words("Lay every &beat on the grid"), To::Beat),
          std::tuple("toBars", words("Lay every ba&r on the grid"), To::Bar),
          std::tuple("toPhrases", words("Lay every p&hrase of four bars on the grid"), To::Phrase)})
        group.commands.push_back({name, text, "", Needs::Source, [to = to](Reach& r) { straightenTo(r, to, 100); },
                                  [to = to](const Reach& r) {
                                      const project::SourcePtr s = chosenSource(r);
                                      return s && s->straight.to == to && s->straight.percent == 100;
                                  },
                                  fit});
    group.commands.push_back({"asPlayed", words("&Keep the playing, at one tempo"), "", Needs::Source,
                              [](Reach& r) { straightenTo(r, To::Beat, 0); },
                              [](const Reach& r) {
                                  const project::SourcePtr s = chosenSource(r);
                                  return s && s->straight.percent == 0;
                              },
                              fit});
    return group;
}

CommandGroup railsCommands() {
    CommandGroup group{words("In the &Bench"), {}};
    for (const auto& [name, text, grid] :
         {std::tuple("linesQuarters", words("Lines on &quarters"), EyeGrid::Quarters),
          std::tuple("linesEighths", words("Lines on &eighths"), EyeGrid::Eighths),
          std::tuple("linesTriplets", words("Lines on &triplets"), EyeGrid::Triplets),
          std::tuple("linesSixteenths", words("Lines on &sixteenths"), EyeGrid::Sixteenths)})
        group.commands.push_back({name, text, "", Needs::Source,
                                  [grid = grid](Reach& r) { r.bench.rails().setGrid(grid); },
                                  [grid = grid](const Reach& r) { return r.bench.rails().grid() == grid; }});
    const std::vector<Command> zooms{
        {"railsAll", words("Show &all of the recording"), "", Needs::Source,
         [](Reach& r) { r.bench.rails().zoomToAll(); }},
        {"railsPicked", words("Show the selected &pins or the marked part"), "", Needs::Source,
         [](Reach& r) { r.bench.rails().zoomToPicked(); }},
        {"railsBeat", words("Show &one beat"), "", Needs::Source, [](Reach& r) { r.bench.rails().zoomToBeat(); }}};
    group.commands.insert(group.commands.end(), zooms.begin(), zooms.end());
    return group;
}

} // namespace

CommandMenu pinCommands() {
    const AtPointer most{OnRail, Among::Most};
    const AtPointer pins{OnRail, Among::Fit};
    const AtPointer oneTempo{OnRail, Among::Fit, words("One tempo")};
    CommandMenu menu{
        words("Pi&ns"),
        {{{},
          {{"pinHere",
            words("&Pin here"),
            "P",
            Needs::Source,
            [](Reach& r) { r.bench.rails().pinHere(); },
            {},
            most},
           {"nextOnset", words("&Next onset"), ".", Needs::Source,
            [](Reach& r) { r.bench.rails().stepOnset(true); }},
           {"previousOnset", words("Pre&vious onset"), ",", Needs::Source,
            [](Reach& r) { r.bench.rails().stepOnset(false); }}}},
         {words("First &downbeat"),
          {{"downbeatHere", words("First &downbeat here"), "D", Needs::Source, firstDownbeatHere, {}, most},
           {"beatLater", words("First downbeat a beat &later"), "Alt+.", Needs::Source,
            [](Reach& r) { shiftFirstDownbeat(r, 1); }},
           {"beatEarlier", words("First downbeat a beat &earlier"), "Alt+,", Needs::Source,
            [](Reach& r) { shiftFirstDownbeat(r, -1); }},
           {"introduction", words("&Introduction before here…"), "", Needs::Source, introduce, {}, most}}},
         {words("By &ear"),
          {{"loopMarks",
            words("L&oop between the marks"),
            "Ctrl+Shift+L",
            Needs::Source,
            [](Reach& r) { r.bench.byEar().loopMarks(!r.bench.byEar().loopsMarks()); },
            [](const Reach& r) { return r.bench.byEar().loopsMarks(); },
            {OnRail, Among::Sound}},
           {"markFrom", words("&First mark here"), "Ctrl+[", Needs::Source,
            [](Reach& r) { r.bench.rails().markHere(true); }},
           {"markTo", words("&Second mark here"), "Ctrl+]", Needs::Source,
            [](Reach& r) { r.bench.rails().markHere(false); }},
           {"playMarked",
            words("Play the &marked part alone"),
            "",
            Needs::Clips,
            playTheMarkedPart,
            {},
            {OnRail, Among::Sound}},
           {"triedHalf", words("Trial click &half as fast"), "", Needs::Source,
            [](Reach& r) { r.bench.byEar().scale(0.5); }},
           {"triedTwice", words("Trial click &twice as fast"), "", Needs::Source,
            [](Reach& r) { r.bench.byEar().scale(2); }},
           {"useTried", words("&Use the trial click's tempo"), "Ctrl+U", Needs::Source,
            [](Reach& r) { r.bench.byEar().use(); }}}},
         {{},
          {{"namePin",
            words("N&ame the pin…"),
            "",
            Needs::Pins,
            [](Reach& r) { r.bench.rails().namePicked(); },
            {},
            pins},
           {"lockPins",
            words("Lock or unloc&k the pins"),
            "Ctrl+Shift+K",
            Needs::Pins,
            [](Reach& r) { r.bench.rails().lockPicked(); },
            {},
            pins},
           {"removePins",
            words("&Remove the pins"),
            "",
            Needs::Pins,
            [](Reach& r) { r.bench.rails().removePicked(); },
            {},
            pins},
           {"forgetPins",
            words("Back to what was &heard"),
            "",
            Needs::Source,
            forgetThePins,
            {},
            {OnRail | OnStraighten, Among::Rest}}}},
         {words("One &tempo"),
          {{"straightBetween",
            words("One tempo &between the selected pins"),
            "",
            Needs::Pins,
            [](Reach& r) { r.bench.rails().straightBetween(); },
            {},
            oneTempo},
           {"straightToEnd",
            words("One tempo from here to the &last pin"),
            "",
            Needs::Pins,
            [](Reach& r) { r.bench.rails().straightToEnd(); },
            {},
            oneTempo},
           {"straightFrom",
            words("One tempo &through this pin"),
            "",
            Needs::Pins,
            [](Reach& r) { r.bench.rails().straightFrom(); },
            {},
            oneTempo}}},
         straighteningCommands()}};
    for (CommandGroup& group : leadCommands())
        menu.groups.push_back(std::move(group));
    menu.groups.push_back(railsCommands());
    return menu;
}

} // namespace app
