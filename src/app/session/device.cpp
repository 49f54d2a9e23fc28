#include "app/session/device.h"

#include "app/widgets/text.h"

namespace app {

Device::Device(const Common& common, play::Player& player, const QString& told)
    : Part(common), player_(player), told_(told) {
    if (!player_.outputProblem().empty()) told_ = translated(player_.outputProblem());
}

void Device::watch() {
    if (const QString problem = translated(player_.outputProblem()); !problem.isEmpty() && problem != told_) {
        told_ = problem; // it could not be opened at another rate
        say(told_);
        emit lost(told_);
    }
    if (player_.output().isAlive()) return;
    const QString gone = qt(player_.output().description());
    player_.replaceOutput(play::silentOutput(now().rate));
    told_ = tr("The sound device has gone (%1): playing silently.").arg(gone);
    say(told_);
    emit lost(told_);
    emit changed();
}

void Device::take(bool isAsked) {
    jobs_.start<play::OpenedOutput>(
        Lane::Device, tr("Looking for a sound device"),
        [rate = now().rate, choice = preferences_.output](const base::Progress&) {
            return play::openOutput(rate, choice);
        },
        [this, isAsked](play::OpenedOutput found) { opened(std::move(found), isAsked); });
}

void Device::opened(play::OpenedOutput opened, bool isAsked) {
    told_ = translated(opened.told);
    if (opened.output->isSimulated() && player_.output().isSimulated()) {
        say(told_);
        if (isAsked && !preferences_.output.simulated) emit lost(told_);
        emit changed();
        return;
    }
    player_.replaceOutput(std::move(opened.output));
    if (!player_.outputProblem().empty()) told_ = translated(player_.outputProblem());
    if (isAsked || !told_.isEmpty())
        say(told_.isEmpty() ? tr("Playing through %1").arg(qt(player_.output().description())) : told_);
    emit changed();
}

} // namespace app
