#include "app/session/clipboard.h"

#include "app/widgets/text.h"

namespace app {

void Clipboard::copy() {
    if (selection().clips.empty()) {
        say(tr("Nothing is selected."));
        return;
    }
    taken_ = project::take(now(), selection().clips);
    takenFrom_ = document_.generation();
    say(taken_.size() == 1 ? tr("One clip copied") : tr("%1 clips copied").arg(taken_.size()));
}

void Clipboard::cut() {
    const std::vector<ClipId> clips = selection().clips;
    auto removed = project::removeClips(now(), clips);
    if (!removed) {
        say(translated(removed.error().text));
        return;
    }
    copy();
    if (edit(tr("Cut"), std::move(removed)))
        say(clips.size() == 1 ? tr("One clip cut") : tr("%1 clips cut").arg(clips.size()));
}

void Clipboard::paste() {
    if (takenFrom_ != document_.generation()) taken_.clear();
    const Beats at = transport_.snapped();
    auto pasted = project::paste(now(), taken_, at);
    if (!pasted) {
        say(translated(pasted.error().text));
        return;
    }
    if (!edit(tr("Paste"), std::move(pasted->project))) return;
    document_.select(pasted->clips);
    say(tr("Pasted at %1").arg(qt(metre::positionLabel(now().metre.positionAt(at)))));
}

} // namespace app
