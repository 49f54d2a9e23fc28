#include "app/bars/bars_tool.h"

#include "app/widgets/text.h"
#include "metre/snap.h"

#include <QObject>

namespace app {

namespace {

class LoopRanger : public BarsTool {
  public:
    explicit LoopRanger(const BarsHand& hand)
        : BarsTool(hand), pressedBeat_(hand.layout.beat(hand.pressedAt.x())), before_(hand.session.now().loop),
          looped_(hand.session.now().view.looping) {}

    void move(const QPointF& at, Qt::KeyboardModifiers) override {
        const project::Project p = hand_.session.now(); // a copy: the edit below replaces the present one
        const auto place = [&](Beats b) { return metre::snapped(std::max(Beats(0), b), p.view.snap, p.metre); };
        const Beats here = hand_.layout.beat(at.x());
        const Beats from = place(std::min(pressedBeat_, here));
        Beats to = place(std::max(pressedBeat_, here));
        if (to <= from && p.view.snap != metre::Snap::Off) to = metre::gridAfter(from, p.view.snap, p.metre);
        auto looped = project::setLoop(p, {from, to});
        if (!looped) return;
        hand_.drag.result = QObject::tr("Loop %1 – %2")
                                .arg(qt(metre::positionLabel(p.metre.positionAt(from))),
                                     qt(metre::positionLabel(p.metre.positionAt(to))));
        hand_.session.edit(QObject::tr("Loop range"), std::move(looped), gesture());
        changed_ = true;
    }

    void release(const QPointF& at, Qt::KeyboardModifiers, bool) override {
        const project::Project& p = hand_.session.now();
        if (changed_) {
            hand_.session.say(hand_.drag.result);
            hand_.session.document().endGesture();
        } else {
            hand_.session.transport().locate(metre::snapped(hand_.layout.beat(at.x()), p.view.snap, p.metre));
        }
    }

    void cancel() override {
        if (!changed_) return;
        auto back = project::setLoop(hand_.session.now(), before_);
        if (back) back->view.looping = looped_;
        hand_.session.edit(QObject::tr("Loop range"), std::move(back), gesture());
    }

  private:
    Gesture gesture() const { return {"loop range", 0, hand_.press}; }

    Beats pressedBeat_;
    project::LoopRange before_;
    bool looped_;
    bool changed_ = false;
};

} // namespace

std::unique_ptr<BarsTool> loopRanger(const BarsHand& hand) {
    return std::make_unique<LoopRanger>(hand);
}

} // namespace app
