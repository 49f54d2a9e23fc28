// The mouse and the wheel on the page.
#include "app/bars/bars_view.h"

#include "app/bars/bars_cursors.h"
#include "app/widgets/controls.h"
#include "app/widgets/text.h"
#include "metre/snap.h"
#include "metre/tempo.h"
#include "project/edit_time.h"
#include "project/edit_tracks.h"

#include <QApplication>
#include <QMouseEvent>
#include <QScrollBar>
#include <QTimer>
#include <QWheelEvent>
#include <algorithm>
#include <cmath>

namespace app {

namespace {
constexpr double edgeWidth = 7; // pixels
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

// A handle of a clip under the hand: a fade's grip, or one of the zones of its edges.
std::optional<BarsView::Under> BarsView::handleOf(const project::LaidClip& clip, const QPointF& at) const {
    Under u;
    u.clip = &clip;
    u.track = clip.trackIndex;
    const QRectF r = layout_.clip(clip);
    if (r.width() < 26) return std::nullopt;
    for (const project::Side side : {project::Side::Left, project::Side::Right}) {
        const QPointF grip = fadeGrip(layout_, session_.now(), clip, side);
        if (std::abs(grip.x() - at.x()) > 5 || std::abs(grip.y() - at.y()) > 5) continue;
        u.what = Under::What::Fade;
        u.side = side;
        return u;
    }
    const double third = r.height() / 3;
    u.what = Under::What::Edge;
    if (at.x() > r.right() - edgeWidth) {
        u.side = project::Side::Right;
        u.use = at.y() < r.top() + third       ? EdgeUse::Repeat
                : at.y() < r.top() + 2 * third ? EdgeUse::Trim
                                               : EdgeUse::Stretch;
        return u;
    }
    if (at.x() < r.left() + edgeWidth) {
        u.side = project::Side::Left;
        u.use = at.y() < r.top() + 2 * third ? EdgeUse::Trim : EdgeUse::Stretch;
        return u;
    }
    return std::nullopt;
}

BarsView::Under BarsView::inLanes(const QPointF& at) const {
    Under u;
    u.at = layout_.beat(at.x());
    const project::Project& p = session_.now();
    const int width = viewport()->width();
    if (layout_.sectionsLane(width).contains(at.toPoint())) {
        u.what = Under::What::SectionLane;
        for (const project::Section& s : p.sections)
            if (const double x = layout_.x(s.at); at.x() >= x - 2 && at.x() <= x + 15) {
                u.what = Under::What::Section;
                u.at = s.at;
            }
    } else if (layout_.tempoLane(width).contains(at.toPoint())) {
        u.what = Under::What::TempoLane;
        for (const metre::TempoPoint& point : p.tempo.points())
            if (std::abs(layout_.x(point.at) - at.x()) <= 6 &&
                std::abs(tempoY(layout_, p.tempo, point.bpm) - at.y()) <= 7) {
                u.what = Under::What::Point;
                u.at = point.at;
            }
    } else if (layout_.metreLane(width).contains(at.toPoint())) {
        u.what = Under::What::MetreLane;
    }
    return u;
}

BarsView::Under BarsView::under(const QPointF& at) const {
    Under u;
    const std::size_t tracks = session_.now().tracks.size();
    const bool onHeads = at.x() < BarsLayout::headers;
    if (at.y() < layout_.top()) {
        if (onHeads) return u;
        if (at.y() >= BarsLayout::ruler) return inLanes(at);
        u.what = at.y() < BarsLayout::overview ? Under::What::Overview : Under::What::Ruler;
        return u;
    }
    const auto index = layout_.trackAt(at.y(), tracks);
    if (onHeads) {
        if (!index || *index >= tracks) return u;
        u.what = Under::What::Head;
        u.track = *index;
        return u;
    }
    const project::LaidClip* clip = clipAt(at);
    if (clip == nullptr) return u;
    if (const auto handle = handleOf(*clip, at)) return *handle;
    u.what = Under::What::Body;
    u.clip = clip;
    u.track = clip->trackIndex;
    return u;
}

// The pointer's shape, the handles of the clip under it, and in words what the hand would do.
void BarsView::showUnder(const Under& u) {
    const auto clip = u.clip != nullptr ? std::optional(u.clip->id()) : std::nullopt;
    if (clip != hovered_) {
        hovered_ = clip;
        viewport()->update();
    }
    QString hint;
    QCursor cursor = Qt::ArrowCursor;
    switch (u.what) {
    case Under::What::Edge: {
        cursor = edgeCursor(u.use, u.side);
        const QString side = u.side == project::Side::Right ? tr("Right edge of %1") : tr("Left edge of %1");
        const QString use = u.use == EdgeUse::Repeat ? tr("repeat")
                            : u.use == EdgeUse::Trim ? tr("trim")
                                                     : tr("stretch");
        hint = side.arg(qt(u.clip->name())) + ": " + use + ". " +
               (u.side == project::Side::Right ? tr("Upper third repeats, middle trims, lower third stretches.")
                                               : tr("Above it trims, in the lower third it stretches."));
        break;
    }
    case Under::What::Fade:
        cursor = Qt::SizeHorCursor;
        hint = u.side == project::Side::Left ? tr("Drag to fade in") : tr("Drag to fade out");
        break;
    case Under::What::Body:
        hint = tr("Drag to move, with Ctrl to copy, with Alt free of the grid");
        break;
    case Under::What::Point:
        cursor = Qt::SizeAllCursor;
        hint = tr("Drag: place and tempo · wheel: tempo · double click: type the tempo");
        break;
    case Under::What::TempoLane:
        hint = tr("Double click makes a point · drag selects a range");
        break;
    case Under::What::Section:
        cursor = Qt::PointingHandCursor;
        hint = tr("Click: play goes there at the next bar line, with Shift at once · drag moves it");
        break;
    case Under::What::SectionLane:
        hint = tr("Double click makes a section");
        break;
    case Under::What::MetreLane:
        hint = tr("Double click changes metre or key from that bar on");
        break;
    case Under::What::Overview:
        cursor = Qt::PointingHandCursor;
        break;
    default:
        break;
    }
    viewport()->setCursor(cursor);
    emit hinted(hint);
}

void BarsView::selectTrack(std::size_t index) {
    std::vector<ClipId> clips;
    for (const project::Clip& c : session_.now().tracks[index]->clips)
        clips.push_back(c.id);
    session_.document().select(clips);
}

void BarsView::pressHeader(const QPointF& at, std::size_t index) {
    const project::Project p = session_.now(); // a copy: edits below replace the present one
    const TrackId id = p.tracks[index]->id;
    headPressed_ = id;
    const QPoint point = at.toPoint();
    if (muteRect(layout_, index).contains(point)) {
        session_.edit(tr("Mute"), project::setMute(p, id, !p.tracks[index]->mute));
    } else if (soloRect(layout_, index).contains(point)) {
        session_.edit(tr("Solo"), project::setSolo(p, id, !p.tracks[index]->solo));
    } else if (trackMeterRect(layout_, index).adjusted(-3, 0, 3, 0).contains(point)) {
        if (index < levels_.size()) levels_[index].over = false;
        viewport()->update();
    } else if (!gainRect(layout_, index).contains(point) && !panRect(layout_, index).contains(point)) {
        const BarsHand hand{session_, layout_, drag_, picked_, at, press_, {}, {}};
        tool_ = trackMover(hand, id, [this, id] {
            const auto& tracks = session_.now().tracks;
            for (std::size_t i = 0; i < tracks.size(); ++i)
                if (tracks[i]->id == id) selectTrack(i);
        });
    }
}

void BarsView::pressClip(const Under& u, const BarsHand& hand, Qt::KeyboardModifiers modifiers) {
    const ClipId pressed = u.clip->id();
    headPressed_.reset(); // the track is the clip's now
    std::vector<ClipId> clips = session_.selection().clips;
    const bool isSelected = std::find(clips.begin(), clips.end(), pressed) != clips.end();
    const bool adding = modifiers.testFlag(Qt::ControlModifier) || modifiers.testFlag(Qt::ShiftModifier);
    if (!isSelected) {
        if (adding)
            clips.push_back(pressed);
        else
            clips = {pressed};
        session_.document().select(std::move(clips));
    }
    if (u.what == Under::What::Edge && !adding)
        tool_ = edgeTool(hand, pressed, u.side, u.use);
    else if (u.what == Under::What::Fade && !adding)
        tool_ = fadeTool(hand, pressed, u.side);
    else
        tool_ = clipMover(hand, pressed, adding && isSelected);
}

BarsHand BarsView::handAt(const QPointF& at) {
    return {session_,
            layout_,
            drag_,
            picked_,
            at,
            ++press_,
            [this](double beat) { scrollTo(beat); },
            [this] {
                if (!handingOut_ && leavesWindow(lastMove_)) {
                    handingOut_ = true;
                    // What holds the clips asks this: it goes once it has had its answer.
                    QTimer::singleShot(0, this, &BarsView::handOut);
                }
                return handingOut_;
            }};
}

void BarsView::mousePressEvent(QMouseEvent* event) {
    if (event->button() != Qt::LeftButton || tool_) return;
    endAsking(true);
    const QPointF at = event->position();
    if (layout_.sectionsHead().contains(at.toPoint())) {
        setShowsLanes(!layout_.lanes);
        return;
    }
    pressedAt_ = at;
    moved_ = false;
    handingOut_ = false;
    const BarsHand hand = handAt(at);
    const Under u = under(at);
    const bool inTheLanes = u.what == Under::What::Point || u.what == Under::What::TempoLane ||
                            u.what == Under::What::Section || u.what == Under::What::SectionLane ||
                            u.what == Under::What::MetreLane;
    if (!inTheLanes) pick({});
    switch (u.what) {
    case Under::What::Overview:
        tool_ = overviewScroller(hand, viewport()->width() - BarsLayout::headers);
        return;
    case Under::What::Ruler:
        tool_ = loopRanger(hand);
        return;
    case Under::What::Head:
        pressHeader(at, u.track);
        return;
    case Under::What::Point:
        tool_ = tempoPointMover(hand, u.at);
        break;
    case Under::What::TempoLane:
        tool_ = tempoRanger(hand);
        break;
    case Under::What::Section:
        tool_ = sectionMover(hand, u.at);
        break;
    case Under::What::MetreLane:
        pick({LanePick::What::Metre,
              session_.now().metre.startOfBar(std::max(1, session_.now().metre.barAt(u.at))),
              {}});
        break;
    case Under::What::SectionLane:
        pick({});
        break;
    case Under::What::Body:
    case Under::What::Edge:
    case Under::What::Fade:
        pressClip(u, hand, event->modifiers());
        return;
    case Under::What::Nothing:
        headPressed_.reset();
        if (!event->modifiers().testFlag(Qt::ControlModifier)) session_.document().select({});
        if (at.x() >= BarsLayout::headers && at.y() >= layout_.top()) tool_ = bandSelector(hand);
        return;
    }
    emit pickedChanged();
    viewport()->update();
}

void BarsView::mouseMoveEvent(QMouseEvent* event) {
    lastMove_ = event->position();
    const QPointF at = event->position();
    if (!tool_) {
        showUnder(under(at));
        return;
    }
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
    emit pickedChanged();
    viewport()->update();
}

// Gain, pan or name, whichever lies there. False where there is nothing to type.
bool BarsView::typeInHeader(const QPointF& at, std::size_t index) {
    const project::Track& track = *session_.now().tracks[index];
    const TrackId id = track.id;
    const QPoint point = at.toPoint();
    if (gainRect(layout_, index).contains(point))
        ask(gainRect(layout_, index).adjusted(-4, -3, 10, 3), QString::number(track.gainDb, 'f', 1),
            tr("Gain of the track in dB"), [this, id](const QString& text) {
                if (const auto db = numberIn(text))
                    session_.edit(tr("Track gain"), project::setTrackGain(session_.now(), id, *db));
                else
                    session_.say(tr("“%1” is not a gain in decibels.").arg(text));
            });
    else if (panRect(layout_, index).contains(point))
        ask(panRect(layout_, index).adjusted(-10, -3, 10, 3), QString::number(std::lround(track.pan * 100)),
            tr("Pan of the track, −100 left to 100 right"), [this, id](const QString& text) {
                if (const auto pan = numberIn(text))
                    session_.edit(tr("Pan"), project::setPan(session_.now(), id, *pan / 100));
                else
                    session_.say(tr("“%1” is not a place between −100 (left) and 100 (right).").arg(text));
            });
    else if (muteRect(layout_, index).contains(point) || soloRect(layout_, index).contains(point))
        return false;
    else
        typeTrackName(id);
    return true;
}

void BarsView::mouseDoubleClickEvent(QMouseEvent* event) {
    if (event->button() != Qt::LeftButton) return;
    const QPointF at = event->position();
    const Under u = under(at);
    const project::Project p = session_.now(); // a copy: edits below replace the present one
    const auto snapped = [&](Beats b) { return std::max(Beats(0), metre::snapped(b, p.view.snap, p.metre)); };
    switch (u.what) {
    case Under::What::Head:
        if (!typeInHeader(at, u.track)) mousePressEvent(event); // the second of two quick clicks is a click
        return;
    case Under::What::Point:
        pick({LanePick::What::TempoPoint, u.at, {}});
        typeTempoPoint();
        return;
    case Under::What::TempoLane: {
        const Beats there = snapped(u.at);
        if (session_.edit(tr("Tempo point"), project::putTempoPoint(p, {there, p.tempo.tempoAt(there),
                                                                        metre::TempoPoint::Shape::Hold}))) {
            pick({LanePick::What::TempoPoint, there, {}});
            typeTempoPoint();
        }
        return;
    }
    case Under::What::Section:
        pick({LanePick::What::Section, u.at, {}});
        typeSection();
        return;
    case Under::What::SectionLane:
        pick({LanePick::What::Nothing, snapped(u.at), {}});
        typeSection();
        return;
    case Under::What::MetreLane:
        pick({LanePick::What::Metre, p.metre.startOfBar(std::max(1, p.metre.barAt(u.at))), {}});
        typeMetreOrKey();
        return;
    case Under::What::Body:
        emit benchAsked();
        return;
    default:
        mousePressEvent(event); // the second of two quick clicks is a click
    }
}

void BarsView::leaveEvent(QEvent*) {
    if (!tool_) showUnder({});
}

void BarsView::freshAfterPause() {
    constexpr int pause = 1500; // milliseconds
    if (!lastTurn_.isValid() || lastTurn_.elapsed() > pause) ++press_;
    lastTurn_.start();
}

// What the wheel turns where it is: a track's gain, pan or height, a point of the tempo or a range of it.
bool BarsView::turnAt(const QPointF& at, int steps, bool fine) {
    const Under u = under(at);
    const project::Project p = session_.now(); // a copy: the edit replaces the present one
    if (u.what == Under::What::Head) {
        if (steps == 0) return true;
        const TrackId id = p.tracks[u.track]->id;
        if (gainRect(layout_, u.track).contains(at.toPoint())) {
            freshAfterPause();
            session_.edit(tr("Track gain"), project::turnTrackGain(p, id, steps * (fine ? 0.1 : 0.5)),
                          {"track gain", id.value, press_});
        } else if (panRect(layout_, u.track).contains(at.toPoint())) {
            freshAfterPause();
            const double pan = std::clamp(p.tracks[u.track]->pan + steps * (fine ? 0.01 : 0.05), -1.0, 1.0);
            session_.edit(tr("Pan"), project::setPan(p, id, std::round(pan * 100) / 100),
                          {"pan", id.value, press_});
        } else {
            session_.document().setTrackHeight(id, p.view.heightOf(id) + (steps > 0 ? 1 : -1));
        }
        return true;
    }
    const bool onPoint = u.what == Under::What::Point;
    const bool onRange = u.what == Under::What::TempoLane && picked_.what == LanePick::What::TempoRange &&
                         u.at >= picked_.at && u.at <= picked_.to;
    if (!onPoint && !onRange) return false;
    if (steps == 0) return true;
    freshAfterPause();
    const double by = steps * (fine ? 0.1 : 1.0);
    if (onPoint) {
        const Bpm bpm(p.tempo.tempoAt(u.at).value + by);
        if (session_.edit(tr("Tempo"), project::moveTempoPoint(p, u.at, u.at, bpm), {"turn point", 0, press_}))
            session_.say(tr("Tempo %1 BPM").arg(qt(metre::tempoFigure(bpm))));
    } else if (session_.edit(tr("Tempo"), project::shiftTempo(p, {picked_.at, picked_.to}, by),
                             {"turn range", 0, press_})) {
        session_.say(tr("%1 BPM over the range").arg(by > 0 ? QString("+%1").arg(by) : QString::number(by)));
    }
    return true;
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
    wheel_ += turn;
    const int steps = wheel_ / 120;
    if (turnAt(event->position(), steps, event->modifiers().testFlag(Qt::ShiftModifier))) {
        wheel_ -= steps * 120;
        return;
    }
    wheel_ = 0;
    const bool sideways = event->modifiers().testFlag(Qt::ShiftModifier) || delta.x() != 0;
    QScrollBar* bar = sideways ? horizontalScrollBar() : verticalScrollBar();
    bar->setValue(bar->value() - turn * (sideways ? bar->pageStep() / 8 : BarsLayout::heights[1]) / 120);
}

} // namespace app
