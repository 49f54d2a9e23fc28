#include "app/strain/strain_plot.h"

#include "app/widgets/controls.h"
#include "app/widgets/text.h"
#include "app/widgets/tokens.h"
#include "app/widgets/words.h"
#include "metre/tempo.h"

#include <QMouseEvent>
#include <QPainter>
#include <QPainterPath>
#include <QPushButton>
#include <algorithm>
#include <array>
#include <cmath>
#include <numbers>

namespace app {

using metre::Bpm;

namespace {

constexpr double mostPercent = 38;
constexpr int nearLine = 7; // pixels

QString percentText(double percent) {
    return QStringLiteral("%1%2 %").arg(percent > 0.05 ? QStringLiteral("+") : QString(),
                                        QString::number(percent, 'f', 1).replace('-', QChar(0x2212)));
}

// On the plot faster and slower count alike, by the logarithm: the lines run straight.
double plotted(const prove::Strained& s, Bpm at) {
    return 100 * std::abs(std::log(prove::usedAt(s, at).value / at.value));
}

// Where gentle and firm end: of a mix of methods, in the middle of what they bear.
double gentleOf(const StrainPlot::Content& content) {
    if (content.sources.in.empty()) return content.comfort.of(stretch::Method::Blend);
    double sum = 0;
    for (const prove::StrainedSource& s : content.sources.in)
        sum += content.comfort.of(s.strained.method);
    return sum / double(content.sources.in.size());
}

QColor mixed(const QColor& a, const QColor& b, double share) {
    const auto of = [&](int x, int y) { return static_cast<int>(std::lround(x + (y - x) * share)); };
    return {of(a.red(), b.red()), of(a.green(), b.green()), of(a.blue(), b.blue())};
}

} // namespace

StrainPlot::StrainPlot(QWidget* parent) : QWidget(parent) {
    setObjectName("strainPlot");
    setLayoutDirection(Qt::LeftToRight);
    setAccessibleName(tr("Strain of each source at every project tempo"));
    setFocusPolicy(Qt::StrongFocus);
    setMouseTracking(true);
    setMinimumSize(320, 220);
    use_ = button(tr("Use"), tr("The project goes to the tempo at which all meet"), this);
    use_->setObjectName("strainUse");
    use_->hide();
    connect(use_, &QPushButton::clicked, this, &StrainPlot::useAsked);
}

void StrainPlot::show(const Content& content) {
    content_ = content;
    placeUse();
    spokenChanged(*this);
    update();
}

void StrainPlot::setWide(bool wide) {
    if (wide == wide_) return;
    wide_ = wide;
    placeUse();
    update();
}

// Names stand below at a slant.
QRectF StrainPlot::field() const {
    return QRectF(rect()).adjusted(44, 24, -16, -86);
}
double StrainPlot::x(Bpm bpm) const {
    const double low = std::log(wide_ ? 40 : 60);
    const double high = std::log(wide_ ? 240 : 200);
    return field().left() + (std::log(bpm.value) - low) / (high - low) * field().width();
}
Bpm StrainPlot::bpmAt(double px) const {
    const double low = std::log(wide_ ? 40 : 60);
    const double high = std::log(wide_ ? 240 : 200);
    return Bpm(std::exp(low + (px - field().left()) / field().width() * (high - low)));
}
double StrainPlot::y(double percent) const {
    return field().bottom() - std::min(percent, mostPercent) / mostPercent * field().height();
}

void StrainPlot::placeUse() {
    const bool apart =
        content_.meeting && std::abs(content_.meeting->value - content_.now.value) >= 0.05 && content_.mayChange;
    use_->setVisible(apart);
    if (!apart) return;
    use_->adjustSize();
    const double at = x(*content_.meeting);
    const bool left = at + 10 + use_->width() > field().right();
    use_->move(static_cast<int>(left ? at - 10 - use_->width() : at + 10), static_cast<int>(field().top()) + 48);
}

void StrainPlot::paintGround(QPainter& p) const {
    const Tokens& t = tokens();
    const QRectF f = field();
    const double gentle = gentleOf(content_);
    p.fillRect(f, mixed(t.sheet, t.wax, 0.13));
    p.fillRect(QRectF(QPointF(f.left(), y(2 * gentle)), f.bottomRight()), mixed(t.sheet, t.amber, 0.16));
    p.fillRect(QRectF(QPointF(f.left(), y(gentle)), f.bottomRight()), mixed(t.sheet, t.verdigris, 0.13));
    p.setFont(figureFont(13));
    const auto line = [&](const QLineF& l) {
        p.setPen(QPen(t.rule, 1));
        p.drawLine(l);
    };
    for (int percent = 0; percent <= 30; percent += 10) {
        const double at = std::round(y(percent)) + 0.5;
        line({f.left(), at, f.right(), at});
        p.setPen(t.inkSoft);
        p.drawText(QRectF(0, at - 9, f.left() - 8, 18), Qt::AlignRight | Qt::AlignVCenter,
                   QString::number(percent));
    }
    double last = -100;
    for (const int bpm : {40, 50, 60, 70, 80, 90, 100, 110, 120, 130, 140, 160, 180, 200, 220, 240}) {
        const double at = x(Bpm(bpm));
        if (at < f.left() - 1 || at > f.right() + 1 || at - last < 28) continue;
        last = at;
        line({std::round(at) + 0.5, f.top(), std::round(at) + 0.5, f.bottom()});
        p.setPen(t.inkSoft);
        p.drawText(QRectF(at - 20, f.bottom() + 4, 40, 18), Qt::AlignHCenter | Qt::AlignTop, QString::number(bpm));
    }
    p.setFont(textFont(sizes::label));
    p.setPen(t.inkSoft);
    const auto word = [&](double low, double high, const QString& text) {
        if (y(low) - y(high) < 16) return;
        p.drawText(QRectF(f.right() - 80, y(high) + 3, 74, 14), Qt::AlignRight | Qt::AlignVCenter, text);
    };
    word(0, gentle, tr("gentle"));
    word(gentle, 2 * gentle, tr("firm"));
    word(2 * gentle, mostPercent, tr("hard"));
    p.drawText(QRectF(8, 2, width(), 16), Qt::AlignVCenter,
               tr("Strain of each source at every project tempo, in per cent"));
}

void StrainPlot::paintLines(QPainter& p) const {
    const Tokens& t = tokens();
    const QRectF f = field();
    p.save();
    p.setClipRect(f.adjusted(-2, -2, 2, 6));
    p.setRenderHint(QPainter::Antialiasing);
    p.setBrush(Qt::NoBrush);
    const auto lead = content_.selected ? content_.selected : pointed_;
    const auto draw = [&](const prove::StrainedSource& s, bool marked) {
        const QColor colour = readable(t.tint(s.tint), t.sheet, 3);
        QPainterPath path;
        for (double px = f.left(); px <= f.right() + 0.5; px += 1) {
            const Bpm at = bpmAt(px);
            const QPointF point(px, y(plotted(s.strained, at)));
            if (px == f.left())
                path.moveTo(point);
            else
                path.lineTo(point);
        }
        p.setPen(QPen(colour, marked ? 2.6 : 1.4));
        p.setBrush(Qt::NoBrush);
        p.drawPath(path);
        const double lowest = x(s.strained.bpm);
        p.setPen(Qt::NoPen);
        p.setBrush(colour);
        if (lowest >= f.left() && lowest <= f.right()) p.drawEllipse(QPointF(lowest, y(0)), 4.5, 4.5);
    };
    for (const prove::StrainedSource& s : content_.sources.in)
        if (s.id != lead) draw(s, false);
    for (const prove::StrainedSource& s : content_.sources.in)
        if (s.id == lead) draw(s, true);
    const auto all = content_.sources.strained();
    if (all.size() > 1) {
        QPainterPath path;
        for (double px = f.left(); px <= f.right() + 0.5; px += 1) {
            const QPointF point(px, y(prove::strainTogether(all, bpmAt(px), content_.comfort)));
            if (px == f.left())
                path.moveTo(point);
            else
                path.lineTo(point);
        }
        p.setPen(QPen(t.ink, 3));
        p.setBrush(Qt::NoBrush);
        p.drawPath(path);
    }
    p.restore();
}

void StrainPlot::paintUprights(QPainter& p) const {
    const Tokens& t = tokens();
    const QRectF f = field();
    const Bpm now = dragged_ ? Bpm(*dragged_) : content_.now;
    const bool meets = content_.meeting && std::abs(content_.meeting->value - now.value) < 0.05;
    // The word stands on the side that is free of the other upright.
    const bool nowLeft = !content_.meeting || now <= *content_.meeting;
    const auto upright = [&](Bpm bpm, const QColor& colour, Qt::PenStyle style, const QString& figure,
                             const QString& word, bool toTheLeft, int pixels, double down) {
        const double at = x(bpm);
        if (at < f.left() || at > f.right()) return;
        p.setPen(QPen(colour, 2, style));
        p.drawLine(QPointF(at, f.top() - 4), QPointF(at, f.bottom()));
        p.setPen(colour);
        p.setFont(figureFont(pixels));
        const int align = toTheLeft ? Qt::AlignRight : Qt::AlignLeft;
        const QRectF box(toTheLeft ? at - 130 : at + 9, f.top() + 2 + down, 121, 24);
        p.drawText(box, align | Qt::AlignVCenter, figure);
        p.setFont(textFont(sizes::label));
        p.drawText(box.translated(0, 22), align | Qt::AlignTop, word);
    };
    // Near the right edge the meeting tempo's figure stands on the left too: the other then stands below it.
    const bool left = content_.meeting && x(*content_.meeting) + 100 > f.right();
    const bool below = content_.meeting && left == nowLeft && std::abs(x(*content_.meeting) - x(now)) < 130;
    if (content_.meeting) {
        upright(*content_.meeting, t.brassText, Qt::SolidLine, QString::number(content_.meeting->value, 'f', 1),
                content_.sources.in.size() > 1 ? tr("all meet here") : tr("as recorded"), left, 22, 0);
    }
    if (!meets)
        upright(now, t.wax, Qt::DashLine, qt(metre::tempoLabel(now)), dragged_ ? tr("tried") : tr("now"), nowLeft,
                18, below ? 46 : 0);
    else
        upright(now, t.wax, Qt::DashLine, {}, {}, nowLeft, 18, 0);
}

// Below its lowest point each, on one of a few lines so that none touches another; what has no room is named when
// it is pointed at.
void StrainPlot::paintNames(QPainter& p) const {
    const Tokens& t = tokens();
    const QRectF f = field();
    constexpr int lines = 4;
    constexpr double lineHeight = 14;
    constexpr double apart = 8; // pixels between names
    std::vector<const prove::StrainedSource*> order;
    for (const prove::StrainedSource& s : content_.sources.in)
        if (const double at = x(s.strained.bpm); at >= f.left() && at <= f.right()) order.push_back(&s);
    // What is selected has its place before the others.
    std::stable_sort(order.begin(), order.end(), [&](const auto* a, const auto* b) {
        const bool first = content_.selected == a->id;
        const bool second = content_.selected == b->id;
        return first != second ? first : a->strained.bpm < b->strained.bpm;
    });
    std::array<std::vector<std::pair<double, double>>, lines> taken;
    for (const auto* s : order) {
        const double at = x(s->strained.bpm);
        const bool marked = content_.selected == s->id;
        p.setFont(textFont(sizes::label, marked ? QFont::DemiBold : QFont::Normal));
        const QString name = p.fontMetrics().elidedText(qt(s->name), Qt::ElideMiddle, 130);
        const double w = p.fontMetrics().horizontalAdvance(name) + 2;
        const double left = std::clamp(at - w / 2, 2.0, std::max(2.0, width() - w - 2));
        for (int line = 0; line < lines; ++line) {
            auto& there = taken[static_cast<std::size_t>(line)];
            const bool isFree = std::none_of(there.begin(), there.end(), [&](const auto& other) {
                return left < other.second + apart && other.first < left + w + apart;
            });
            if (!isFree) continue;
            there.emplace_back(left, left + w);
            const double top = f.bottom() + 26 + line * lineHeight;
            p.setPen(readable(t.tint(s->tint), t.paper));
            if (line == 0) p.drawLine(QPointF(at, f.bottom() + 21), QPointF(at, top + 1));
            p.drawText(QRectF(left, top, w, lineHeight), Qt::AlignCenter, name);
            break;
        }
    }
}

void StrainPlot::paintEvent(QPaintEvent*) {
    const Tokens& t = tokens();
    QPainter p(this);
    p.fillRect(rect(), t.paper);
    if (content_.sources.in.empty()) {
        p.setPen(t.inkSoft);
        p.setFont(textFont(sizes::strong));
        p.drawText(
            rect().adjusted(40, 0, -40, 0), static_cast<int>(Qt::AlignCenter) | Qt::TextWordWrap,
            tr("No source is stretched yet. Bring in loops, and see here what each of them would suffer at every "
               "tempo of the project, and where all of them meet."));
        return;
    }
    paintGround(p);
    paintLines(p);
    paintUprights(p);
    paintNames(p);
    if (!told_.isEmpty()) {
        p.setFont(textFont(sizes::label, QFont::DemiBold));
        const int w = p.fontMetrics().horizontalAdvance(told_) + 16;
        QRectF box(toldAt_.x() + 12, toldAt_.y() - 26, w, 20);
        if (box.right() > width() - 2) box.moveRight(toldAt_.x() - 8);
        if (box.top() < 2) box.moveTop(toldAt_.y() + 14);
        p.fillRect(box, t.ink);
        p.setPen(t.onInk);
        p.drawText(box, Qt::AlignCenter, told_);
    }
    if (hasFocus()) {
        p.setPen(QPen(t.brass, 1));
        p.setBrush(Qt::NoBrush);
        p.drawRect(rect().adjusted(0, 0, -1, -1));
    }
}

bool StrainPlot::isOnNow(const QPointF& at) const {
    return content_.mayChange && std::abs(x(content_.now) - at.x()) < 6 && at.y() > field().top() - 6 &&
           at.y() < field().bottom() + 2;
}

const prove::StrainedSource* StrainPlot::lineAt(const QPointF& at) const {
    const QRectF f = field();
    if (at.x() < f.left() || at.x() > f.right() || at.y() > f.bottom() + 8 || at.y() < f.top()) return nullptr;
    const prove::StrainedSource* nearest = nullptr;
    double far = nearLine;
    for (const prove::StrainedSource& s : content_.sources.in) {
        // The lines are steep: the distance is across, too.
        for (int dx = -nearLine; dx <= nearLine; dx += 1) {
            const Bpm bpm = bpmAt(at.x() + dx);
            const double line = y(plotted(s.strained, bpm));
            const double d = std::hypot(dx, line - at.y());
            if (d < far) {
                far = d;
                nearest = &s;
            }
        }
    }
    return nearest;
}

void StrainPlot::mousePressEvent(QMouseEvent* event) {
    if (event->button() != Qt::LeftButton) return;
    if (isOnNow(event->position())) {
        dragged_ = content_.now.value;
        ++gesture_;
        return;
    }
    if (const prove::StrainedSource* s = lineAt(event->position())) emit sourcePressed(s->id.value);
}

void StrainPlot::mouseMoveEvent(QMouseEvent* event) {
    const QPointF at = event->position();
    toldAt_ = at;
    if (dragged_) {
        const double bpm = std::clamp(bpmAt(std::clamp(at.x(), field().left(), field().right())).value,
                                      metre::slowestTempo.value, metre::fastestTempo.value);
        const bool fine = event->modifiers().testFlag(Qt::ShiftModifier);
        dragged_ = fine ? std::round(bpm * 10) / 10 : std::round(bpm);
        told_ = tr("%1 BPM · together %2 %")
                    .arg(qt(metre::tempoLabel(Bpm(*dragged_))))
                    .arg(prove::strainTogether(content_.sources.strained(), Bpm(*dragged_), content_.comfort), 0,
                         'f', 1);
        if (*dragged_ != content_.now.value) emit tempoTried(*dragged_, gesture_);
        update();
        return;
    }
    const prove::StrainedSource* s = lineAt(at);
    pointed_ = s != nullptr ? std::optional(s->id) : std::nullopt;
    told_.clear();
    if (s != nullptr) {
        const Bpm here = bpmAt(at.x());
        const Bpm used = prove::usedAt(s->strained, here);
        const prove::Strain strain = prove::strainOf(used, here, s->strained.method, content_.comfort);
        const QString as =
            used == s->strained.bpm
                ? qt(metre::tempoLabel(used))
                : tr("%1 as %2").arg(qt(metre::tempoLabel(s->strained.bpm)), qt(metre::tempoLabel(used)));
        told_ = QStringLiteral("%1 · %2 → %3 · %4 %5")
                    .arg(qt(s->name), as, QString::number(here.value, 'f', 1), percentText(strain.percent),
                         verdictText(strain.verdict));
    }
    setCursor(isOnNow(at) ? Qt::SizeHorCursor : s != nullptr ? Qt::PointingHandCursor : Qt::ArrowCursor);
    update();
}

void StrainPlot::mouseReleaseEvent(QMouseEvent*) {
    if (!dragged_) return;
    dragged_.reset();
    told_.clear();
    update();
}

void StrainPlot::wheelEvent(QWheelEvent* event) {
    if (event->angleDelta().y() != 0) setWide(event->angleDelta().y() < 0);
    event->accept();
}

void StrainPlot::keyPressEvent(QKeyEvent* event) {
    const bool fine = event->modifiers().testFlag(Qt::ShiftModifier);
    const int way = event->key() == Qt::Key_Left ? -1 : event->key() == Qt::Key_Right ? 1 : 0;
    if (way != 0 && content_.mayChange) {
        if (!event->isAutoRepeat()) ++gesture_;
        emit tempoTried(std::clamp(content_.now.value + way * (fine ? 0.1 : 1.0), metre::slowestTempo.value,
                                   metre::fastestTempo.value),
                        gesture_);
    } else if (event->key() == Qt::Key_Plus || event->key() == Qt::Key_Minus) {
        setWide(event->key() == Qt::Key_Minus);
    } else {
        QWidget::keyPressEvent(event);
    }
}

void StrainPlot::leaveEvent(QEvent*) {
    told_.clear();
    pointed_.reset();
    update();
}

void StrainPlot::resizeEvent(QResizeEvent*) {
    placeUse();
}

QString StrainPlot::spokenCursor() const {
    return QStringLiteral("now");
}

std::vector<SpokenItem> StrainPlot::spoken() {
    std::vector<SpokenItem> list;
    const QRect f = field().toRect();
    const Bpm now = dragged_ ? Bpm(*dragged_) : content_.now;
    SpokenItem tempo{QStringLiteral("now"), QAccessible::Slider, tr("Project tempo"),
                     tr("%1 BPM").arg(qt(metre::tempoLabel(now)))};
    tempo.where = QRect(static_cast<int>(x(now)) - 3, f.top(), 7, f.height());
    tempo.number = SpokenNumber{now.value, metre::slowestTempo.value, metre::fastestTempo.value, 1, {}};
    if (content_.mayChange) tempo.number->set = [this](double bpm) { emit tempoTried(bpm, ++gesture_); };
    list.push_back(std::move(tempo));
    if (content_.meeting) {
        SpokenItem meeting{QStringLiteral("meeting"), QAccessible::ListItem,
                           tr("all meet at %1 BPM").arg(qt(metre::tempoLabel(*content_.meeting)))};
        meeting.where = QRect(static_cast<int>(x(*content_.meeting)) - 3, f.top(), 7, f.height());
        if (use_->isVisibleTo(this)) meeting.actions = {{tr("Use"), [this] { emit useAsked(); }}};
        list.push_back(std::move(meeting));
    }
    for (const prove::StrainedSource& s : content_.sources.in) {
        const prove::Strain strain =
            prove::strainOf(prove::usedAt(s.strained, now), now, s.strained.method, content_.comfort);
        SpokenItem line{QStringLiteral("source %1").arg(s.id.value), QAccessible::ListItem,
                        QStringLiteral("%1, %2, %3, %4")
                            .arg(qt(s.name), tr("%1 BPM").arg(qt(metre::tempoLabel(s.strained.bpm))),
                                 percentText(strain.percent), verdictText(strain.verdict))};
        const auto at = QPointF(x(now), y(plotted(s.strained, now))).toPoint();
        line.where = QRect(at - QPoint(4, 4), QSize(9, 9));
        line.isSelected = content_.selected == s.id;
        line.reach = [this, id = s.id] { emit sourcePressed(id.value); };
        line.actions = {{tr("Select"), [this, id = s.id] { emit sourcePressed(id.value); }}};
        list.push_back(std::move(line));
    }
    return list;
}

} // namespace app
