#include "app/bench/readings_strip.h"

#include "app/widgets/text.h"
#include "app/widgets/tokens.h"
#include "app/widgets/words.h"
#include "metre/tempo.h"

#include <QContextMenuEvent>
#include <QHelpEvent>
#include <QKeyEvent>
#include <QLineEdit>
#include <QMenu>
#include <QMouseEvent>
#include <QPainter>
#include <QToolTip>
#include <algorithm>
#include <cmath>

namespace app {

namespace {

constexpr int gapBetween = 4; // cells
constexpr double agrees = 0.001;

QString differenceText(double difference) {
    const double percent = difference * 100;
    const int decimals = std::abs(percent) < 10 ? 1 : 0;
    QString text = QString::number(percent, 'f', decimals).replace('-', QChar(0x2212));
    if (percent > 0) text.prepend('+');
    return QStringLiteral("≠ %1 %").arg(text);
}

// As many of the parts of what a reading rests on as there is room for; of a name, what is in quotation marks.
QString shortly(const QString& evidence, const QFontMetrics& metrics, int room) {
    if (metrics.horizontalAdvance(evidence) <= room) return evidence;
    const QStringList parts = evidence.split(QStringLiteral(" · "));
    QString text = parts.front();
    for (qsizetype i = 1; i < parts.size(); ++i) {
        const QString more = text + QStringLiteral(" · ") + parts[i];
        if (metrics.horizontalAdvance(more) > room) break;
        text = more;
    }
    const qsizetype opens = text.indexOf(QChar(0x201C));
    const qsizetype closes = text.indexOf(QChar(0x201D));
    if (metrics.horizontalAdvance(text) > room && opens >= 0 && closes > opens)
        text = text.mid(opens, closes - opens + 1);
    return metrics.elidedText(text, Qt::ElideRight, room);
}

} // namespace

ReadingsStrip::ReadingsStrip(QWidget* parent) : QWidget(parent) {
    setObjectName("readings");
    setAccessibleName(tr("Readings of the source's tempo"));
    setFocusPolicy(Qt::StrongFocus);
    setSizePolicy(QSizePolicy::Expanding, QSizePolicy::Fixed);
    edit_ = new QLineEdit(this);
    edit_->setObjectName("typedReading");
    edit_->setAccessibleName(tr("Tempo of the source, typed"));
    edit_->hide();
    edit_->installEventFilter(this);
    connect(edit_, &QLineEdit::returnPressed, this, [this] {
        edit_->hide();
        setFocus();
        emit typed(edit_->text());
    });
    connect(edit_, &QLineEdit::editingFinished, edit_, &QLineEdit::hide);
    show({}, {}, false);
}

std::optional<double> ReadingsStrip::difference(const hear::Reading& reading, const hear::Reading& used) {
    if (!reading.bpm || !used.bpm) return std::nullopt;
    const double ratio = reading.bpm->value / used.bpm->value;
    for (const double octave : {1.0, 2.0, 0.5})
        if (std::abs(ratio / octave - 1) <= agrees) return 0;
    return ratio - 1;
}

void ReadingsStrip::show(const std::vector<hear::Reading>& readings, std::optional<hear::Witness> chosen,
                         bool hasSource) {
    hasSource_ = hasSource;
    chosen_ = chosen;
    QStringList said;
    for (std::size_t i = 0; i < cells_.size(); ++i) {
        cells_[i] = {};
        cells_[i].by = static_cast<hear::Witness>(i);
        for (const hear::Reading& r : readings)
            if (r.by == cells_[i].by) cells_[i] = r;
        if (cells_[i].evidence.empty() && hasSource_) {
            const auto by = cells_[i].by;
            cells_[i].evidence = (by == hear::Witness::Tapped  ? tr("not yet")
                                  : by == hear::Witness::Typed ? tr("click to type")
                                                               : tr("nothing"))
                                     .toStdString();
        }
        said << QStringLiteral("%1 %2").arg(witnessText(cells_[i].by),
                                            cells_[i].bpm ? qt(metre::tempoLabel(*cells_[i].bpm)) : tr("nothing"));
    }
    setAccessibleDescription(said.join(", "));
    spokenChanged(*this);
    update();
}

QRect ReadingsStrip::cell(hear::Witness by) const {
    const auto i = static_cast<int>(by);
    const int count = static_cast<int>(cells_.size());
    const int left = (width() + gapBetween) * i / count;
    const int right = (width() + gapBetween) * (i + 1) / count - gapBetween;
    return {left, 0, right - left, height() - 3};
}

int ReadingsStrip::cellAt(double x) const {
    for (std::size_t i = 0; i < cells_.size(); ++i) {
        const QRect box = cell(cells_[i].by);
        if (x >= box.left() && x < box.right() + 1) return static_cast<int>(i);
    }
    return -1;
}

void ReadingsStrip::paintCell(QPainter& p, std::size_t i) const {
    const Tokens& t = tokens();
    const hear::Reading& r = cells_[i];
    const QRect box = cell(r.by);
    const bool chosen = chosen_ == r.by && hasSource_;
    p.setPen(QPen(chosen ? t.brass : t.rule, 1));
    p.setBrush(chosen ? t.band(4) : t.sheet);
    p.drawRoundedRect(QRectF(box).adjusted(0.5, 0.5, -0.5, -0.5), 3, 3);
    if (chosen) p.fillRect(QRect(box.left(), box.top() + 1, 3, box.height() - 2), t.brass);
    const QRect inner = box.adjusted(8, 3, -6, -3);
    constexpr int narrow = 96; // pixels: below the name the figure has a line of its own
    const bool isNarrow = box.width() < narrow;
    const QString figure = r.bpm ? qt(metre::tempoFigure(*r.bpm)) : hasSource_ ? QStringLiteral("–") : QString();
    p.setPen(r.bpm ? t.ink : t.inkSoft);
    p.setFont(figureFont(15));
    const int figureWidth = p.fontMetrics().horizontalAdvance(figure);
    p.drawText(QRect(inner.left(), inner.top() + (isNarrow ? 17 : 0), inner.width(), 20),
               Qt::AlignRight | Qt::AlignVCenter, figure);
    p.setPen(hasSource_ ? t.ink : t.inkSoft);
    p.setFont(textFont(sizes::text, chosen ? QFont::DemiBold : QFont::Normal));
    p.drawText(QRect(inner.left(), inner.top(), inner.width() - (isNarrow ? 0 : figureWidth + 4), 19),
               Qt::AlignLeft | Qt::AlignVCenter, witnessText(r.by));
    // What it rests on; of what says otherwise, by how much.
    const hear::Reading* used = chosen_ ? &cells_[static_cast<std::size_t>(*chosen_)] : nullptr;
    bool isCompared = false;
    double differs = 0;
    if (used != nullptr && !chosen)
        if (const auto by = difference(r, *used)) {
            isCompared = true;
            differs = *by;
        }
    p.setFont(textFont(sizes::label));
    int room = inner.width();
    if (differs != 0 && !isNarrow) {
        const QString text = differenceText(differs);
        p.setPen(t.amber);
        p.drawText(QRect(inner.left(), inner.top() + 19, inner.width(), 15), Qt::AlignRight | Qt::AlignVCenter,
                   text);
        room -= p.fontMetrics().horizontalAdvance(text) + 6;
    }
    p.setPen(t.inkSoft);
    if (!isNarrow)
        p.drawText(QRect(inner.left(), inner.top() + 19, room, 15), Qt::AlignLeft | Qt::AlignVCenter,
                   shortly(translated(r.evidence), p.fontMetrics(), room));
    const bool agreesWithUsed = r.bpm && used != nullptr && (chosen || (isCompared && differs == 0));
    if (agreesWithUsed) p.fillRect(QRect(box.left(), height() - 2, box.width(), 2), t.verdigris);
    if (hasFocus() && static_cast<int>(i) == current_) {
        p.setPen(QPen(t.brass, 1));
        p.setBrush(Qt::NoBrush);
        p.drawRoundedRect(QRectF(box).adjusted(2.5, 2.5, -2.5, -2.5), 2, 2);
    }
}

void ReadingsStrip::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    for (std::size_t i = 0; i < cells_.size(); ++i)
        paintCell(p, i);
}

