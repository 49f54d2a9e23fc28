// The rails under the hand: knobs, marks and the click, pressed and dragged.
#include "app/bench/rails_paint.h"
#include "app/bench/rails_view.h"
#include "app/widgets/landing_mark.h"
#include "app/widgets/text.h"
#include "metre/tempo.h"
#include "project/edit_pins.h"

#include <QApplication>
#include <QMouseEvent>
#include <algorithm>
#include <cmath>

namespace app {

namespace {

constexpr double reach = 7;      // pixels around a knob or a rung
constexpr double attraction = 8; // pixels within which onsets and beats attract
constexpr double slower = 10;    // of dragging with Shift
constexpr double shortestMarks = 0.02;

bool isSame(Beats a, Beats b) {
    return std::abs((a - b).value) < 1e-6;
}

} // namespace

RailsView::Under RailsView::under(const QPointF& at) const {
    using What = Under::What;
    if (!scene_) return {};
    const QPoint p = at.toPoint();
    if (layout_.upperRuler().contains(p)) {
        const project::Marks m = marks();
        const double toFirst = std::abs(layout_.x(m.from) - at.x());
        const double toSecond = std::abs(layout_.x(m.to) - at.x());
        if (std::min(toFirst, toSecond) > reach + 2) {
            const bool between = scene_->source()->marks && layout_.x(m.from) < at.x() && at.x() < layout_.x(m.to);
            return {between ? What::Marks : What::UpperRuler, {}, false, 0};
        }
        return {What::Mark, {}, false, toFirst <= toSecond ? 1 : 2};
    }
    if (layout_.upper().contains(p)) return {What::Upper, {}, false, 0};
    if (layout_.onsets().contains(p)) return {What::Onsets, {}, false, 0};
    if (layout_.strip().contains(p)) return {What::Strip, {}, false, 0};
    if (layout_.two && layout_.rungs().adjusted(0, 0, 0, 3).contains(p) && scene_->hasBeats()) {
        // Knobs before rungs, the nearest first.
        const bool above = at.y() < layout_.rungs().center().y();
        Under best{What::Rungs, {}, false, 0};
        double distance = reach;
        for (const project::SourcePin& pin : scene_->pins()) {
            const double x = above ? layout_.x(pin.at) : layout_.xHeard(scene_->heardAt(pin.at));
            const double y = above ? layout_.upperKnobY() : layout_.lowerKnobY();
            const double d = std::hypot(x - at.x(), y - at.y());
            if (d >= distance + 2) continue;
            distance = d;
            best = {above ? What::UpperKnob : What::LowerKnob, pin.beat, true, 0};
        }
        if (best.what == What::LowerKnob && !isSame(*best.beat, Beats(std::round(best.beat->value)))) {
            // A hit that was set by hand goes on as freely as it went there.
            const Seconds hit = scene_->beats().secondsAt(*best.beat);
            if (scene_->heardLooselyAt(hit)) return {What::Hit, best.beat, true, 0, hit};
        }
        if (best.beat) return best;
        // The rung under the pointer, between its ends.
        const double share =
            (at.y() - layout_.upperKnobY()) / std::max(1.0, layout_.lowerKnobY() - layout_.upperKnobY());
        const double beatAbove = scene_->beats().beatAt(layout_.at(at.x())).value;
        const double beatBelow = scene_->sourceBeatAt(layout_.heardAt(at.x())).value;
        const double middle = beatAbove + (beatBelow - beatAbove) * share;
        const double perBeat = layout_.perSecond * 60 / scene_->beats().meanTempo().value;
        if (const auto hit = hitUnder(at)) return {What::Hit, {}, false, 0, *hit};
        if (perBeat < 5) return best;
        for (const double b : {std::round(middle), std::floor(middle), std::ceil(middle)}) {
            const Seconds when = scene_->beats().secondsAt(Beats(b));
            const double x = layout_.x(when) * (1 - share) + layout_.xHeard(scene_->heardAt(when)) * share;
            if (std::abs(x - at.x()) > reach - 2) continue;
            const bool isPin = std::any_of(scene_->pins().begin(), scene_->pins().end(),
                                           [&](const auto& pin) { return isSame(pin.beat, Beats(b)); });
            return {What::Rung, Beats(b), isPin, 0};
        }
        return best;
    }
    if (layout_.two && (layout_.lower().contains(p) || layout_.lowerRuler().contains(p)))
        return {What::Lower, {}, false, 0};
    return {};
}

// A hit of a tightened clip whose line is under the pointer.
std::optional<Seconds> RailsView::hitUnder(const QPointF& at) const {
    const double share =
        (at.y() - layout_.upperKnobY()) / std::max(1.0, layout_.lowerKnobY() - layout_.upperKnobY());
    // A line passes here only from between what lies above the pointer and what lies below it.
    const Seconds above = layout_.at(at.x());
    const Seconds below = scene_->recordedAt(layout_.heardAt(at.x()));
    const Seconds around = layout_.span(reach);
    if (!scene_->heardLooselyAt(above)) return std::nullopt;
    std::optional<Seconds> nearest;
    double least = reach - 3;
    const std::vector<Seconds>& hits = scene_->onsets();
    auto next = std::lower_bound(hits.begin(), hits.end(), std::min(above, below) - around);
    for (; next != hits.end() && *next <= std::max(above, below) + around; ++next) {
        const Seconds hit = *next;
        const double x = layout_.x(hit) * (1 - share) + layout_.xHeard(scene_->heardAt(hit)) * share;
        if (std::abs(x - at.x()) >= least) continue;
        least = std::abs(x - at.x());
        nearest = hit;
    }
    return nearest;
}

// On an onset within reach; fine: where the pointer is.
Seconds RailsView::snapped(double x, bool fine) const {
    const Seconds at = std::clamp(layout_.at(x), Seconds(0), scene_->source()->length());
    if (fine) return at;
    return scene_->onsetNear(at, layout_.span(attraction)).value_or(at);
}

void RailsView::tell(const QString& text, const QPointF& at, bool wrong) {
    told_ = text;
    toldAt_ = at;
    toldWrong_ = wrong;
    update();
}

void RailsView::pressBeat(const Under& on, const QPointF& at, Qt::KeyboardModifiers modifiers) {
    using What = Under::What;
    const bool above =
        on.what == What::UpperKnob || (on.what == What::Rung && at.y() < layout_.rungs().center().y());
    drag_.what = above ? Drag::What::Upper : Drag::What::Lower;
    drag_.beat = *on.beat;
    drag_.isPin = on.isPin;
    drag_.knob = layout_.x(scene_->beats().secondsAt(*on.beat));
    const bool isPickedAlready =
        std::any_of(picked_.begin(), picked_.end(), [&](Beats b) { return isSame(b, *on.beat); });
    if (modifiers.testFlag(Qt::ControlModifier) && on.isPin) {
        std::vector<Beats> next = picked_;
        if (isPickedAlready)
            std::erase_if(next, [&](Beats b) { return isSame(b, *on.beat); });
        else
            next.push_back(*on.beat);
        drag_.what = Drag::What::Nothing;
        pick(std::move(next));
    } else if (!isPickedAlready) {
        pick(on.isPin ? std::vector<Beats>{*on.beat} : std::vector<Beats>{});
    }
}

void RailsView::pressFitted(const QPointF& at) {
    const Seconds heard = layout_.heardAt(at.x());
    if (scene_->isPlaced()) emit fittedAsked(scene_->project().tempo.beatAt(heard).value);
}

void RailsView::mousePressEvent(QMouseEvent* event) {
    ++press_;
    if (!scene_ || event->button() != Qt::LeftButton) return;
    setFocus(Qt::MouseFocusReason);
    const QPointF at = event->position();
    const Under on = under(at);
    drag_ = {};
    drag_.began = at;
    drag_.fine = event->modifiers().testFlag(Qt::ShiftModifier);
    drag_.pointer = at.x();
    drag_.before = session_.now();
    // What is in view is made anew first.
    session_.player().lookAt(scene_->project().tempo.beatAt(layout_.heardAt(0)));
    drag_.revision = session_.document().revision();
    using What = Under::What;
    switch (on.what) {
    case What::Mark:
        drag_.marks = shownMarks(*scene_->source());
        drag_.mark = on.mark;
        drag_.what = Drag::What::Mark;
        break;
    case What::Marks:
    case What::UpperRuler:
        drag_.marks = drag_.grabbed = shownMarks(*scene_->source());
        drag_.what = on.what == What::Marks && !event->modifiers().testFlag(Qt::ControlModifier)
                         ? Drag::What::Marks
                         : Drag::What::NewMarks;
        break;
    case What::Upper: {
        const Seconds from = std::clamp(layout_.at(at.x()), Seconds(0), scene_->source()->length());
        goHere(from);
        emit rawAsked(from.value);
        break;
    }
    case What::Onsets:
        drag_.what = Drag::What::Phase;
        break;
    case What::UpperKnob:
    case What::LowerKnob:
    case What::Rung:
        pressBeat(on, at, event->modifiers());
        break;
    case What::Hit:
        drag_.what = Drag::What::Hit;
        drag_.hit = on.hit;
        if (on.isPin) pick({*on.beat});
        drag_.knob = layout_.xHeard(scene_->heardAt(on.hit));
        break;
    case What::Rungs:
        drag_.what = Drag::What::Band;
        if (!event->modifiers().testFlag(Qt::ControlModifier)) pick({});
        break;
    case What::Strip:
        if (const StillRails rails = still(); const prove::Hit* hit = hitAt(rails, at))
            emit fittedAsked(hit->place.value);
        break;
    case What::Lower:
        pressFitted(at);
        break;
    case What::Nothing:
        break;
    }
    update();
}

void RailsView::mouseMoveEvent(QMouseEvent* event) {
    const QPointF at = event->position();
    if (drag_.what == Drag::What::Nothing) {
        pointAt(at);
        return;
    }
    if (!drag_.moved && (at - drag_.began).manhattanLength() < 3) return;
    drag_.moved = true;
    switch (drag_.what) {
    case Drag::What::Mark:
    case Drag::What::Marks:
    case Drag::What::NewMarks:
        dragMarks(*event);
        break;
    case Drag::What::Upper:
        dragUpper(*event);
        break;
    case Drag::What::Lower:
        dragLower(*event);
        break;
    case Drag::What::Hit:
        dragHit(*event);
        break;
    case Drag::What::Band:
        drag_.bandTo = at.x();
        update();
        break;
    case Drag::What::Phase:
        emit phaseAsked(layout_.span(at.x() - drag_.pointer).value, false);
        drag_.pointer = at.x();
        break;
    case Drag::What::Nothing:
        break;
    }
}

// With Shift the knob goes slowly from where the hand has brought it, and no onset attracts it.
void RailsView::dragUpper(QMouseEvent& event) {
    const bool fine = event.modifiers().testFlag(Qt::ShiftModifier);
    const project::SourcePtr before = project::sourceOf(drag_.before, scene_->source()->id);
    if (!before || !before->beats) return;
    const Seconds was = before->beats->secondsAt(drag_.beat);
    const double byHand = layout_.x(was) + event.position().x() - drag_.began.x();
    if (fine && !drag_.fine) {
        drag_.pointer = event.position().x();
        drag_.knob = byHand;
    }
    drag_.fine = fine;
    const double x = fine ? drag_.knob + (event.position().x() - drag_.pointer) / slower : byHand;
    const Seconds at = snapped(x, fine);
    const bool several = picked_.size() > 1;
    auto next = several ? project::movePins(drag_.before, before->id, picked_, at - was)
                        : project::putPin(drag_.before, before->id, at, drag_.beat);
    const bool refused = !next;
    changedByHand(tr("Move a pin"), next, event.position());
    if (refused) return;
    if (!several) pick({drag_.beat});
    const bool onOnset = !fine && scene_->onsetNear(at, Seconds(1e-9)).has_value();
    const Bpm bpm = scene_->beats().tempoAt(drag_.beat);
    tell(tr("beat %1 at %2 s%3 · %4 BPM from here")
             .arg(beatNumber(drag_.beat))
             .arg(at.value, 0, 'f', fine ? 4 : 3)
             .arg(onOnset ? tr(", on an onset") : QString(), qt(metre::tempoFigure(bpm))),
         event.position());
}

void RailsView::dragLower(QMouseEvent& event) {
    const bool fine = event.modifiers().testFlag(Qt::ShiftModifier);
    const project::SourcePtr before = project::sourceOf(drag_.before, scene_->source()->id);
    if (!before || !before->beats) return;
    const double parts = fine ? 4 : 1;
    const double there = scene_->sourceBeatAt(layout_.heardAt(event.position().x())).value;
    const Beats to(std::round(there * parts) / parts);
    base::Result<project::Project> next = drag_.before;
    if (!isSame(to, drag_.beat))
        next = drag_.isPin ? project::setPinBeat(drag_.before, before->id, drag_.beat, to)
                           : project::putPin(drag_.before, before->id, before->beats->secondsAt(drag_.beat), to);
    const bool refused = !next;
    changedByHand(tr("Pin to another beat"), next, event.position());
    if (refused) return;
    pick({to});
    const metre::Beats place = scene_->clip() != nullptr ? scene_->clip()->clip->at + to : to;
    tell(tr("beat %1, at %2 · %3 BPM from here")
             .arg(beatNumber(to), qt(metre::positionLabel(scene_->project().metre.positionAt(place))),
                  qt(metre::tempoFigure(scene_->beats().tempoAt(to)))),
         event.position());
}

// Where it is let go it stays: the hit has a pin then. With Shift a tenth of the way.
void RailsView::dragHit(QMouseEvent& event) {
    const project::SourcePtr before = project::sourceOf(drag_.before, scene_->source()->id);
    if (!before || !before->beats) return;
    const bool fine = event.modifiers().testFlag(Qt::ShiftModifier);
    const double by = (event.position().x() - drag_.began.x()) / (fine ? slower : 1);
    const Beats to = scene_->sourceBeatAt(layout_.heardAt(drag_.knob + by));
    auto next = project::pinHit(drag_.before, before->id, drag_.hit, to);
    const bool refused = !next;
    changedByHand(tr("Set a hit"), next, event.position());
    if (refused) return;
    pick({to});
    const double ms =
        (to - before->fitted().beatAt(drag_.hit)).value * 60 / before->fitted().tempoAt(to).value * 1000;
    tell(tr("this hit on beat %1 · %2 ms %3")
             .arg(to.value + 1, 0, 'f', 3)
             .arg(std::abs(ms), 0, 'f', 1)
             .arg(ms < 0 ? tr("sooner than played") : tr("later than played")),
         event.position());
}

void RailsView::dragMarks(QMouseEvent& event) {
    const bool fine = event.modifiers().testFlag(Qt::ShiftModifier);
    const double x = event.position().x();
    const auto place = [&](double px) {
        const Seconds at = std::clamp(layout_.at(px), Seconds(0), scene_->source()->length());
        if (fine) return at;
        if (const auto onset = scene_->onsetNear(at, layout_.span(attraction))) return *onset;
        return scene_->crossingNear(at, layout_.span(3)).value_or(at);
    };
    const Seconds at = place(x);
    const Seconds least(shortestMarks);
    if (drag_.what == Drag::What::Marks) { // the first goes where something begins, the other stays as far from it
        const Seconds span = drag_.grabbed.to - drag_.grabbed.from;
        const Seconds from = place(layout_.x(drag_.grabbed.from) + x - drag_.began.x());
        drag_.marks.from = std::clamp(from, Seconds(0), std::max(Seconds(0), scene_->source()->length() - span));
        drag_.marks.to = drag_.marks.from + span;
    } else if (drag_.what == Drag::What::NewMarks) {
        const Seconds began = place(drag_.began.x());
        drag_.marks = {std::min(at, began), std::max(at, std::min(at, began) + least)};
    } else if (drag_.mark == 1) {
        drag_.marks.from = std::min(at, drag_.marks.to - least);
    } else {
        drag_.marks.to = std::max(at, drag_.marks.from + least);
    }
    drag_.marks.to = std::min(drag_.marks.to, scene_->source()->length());
    stale_ = true;
    const Seconds length = drag_.marks.to - drag_.marks.from;
    tell(tr("%1 to %2 s · %3 s")
             .arg(drag_.marks.from.value, 0, 'f', 3)
             .arg(drag_.marks.to.value, 0, 'f', 3)
             .arg(length.value, 0, 'f', 3),
         event.position());
    emit marksAsked(drag_.marks.from.value, drag_.marks.to.value, false);
}

void RailsView::mouseReleaseEvent(QMouseEvent* event) {
    if (event->button() != Qt::LeftButton) return;
    const Drag done = drag_;
    endDrag();
    if (!scene_ || !done.moved) return;
    if (done.what == Drag::What::Mark || done.what == Drag::What::Marks || done.what == Drag::What::NewMarks) {
        emit marksAsked(done.marks.from.value, done.marks.to.value, true);
    } else if (done.what == Drag::What::Phase) {
        emit phaseAsked(0, true);
    } else if (done.what == Drag::What::Band) {
        const double from = std::min(done.began.x(), event->position().x());
        const double to = std::max(done.began.x(), event->position().x());
        std::vector<Beats> caught;
        if (event->modifiers().testFlag(Qt::ControlModifier)) caught = picked_;
        for (const project::SourcePin& pin : scene_->pins()) {
            const double x = (layout_.x(pin.at) + layout_.xHeard(scene_->heardAt(pin.at))) / 2;
            if (x >= from && x <= to) caught.push_back(pin.beat);
        }
        pick(std::move(caught));
    }
}

void RailsView::endDrag() {
    const bool moved =
        drag_.what == Drag::What::Upper || drag_.what == Drag::What::Lower || drag_.what == Drag::What::Hit;
    drag_ = {};
    told_.clear();
    stale_ = true;
    session_.document().endGesture();
    session_.player().lookAt({});
    if (moved && wholeView_) fit();
    if (moved) layOut(); // the rails stand one over the other again
    update();
}

void RailsView::mouseDoubleClickEvent(QMouseEvent* event) {
    if (!scene_ || event->button() != Qt::LeftButton) return;
    const Under on = under(event->position());
    using What = Under::What;
    if (on.isPin) {
        pick({*on.beat});
        namePicked();
        return;
    }
    if (on.what == What::Rung) {
        goHere(scene_->beats().secondsAt(*on.beat));
        pinHere();
    } else if (on.what == What::Upper || on.what == What::Onsets) {
        goHere(snapped(event->position().x(), event->modifiers().testFlag(Qt::ShiftModifier)));
        emit rawAsked(-1); // the press began to play: that was not meant
        pinHere();
    }
}

// What the pointer is on, told beside it.
void RailsView::pointAt(const QPointF& at) {
    if (!scene_) return;
    const Under on = under(at);
    using What = Under::What;
    QString text;
    Qt::CursorShape shape = Qt::ArrowCursor;
    const auto tellOnset = [&](Seconds near) {
        const auto onset = scene_->onsetNear(near, layout_.span(attraction));
        if (!onset) return;
        text = tr("onset %1 s").arg(onset->value, 0, 'f', 3);
        if (const auto miss = scene_->missOf(*onset, grid_)) text += " · " + missText(*miss, scene_->project());
    };
    switch (on.what) {
    case What::Mark:
        shape = Qt::SizeHorCursor;
        break;
    case What::Marks:
        shape = Qt::OpenHandCursor;
        text = tr("drag: both marks · Ctrl: new ones");
        break;
    case What::Upper:
    case What::Onsets:
        tellOnset(layout_.at(at.x()));
        break;
    case What::Lower:
        tellOnset(scene_->recordedAt(layout_.heardAt(at.x())));
        break;
    case What::Hit:
        shape = Qt::SizeHorCursor;
        text = tr("hit at %1 s, drawn · drag it to where it is to sound").arg(on.hit.value, 0, 'f', 3);
        break;
    case What::UpperKnob:
    case What::LowerKnob:
    case What::Rung:
        shape = Qt::SizeHorCursor;
        text = tr("beat %1 at %2 s · %3 BPM from here")
                   .arg(beatNumber(*on.beat))
                   .arg(scene_->beats().secondsAt(*on.beat).value, 0, 'f', 3)
                   .arg(qt(metre::tempoFigure(scene_->beats().tempoAt(*on.beat))));
        break;
    case What::Strip:
        if (const StillRails rails = still(); const prove::Hit* hit = hitAt(rails, at)) {
            shape = Qt::PointingHandCursor;
            const project::Project& p = scene_->project();
            text = QStringLiteral("%1: %2").arg(qt(metre::positionLabel(p.metre.positionAt(hit->place))),
                                                offText(*hit->off));
            if (hit->before) text += tr(" · before %1").arg(offText(*hit->before));
        }
        break;
    default:
        break;
    }
    setCursor(shape);
    if (text != told_ || !text.isEmpty()) tell(text, at);
}

void RailsView::enterEvent(QEnterEvent*) {
    emit hinted(tr("Drag a knob · P pins here · double click names a pin · , . step through onsets"));
}

void RailsView::leaveEvent(QEvent*) {
    emit hinted({});
    if (drag_.what == Drag::What::Nothing) tell({}, {});
}

} // namespace app
