// The page in words: its lanes, tracks and clips, their edges and fades, each to be heard, reached and changed.
#include "app/bars/bars_view.h"

#include "app/session/standing.h"
#include "app/widgets/landing_mark.h"
#include "app/widgets/text.h"
#include "app/widgets/words.h"
#include "metre/tempo.h"
#include "project/edit_arrange.h"
#include "project/edit_clips.h"
#include "project/edit_time.h"
#include "project/edit_tracks.h"

#include <algorithm>
#include <cmath>

namespace app {

namespace {

QString keyOf(const char* what, double at) {
    return QStringLiteral("%1 %2").arg(QLatin1String(what)).arg(at, 0, 'g', 12);
}
QString keyOf(const char* what, std::int64_t id) {
    return QStringLiteral("%1 %2").arg(QLatin1String(what)).arg(id);
}

// "bar 3", or where it is within the bar.
QString barText(const metre::MetreMap& metre, Beats at) {
    const int bar = metre.barAt(at + Beats(1e-6));
    if (std::abs((metre.startOfBar(bar) - at).value) < 1e-3) return QObject::tr("bar %1").arg(bar);
    return qt(metre::positionLabel(metre.positionAt(at)));
}

// An arrow is read out as one.
QString inWords(QString standing) {
    return standing.replace(QStringLiteral(" → "), QObject::tr(" to "))
        .replace(QStringLiteral("…"), QObject::tr(" to "));
}

} // namespace

QString BarsView::spokenCursor() const {
    switch (picked_.what) {
    case LanePick::What::Section:
        return keyOf("section", picked_.at.value);
    case LanePick::What::TempoPoint:
    case LanePick::What::TempoRange:
        return keyOf("tempo", picked_.at.value);
    case LanePick::What::Metre:
    case LanePick::What::Key:
        return keyOf("metre", picked_.at.value);
    case LanePick::What::Nothing:
        break;
    }
    if (!session_.selection().clips.empty()) return keyOf("clip", session_.selection().clips.back().value);
    if (const auto index = emptyTrackAtCursor()) return keyOf("track", session_.now().tracks[*index]->id.value);
    return QStringLiteral("position");
}

std::vector<SpokenItem> BarsView::spoken() {
    const project::Project& p = session_.now();
    std::vector<SpokenItem> list;
    const Beats at = session_.player().position();
    SpokenItem position{QStringLiteral("position"), QAccessible::Slider, tr("Play position"),
                        qt(metre::positionLabel(p.metre.positionAt(at)))};
    position.where = QRect(static_cast<int>(layout_.x(at)) - 2, BarsLayout::overview, 5,
                           BarsLayout::ruler - BarsLayout::overview);
    position.number =
        SpokenNumber{at.value, std::min(0.0, firstBeat().value), std::max(64.0, session_.laid()->end().value), 1,
                     [this](double beat) { session_.transport().locate(Beats(beat)); }};
    list.push_back(std::move(position));
    list.push_back(spokenSections());
    list.push_back(spokenTempo());
    list.push_back(spokenMetre());
    for (std::size_t i = 0; i < p.tracks.size(); ++i)
        list.push_back(spokenTrack(i));
    return list;
}

SpokenItem BarsView::spokenSections() {
    const project::Project& p = session_.now();
    const QRect lane = layout_.sectionsLane(viewport()->width());
    SpokenItem group{QStringLiteral("sections"), QAccessible::Grouping, tr("Sections")};
    group.where = lane;
    for (const project::Section& s : p.sections) {
        SpokenItem item{keyOf("section", s.at.value), QAccessible::ListItem,
                        tr("section %1, %2").arg(qt(s.name), barText(p.metre, s.at))};
        item.where = QRect(static_cast<int>(layout_.x(s.at)), lane.top(), 60, lane.height());
        item.isSelected = picked_.what == LanePick::What::Section && picked_.at == s.at;
        item.reach = [this, at = s.at] { pickInLane(LanePick::What::Section, at); };
        item.actions = {{tr("Play from here"), [this, at = s.at] { session_.transport().locate(at); }},
                        {tr("Rename"), [this, at = s.at] {
                             pickInLane(LanePick::What::Section, at);
                             typeSection();
                         }}};
        group.children.push_back(std::move(item));
    }
    return group;
}

SpokenItem BarsView::spokenTempo() {
    const project::Project& p = session_.now();
    const QRect lane = layout_.tempoLane(viewport()->width());
    SpokenItem group{QStringLiteral("tempo"), QAccessible::Grouping, tr("Tempo")};
    group.where = lane;
    for (const metre::TempoPoint& point : p.tempo.points()) {
        SpokenItem item{keyOf("tempo", point.at.value), QAccessible::Slider,
                        tr("tempo from %1 on").arg(barText(p.metre, point.at)),
                        tr("%1 BPM").arg(qt(metre::tempoLabel(point.bpm)))};
        if (layout_.lanes)
            item.where = QRect(static_cast<int>(layout_.x(point.at)) - 5,
                               static_cast<int>(tempoY(layout_, p.tempo, point.bpm)) - 5, 10, 10);
        item.isSelected = picked_.what == LanePick::What::TempoPoint && picked_.at == point.at;
        item.number = SpokenNumber{point.bpm.value, metre::slowestTempo.value, metre::fastestTempo.value, 1,
                                   [this, at = point.at](double bpm) {
                                       session_.edit(tr("Tempo point"),
                                                     project::moveTempoPoint(session_.now(), at, at, Bpm(bpm)));
                                   }};
        item.reach = [this, at = point.at] {
            setShowsLanes(true);
            pickInLane(LanePick::What::TempoPoint, at);
        };
        item.actions = {{tr("Type"), [this, at = point.at] {
                             setShowsLanes(true);
                             pickInLane(LanePick::What::TempoPoint, at);
                             typeTempoPoint();
                         }}};
        group.children.push_back(std::move(item));
    }
    return group;
}

SpokenItem BarsView::spokenMetre() {
    const project::Project& p = session_.now();
    const QRect lane = layout_.metreLane(viewport()->width());
    SpokenItem group{QStringLiteral("metre"), QAccessible::Grouping, tr("Metre and key")};
    group.where = lane;
    for (const Beats at : placesIn(LanePick::What::Metre)) {
        const auto key = p.keys.keyAt(p.metre.barAt(at));
        SpokenItem item{keyOf("metre", at.value), QAccessible::ListItem,
                        tr("from %1 on: %2").arg(barText(p.metre, at), qt(metre::metreLabel(p.metre.metreAt(at)))) +
                            (key ? QStringLiteral(", ") + qt(hear::keyLabel(*key)) : QString())};
        if (layout_.lanes) item.where = QRect(static_cast<int>(layout_.x(at)), lane.top(), 60, lane.height());
        item.isSelected =
            (picked_.what == LanePick::What::Metre || picked_.what == LanePick::What::Key) && picked_.at == at;
        const auto reach = [this, at] {
            setShowsLanes(true);
            pickInLane(LanePick::What::Metre, at);
        };
        item.reach = reach;
        item.actions = {{tr("Type"), [this, reach] {
                             reach();
                             typeMetreOrKey();
                         }}};
        group.children.push_back(std::move(item));
    }
    return group;
}

SpokenItem BarsView::spokenTrack(std::size_t index) {
    const project::Project& p = session_.now();
    const project::Track& track = *p.tracks[index];
    const TrackId id = track.id;
    const auto key = [&](const char* what) { return keyOf(what, id.value); };
    SpokenItem item{key("track"), QAccessible::Grouping,
                    tr("track %1, %2")
                        .arg(qt(track.name),
                             counted(static_cast<std::int64_t>(track.clips.size()), tr("1 clip"), tr("%1 clips")))};
    item.where = QRect(0, layout_.y(index), viewport()->width(), layout_.heightOf(index));
    const auto at = emptyTrackAtCursor();
    item.isSelected = at && *at == index;
    item.reach = [this, id] {
        session_.document().select({});
        headPressed_ = id;
        pick({});
    };
    item.actions = {{tr("Rename"), [this, id] { typeTrackName(id); }}};
    if (track.rule) item.more = tr("time rule %1").arg(ruleWord(*track.rule));

    SpokenItem mute{key("mute"), QAccessible::CheckBox, tr("mute track %1").arg(qt(track.name))};
    mute.where = muteRect(layout_, index);
    mute.isOn = track.mute;
    mute.actions = {{tr("Mute"), [this, id, on = !track.mute] {
                         session_.edit(tr("Mute"), project::setMute(session_.now(), id, on));
                     }}};
    SpokenItem solo{key("solo"), QAccessible::CheckBox, tr("hear track %1 alone").arg(qt(track.name))};
    solo.where = soloRect(layout_, index);
    solo.isOn = track.solo;
    solo.actions = {{tr("Solo"), [this, id, on = !track.solo] {
                         session_.edit(tr("Solo"), project::setSolo(session_.now(), id, on));
                     }}};
    SpokenItem gain{key("gain"), QAccessible::Slider, tr("gain of track %1").arg(qt(track.name)),
                    tr("%1 dB").arg(track.gainDb, 0, 'f', 1)};
    gain.where = gainRect(layout_, index);
    gain.number = SpokenNumber{track.gainDb, project::quietestDb, project::loudestDb, 0.5, [this, id](double db) {
                                   session_.edit(tr("Track gain"), project::setTrackGain(session_.now(), id, db));
                               }};
    SpokenItem pan{key("pan"), QAccessible::Slider, tr("pan of track %1").arg(qt(track.name)),
                   QString::number(std::lround(track.pan * 100))};
    pan.where = panRect(layout_, index);
    pan.number = SpokenNumber{track.pan * 100, -100, 100, 5, [this, id](double place) {
                                  session_.edit(tr("Pan"), project::setPan(session_.now(), id, place / 100));
                              }};
    for (SpokenItem* part : {&mute, &solo, &gain, &pan})
        item.children.push_back(std::move(*part));
    for (const project::LaidClip& clip : session_.laid()->onTrack(index))
        item.children.push_back(spokenClip(clip));
    return item;
}

// "winch_hands, bar 3, 4 bars, 112 to 104, in time".
SpokenItem BarsView::spokenClip(const project::LaidClip& clip) {
    const project::Project& p = session_.now();
    const ClipId id = clip.id();
    QStringList parts{qt(clip.name()), barText(p.metre, clip.clip->at),
                      barsText(p.metre, clip.time().start, clip.time().end), inWords(standingOf(clip, p.tempo))};
    if (const auto proof = session_.proofs().of(id))
        parts << landingLabel(proof->landing(session_.proofs().tolerance()));
    if (clip.clip->locked) parts << tr("locked");
    if (clip.clip->mute) parts << tr("muted");
    SpokenItem item{keyOf("clip", id.value), QAccessible::ListItem, parts.join(QStringLiteral(", "))};
    item.more = translated(session_.player().problemWith(id));
    item.where = layout_.clip(clip).toRect();
    const auto& selected = session_.selection().clips;
    item.isSelected = std::find(selected.begin(), selected.end(), id) != selected.end();
    item.reach = [this, id] { goTo(id, false); };
    item.actions = {{tr("Open in the Bench"),
                     [this, id] {
                         goTo(id, false);
                         emit benchAsked();
                     }},
                    {tr("Select as well"), [this, id] { goTo(id, true); }},
                    {tr("Menu"), [this, id] {
                         goTo(id, false);
                         if (const project::LaidClip* now = session_.laid()->find(id))
                             emit menuAsked(OnClip, viewport()->mapToGlobal(layout_.clip(*now).center().toPoint()));
                     }}};
    item.children = spokenEdges(clip);
    return item;
}

std::vector<SpokenItem> BarsView::spokenEdges(const project::LaidClip& clip) {
    const project::Project& p = session_.now();
    const ClipId id = clip.id();
    const QRect r = layout_.clip(clip).toRect();
    std::vector<SpokenItem> list;
    for (const project::Side side : {project::Side::Left, project::Side::Right}) {
        const bool isLeft = side == project::Side::Left;
        const Beats edge = isLeft ? clip.time().start : clip.time().end;
        SpokenItem item{keyOf(isLeft ? "start" : "end", id.value), QAccessible::Slider,
                        (isLeft ? tr("beginning of %1") : tr("end of %1")).arg(qt(clip.name())),
                        qt(metre::positionLabel(p.metre.positionAt(edge)))};
        item.where = QRect(isLeft ? r.left() : r.right() - 6, r.top(), 7, r.height());
        item.number = SpokenNumber{
            edge.value, firstBeat().value, project::furthest.value, 1, [this, id, side, isLeft](double beat) {
                const project::LaidClip* now = session_.laid()->find(id);
                if (now == nullptr) return;
                const Beats from = isLeft ? now->time().start : now->time().end;
                session_.edit(tr("Trim"), project::trim(session_.now(), {id}, side, Beats(beat) - from));
            }};
        list.push_back(std::move(item));
    }
    for (const project::Side side : {project::Side::Left, project::Side::Right}) {
        const bool isLeft = side == project::Side::Left;
        const project::Fade fade = isLeft ? clip.clip->fadeIn : clip.clip->fadeOut;
        SpokenItem item{keyOf(isLeft ? "fade in" : "fade out", id.value), QAccessible::Slider,
                        (isLeft ? tr("fade in of %1") : tr("fade out of %1")).arg(qt(clip.name())),
                        tr("%1 s").arg(fade.length.value, 0, 'f', 3)};
        const QPoint grip = fadeGrip(layout_, p, clip, side).toPoint();
        item.where = QRect(grip - QPoint(5, 5), QSize(10, 10));
        item.number = SpokenNumber{fade.length.value, 0, project::longestFade.value, 0.01,
                                   [this, id, isLeft, fade](double seconds) {
                                       project::Fade next = fade;
                                       next.length = project::Seconds(seconds);
                                       session_.edit(isLeft ? tr("Fade in") : tr("Fade out"),
                                                     isLeft ? project::setFadeIn(session_.now(), {id}, next)
                                                            : project::setFadeOut(session_.now(), {id}, next));
                                   }};
        list.push_back(std::move(item));
    }
    return list;
}

} // namespace app
