#include "app/bars/bars_tool.h"

#include "app/widgets/text.h"
#include "metre/snap.h"
#include "project/edit_arrange.h"

#include <QObject>
#include <algorithm>
#include <cmath>

namespace app {

namespace {

constexpr double reach = 6; // pixels within which edges attract

bool isIn(const std::vector<ClipId>& ids, ClipId id) {
    return std::find(ids.begin(), ids.end(), id) != ids.end();
}

// The nearest of the places that are no grid; nothing where none is near.
std::optional<Beats> nearEdge(const BarsHand& hand, Beats wanted, const std::vector<ClipId>& leftOut) {
    std::optional<Beats> best;
    double distance = reach / hand.layout.perBeat;
    const auto consider = [&](Beats b) {
        const double d = std::abs((b - wanted).value);
        if (d >= distance) return;
        distance = d;
        best = b;
    };
    consider(hand.session.player().position());
    if (hand.session.laid()->clips().size() > 4000) return best; // among thousands of slices an edge is everywhere
    for (const project::LaidClip& c : hand.session.laid()->clips()) {
        if (isIn(leftOut, c.id())) continue;
        consider(c.time().start);
        consider(c.time().end);
    }
    return best;
}

class ClipMover : public BarsTool {
  public:
    ClipMover(const BarsHand& hand, ClipId pressed, bool toggles)
        : BarsTool(hand), pressed_(pressed), toggles_(toggles) {
        const project::LaidClip* clip = hand.session.laid()->find(pressed);
        at_ = clip->clip->at;
        start_ = clip->time().start;
        end_ = clip->time().end;
        track_ = static_cast<int>(clip->trackIndex);
        pressedBeat_ = hand.layout.beat(hand.pressedAt.x());
    }

    bool stillHolds() const override {
        const project::LaidClip* clip = hand_.session.laid()->find(pressed_);
        return clip != nullptr && clip->clip->at == at_ && static_cast<int>(clip->trackIndex) == track_;
    }

    void move(const QPointF& at, Qt::KeyboardModifiers modifiers) override {
        if (hand_.handsOut && hand_.handsOut()) return;
        const project::Project& p = hand_.session.now();
        const Beats by = hand_.layout.beat(at.x()) - pressedBeat_;
        const bool free = modifiers.testFlag(Qt::AltModifier);
        const auto last = static_cast<int>(p.tracks.size()) - 1;
        const auto over = hand_.layout.trackAt(at.y(), p.tracks.size());
        const int to = std::clamp(over ? static_cast<int>(*over) : 0, 0, last);
        hand_.drag.moving = true;
        hand_.drag.copying = modifiers.testFlag(Qt::ControlModifier);
        hand_.drag.by = landingBy(by, free);
        hand_.drag.tracks = to - track_;
        hand_.drag.result = QStringLiteral("%1   %2%3")
                                .arg(qt(metre::positionLabel(p.metre.positionAt(at_ + hand_.drag.by))),
                                     qt(p.tracks[static_cast<std::size_t>(to)]->name),
                                     hand_.drag.copying ? QObject::tr("   copy") : QString());
    }

    void release(const QPointF&, Qt::KeyboardModifiers modifiers, bool moved) override {
        const BarsDrag drag = hand_.drag;
        Document& document = hand_.session.document();
        if (!moved) {
            std::vector<ClipId> clips = document.selection().clips;
            if (toggles_) {
                std::erase(clips, pressed_);
                document.select(clips);
            } else if (modifiers == Qt::NoModifier) {
                // A click on one of several selected clips, without a drag, means that one.
                document.select({pressed_});
            }
            return;
        }
        if (drag.by == Beats(0) && drag.tracks == 0) return;
        const std::vector<ClipId> clips = document.selection().clips;
        if (drag.copying) {
            auto copied = project::copyClips(document.now(), clips, drag.by, drag.tracks);
            if (!copied)
                hand_.session.say(translated(copied.error().text));
            else if (document.edit(QObject::tr("Copy clips"), std::move(copied->project))) {
                document.select(copied->clips);
                hand_.session.say(QObject::tr("Copied to %1").arg(drag.result.simplified()));
            }
            return;
        }
        if (document.edit(clips.size() == 1 ? QObject::tr("Move clip") : QObject::tr("Move clips"),
                          project::moveClips(document.now(), clips, drag.by, drag.tracks)))
            hand_.session.say(QObject::tr("Moved to %1").arg(drag.result));
    }

  private:
    // The downbeat goes on the grid; an edge may go where another edge or the play position is.
    Beats landingBy(Beats by, bool free) const {
        const project::Project& p = hand_.session.now();
        if (free || p.view.snap == metre::Snap::Off) return by;
        Beats best = metre::snapped(at_ + by, p.view.snap, p.metre) - at_;
        double distance = std::abs((best - by).value);
        for (const Beats edge : {at_, start_, end_})
            if (const auto near = nearEdge(hand_, edge + by, hand_.session.selection().clips)) {
                const double d = std::abs((*near - edge - by).value);
                if (d < distance) {
                    distance = d;
                    best = *near - edge;
                }
            }
        return best;
    }

    ClipId pressed_;
    bool toggles_;
    Beats at_;
    Beats start_;
    Beats end_;
    int track_ = 0;
    Beats pressedBeat_;
};

} // namespace

Beats landing(const BarsHand& hand, Beats wanted, bool free, const std::vector<ClipId>& leftOut) {
    const project::Project& p = hand.session.now();
    if (free || p.view.snap == metre::Snap::Off) return wanted;
    const Beats grid = metre::snapped(wanted, p.view.snap, p.metre);
    const auto near = nearEdge(hand, wanted, leftOut);
    return near && std::abs((*near - wanted).value) < std::abs((grid - wanted).value) ? *near : grid;
}

std::unique_ptr<BarsTool> clipMover(const BarsHand& hand, ClipId pressed, bool toggles) {
    return std::make_unique<ClipMover>(hand, pressed, toggles);
}

} // namespace app
