// The page by keys alone: a cursor that goes from row to row, over the lanes and the tracks, and along each.
#include "app/bars/bars_view.h"

#include "app/widgets/text.h"
#include "metre/snap.h"
#include "metre/tempo.h"
#include "project/edit_arrange.h"
#include "project/edit_clips.h"
#include "project/edit_time.h"

#include <QKeyEvent>
#include <QScrollBar>
#include <algorithm>
#include <cmath>
#include <set>

namespace app {

// A lane, or a track.
struct BarsView::Row {
    LanePick::What lane = LanePick::What::Nothing;
    std::size_t track = 0;
};

namespace {

// Metre and key stand in one lane, and points and ranges of the tempo in another.
LanePick::What laneOf(LanePick::What what) {
    if (what == LanePick::What::Key) return LanePick::What::Metre;
    if (what == LanePick::What::TempoRange) return LanePick::What::TempoPoint;
    return what;
}

} // namespace

std::vector<BarsView::Row> BarsView::rows() const {
    std::vector<Row> list;
    if (!session_.now().sections.empty()) list.push_back({LanePick::What::Section, 0});
    if (layout_.lanes) {
        list.push_back({LanePick::What::TempoPoint, 0});
        list.push_back({LanePick::What::Metre, 0});
    }
    for (std::size_t i = 0; i < session_.now().tracks.size(); ++i)
        list.push_back({LanePick::What::Nothing, i});
    return list;
}

std::optional<std::size_t> BarsView::rowAtCursor(const std::vector<Row>& list) const {
    const LanePick::What lane = laneOf(picked_.what);
    const auto& selected = session_.selection().clips;
    const project::LaidClip* last = selected.empty() ? nullptr : session_.laid()->find(selected.back());
    const auto at = last != nullptr ? std::optional(last->track->id) : headPressed_;
    const auto& tracks = session_.now().tracks;
    for (std::size_t i = 0; i < list.size(); ++i)
        if (list[i].lane == lane && (lane != LanePick::What::Nothing || (at && tracks[list[i].track]->id == *at)))
            return i;
    return std::nullopt;
}

Beats BarsView::beatAtCursor() const {
    if (picked_.what != LanePick::What::Nothing) return picked_.at;
    const auto& selected = session_.selection().clips;
    const project::LaidClip* clip = selected.empty() ? nullptr : session_.laid()->find(selected.back());
    return clip != nullptr ? clip->time().start : session_.player().position();
}

// The track that the cursor is on, where nothing of it is selected.
std::optional<std::size_t> BarsView::emptyTrackAtCursor() const {
    if (!headPressed_ || !session_.selection().clips.empty() || picked_.what != LanePick::What::Nothing)
        return std::nullopt;
    const auto& tracks = session_.now().tracks;
    for (std::size_t i = 0; i < tracks.size(); ++i)
        if (tracks[i]->id == *headPressed_) return i;
    return std::nullopt;
}

std::vector<Beats> BarsView::placesIn(LanePick::What lane) const {
    const project::Project& p = session_.now();
    std::set<double> at;
    if (lane == LanePick::What::Section)
        for (const project::Section& s : p.sections)
            at.insert(s.at.value);
    if (lane == LanePick::What::TempoPoint)
        for (const metre::TempoPoint& point : p.tempo.points())
            at.insert(point.at.value);
    if (lane == LanePick::What::Metre) {
        for (const metre::MetrePoint& point : p.metre.points())
            at.insert(p.metre.startOfBar(point.bar).value);
        for (const project::KeyPoint& point : p.keys.points())
            at.insert(p.metre.startOfBar(point.bar).value);
    }
    std::vector<Beats> list;
    list.reserve(at.size());
    for (const double beat : at)
        list.emplace_back(beat);
    return list;
}

void BarsView::pickInLane(LanePick::What lane, Beats near) {
    const std::vector<Beats> places = placesIn(lane);
    if (places.empty()) return;
    const auto nearest = std::min_element(places.begin(), places.end(), [&](Beats a, Beats b) {
        return std::abs((a - near).value) < std::abs((b - near).value);
    });
    session_.document().select({});
    headPressed_.reset();
    pick({lane, *nearest, {}});
    const double x = layout_.x(*nearest);
    if (x < BarsLayout::headers || x > viewport()->width() - 20)
        scrollTo(nearest->value - (viewport()->width() - BarsLayout::headers) / layout_.perBeat / 3);
}

void BarsView::goTo(ClipId id, bool extend) {
    const project::LaidClip* clip = session_.laid()->find(id);
    if (clip == nullptr) return;
    headPressed_.reset(); // the track is the clip's now
    std::vector<ClipId> clips;
    if (extend) clips = session_.selection().clips;
    clips.erase(std::remove(clips.begin(), clips.end(), id), clips.end());
    clips.push_back(id); // the last is the cursor
    const Beats start = clip->time().start;
    pick({});
    session_.document().select(std::move(clips));
    showPlace(id, start);
}

void BarsView::goToRow(const Row& row, bool extend) {
    const Beats at = beatAtCursor();
    if (row.lane != LanePick::What::Nothing) return pickInLane(row.lane, at);
    const project::LaidClip* nearest = nullptr;
    const auto away = [&](const project::LaidClip& c) {
        return std::max({0.0, (c.time().start - at).value, (at - c.time().end).value + 1e-9});
    };
    for (const project::LaidClip& clip : session_.laid()->onTrack(row.track))
        if (nearest == nullptr || away(clip) < away(*nearest)) nearest = &clip;
    if (nearest != nullptr) return goTo(nearest->id(), extend);
    headPressed_ = session_.now().tracks[row.track]->id;
    pick({});
    if (!extend) session_.document().select({});
    const int top = layout_.y(row.track);
    if (top < layout_.top() || top + layout_.heightOf(row.track) > viewport()->height())
        verticalScrollBar()->setValue(verticalScrollBar()->value() + top - layout_.top());
    spokenChanged(*this);
    viewport()->update();
}

void BarsView::stepRow(int by, bool extend) {
    const std::vector<Row> list = rows();
    if (list.empty()) return;
    const auto here = rowAtCursor(list);
    if (!here) return goToRow(by > 0 ? list.front() : list.back(), false);
    const auto next = static_cast<std::ptrdiff_t>(*here) + by;
    if (next < 0 || next >= static_cast<std::ptrdiff_t>(list.size())) return;
    goToRow(list[static_cast<std::size_t>(next)], extend);
}

// Before or after what the cursor is on.
void BarsView::stepAlong(int by, bool extend) {
    if (const LanePick::What lane = laneOf(picked_.what); lane != LanePick::What::Nothing) {
        const std::vector<Beats> places = placesIn(lane);
        const auto here = std::lower_bound(places.begin(), places.end(), picked_.at - Beats(1e-9));
        if (by < 0 && here != places.begin()) pickInLane(lane, *std::prev(here));
        const bool isOn = here != places.end() && std::abs((*here - picked_.at).value) < 1e-9;
        const auto next = isOn ? std::next(here) : here;
        if (by > 0 && next != places.end()) pickInLane(lane, *next);
        return;
    }
    const std::vector<ClipId> all = project::allClips(session_.now());
    if (all.empty()) return;
    const auto& selected = session_.selection().clips;
    const auto at = selected.empty() ? all.end() : std::find(all.begin(), all.end(), selected.back());
    const auto n = static_cast<std::ptrdiff_t>(all.size());
    std::ptrdiff_t index = by > 0 ? 0 : n - 1;
    if (at != all.end()) index = (at - all.begin() + by + n) % n;
    goTo(all[static_cast<std::size_t>(index)], extend);
}

metre::Snap BarsView::gridOr(metre::Snap without) const {
    const metre::Snap snap = session_.now().view.snap;
    return snap == metre::Snap::Off ? without : snap;
}

void BarsView::nudge(int steps, int tracks, bool fine) {
    if (picked_.what != LanePick::What::Nothing) return nudgePicked(steps, -tracks, fine);
    const project::Project p = session_.now(); // a copy: edits below replace the present one
    const std::vector<ClipId> clips = session_.selection().clips;
    const project::LaidClip* laid = clips.empty() ? nullptr : session_.laid()->find(clips.front());
    const project::LaidClip held = laid != nullptr ? *laid : project::LaidClip(); // an edit replaces the layout
    const project::Clip* first = held.clip;
    if (first == nullptr) {
        session_.say(tr("Nothing is selected."));
        return;
    }
    const metre::Snap snap = gridOr(metre::Snap::QuarterBeat);
    Beats to = first->at;
    for (int i = 0; i < std::abs(steps); ++i)
        to = steps > 0 ? metre::gridAfter(to, snap, p.metre) : metre::gridBefore(to - Beats(1e-4), snap, p.metre);
    freshAfterPause();
    if (session_.edit(tr("Move clip"), project::moveClips(p, clips, to - first->at, tracks),
                      {"nudge", first->id.value, press_}))
        session_.say(tr("Moved to %1").arg(qt(metre::positionLabel(p.metre.positionAt(to)))));
}

void BarsView::nudgePicked(int steps, int bpm, bool fine) {
    const project::Project p = session_.now(); // a copy: edits below replace the present one
    const metre::Snap snap = gridOr(metre::Snap::Beat);
    Beats to = picked_.at;
    for (int i = 0; i < std::abs(steps); ++i)
        to = steps > 0 ? metre::gridAfter(to, snap, p.metre) : metre::gridBefore(to - Beats(1e-4), snap, p.metre);
    freshAfterPause();
    const Gesture gesture{"nudge picked", 0, press_};
    const QString place = qt(metre::positionLabel(p.metre.positionAt(to)));
    if (picked_.what == LanePick::What::Section && steps != 0) {
        if (session_.edit(tr("Move section"), project::moveSection(p, picked_.at, to), gesture)) {
            pick({LanePick::What::Section, to, {}});
            session_.say(tr("Moved to %1").arg(place));
        }
    } else if (picked_.what == LanePick::What::TempoPoint) {
        const Bpm tempo(p.tempo.tempoAt(picked_.at).value + bpm * (fine ? 0.1 : 1.0));
        if (session_.edit(tr("Tempo point"), project::moveTempoPoint(p, picked_.at, to, tempo), gesture)) {
            // It stays between its neighbours.
            pickInLane(LanePick::What::TempoPoint, to);
            session_.say(tr("Tempo %1 BPM from %2 on")
                             .arg(qt(metre::tempoFigure(session_.now().tempo.tempoAt(picked_.at))),
                                  qt(metre::positionLabel(session_.now().metre.positionAt(picked_.at)))));
        }
    }
}

void BarsView::nudgeEdge(project::Side side, int steps) {
    const project::Project p = session_.now(); // a copy: edits below replace the present one
    const std::vector<ClipId> clips = session_.selection().clips;
    const project::LaidClip* clip = clips.empty() ? nullptr : session_.laid()->find(clips.front());
    if (clip == nullptr) {
        session_.say(tr("Nothing is selected."));
        return;
    }
    const Beats edge = side == project::Side::Left ? clip->time().start : clip->time().end;
    const metre::Snap snap = gridOr(metre::Snap::QuarterBeat);
    const Beats to =
        steps > 0 ? metre::gridAfter(edge, snap, p.metre) : metre::gridBefore(edge - Beats(1e-4), snap, p.metre);
    freshAfterPause();
    if (session_.edit(tr("Trim"), project::trim(p, clips, side, to - edge),
                      {side == project::Side::Left ? "nudge start" : "nudge end", clips.front().value, press_}))
        session_.say((side == project::Side::Left ? tr("Begins at %1") : tr("Ends at %1"))
                         .arg(qt(metre::positionLabel(p.metre.positionAt(to)))));
}

void BarsView::enterAtCursor() {
    switch (picked_.what) {
    case LanePick::What::TempoPoint:
        return typeTempoPoint();
    case LanePick::What::TempoRange:
        return typeTempoChange();
    case LanePick::What::Section:
        return typeSection();
    case LanePick::What::Metre:
    case LanePick::What::Key:
        return typeMetreOrKey();
    case LanePick::What::Nothing:
        break;
    }
    if (const auto index = emptyTrackAtCursor())
        typeTrackName(session_.now().tracks[*index]->id);
    else if (!session_.selection().clips.empty())
        emit benchAsked();
}

void BarsView::keyPressEvent(QKeyEvent* event) {
    const bool control = event->modifiers().testFlag(Qt::ControlModifier);
    const bool alt = event->modifiers().testFlag(Qt::AltModifier);
    const bool shift = event->modifiers().testFlag(Qt::ShiftModifier);
    switch (event->key()) {
    case Qt::Key_Escape:
        if (tool_)
            cancelDrag();
        else if (picked_.what != LanePick::What::Nothing)
            pick({});
        else
            session_.document().select({});
        return;
    case Qt::Key_Return:
    case Qt::Key_Enter:
        return enterAtCursor();
    case Qt::Key_Left:
    case Qt::Key_Right: {
        const int direction = event->key() == Qt::Key_Left ? -1 : 1;
        if (alt) return nudge(direction, 0);
        if (control) return stepAlong(direction, shift);
        const Beats at = session_.player().position();
        const metre::Snap snap = gridOr(metre::Snap::Beat);
        const metre::MetreMap& metre = session_.now().metre;
        session_.transport().locate(direction > 0 ? metre::gridAfter(at, snap, metre)
                                                  : metre::gridBefore(at - Beats(1e-4), snap, metre));
        return;
    }
    case Qt::Key_Up:
    case Qt::Key_Down: {
        const int direction = event->key() == Qt::Key_Up ? -1 : 1;
        if (alt) return nudge(0, direction, shift);
        return stepRow(direction, shift);
    }
    default:
        QAbstractScrollArea::keyPressEvent(event);
    }
}

} // namespace app
