#include "app/bars/bars_tool.h"

namespace app {

namespace {

class BandSelector : public BarsTool {
  public:
    using BarsTool::BarsTool;

    void move(const QPointF& at, Qt::KeyboardModifiers) override {
        hand_.drag.band = QRectF(hand_.pressedAt, at).normalized();
        std::vector<ClipId> clips;
        for (const project::LaidClip& c : hand_.session.laid()->clips())
            if (hand_.layout.clip(c).intersects(*hand_.drag.band)) clips.push_back(c.id());
        hand_.session.document().select(std::move(clips));
    }

    void release(const QPointF&, Qt::KeyboardModifiers, bool) override {}
};

} // namespace

std::unique_ptr<BarsTool> bandSelector(const BarsHand& hand) {
    return std::make_unique<BandSelector>(hand);
}

} // namespace app
