// Tools of the lanes over the bars, of the overview and of the track heads.
#include "app/bars/bars_tool.h"

#include "app/widgets/text.h"
#include "metre/snap.h"
#include "metre/tempo.h"
#include "project/edit_time.h"
#include "project/edit_tracks.h"

#include <QObject>
#include <algorithm>
#include <cmath>

namespace app {

namespace {

QString placeText(const project::Project& p, Beats at) {
    return qt(metre::positionLabel(p.metre.positionAt(at)));
}

class TempoPointMover : public BarsTool {
  public:
    TempoPointMover(const BarsHand& hand, Beats at) : BarsTool(hand), before_(hand.session.now().tempo) {
        const auto& points = before_.points();
        while (index_ + 1 < points.size() && points[index_].at < at)
            ++index_;
        bpm_ = points[index_].bpm.value;
        hand_.picked = {LanePick::What::TempoPoint, points[index_].at, {}};
    }

    bool stillHolds() const override { return index_ < hand_.session.now().tempo.points().size(); }

    void move(const QPointF& at, Qt::KeyboardModifiers modifiers) override {
        const project::Project p = hand_.session.now(); // a copy: the edit replaces the present one
        const Beats here = p.tempo.points()[index_].at;
        const double perPixel = modifiers.testFlag(Qt::ShiftModifier) ? 0.05 : 0.5; // BPM
        double bpm = bpm_ - (at.y() - hand_.pressedAt.y()) * perPixel;
        bpm = std::clamp(std::round(bpm * 20) / 20, metre::slowestTempo.value, metre::fastestTempo.value);
        const Beats wanted =
            before_.points()[index_].at + (hand_.layout.beat(at.x()) - hand_.layout.beat(hand_.pressedAt.x()));
        const Beats to = landing(hand_, wanted, modifiers.testFlag(Qt::AltModifier), {});
        if (!hand_.session.edit(QObject::tr("Tempo"), project::moveTempoPoint(p, here, to, Bpm(bpm)),
                                {"tempo point", static_cast<std::int64_t>(index_), hand_.press}))
            return;
        changed_ = true;
        const metre::TempoPoint& now = hand_.session.now().tempo.points()[index_];
        hand_.picked.at = now.at;
        hand_.drag.result = QObject::tr("%1   %2 BPM").arg(placeText(p, now.at), qt(metre::tempoFigure(now.bpm)));
    }

    void release(const QPointF&, Qt::KeyboardModifiers, bool) override {
        if (!changed_) return;
        hand_.session.say(QObject::tr("Tempo at %1").arg(hand_.drag.result));
        hand_.session.document().endGesture();
    }

    void cancel() override {
        if (changed_)
            hand_.session.edit(QObject::tr("Tempo"), project::setTempoMap(hand_.session.now(), before_),
                               {"tempo point", static_cast<std::int64_t>(index_), hand_.press});
    }

  private:
    metre::TempoMap before_;
    std::size_t index_ = 0;
    double bpm_ = 0;
    bool changed_ = false;
};

class TempoRanger : public BarsTool {
  public:
    explicit TempoRanger(const BarsHand& hand) : BarsTool(hand) { hand_.picked = {}; }

    void move(const QPointF& at, Qt::KeyboardModifiers) override {
        const project::Project& p = hand_.session.now();
        const auto place = [&](double x) {
            return std::max(Beats(0), metre::snapped(hand_.layout.beat(x), p.view.snap, p.metre));
        };
        const Beats from = place(std::min(hand_.pressedAt.x(), at.x()));
        const Beats to = place(std::max(hand_.pressedAt.x(), at.x()));
        if (from < to)
            hand_.picked = {LanePick::What::TempoRange, from, to};
        else
            hand_.picked = {};
        hand_.drag.result = QObject::tr("Tempo of %1 – %2").arg(placeText(p, from), placeText(p, to));
    }

    void release(const QPointF&, Qt::KeyboardModifiers, bool moved) override {
        if (moved && hand_.picked.what == LanePick::What::TempoRange)
            hand_.session.say(QObject::tr("%1 selected: turn the wheel over it, or press Enter to say by how much")
                                  .arg(hand_.drag.result));
    }
    void cancel() override { hand_.picked = {}; }
};

class SectionMover : public BarsTool {
  public:
    SectionMover(const BarsHand& hand, Beats at) : BarsTool(hand), first_(at), at_(at) {
        hand_.picked = {LanePick::What::Section, at, {}};
    }

    bool stillHolds() const override {
        const auto& sections = hand_.session.now().sections;
        return std::any_of(sections.begin(), sections.end(), [&](const auto& s) { return s.at == at_; });
    }

