#include "app/bars/bars_tool.h"

#include "app/widgets/text.h"
#include "metre/snap.h"

#include <QObject>

namespace app {

namespace {

class ClipMover : public BarsTool {
  public:
    ClipMover(const BarsHand& hand, ClipId pressed) : BarsTool(hand), pressed_(pressed) {
        const project::LaidClip* clip = hand.session.laid()->find(pressed);
        at_ = clip->clip->at;
        track_ = static_cast<int>(clip->trackIndex);
        pressedBeat_ = hand.layout.beat(hand.pressedAt.x());
    }

    bool stillHolds() const override {
        const project::LaidClip* clip = hand_.session.laid()->find(pressed_);
        return clip != nullptr && clip->clip->at == at_ && static_cast<int>(clip->trackIndex) == track_;
    }

    void move(const QPointF& at, Qt::KeyboardModifiers modifiers) override {
        const project::Project& p = hand_.session.now();
        const Beats wanted = at_ + (hand_.layout.beat(at.x()) - pressedBeat_);
        const bool free = modifiers.testFlag(Qt::AltModifier);
        const Beats target = free ? wanted : metre::snapped(wanted, p.snap, p.metre);
        const auto last = static_cast<int>(p.tracks.size()) - 1;
        const auto over = hand_.layout.trackAt(at.y(), p.tracks.size());
        const int to = std::clamp(over ? static_cast<int>(*over) : 0, 0, last);
        hand_.drag.moving = true;
        hand_.drag.by = target - at_;
        hand_.drag.tracks = to - track_;
        hand_.drag.result = QStringLiteral("%1   %2").arg(qt(metre::positionLabel(p.metre.positionAt(target))),
                                                          qt(p.tracks[static_cast<std::size_t>(to)]->name));
    }

    void release(const QPointF&, Qt::KeyboardModifiers modifiers, bool moved) override {
        const BarsDrag drag = hand_.drag;
        Document& document = hand_.session.document();
        if (!moved) {
            // A click on one of several selected clips, without a drag, means that one.
            if (modifiers == Qt::NoModifier) document.select({pressed_});
            return;
        }
        if (drag.by == Beats(0) && drag.tracks == 0) return;
        const std::vector<ClipId> clips = document.selection().clips;
        if (document.edit(clips.size() == 1 ? QObject::tr("Move clip") : QObject::tr("Move clips"),
                          project::moveClips(document.now(), clips, drag.by, drag.tracks)))
            hand_.session.say(QObject::tr("Moved to %1").arg(drag.result));
    }

  private:
    ClipId pressed_;
    Beats at_;
    int track_ = 0;
    Beats pressedBeat_;
};

} // namespace

std::unique_ptr<BarsTool> clipMover(const BarsHand& hand, ClipId pressed) {
    return std::make_unique<ClipMover>(hand, pressed);
}

} // namespace app
