// The commands of proof and meeting tempo; they stand in the menu Tempo.
#include "app/widgets/text.h"
#include "app/window/main_window.h"

namespace app {

void MainWindow::proofCommands(CommandList& list) {
    const auto key = [](QKeyCombination combination) { return QList<QKeySequence>{QKeySequence(combination)}; };
    list.line();
    list.add("meet", tr("Go to the tempo where all &meet"), {}, Needs::Nothing, OnBar, [this] { session_.meet(); });
    list.line();
    list.add("proveAll", tr("Pro&ve all"), key(Qt::CTRL | Qt::Key_E), Needs::Nothing, OnBar,
             [this] { session_.proofs().proveAll(); });
    list.add("toWorst", tr("To the hit that is farthest o&ff"), key(Qt::Key_F4), Needs::Nothing, OnBar,
             [this] { goToWorst(); });
    list.add("toNextOff", tr("To the &next hit that is off"), key(Qt::SHIFT | Qt::Key_F4), Needs::Nothing, OnBar,
             [this] { goToNextOff(); });
    list.add("tolerance", tr("In time up to…"), {}, Needs::Nothing, OnBar, [this] {
        askNumber(tr("Tolerance"), tr("Up to how many milliseconds off a hit counts as in time:"),
                  session_.preferences().tolerance.value * 1000, prove::leastTolerance.value * 1000,
                  prove::mostTolerance.value * 1000, 1, [this](double ms) {
                      Preferences p = session_.preferences();
                      p.tolerance = metre::Seconds(ms / 1000);
                      session_.prefer(p);
                  });
    });
}

} // namespace app
