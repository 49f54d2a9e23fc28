#include "app/bars/bars_view.h"

#include "app/shelf/shelf.h"
#include "app/widgets/text.h"
#include "app/widgets/tokens.h"
#include "metre/snap.h"
#include "project/edit.h"

#include <QApplication>
#include <QDragEnterEvent>
#include <QHelpEvent>
#include <QMimeData>
#include <QScrollBar>
#include <QToolTip>
#include <QUrl>
#include <algorithm>
#include <cmath>

namespace app {

namespace {
constexpr double slowestScroll = 2.0; // pixels a beat: the widest view
constexpr double closest = 2000.0;
constexpr int beatsPerScrollStep = 16; // scroll bar units a beat
} // namespace

BarsView::BarsView(Session& session, QWidget* parent) : QAbstractScrollArea(parent), session_(session) {
    setObjectName("barsView");
    setAccessibleName(tr("Bars: tracks and clips"));
    setFrameShape(QFrame::NoFrame);
    setFocusPolicy(Qt::StrongFocus);
    setAcceptDrops(true);
    viewport()->setAcceptDrops(true);
    viewport()->setAttribute(Qt::WA_OpaquePaintEvent);
    setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOn);
    connect(&session_, &Session::changed, this, [this] {
        updateScrollBars();
        viewport()->update();
    });
    connect(&session_, &Session::opened, this, &BarsView::zoomToAll);
    connect(&session_, &Session::rendered, viewport(), qOverload<>(&QWidget::update));
    connect(&session_, &Session::selectionChanged, viewport(), qOverload<>(&QWidget::update));
    connect(&session_, &Session::ticked, this, &BarsView::followPlayPosition);
    updateScrollBars();
}

void BarsView::paintEvent(QPaintEvent* event) {
    QPainter p(viewport());
    const Beats at = session_.player().position();
    paintedX_ = static_cast<int>(std::lround(layout_.x(at)));
    paintBars(p, {session_, layout_, viewport()->size(), drag_, at}, event->rect());
    if (hasFocus()) {
        p.setPen(QPen(tokens().brass, 1));
        p.setBrush(Qt::NoBrush);
        p.drawRect(viewport()->rect().adjusted(0, 0, -1, -1));
    }
}

void BarsView::focusInEvent(QFocusEvent*) {
    viewport()->update();
}
void BarsView::focusOutEvent(QFocusEvent*) {
    viewport()->update();
}

void BarsView::resizeEvent(QResizeEvent*) {
    updateScrollBars();
}

void BarsView::updateScrollBars() {
    const project::Project& p = session_.now();
    const double visible = (viewport()->width() - BarsLayout::headers) / layout_.perBeat;
    const double end = std::max(project::endOfMusic(p).value + 16, 64.0);
    const double first = std::min(0.0, p.metre.startOfBar(0).value);
    QScrollBar* h = horizontalScrollBar();
    h->setRange(static_cast<int>(first * beatsPerScrollStep),
                static_cast<int>(std::max(0.0, end - visible) * beatsPerScrollStep));
    h->setPageStep(std::max(1, static_cast<int>(visible * beatsPerScrollStep)));
    h->setSingleStep(beatsPerScrollStep);
    h->setValue(static_cast<int>(std::lround(layout_.leftBeat * beatsPerScrollStep)));
    const int height = static_cast<int>(p.tracks.size() + 1) * BarsLayout::track;
    const int room = viewport()->height() - BarsLayout::top;
    verticalScrollBar()->setRange(0, p.tracks.empty() ? 0 : std::max(0, height - room));
    verticalScrollBar()->setPageStep(std::max(1, room));
    verticalScrollBar()->setSingleStep(BarsLayout::track / 2);
}

void BarsView::scrollContentsBy(int, int) {
    layout_.leftBeat = static_cast<double>(horizontalScrollBar()->value()) / beatsPerScrollStep;
    layout_.scrollY = verticalScrollBar()->value();
    viewport()->update();
}

void BarsView::scrollTo(double leftBeat) {
    horizontalScrollBar()->setValue(static_cast<int>(std::lround(leftBeat * beatsPerScrollStep)));
}

