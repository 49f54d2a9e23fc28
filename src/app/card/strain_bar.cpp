#include "app/card/strain_bar.h"

#include "app/widgets/tokens.h"

#include <QPainter>
#include <algorithm>

namespace app {

StrainBar::StrainBar(QWidget* parent) : QWidget(parent) {
    setFixedHeight(12);
    setMinimumWidth(50);
    setAccessibleName(tr("Strain"));
}

void StrainBar::show(const std::optional<prove::Strain>& strain, double comfort) {
    strain_ = strain;
    comfort_ = comfort;
    update();
}

// Twice as many per cent are firm; the bar reaches to three times as many.
void StrainBar::paintEvent(QPaintEvent*) {
    QPainter p(this);
    const Tokens& t = tokens();
    const double half = width() / 2.0;
    const auto x = [&](double percent) {
        return half + std::clamp(percent / (3 * comfort_), -1.0, 1.0) * (half - 1);
    };
    const QRectF bar(0, 2, width(), 8);
    p.fillRect(bar, t.rule);
    QColor gentle = t.verdigris;
    gentle.setAlphaF(0.25F);
    QColor firm = gentle;
    firm.setAlphaF(0.12F);
    p.fillRect(QRectF(x(-2 * comfort_), 2, x(2 * comfort_) - x(-2 * comfort_), 8), firm);
    p.fillRect(QRectF(x(-comfort_), 2, x(comfort_) - x(-comfort_), 8), gentle);
    if (strain_) p.fillRect(QRectF(x(strain_->percent) - 1, 0, 2, 12), t.ink);
}

} // namespace app
