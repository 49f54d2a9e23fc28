// The rails as they are shown: what stands still is kept as a picture, and the lines that move are drawn over it.
#include "app/bench/rails_view.h"

#include "app/bench/rails_paint.h"
#include "app/session/session.h"
#include "app/widgets/tokens.h"

#include <QPainter>

namespace app {

StillRails RailsView::still() const {
    const Proofs& proofs = session_.proofs();
    const bool placed = scene_->isPlaced();
    return {*scene_,
            layout_,
            marks(),
            picked_,
            tried_,
            grid_,
            session_.player(),
            placed ? proofs.of(scene_->clip()->id()) : nullptr,
            placed && proofs.isWaiting(scene_->clip()->id()),
            proofs.tolerance()};
}

void RailsView::paintStill() {
    const qreal ratio = devicePixelRatioF();
    if (still_.size() != size() * ratio) still_ = QPixmap(size() * ratio);
    still_.setDevicePixelRatio(ratio);
    QPainter p(&still_);
    paintRails(p, still());
    stale_ = false;
}

void RailsView::paintLines(QPainter& p) const {
    const Tokens& t = tokens();
    const auto line = projectLine();
    if (line) paintLine(p, *scene_, layout_, *line, {t.wax, !ownCounts_, false});
    // Without either, the first downbeat is where one is.
    const std::optional<Seconds> own = own_ || line ? own_ : here();
    if (own) paintLine(p, *scene_, layout_, *own, {t.brass, ownCounts_ && !announced_, ownCounts_ && !announced_});
    if (announced_) paintLine(p, *scene_, layout_, *announced_, {t.brass, true, true});
}

void RailsView::paintEvent(QPaintEvent*) {
    QPainter p(this);
    if (!scene_) {
        paintNoRails(p, rect());
        return;
    }
    if (stale_) paintStill();
    p.drawPixmap(0, 0, still_);
    paintLines(p);
    if (drag_.what == Drag::What::Band && drag_.moved) paintBand(p, layout_, drag_.began.x(), drag_.bandTo);
    if (!told_.isEmpty()) paintTold(p, rect(), toldAt_, told_, toldWrong_);
    if (hasFocus()) {
        p.setPen(QPen(tokens().brass, 1));
        p.setBrush(Qt::NoBrush);
        p.drawRect(rect().adjusted(0, 0, -1, -1));
    }
}

} // namespace app