void BarsView::zoomBy(double factor, double aroundX) {
    const Beats held = layout_.beat(aroundX);
    layout_.perBeat = std::clamp(layout_.perBeat * factor, slowestScroll, closest);
    const double left = held.value - (aroundX - BarsLayout::headers) / layout_.perBeat;
    layout_.leftBeat = std::max(left, std::min(0.0, session_.now().metre.startOfBar(0).value));
    updateScrollBars();
    viewport()->update();
}

void BarsView::zoomToAll() {
    const double end = std::max(16.0, project::endOfMusic(session_.now()).value + 2);
    layout_.perBeat = std::clamp((viewport()->width() - BarsLayout::headers) / end, slowestScroll, closest);
    layout_.leftBeat = 0;
    updateScrollBars();
    scrollTo(0);
    viewport()->update();
}

void BarsView::followPlayPosition() {
    const double x = layout_.x(session_.player().position());
    const int now = static_cast<int>(std::lround(x));
    if (now == paintedX_) return;
    if (session_.player().isPlaying() && grip_ == Grip::None &&
        (x > viewport()->width() - 4 || x < BarsLayout::headers - 4))
        scrollTo(std::floor(session_.player().position().value));
    for (const int at : {paintedX_, now})
        viewport()->update(at - 8, 0, 16, viewport()->height());
}

const project::Clip* BarsView::clipAt(const QPointF& at, std::size_t* track) const {
    const project::Project& p = session_.now();
    if (at.x() < BarsLayout::headers) return nullptr;
    const auto index = layout_.trackAt(at.y(), p.tracks.size());
    if (!index || *index >= p.tracks.size()) return nullptr;
    const auto& clips = p.tracks[*index]->clips;
    // The last drawn lies on top.
    for (auto clip = clips.rbegin(); clip != clips.rend(); ++clip)
        if (layout_.clip(p, *clip, *index).contains(at)) {
            if (track != nullptr) *track = *index;
            return &*clip;
        }
    return nullptr;
}

bool BarsView::pressHeader(const QPointF& at) {
    const project::Project p = session_.now(); // a copy: edits below replace the present one
    const auto index = layout_.trackAt(at.y(), p.tracks.size());
    if (at.x() >= BarsLayout::headers || !index || *index >= p.tracks.size()) return false;
    const TrackId id = p.tracks[*index]->id;
    const QPoint point = at.toPoint();
    if (muteRect(layout_, *index).contains(point))
        session_.edit(tr("Mute"), project::changeTrack(p, id, [](project::Track& t) { t.mute = !t.mute; }));
    else if (soloRect(layout_, *index).contains(point))
        session_.edit(tr("Solo"), project::changeTrack(p, id, [](project::Track& t) { t.solo = !t.solo; }));
    else {
        std::vector<ClipId> clips;
        for (const project::Clip& c : p.tracks[*index]->clips)
            clips.push_back(c.id);
        session_.select(clips);
    }
    return true;
}

void BarsView::mousePressEvent(QMouseEvent* event) {
    if (event->button() != Qt::LeftButton) return;
    const QPointF at = event->position();
    pressedAt_ = at;
    pressedBeat_ = layout_.beat(at.x());
    if (at.y() < BarsLayout::ruler && at.x() >= BarsLayout::headers) {
        grip_ = Grip::Ruler;
        return;
    }
    if (pressHeader(at)) return;
    const project::Clip* clip = clipAt(at, &pressedTrack_);
    if (clip == nullptr) {
        if (!event->modifiers().testFlag(Qt::ControlModifier)) session_.select({});
        if (at.x() >= BarsLayout::headers && at.y() >= BarsLayout::top) grip_ = Grip::Band;
        return;
    }
    pressedClip_ = clip->id;
    pressedClipAt_ = clip->at;
    std::vector<ClipId> clips = session_.selection().clips;
    const auto found = std::find(clips.begin(), clips.end(), clip->id);
    const bool adding =
        event->modifiers().testFlag(Qt::ControlModifier) || event->modifiers().testFlag(Qt::ShiftModifier);
    if (adding && found != clips.end())
        clips.erase(found);
    else if (adding)
        clips.push_back(clip->id);
    else if (found == clips.end())
        clips = {clip->id};
    session_.select(std::move(clips));
    grip_ = Grip::Clip;
}