void ReadingsStrip::beginTyping() {
    if (!hasSource_) return;
    const hear::Reading& now = cells_[static_cast<std::size_t>(hear::Witness::Typed)];
    edit_->setGeometry(cell(hear::Witness::Typed).adjusted(2, 6, -2, -6));
    edit_->setText(now.bpm ? qt(metre::tempoLabel(*now.bpm)) : QString());
    edit_->selectAll();
    edit_->show();
    edit_->setFocus();
}

void ReadingsStrip::pick(int i) {
    if (i < 0 || i >= static_cast<int>(cells_.size()) || !hasSource_) return;
    current_ = i;
    update();
    const hear::Reading& r = cells_[static_cast<std::size_t>(i)];
    if (r.bpm && (r.by != hear::Witness::Typed || chosen_ != r.by))
        emit picked(r.by);
    else if (r.by == hear::Witness::Typed)
        beginTyping();
}

void ReadingsStrip::offerOthers(int i, const QPoint& at) {
    if (i < 0 || i >= static_cast<int>(cells_.size())) return;
    const hear::Reading r = cells_[static_cast<std::size_t>(i)];
    if (r.others.size() < 2) return;
    auto* menu = new QMenu(this);
    menu->setObjectName("otherTempos");
    menu->setAttribute(Qt::WA_DeleteOnClose);
    for (std::size_t k = 0; k < std::min<std::size_t>(r.others.size(), 12); ++k) {
        const hear::Candidate& c = r.others[k];
        QString text = qt(metre::tempoFigure(c.bpm));
        if (c.beats > 0) text += tr("  ·  %1 beats").arg(c.beats);
        text += tr("  ·  weight %1").arg(c.weight, 0, 'f', 2);
        menu->addAction(text, this, [this, by = r.by, k] { emit pickedOther(by, static_cast<int>(k)); });
    }
    menu->popup(at);
}

