#include "app/widgets/meter.h"

#include "app/widgets/tokens.h"
#include "sound/decibel.h"

#include <QPainter>
#include <algorithm>

namespace app {

namespace {
constexpr double floorDb = -60;
constexpr double fallPerTick = 0.5; // 30 dB a second
} // namespace

Meter::Meter(QWidget* parent) : QWidget(parent) {
    setAccessibleName(tr("Output level"));
    setToolTip(tr("Output level; click to forget an overload"));
    setSizePolicy(QSizePolicy::Fixed, QSizePolicy::Fixed);
}

void Meter::feed(float left, float right) {
    const std::array<double, 2> now{sound::dbFromFactor(left), sound::dbFromFactor(right)};
    bool changed = false;
    for (std::size_t c = 0; c < 2; ++c) {
        const double next = std::max(now[c], std::max(sound::silenceDb, shown_[c] - fallPerTick));
        changed = changed || std::max(next, floorDb) != std::max(shown_[c], floorDb);
        shown_[c] = next;
    }
    const double loudest = std::max(now[0], now[1]);
    if (loudest >= highest_ || --holdTicks_ < 0) {
        changed = changed || std::max(loudest, floorDb) != std::max(highest_, floorDb);
        highest_ = loudest;
        holdTicks_ = 90;
    }
    if (loudest > 0) over_ = true;
    if (changed) update();
}

void Meter::mousePressEvent(QMouseEvent*) {
    over_ = false;
    update();
}

void Meter::paintEvent(QPaintEvent*) {
    QPainter p(this);
    const Tokens& t = tokens();
    p.setFont(textFont(sizes::label));
    p.setPen(over_ ? t.wax : t.inkSoft);
    const QString level = highest_ <= floorDb
                              ? tr("silent")
                              : QStringLiteral("%1 dB").arg(highest_, 0, 'f', 1).replace('-', QChar(0x2212));
    p.drawText(QRect(0, 0, width(), 16), Qt::AlignLeft | Qt::AlignVCenter,
               over_ ? tr("Output over") : tr("Output"));
    p.drawText(QRect(0, 0, width(), 16), Qt::AlignRight | Qt::AlignVCenter, level);
    for (int c = 0; c < 2; ++c) {
        const QRect bar(0, 20 + c * 9, width(), 6);
        p.fillRect(bar, t.rule);
        const double x = std::clamp((shown_[static_cast<std::size_t>(c)] - floorDb) / -floorDb, 0.0, 1.0);
        QRect lit = bar;
        lit.setWidth(static_cast<int>(x * bar.width()));
        p.fillRect(lit, over_ ? t.wax : t.verdigris);
    }
}

} // namespace app