void BarsView::mouseMoveEvent(QMouseEvent* event) {
    const QPointF at = event->position();
    if (grip_ == Grip::None) return;
    if (!drag_.moving && !drag_.band &&
        (at - pressedAt_).manhattanLength() < QApplication::startDragDistance() / 2.0)
        return;
    drag_.pointer = at;
    if (grip_ == Grip::Clip) dragClips(at);
    if (grip_ == Grip::Band) dragBand(at);
    if (grip_ == Grip::Ruler) dragRuler(at, false);
    viewport()->update();
}

void BarsView::dragClips(const QPointF& at) {
    const project::Project& p = session_.now();
    const Beats wanted = pressedClipAt_ + (layout_.beat(at.x()) - pressedBeat_);
    const bool free = QApplication::keyboardModifiers().testFlag(Qt::AltModifier);
    const Beats target = free ? wanted : metre::snapped(wanted, p.snap, p.metre);
    drag_.moving = true;
    drag_.by = target - pressedClipAt_;
    const auto track = layout_.trackAt(at.y(), p.tracks.empty() ? 0 : p.tracks.size() - 1);
    drag_.tracks =
        track ? static_cast<int>(*track) - static_cast<int>(pressedTrack_) : -static_cast<int>(pressedTrack_);
    const std::size_t to = pressedTrack_ + static_cast<std::size_t>(drag_.tracks);
    drag_.result =
        QStringLiteral("%1   %2").arg(qt(metre::positionLabel(p.metre.positionAt(target))), qt(p.tracks[to]->name));
}

void BarsView::dragBand(const QPointF& at) {
    const project::Project& p = session_.now();
    drag_.band = QRectF(pressedAt_, at).normalized();
    std::vector<ClipId> clips;
    for (std::size_t i = 0; i < p.tracks.size(); ++i)
        for (const project::Clip& c : p.tracks[i]->clips)
            if (layout_.clip(p, c, i).intersects(*drag_.band)) clips.push_back(c.id);
    session_.select(std::move(clips));
}

void BarsView::dragRuler(const QPointF& at, bool release) {
    const project::Project p = session_.now(); // a copy: edits below replace the present one
    const metre::Snap snap = p.snap == metre::Snap::Off ? metre::Snap::Off : p.snap;
    Beats from = metre::snapped(std::max(Beats(0), std::min(pressedBeat_, layout_.beat(at.x()))), snap, p.metre);
    Beats to = metre::snapped(std::max(Beats(0), std::max(pressedBeat_, layout_.beat(at.x()))), snap, p.metre);
    if (to <= from && snap != metre::Snap::Off) to = metre::gridAfter(from, snap, p.metre);
    const QString text = tr("Loop %1 – %2")
                             .arg(qt(metre::positionLabel(p.metre.positionAt(from))),
                                  qt(metre::positionLabel(p.metre.positionAt(to))));
    drag_.result = text;
    drag_.moving = false;
    drag_.band.reset();
    auto looped = project::setLoop(p, {from, to, true});
    if (!looped) return;
    session_.edit(tr("Loop range"), std::move(looped), "loop range");
    if (release) session_.say(text);
}

void BarsView::mouseReleaseEvent(QMouseEvent* event) {
    if (event->button() != Qt::LeftButton) return;
    const QPointF at = event->position();
    const Grip grip = grip_;
    const BarsDrag drag = drag_;
    cancelDrag();
    const project::Project p = session_.now(); // a copy: edits below replace the present one
    if (grip == Grip::Ruler) {
        if (!drag.result.isEmpty()) {
            session_.say(drag.result);
            session_.endGesture();
        } else {
            session_.locate(metre::snapped(layout_.beat(at.x()), p.snap, p.metre));
        }
    }
    // A click on one of several selected clips, without a drag, means that one.
    const bool plain = event->modifiers() == Qt::NoModifier;
    if (grip == Grip::Clip && !drag.moving && plain) session_.select({pressedClip_});
    if (grip == Grip::Clip && drag.moving && (drag.by != Beats(0) || drag.tracks != 0)) {
        const std::vector<ClipId> clips = session_.selection().clips;
        if (session_.edit(clips.size() == 1 ? tr("Move clip") : tr("Move clips"),
                          project::moveClips(p, clips, drag.by, drag.tracks)))
            session_.say(tr("Moved to %1").arg(drag.result));
    }
}

