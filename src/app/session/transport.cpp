#include "app/session/transport.h"

#include "app/widgets/landing_mark.h"
#include "app/widgets/text.h"
#include "metre/snap.h"
#include "project/pins.h"

#include <algorithm>

namespace app {

namespace fs = std::filesystem;

Transport::Transport(const Common& common, play::Player& player, Audition& audition, Device& device)
    : Part(common), player_(player), audition_(audition), device_(device) {}

Beats Transport::snapped() const {
    return metre::snapped(player_.position(), now().view.snap, now().metre);
}

bool Transport::isOnlyTold() {
    const play::Leader* leader = player_.leader();
    if (leader == nullptr || leader->isAskable()) return false;
    say(tr("%1 leads: it says when the project plays, and where").arg(qt(leader->name())));
    return true;
}

void Transport::toggle() {
    if (isOnlyTold()) return;
    if (player_.isPlaying()) {
        player_.stop();
    } else {
        device_.watch();
        player_.play();
    }
    emit moved();
}

void Transport::stop() {
    if (player_.isPlaying() && isOnlyTold()) return;
    if (player_.isPlaying())
        player_.stop();
    else if (player_.isAuditioning())
        audition_.stop();
    else
        locate(now().view.looping ? now().loop.from : Beats(0));
    emit moved();
}

void Transport::locate(Beats to) {
    if (isOnlyTold()) return;
    player_.locate(std::max(to, now().metre.startOfBar(-3)));
    emit moved();
}

void Transport::goTo(Beats to, bool atOnce) {
    const bool later = player_.isPlaying() && !atOnce;
    player_.jump(to, atOnce);
    const QString place = qt(metre::positionLabel(now().metre.positionAt(to)));
    say(later ? tr("From the next bar line on at %1").arg(place) : tr("At %1").arg(place));
    emit moved();
}

void Transport::goTo(const Proofs::Place& place) {
    document_.select({place.clip});
    const project::LaidClip* clip = laid()->find(place.clip);
    locate(place.hit.place);
    say(tr("%1 · %2 · %3")
            .arg(qt(clip->name()), qt(metre::positionLabel(now().metre.positionAt(place.hit.place))),
                 offText(*place.hit.off)));
}

void Transport::goToSection(int n, bool atOnce) {
    const auto sections = project::sectionsOf(now());
    if (n < 1 || n > static_cast<int>(sections.size())) {
        say(sections.empty() ? tr("There are no sections yet: double click in their lane makes one.")
                             : tr("There are %1 sections.").arg(sections.size()));
        return;
    }
    goTo(sections[static_cast<std::size_t>(n) - 1].at, atOnce);
}

} // namespace app