void ReadingsStrip::mousePressEvent(QMouseEvent* event) {
    if (event->button() == Qt::LeftButton) pick(cellAt(event->position().x()));
}

void ReadingsStrip::mouseDoubleClickEvent(QMouseEvent* event) {
    if (cellAt(event->position().x()) == static_cast<int>(hear::Witness::Typed)) beginTyping();
}

void ReadingsStrip::contextMenuEvent(QContextMenuEvent* event) {
    const bool byKey = event->reason() == QContextMenuEvent::Keyboard;
    const int i = byKey ? current_ : cellAt(event->pos().x());
    if (i < 0) return;
    const QRect box = cell(static_cast<hear::Witness>(i));
    offerOthers(i, byKey ? mapToGlobal(box.bottomLeft()) : event->globalPos());
}

bool ReadingsStrip::event(QEvent* event) {
    if (event->type() == QEvent::ToolTip) {
        auto* help = static_cast<QHelpEvent*>(event);
        const int i = cellAt(help->pos().x());
        QString tip;
        if (i >= 0 && hasSource_) {
            const hear::Reading& r = cells_[static_cast<std::size_t>(i)];
            tip = translated(r.evidence);
            if (r.bpm) tip += tr("\nConfidence %1. A click uses it.").arg(r.sureness, 0, 'f', 2);
            if (r.others.size() > 1) tip += tr(" A right click offers its other tempos.");
        }
        QToolTip::showText(help->globalPos(), tip, this);
        return true;
    }
    return QWidget::event(event);
}

bool ReadingsStrip::eventFilter(QObject* object, QEvent* event) {
    if (object == edit_ && event->type() == QEvent::KeyPress &&
        static_cast<QKeyEvent*>(event)->key() == Qt::Key_Escape) {
        edit_->hide();
        setFocus();
        return true;
    }
    return QWidget::eventFilter(object, event);
}

void ReadingsStrip::keyPressEvent(QKeyEvent* event) {
    const int last = static_cast<int>(cells_.size()) - 1;
    if (event->key() == Qt::Key_Up || event->key() == Qt::Key_Left)
        current_ = std::max(0, current_ - 1);
    else if (event->key() == Qt::Key_Down || event->key() == Qt::Key_Right)
        current_ = std::min(last, current_ + 1);
    else if (event->key() == Qt::Key_Return || event->key() == Qt::Key_Enter)
        pick(current_);
    else
        QWidget::keyPressEvent(event);
    spokenChanged(*this);
    update();
}

QString ReadingsStrip::spokenCursor() const {
    return QStringLiteral("reading %1").arg(current_);
}

// "heard 112 BPM, confidence 0.97 · also 56, in use".
std::vector<SpokenItem> ReadingsStrip::spoken() {
    std::vector<SpokenItem> list;
    for (std::size_t i = 0; i < cells_.size(); ++i) {
        const hear::Reading& r = cells_[i];
        QStringList parts{witnessText(r.by)};
        parts << (r.bpm ? tr("%1 BPM").arg(qt(metre::tempoLabel(*r.bpm))) : tr("no tempo"));
        if (!r.evidence.empty()) parts << translated(r.evidence);
        if (chosen_ == r.by) parts << tr("in use");
        const int index = static_cast<int>(i);
        SpokenItem item{QStringLiteral("reading %1").arg(i), QAccessible::RadioButton,
                        parts.join(QStringLiteral(", "))};
        item.where = cell(r.by);
        item.isSelected = current_ == index;
        item.isOn = chosen_ == r.by;
        item.reach = [this, index] {
            current_ = index;
            spokenChanged(*this);
            update();
        };
        item.actions = {{r.by == hear::Witness::Typed ? tr("Type") : tr("Use"), [this, index] { pick(index); }}};
        for (std::size_t k = 0; k < r.others.size() && r.by != hear::Witness::Typed; ++k)
            item.actions.push_back({tr("Use %1 BPM").arg(qt(metre::tempoLabel(r.others[k].bpm))),
                                    [this, by = r.by, k] { emit pickedOther(by, static_cast<int>(k)); }});
        list.push_back(std::move(item));
    }
    return list;
}

} // namespace app
