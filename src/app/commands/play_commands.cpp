// The menu of playing.
#include "app/bench/bench.h"
#include "app/commands/command.h"
#include "app/shelf/shelf.h"
#include "app/widgets/text.h"

#include <algorithm>

namespace app {

namespace {

void loopAroundChosen(Reach& r) {
    project::LoopRange range{Beats(1e9), Beats(0)};
    for (const ClipId id : r.session.document().selectedOrAllClips()) {
        const project::Timing& t = r.session.laid()->find(id)->time();
        range.from = std::max(Beats(0), std::min(range.from, t.start));
        range.to = std::max(range.to, t.end);
    }
    if (!r.session.edit(words("Loop range"), project::setLoop(r.session.now(), range))) return;
    const auto place = [&](Beats at) { return qt(metre::positionLabel(r.session.now().metre.positionAt(at))); };
    r.session.say(words("Loop range from %1 to %2").arg(place(range.from), place(range.to)));
}

void switchLoop(Reach& r) {
    const bool on = !r.session.now().view.looping;
    r.session.document().setLooping(on);
    r.session.say(on ? words("The loop range repeats") : words("Plays through the loop range"));
}

void switchClick(Reach& r) {
    const bool on = !r.session.now().view.click;
    r.session.document().setClick(on);
    r.session.say(on ? words("Click on") : words("Click off"));
}

void switchCountIn(Reach& r) {
    const bool on = r.session.now().view.countIn == 0;
    r.session.document().setCountIn(on ? 1 : 0);
    r.session.say(on ? words("Counts in 1 bar before playing") : words("Plays without a count-in"));
}

std::vector<Command> sectionCommands() {
    std::vector<Command> list;
    for (int n = 1; n <= 9; ++n)
        list.push_back({QStringLiteral("section-%1").arg(n), words("To section &%1").arg(n), QString::number(n),
                        Needs::Nothing, [n](Reach& r) { r.session.transport().goToSection(n, false); }});
    return list;
}

std::vector<Command> sectionAtOnceCommands() {
    std::vector<Command> list;
    for (int n = 1; n <= 9; ++n)
        list.push_back({QStringLiteral("sectionNow-%1").arg(n), words("To section &%1 at once").arg(n),
                        QStringLiteral("Alt+%1").arg(n), Needs::Nothing,
                        [n](Reach& r) { r.session.transport().goToSection(n, true); }});
    return list;
}

} // namespace

CommandMenu playCommands() {
    const AtPointer onPage{OnPage, Among::Sound};
    return {words("&Play"),
            {{{},
              {{"play",
                words("&Play or stop"),
                "Space",
                Needs::Nothing,
                [](Reach& r) { r.session.transport().toggle(); },
                {},
                onPage},
               {"toStart", words("Back to the &beginning"), "Home", Needs::Nothing,
                [](Reach& r) { r.session.transport().locate(Beats(0)); }}}},
             {{},
              {{"loop", words("&Loop the range"), "L", Needs::Nothing, switchLoop,
                [](const Reach& r) { return r.session.now().view.looping; }, onPage},
               {"loopSelection",
                words("Set the loop range around the &selection"),
                "Ctrl+L",
                Needs::Nothing,
                loopAroundChosen,
                {},
                {OnClip, Among::Rest, words("Clip")}}}},
             {{},
              {{"hearPicked", words("&Audition the selected file"), "A", Needs::Nothing,
                [](Reach& r) { r.shelf.toggleHearing(); }},
               {"swapCompared",
                words("Compa&re (A|B)"),
                "X",
                Needs::Nothing,
                [](Reach& r) { r.bench.swapCompared(); },
                {},
                {OnClip, Among::Sound, words("Sound")}}}},
             {{},
              {{"click", words("&Click"), "C", Needs::Nothing, switchClick,
                [](const Reach& r) { return r.session.now().view.click; }, onPage},
               {"countIn", words("Count &in before playing"), "Shift+C", Needs::Nothing, switchCountIn,
                [](const Reach& r) { return r.session.now().view.countIn > 0; }}}},
             {words("To a sec&tion"), sectionCommands()},
             {words("To a section at &once"), sectionAtOnceCommands()},
             {{}, {{"takeDevice", words("Reconnect the sound &device"), "", Needs::Nothing, [](Reach& r) {
                        r.session.device().take();
                    }}}}}};
}

} // namespace app
