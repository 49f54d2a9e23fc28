#include "app/bars/bars_view.h"

#include "app/shelf/shelf.h"
#include "app/widgets/text.h"
#include "app/widgets/tokens.h"
#include "metre/snap.h"
#include "project/edit_clips.h"
#include "project/edit_time.h"
#include "project/edit_tracks.h"
#include "project/laid.h"

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
        if (tool_ && !tool_->stillHolds()) cancelDrag();
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
    BarsScene scene{session_, layout_, viewport()->size(), drag_, at, {}};
    for (const ClipId id : session_.selection().clips)
        scene.selected.insert(id.value);
    paintBars(p, scene, event->rect());
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
    const double end = std::max(session_.laid()->end().value + 16, 64.0);
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
    const double end = std::max(16.0, session_.laid()->end().value + 2);
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
    if (session_.player().isPlaying() && !tool_ && (x > viewport()->width() - 4 || x < BarsLayout::headers - 4))
        scrollTo(std::floor(session_.player().position().value));
    for (const int at : {paintedX_, now})
        viewport()->update(at - 8, 0, 16, viewport()->height());
}

const project::LaidClip* BarsView::clipAt(const QPointF& at) const {
    const std::size_t tracks = session_.now().tracks.size();
    if (at.x() < BarsLayout::headers) return nullptr;
    const auto index = layout_.trackAt(at.y(), tracks);
    if (!index || *index >= tracks) return nullptr;
    const auto clips = session_.laid()->onTrack(*index);
    // The last drawn lies on top.
    for (auto clip = clips.rbegin(); clip != clips.rend(); ++clip)
        if (layout_.clip(*clip).contains(at)) return &*clip;
    return nullptr;
}

bool BarsView::pressHeader(const QPointF& at) {
    const project::Project p = session_.now(); // a copy: edits below replace the present one
    const auto index = layout_.trackAt(at.y(), p.tracks.size());
    if (at.x() >= BarsLayout::headers || !index || *index >= p.tracks.size()) return false;
    const TrackId id = p.tracks[*index]->id;
    const QPoint point = at.toPoint();
    if (muteRect(layout_, *index).contains(point))
        session_.edit(tr("Mute"), project::setMute(p, id, !p.tracks[*index]->mute));
    else if (soloRect(layout_, *index).contains(point))
        session_.edit(tr("Solo"), project::setSolo(p, id, !p.tracks[*index]->solo));
    else {
        std::vector<ClipId> clips;
        for (const project::Clip& c : p.tracks[*index]->clips)
            clips.push_back(c.id);
        session_.document().select(clips);
    }
    return true;
}

void BarsView::mousePressEvent(QMouseEvent* event) {
    if (event->button() != Qt::LeftButton || tool_) return;
    const QPointF at = event->position();
    pressedAt_ = at;
    moved_ = false;
    const BarsHand hand{session_, layout_, drag_, at, ++press_};
    if (at.y() < BarsLayout::ruler && at.x() >= BarsLayout::headers) {
        tool_ = loopRanger(hand);
        return;
    }
    if (pressHeader(at)) return;
    const project::LaidClip* clip = clipAt(at);
    Document& document = session_.document();
    if (clip == nullptr) {
        if (!event->modifiers().testFlag(Qt::ControlModifier)) document.select({});
        if (at.x() >= BarsLayout::headers && at.y() >= BarsLayout::top) tool_ = bandSelector(hand);
        return;
    }
    const ClipId pressed = clip->id();
    std::vector<ClipId> clips = session_.selection().clips;
    const auto found = std::find(clips.begin(), clips.end(), pressed);
    const bool adding =
        event->modifiers().testFlag(Qt::ControlModifier) || event->modifiers().testFlag(Qt::ShiftModifier);
    if (adding && found != clips.end())
        clips.erase(found);
    else if (adding)
        clips.push_back(pressed);
    else if (found == clips.end())
        clips = {pressed};
    document.select(std::move(clips));
    tool_ = clipMover(hand, pressed);
}

void BarsView::mouseMoveEvent(QMouseEvent* event) {
    if (!tool_) return;
    const QPointF at = event->position();
    if (!moved_ && (at - pressedAt_).manhattanLength() < QApplication::startDragDistance() / 2.0) return;
    moved_ = true;
    drag_.pointer = at;
    tool_->move(at, event->modifiers());
    viewport()->update();
}

void BarsView::mouseReleaseEvent(QMouseEvent* event) {
    if (event->button() != Qt::LeftButton || !tool_) return;
    // Off the hand first: what it does changes the document.
    const std::unique_ptr<BarsTool> tool = std::move(tool_);
    tool->release(event->position(), event->modifiers(), moved_);
    drag_ = {};
    viewport()->update();
}

void BarsView::cancelDrag() {
    const std::unique_ptr<BarsTool> tool = std::move(tool_);
    if (tool && tool->stillHolds()) tool->cancel();
    drag_ = {};
    viewport()->update();
}

