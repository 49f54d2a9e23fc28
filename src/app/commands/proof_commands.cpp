// The commands of the proof: measuring, going to hits, the tolerance.
#include "app/bars/bars_view.h"
#include "app/commands/asking.h"
#include "app/commands/command.h"

namespace app {

namespace {

void showHit(Reach& r, const Proofs::Place& place) {
    r.frame.showPage(Frame::Page::Bars);
    r.session.transport().goTo(place);
    r.bars.showPlace(place.clip, place.hit.place);
}

void goToWorstHit(Reach& r) {
    if (const auto worst = r.session.proofs().worst())
        showHit(r, *worst);
    else
        r.session.say(words("No hit was measured yet."));
}

void goToNextHitOff(Reach& r) {
    if (const auto next = r.session.proofs().nextOff(r.session.player().position()))
        showHit(r, *next);
    else
        r.session.say(words("No hit is off by more than %1 ms.").arg(r.session.proofs().tolerance().value * 1000));
}

void askTolerance(Reach& r) {
    askNumber(r.frame.widget(),
              {words("Tolerance"), words("Up to how many milliseconds off does a hit count as in time?"),
               r.session.preferences().tolerance.value * 1000, prove::leastTolerance.value * 1000,
               prove::mostTolerance.value * 1000, 1},
              [&r](double ms) {
                  Preferences p = r.session.preferences();
                  p.tolerance = metre::Seconds(ms / 1000);
                  r.session.prefer(p);
                  r.session.say(words("Hits up to %1 ms off count as in time").arg(ms));
              });
}

} // namespace

std::vector<CommandGroup> proofCommands() {
    return {{words("Proo&f"),
             {{"proveAll", words("Pro&ve all clips"), "Ctrl+E", Needs::Nothing,
               [](Reach& r) { r.session.proofs().proveAll(); }},
              {"toWorst", words("Go to the hit &farthest off"), "F4", Needs::Nothing, goToWorstHit},
              {"toNextOff", words("Go to the &next hit that is off"), "Shift+F4", Needs::Nothing, goToNextHitOff},
              {"tolerance", words("Set the &tolerance…"), "", Needs::Nothing, askTolerance}}}};
}

} // namespace app
