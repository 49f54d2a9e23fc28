#include "app/shelf/audition_wave.h"

#include "app/widgets/tokens.h"

#include <QKeyEvent>
#include <QPainter>
#include <algorithm>

namespace app {

AuditionWave::AuditionWave(QWidget* parent) : QWidget(parent) {
    setLayoutDirection(Qt::LeftToRight);
    setSizePolicy(QSizePolicy::Expanding, QSizePolicy::Fixed);
    setFocusPolicy(Qt::TabFocus);
    setAccessibleName(tr("Waveform of the selected file"));
    setToolTip(tr("Press: the audition goes on from there (Left and Right: a second)"));
}

void AuditionWave::show(const std::shared_ptr<const project::Source>& source) {
    source_ = source;
    update();
}

void AuditionWave::showPosition(std::optional<metre::Seconds> at) {
    if (at_ == at) return;
    at_ = at;
    spokenChanged(*this);
    update();
}

void AuditionWave::paintEvent(QPaintEvent*) {
    QPainter p(this);
    if (source_ && source_->sound) paintSound(p);
    if (!hasFocus()) return;
    p.setPen(QPen(tokens().brass, 1));
    p.drawRect(rect().adjusted(0, 0, -1, -1));
}

void AuditionWave::paintSound(QPainter& p) {
    const Tokens& t = tokens();
    const project::Sound& sound = *source_->sound;
    const qreal scale = devicePixelRatioF();
    if (drawn_ != &sound || outline_.size() != size() * scale || drawnInk_ != t.ink) {
        outline_ = QPixmap(size() * scale);
        outline_.setDevicePixelRatio(scale);
        outline_.fill(Qt::transparent);
        QPainter o(&outline_);
        const double frames = double(sound.audio.frames().value);
        const double half = height() / 2.0;
        for (int x = 0; x < width(); ++x) {
            const auto from = static_cast<std::int64_t>(frames * x / width());
            const auto to = std::max(from + 1, static_cast<std::int64_t>(frames * (x + 1) / width()));
            const sound::Extent e = sound.peaks.over(metre::Frames(from), metre::Frames(to));
            const double top = half - std::clamp<double>(e.high, -1, 1) * half;
            const double bottom = half - std::clamp<double>(e.low, -1, 1) * half;
            o.fillRect(QRectF(x, top, 1, std::max(1.0, bottom - top)), t.ink);
        }
        drawn_ = &sound;
        drawnInk_ = t.ink;
    }
    p.drawPixmap(0, 0, outline_);
    if (at_) {
        const double length = std::max(1e-3, source_->length().value);
        p.fillRect(QRectF(at_->value / length * width() - 0.75, 0, 1.5, height()), t.wax);
    }
}

void AuditionWave::press(double x) {
    if (!source_) return;
    emit pressedAt(source_->length() * std::clamp(x / width(), 0.0, 1.0));
}

void AuditionWave::mousePressEvent(QMouseEvent* event) {
    if (event->button() == Qt::LeftButton) press(event->position().x());
}

void AuditionWave::keyPressEvent(QKeyEvent* event) {
    const int step = event->key() == Qt::Key_Left ? -1 : event->key() == Qt::Key_Right ? 1 : 0;
    if (step == 0 || !source_) {
        QWidget::keyPressEvent(event);
        return;
    }
    const metre::Seconds to = at_.value_or(metre::Seconds(0)) + metre::Seconds(step);
    emit pressedAt(std::clamp(to, metre::Seconds(0), source_->length()));
}

std::vector<SpokenItem> AuditionWave::spoken() {
    if (!source_) return {};
    const metre::Seconds at = at_.value_or(metre::Seconds(0));
    SpokenItem place{QStringLiteral("place"), QAccessible::Slider, tr("Place in the file"),
                     tr("%1 s").arg(at.value, 0, 'f', 1)};
    place.where = rect();
    place.number = SpokenNumber{at.value, 0, source_->length().value, 1,
                                [this](double seconds) { emit pressedAt(metre::Seconds(seconds)); }};
    return {std::move(place)};
}

} // namespace app
