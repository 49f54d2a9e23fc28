// The menu of the selected clips: what they play, how loud, and where they lie.
#include "app/bars/bars_view.h"
#include "app/bench/bench.h"
#include "app/bench/rails_view.h"
#include "app/commands/asking.h"
#include "app/commands/command.h"
#include "app/widgets/text.h"
#include "app/widgets/tokens.h"

#include <algorithm>
#include <numeric>
#include <random>

namespace app {

namespace {

void splitClips(Reach& r) {
    const Beats at = r.session.player().position();
    std::vector<ClipId> which = chosenClips(r);
    if (which.empty()) // whatever goes on there
        for (const project::LaidClip& c : r.session.laid()->clips())
            if (c.time().start < at && at < c.time().end && !c.clip->locked) which.push_back(c.id());
    arrange(r, words("Split"), project::split(r.session.now(), which, at));
}

void sliceInParts(Reach& r) {
    askNumber(r.frame.widget(), {words("Slice into parts"), words("Into how many equal parts?"), 4, 2, 10000, 0},
              [&r](double n) {
                  arrange(r, words("Slice"),
                          project::sliceEqually(r.session.now(), chosenClips(r), static_cast<int>(n)));
              });
}

void sliceAtTheOnsets(Reach& r) {
    askNumber(r.frame.widget(),
              {words("Slice at onsets"), words("Sensitivity in per cent: 0 cuts at the strongest only, 100 at all"),
               50, 0, 100, 0},
              [&r](double percent) {
                  arrange(r, words("Slice"),
                          project::sliceAtOnsets(r.session.now(), chosenClips(r), percent / 100));
              });
}

void reorderSlices(Reach& r, bool shuffled) {
    std::vector<std::size_t> order(chosenClips(r).size());
    std::iota(order.begin(), order.end(), std::size_t(0));
    if (shuffled)
        std::shuffle(order.begin(), order.end(), std::mt19937(std::random_device()()));
    else
        std::reverse(order.begin(), order.end());
    editChosen(r, shuffled ? words("Shuffle") : words("Reverse the order"),
               project::reorder(r.session.now(), chosenClips(r), order),
               shuffled ? words("shuffled") : words("in reverse order"));
}

void repeatClips(Reach& r) {
    askNumber(r.frame.widget(), {words("Repeat"), words("How often do the clips play?"), 2, 0.05, 10000, 2},
              [&r](double n) {
                  editChosen(r, words("Repeat"), project::setRepeats(r.session.now(), chosenClips(r), n),
                             words("%1 times").arg(n));
              });
}

bool isLooped(const project::LaidClip& c) {
    return c.clip->stretch.loop;
}

void loopClips(Reach& r) {
    const bool on = !areAll(r, isLooped);
    editChosen(r, words("Loop"), project::setGoesRound(r.session.now(), chosenClips(r), on),
               on ? words("loops") : words("plays once"));
}

// Of the Bench and the bars the line of the place that was worked in last.
Beats lineThatCounts(const Reach& r, const project::LaidClip& clip) {
    const RailsView& rails = r.bench.rails();
    const bool isShown =
        rails.scene() && rails.scene()->clip() != nullptr && rails.scene()->clip()->id() == clip.id();
    if (isShown && rails.isOwnLine())
        if (const auto at = rails.hereInProject()) return *at;
    return r.session.player().position();
}

void trimClips(Reach& r, project::Side side) {
    const project::LaidClip* c = firstChosen(r);
    if (c == nullptr) return;
    const Beats at = lineThatCounts(r, *c);
    const Beats edge = side == project::Side::Left ? c->time().start : c->time().end;
    const QString place = qt(metre::positionLabel(r.session.now().metre.positionAt(at)));
    editChosen(r, words("Trim"), project::trim(r.session.now(), chosenClips(r), side, at - edge),
               side == project::Side::Left ? words("starts at %1").arg(place) : words("ends at %1").arg(place));
}

void fadeClips(Reach& r, bool in) {
    const QString title = in ? words("Fade in") : words("Fade out");
    askNumber(r.frame.widget(), {title, words("Over how many seconds?"), 0.5, 0, 60, 3}, [&r, in, title](double s) {
        const project::Fade to{metre::Seconds(s), project::Fade::Shape::EqualPower};
        editChosen(r, title,
                   in ? project::setFadeIn(r.session.now(), chosenClips(r), to)
                      : project::setFadeOut(r.session.now(), chosenClips(r), to),
                   in ? words("fades in over %1 s").arg(s) : words("fades out over %1 s").arg(s));
    });
}

void crossfadeClips(Reach& r) {
    askNumber(r.frame.widget(), {words("Crossfade"), words("Over how many seconds?"), 0.05, 0.001, 60, 3},
              [&r](double s) {
                  editChosen(r, words("Crossfade"),
                             project::crossTouching(r.session.now(), chosenClips(r), metre::Seconds(s)),
                             words("equal-power crossfade of %1 s").arg(s));
              });
}

bool isLocked(const project::LaidClip& c) {
    return c.clip->locked;
}
bool isMuted(const project::LaidClip& c) {
    return c.clip->mute;
}

void lockClips(Reach& r) {
    const bool lock = !areAll(r, isLocked);
    editChosen(r, lock ? words("Lock") : words("Unlock"), project::setLocked(r.session.now(), chosenClips(r), lock),
               lock ? words("locked, edits change nothing") : words("unlocked"));
}

void muteClips(Reach& r) {
    const bool mute = !areAll(r, isMuted);
    editChosen(r, words("Mute"), project::setClipMute(r.session.now(), chosenClips(r), mute),
               mute ? words("muted") : words("unmuted"));
}

void nameClips(Reach& r) {
    const project::LaidClip* c = firstChosen(r);
    const bool one = chosenClips(r).size() == 1;
    askText(r.frame.widget(), one ? words("Name") : words("Name and number the clips"),
            words("Name; an empty one gives the clips their sources' names again"),
            c != nullptr ? qt(c->name()) : QString(), [&r, one](const QString& name) {
                const QString before = nameOfChosen(r);
                if (r.session.edit(words("Name"),
                                   project::setName(r.session.now(), chosenClips(r), name.trimmed().toStdString())))
                    r.session.say(name.trimmed().isEmpty() ? words("%1: named by the source again").arg(before)
                                  : one                    ? words("%1: named %2").arg(before, name.trimmed())
                                        : words("%1: named %2 and numbered").arg(before, name.trimmed()));
            });
}

void tintClips(Reach& r) {
    const project::LaidClip* c = firstChosen(r);
    if (c == nullptr) return;
    const int tint = (c->clip->tint.value_or(c->track->tint) + 1) % 8;
    const bool isTracks = tint == c->track->tint; // which is none of its own
    editChosen(
        r, words("Colour"),
        project::setTint(r.session.now(), chosenClips(r), isTracks ? std::nullopt : std::optional<int>(tint)),
        isTracks ? words("the track's colour") : words("colour %1 of 8").arg(tint + 1));
}

void moveHere(Reach& r) {
    const Beats at = r.session.transport().snapped();
    editChosen(r, words("Move here"), project::bringTo(r.session.now(), chosenClips(r), at),
               words("moved to %1").arg(qt(metre::positionLabel(r.session.now().metre.positionAt(at)))));
}

void trimLeadingSilence(Reach& r) {
    editChosen(r, words("Trim silence"), project::trimSilence(r.session.now(), chosenClips(r)),
               words("starts with its first sound"));
}

} // namespace

CommandMenu clipCommands() {
    const AtPointer most{OnClip, Among::Most};
    const AtPointer slicing{OnClip, Among::Recording, words("Slice")};
    const AtPointer recording{OnClip, Among::Recording, words("Recording")};
    const AtPointer level{OnClip, Among::Sound, words("Sound")};
    const AtPointer rest{OnClip, Among::Rest, words("Clip")};
    return {
        words("&Clip"),
        {{{},
          {{"split", words("&Split at the play position"), "/", Needs::Nothing, splitClips, {}, most},
           {"repeats", words("&Repeat…"), "R", Needs::Clips, repeatClips, {}, most},
           {"goesRound", words("L&oop"), "", Needs::Clips, loopClips,
            [](const Reach& r) { return areAll(r, isLooped); }, rest}}},
         {words("S&lice"),
          {{"sliceEqually", words("Slice into &parts…"), "", Needs::Clips, sliceInParts, {}, slicing},
           {"sliceAtOnsets", words("Slice at &onsets…"), "", Needs::Clips, sliceAtTheOnsets, {}, slicing},
           {"reverseOrder",
            words("&Reverse the slices"),
            "",
            Needs::Clips,
            [](Reach& r) { reorderSlices(r, false); },
            {},
            slicing},
           {"shuffle",
            words("&Shuffle the slices"),
            "",
            Needs::Clips,
            [](Reach& r) { reorderSlices(r, true); },
            {},
            slicing}}},
         {words("&Trim"),
          {{"trimSilence",
            words("Trim &silence at the start"),
            "",
            Needs::Clips,
            trimLeadingSilence,
            {},
            {OnClip | OnRail, Among::Rest, words("Clip")}},
           {"trimStart",
            words("Trim s&tart to the play position"),
            "[",
            Needs::Clips,
            [](Reach& r) { trimClips(r, project::Side::Left); },
            {},
            rest},
           {"trimEnd",
            words("Trim &end to the play position"),
            "]",
            Needs::Clips,
            [](Reach& r) { trimClips(r, project::Side::Right); },
            {},
            rest}}},
         {words("&Fade and level"),
          {{"fadeIn", words("Fade &in…"), "", Needs::Clips, [](Reach& r) { fadeClips(r, true); }, {}, level},
           {"fadeOut", words("Fade &out…"), "", Needs::Clips, [](Reach& r) { fadeClips(r, false); }, {}, level},
           {"crossTouching", words("&Crossfade where clips touch…"), "", Needs::Clips, crossfadeClips, {}, level},
           {"normalisePeak",
            words("Normalise the &peak to −1 dBTP"),
            "",
            Needs::Clips,
            [](Reach& r) { r.session.levels().normalise(project::Normalise::Peak); },
            {},
            level},
           {"normaliseLoudness",
            words("Normalise the &loudness to −16 LUFS"),
            "",
            Needs::Clips,
            [](Reach& r) { r.session.levels().normalise(project::Normalise::Loudness); },
            {},
            level},
           {"normaliseNo",
            words("&Undo normalising"),
            "",
            Needs::Clips,
            [](Reach& r) { r.session.levels().normalise(project::Normalise::No); },
            {},
            level}}},
         {{},
          {{"extract",
            words("E&xtract as a source"),
            "",
            Needs::OneClip,
            [](Reach& r) { r.session.sounds().extractPart(); },
            {},
            recording}}},
         {{},
          {{"lock", words("Loc&k"), "Ctrl+K", Needs::Clips, lockClips,
            [](const Reach& r) { return areAll(r, isLocked); }, rest},
           {"muteClip", words("&Mute"), "M", Needs::Clips, muteClips,
            [](const Reach& r) { return areAll(r, isMuted); }, level},
           {"nameClip", words("&Name…"), "", Needs::Clips, nameClips, {}, rest},
           {"tintClip", words("&Change colour"), "", Needs::Clips, tintClips, {}, rest}}},
         {words("Mo&ve"),
          {{"bringHere", words("Move to the &play position"), "G", Needs::Clips, moveHere, {}, rest},
           {"moveEarlier", words("Move &earlier"), "Alt+Left", Needs::Clips, [](Reach& r) { r.bars.nudge(-1, 0); }},
           {"moveLater", words("Move &later"), "Alt+Right", Needs::Clips, [](Reach& r) { r.bars.nudge(1, 0); }},
           {"moveUp", words("Move to the track a&bove"), "Alt+Up", Needs::Clips,
            [](Reach& r) { r.bars.nudge(0, -1); }},
           {"moveDown", words("Move to the track belo&w"), "Alt+Down", Needs::Clips,
            [](Reach& r) { r.bars.nudge(0, 1); }}}},
         {words("Ed&ges"),
          {{"startEarlier", words("&Begin earlier"), "Ctrl+Alt+Left", Needs::Clips,
            [](Reach& r) { r.bars.nudgeEdge(project::Side::Left, -1); }},
           {"startLater", words("Begin &later"), "Ctrl+Alt+Right", Needs::Clips,
            [](Reach& r) { r.bars.nudgeEdge(project::Side::Left, 1); }},
           {"endEarlier", words("&End earlier"), "Alt+Shift+Left", Needs::Clips,
            [](Reach& r) { r.bars.nudgeEdge(project::Side::Right, -1); }},
           {"endLater", words("End la&ter"), "Alt+Shift+Right", Needs::Clips,
            [](Reach& r) { r.bars.nudgeEdge(project::Side::Right, 1); }}}}}};
}

} // namespace app
