#include "app/bench/tempo_plot.h"

#include "app/bench/rails_paint.h"
#include "app/bench/rails_view.h"
#include "app/widgets/text.h"
#include "app/widgets/tokens.h"
#include "metre/tempo.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <algorithm>
#include <cmath>

namespace app {

namespace {
constexpr int edge = 6; // pixels above and below the curve
}

TempoPlot::TempoPlot(RailsView& rails, QWidget* parent) : QWidget(parent), rails_(rails) {
    setObjectName("tempoPlot");
    setLayoutDirection(Qt::LeftToRight);
    setAccessibleName(tr("The tempo as played, beat by beat"));
    setToolTip(tr("The tempo as played, beat by beat; dashed: as a whole. Double click: a pin on that beat."));
    setSizePolicy(QSizePolicy::Expanding, QSizePolicy::Fixed);
    setMouseTracking(true);
    setFocusPolicy(Qt::TabFocus);
    connect(&rails_, &RailsView::viewChanged, this, [this] {
        spokenChanged(*this);
        update();
    });
}

// All of the recording's tempos but for the few wildest, and never less than ±2 %.
TempoPlot::Range TempoPlot::range() const {
    const auto& played = rails_.scene()->played();
    std::vector<double> tempos;
    tempos.reserve(played.size());
    for (const project::PlayedBeat& b : played)
        tempos.push_back(b.bpm.value);
    const double mean = rails_.scene()->beats().meanTempo().value;
    if (tempos.empty()) return {mean * 0.98, mean * 1.02};
    std::sort(tempos.begin(), tempos.end());
    const std::size_t few = tempos.size() / 100;
    return {std::min(tempos[few], mean * 0.98), std::max(tempos[tempos.size() - 1 - few], mean * 1.02)};
}

double TempoPlot::y(double bpm, Range r) const {
    const double share = std::clamp((bpm - r.low) / std::max(1e-9, r.high - r.low), -0.1, 1.1);
    return height() - edge - share * (height() - 2 * edge);
}

// Where beats are closer than a pixel, the outermost of each pixel: nothing that strays is lost.
void TempoPlot::paintPlayed(QPainter& p, Range r) const {
    const RailsLayout& l = rails_.layout();
    QPolygonF line;
    double lastX = -1e9;
    double low = 0;
    double high = 0;
    for (const project::PlayedBeat& b : rails_.scene()->played()) {
        const double x = l.x(b.at);
        if (x < -200 || x > width() + 200) continue;
        const double at = y(b.bpm.value, r);
        if (x - lastX < 1 && !line.isEmpty()) {
            low = std::min(low, at);
            high = std::max(high, at);
            line.back() = {lastX, low};
            line << QPointF(lastX, high);
            continue;
        }
        lastX = x;
        low = high = at;
        line << QPointF(x, at);
    }
    p.setRenderHint(QPainter::Antialiasing);
    p.setPen(QPen(tokens().brass, 1.5));
    p.drawPolyline(line);
    p.setRenderHint(QPainter::Antialiasing, false);
}

// The bounds at the right, the title below.
void TempoPlot::paintWords(QPainter& p, Range r) const {
    const Tokens& t = tokens();
    const auto figure = [&](double bpm, Qt::Alignment where) {
        const QString text = QString::number(bpm, 'f', r.high - r.low < 10 ? 1 : 0);
        p.setFont(figureFont(12));
        const QRect box = rect().adjusted(4, 1, -5, -1);
        const QRect back = p.fontMetrics().boundingRect(box, static_cast<int>(where), text);
        p.fillRect(back.adjusted(-2, 0, 2, 0), t.sheet);
        p.setPen(t.inkSoft);
        p.drawText(box, static_cast<int>(where), text);
    };
    figure(r.high, Qt::AlignRight | Qt::AlignTop);
    figure(r.low, Qt::AlignRight | Qt::AlignBottom);
    const QString title = tr("tempo as played");
    const QRect box(6, height() - 16, p.fontMetrics().horizontalAdvance(title) + 30, 14);
    p.setFont(textFont(sizes::label));
    QColor ground = t.sheet;
    ground.setAlpha(215);
    p.fillRect(p.fontMetrics().boundingRect(box, Qt::AlignLeft | Qt::AlignVCenter, title).adjusted(-2, 0, 2, 0),
               ground);
    p.setPen(t.inkSoft);
    p.drawText(box, Qt::AlignLeft | Qt::AlignVCenter, title);
}

const project::PlayedBeat* TempoPlot::pointed() const {
    const RailsScenePtr& scene = rails_.scene();
    if (!scene || !scene->hasBeats() || (pointer_ < 0 && !(hasFocus() && reached_))) return nullptr;
    const Beats beat = pointer_ < 0 ? reached_->beat
                                    : Beats(std::round(scene->beats().beatAt(rails_.layout().at(pointer_)).value));
    for (const project::PlayedBeat& b : scene->played())
        if (b.beat == beat) return &b;
    return nullptr;
}

QString TempoPlot::told(const project::PlayedBeat& b) const {
    return tr("beat %1 · %2 BPM%3")
        .arg(beatNumber(b.beat), qt(metre::tempoFigure(b.bpm)), b.on ? QString() : tr(" · nothing played"));
}

// The beat that is pointed at, with its tempo.
void TempoPlot::paintPointed(QPainter& p, Range r) const {
    const project::PlayedBeat* b = pointed();
    if (b == nullptr) return;
    const double x = rails_.layout().x(b->at);
    p.setPen(Qt::NoPen);
    p.setBrush(tokens().ink);
    p.setRenderHint(QPainter::Antialiasing);
    p.drawEllipse(QPointF(x, y(b->bpm.value, r)), 3, 3);
    paintTold(p, rect(), {x, height() / 2.0 + 12}, told(*b), false);
}

void TempoPlot::paintEvent(QPaintEvent*) {
    QPainter p(this);
    const Tokens& t = tokens();
    p.fillRect(rect(), t.sheet);
    p.setPen(hasFocus() ? t.brass : t.rule);
    p.drawRect(rect().adjusted(0, 0, -1, -1));
    const RailsScenePtr& scene = rails_.scene();
    p.setFont(textFont(sizes::label));
    if (!scene || !scene->hasBeats() || scene->played().empty()) {
        p.setPen(t.inkSoft);
        p.drawText(rect().adjusted(6, 0, -6, -3), Qt::AlignLeft | Qt::AlignBottom, tr("tempo not known"));
        return;
    }
    const Range r = range();
    const double mean = scene->beats().meanTempo().value;
    p.setPen(QPen(t.ink, 1, Qt::DashLine));
    p.drawLine(QPointF(1, y(mean, r)), QPointF(width() - 1, y(mean, r)));
    paintPlayed(p, r);
    paintWords(p, r);
    paintPointed(p, r);
}

void TempoPlot::mouseMoveEvent(QMouseEvent* event) {
    pointer_ = event->position().x();
    update();
}

void TempoPlot::leaveEvent(QEvent*) {
    pointer_ = -1;
    update();
}

void TempoPlot::mouseDoubleClickEvent(QMouseEvent* event) {
    pointer_ = event->position().x();
    if (const project::PlayedBeat* b = pointed()) pin(*b);
}

void TempoPlot::pin(const project::PlayedBeat& beat) {
    rails_.goHere(beat.at);
    rails_.pinHere();
}

// From beat to beat; the first time, to the one nearest to the rails' line.
void TempoPlot::step(int by) {
    const RailsScenePtr& scene = rails_.scene();
    if (!scene || scene->played().empty()) return;
    const auto& played = scene->played();
    const Seconds from = reached_ ? reached_->at : rails_.here();
    const auto near = std::min_element(played.begin(), played.end(), [&](const auto& a, const auto& b) {
        return std::abs((a.at - from).value) < std::abs((b.at - from).value);
    });
    const auto last = static_cast<std::ptrdiff_t>(played.size()) - 1;
    const std::ptrdiff_t index = near - played.begin() + (reached_ ? by : 0);
    reached_ = played[static_cast<std::size_t>(std::clamp<std::ptrdiff_t>(index, 0, last))];
    pointer_ = -1;
    rails_.goHere(reached_->at);
    spokenChanged(*this);
    update();
}

void TempoPlot::keyPressEvent(QKeyEvent* event) {
    const project::PlayedBeat* at = pointed();
    if (event->key() == Qt::Key_Left || event->key() == Qt::Key_Right)
        step(event->key() == Qt::Key_Left ? -1 : 1);
    else if ((event->key() == Qt::Key_Return || event->key() == Qt::Key_Enter) && at != nullptr)
        pin(*at);
    else
        QWidget::keyPressEvent(event);
}

void TempoPlot::focusInEvent(QFocusEvent*) {
    update();
}
void TempoPlot::focusOutEvent(QFocusEvent*) {
    reached_.reset();
    update();
}

QString TempoPlot::spokenCursor() const {
    return reached_ ? QStringLiteral("beat %1").arg(reached_->beat.value) : QString();
}

// The beats that are in view.
std::vector<SpokenItem> TempoPlot::spoken() {
    constexpr std::size_t mostSpoken = 256; // beats: a page of them, zoomed in there are fewer
    const RailsScenePtr& scene = rails_.scene();
    std::vector<SpokenItem> list;
    if (!scene || !scene->hasBeats() || scene->played().empty()) return list;
    const Range r = range();
    for (const project::PlayedBeat& b : scene->played()) {
        const double x = rails_.layout().x(b.at);
        const bool isReached = reached_ && reached_->beat == b.beat;
        if (x < 0 || x > width() || (list.size() >= mostSpoken && !isReached)) continue;
        SpokenItem item{QStringLiteral("beat %1").arg(b.beat.value), QAccessible::ListItem,
                        told(b).replace(QStringLiteral(" · "), QStringLiteral(", "))};
        item.where = QRect(static_cast<int>(x) - 3, static_cast<int>(y(b.bpm.value, r)) - 3, 6, 6);
        item.isSelected = isReached;
        item.reach = [this, b] {
            reached_ = b;
            pointer_ = -1;
            rails_.goHere(b.at);
            update();
        };
        item.actions = {{tr("Pin here"), [this, b] { pin(b); }}};
        list.push_back(std::move(item));
    }
    return list;
}

} // namespace app