void BarsView::cancelDrag() {
    grip_ = Grip::None;
    drag_ = {};
    viewport()->update();
}

void BarsView::wheelEvent(QWheelEvent* event) {
    const QPoint delta = event->angleDelta();
    const int turn = delta.y() != 0 ? delta.y() : delta.x();
    if (event->modifiers().testFlag(Qt::ControlModifier)) {
        zoomBy(std::pow(1.2, turn / 120.0), std::max<double>(BarsLayout::headers, event->position().x()));
        return;
    }
    const project::Project p = session_.now(); // a copy: edits below replace the present one
    const auto index = layout_.trackAt(event->position().y(), p.tracks.size());
    if (index && *index < p.tracks.size() && gainRect(layout_, *index).contains(event->position().toPoint())) {
        const double step = event->modifiers().testFlag(Qt::ShiftModifier) ? 0.1 : 0.5;
        session_.edit(tr("Track gain"),
                      project::changeTrack(p, p.tracks[*index]->id,
                                           [&](project::Track& t) {
                                               t.gainDb =
                                                   std::clamp(t.gainDb + (turn > 0 ? step : -step), -60.0, 12.0);
                                           }),
                      "track gain " + QString::number(p.tracks[*index]->id.value));
        return;
    }
    const bool sideways = event->modifiers().testFlag(Qt::ShiftModifier) || delta.x() != 0;
    QScrollBar* bar = sideways ? horizontalScrollBar() : verticalScrollBar();
    bar->setValue(bar->value() - turn * (sideways ? bar->pageStep() / 8 : BarsLayout::track) / 120);
}

void BarsView::nudge(int steps, int tracks) {
    const project::Project p = session_.now(); // a copy: edits below replace the present one
    const std::vector<ClipId> clips = session_.selection().clips;
    const project::Clip* first = clips.empty() ? nullptr : project::clipOf(p, clips.front());
    if (first == nullptr) {
        session_.say(tr("Nothing is selected."));
        return;
    }
    const metre::Snap snap = p.snap == metre::Snap::Off ? metre::Snap::QuarterBeat : p.snap;
    Beats to = first->at;
    for (int i = 0; i < std::abs(steps); ++i)
        to = steps > 0 ? metre::gridAfter(to, snap, p.metre) : metre::gridBefore(to - Beats(1e-4), snap, p.metre);
    if (session_.edit(tr("Move clip"), project::moveClips(p, clips, to - first->at, tracks), "nudge"))
        session_.say(tr("Moved to %1").arg(qt(metre::positionLabel(p.metre.positionAt(to)))));
}

void BarsView::selectNeighbour(int direction) {
    const std::vector<ClipId> all = project::allClips(session_.now());
    if (all.empty()) return;
    const auto& selected = session_.selection().clips;
    const auto at = selected.empty() ? all.end() : std::find(all.begin(), all.end(), selected.back());
    const auto n = static_cast<std::ptrdiff_t>(all.size());
    std::ptrdiff_t index = direction > 0 ? 0 : n - 1;
    if (at != all.end()) index = (at - all.begin() + direction + n) % n;
    session_.select({all[static_cast<std::size_t>(index)]});
}

void BarsView::keyPressEvent(QKeyEvent* event) {
    const bool control = event->modifiers().testFlag(Qt::ControlModifier);
    const bool alt = event->modifiers().testFlag(Qt::AltModifier);
    switch (event->key()) {
    case Qt::Key_Escape:
        if (grip_ != Grip::None)
            cancelDrag();
        else
            session_.select({});
        return;
    case Qt::Key_Left:
    case Qt::Key_Right: {
        const int direction = event->key() == Qt::Key_Left ? -1 : 1;
        const project::Project& p = session_.now();
        if (alt)
            nudge(direction, 0);
        else if (control)
            selectNeighbour(direction);
        else {
            const metre::Snap snap = p.snap == metre::Snap::Off ? metre::Snap::Beat : p.snap;
            const Beats at = session_.player().position();
            session_.locate(direction > 0 ? metre::gridAfter(at, snap, p.metre)
                                          : metre::gridBefore(at - Beats(1e-4), snap, p.metre));
        }
        return;
    }
    case Qt::Key_Up:
    case Qt::Key_Down:
        if (alt) {
            nudge(0, event->key() == Qt::Key_Up ? -1 : 1);
            return;
        }
        verticalScrollBar()->setValue(verticalScrollBar()->value() + (event->key() == Qt::Key_Up ? -30 : 30));
        return;
    default:
        QAbstractScrollArea::keyPressEvent(event);
    }
}

