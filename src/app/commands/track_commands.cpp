// The menu of tracks.
#include "app/bars/bars_view.h"
#include "app/commands/command.h"
#include "app/widgets/text.h"
#include "app/widgets/words.h"
#include "project/tighten.h"

#include <algorithm>

namespace app {

namespace {

project::TrackPtr chosenTrack(const Reach& r) {
    const auto id = r.bars.track();
    return id ? project::trackOf(r.session.now(), *id) : nullptr;
}

using TrackEdit = std::function<base::Result<project::Project>(const project::Project&, const project::Track&)>;

// An edit of the chosen track; says "NAME: SENTENCE".
void editTrack(Reach& r, const QString& step, const TrackEdit& change, const QString& sentence) {
    const project::TrackPtr track = chosenTrack(r);
    if (track && r.session.edit(step, change(r.session.now(), *track)))
        r.session.say(QStringLiteral("%1: %2").arg(qt(track->name), sentence));
}

void makeTrack(Reach& r) {
    const QString name = words("track %1").arg(r.session.now().tracks.size() + 1);
    if (r.session.edit(words("New track"), project::addTrack(r.session.now(), name.toStdString()).project))
        r.session.say(words("%1 added").arg(name));
}

void copyTrack(Reach& r) {
    const project::TrackPtr track = chosenTrack(r);
    if (!track) return;
    auto made = project::duplicateTrack(r.session.now(), track->id);
    if (!made)
        r.session.say(translated(made.error().text));
    else if (r.session.edit(words("Duplicate track"), std::move(made->project)))
        r.session.say(words("%1: duplicated, with its clips").arg(qt(track->name)));
}

void deleteTrack(Reach& r) {
    editTrack(
        r, words("Remove track"),
        [](const project::Project& p, const project::Track& t) { return project::removeTrack(p, t.id); },
        words("removed"));
}

void shiftTrack(Reach& r, int by) {
    editTrack(
        r, words("Move track"),
        [by](const project::Project& p, const project::Track& t) {
            const auto at =
                std::find_if(p.tracks.begin(), p.tracks.end(), [&](const auto& x) { return x->id == t.id; });
            const auto to = (at - p.tracks.begin()) + by;
            if (to < 0 || to >= static_cast<std::ptrdiff_t>(p.tracks.size()))
                return base::Result<project::Project>(p);
            return project::moveTrack(p, t.id, static_cast<std::size_t>(to));
        },
        by < 0 ? words("moved up") : words("moved down"));
}

bool isTrackMuted(const Reach& r) {
    const project::TrackPtr t = chosenTrack(r);
    return t && t->mute;
}
bool isTrackSolo(const Reach& r) {
    const project::TrackPtr t = chosenTrack(r);
    return t && t->solo;
}

void muteTrack(Reach& r) {
    const bool mute = !isTrackMuted(r);
    editTrack(
        r, words("Mute"),
        [mute](const project::Project& p, const project::Track& t) { return project::setMute(p, t.id, mute); },
        mute ? words("muted") : words("unmuted"));
}

void soloTrack(Reach& r) {
    const bool solo = !isTrackSolo(r);
    editTrack(
        r, words("Solo"),
        [solo](const project::Project& p, const project::Track& t) { return project::setSolo(p, t.id, solo); },
        solo ? words("solo") : words("solo off"));
}

void tintTrack(Reach& r) {
    const project::TrackPtr track = chosenTrack(r);
    if (!track) return;
    const int tint = (track->tint + 1) % 8;
    editTrack(
        r, words("Colour"),
        [tint](const project::Project& p, const project::Track& t) { return project::setTrackTint(p, t.id, tint); },
        words("colour %1 of 8").arg(tint + 1));
}

void giveTrackRule(Reach& r, std::optional<project::TimeRule> rule) {
    editTrack(
        r, words("Time rule"),
        [rule](const project::Project& p, const project::Track& t) { return project::setTrackRule(p, t.id, rule); },
        rule ? words("time rule %1").arg(ruleWord(*rule)) : words("the project's time rule"));
}

// Clips that are placed on the track from now on are tightened as the selected one is; as they were played, where
// none is.
void keepTrackTighten(Reach& r) {
    const project::TrackPtr track = chosenTrack(r);
    if (!track) return;
    std::optional<project::Tighten> tighten;
    for (const project::ClipId id : r.session.selection().clips)
        if (const project::Clip* clip = project::clipOf(r.session.now(), id); clip && clip->tighten.percent > 0)
            tighten = clip->tighten;
    editTrack(
        r, words("Tighten new clips"),
        [tighten](const project::Project& p, const project::Track& t) {
            return project::setTrackTighten(p, t.id, tighten);
        },
        tighten ? words("new clips are tightened by %1 %").arg(tighten->percent, 0, 'f', 0)
                : words("new clips come as they were played"));
}
bool isTrackTightened(const Reach& r) {
    const project::TrackPtr t = chosenTrack(r);
    return t && t->tighten;
}

std::vector<Command> trackRuleCommands() {
    const AtPointer rules{OnTrack, Among::Fit, words("Time rule")};
    std::vector<Command> list;
    list.reserve(std::size(project::timeRules));
    for (const project::TimeRuleEntry& entry : project::timeRules)
        list.push_back({QStringLiteral("trackRule-") + entry.word, ruleWord(entry.rule), "", Needs::Track,
                        [rule = entry.rule](Reach& r) { giveTrackRule(r, rule); },
                        [rule = entry.rule](const Reach& r) {
                            const project::TrackPtr t = chosenTrack(r);
                            return t && t->rule == rule;
                        },
                        rules});
    list.push_back({"trackRule-inherit", words("As the &project says"), "", Needs::Track,
                    [](Reach& r) { giveTrackRule(r, {}); },
                    [](const Reach& r) {
                        const project::TrackPtr t = chosenTrack(r);
                        return t && !t->rule;
                    },
                    rules});
    return list;
}

} // namespace

CommandMenu trackCommands() {
    const AtPointer most{OnTrack, Among::Most};
    const AtPointer sound{OnTrack, Among::Sound};
    const AtPointer rest{OnTrack, Among::Rest};
    return {
        words("T&rack"),
        {{{},
          {{"newTrack", words("&New track"), "Ctrl+Shift+N", Needs::Nothing, makeTrack, {}, {OnPage, Among::Most}},
           {"renameTrack",
            words("&Rename…"),
            "F2",
            Needs::Track,
            [](Reach& r) { r.bars.typeTrackName(*r.bars.track()); },
            {},
            most},
           {"duplicateTrack", words("&Duplicate"), "", Needs::Track, copyTrack, {}, most},
           {"removeTrack", words("Remo&ve"), "", Needs::Track, deleteTrack, {}, most}}},
         {{},
          {{"trackUp",
            words("Move &up"),
            "Ctrl+Alt+Up",
            Needs::Track,
            [](Reach& r) { shiftTrack(r, -1); },
            {},
            rest},
           {"trackDown",
            words("Move do&wn"),
            "Ctrl+Alt+Down",
            Needs::Track,
            [](Reach& r) { shiftTrack(r, 1); },
            {},
            rest}}},
         {{},
          {{"mute", words("&Mute"), "", Needs::Track, muteTrack, isTrackMuted, sound},
           {"solo", words("&Solo"), "", Needs::Track, soloTrack, isTrackSolo, sound},
           {"tintTrack", words("&Change colour"), "", Needs::Track, tintTrack, {}, rest},
           {"trackTighten", words("Tighten new clips like this &one"), "", Needs::Track, keepTrackTighten,
            isTrackTightened, rest}}},
         {words("&Time rule"), trackRuleCommands()},
         {{},
          {{"tracksLower", words("All tracks &lower"), "Ctrl+Shift+Down", Needs::Nothing,
            [](Reach& r) { r.bars.stepHeights(-1); }},
           {"tracksHigher", words("All tracks &higher"), "Ctrl+Shift+Up", Needs::Nothing,
            [](Reach& r) { r.bars.stepHeights(1); }}}}}};
}

} // namespace app