void BarsView::freshAfterPause() {
    constexpr int pause = 1500; // milliseconds
    if (!lastTurn_.isValid() || lastTurn_.elapsed() > pause) ++press_;
    lastTurn_.start();
}

void BarsView::turnGain(std::size_t track, int steps, bool fine) {
    freshAfterPause();
    const project::Project p = session_.now(); // a copy: the edit replaces the present one
    const TrackId id = p.tracks[track]->id;
    session_.edit(tr("Track gain"), project::turnTrackGain(p, id, steps * (fine ? 0.1 : 0.5)),
                  {"track gain", id.value, press_});
}

void BarsView::wheelEvent(QWheelEvent* event) {
    const QPoint delta = event->angleDelta();
    const int turn = delta.y() != 0 ? delta.y() : delta.x();
    event->accept();
    if (turn == 0) return;
    if (event->modifiers().testFlag(Qt::ControlModifier)) {
        zoomBy(std::pow(1.2, turn / 120.0), std::max<double>(BarsLayout::headers, event->position().x()));
        return;
    }
    const std::size_t tracks = session_.now().tracks.size();
    const auto index = layout_.trackAt(event->position().y(), tracks);
    if (index && *index < tracks && gainRect(layout_, *index).contains(event->position().toPoint())) {
        wheel_ += turn;
        const int steps = wheel_ / 120;
        wheel_ -= steps * 120;
        if (steps != 0) turnGain(*index, steps, event->modifiers().testFlag(Qt::ShiftModifier));
        return;
    }
    const bool sideways = event->modifiers().testFlag(Qt::ShiftModifier) || delta.x() != 0;
    QScrollBar* bar = sideways ? horizontalScrollBar() : verticalScrollBar();
    bar->setValue(bar->value() - turn * (sideways ? bar->pageStep() / 8 : BarsLayout::track) / 120);
}

void BarsView::contextMenuEvent(QContextMenuEvent* event) {
    QPoint at = event->pos();
    const auto& selected = session_.selection().clips;
    // By the menu key it is the selection's, wherever the pointer is.
    if (event->reason() == QContextMenuEvent::Keyboard && !selected.empty())
        at = layout_.clip(*session_.laid()->find(selected.front())).center().toPoint();
    const QPoint onScreen = viewport()->mapToGlobal(at);
    if (const project::LaidClip* clip = clipAt(at)) {
        const ClipId id = clip->id();
        if (std::find(selected.begin(), selected.end(), id) == selected.end()) session_.document().select({id});
        emit menuAsked(OnClip, onScreen);
        return;
    }
    const auto index = layout_.trackAt(at.y(), session_.now().tracks.size());
    if (at.x() < BarsLayout::headers && index && *index < session_.now().tracks.size()) {
        pressHeader(QPointF(BarsLayout::headers - 1, at.y())); // beside its buttons: selects what is on it
        emit menuAsked(OnTrack, onScreen);
        return;
    }
    emit menuAsked(OnPage, onScreen);
}

void BarsView::nudge(int steps, int tracks) {
    const project::Project p = session_.now(); // a copy: edits below replace the present one
    const std::vector<ClipId> clips = session_.selection().clips;
    const project::LaidClip* laid = clips.empty() ? nullptr : session_.laid()->find(clips.front());
    const project::LaidClip held = laid != nullptr ? *laid : project::LaidClip(); // an edit replaces the layout
    const project::Clip* first = held.clip;
    if (first == nullptr) {
        session_.say(tr("Nothing is selected."));
        return;
    }
    const metre::Snap snap = p.snap == metre::Snap::Off ? metre::Snap::QuarterBeat : p.snap;
    Beats to = first->at;
    for (int i = 0; i < std::abs(steps); ++i)
        to = steps > 0 ? metre::gridAfter(to, snap, p.metre) : metre::gridBefore(to - Beats(1e-4), snap, p.metre);
    freshAfterPause();
    if (session_.edit(tr("Move clip"), project::moveClips(p, clips, to - first->at, tracks),
                      {"nudge", first->id.value, press_}))
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
    session_.document().select({all[static_cast<std::size_t>(index)]});
}

void BarsView::keyPressEvent(QKeyEvent* event) {
    const bool control = event->modifiers().testFlag(Qt::ControlModifier);
    const bool alt = event->modifiers().testFlag(Qt::AltModifier);
    switch (event->key()) {
    case Qt::Key_Escape:
        if (tool_)
            cancelDrag();
        else
            session_.document().select({});
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
            session_.document().select({placed->id});
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
        const project::LaidClip* clip = clipAt(help->pos());
        QString text;
        if (clip != nullptr) {
            text = QStringLiteral("%1\n%2").arg(
                qt(clip->source->name), qt(metre::positionLabel(session_.now().metre.positionAt(clip->clip->at))));
            if (clip->clip->locked) text += "\n" + tr("locked");
            if (const QString problem = qt(session_.player().problemWith(clip->id())); !problem.isEmpty())
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