void BarsView::showLanding(const QPointF& at) {
    const project::Project& p = session_.now();
    const auto track = layout_.trackAt(at.y(), p.tracks.size());
    const Beats beat = layout_.beat(std::max<double>(at.x(), BarsLayout::headers));
    drag_.landing = std::max(Beats(0), metre::snapped(beat, p.snap, p.metre));
    drag_.landingTrack = track.value_or(0);
    drag_.pointer = at;
    const QString where =
        drag_.landingTrack < p.tracks.size() ? qt(p.tracks[drag_.landingTrack]->name) : tr("new track");
    drag_.result =
        QStringLiteral("%1   %2").arg(qt(metre::positionLabel(p.metre.positionAt(*drag_.landing))), where);
    viewport()->update();
}

void BarsView::dragEnterEvent(QDragEnterEvent* event) {
    if (event->mimeData()->hasUrls() || event->mimeData()->hasFormat(Shelf::sourceMime))
        event->acceptProposedAction();
}

void BarsView::dragMoveEvent(QDragMoveEvent* event) {
    showLanding(event->position());
    event->acceptProposedAction();
}

void BarsView::dragLeaveEvent(QDragLeaveEvent*) {
    cancelDrag();
}

void BarsView::dropEvent(QDropEvent* event) {
    showLanding(event->position());
    const BarsDrag drag = drag_;
    cancelDrag();
    const project::Project p = session_.now(); // a copy: edits below replace the present one
    std::optional<TrackId> track;
    if (drag.landingTrack < p.tracks.size()) track = p.tracks[drag.landingTrack]->id;
    if (event->mimeData()->hasFormat(Shelf::sourceMime)) {
        const SourceId source{event->mimeData()->data(Shelf::sourceMime).toLongLong()};
        auto placed = project::place(p, source, track, *drag.landing);
        if (!placed)
            session_.say(qt(placed.error().text));
        else if (session_.edit(tr("Place"), std::move(placed->project)))
            session_.select({placed->id});
    } else {
        std::vector<std::filesystem::path> files;
        QStringList elsewhere;
        for (const QUrl& url : event->mimeData()->urls()) {
            // toLocalFile() would lose bytes that are no UTF-8; the encoded form keeps them.
            const QByteArray bytes = QByteArray::fromPercentEncoding(url.path(QUrl::FullyEncoded).toLatin1());
            if (url.isLocalFile())
                files.emplace_back(bytes.toStdString());
            else
                elsewhere << tr("%1 is not a file on this machine.").arg(url.toDisplayString());
        }
        if (!elsewhere.isEmpty()) session_.complain(tr("Not everything can be brought in"), elsewhere);
        session_.importFiles(std::move(files), track, *drag.landing);
    }
    event->acceptProposedAction();
    setFocus();
}

bool BarsView::viewportEvent(QEvent* event) {
    if (event->type() == QEvent::ToolTip) {
        const auto* help = static_cast<QHelpEvent*>(event);
        const project::Clip* clip = clipAt(help->pos());
        QString text;
        if (clip != nullptr) {
            const project::SourcePtr s = project::sourceOf(session_.now(), clip->source);
            text = QStringLiteral("%1\n%2").arg(
                qt(s->name), qt(metre::positionLabel(session_.now().metre.positionAt(clip->at))));
            if (const QString problem = qt(session_.player().problemWith(clip->id)); !problem.isEmpty())
                text += "\n" + problem;
        } else if (help->pos().y() < BarsLayout::ruler) {
            text = tr("Click: play from here. Drag: loop range.");
        }
        QToolTip::showText(help->globalPos(), text, viewport());
        return true;
    }
    return QAbstractScrollArea::viewportEvent(event);
}

} // namespace app
