// The commands of tracks and of the project's time.
#include "app/bars/bars_view.h"
#include "app/bench/bench.h"
#include "app/bench/by_ear.h"
#include "app/shelf/shelf.h"
#include "app/widgets/text.h"
#include "app/widgets/tokens.h"
#include "app/widgets/words.h"
#include "app/window/command_words.h"
#include "app/window/head_strip.h"
#include "app/window/main_window.h"
#include "metre/snap.h"
#include "project/sets.h"

#include <QMenu>
#include <algorithm>
#include <cmath>
#include <numeric>
#include <random>

namespace app {

void MainWindow::trackCommands(CommandList& list) {
    const auto trackIs = [this](const auto& is) {
        const auto id = bars_->track();
        const project::TrackPtr t = id ? project::trackOf(session_.now(), *id) : nullptr;
        return t && is(*t);
    };
    list.menu(tr("T&rack"));
    list.add("newTrack", tr("&New track"), keys(Qt::CTRL | Qt::SHIFT | Qt::Key_N), Needs::Nothing, OnPage, [this] {
        const auto n = static_cast<int>(session_.now().tracks.size());
        session_.edit(tr("New track"),
                      project::addTrack(session_.now(), tr("track %1").arg(n + 1).toStdString()).project);
    });
    list.add("renameTrack", tr("&Rename…"), keys(Qt::Key_F2), Needs::Track, OnTrack,
             [this] { bars_->typeTrackName(*bars_->track()); });
    list.add("duplicateTrack", tr("&Duplicate"), {}, Needs::Track, OnTrack, [this] {
        auto made = project::duplicateTrack(session_.now(), *bars_->track());
        if (!made)
            session_.say(qt(made.error().text));
        else
            session_.edit(tr("Duplicate track"), std::move(made->project));
    });
    list.add("removeTrack", tr("Remo&ve"), {}, Needs::Track, OnTrack, [this] {
        onTrack(tr("Remove track"),
                [](const project::Project& p, const project::Track& t) { return project::removeTrack(p, t.id); });
    });
    const auto shift = [this](int by) {
        onTrack(tr("Move track"), [by](const project::Project& p, const project::Track& t) {
            const auto at =
                std::find_if(p.tracks.begin(), p.tracks.end(), [&](const auto& x) { return x->id == t.id; });
            const auto to = (at - p.tracks.begin()) + by;
            if (to < 0 || to >= static_cast<std::ptrdiff_t>(p.tracks.size()))
                return base::Result<project::Project>(p);
            return project::moveTrack(p, t.id, static_cast<std::size_t>(to));
        });
    };
    list.add("trackUp", tr("Move it &up"), keys(Qt::CTRL | Qt::ALT | Qt::Key_Up), Needs::Track, OnTrack,
             [shift] { shift(-1); });
    list.add("trackDown", tr("Move it do&wn"), keys(Qt::CTRL | Qt::ALT | Qt::Key_Down), Needs::Track, OnTrack,
             [shift] { shift(1); });
    list.line();
    list.add(
        "mute", tr("&Mute it"), {}, Needs::Track, OnTrack,
        [this] {
            onTrack(tr("Mute"), [](const project::Project& p, const project::Track& t) {
                return project::setMute(p, t.id, !t.mute);
            });
        },
        [trackIs] { return trackIs([](const project::Track& t) { return t.mute; }); });
    list.add(
        "solo", tr("&Solo it"), {}, Needs::Track, OnTrack,
        [this] {
            onTrack(tr("Solo"), [](const project::Project& p, const project::Track& t) {
                return project::setSolo(p, t.id, !t.solo);
            });
        },
        [trackIs] { return trackIs([](const project::Track& t) { return t.solo; }); });
    list.add("tintTrack", tr("Another &tint for it"), {}, Needs::Track, OnTrack, [this] {
        onTrack(tr("Tint"), [](const project::Project& p, const project::Track& t) {
            return project::setTrackTint(p, t.id, (t.tint + 1) % 8);
        });
    });
    list.line();
    list.under(tr("Time rule"));
    for (const project::TimeRuleEntry& entry : project::timeRules)
        list.add(
            kept(std::string("trackRule-") + entry.word), tr("%1 for all of it").arg(ruleWord(entry.rule)), {},
            Needs::Track, OnTrack,
            [this, rule = entry.rule] {
                onTrack(tr("Time rule"), [rule](const project::Project& p, const project::Track& t) {
                    return project::setTrackRule(p, t.id, rule);
                });
            },
            [trackIs, rule = entry.rule] {
                return trackIs([rule](const project::Track& t) { return t.rule == rule; });
            });
    list.add(
        "trackRule-inherit", tr("As the project says"), {}, Needs::Track, OnTrack,
        [this] {
            onTrack(tr("Time rule"), [](const project::Project& p, const project::Track& t) {
                return project::setTrackRule(p, t.id, {});
            });
        },
        [trackIs] { return trackIs([](const project::Track& t) { return !t.rule; }); });
    list.under({});
    list.line();
    list.add("tracksLower", tr("All tracks &lower"), keys(Qt::CTRL | Qt::SHIFT | Qt::Key_Down), Needs::Nothing,
             OnBar, [this] { bars_->stepHeights(-1); });
    list.add("tracksHigher", tr("All tracks &higher"), keys(Qt::CTRL | Qt::SHIFT | Qt::Key_Up), Needs::Nothing,
             OnBar, [this] { bars_->stepHeights(1); });
}

void MainWindow::tempoCommands(CommandList& list) {
    Document& doc = session_.document();
    list.menu(tr("Te&mpo"));
    list.add("typeTempo", tr("T&ype the project tempo"), keys(Qt::CTRL | Qt::Key_T), Needs::Nothing, OnBar,
             [this] { head_->typeTempo(); });
    list.add("tap", tr("&Tap the project tempo"), keys(Qt::Key_T), Needs::Nothing, OnBar, [this] { head_->tap(); });
    list.line();
    list.add("tempoPoint", tr("Tempo &point here…"), keys(Qt::CTRL | Qt::SHIFT | Qt::Key_T), Needs::Nothing,
             OnTempo, [this] { bars_->typeTempoPoint(); });
    const auto shape = [this](metre::TempoPoint::Shape to) {
        const LanePick& pick = bars_->picked();
        if (pick.what == LanePick::What::TempoPoint)
            session_.edit(tr("Tempo point"), project::setTempoShape(session_.now(), pick.at, to));
        else
            session_.say(tr("Pick a point in the tempo's lane first."));
    };
    const auto isShape = [this](metre::TempoPoint::Shape shape_) {
        for (const metre::TempoPoint& p : session_.now().tempo.points())
            if (bars_->picked().what == LanePick::What::TempoPoint && p.at == bars_->picked().at)
                return p.shape == shape_;
        return false;
    };
    list.add(
        "tempoHold", tr("&Hold from it on"), {}, Needs::Pick, OnTempo,
        [shape] { shape(metre::TempoPoint::Shape::Hold); },
        [isShape] { return isShape(metre::TempoPoint::Shape::Hold); });
    list.add(
        "tempoRamp", tr("&Ramp to the next"), {}, Needs::Pick, OnTempo,
        [shape] { shape(metre::TempoPoint::Shape::Ramp); },
        [isShape] { return isShape(metre::TempoPoint::Shape::Ramp); });
    list.add("tempoChange", tr("Faster or &slower…"), {}, Needs::Nothing, OnTempo,
             [this] { bars_->typeTempoChange(); });
    list.line();
    list.add("section", tr("S&ection here…"), keys(Qt::CTRL | Qt::Key_M), Needs::Nothing, OnSection,
             [this] { bars_->typeSection(); });
    list.add("metreOrKey", tr("&Metre or key here…"), keys(Qt::CTRL | Qt::SHIFT | Qt::Key_M), Needs::Nothing,
             OnMetre, [this] { bars_->typeMetreOrKey(); });
    list.line();
    list.add(
        "following", tr("Clips &follow the tempo"), {}, Needs::Nothing, OnBar,
        [this, &doc] {
            const bool on = !session_.now().following;
            if (doc.edit(on ? tr("Follow the tempo") : tr("Stop following"),
                         project::setFollowing(session_.now(), on)))
                session_.say(on ? tr("Clips fill their beats at every tempo")
                                : tr("Clips stay as long as they are now, whatever the tempo does"));
        },
        [this] { return session_.now().following; });
    for (const project::TimeRuleEntry& entry : project::timeRules)
        list.add(
            kept(std::string("projectRule-") + entry.word),
            tr("%1, where nothing else is said").arg(ruleWord(entry.rule)), {}, Needs::Nothing, OnBar,
            [this, rule = entry.rule] {
                session_.edit(tr("Time rule"), project::setProjectRule(session_.now(), rule));
            },
            [this, rule = entry.rule] { return session_.now().rule == rule; });
}

} // namespace app
