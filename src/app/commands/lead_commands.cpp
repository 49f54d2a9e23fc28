// The commands of leading: a recording that sets the project's tempo.
#include "app/commands/asking.h"
#include "app/commands/command.h"
#include "app/widgets/text.h"
#include "metre/tempo.h"
#include "project/lead.h"

#include <tuple>

namespace app {

namespace {

using Every = project::Lead::Every;

void leadEvery(Reach& r, Every every) {
    const auto clip = r.ledBy ? r.ledBy : chosenClip(r);
    if (!clip) {
        r.session.say(words("Place the source first: it leads where it lies."));
        return;
    }
    const auto& lead = r.session.now().lead;
    r.session.tempoTaking().lead(*clip, every, lead ? lead->smooth : metre::Seconds(0));
}

void smoothTheLead(Reach& r) {
    const auto lead = r.session.now().lead;
    if (!lead) {
        r.session.say(words("Nothing leads yet."));
        return;
    }
    askNumber(r.frame.widget(),
              {words("Smooth the lead"), words("By how many milliseconds may a beat miss?"),
               lead->smooth.value * 1000, 0, project::smoothest.value * 1000, 1},
              [&r, lead](double ms) {
                  r.session.tempoTaking().lead(lead->clip, lead->every, metre::Seconds(ms / 1000));
              });
}

void holdMeanTempo(Reach& r) {
    if (r.session.edit(words("Hold"), project::holdTempo(r.session.now())))
        r.session.say(words("The project holds one tempo: %1")
                          .arg(qt(metre::tempoFigure(r.session.now().tempo.points().front().bpm))));
}

void scaleTheLead(Reach& r) {
    askNumber(r.frame.widget(),
              {words("Stop leading and scale the tempo"), words("Per cent of the tempo now:"), 96, 25, 400, 1},
              [&r](double percent) {
                  auto next = project::letGo(r.session.now());
                  if (next) next = project::scaleTempo(*next, {Beats(0), project::furthest}, percent / 100);
                  if (r.session.edit(words("Scale the tempo"), std::move(next)))
                      r.session.say(
                          words("The same feel at %1 %; the recording follows like the others").arg(percent));
              });
}

void letLead(Reach& r, LedBy by) {
    Preferences p = r.session.preferences();
    p.together.ledBy = by;
    r.session.prefer(p);
    if (by == LedBy::Project) r.session.say(words("The project goes by itself"));
}

} // namespace

// Other programs and machines that lead; each is off unless it is asked for. The head strip's menu offers them too.
std::vector<CommandGroup> ledByCommands() {
    CommandGroup group{words("L&ed by"), {}};
    for (const auto& [name, text, by] :
         {std::tuple("ledByProject", words("The &project itself"), LedBy::Project),
          std::tuple("ledByJack", words("&JACK: its place and its tempo"), LedBy::Jack),
          std::tuple("ledByJackGiven", words("J&ACK, at the project's tempo"), LedBy::JackGiven),
          std::tuple("ledByMidi", words("&MIDI clock"), LedBy::Midi)})
        group.commands.push_back(
            {name, text, "", Needs::Nothing, [by = by](Reach& r) { letLead(r, by); },
             [by = by](const Reach& r) { return r.session.preferences().together.ledBy == by; }});
    group.commands.push_back({"midiTempo", words("&Take the tempo of MIDI"), "", Needs::Nothing,
                              [](Reach& r) { r.session.together().pickMidiTempo(); }});
    return {group};
}

std::vector<CommandGroup> leadCommands() {
    const AtPointer most{OnLead, Among::Most};
    const AtPointer rest{OnLead, Among::Rest};
    CommandGroup group{words("&Lead"), {}};
    for (const auto& [name, text, every] : {std::tuple("leadPiece", words("Lead with &one tempo"), Every::Piece),
                                            std::tuple("leadBars", words("Lead &bar by bar"), Every::Bar),
                                            std::tuple("leadBeats", words("Lead b&eat by beat"), Every::Beat)})
        group.commands.push_back({name, text, "", Needs::Nothing,
                                  [every = every](Reach& r) { leadEvery(r, every); },
                                  [every = every](const Reach& r) {
                                      return r.session.now().lead && r.session.now().lead->every == every;
                                  },
                                  most});
    const std::vector<Command> others{
        {"leadSmooth", words("&Smooth the lead…"), "", Needs::Nothing, smoothTheLead, {}, rest},
        {"letGo",
         words("Stop &leading"),
         "",
         Needs::Nothing,
         [](Reach& r) { r.session.tempoTaking().letGo(); },
         {},
         rest},
        {"holdTempo", words("&Hold at the mean tempo"), "", Needs::Nothing, holdMeanTempo, {}, rest},
        {"scaleLead", words("Stop leading and s&cale the tempo…"), "", Needs::Nothing, scaleTheLead, {}, rest}};
    group.commands.insert(group.commands.end(), others.begin(), others.end());
    return {group};
}

} // namespace app