    void move(const QPointF& at, Qt::KeyboardModifiers modifiers) override {
        const Beats wanted = first_ + (hand_.layout.beat(at.x()) - hand_.layout.beat(hand_.pressedAt.x()));
        const Beats to = std::max(Beats(0), landing(hand_, wanted, modifiers.testFlag(Qt::AltModifier), {}));
        if (to == at_) return;
        auto moved = project::moveSection(hand_.session.now(), at_, to);
        if (!moved) return; // another one is there
        at_ = to;           // before the edit: the view asks whether this still holds
        hand_.session.edit(QObject::tr("Move section"), std::move(moved), gesture());
        hand_.picked.at = to;
        hand_.drag.result = placeText(hand_.session.now(), to);
    }

    void release(const QPointF&, Qt::KeyboardModifiers modifiers, bool moved) override {
        if (!moved)
            hand_.session.transport().goTo(at_, modifiers.testFlag(Qt::ShiftModifier));
        else
            hand_.session.document().endGesture();
    }

    void cancel() override {
        if (at_ == first_) return;
        auto back = project::moveSection(hand_.session.now(), at_, first_);
        at_ = first_;
        hand_.session.edit(QObject::tr("Move section"), std::move(back), gesture());
    }

  private:
    Gesture gesture() const { return {"section", static_cast<std::int64_t>(first_.value * 96), hand_.press}; }
    Beats first_;
    Beats at_;
};

class OverviewScroller : public BarsTool {
  public:
    OverviewScroller(const BarsHand& hand, int width) : BarsTool(hand), field_(std::max(1, width)) {}
    void move(const QPointF& at, Qt::KeyboardModifiers) override { show(at); }
    void release(const QPointF& at, Qt::KeyboardModifiers, bool moved) override {
        if (!moved) show(at);
    }

  private:
    // The place under the pointer comes to the middle.
    void show(const QPointF& at) {
        const Session& s = hand_.session;
        const double end = std::max({16.0, s.laid()->end().value, s.now().loop.to.value}) + 4;
        const double beat = (at.x() - BarsLayout::headers) / field_ * end;
        hand_.scrollTo(beat - field_ / hand_.layout.perBeat / 2);
    }

    double field_; // pixels
};

class TrackMover : public BarsTool {
  public:
    TrackMover(const BarsHand& hand, TrackId track, std::function<void()> clicked)
        : BarsTool(hand), track_(track), clicked_(std::move(clicked)) {}

    bool stillHolds() const override { return project::trackOf(hand_.session.now(), track_) != nullptr; }

    void move(const QPointF& at, Qt::KeyboardModifiers) override {
        const project::Project& p = hand_.session.now();
        const auto over = hand_.layout.trackAt(at.y(), p.tracks.size());
        std::size_t before = over.value_or(0);
        // Past the middle of a track it comes after it.
        if (over && *over < p.tracks.size() && at.y() > hand_.layout.y(*over) + hand_.layout.heightOf(*over) / 2.0)
            ++before;
        hand_.drag.trackLands = std::min(before, p.tracks.size());
        hand_.drag.result = QObject::tr("%1 moves here").arg(qt(project::trackOf(p, track_)->name));
    }

    void release(const QPointF&, Qt::KeyboardModifiers, bool moved) override {
        if (!moved) {
            clicked_();
            return;
        }
        if (!hand_.drag.trackLands) return;
        const project::Project p = hand_.session.now(); // a copy: the edit replaces the present one
        const auto is =
            std::find_if(p.tracks.begin(), p.tracks.end(), [&](const auto& t) { return t->id == track_; });
        const auto from = static_cast<std::size_t>(is - p.tracks.begin());
        std::size_t to = *hand_.drag.trackLands;
        if (to > from) --to;
        if (to != from && hand_.session.edit(QObject::tr("Move track"), project::moveTrack(p, track_, to)))
            hand_.session.say(QObject::tr("%1 is track %2 now").arg(qt(p.tracks[from]->name)).arg(to + 1));
    }

  private:
    TrackId track_;
    std::function<void()> clicked_;
};

} // namespace

std::unique_ptr<BarsTool> tempoPointMover(const BarsHand& hand, Beats at) {
    return std::make_unique<TempoPointMover>(hand, at);
}
std::unique_ptr<BarsTool> tempoRanger(const BarsHand& hand) {
    return std::make_unique<TempoRanger>(hand);
}
std::unique_ptr<BarsTool> sectionMover(const BarsHand& hand, Beats at) {
    return std::make_unique<SectionMover>(hand, at);
}
std::unique_ptr<BarsTool> overviewScroller(const BarsHand& hand, int width) {
    return std::make_unique<OverviewScroller>(hand, width);
}
std::unique_ptr<BarsTool> trackMover(const BarsHand& hand, TrackId track, std::function<void()> clicked) {
    return std::make_unique<TrackMover>(hand, track, std::move(clicked));
}

} // namespace app
